<script lang="ts">
  import { count, quantity } from '$lib/format';
  import ItemActions from '$lib/items/ItemActions.svelte';
  import ItemFilters from '$lib/items/ItemFilters.svelte';
  import NewItem from '$lib/items/NewItem.svelte';
  import ManyPane from '$lib/items/ManyPane.svelte';
  import ItemViews from '$lib/items/ItemViews.svelte';
  import ItemSheet from '$lib/items/ItemSheet.svelte';
  import { ItemsScreen, type ItemRow } from '$lib/items/items-screen.svelte';
  import DecidePane from '$lib/plan/DecidePane.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new ItemsScreen();
  const { list } = screen;
  const deciding = $derived(screen.deciding);
</script>

<svelte:head><title>{screen.opened ?? 'Items'} · Rescient</title></svelte:head>

{#snippet row(item: ItemRow)}
  <ListRow {list} key={item.code} id="item" columns={screen.columns} onopen={() => screen.open(item.code)}>
    <b class="truncate" class:text-ink-3={item.retired}>{item.code}</b>
    <span class="truncate" class:text-ink-3={item.retired}>{item.name}</span>
    {#each screen.chosen as column (column)}
      {#if column === 'on_hand'}
        <span class="num"
          >{#if item.kind !== 'kit'}{quantity(item.onHand)} <small>{item.unit}</small>{/if}</span
        >
      {:else if column === 'cost'}
        <span class="num">{item.standardCost ? quantity(item.standardCost) : ''}</span>
      {:else if column === 'points'}
        <span class="num">{item.stockPoints}</span>
      {:else}
        <span class="truncate text-ink-2">{screen.text(item, column)}</span>
      {/if}
    {/each}
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Items"
  filters="code, name or group"
  query={screen.windows.query}
  reading="Reading the items …"
  empty={screen.empty}
  rows={list.places}
  size={() => 29}
  key={(i) => i.code}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `item-${screen.opened}`}
  open={(i) => screen.open(i.code)}
  list="minmax(440px, 500px)"
  columns={screen.columns}
  sort={screen.sort}
  onsort={(sort) => screen.filter('sort', sort)}
  onsight={(first, last) => screen.windows.see(first, last)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<ItemViews />{/snippet}
  {#snippet chips()}<ItemFilters {screen} />{/snippet}
  {#snippet detail()}
    {#if deciding}
      {#key deciding}
        <DecidePane
          bind:this={screen.pane}
          {deciding}
          orders={[]}
          today={screen.today}
          currency={screen.currency}
          onclose={() => screen.close()}
          onkept={(decision, done) => screen.wasKept(decision, done)}
          onagain={() => undefined}
        />
      {/key}
    {:else if screen.adding}
      <NewItem
        today={screen.today}
        currency={screen.currency}
        onclose={() => (screen.adding = false)}
        onkept={(decision, code) => screen.added(decision, code)}
      />
    {:else if screen.many}
      <ManyPane
        codes={screen.many}
        today={screen.today}
        currency={screen.currency}
        onclose={() => (screen.many = undefined)}
        onkept={(decision) => screen.wasKept(decision)}
      />
    {:else if screen.opened}
      {#key screen.opened}<ItemSheet screen={screen.item} />{/key}
    {:else}
      <p class="grid h-full place-content-center text-ink-2">
        Choose an item to see its stock points and its bill of materials.
      </p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span data-testid="selection">
      {#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.windows.total, 'item')}
    </span>
    <ItemActions {screen} />
  {/snippet}
</Place>
