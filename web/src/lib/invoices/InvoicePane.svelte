<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { date, longDate, money, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import { stateName } from './states';
  import type { InvoicesScreen } from './invoices-screen.svelte';

  /** One invoice: what it charges beside what came and was agreed, and who is asked. */
  let { screen }: { screen: InvoicesScreen } = $props();
  const view = $derived(screen.one.data);
  const row = $derived(view?.invoice);
  const price = (n: number) => money(n, screen.currency);
</script>

{#if view && row}
  <article class="px-5 pt-3 pb-6" aria-label="Invoice {row.number} of {row.supplierName}">
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl">{row.number}</h2>
      <p class="min-w-0 flex-1 truncate">
        {row.supplierName}, of {date(row.date, screen.today)}{#if row.due}, to be paid by <span
            title={longDate(row.due)}>{date(row.due, screen.today)}</span
          >{/if}
      </p>
      <p
        class="stamp"
        class:ok={row.state === 'approved'}
        class:off={row.state === 'rejected'}
        data-testid="state"
      >
        {stateName(row.state)}
      </p>
    </header>
    {#if row.note}<p class="mt-1 text-ink-2">{row.note}</p>{/if}
    <table class="grid-table mt-3 w-full" data-testid="invoice-lines">
      <thead>
        <tr>
          <th class="text-left">Order</th><th class="text-left">Item</th>
          <th class="text-right" title="less what went back, and what was charged before">To be charged</th>
          <th class="text-right">Charged</th>
          <th class="text-right">Agreed</th>
          <th class="text-right">Price</th>
          <th class="text-right">Value</th>
        </tr>
      </thead>
      <tbody>
        {#each view.lines as l, i (i)}
          <tr class:off={l.differences.length > 0}>
            <td><a class="link" href="/orders?number={encodeURIComponent(l.order)}">{l.order}</a> {l.line}</td
            >
            <td class="max-w-[200px] truncate"
              >{#if l.item}<a class="link" href={itemHref(l.item)}>{l.item}</a>{/if}
              {l.itemName}</td
            >
            <td class="text-right"
              >{l.came === null || l.came === undefined
                ? '–'
                : `${quantity(l.came)}${l.before ? ` − ${quantity(l.before)}` : ''} ${l.unit}`}</td
            >
            <td class="text-right">{quantity(l.quantity)} {l.unit}</td>
            <td class="text-right">{l.agreed === null || l.agreed === undefined ? '–' : price(l.agreed)}</td>
            <td class="text-right">{price(l.price)}</td>
            <td class="text-right">{price(l.value)}</td>
          </tr>
          {#each l.differences as said (said)}
            <tr><td></td><td colspan="6" class="font-bold">{said}</td></tr>
          {/each}
        {/each}
      </tbody>
      <tfoot
        ><tr
          ><td colspan="6" class="text-right">Net of tax</td><td class="text-right font-bold"
            >{price(row.value)}</td
          ></tr
        ></tfoot
      >
    </table>
    <p class="mt-2 text-sm text-ink-2">
      {#if row.enteredBy}Entered by {row.enteredBy}.{/if}
      {#if view.approved.length > 0}Approved by {view.approved.join('; ')}.{/if}
      {#if view.asks}Waits for the {view.asks}.{/if}
    </p>
    {#if row.state === 'awaiting_approval'}
      <p class="no-print mt-2 flex gap-2">
        <button
          type="button"
          class="main-action"
          disabled={screen.doing.busy || !screen.asked}
          title={screen.asked ? '' : `The ${view.asks} is asked`}
          onclick={() => void screen.step('APPROVE')}>Approve <Key name="y" /></button
        >
        <button
          type="button"
          class="plain-action"
          disabled={screen.doing.busy}
          onclick={() => (screen.reason = '')}>Send back <Key name="b" /></button
        >
      </p>
    {/if}
    {#if screen.reason !== undefined}
      <form
        class="no-print mt-2 flex items-center gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          void screen.step('REJECT', screen.reason);
        }}
        {@attach escapes(() => (screen.reason = undefined))}
      >
        <label for="why-back">Why</label>
        <input id="why-back" class="field flex-1" {@attach begins()} bind:value={screen.reason} />
        <button type="submit" class="main-action" disabled={!screen.reason.trim()}>Send it back</button>
      </form>
    {/if}
  </article>
{:else if screen.one.isPending}<p class="p-6 text-ink-2" role="status">Reading the invoice …</p>{/if}

<style>
  .stamp {
    padding: 0 8px;
    border: 1.5px dashed var(--ink-2);
    border-radius: 2px;
    font-weight: 600;
    transform: rotate(-1.5deg);
  }
  .stamp.ok {
    border-style: solid;
    border-color: var(--moss);
    color: var(--moss);
  }
  .stamp.off {
    border-style: solid;
  }
  tr.off td {
    border-bottom-style: dashed;
  }
</style>
