<script lang="ts">
  import { flushSync } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import { date, longDate, quantity, shortDate } from '$lib/format';
  import { plannedHref, orderHref, pointHref, threadHref } from '$lib/links';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import { became, groupsOf, happened, KIND_NAMES, told, type Cause } from './changes';
  import type { OrderChange, PromiseChange } from './changes';

  /** Customer orders and planned orders that changed, with what caused it. */
  interface Props {
    promises: PromiseChange[];
    orders: OrderChange[];
    causes: Map<number, Cause>;
    today: string;
    /** The row under the cursor, counted over both tables. */
    cursor: number;
    /** The place of the first row, if others stand before this sheet. */
    first?: number;
    /** One cause is chosen, so none is named. */
    alone?: boolean;
    /** The rows are of this what-if, and so are their links. */
    whatIf?: string;
    onpoint: (at: number) => void;
  }
  let {
    promises,
    orders,
    causes,
    today,
    cursor,
    first = 0,
    alone = false,
    whatIf,
    onpoint
  }: Props = $props();
  const groups = $derived(groupsOf(orders));

  function of(address: string): string {
    return whatIf === undefined ? address : `${address}&whatif=${whatIf}`;
  }

  function href(change: OrderChange): string {
    if (!change.key) return of(pointHref(change.item, change.site));
    return change.kind === 'released' ? orderHref(change.number ?? '') : of(plannedHref(change.key));
  }

  function why(ids: number[]): string {
    return ids
      .flatMap((id) => causes.get(id) ?? [])
      .map(told)
      .join('; ');
  }

  /** So many of a group are shown until all are asked for, the cursor is among the others, or they are printed. */
  const FEW = 60;
  const opened = new SvelteSet<string>();
  let printing = $state(false);

  function shown(group: { kind: string; orders: OrderChange[] }, start: number): OrderChange[] {
    const below = cursor >= start + FEW && cursor < start + group.orders.length;
    return printing || below || opened.has(group.kind) ? group.orders : group.orders.slice(0, FEW);
  }

  /** The place of the first row of a group. */
  const starts = $derived(
    groups.map(
      (_, i) => first + promises.length + groups.slice(0, i).reduce((n, g) => n + g.orders.length, 0)
    )
  );

  $effect(() => {
    document.getElementById(`change-${cursor}`)?.scrollIntoView({ block: 'nearest' });
  });
</script>

<svelte:window
  onbeforeprint={() => flushSync(() => (printing = true))}
  onafterprint={() => (printing = false)}
/>

{#if promises.length > 0}
  <h3 class="title mt-1 mb-1 text-[13px]">Customer orders</h3>
  <table class="w-full" aria-label="Customer orders that changed">
    <thead class="text-sm text-ink-3">
      <tr
        ><th>Order</th><th class="num">Wanted</th><th class="num possible">Possible</th><th></th><th
          >{alone ? '' : 'Because of'}</th
        ></tr
      >
    </thead>
    <tbody>
      {#each promises as p, i (p.number + '~' + p.line)}
        <tr id="change-{first + i}" class:here={first + i === cursor} onclick={() => onpoint(first + i)}>
          <td class="what"
            ><a class="link" href={of(threadHref(p.number))}>{p.number}</a>
            {p.customer ?? ''} <small>{p.itemName}</small></td
          >
          <td class="num" title={longDate(p.wanted)}>{shortDate(p.wanted, today)}</td>
          <td class="num whitespace-nowrap"
            >{#if p.neverBefore}never →{:else if p.before}{shortDate(p.before, today)} →{/if}
            {#if p.neverAfter}<b class="bad">never</b>{:else if p.after}<b class:bad={!p.better}
                >{shortDate(p.after, today)}</b
              >{:else}<b>on time</b>{/if}</td
          >
          <td class="did" class:bad={!p.better}>{became(p)}</td>
          <td class="why" title={why(p.causes)}>{alone ? '' : why(p.causes)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#each groups as group, g (group.kind)}
  <h3 class="title mt-3 mb-1 text-[13px]">
    {KIND_NAMES[group.kind]} <span class="font-normal text-ink-2">{group.orders.length}</span>
  </h3>
  <table class="w-full" aria-label="{KIND_NAMES[group.kind]}: planned orders">
    <tbody>
      {#each shown(group, starts[g] ?? 0) as change, i (i)}
        {@const at = (starts[g] ?? 0) + i}
        {@const now = change.after ?? change.before}
        <tr id="change-{at}" class:here={at === cursor} onclick={() => onpoint(at)}>
          <td class="what">
            <span class="inline-flex items-center gap-2"
              >{#if now}<SourceTile
                  source={now.source}
                  stage={group.kind === 'firmed'
                    ? 'firmed'
                    : group.kind === 'released'
                      ? 'released'
                      : 'planned'}
                />{/if}<span
                ><a class="link" href={href(change)}>{change.item}</a>
                {change.itemName} <small>{change.siteName}</small></span
              ></span
            >
          </td>
          <td class="num whitespace-nowrap"
            >{#if change.before && change.after && change.more}<s>{quantity(change.before.quantity)}</s>
            {/if}{#if now}<b>{quantity(now.quantity)}</b> <small>{change.unit}</small>{/if}</td
          >
          <td class="num possible whitespace-nowrap"
            >{#if change.before && change.after && change.days}<s>{shortDate(change.before.due, today)}</s>
            {/if}{#if now}<b title="due {longDate(now.due)}, start {date(now.start, today)}"
                >{shortDate(now.due, today)}</b
              >{/if}</td
          >
          <td class="did">{group.kind === 'new' || group.kind === 'gone' ? '' : happened(change)}</td>
          <td class="why" title={why(change.causes)}>{alone ? '' : why(change.causes)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if shown(group, starts[g] ?? 0).length < group.orders.length}
    <button type="button" class="plain-action mt-1" onclick={() => opened.add(group.kind)}
      >All {group.orders.length}</button
    >
  {/if}
{/each}

<style>
  table {
    table-layout: fixed;
    border-collapse: collapse;
  }
  td,
  th {
    padding: 3px 8px 3px 0;
    text-align: left;
    font-weight: inherit;
    vertical-align: baseline;
  }
  tr {
    border-bottom: 1px solid var(--line-2);
  }
  tbody tr.here {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
  }
  .what {
    width: 39%;
    padding-left: 8px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  th:first-child {
    width: 39%;
    padding-left: 8px;
  }
  .num {
    width: 10%;
    text-align: right;
  }
  .possible {
    width: 14%;
  }
  .did {
    width: 18%;
    padding-left: 8px;
  }
  .why {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    color: var(--ink-2);
  }
  .bad {
    color: var(--vermilion);
  }
  small,
  s {
    color: var(--ink-3);
    font-size: 11px;
  }
  s {
    margin-right: 5px;
  }
  @media print {
    .why,
    .what {
      white-space: normal;
    }
    tbody tr.here {
      background: none;
      box-shadow: none;
    }
  }
</style>
