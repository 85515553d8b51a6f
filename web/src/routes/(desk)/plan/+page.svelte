<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { count, dayNumber, isoDay, date, money } from '$lib/format';
  import PlannedRow from '$lib/plan/PlannedRow.svelte';
  import PointPane from '$lib/plan/PointPane.svelte';
  import ReleasePane from '$lib/plan/ReleasePane.svelte';
  import { GROUP_NAMES, PlanList, type Entry } from '$lib/plan/plan.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import { csv, download } from '$lib/ui/export';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';
  import SignalsPane from '$lib/plan/SignalsPane.svelte';

  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const session = createQuery(() => ({
    queryKey: ['session'],
    queryFn: () => answer(api.GET('/api/session'))
  }));
  const filters = $derived({
    site: fromAddress('for'),
    planner: fromAddress('planner'),
    supplier: fromAddress('supplier'),
    source: fromAddress('source'),
    until: fromAddress('until')
  });
  const rows = createQuery(() => ({
    queryKey: ['plan', 'orders', filters],
    queryFn: () => answer(api.GET('/api/plan/orders', { params: { query: filters } })),
    placeholderData: (before) => before
  }));

  const list = new PlanList();
  $effect(() => {
    if (rows.data) list.take(rows.data.orders);
  });
  $effect(() => {
    list.cursor = fromAddress('order');
  });
  let releasing = $state<string[] | undefined>();
  /** What was chosen has gone out, and its numbers are in view. */
  let released = $state(false);
  let pane = $state<ReturnType<typeof ReleasePane> | undefined>();
  let why = $state<'quantity' | 'dates'>('quantity');
  let frame = $state<ReturnType<typeof Place>>();

  const today = $derived(plan.data?.today ?? '');
  const currency = $derived(plan.data?.currency ?? 'EUR');
  const signals = $derived(fromAddress('signals') !== undefined);
  const place = $derived.by(() => {
    const item = fromAddress('item');
    const site = fromAddress('site');
    const key = fromAddress('order');
    if (key) {
      const [i = '', s = ''] = key.split('~').map((part) => decodeURIComponent(part.replaceAll('+', ' ')));
      return { item: i, site: s, order: key };
    }
    return item && site ? { item, site, order: undefined } : undefined;
  });
  const total = $derived(list.chosen.reduce((sum, o) => sum + (o.value ?? 0), 0));
  const suppliers = $derived(new Set(list.chosen.filter((o) => o.supplier).map((o) => o.supplier)).size);
  const untils = $derived(
    today
      ? [1, 2, 4, 8, 13]
          .map((w) => isoDay(dayNumber(today) + w * 7))
          .map((d) => ({ code: d, name: date(d, today) }))
      : []
  );
  const SOURCES = ['make', 'assemble', 'buy', 'transfer', 'subcontract'].map((s) => ({ code: s, name: s }));

  function move(by: number) {
    const key = list.step(by);
    if (!key) return;
    // at once, so that a key pressed right after acts on it
    list.cursor = key;
    void toAddress({ order: key, item: undefined, site: undefined, signals: undefined });
  }

  function open(key: string) {
    releasing = undefined;
    list.cursor = key;
    void toAddress({ order: key, item: undefined, site: undefined, signals: undefined });
  }

  function release() {
    if (releasing) pane?.press();
    else if (list.concerned.length > 0) {
      releasing = list.concerned.map((o) => o.key);
      released = false;
    }
  }

  /** Those that the plan no longer asks for leave the choice; the rest can be released. */
  function takeOut(gone: string[]) {
    for (const key of gone) list.selected.delete(key);
    releasing = releasing?.filter((key) => !gone.includes(key));
    if (releasing?.length === 0) releasing = undefined;
  }

  function showSignals() {
    releasing = undefined;
    void toAddress({ signals: signals ? undefined : 'all' }, true);
  }

  function escape() {
    if (releasing) releasing = undefined;
    else if (signals) showSignals();
    else list.selected.clear();
  }

  function save() {
    const header = [
      'item',
      'name',
      'site',
      'source',
      'supplier',
      'quantity',
      'unit',
      'start',
      'due',
      'possible',
      'value'
    ];
    download(
      'planned-orders.csv',
      csv(
        header,
        list.shown.map((o) => [
          o.item,
          o.itemName,
          o.site,
          o.source,
          o.supplier,
          o.quantity,
          o.unit,
          o.start,
          o.due,
          o.possible,
          o.value
        ])
      )
    );
  }

  $effect(() =>
    shortcuts.register('plan', [
      { keys: 'j, ArrowDown', says: 'Next planned order', run: () => move(1) },
      { keys: 'k, ArrowUp', says: 'Planned order before', run: () => move(-1) },
      { keys: 'x, \u0020', says: 'Select', run: () => list.toggle(list.cursor) },
      {
        keys: 'w',
        says: 'Why: quantity or dates',
        run: () => (why = why === 'quantity' ? 'dates' : 'quantity')
      },
      { keys: 's', says: 'Signals', run: showSignals },
      { keys: 'r', says: 'Release', run: release },
      { keys: '/', says: 'Filter the list', run: () => frame?.focusFilter() },
      { keys: 'Escape', says: 'Back, or select none', run: escape }
    ])
  );
</script>

