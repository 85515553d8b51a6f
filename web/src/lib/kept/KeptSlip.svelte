<script lang="ts">
  import { date, longDate, money, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import Key from '$lib/ui/Key.svelte';
  import { went } from './kept';
  import type { KeptPromise, KeptScreen } from './kept-screen.svelte';

  /** One promise and what became of it. */
  let { screen, row }: { screen: KeptScreen; row: KeptPromise } = $props();
</script>

<article class="px-5 pt-3 pb-4" aria-label="Promise of {row.number}, line {row.line}">
  <header class="flex flex-wrap items-baseline gap-3">
    <h2 class="text-xl">{row.number}, line {row.line}</h2>
    <p class="min-w-0 flex-1 truncate">
      <a class="link" href={itemHref(row.item)}>{row.item}</a>
      {row.itemName}, {row.siteName}{row.customerName ? ` for ${row.customerName}` : ''}
    </p>
    <button type="button" class="main-action" onclick={() => screen.order()}
      >The order <Key name="v" /></button
    >
  </header>
  <p class="mt-2" data-testid="kept-line">
    {quantity(row.ordered)}
    {row.unit} promised for
    <b title={longDate(row.promised)}>{date(row.promised, screen.today)}</b>{#if row.wanted !== row.promised},
      wanted for {date(row.wanted, screen.today)}{/if}: {quantity(row.inTime)} went by that day{#if row.last},
      the last on {date(row.last, screen.today)}{/if}.
    <span class:text-vermilion={row.turned !== 'kept'} class="font-bold">{went(row)}</span>{#if row.left > 0}, {quantity(
        row.left
      )} not shipped{/if}{#if row.value}, worth {money(row.value, screen.currency)}{/if}.
  </p>
</article>
