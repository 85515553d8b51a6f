<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api, type Schemas } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { count, dayNumber, isoDay, date, money } from '$lib/format';
  import { viewOf } from '$lib/links';
  import { people } from '$lib/people.svelte';
  import { COLUMNS, columnsOf, gridOf } from '$lib/plan/columns';
  import DecidePane from '$lib/plan/DecidePane.svelte';
  import DecisionsPane from '$lib/plan/DecisionsPane.svelte';
  import { GROUPS, keyOf, type Entry, type Filters } from '$lib/plan/filters';
  import { placeOf } from '$lib/plan/place';
  import { PlanList } from '$lib/plan/plan.svelte';
  import PlannedRow from '$lib/plan/PlannedRow.svelte';
  import PointPane from '$lib/plan/PointPane.svelte';
  import ReleasePane from '$lib/plan/ReleasePane.svelte';
  import { repairsOf } from '$lib/plan/repairs';
  import SignalRow from '$lib/plan/SignalRow.svelte';
  import SignalsPane from '$lib/plan/SignalsPane.svelte';
  import ViewMenu from '$lib/plan/ViewMenu.svelte';
  import { Views, type View } from '$lib/plan/views.svelte';
  import type { Deciding, Form, Kind } from '$lib/plan/wish';
  import { trial } from '$lib/trial.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import { csv, download } from '$lib/ui/export';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const client = useQueryClient();
  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const session = createQuery(() => ({
    queryKey: ['session'],
    queryFn: () => answer(api.GET('/api/session'))
  }));
  const rows = createQuery(() => ({
    queryKey: ['plan', 'orders'],
    queryFn: () => answer(api.GET('/api/plan/orders')),
    placeholderData: (before) => before
  }));

  const list = new PlanList();
  const views = new Views();
  const filters = $derived<Filters>({
    site: fromAddress('for'),
    planner: fromAddress('planner'),
    supplier: fromAddress('supplier'),
    group: fromAddress('group'),
    source: fromAddress('source'),
    from: fromAddress('from'),
    to: fromAddress('to'),
    until: fromAddress('until'),
    due: fromAddress('due'),
    worth: fromAddress('worth'),
    late: fromAddress('late') !== undefined,
    held: fromAddress('held'),
    sort: fromAddress('sort'),
    by: GROUPS.find((g) => g === fromAddress('by'))
  });
  const columns = $derived(columnsOf(fromAddress('columns')));
  $effect(() => {
    list.filters = filters;
  });
  $effect(() => {
    if (rows.data) list.take(rows.data.orders, rows.data.signals);
  });
  $effect(() => {
    list.cursor = fromAddress('order');
  });

  // the last view comes back when the place is entered without one
  let entered = false;
  $effect(() => {
    if (views.last === undefined) return;
    const now = viewOf(page.url.searchParams);
    if (!entered && now === '' && views.last !== '' && page.url.search === '')
      void goto(`/plan?${views.last}`, { replaceState: true, keepFocus: true });
    else views.remember(now);
    entered = true;
  });

  // a trial stands in the address, so that it can be shared and outlives a reload
  $effect(() => {
    const without = fromAddress('without')?.split(' ').filter(Boolean) ?? [];
    if (without.join(' ') !== trial.without.join(' ')) {
      trial.without = without;
      void client.invalidateQueries({ queryKey: ['plan'] });
    }
    return () => {
      if (!page.url.pathname.startsWith('/plan') && trial.on) {
        trial.without = [];
        void client.invalidateQueries({ queryKey: ['plan'] });
      }
    };
  });

  let releasing = $state<string[] | undefined>();
  /** What was chosen has gone out, and its numbers are in view. */
  let released = $state(false);
  let deciding = $state.raw<Deciding | undefined>();
  let history = $state(false);
  /** The last decision kept here, offered to be taken back. */
  let kept = $state.raw<Schemas['Decision'] | undefined>();
  let refused = $state<string | undefined>();
  let pane = $state<ReturnType<typeof ReleasePane> | undefined>();
  let decidePane = $state<ReturnType<typeof DecidePane> | undefined>();
  let why = $state<'quantity' | 'dates'>('quantity');
  let frame = $state<ReturnType<typeof Place>>();

  const today = $derived(plan.data?.today ?? '');
  const currency = $derived(plan.data?.currency ?? 'EUR');
  const signals = $derived(fromAddress('signals') !== undefined);
  const place = $derived(placeOf(fromAddress('order'), fromAddress('item'), fromAddress('site'), list.byKey));
  const chosenOrders = $derived(list.chosen.flatMap((r) => ('order' in r ? [r.order] : [])));
  const total = $derived(chosenOrders.reduce((sum, o) => sum + (o.value ?? 0), 0));
  const shownOrders = $derived(list.shown.flatMap((r) => ('order' in r ? [r.order] : [])));
  const shownTotal = $derived(shownOrders.reduce((sum, o) => sum + (o.value ?? 0), 0));
  const bySupplier = $derived.by(() => {
    const sums: Record<string, number> = {};
    for (const o of chosenOrders)
      if (o.supplier) sums[o.partner ?? o.supplier] = (sums[o.partner ?? o.supplier] ?? 0) + (o.value ?? 0);
    return Object.entries(sums).sort((a, b) => b[1] - a[1]);
  });
  const untils = $derived(
    today
      ? [1, 2, 4, 8, 13]
          .map((w) => isoDay(dayNumber(today) + w * 7))
          .map((d) => ({ code: d, name: date(d, today) }))
      : []
  );
  const SOURCES = ['make', 'assemble', 'buy', 'transfer', 'subcontract'].map((s) => ({ code: s, name: s }));

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

  function close() {
    releasing = undefined;
    deciding = undefined;
    history = false;
    refused = undefined;
  }

  function move(by: number) {
    const key = list.step(by);
    if (key) open(key, false);
  }

  function open(key: string, closing = true) {
    if (closing) close();
    // at once, so that a key pressed right after acts on it
    list.cursor = key;
    void toAddress({ order: key, item: undefined, site: undefined, signals: undefined });
  }

  function release() {
    if (releasing) pane?.press();
    else if (list.orders.length > 0) {
      close();
      releasing = list.orders.map((o) => o.key);
      released = false;
    }
  }

  /** Opens the pane of a decision; the key that opened it keeps it when pressed again. */
  function decide(next: Deciding) {
    if (trial.on) {
      refused = 'This is a trial. Put the demand back before anything is decided.';
      return;
    }
    close();
    deciding = next;
  }

  function about(kind: Kind, form: Form = {}) {
    if (deciding?.kind === kind) {
      decidePane?.keep();
      return;
    }
    const keys = [
      ...list.orders.map((o) => o.key),
      ...list.signals.flatMap((s) => (s.signal.order ? [s.signal.order] : []))
    ];
    if (keys.length > 0) decide({ kind, orders: keys, form });
  }

  /** Does what the signal asks; several proposals of one kind together. */
  function accept() {
    if (deciding) {
      decidePane?.keep();
      return;
    }
    const first = list.signals[0];
    const repair = first && repairsOf(first.signal, (d) => date(d, today))[0];
    if (!repair) return;
    const same = list.signals.filter((s) => s.signal.kind === first.signal.kind && s.signal.order);
    decide(
      repair.deciding.kind === 'CANCEL' && same.length > 1
        ? { ...repair.deciding, orders: same.flatMap((s) => (s.signal.order ? [s.signal.order] : [])) }
        : repair.deciding
    );
  }

  /** The cursor goes to what came out, or to the next row; only then is the pane of what is gone closed. */
  async function onkept(decision: Schemas['Decision'], done: Deciding) {
    const next = decision.orders[0] ?? list.after(done.orders);
    const stays = done.kind === 'HOLD' || done.kind === 'RESUME' || done.kind === 'PLANNING';
    for (const key of done.orders) list.selected.delete(key);
    if (!stays && next) {
      list.cursor = next;
      await toAddress({ order: next, item: undefined, site: undefined, signals: undefined });
    }
    close();
    kept = decision;
    void client.invalidateQueries({ queryKey: ['plan'] });
    void client.invalidateQueries({ queryKey: ['orders'] });
    void client.invalidateQueries({ queryKey: ['items'] });
  }

  const undoing = createMutation(() => ({
    mutationFn: (id: number) => answer(api.POST('/api/decisions/{id}/undo', { params: { path: { id } } })),
    onSuccess: () => {
      kept = undefined;
      refused = undefined;
      void client.invalidateQueries({ queryKey: ['plan'] });
      void client.invalidateQueries({ queryKey: ['orders'] });
      void client.invalidateQueries({ queryKey: ['items'] });
    },
    onError: (e) => (refused = e.message)
  }));

  /** Takes back the last decision of one's own that stands, also after a reload. */
  async function undo() {
    if (undoing.isPending) return;
    const all = await answer(api.GET('/api/decisions'));
    const last = all.find((d) => d.mine && !d.undoneAt);
    if (last) undoing.mutate(last.id);
    else refused = 'There is no decision of yours to take back.';
  }

  /** Those that the plan no longer asks for leave the choice; the rest can be released. */
  function takeOut(gone: string[]) {
    for (const key of gone) list.selected.delete(key);
    releasing = releasing?.filter((key) => !gone.includes(key));
    if (releasing?.length === 0) releasing = undefined;
  }

  function showSignals() {
    close();
    void toAddress({ signals: signals ? undefined : 'all' }, true);
  }

  function showDecisions() {
    const showing = history;
    close();
    history = !showing;
  }

  function escape() {
    if (releasing || deciding || history) close();
    else if (signals) showSignals();
    else {
      list.selected.clear();
      refused = undefined;
    }
  }

  function sortBy(column: string) {
    const now = filters.sort;
    void toAddress({ sort: now === column ? `-${column}` : now === `-${column}` ? undefined : column });
  }

  function openView(view: View) {
    void goto(`/plan?${view.address}`, { keepFocus: true });
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
      'value',
      'stage',
      'number',
      'held until',
      'serves'
    ];
    download(
      'planned-orders.csv',
      csv(
        header,
        shownOrders.map((o) => [
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
          o.value,
          o.number ? 'firmed' : 'planned',
          o.number,
          o.hold?.until,
          o.end?.number
        ])
      )
    );
  }

  $effect(() =>
    shortcuts.register('plan', [
      { keys: 'j, ArrowDown', says: 'Next row', run: () => move(1) },
      { keys: 'k, ArrowUp', says: 'Row before', run: () => move(-1) },
      { keys: 'x, \u0020', says: 'Select', run: () => list.toggle(list.cursor) },
      { keys: 'X', says: 'Select all that is shown, or none', run: () => list.toggleAll() },
      {
        keys: 'w',
        says: 'Why: quantity or dates',
        run: () => (why = why === 'quantity' ? 'dates' : 'quantity')
      },
      { keys: 'e', says: 'Change', run: () => about('CHANGE') },
      { keys: 'f', says: 'Firm', run: () => about('FIRM') },
      { keys: 'm', says: 'Merge the selected ones', run: () => about('MERGE') },
      { keys: 'p', says: 'Split', run: () => about('SPLIT', { into: '2' }) },
      {
        keys: 'h',
        says: 'Hold, or let go',
        run: () =>
          list.orders[0]?.hold
            ? about('RESUME')
            : about('HOLD', { until: today ? isoDay(dayNumber(today) + 7) : '' })
      },
      { keys: 'a', says: 'Do what the signal asks', run: accept },
      { keys: 'c', says: 'Cancel an open order', run: () => about('CANCEL') },
      { keys: 'Enter', says: 'Keep it', run: () => decidePane?.keep() },
      { keys: 'u', says: 'Take back the last decision', run: () => void undo() },
      { keys: 'd', says: 'Decisions', run: showDecisions },
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
      <span class="title text-[13px]">{e.name}</span><span class="text-ink-3">{e.count}</span>
    </div>
  {:else if 'order' in e}
    <PlannedRow
      order={e.order}
      {today}
      {currency}
      {columns}
      here={e.order.key === list.cursor}
      selected={list.selected.has(e.order.key)}
      onopen={() => open(e.order.key)}
      ontoggle={() => list.toggle(e.order.key)}
    />
  {:else}
    <SignalRow
      row={e.signal}
      {today}
      here={e.signal.key === list.cursor}
      selected={list.selected.has(e.signal.key)}
      onopen={() => open(e.signal.key)}
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
  empty={rows.data && list.rows.length === 0
    ? 'Nothing has to be ordered: every stock point is covered.'
    : 'No planned order and no signal fits these filters.'}
  rows={list.entries}
  size={(e) => ('head' in e ? 31 : 37)}
  key={(e) => ('head' in e ? `head ${e.head}` : keyOf(e))}
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
    <ViewMenu
      {filters}
      {columns}
      {today}
      choices={rows.data?.choices}
      views={views.named}
      onsave={(name) => views.save(name, viewOf(page.url.searchParams))}
      onforget={(name) => views.forget(name)}
      onopen={openView}
    />
  {/snippet}
  {#snippet aside()}
    {#if trial.on}
      <p class="ml-auto flex items-center gap-2 bg-marigold px-2 py-0.5 text-on-marigold" role="status">
        <b>Trial</b> without {trial.without.map((k) => k.split('~')[0]).join(', ')}
        <button type="button" class="font-bold underline" onclick={() => toAddress({ without: undefined })}
          >Put back</button
        >
      </p>
    {/if}
    {#if plan.data}
      <button
        type="button"
        class="flex items-center gap-2"
        class:ml-auto={!trial.on}
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
    {#if releasing}
      <ReleasePane
        bind:this={pane}
        keys={releasing}
        all={rows.data?.orders ?? []}
        {today}
        {currency}
        mayRelease={session.data?.mayRelease ?? false}
        onclose={() => (releasing = undefined)}
        onreleased={(keys) => {
          released = true;
          kept = undefined;
          keys.forEach((k) => list.selected.delete(k));
        }}
        ongone={takeOut}
        onmore={(keys) => (releasing = [...(releasing ?? []), ...keys])}
        onfirm={(keys) => decide({ kind: 'FIRM', orders: keys.filter((k) => k.split('~').length > 2) })}
      />
    {:else if deciding}
      {#key deciding}
        <DecidePane
          bind:this={decidePane}
          {deciding}
          orders={deciding.orders.flatMap((k) => {
            const row = list.byKey.get(k);
            return row && 'order' in row ? [row.order] : [];
          })}
          choices={rows.data?.choices}
          {today}
          {currency}
          onclose={close}
          onkept={(decision, done) => void onkept(decision, done)}
          onagain={(again) => (deciding = again)}
        />
      {/key}
    {:else if history}
      <DecisionsPane onundo={(id) => undoing.mutate(id)} busy={undoing.isPending} />
    {:else if signals}
      <SignalsPane />
    {:else if place}
      <PointPane {...place} {currency} {why} onwhy={(w) => (why = w)} ondecide={decide} />
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
    <span data-testid="selection" title={bySupplier.map(([s, v]) => `${s} ${money(v, currency)}`).join('\n')}>
      {#if list.chosen.length > 0}
        <b>{list.chosen.length} selected</b>{#if bySupplier.length > 0}, {count(
            bySupplier.length,
            'supplier'
          )}{/if}, {money(total, currency)}
      {:else}
        {count(shownOrders.length, 'order')}, {money(shownTotal, currency)}
      {/if}
    </span>
    {#if refused}
      <span class="min-w-0 flex-1 truncate text-marigold" role="alert" title={refused}>{refused}</span>
    {:else if kept}
      <span class="min-w-0 flex-1 truncate" role="status" title={kept.sentence}>
        {kept.sentence}
        <button type="button" class="ml-2 underline" onclick={() => kept && undoing.mutate(kept.id)}
          >Take back</button
        >
        <Key name="u" dark />
      </span>
    {:else}
      {#each [{ k: 'x', n: 'Select', run: () => list.toggle(list.cursor) }, { k: 'w', n: 'Why', run: () => (why = why === 'quantity' ? 'dates' : 'quantity') }, { k: 'e', n: 'Change', run: () => about('CHANGE') }, { k: 'f', n: 'Firm', run: () => about('FIRM') }, { k: 'h', n: 'Hold', run: () => about( 'HOLD', { until: isoDay(dayNumber(today) + 7) } ) }] as action (action.k)}
        <button
          type="button"
          class="flex items-center gap-1.5"
          onclick={action.run}
          disabled={list.concerned.length === 0}><Key name={action.k} dark /> {action.n}</button
        >
      {/each}
      {#if list.signals.length > 0}
        <button type="button" class="flex items-center gap-1.5" onclick={accept}
          ><Key name="a" dark /> Do what it asks</button
        >
      {:else if list.chosen.length > 1}
        <button type="button" class="flex items-center gap-1.5" onclick={() => about('MERGE')}
          ><Key name="m" dark /> Merge</button
        >
      {:else}
        <button
          type="button"
          class="flex items-center gap-1.5"
          onclick={() => about('SPLIT', { into: '2' })}
          disabled={list.orders.length === 0}><Key name="p" dark /> Split</button
        >
      {/if}
      <button type="button" class="flex items-center gap-1.5" onclick={showDecisions}
        ><Key name="d" dark /> Decisions</button
      >
    {/if}
    <button type="button" class="ml-auto" onclick={save}>Save as CSV</button>
    <button
      type="button"
      class="main-action"
      onclick={release}
      disabled={releasing ? released : list.orders.length === 0}
      title="Shows what will be created before anything is released"
    >
      Release {releasing ? '' : list.orders.length || ''}
      <Key name="r" />
    </button>
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
