<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import SupplierInput from '$lib/data/SupplierInput.svelte';
  import { date, quantity, said } from '$lib/format';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import type { InvoicesScreen } from './invoices-screen.svelte';

  /** An invoice as it is typed off its paper: what came stands there already, only what is otherwise is typed. */
  let { screen }: { screen: InvoicesScreen } = $props();
  const form = $derived(screen.form);
  const typed = $derived(form.typed);
</script>

{#if typed}
  <form
    class="grid gap-3 px-5 pt-3 pb-6"
    aria-label="Enter an invoice"
    onsubmit={(e) => {
      e.preventDefault();
      void form.keep();
    }}
    {@attach escapes(() => form.leave())}
  >
    <header class="flex items-baseline gap-3">
      <h2 class="min-w-0 flex-1 truncate text-xl">
        {form.credit ? 'A credit note comes in' : 'An invoice comes in'}
      </h2>
      <button type="button" class="plain-action" onclick={() => form.leave()}
        >Leave it <Key name="Esc" /></button
      >
    </header>
    <div class="head">
      <SupplierInput
        supplier={typed.supplier}
        autofocus={!typed.supplier}
        onchange={(code) => void form.of(code)}
      />
      <label
        >Its number
        <input class="field" {@attach begins(() => !!typed.supplier)} bind:value={typed.number} /></label
      >
      <label
        >Of <input
          class="field"
          placeholder="day"
          aria-invalid={typed.date.trim() !== '' && !form.day}
          bind:value={typed.date}
        /></label
      >
      <label
        >To be paid by <input
          class="field"
          placeholder="by the supplier's terms"
          aria-invalid={typed.due.trim() !== '' && !form.dueDay}
          bind:value={typed.due}
        /></label
      >
    </div>
    {#if form.reading}<p role="status">Looking what came …</p>
    {:else if typed.supplier && typed.lines.length === 0}
      <p class="text-ink-2">
        Nothing came from this supplier that was not charged yet, and nothing went back that was not credited.
      </p>
    {:else if typed.lines.length > 0}
      <table class="grid-table w-full" data-testid="to-charge">
        <thead>
          <tr>
            <th></th><th class="text-left">Order</th><th class="text-left">Item</th>
            <th class="text-right">Charged</th><th class="text-right">Price of one</th>
          </tr>
        </thead>
        <tbody>
          {#each typed.lines as one, i (one.row.order + one.row.line)}
            <tr class:text-ink-3={!one.charged}>
              <td
                ><input
                  type="checkbox"
                  aria-label="Charged: {one.row.order} line {one.row.line}"
                  bind:checked={one.charged}
                /></td
              >
              <td class="whitespace-nowrap">{one.row.order} {one.row.line}</td>
              <td class="max-w-[220px] truncate"><b>{one.row.item}</b> {one.row.itemName}</td>
              <td class="text-right whitespace-nowrap"
                ><input
                  class="field w-[90px] text-right"
                  inputmode="decimal"
                  aria-label="Charged of {one.row.order} line {one.row.line}"
                  placeholder={quantity(one.row.left)}
                  disabled={!one.charged}
                  aria-invalid={form.wrong[i]?.quantity}
                  bind:value={one.quantity}
                />
                {one.row.unit}</td
              >
              <td class="text-right"
                ><input
                  class="field w-[100px] text-right"
                  inputmode="decimal"
                  aria-label="Price of {one.row.order} line {one.row.line}"
                  placeholder={one.row.agreed === null || one.row.agreed === undefined
                    ? 'none agreed'
                    : quantity(one.row.agreed)}
                  disabled={!one.charged}
                  aria-invalid={form.wrong[i]?.price}
                  bind:value={one.price}
                /></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
      <label class="flex items-center gap-2"
        >Note <input class="field flex-1" bind:value={typed.note} /></label
      >
    {/if}
    {#if form.refused}<p class="text-vermilion" role="alert">{form.refused}</p>{/if}
    {#if form.seen}
      <div class="slip" data-testid="seen">
        {#each form.seen.refusals as why, i (i)}<p class="text-vermilion">{said(why)}</p>{/each}
        {#each form.seen.remarks as what, i (i)}<p class="font-bold">{said(what)}</p>{/each}
        {#if form.keepable}
          <p>
            {said(form.seen.sentence.replace('Entered', 'Enters'))}{form.day
              ? `, of ${date(form.day, screen.today)}`
              : ''}:
            <b
              >{form.seen.remarks.length > 0
                ? 'it waits for somebody to approve it'
                : 'as it was agreed and received, it may be paid'}</b
            >.
          </p>
        {/if}
      </div>
    {/if}
    <p>
      <button type="submit" class="main-action" disabled={!form.keepable || screen.doing.busy}
        >Enter it <Key name="Enter" /></button
      >
    </p>
  </form>
{/if}

<style>
  .head {
    display: grid;
    grid-template-columns: 1.3fr 1fr 0.8fr 1.2fr;
    gap: 12px;
  }
  .head label {
    display: grid;
    gap: 2px;
  }
  .slip {
    padding: 8px 12px;
    background: var(--slip);
    border-left: 4px solid var(--line);
  }
</style>
