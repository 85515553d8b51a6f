<script lang="ts">
  import { customerMark } from '$lib/changes/changes';
  import { count } from '$lib/format';
  import DecidePane from '$lib/plan/DecidePane.svelte';
  import { DecideScreen } from '$lib/plan/decide-screen.svelte';
  import DecisionsPane from '$lib/plan/DecisionsPane.svelte';
  import { keyOf, type Entry } from '$lib/plan/filters';
  import NothingYet from '$lib/plan/NothingYet.svelte';
  import PlanActions from '$lib/plan/PlanActions.svelte';
  import PlanFilters from '$lib/plan/PlanFilters.svelte';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import PlannedRow from '$lib/plan/PlannedRow.svelte';
  import PointPane from '$lib/plan/PointPane.svelte';
  import ReleasePane from '$lib/plan/ReleasePane.svelte';
  import SignalRow from '$lib/plan/SignalRow.svelte';
  import SignalsPane from '$lib/plan/SignalsPane.svelte';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new DecideScreen();
  const { list, panes, last } = screen;
  const marks = $derived(screen.marks);
  const today = $derived(screen.today);
  const currency = $derived(screen.currency);
  const choices = $derived(screen.all.data?.choices);
</script>

<svelte:head><title>Plan · Rescient</title></svelte:head>

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
      columns={screen.chosenColumns}
      template={screen.columns.template}
      here={e.order.key === list.here}
      selected={list.selected.has(e.order.key)}
      mark={marks.get(e.order.key)}
      onopen={() => screen.open(e.order.key)}
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
      onopen={() => screen.open(e.signal.key)}
      onrange={() => list.range(e.signal.key)}
      ontoggle={() => list.toggle(e.signal.key)}
    />
  {/if}
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={list.words}
  title="Plan"
  filters="item, name, supplier, number or customer order"
  query={screen.query}
  reading="Reading the plan …"
  empty={screen.all.data?.whole && list.rows.length === 0
    ? 'Nothing has to be ordered: every stock point is covered.'
    : 'No planned order and no signal fits these filters.'}
  rows={list.entries}
  size={(e) => ('head' in e ? 31 : 37)}
  key={(e) => ('head' in e ? `head ${e.head}` : keyOf(e))}
  follow={list.at}
  active={list.at >= 0 ? `order-${list.here}` : undefined}
  list="minmax(520px, {screen.width}px)"
  columns={screen.columns}
  sort={screen.filters.sort}
  onsort={(column) => screen.sort(column)}
  copied={() => screen.copied()}
  row={entry}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    <PlanFilters
      filters={screen.filters}
      columns={screen.chosenColumns}
      {today}
      {choices}
      views={screen.views}
    />
  {/snippet}
  {#snippet aside()}
    {#if screen.plan.data}
      <button
        type="button"
        class="ml-auto flex items-center gap-2"
        onclick={() => screen.showSignals()}
        aria-pressed={screen.signals}
      >
        {#if screen.plan.data.lateOrders > 0}
          <b class="text-vermilion">{count(screen.plan.data.lateOrders, 'customer order')} late</b>
        {/if}
        <span class="link">{count(screen.plan.data.signals, 'signal')}</span>
        <Key name="s" />
      </button>
    {/if}
  {/snippet}
  {#snippet nothing()}<NothingYet />{/snippet}
  {#snippet detail()}
    {#if panes.curing}
      {#key panes.curing}
        <DecidePane
          bind:this={screen.decidePane}
          deciding={panes.curing}
          orders={panes.rowsOf(panes.curing)}
          {choices}
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
        <ReleasePane bind:this={screen.releasePane} {panes} keys={panes.releasing} {today} {currency} />
      </div>
    {:else if panes.deciding}
      {#key panes.deciding}
        <DecidePane
          bind:this={screen.decidePane}
          deciding={panes.deciding}
          orders={panes.rowsOf(panes.deciding)}
          {choices}
          {today}
          {currency}
          onclose={() => panes.close()}
          onkept={(decision, done) => void screen.kept(decision, done)}
          onagain={(again) => (panes.deciding = again)}
        />
      {/key}
    {:else if panes.history}
      <DecisionsPane {last} />
    {:else if screen.signals}
      <SignalsPane />
    {:else if screen.place}
      <PointPane
        {...screen.place}
        {currency}
        why={screen.why}
        onwhy={(w) => (screen.why = w)}
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
      {last}
      more={screen.rows.data?.more ?? 0}
      filtering={screen.filtering}
      refused={panes.refused}
      releasing={panes.releasing !== undefined}
      mayRelease={rights.releases() && (panes.releasing ? !panes.released : list.orders.length > 0)}
      actions={screen.actions}
      onsave={() => screen.save()}
      onrelease={() => screen.release()}
    />
  {/snippet}
</Place>
