<script lang="ts">
  import { countShown, quantity } from '$lib/format';
  import ItemPane from '$lib/items/ItemPane.svelte';
  import { ItemsScreen, type ItemRow } from '$lib/items/items-screen.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new ItemsScreen();
  const { list } = screen;
  const KINDS = ['stocked', 'kit', 'phantom'].map((k) => ({ code: k, name: k }));
</script>

<svelte:head><title>{screen.opened ?? 'Items'} · Rescient</title></svelte:head>

{#snippet row(item: ItemRow)}
  <ListRow {list} key={item.code} id="item" columns={screen.columns} onopen={() => screen.open(item.code)}>
    <b class="truncate">{item.code}</b>
    <span class="truncate">{item.name}</span>
    <span class="truncate text-ink-2">{item.kind === 'stocked' ? (item.group ?? '') : item.kind}</span>
    <span class="num"
      >{#if item.kind !== 'kit'}{quantity(item.onHand)} <small>{item.unit}</small>{/if}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Items"
  filters="code, name or group"
  query={screen.rows}
  reading="Reading the items …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 29}
  key={(i) => i.code}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `item-${screen.opened}`}
  open={(i) => screen.open(i.code)}
  list="minmax(440px, 560px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet chips()}
    <Chooser name="Kind" value={screen.kind} choices={KINDS} onchoose={(v) => screen.filter('kind', v)} />
  {/snippet}
  {#snippet detail()}
    {#if screen.opened}
      <ItemPane
        code={screen.opened}
        today={screen.plan.data?.today ?? ''}
        currency={screen.plan.data?.currency ?? 'EUR'}
      />
    {:else}
      <p class="grid h-full place-content-center text-ink-2">
        Choose an item to see its stock points and its bill of materials.
      </p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span data-testid="selection">
      {#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {countShown(screen.rows.data, 'item')}
    </span>
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
