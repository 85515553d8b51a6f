<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { ForecastScreen } from '$lib/forecast/forecast-screen.svelte';
  import SeriesPane from '$lib/forecast/SeriesPane.svelte';
  import { changeOf, percent, type Series } from '$lib/forecast/series';
  import { count, quantity } from '$lib/format';
  import DecidePane from '$lib/plan/DecidePane.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new ForecastScreen();
  const { list } = screen;
</script>

<svelte:head><title>{screen.item || 'Forecast'} · Rescient</title></svelte:head>

{#snippet row(s: Series)}
  <ListRow {list} key={s.key} id="series" columns={screen.columns} onopen={() => screen.open(s.key)}>
    <span class="what">
      <span class="name"><b>{s.item}</b> {s.itemName !== s.item ? s.itemName : ''}</span>
      <span class="where">{s.siteName} · {s.methodTitle}</span>
    </span>
    <span class="num">{quantity(s.nextYear)} <small>{s.unit}</small></span>
    <span class="num">{percent(changeOf(s))}</span>
    <span class="num">{s.mase === null || s.mase === undefined ? '–' : s.mase.toFixed(2)}</span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Forecast"
  filters="item, name, site or method"
  query={screen.windows.query}
  reading="Forecasting …"
  empty={screen.empty}
  rows={list.places}
  size={() => 37}
  key={(s) => s.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `series-${screen.opened}`}
  open={(s) => screen.open(s.key)}
  list="minmax(430px, 470px)"
  columns={screen.columns}
  sort={screen.sort}
  onsort={(sort) => screen.filter('sort', sort)}
  onsight={(first, last) => screen.windows.see(first, last)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}
  {#snippet detail()}
    {#if screen.deciding}
      {#key screen.deciding}
        <DecidePane
          bind:this={screen.pane}
          deciding={screen.deciding}
          orders={[]}
          sets={screen.sets.data?.names}
          today={screen.today}
          currency={screen.currency}
          onclose={() => screen.close()}
          onkept={(decision) => screen.wasKept(decision)}
          onagain={() => undefined}
        />
      {/key}
    {:else if screen.item}
      <SeriesPane {screen} />
    {:else}
      <p class="grid h-full place-content-center text-ink-2">Choose a series to see its curve.</p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap">{count(screen.windows.total, 'series', 'series')}</span>
    {#if screen.refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert"
        >{screen.refused}</span
      >
    {:else}<KeptLine last={screen.last} />{/if}
    <Fetching {screen} />
    <button type="button" class="bar-action" onclick={() => screen.keep()}
      ><Key name="e" dark /> Keep the forecast</button
    >
    <button type="button" class="bar-action" onclick={() => screen.nextMethod()}
      ><Key name="m" dark /> Next method</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
