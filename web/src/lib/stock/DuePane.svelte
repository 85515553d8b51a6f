<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count, date, quantity } from '$lib/format';
  import { orderHref } from '$lib/links';
  import { supplyOrder } from '$lib/queries';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { DueScreen } from './due-screen.svelte';
  import PaperWithIt from './PaperWithIt.svelte';
  import PostingSlip from './PostingSlip.svelte';
  import { RECEIPT } from './line-acts';
  import LineActs from './LineActs.svelte';

  /** What has come: all that is selected as one slip, or one line with its quantity and lot. */
  let { screen }: { screen: DueScreen } = $props();
  const here = $derived(screen.here);
  const order = createQuery(() => ({ ...supplyOrder(here?.number ?? ''), enabled: here !== undefined }));
  const line = $derived(order.data?.lines.find((l) => l.line === here?.line));
</script>

<article class="px-5 pt-3 pb-6" aria-label="Receiving">
  {#if screen.chosen.length > 0}
    <h2 class="text-xl">{count(screen.chosen.length, 'line')} selected</h2>
    {#if screen.single.length > 0}
      <p class="mt-1" data-testid="single">
        {screen.single.map((r) => r.item).join(', ')}
        {screen.single.length === 1 ? 'comes' : 'come'} with lots or serial numbers, and
        {screen.single.length === 1 ? 'is' : 'are'} received one by one.
      </p>
    {/if}
    {#if screen.together.length > 0}
      {#if screen.charges}<div class="no-print mt-3">
          <PaperWithIt bind:paper={screen.paper} wrong={screen.paperWrong} />
        </div>{/if}
      <p class="no-print my-3">
        <button
          type="button"
          class="main-action"
          disabled={!screen.posting.pressable || !rights.stocks()}
          title={rights.stocks() ? '' : rights.noStock()}
          onclick={() => screen.receive()}
          >Receive {count(screen.together.length, 'line')} whole <Key name="r" /></button
        >
      </p>
      <PostingSlip posting={screen.posting} currency={screen.currency} />
    {/if}
  {:else if here}
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl"><a class="link" href={orderHref(here.number)}>{here.number}</a></h2>
      <p class="min-w-0 flex-1 truncate">line {here.line}, {here.supplierName}, for {here.siteName}</p>
    </header>
    <p class="mt-1">
      <b>{quantity(here.open)}</b>
      {here.unit} of <b>{here.item}</b>
      {here.itemName} are to come {date(here.due, screen.today)}{#if here.late}<b class="text-vermilion"
          >, {count(here.late, 'day')} ago</b
        >{/if}{#if here.straightTo}, straight to {here.straightTo}{/if}.
    </p>
    {#if line}
      {#key here.key}<LineActs
          number={here.number}
          {line}
          acts={RECEIPT}
          today={screen.today}
          currency={screen.currency}
          onposted={(last) => screen.received(last, here.supplier)}
        />{/key}
    {/if}
  {:else}
    <p class="grid h-full place-content-center text-ink-2">
      <span>Choose a line to receive it, or select several with <Key name="x" />.</span>
    </p>
  {/if}
</article>
