<script lang="ts">
  import { createMutation, createQuery } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { fromAddress, toAddress } from '$lib/address';
  import { customerMark, marksOf } from '$lib/changes/changes';
  import { answer, api, type Schemas } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { count } from '$lib/format';
  import { halfTyped } from '$lib/half-typed.svelte';
  import { cameBack, whenLeft } from '$lib/left.svelte';
  import { viewOf } from '$lib/links';
  import { people } from '$lib/people.svelte';
  import { rights } from '$lib/rights.svelte';
  import { COLUMNS, columnsOf, gridOf, listWidth } from '$lib/plan/columns';
  import DecidePane from '$lib/plan/DecidePane.svelte';
  import DecisionsPane from '$lib/plan/DecisionsPane.svelte';
  import type { Action } from '$lib/plan/actions';
  import {
    askedOf,
    filtersFrom,
    isPlanned,
    itemOf,
    keyOf,
    ordersOf,
    siteOf,
    type Entry
  } from '$lib/plan/filters';
  import { csvOf, tableOf } from '$lib/plan/orders-csv';
  import { Panes } from '$lib/plan/panes.svelte';
  import PlanActions from '$lib/plan/PlanActions.svelte';
  import PlanFilters from '$lib/plan/PlanFilters.svelte';
  import { ASKED, placeOf, threadOf, type Asked } from '$lib/plan/place';
  import { PlanList } from '$lib/plan/plan.svelte';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import PlannedRow from '$lib/plan/PlannedRow.svelte';
  import PointPane from '$lib/plan/PointPane.svelte';
  import ReleasePane from '$lib/plan/ReleasePane.svelte';
  import SignalRow from '$lib/plan/SignalRow.svelte';
  import SignalsPane from '$lib/plan/SignalsPane.svelte';
  import { Views } from '$lib/plan/views.svelte';
  import type { Deciding } from '$lib/plan/command';
  import { planSeen } from '$lib/plan-seen';
  import { download } from '$lib/ui/export';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const list = new PlanList();
  const was = cameBack<{ words: string; why: Asked; selected: string[] }>();
  list.comeBack(was?.words, was?.selected);
  const filters = $derived(filtersFrom(fromAddress));
  /** The list is too long to be sent whole, so the server filters it. */
  let cut = $state(false);
  let settledWords = $state(untrack(() => list.words));
  const asked = $derived(cut ? askedOf(filters, settledWords) : undefined);
  const rows = createQuery(() => ({
    queryKey: asked ? ['plan', 'orders', asked] : ['plan', 'orders'],
    queryFn: () => answer(api.GET('/api/plan/orders', { params: { query: asked ?? {} } })),
    placeholderData: (before) => before
  }));
  $effect(() => {
    if (rows.data) cut = !rows.data.whole;
  });
  $effect(() => {
    const typed = list.words;
    const timer = setTimeout(() => (settledWords = typed), 150);
    return () => clearTimeout(timer);
  });

  const changes = createQuery(() => ({
    queryKey: ['plan', 'changes', 'visit'],
    queryFn: () => answer(api.GET('/api/plan/changes', { params: { query: { since: 'visit' } } })),
    placeholderData: (before) => before
  }));
  const marks = $derived(marksOf(changes.data));
  const onlyChanged = $derived(fromAddress('changed') !== undefined);

  const saved = new Views();
  const columns = $derived(columnsOf(fromAddress('columns')));
  $effect(() => {
    list.filters = { ...filters, changed: onlyChanged ? new Set(marks.keys()) : undefined };
  });
  $effect(() => {
    const data = rows.data;
    if (!data || rows.isPlaceholderData) return;
    // neither selecting nor typing is a reason to take them again
    untrack(() => {
      list.answered = data.whole ? undefined : { ...filters, words: settledWords };
      list.take(data.orders, data.signals);
    });
  });
  $effect(() => {
    list.cursor = fromAddress('order');
  });
  // an order that is opened by its address need not be among the most urgent
  const opened = createQuery(() => {
    const key = list.cursor ?? '';
    const listed = !isPlanned(key) || list.rows.some((r) => keyOf(r) === key);
    return {
      queryKey: ['plan', 'order', key],
      queryFn: () => answer(api.GET('/api/plan/order', { params: { query: { key } } })),
      enabled: rows.isSuccess && !listed
    };
  });
  $effect(() => {
    list.opened = opened.data?.detail?.order;
  });

  // the last view comes back when the place is entered without one
  let entered = false;
  $effect(() => {
    if (saved.last === undefined) return;
    const now = viewOf(page.url.searchParams);
    if (!entered && now === '' && saved.last !== '' && page.url.search === '')
      void goto(`/plan?${saved.last}`, { replaceState: true, keepFocus: true });
    else saved.remember(now);
    entered = true;
  });

  // whoever comes without something in mind begins with what is most urgent
  $effect(() => {
    const first = list.shown[0];
    const nothing = ['order', 'item', 'signals'].every((name) => fromAddress(name) === undefined);
    // the last view comes first
    const there = page.url.search !== '' || saved.last === '';
    if (first && nothing && there) void toAddress({ order: keyOf(first) });
  });

  let pane = $state<ReturnType<typeof ReleasePane> | undefined>();
  let decidePane = $state<ReturnType<typeof DecidePane> | undefined>();
  const panes = new Panes(list, () => decidePane?.keep());
  panes.deciding = halfTyped<Deciding>('decision');
  panes.releasing = halfTyped<{ keys: string[] } | null>('release')?.keys;
  let why = $state<Asked>(was?.why ?? 'quantity');
  let frame = $state<ReturnType<typeof Place>>();

  const today = $derived(plan.data?.today ?? '');
  const currency = $derived(plan.data?.currency ?? 'EUR');
  const signals = $derived(fromAddress('signals') !== undefined);
  const place = $derived(placeOf(fromAddress('order'), fromAddress('item'), fromAddress('site'), list.byKey));
  const shownOrders = $derived(ordersOf(list.shown));

  // who is working on what
  $effect(() => {
    const where = place ? { item: place.item, site: place.site } : {};
    const tell = () => void api.PUT('/api/plan/people', { body: where }).catch(() => undefined);
    tell();
    const timer = setInterval(tell, 20_000);
    return () => clearInterval(timer);
  });
  $effect(() => {
    void api
      .GET('/api/plan/people')
      .then(({ data }) => data && (people.all = data))
      .catch(() => undefined);
  });

  function move(by: number) {
    const key = list.step(by);
    if (key) open(key, false);
  }

  function open(key: string, closing = true) {
    if (closing) panes.close();
    go(key);
  }

  /** The cursor goes there at once, so that a key pressed right after acts on it. */
  function go(key: string, inPlaceOf?: string[]): Promise<void> {
    const before = inPlaceOf?.flatMap((k) => list.byKey.get(k) ?? [])[0];
    list.send(key, inPlaceOf);
    // a firmed order that does not stand in the list is known by its stock point
    const known = before && !isPlanned(key) ? { item: itemOf(before), site: siteOf(before) } : {};
    return toAddress({ order: key, item: undefined, site: undefined, signals: undefined, ...known });
  }

  function release() {
    if (panes.curing) return;
    if (panes.releasing) pane?.press();
    else panes.release();
  }

  /** Only when the cursor is elsewhere is the pane of what is gone closed. */
  async function onkept(decision: Schemas['Decision'], done: Deciding) {
    panes.kept = decision;
    const next = panes.next(decision, done);
    if (next) await go(next, done.orders);
    panes.close();
  }

  const undoing = createMutation(() => ({
    mutationFn: (id: number) => answer(api.POST('/api/decisions/{id}/undo', { params: { path: { id } } })),
    onMutate: () => planSeen.deciding(),
    onSuccess: (decision) => {
      const back = panes.undone(decision);
      if (back) void go(back, decision.orders);
    },
    onError: (e) => (panes.refused = e.message),
    onSettled: () => planSeen.answeredDecision()
  }));

  /** Takes back the last decision of one's own that stands, also after a reload. */
  async function undo() {
    if (undoing.isPending) return;
    const last = panes.kept ?? (await answer(api.GET('/api/decisions'))).find((d) => d.mine && !d.undoneAt);
    if (last) undoing.mutate(last.id);
    else panes.refused = 'There is no decision of yours to take back.';
  }

  function showSignals() {
    panes.close();
    void toAddress({ signals: signals ? undefined : 'all' }, true);
  }

  function escape() {
    if (panes.escape()) return;
    if (signals) showSignals();
    else {
      list.selected.clear();
      panes.refused = undefined;
    }
  }

  function thread() {
    const row = list.cursor === undefined ? undefined : list.byKey.get(list.cursor);
    if (row) void goto(threadOf(row));
  }

  function sortBy(column: string) {
    const now = filters.sort;
    void toAddress({ sort: now === column ? `-${column}` : now === `-${column}` ? undefined : column });
  }

  /** Selects this row and the next one, where the cursor goes. */
  function extend(by: number) {
    const next = list.step(by);
    if (next === undefined) return;
    list.range(next);
    move(by);
  }

  /** What is selected, as a table that a spreadsheet takes; a text that is marked goes as it is. */
  function copy(event: ClipboardEvent) {
    const marked = getSelection()?.isCollapsed === false;
    const typing = (event.target as HTMLElement | null)?.closest?.('input, textarea');
    if (marked || typing || list.orders.length === 0) return;
    event.preventDefault();
    event.clipboardData?.setData('text/plain', tableOf(list.orders));
  }

  function save() {
    download('planned-orders.csv', csvOf(shownOrders));
  }

  const toggle: Action = { key: 'x', name: 'Select', run: () => list.toggle(list.cursor) };
  const ask: Action = {
    key: 'w',
    name: 'Why',
    run: () => (why = ASKED[(ASKED.indexOf(why) + 1) % ASKED.length] ?? 'quantity')
  };
  const change: Action = { key: 'e', name: 'Change', run: () => panes.about('CHANGE') };
  const firm: Action = { key: 'f', name: 'Firm', run: () => panes.about('FIRM') };
  const merge: Action = { key: 'm', name: 'Merge', run: () => panes.about('MERGE') };
  const split: Action = { key: 'p', name: 'Split', run: () => panes.about('SPLIT', { into: '2' }) };
  const hold: Action = { key: 'h', name: 'Hold', run: () => panes.hold(today) };
  const obey: Action = { key: 'a', name: 'Do what it asks', run: () => panes.accept(today) };
  const decisions: Action = { key: 'd', name: 'Decisions', run: () => panes.showDecisions() };
  const deciding = $derived([
    change,
    firm,
    hold,
    list.signals.length > 0 ? obey : list.chosen.length > 1 ? merge : split
  ]);
  /** What somebody's role may not do is not offered. */
  const ACTIONS = $derived([toggle, ask, ...(rights.decides('CHANGE') ? deciding : []), decisions]);

  const DECIDING = [
    { keys: 'e', says: 'Change', run: change.run },
    { keys: 'f', says: 'Firm', run: firm.run },
    { keys: 'm', says: 'Merge the selected ones', run: merge.run },
    { keys: 'p', says: 'Split', run: split.run },
    { keys: 'h', says: 'Hold, or let go', run: hold.run },
    { keys: 'a', says: 'Do what the signal asks', run: obey.run },
    { keys: 'c', says: 'Cancel an open order', run: () => panes.about('CANCEL') }
  ];
  whenLeft(() => ({
    words: list.words,
    why,
    selected: [...list.selected]
  }));
  $effect(() =>
    shortcuts.register('plan', [
      { keys: 'j, ArrowDown', says: 'Next row', run: () => move(1) },
      { keys: 'k, ArrowUp', says: 'Row before', run: () => move(-1) },
      { keys: 'J', says: 'Select, and the next row too', run: () => extend(1) },
      { keys: 'K', says: 'Select, and the row before too', run: () => extend(-1) },
      { keys: 'x, \u0020', says: 'Select', run: toggle.run },
      { keys: 'X', says: 'Select all that is shown, or none', run: () => list.toggleAll() },
      { keys: 'w', says: 'Why: quantity or dates', run: ask.run },
      ...(rights.decides('CHANGE') ? DECIDING : []),
      { keys: 'Enter', says: 'Keep it', run: () => decidePane?.keep() },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => void undo() },
      { keys: 'd', says: 'Decisions', run: decisions.run },
      { keys: 't', says: 'Thread: what it waits for', run: thread },
      { keys: 's', says: 'Signals', run: showSignals },
      { keys: 'E', says: 'Save the list as CSV', also: 'export', run: save },
      ...(rights.releases() ? [{ keys: 'r', says: 'Release', run: release }] : []),
      { keys: '/', says: 'Filter the list', run: () => frame?.focusFilter() },
      { keys: 'Escape', says: 'Back, or select none', run: escape }
    ])
  );
