<script lang="ts">
  import { count } from '$lib/format';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';
  import { untrack } from 'svelte';
  import DataViews from './DataViews.svelte';
  import RowSheet from './RowSheet.svelte';
  import { TableScreen, type Shown } from './table-screen.svelte';
  import type { Cells } from './tables';
  import type { DataView } from './views';

  /** A view of one table: its rows on the left, one of them on its sheet. */
  interface Props {
    shown: Shown;
    title: string;
    views: DataView[];
    label: string;
  }
  let { shown, title, views: all, label }: Props = $props();
  const screen = untrack(() => new TableScreen(shown));
  const { list } = screen;
</script>

<svelte:head><title>{screen.opened ?? title} · Rescient</title></svelte:head>

{#snippet row(cells: Cells)}
  {@const code = cells['code'] ?? ''}
  <ListRow {list} key={code} id="row" columns={screen.columns} onopen={() => screen.open(code)}>
    <b class="truncate" class:text-ink-3={cells['retired'] === 'true'}>{code}</b>
    <span class="truncate">{cells['name'] ?? ''}</span>
    {#each shown.list as column (column)}<span class="truncate text-ink-2">{screen.text(cells, column)}</span
      >{/each}
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  {title}
  filters="what stands in the row"
  query={screen.windows.query}
  reading="Reading …"
  empty={screen.empty}
  rows={list.places}
  onsight={(first, last) => screen.windows.see(first, last)}
  size={() => 29}
  key={(r) => r['code'] ?? ''}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `row-${screen.opened}`}
  open={(r) => screen.open(r['code'])}
  list="minmax(360px, 440px)"
  columns={screen.columns}
  sort={screen.sort}
  onsort={(sort) => screen.filter('sort', sort)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={all} {label} />{/snippet}
  {#snippet detail()}<RowSheet {screen} />{/snippet}
  {#snippet actions()}
    <span data-testid="selection">
      {#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.windows.total, shown.one)}
    </span>
    <KeptLine last={screen.last} />
    <Fetching {screen} />
    {#if screen.may(shown.table)}<button type="button" class="bar-action" onclick={() => screen.add()}
        ><Key name="n" dark /> New {shown.one}</button
      >{/if}
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
