<script lang="ts">
  import { date, longDate, money, quantity } from '$lib/format';
  import { demandHref, itemHref } from '$lib/links';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import { documentHref, type ChargedScreen } from './charged-screen.svelte';
  import SentMails from './SentMails.svelte';

  /** An invoice to a customer, written or still to be. */
  let { screen }: { screen: ChargedScreen } = $props();
  const row = $derived(screen.here);
  const view = $derived(screen.one.data?.row.key === row?.key ? screen.one.data : undefined);
  const price = (n: number | null | undefined) =>
    n === null || n === undefined ? '–' : money(n, screen.currency);
</script>

{#if row && view}
  <article class="px-5 pt-3 pb-6" aria-label="What a customer is charged">
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl">
        {row.number
          ? `${(row.net ?? 0) < 0 ? 'Credit note' : 'Invoice'} ${row.number}`
          : `${row.orders[0]} is to be charged`}
      </h2>
      <p class="min-w-0 flex-1 truncate">{row.customerName}</p>
      {#if row.number}
        <a class="plain-action no-print" href={documentHref(row.key)} target="_blank" rel="noopener">Paper</a>
        <a
          class="plain-action no-print"
          href={documentHref(row.key, { origins: 'true' })}
          target="_blank"
          rel="noopener"
          title="With the lots and serial numbers of all that went into it">With origins</a
        >
        <a class="plain-action no-print" href={documentHref(row.key, { form: 'ubl' })} download>UBL</a>
      {/if}
    </header>
    {#if row.date}<p class="mt-1">
        Of {date(row.date, screen.today)}{#if row.due}, to be paid by <span title={longDate(row.due)}
            >{date(row.due, screen.today)}</span
          >{/if}{#if row.enteredBy}; written by {row.enteredBy}{/if}.
      </p>{/if}
    <table class="grid-table mt-3 w-full" data-testid="charged-lines">
      <thead
        ><tr
          ><th class="text-left">Order</th><th class="text-left">Item</th><th class="text-right">Shipped</th
          ><th class="text-right">Price of one</th><th class="text-right">Value</th></tr
        ></thead
      >
      <tbody>
        {#each view.lines as l (l.order + l.line)}
          <tr>
            <td class="whitespace-nowrap"
              ><a class="link" href={demandHref(l.order)}>{l.order}</a> {l.line}</td
            >
            <td class="max-w-[260px] truncate"
              >{#if l.item}<a class="link" href={itemHref(l.item)}>{l.item}</a>{/if}
              {l.itemName}
              {#each l.back as part (part.item)}<p
                  class="text-ink-2 whitespace-normal"
                  data-testid="part-back"
                >
                  {quantity(part.quantity)}
                  {part.unit} of <a class="link" href={itemHref(part.item)}>{part.item}</a> came back: the kit is
                  charged whole
                </p>{/each}</td
            >
            <td class="text-right">{quantity(l.quantity)} {l.unit}</td>
            <td class="text-right" class:font-bold={l.price === null}>{price(l.price)}</td>
            <td class="text-right">{price(l.value)}</td>
          </tr>
        {/each}
      </tbody>
      <tfoot>
        <tr
          ><td colspan="4" class="text-right">Net</td><td class="text-right" data-testid="net"
            >{price(row.net)}</td
          ></tr
        >
        {#if view.rate !== null && view.rate !== undefined}<tr
            ><td colspan="4" class="text-right">Tax of {quantity(view.rate)} %</td><td class="text-right"
              >{price(view.tax)}</td
            ></tr
          >{/if}
        <tr
          ><td colspan="4" class="text-right">In all</td><td class="text-right font-bold"
            >{price(row.gross)}</td
          ></tr
        >
      </tfoot>
    </table>
    <p class="no-print mt-3 flex gap-2">
      {#if row.number}
        <button
          type="button"
          class="main-action"
          disabled={screen.doing.busy || !view.email || !rights.decides('ENTER')}
          title={view.email ?? 'Nobody knows where to write: the customer has no mail address'}
          onclick={() => void screen.send()}>Send it <Key name="m" /></button
        >
      {:else}
        <button
          type="button"
          class="main-action"
          disabled={screen.doing.busy || row.net === null || !rights.decides('ENTER')}
          title={row.net === null ? 'A line has no price: give it one at the order, or the item' : ''}
          onclick={() => void screen.charge()}
          >{(row.net ?? 0) < 0 ? 'Credit it' : 'Charge it'} <Key name="y" /></button
        >
      {/if}
    </p>
    {#if row.number}
      <h3 class="section mt-5">What was sent</h3>
      <SentMails about={row.number} today={screen.today} />
    {/if}
  </article>
{:else if row}<p class="p-5 text-ink-2" role="status">Reading what is charged …</p>{/if}
