<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { clock, date, longDate, money, quantity, said, words } from '$lib/format';
  import { demandHref, orderHref } from '$lib/links';

  /** Movements as ruled lines, the last first, with what was there after each; the balance is drawn down the margin. */
  interface Props {
    ledger: Schemas['LedgerView'];
    today: string;
    currency: string;
    /** The lot or serial number that is looked at; the others are struck through with a pencil. */
    only: string | undefined;
    onback: (posting: string) => void;
    /** Something of a receipt is to go back to its supplier. */
    onreturn: (entry: Schemas['LedgerEntry']) => void;
    may: boolean;
  }
  let { ledger, today, currency, only, onback, onreturn, may }: Props = $props();
  const ROW = 26;
  const MARGIN = 64;
  const NAMES: Record<string, string> = {
    receipt: 'received',
    issue: 'issued',
    output: 'put out',
    transfer_out: 'sent on',
    transfer_in: 'arrived',
    shipment: 'shipped',
    customer_return: 'came back',
    supplier_return: 'sent back',
    adjustment: 'adjusted',
    count: 'counted',
    revaluation: 'revalued'
  };
  function nameOf(e: Schemas['LedgerEntry']): string {
    // what is taken back was the other way round
    if (e.kind === 'state') return e.quarantined === !e.reverses ? 'set aside' : 'freed';
    return NAMES[e.kind] ?? words(e.kind);
  }
  /** Of what only changes its state one line is enough: the one that says where it lies now. */
  const lines = $derived(ledger.entries.filter((e) => e.kind !== 'state' || e.quantity > 0));
  const most = $derived(Math.max(1, ledger.opening, ledger.onHand, ...lines.map((e) => e.onHand)));
  const x = $derived((n: number) => 6 + (Math.max(0, n) / most) * (MARGIN - 14));
  /** What was there, from now downwards: a step at each line. */
  const line = $derived.by(() => {
    let path = `M${x(ledger.onHand)},0`;
    lines.forEach((e, i) => {
      if (e.kind !== 'state') path += `V${i * ROW + ROW / 2}H${x(e.onHand - e.quantity)}`;
    });
    return `${path}V${(lines.length + 1) * ROW}`;
  });
  /** A posting is taken back whole, so it is offered once: at its first line. */
  const first = $derived(
    new Set(
      lines
        .filter((e, i, all) => all.findIndex((one) => one.posting === e.posting) === i)
        .map((e) => e.number)
    )
  );
</script>

<div class="ledger" data-testid="ledger">
  <svg
    class="balance"
    width={MARGIN}
    height={(lines.length + 1) * ROW}
    role="img"
    aria-label="What was there, from now at the top"
  >
    <path d={line} fill="none" stroke="var(--ink)" stroke-width="1.5" />
  </svg>
  <table>
    <colgroup>
      <col style="width: 58px" /><col /><col style="width: 80px" /><col style="width: 60px" /><col
        style="width: 60px"
      /><col style="width: 80px" /><col style="width: 84px" /><col style="width: 134px" />
    </colgroup>
    <thead class="sr-only">
      <tr
        ><th>Day</th><th>What</th><th>Lot</th><th>Quantity</th><th>There then</th><th>Value</th><th>Why</th
        ><th></th></tr
      >
    </thead>
    <tbody>
      {#each lines as e (e.number)}
        {@const other = only !== undefined && (e.lot ?? e.serial ?? '') !== only}
        <tr class:other class:back={e.takenBack}>
          <td class="day" title={longDate(e.date)}>{date(e.date, today)}</td>
          <td class="what"
            >{e.reverses ? 'taken back: ' : ''}{nameOf(e)}{#if e.orderNumber}
              <a
                class="link ml-1"
                href={e.document === 'customer_order' ? demandHref(e.orderNumber) : orderHref(e.orderNumber)}
                >{e.orderNumber}</a
              >{/if}</td
          >
          <td class="lot">{e.lot ?? e.serial ?? ''}{e.quarantined ? ' ⊘' : ''}</td>
          <td class="n"
            >{e.quantity === 0
              ? ''
              : e.kind === 'state'
                ? quantity(e.quantity)
                : quantity(e.quantity, true)}</td
          >
          <td class="n then">{quantity(e.onHand)}</td>
          <td class="n">{e.value === 0 ? '' : money(e.value, currency)}</td>
          <td class="why" title="{e.person}, {clock(e.entered)}{e.reason ? `: ${e.reason}` : ''}"
            >{e.reason ? said(e.reason) : e.person}</td
          >
          <td class="act"
            >{#if may && e.kind === 'receipt' && e.document === 'buy' && !e.takenBack && !e.reverses}<button
                type="button"
                class="link no-print mr-2"
                onclick={() => onreturn(e)}>send back</button
              >{/if}{#if may && first.has(e.number) && !e.takenBack && !e.reverses}<button
                type="button"
                class="link no-print"
                aria-label="Take back number {e.number}"
                onclick={() => onback(e.posting)}>take back</button
              >{:else if e.takenBack}<span class="text-ink-3">taken back</span>{/if}</td
          >
        </tr>
      {/each}
      <tr class="open">
        <td class="day"></td>
        <td class="what"
          >{ledger.entries.length < ledger.total
            ? `${ledger.total - ledger.entries.length} movements before`
            : 'before'}</td
        >
        <td></td><td></td>
        <td class="n then">{quantity(ledger.before)}</td>
        <td></td><td></td><td></td>
      </tr>
    </tbody>
  </table>
</div>

<style>
  .ledger {
    display: grid;
    grid-template-columns: 64px minmax(0, 1fr);
    border-top: 1px solid var(--ink);
  }
  .balance {
    border-right: 1px solid var(--vermilion);
    border-right-color: color-mix(in srgb, var(--ink-3) 50%, transparent);
  }
  table {
    width: 100%;
    table-layout: fixed;
    border-collapse: collapse;
  }
  tr {
    height: 26px;
    border-bottom: 1px solid var(--line-2);
  }
  td {
    overflow: hidden;
    padding: 0 6px;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .day {
    color: var(--ink-2);
  }
  .n {
    text-align: right;
  }
  .then {
    font-weight: 600;
  }
  .why {
    color: var(--ink-2);
  }
  .act {
    text-align: right;
  }
  .other td:not(.act) {
    color: var(--ink-3);
    text-decoration: line-through;
    text-decoration-thickness: 1px;
  }
  .back .n {
    color: var(--ink-3);
  }
  .open td {
    color: var(--ink-2);
  }
</style>
