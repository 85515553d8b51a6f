<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { count, countShown, date, documentName, longDate, money } from '$lib/format';
  import OrderPane from '$lib/orders/OrderPane.svelte';
  import { OrdersScreen, type OrderRow } from '$lib/orders/orders-screen.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { ORDER_VIEWS } from '$lib/orders/views';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';
  import SourceTile from '$lib/ui/SourceTile.svelte';

  const screen = new OrdersScreen();
  const { list } = screen;
  const today = $derived(screen.today);
  const currency = $derived(screen.currency);
  const KINDS = ['buy', 'make', 'assemble', 'transfer', 'subcontract'].map((k) => ({
    code: k,
    name: documentName(k)
  }));
  /** Of purchases: what a buyer has to do with them. */
  const WAYS = [
    { code: 'to_send', name: 'to be sent' },
    { code: 'held', name: 'held' },
    { code: 'awaiting_approval', name: 'to be approved' },
    { code: 'ready', name: 'ready to go' },
    { code: 'to_ask', name: 'to be asked' },
    { code: 'sent', name: 'not confirmed' },
    { code: 'confirmed', name: 'confirmed' }
  ];
  const STAGES = ['firmed', 'released', 'done'].map((s) => ({ code: s, name: s }));
</script>

<svelte:head><title>{screen.opened ?? 'Orders'} · Rescient</title></svelte:head>

{#snippet row(order: OrderRow)}
  <ListRow
    {list}
    key={order.number}
    id="order"
    columns={screen.columns}
    onopen={() => screen.open(order.number)}
  >
    <SourceTile source={order.kind} stage={order.stage} />
    <span class="what">
      <b class="name">{order.number}</b>
      <span class="where"
        >{order.partner ?? order.siteName}{#if order.way && order.way !== 'sent'}
          · {WAYS.find((w) => w.code === order.way)?.name}{/if}</span
      >
    </span>
    <span class="what">
      <span class="name">{order.first}</span>
      {#if order.lines > 1}<span class="where">and {count(order.lines - 1, 'line')} more</span>{/if}
    </span>
    <span class="num"
      >{order.value !== undefined && order.value !== null ? money(order.value, currency) : ''}</span
    >
    <span class="num due" class:text-vermilion={order.overdue} title={longDate(order.due)}
      >{date(order.due, today)}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Orders"
  filters="number, partner or item"
  query={screen.rows}
  reading="Reading the orders …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 40}
  key={(o) => o.number}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `order-${screen.opened}`}
  open={(o) => screen.open(o.number)}
  list="minmax(500px, 580px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={ORDER_VIEWS} label="Views of the orders" />{/snippet}
  {#snippet chips()}
    <Chooser
      name="Kind"
      value={screen.filters.kind}
      choices={KINDS}
      onchoose={(v) => screen.filter('kind', v)}
    />
    <Chooser
      name="Stage"
      value={screen.filters.stage}
      choices={STAGES}
      onchoose={(v) => screen.filter('stage', v)}
    />
    <Chooser
      name="To the supplier"
      value={screen.filters.way}
      choices={WAYS}
      onchoose={(v) => screen.filter('way', v)}
    />
  {/snippet}
  {#snippet detail()}
    {#if screen.opened}
      <OrderPane
        bind:this={screen.pane}
        number={screen.opened}
        begin={screen.begins ? () => screen.begun() : undefined}
        {today}
        {currency}
      />
    {:else}
      <p class="grid h-full place-content-center text-ink-2">
        Choose an order to see its lines and what they serve.
      </p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span data-testid="selection">
      {#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {countShown(screen.rows.data, 'order')}
    </span>
    {#if screen.doing.refused}<span
        class="min-w-0 truncate text-marigold"
        role="alert"
        title={screen.doing.refused}>{screen.doing.refused}</span
      >{/if}
    <KeptLine last={screen.last} />
    {#if screen.combinable.length > 1}<button
        type="button"
        class="bar-action"
        title="Their lines go on to {screen.combinable[0]}"
        disabled={screen.doing.busy}
        onclick={() => void screen.combine()}><Key name="m" dark /> Combine {screen.combinable.length}</button
      >{/if}
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
    {#if screen.fetchable.length > 0}<button
        type="button"
        class="bar-action"
        title="What is to be fetched for the selected orders, with the lots that are proposed"
        onclick={() => screen.pickList()}><Key name="L" dark /> Pick list</button
      >{/if}
    {#if screen.opened}<button type="button" class="bar-action" onclick={() => screen.pane?.next()}
        ><Key name="n" dark /> Next step</button
      >
      <button type="button" class="bar-action" onclick={() => screen.print()}
        ><Key name="P" dark /> Print {screen.opened}</button
      >{/if}
  {/snippet}
</Place>