</script>

<svelte:head><title>Plan · Rescient</title></svelte:head>
<svelte:document oncopy={copy} />

{#snippet entry(e: Entry)}
  {#if 'head' in e}
    <div class="flex items-end gap-2 px-3 pb-1.5" style="height: 100%">
      <!-- a list has rows alone; the keys select ranges (J, K) and all (X) -->
      <span
        class="title cursor-pointer text-[13px]"
        role="presentation"
        title="Select these, or none of them"
        onclick={() => list.toggleGroup(e.head)}>{e.name}</span
      ><span class="text-ink-3">{e.count}</span>
    </div>
  {:else if 'order' in e}
    <PlannedRow
      order={e.order}
      {today}
      {currency}
      {columns}
      here={e.order.key === list.here}
      selected={list.selected.has(e.order.key)}
      mark={marks.get(e.order.key)}
      onopen={() => open(e.order.key)}
      onrange={() => list.range(e.order.key)}
      ontoggle={() => list.toggle(e.order.key)}
    />
  {:else}
    <SignalRow
      row={e.signal}
      {today}
      here={e.signal.key === list.here}
      selected={list.selected.has(e.signal.key)}
      mark={e.signal.signal.kind === 'demand_late'
        ? marks.get(customerMark(e.signal.signal.orderNumber))
        : undefined}
      onopen={() => open(e.signal.key)}
      onrange={() => list.range(e.signal.key)}
      ontoggle={() => list.toggle(e.signal.key)}
    />
  {/if}
{/snippet}

<Place
  bind:this={frame}
  bind:words={list.words}
  title="Plan"
  filters="item, name, supplier, number or customer order"
  query={rows}
  reading="Reading the plan …"
  empty={rows.data?.whole && list.rows.length === 0
    ? 'Nothing has to be ordered: every stock point is covered.'
    : 'No planned order and no signal fits these filters.'}
  rows={list.entries}
  size={(e) => ('head' in e ? 31 : 37)}
  key={(e) => ('head' in e ? `head ${e.head}` : keyOf(e))}
  follow={list.at}
  active={list.at >= 0 ? `order-${list.here}` : undefined}
  list="minmax(520px, {listWidth(columns)}px)"
  row={entry}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    <PlanFilters {filters} {columns} {today} choices={rows.data?.choices} views={saved} />
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
    <div class="heads" style:grid-template-columns={gridOf(columns)}>
      <span></span><span></span>
      <button type="button" tabindex="-1" onclick={() => sortBy('item')}
        >Order for{@render arrow('item')}</button
      >
      <button type="button" tabindex="-1" onclick={() => sortBy('quantity')}
        >Quantity{@render arrow('quantity')}</button
      >
      {#each columns as column (column)}
        <button type="button" tabindex="-1" onclick={() => sortBy(column)}
          >{COLUMNS[column].name}{@render arrow(column)}</button
        >
      {/each}
    </div>
  {/snippet}
  {#snippet detail()}
    {#if panes.curing}
      {#key panes.curing}
        <DecidePane
          bind:this={decidePane}
          deciding={panes.curing}
          orders={panes.rowsOf(panes.curing)}
          choices={rows.data?.choices}
          {today}
          {currency}
          onclose={() => (panes.curing = undefined)}
          onkept={(decision, done) => panes.cured(decision, done)}
          onagain={(again) => (panes.curing = again)}
        />
      {/key}
    {/if}
    {#if panes.releasing}
      <div class:hidden={panes.curing}>
        <ReleasePane
          bind:this={pane}
          keys={panes.releasing}
          {today}
          {currency}
          mayRelease={rights.releases()}
          onclose={() => (panes.releasing = undefined)}
          onreleased={(keys) => panes.out(keys)}
          ongone={(gone) => panes.takeOut(gone)}
          onmore={(keys) => (panes.releasing = [...(panes.releasing ?? []), ...keys])}
          onswap={(key, instead) =>
            (panes.releasing = (panes.releasing ?? []).map((k) => (k === key ? instead : k)))}
          onfirm={(keys) => panes.firm(keys)}
          oncure={(cure) => (panes.curing = cure)}
        />
      </div>
    {:else if panes.deciding}
      {#key panes.deciding}
        <DecidePane
          bind:this={decidePane}
          deciding={panes.deciding}
          orders={panes.rowsOf(panes.deciding)}
          choices={rows.data?.choices}
          {today}
          {currency}
          onclose={() => panes.close()}
          onkept={(decision, done) => void onkept(decision, done)}
          onagain={(again) => (panes.deciding = again)}
        />
      {/key}
    {:else if panes.history}
      <DecisionsPane onundo={(id) => undoing.mutate(id)} busy={undoing.isPending} />
    {:else if signals}
      <SignalsPane />
    {:else if place}
      <PointPane
        {...place}
        {currency}
        {why}
        onwhy={(w) => (why = w)}
        ondecide={(next) => panes.decide(next)}
      />
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
    <PlanActions
      {list}
      {currency}
      kept={panes.kept}
      more={rows.data?.more ?? 0}
      filtering={rows.isPlaceholderData}
      undoing={undoing.isPending}
      refused={panes.refused}
      releasing={panes.releasing !== undefined}
      mayRelease={rights.releases() && (panes.releasing ? !panes.released : list.orders.length > 0)}
      actions={ACTIONS}
      onundo={(id) => undoing.mutate(id)}
      onsave={save}
      onrelease={release}
    />
  {/snippet}
</Place>

{#snippet arrow(column: string)}{filters.sort === column
    ? ' ↑'
    : filters.sort === `-${column}`
      ? ' ↓'
      : ''}{/snippet}

<style>
  .heads {
    display: grid;
    column-gap: 8px;
    align-items: center;
    height: 100%;
    padding: 0 12px;
  }
  .heads button {
    text-align: left;
    white-space: nowrap;
  }
  .heads button:nth-child(n + 4) {
    text-align: right;
  }
</style>
