<script lang="ts">
  import { count, money, quantity } from '$lib/format';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { Action } from './actions';
  import KeptLine from './KeptLine.svelte';
  import type { LastDecision } from './last-decision.svelte';
  import { ordersOf } from './filters';
  import type { PlanList, PlannedOrder } from './plan.svelte';

  interface Props {
    list: PlanList;
    currency: string;
    actions: Action[];
    /** What was kept last, offered to be taken back. */
    last: LastDecision;
    /** Orders that fit too and are not in the list, which shows the most urgent. */
    more?: number;
    /** The server is filtering; what was there before stays in view. */
    filtering: boolean;
    refused?: string;
    releasing: boolean;
    mayRelease: boolean;
    onsave: () => void;
    onrelease: () => void;
  }
  let {
    list,
    currency,
    actions,
    last,
    more = 0,
    filtering,
    refused,
    releasing,
    mayRelease,
    onsave,
    onrelease
  }: Props = $props();
  const orders = $derived(ordersOf(list.chosen.length > 0 ? list.chosen : list.shown));
  const bought = $derived(sumOf(orders.filter((o) => o.source === 'buy')));
  const made = $derived(sumOf(orders.filter((o) => o.source !== 'buy')));
  /** What is bought, and apart from it what own making, moving and assembling is worth at standard. */
  const total = $derived(
    [
      bought > 0 || made === 0 ? `${money(bought, currency)} bought` : '',
      made > 0 ? `${money(made, currency)} made or moved` : ''
    ]
      .filter(Boolean)
      .join(', ')
  );

  function sumOf(some: PlannedOrder[]): number {
    return some.reduce((sum, o) => sum + (o.value ?? 0), 0);
  }
  const bySupplier = $derived.by(() => {
    const sums: Record<string, number> = {};
    for (const o of orders)
      if (o.supplier) sums[o.partner ?? o.supplier] = (sums[o.partner ?? o.supplier] ?? 0) + (o.value ?? 0);
    return Object.entries(sums).sort((a, b) => b[1] - a[1]);
  });
</script>

<span
  class="whitespace-nowrap"
  data-testid="selection"
  title={bySupplier.map(([s, v]) => `${s} ${money(v, currency)}`).join('\n')}
>
  {#if list.chosen.length > 0}
    <b>{list.chosen.length} selected</b>{#if bySupplier.length > 0}, {count(
        bySupplier.length,
        'supplier'
      )}{/if}, {total}
  {:else if filtering}
    filtering …
  {:else}
    {#if more > 0}the most urgent {quantity(orders.length)} of {quantity(orders.length + more)} orders{:else}{count(
        orders.length,
        'order'
      )}{/if}, {total}
  {/if}
</span>
{#if refused}
  <span class="min-w-0 flex-1 truncate text-marigold" role="alert" title={refused}>{refused}</span>
{:else if last.busy || last.kept || last.refused}
  <KeptLine {last} />
{:else}
  {#each actions as action (action.key)}
    <button
      type="button"
      class="bar-action"
      onclick={action.run}
      disabled={list.concerned.length === 0 && action.key !== 'd'}
      ><Key name={action.key} dark /> {action.name}</button
    >
  {/each}
{/if}
<button type="button" class="bar-action ml-auto" onclick={onsave}><Key name="E" dark /> Save as CSV</button>
{#if rights.releases()}<button
    type="button"
    class="main-action"
    onclick={onrelease}
    disabled={!mayRelease}
    title="Shows what will be created before anything is released"
  >
    Release {releasing ? '' : list.orders.length || ''}
    <Key name="r" />
  </button>{/if}
