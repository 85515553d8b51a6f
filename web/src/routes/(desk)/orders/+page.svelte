<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { count, date, documentName, longDate, money } from '$lib/format';
  import OrderPane from '$lib/orders/OrderPane.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import { csv, download } from '$lib/ui/export';
  import { cameBack, whenLeft } from '$lib/left.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';
  import SourceTile from '$lib/ui/SourceTile.svelte';

  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const filters = $derived({ kind: fromAddress('kind'), stage: fromAddress('stage') });
  const rows = createQuery(() => ({
    queryKey: ['plan', 'supply-orders', filters],
    queryFn: () => answer(api.GET('/api/orders', { params: { query: filters } })),
    placeholderData: (before) => before
  }));
  const KINDS = ['buy', 'make', 'assemble', 'transfer', 'subcontract'].map((k) => ({
    code: k,
    name: documentName(k)
  }));
  const STAGES = ['firmed', 'released', 'done'].map((s) => ({ code: s, name: s }));
  const was = cameBack<string>();
  let typed = $state(was ?? '');
  let place = $state<ReturnType<typeof Place>>();
  const today = $derived(plan.data?.today ?? '');
  const currency = $derived(plan.data?.currency ?? 'EUR');
  const number = $derived(fromAddress('number'));
  const shown = $derived.by(() => {
    const wanted = typed.trim().toLowerCase();
    return (rows.data ?? []).filter((o) =>
      [o.number, o.partner, o.first, o.siteName].some((t) => t?.toLowerCase().includes(wanted) ?? false)
    );
  });
  const at = $derived(shown.findIndex((o) => o.number === number));

  function move(by: number) {
    const next = shown[at < 0 ? 0 : Math.min(shown.length - 1, Math.max(0, at + by))];
    if (next) void toAddress({ number: next.number });
  }

  function save() {
    download(
      'orders.csv',
      csv(
        ['number', 'kind', 'stage', 'with', 'site', 'lines', 'first', 'due', 'value'],
        shown.map((o) => [o.number, o.kind, o.stage, o.partner, o.siteName, o.lines, o.first, o.due, o.value])
      )
    );
  }

  whenLeft(() => typed);
  $effect(() =>
    shortcuts.register('orders', [
      { keys: 'j, ArrowDown', says: 'Next order', run: () => move(1) },
      { keys: 'k, ArrowUp', says: 'Order before', run: () => move(-1) },
      { keys: 'E', says: 'Save the list as CSV', also: 'export', run: save },
      { keys: 'P', says: 'Print the order', run: () => number && window.print() },
      { keys: '/', says: 'Filter the list', run: () => place?.focusFilter() }
    ])
  );
</script>

<svelte:head><title>{number ?? 'Orders'} · Rescient</title></svelte:head>

{#snippet row(order: (typeof shown)[number])}
  <!-- the keys of the list act from anywhere on the page; see the page's shortcuts -->
  <!-- svelte-ignore a11y_click_events_have_key_events -->
  <div
    id="order-{order.number}"
    class="row"
    class:here={order.number === number}
    role="option"
    aria-selected={order.number === number}
    tabindex="-1"
    onclick={() => toAddress({ number: order.number })}
  >
    <SourceTile source={order.kind} stage={order.stage} />
    <span class="min-w-0">
      <b class="block">{order.number}</b>
      <small class="block truncate text-ink-3">{order.partner ?? order.siteName}</small>
    </span>
    <span class="min-w-0">
      <span class="block truncate">{order.first}</span>
      {#if order.lines > 1}<small class="text-ink-3">and {count(order.lines - 1, 'line')} more</small>{/if}
    </span>
    <span class="text-right"
      >{order.value !== undefined && order.value !== null ? money(order.value, currency) : ''}</span
    >
    <span class="text-right font-semibold" class:text-vermilion={order.overdue} title={longDate(order.due)}
      >{date(order.due, today)}</span
    >
  </div>
{/snippet}

<Place
  bind:this={place}
  bind:words={typed}
  title="Orders"
  filters="number, partner or item"
  query={rows}
  reading="Reading the orders …"
  empty={rows.data?.length === 0 && !filters.kind && !filters.stage
    ? 'Nothing has been released yet. Choose planned orders in the Plan and press r.'
    : 'No order fits these filters.'}
  rows={shown}
  size={() => 40}
  key={(o) => o.number}
  follow={at}
  active={number === undefined ? undefined : `order-${number}`}
  open={(o) => toAddress({ number: o.number })}
  list="minmax(500px, 560px)"
  {row}
>
  {#snippet chips()}
    <Chooser name="Kind" value={filters.kind} choices={KINDS} onchoose={(v) => toAddress({ kind: v })} />
    <Chooser name="Stage" value={filters.stage} choices={STAGES} onchoose={(v) => toAddress({ stage: v })} />
  {/snippet}
  {#snippet heads()}
    <div class="row">
      <span></span><span>Order</span><span>Item</span><span class="text-right">Value</span><span
        class="text-right">Due</span
      >
    </div>
  {/snippet}
  {#snippet detail()}
    {#if number}
      <OrderPane {number} {today} {currency} />
    {:else}
      <p class="grid h-full place-content-center text-ink-2">
        Choose an order to see its lines and what they serve.
      </p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span>{count(shown.length, 'order')}</span>
    <button type="button" class="flex items-center gap-1.5" onclick={save}
      ><Key name="E" dark /> Save as CSV</button
    >
    {#if number}<button type="button" class="flex items-center gap-1.5" onclick={() => window.print()}
        ><Key name="P" dark /> Print {number}</button
      >{/if}
  {/snippet}
</Place>

<style>
  .row {
    display: grid;
    grid-template-columns: 19px 122px minmax(0, 1fr) 86px 84px;
    align-items: center;
    column-gap: 9px;
    height: 100%;
    padding: 0 12px;
    border-bottom: 1px solid var(--line-2);
    line-height: 1.25;
    cursor: default;
  }
  .here {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
  }
</style>
