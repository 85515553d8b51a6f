<script lang="ts">
  import { count, countShown, longDate, quantity, shortDate } from '$lib/format';
  import OutPane from '$lib/stock/OutPane.svelte';
  import { OutScreen, STATES, UNTIL, type Out } from '$lib/stock/out-screen.svelte';
  import PostedLine from '$lib/stock/PostedLine.svelte';
  import StockViews from '$lib/stock/StockViews.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new OutScreen();
  const { list } = screen;
  /** How much of what is wanted is there, as a bar. */
  const share = (r: Out) => `${Math.round((100 * r.ready) / r.open)}%`;
</script>

<svelte:head><title>Going out · Rescient</title></svelte:head>

{#snippet row(r: Out)}
  <ListRow {list} key={r.key} id="line" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what"
      ><span class="name"><b>{r.number}</b></span><span class="where">{r.siteName}</span></span
    >
    <span class="what">
      <span class="name"><b>{r.item}</b> {r.itemName}</span>
      <span class="where">{r.customerName ?? ''}</span>
    </span>
    <span class="num go">
      <span>{quantity(r.open)} <small>{r.unit}</small></span>
      <span class="there" title="{quantity(r.ready)} of {quantity(r.open)} {r.unit} are there"
        ><i style:width={share(r)}></i></span
      >
    </span>
    <span class="num" class:short={r.late !== null && r.late !== undefined} title={longDate(r.due)}
      >{shortDate(r.due, screen.today)}
      {#if r.late}<span class="badge" title="so many days late">+{r.late}</span>{/if}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Going out"
  filters="order, item, customer or site"
  query={screen.rows}
  reading="Looking what is to go …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 37}
  key={(r) => r.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `line-${screen.opened}`}
  open={(r) => screen.open(r.key)}
  list="minmax(520px, 600px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<StockViews />{/snippet}
  {#snippet chips()}
    <Chooser
      name="Due"
      value={screen.filters.within}
      choices={UNTIL}
      onchoose={(v) => screen.filter('within', v)}
    />
    <Chooser
      name="There"
      value={screen.filters.state}
      choices={STATES}
      onchoose={(v) => screen.filter('state', v)}
    />
    {#if screen.filters.customer}<button
        type="button"
        class="chip"
        onclick={() => screen.filter('customer', undefined)}>to {screen.filters.customer} ×</button
      >{/if}
  {/snippet}
  {#snippet detail()}<OutPane {screen} />{/snippet}
  {#snippet actions()}
    <span data-testid="selection">
      {#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {countShown(screen.rows.data, 'line')}{#if screen.rows.data}: {count(screen.rows.data.whole, 'line')} ready,
        {screen.rows.data.part} in part{/if}
    </span>
    <PostedLine posting={screen.posting} />
    <button type="button" class="bar-action" onclick={() => screen.ship()}
      ><Key name="s" dark /> Ship what is selected</button
    >
    <button type="button" class="bar-action" onclick={() => screen.pickList()}
      ><Key name="L" dark /> Pick list</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>

<style>
  .go {
    display: grid;
    justify-items: end;
    gap: 2px;
  }
  .there {
    display: block;
    width: 72px;
    height: 4px;
    border: 1px solid var(--ink-3);
  }
  .there i {
    display: block;
    height: 100%;
    background: var(--ink-2);
  }
</style>
