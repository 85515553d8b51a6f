<script lang="ts">
  import { countShown, longDate, quantity, shortDate } from '$lib/format';
  import DuePane from '$lib/stock/DuePane.svelte';
  import { DueScreen, type Due } from '$lib/stock/due-screen.svelte';
  import PostedLine from '$lib/stock/PostedLine.svelte';
  import StockViews from '$lib/stock/StockViews.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new DueScreen();
  const { list } = screen;
</script>

<svelte:head><title>Coming in · Rescient</title></svelte:head>

{#snippet row(r: Due)}
  <ListRow {list} key={r.key} id="line" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what"
      ><span class="name"><b>{r.number}</b></span><span class="where">{r.siteName}</span></span
    >
    <span class="what">
      <span class="name"><b>{r.item}</b> {r.itemName !== r.item ? r.itemName : ''}</span>
      <span class="where">{r.supplierName ?? ''}</span>
    </span>
    <span class="num">{quantity(r.open)} <small>{r.unit}</small></span>
    <span class="num" class:short={r.late !== null && r.late !== undefined} title={longDate(r.due)}
      >{shortDate(r.due, screen.today)}
      {#if r.late}<span class="badge" title="so many days late">+{r.late}</span>{/if}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Coming in"
  filters="order, item, supplier or site"
  query={screen.rows}
  reading="Looking what is to come …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 37}
  key={(r) => r.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `line-${screen.opened}`}
  open={(r) => screen.open(r.key)}
  list="minmax(520px, 580px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<StockViews />{/snippet}
  {#snippet chips()}
    {#if screen.supplier}<button
        type="button"
        class="chip"
        onclick={() => screen.filter('supplier', undefined)}>of {screen.supplier} ×</button
      >{/if}
  {/snippet}
  {#snippet detail()}<DuePane {screen} />{/snippet}
  {#snippet actions()}
    <span data-testid="selection">
      {#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {countShown(screen.rows.data, 'line')} to come
    </span>
    <PostedLine posting={screen.posting} />
    <button type="button" class="bar-action" onclick={() => screen.receive()}
      ><Key name="r" dark /> Receive what is selected</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
