<script lang="ts">
  import { count, date, quantity } from '$lib/format';
  import { demandHref, itemHref } from '$lib/links';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import { actsOf } from './line-acts';
  import LineActs from './LineActs.svelte';
  import type { OutScreen } from './out-screen.svelte';
  import PostingSlip from './PostingSlip.svelte';

  /** What goes out: all that is selected as one slip, or one line with what it waits for. */
  let { screen }: { screen: OutScreen } = $props();
  const here = $derived(screen.here);
  const left = $derived(screen.chosen.length - screen.going.length);
  const orders = $derived(new Set(screen.going.map((r) => r.number)).size);
</script>

<article class="px-5 pt-3 pb-6" aria-label="Shipping">
  {#if screen.chosen.length > 0}
    <h2 class="text-xl">{count(screen.chosen.length, 'line')} selected</h2>
    {#if left > 0}<p class="mt-1" data-testid="waiting-lines">
        Of {count(left, 'line')} nothing is there; {left === 1 ? 'it stays' : 'they stay'}.
      </p>{/if}
    {#if screen.going.length > 0}
      <p class="no-print my-3 flex gap-2">
        <button
          type="button"
          class="main-action"
          disabled={!screen.posting.pressable || !rights.stocks()}
          title={rights.stocks() ? '' : rights.noStock()}
          onclick={() => screen.ship()}
          >Ship {count(screen.going.length, 'line')} of {count(orders, 'order')} <Key name="s" /></button
        >
        <button type="button" class="plain-action" onclick={() => screen.pickList()}
          >Pick list <Key name="L" /></button
        >
      </p>
      <PostingSlip posting={screen.posting} currency={screen.currency} />
    {/if}
  {:else if here}
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl"><a class="link" href={demandHref(here.number)}>{here.number}</a></h2>
      <p class="min-w-0 flex-1 truncate">line {here.line}, {here.customerName ?? ''}, from {here.siteName}</p>
    </header>
    <p class="mt-1">
      <b>{quantity(here.open)}</b>
      {here.unit} of <a class="link" href={itemHref(here.item)}>{here.item}</a>
      {here.itemName}{here.kit ? ', a kit' : ''} are to go {date(here.due, screen.today)}{#if here.late}<b
          class="text-vermilion">, {count(here.late, 'day')} ago</b
        >{/if}.
    </p>
    <p class="mt-1" data-testid="can-go">
      {#if here.assembled > 0}<b>{quantity(here.assembled)} {here.unit}</b> are assembled for this line as they
        go: all parts are there.{:else if here.state === 'whole'}<b>All of it is there</b> for this line.
      {:else if here.state === 'part'}<b>{quantity(here.ready)} {here.unit} are there</b> for this line.
      {:else if here.together}It goes together with the other lines of the order, which are not all there.
      {:else}<b>Nothing is there</b> for this line.{/if}
      {#if here.possible && here.state !== 'whole'}
        All of it can go {date(here.possible, screen.today)}{#if here.culprit}; it waits for
          <a class="link" href={itemHref(here.culprit)}>{here.culprit}</a>{/if}.
        <a class="link" href="/plan/threads?{new URLSearchParams({ number: here.number })}"
          >What it waits for</a
        >
      {/if}
    </p>
    {#key here.key}<LineActs
        number={here.number}
        line={here}
        acts={actsOf('customer').slice(0, 1)}
        today={screen.today}
        currency={screen.currency}
        onposted={(last) => (screen.posting.last = last)}
      />{/key}
  {:else}
    <p class="grid h-full place-content-center text-ink-2">
      <span>Choose a line to ship it, or select several with <Key name="x" />.</span>
    </p>
  {/if}
</article>
