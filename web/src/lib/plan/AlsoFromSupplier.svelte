<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { date, longDate, money, quantity } from '$lib/format';
  import type { PlannedOrder } from './plan.svelte';

  /** What else a supplier brings to the same site soon, to go out with the document. */
  interface Props {
    document: Schemas['ReleaseDocument'];
    orders: PlannedOrder[];
    /** So far ahead it is looked for. */
    weeks: number;
    today: string;
    currency: string;
    onmore: (keys: string[]) => void;
  }
  let { document, orders, weeks = $bindable(), today, currency, onmore }: Props = $props();
</script>

<details class="mt-1" open={Boolean(document.minimum)} data-testid="more">
  <summary class="cursor-default text-ink-2">
    {orders.length === 0 ? 'Nothing more' : `${orders.length} more`} from {document.partner} due within
    {weeks}
    weeks
  </summary>
  <p class="flex gap-3 text-ink-2">
    <label
      >look ahead
      <select class="border-b border-line bg-transparent font-semibold text-ink" bind:value={weeks}>
        {#each [2, 4, 8, 13, 26] as w (w)}<option value={w}>{w} weeks</option>{/each}
      </select></label
    >
    {#if orders.length > 1}<button type="button" class="link" onclick={() => onmore(orders.map((o) => o.key))}
        >add all {orders.length}</button
      >{/if}
  </p>
  <ul>
    {#each orders as o (o.key)}
      <li class="grid grid-cols-[minmax(0,1fr)_90px_74px_84px_auto] gap-2 border-b border-line-2 py-0.5">
        <span class="truncate"><b>{o.item}</b> {o.itemName}</span>
        <span class="text-right">{quantity(o.quantity)} <small class="text-ink-3">{o.unit}</small></span>
        <span class="text-right" title={longDate(o.due)}>{date(o.due, today)}</span>
        <span class="text-right"
          >{o.value !== undefined && o.value !== null ? money(o.value, currency) : '–'}</span
        >
        <button type="button" class="link" onclick={() => onmore([o.key])}>add</button>
      </li>
    {/each}
  </ul>
</details>