<svelte:head><title>Plan · Rescient</title></svelte:head>

{#snippet entry(e: Entry)}
  {#if 'head' in e}
    <div class="flex items-end gap-2 px-3 pb-1.5" style="height: 100%">
      <span class="title text-[13px]">{GROUP_NAMES[e.head]}</span><span class="text-ink-3">{e.count}</span>
    </div>
  {:else}
    <PlannedRow
      order={e.order}
      {today}
      here={e.order.key === list.cursor}
      selected={list.selected.has(e.order.key)}
      onopen={() => open(e.order.key)}
      ontoggle={() => list.toggle(e.order.key)}
    />
  {/if}
{/snippet}

<Place
  bind:this={frame}
  bind:words={list.words}
  title="Plan"
  filters="item, name or supplier"
  query={rows}
  reading="Reading the plan …"
  empty={rows.data?.orders.length === 0 && Object.values(filters).every((f) => !f)
    ? 'Nothing has to be ordered: every stock point is covered.'
    : 'No planned order fits these filters.'}
  rows={list.entries}
  size={(e) => ('head' in e ? 31 : 37)}
  key={(e) => ('head' in e ? e.head : e.order.key)}
  follow={list.at}
  active={list.at >= 0 ? `order-${list.cursor}` : undefined}
  list="minmax(520px, 590px)"
  row={entry}
>
  {#snippet chips()}
    <Chooser
      name="Site"
      value={filters.site}
      choices={rows.data?.choices.sites ?? []}
      onchoose={(v) => toAddress({ for: v })}
    />
    <Chooser
      name="Planner"
      value={filters.planner}
      choices={rows.data?.choices.planners ?? []}
      onchoose={(v) => toAddress({ planner: v })}
    />
    <Chooser
      name="Supplier"
      value={filters.supplier}
      choices={rows.data?.choices.suppliers ?? []}
      onchoose={(v) => toAddress({ supplier: v })}
    />
    <Chooser
      name="Source"
      value={filters.source}
      choices={SOURCES}
      onchoose={(v) => toAddress({ source: v })}
    />
    <Chooser
      name="Start to"
      value={filters.until}
      choices={untils}
      all="any day"
      onchoose={(v) => toAddress({ until: v })}
    />
  {/snippet}
  {#snippet aside()}
    {#if plan.data}
      <button
        type="button"
        class="ml-auto flex items-center gap-2"
        onclick={showSignals}
        aria-pressed={signals}
      >
        {#if plan.data.lateOrders > 0}
          <b class="text-vermilion">{count(plan.data.lateOrders, 'customer order')} late</b>
        {/if}
        <span class="link">{count(plan.data.signals, 'signal')}</span>
        <Key name="s" />
      </button>
    {/if}
  {/snippet}
  {#snippet heads()}
    <div class="heads">
      <span></span><span></span><span>Order for</span><span>Quantity</span><span>Start</span><span>Due</span
      ><span>Possible</span>
    </div>
  {/snippet}
  {#snippet detail()}
    {#if releasing}
      <ReleasePane
        bind:this={pane}
        keys={releasing}
        {today}
        {currency}
        mayRelease={session.data?.mayRelease ?? false}
        onclose={() => (releasing = undefined)}
        onreleased={(keys) => {
          released = true;
          keys.forEach((k) => list.selected.delete(k));
        }}
        ongone={takeOut}
      />
    {:else if signals}
      <SignalsPane />
    {:else if place}
      <PointPane {...place} {currency} {why} onwhy={(w) => (why = w)} />
    {:else}
      <div class="grid h-full place-content-center gap-2 text-center text-ink-2">
        <p>Choose a planned order to see why it is there.</p>
        <p class="flex items-center justify-center gap-1.5">
          <Key name="j" /><Key name="k" /> move, <Key name="x" /> select
        </p>
      </div>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span data-testid="selection">
      {#if list.chosen.length > 0}
        <b>{list.chosen.length} selected</b>{#if suppliers > 0}, {count(suppliers, 'supplier')}{/if}, {money(
          total,
          currency
        )}
      {:else}
        {count(list.shown.length, 'planned order')}
      {/if}
    </span>
    <button
      type="button"
      class="flex items-center gap-1.5"
      onclick={() => list.toggle(list.cursor)}
      disabled={!list.cursor}
    >
      <Key name="x" dark /> Select
    </button>
    <button
      type="button"
      class="flex items-center gap-1.5"
      onclick={() => (why = why === 'quantity' ? 'dates' : 'quantity')}
      disabled={!place?.order}><Key name="w" dark /> Why</button
    >
    <button type="button" onclick={save}>Save as CSV</button>
    <button
      type="button"
      class="main-action ml-auto"
      onclick={release}
      disabled={releasing ? released : list.concerned.length === 0}
      title="Shows what will be created before anything is released"
    >
      Release {releasing ? '' : list.concerned.length || ''}
      <Key name="r" />
    </button>
  {/snippet}
</Place>

<style>
  .heads {
    display: grid;
    grid-template-columns: 14px 19px minmax(0, 1fr) 76px 62px 62px 90px;
    column-gap: 8px;
    align-items: center;
    height: 100%;
    padding: 0 12px;
  }
  .heads span:nth-child(n + 4) {
    text-align: right;
  }
</style>
