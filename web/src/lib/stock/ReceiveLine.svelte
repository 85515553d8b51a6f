<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { parsedDate, parsedNumber, quantity } from '$lib/format';
  import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
  import { rights } from '$lib/rights.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import PostedLine from './PostedLine.svelte';
  import { Posting, type Wish } from './posting.svelte';
  import PostingSlip from './PostingSlip.svelte';

  /** What of a purchase has come: typed into the line, and the slip of what it does beside it. */
  interface Props {
    number: string;
    line: Schemas['OrderLine'];
    today: string;
    currency: string;
  }
  let { number, line, today, currency }: Props = $props();
  interface Typed {
    open: boolean;
    amount: string;
    lot: string;
    expiry: string;
    aside: boolean;
    unit?: string;
  }
  // it is made anew for each line
  // svelte-ignore state_referenced_locally
  const form = `receive ${number} ${line.line}`;
  const typed = halfTyped<Typed>(form);
  let open = $state(typed?.open ?? false);
  let amount = $state(typed?.amount ?? '');
  let lot = $state(typed?.lot ?? '');
  let expiry = $state(typed?.expiry ?? '');
  let aside = $state(typed?.aside ?? false);
  /** In which unit it is counted: that of the order, or the item's own. */
  let unit = $state<string | undefined>(typed?.unit);
  keepHalfTyped(form, (): Typed => ({ open, amount, lot, expiry, aside, unit }));
  const units = $derived([...new Set([line.purchaseUnit ?? line.unit, line.unit])]);
  const wrong = $derived({
    amount: amount.trim() !== '' && Number.isNaN(parsedNumber(amount)) ? 'is no number' : undefined,
    expiry: expiry.trim() !== '' && !parsedDate(expiry, today) ? 'is no day' : undefined
  });
  const needsLot = $derived(line.tracking !== 'none');
  const wish = $derived.by((): Wish | undefined => {
    if (!open || wrong.amount || wrong.expiry || (needsLot && !lot.trim())) return undefined;
    return {
      lines: [
        {
          act: 'RECEIVE',
          number,
          line: line.line,
          quantity: amount.trim() ? parsedNumber(amount) : undefined,
          unit: amount.trim() ? unit : undefined,
          lot: line.tracking === 'lot' ? lot.trim() : undefined,
          serial: line.tracking === 'serial' ? lot.trim() : undefined,
          expiry: expiry.trim() ? parsedDate(expiry, today) : undefined,
          quarantined: aside
        }
      ]
    };
  });
  const posting = new Posting(
    () => wish,
    () => {
      open = false;
      amount = lot = expiry = '';
      unit = undefined;
      aside = false;
    }
  );
</script>

<div class="no-print mt-2">
  {#if !open}
    <p class="flex items-baseline gap-3">
      {#if line.open > 0}<button
          type="button"
          class="plain-action"
          disabled={!rights.stocks()}
          title={rights.stocks() ? 'Receive what has come' : rights.noStock()}
          onclick={() => (open = true)}>Receive line {line.line}</button
        >{/if}
      <PostedLine {posting} />
    </p>
  {:else}
    <form
      class="grid gap-3 border-l-4 border-marigold bg-slip p-3 md:grid-cols-2"
      data-testid="receive"
      onsubmit={(e) => {
        e.preventDefault();
        void posting.post();
      }}
      {@attach escapes(() => (open = false))}
    >
      <div class="grid content-start gap-2">
        <div class="ask">
          <label for="has-come-{line.line}">Has come</label>
          <span class="flex gap-2">
            <!-- svelte-ignore a11y_autofocus -->
            <input
              id="has-come-{line.line}"
              class="field min-w-0 flex-1"
              inputmode="decimal"
              autofocus
              placeholder="all {quantity(line.open)} {line.unit}"
              aria-invalid={wrong.amount !== undefined}
              bind:value={amount}
            />
            {#if units.length > 1}<select
                class="field"
                aria-label="Counted in"
                bind:value={() => unit ?? units[0], (v) => (unit = v)}
                >{#each units as one (one)}<option value={one}>{one}</option>{/each}</select
              >{:else}<span class="self-center text-ink-3">{line.unit}</span>{/if}
          </span>
        </div>
        {#if wrong.amount}<p class="text-vermilion">{wrong.amount}</p>{/if}
        {#if needsLot}
          <label class="ask"
            ><span>{line.tracking === 'lot' ? 'Lot' : 'Serial number'}</span>
            <input class="field" bind:value={lot} /></label
          >
          <label class="ask"
            ><span>Serves until</span>
            <input
              class="field"
              placeholder="no end"
              aria-invalid={wrong.expiry !== undefined}
              bind:value={expiry}
            /></label
          >
          {#if wrong.expiry}<p class="text-vermilion">{wrong.expiry}</p>{/if}
        {/if}
        <label class="flex items-center gap-2"
          ><input type="checkbox" bind:checked={aside} /> set aside: it has yet to be tested</label
        >
        <p class="flex gap-2">
          <button type="submit" class="main-action" disabled={!posting.pressable}
            >Receive <Key name="Enter" /></button
          >
          <button type="button" class="plain-action" onclick={() => (open = false)}
            >Leave it <Key name="Esc" /></button
          >
        </p>
      </div>
      <PostingSlip {posting} {currency} />
    </form>
  {/if}
</div>

<style>
  .ask {
    display: grid;
    grid-template-columns: 104px minmax(0, 1fr);
    align-items: center;
    gap: 8px;
  }
</style>
