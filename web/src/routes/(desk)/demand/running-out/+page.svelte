<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { count, longDate, quantity, shortDate } from '$lib/format';
  import { RunningOutScreen, type Out } from '$lib/running-out/running-out-screen.svelte';
  import OutPane from '$lib/running-out/OutPane.svelte';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new RunningOutScreen();
  const { list } = screen;
</script>

<svelte:head><title>Running out · Rescient</title></svelte:head>

{#snippet row(r: Out)}
  <ListRow {list} key={r.key} id="point" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what">
      <span class="name"><b>{r.item}</b> {r.itemName !== r.item ? r.itemName : ''}</span>
      <span class="where"
        >{r.siteName}{#if r.supplierName}
          · {r.supplierName}{#if r.others > 0}, {r.others} more{/if}{:else}
          · {r.source}{/if}</span
      >
    </span>
    <span class="num">{quantity(r.missing)} <small>{r.unit}</small></span>
    <span class="num" class:short={r.late !== null && r.late !== undefined} title={longDate(r.out)}
      >{shortDate(r.out, screen.today)}
      {#if r.late}<span class="badge" title="the first planned order comes so many days too late"
          >+{r.late}</span
        >{/if}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Running out"
  filters="item, name, site or supplier"
  query={screen.windows.query}
  reading="Looking ahead …"
  empty={screen.empty}
  rows={list.places}
  size={() => 37}
  key={(r) => r.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `point-${screen.opened}`}
  open={(r) => screen.open(r.key)}
  list="minmax(430px, 470px)"
  columns={screen.columns}
  onsight={(first, last) => screen.windows.see(first, last)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}
  {#snippet chips()}
    {#if screen.supplier}<button
        type="button"
        class="chip"
        onclick={() => screen.filter('supplier', undefined)}>of {screen.supplier} ×</button
      >{/if}
  {/snippet}
  {#snippet detail()}
    {#if screen.here}<OutPane {screen} />
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose a row to see when it runs out.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="selection"
      >{#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.windows.total, 'stock point')} that {screen.windows.total === 1 ? 'runs' : 'run'} out</span
    >
    {#if screen.refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert"
        >{screen.refused}</span
      >{/if}
    <Fetching {screen} />
    <button type="button" class="bar-action" onclick={() => screen.release()}
      ><Key name="r" dark /> Release what brings it</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
