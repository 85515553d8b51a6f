<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { ForecastScreen } from '$lib/forecast/forecast-screen.svelte';
  import RunsPane from '$lib/forecast/RunsPane.svelte';
  import SetsPane from '$lib/forecast/SetsPane.svelte';
  import SeriesPane from '$lib/forecast/SeriesPane.svelte';
  import { BY, changeOf, percent, signed, type Series } from '$lib/forecast/series';
  import { count, money, quantity } from '$lib/format';
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
      <span class="name"
        ><b>{s.item}</b>
        {#if s.odd > 0}<span
            class="odd"
            title="{count(s.odd, 'month')} that {s.odd === 1 ? 'is' : 'are'} not usual">{s.odd}</span
          >{/if}
        {s.itemName !== s.item ? s.itemName : ''}</span
      >
      <span class="where">{s.siteName} · {s.methodTitle}{s.chosen ? ', as was chosen' : ''}</span>
    </span>
    <span class="num"
      >{s.value === null || s.value === undefined
        ? '–'
        : money(Math.round(s.value), screen.currency).replace(/[.,]00$/, '')}</span
    >
    <span class="num">{quantity(s.nextYear)} <small>{s.unit}</small></span>
    <span class="num">{percent(changeOf(s))}</span>
    <span class="num">{s.mase === null || s.mase === undefined ? '–' : s.mase.toFixed(2)}</span>
    <span class="num"
      >{s.bias === null || s.bias === undefined ? '–' : signed(s.bias, (n) => n.toFixed(2))}</span
    >
    <span class="num" class:short={Math.abs(s.signal ?? 0) > 4}
      >{s.signal === null || s.signal === undefined ? '–' : signed(s.signal, (n) => n.toFixed(1))}</span
    >
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
  list="minmax(560px, 590px)"
  columns={screen.columns}
  sort={screen.sort}
  onsort={(sort) => screen.filter('sort', sort)}
  onsight={(first, last) => screen.windows.see(first, last)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}
  {#snippet chips()}
    <span class="flex gap-1" role="group" aria-label="Seen by">
      {#each BY as by (by.name)}
        <button
          type="button"
          class="chip"
          class:font-bold={screen.by === (by.code ?? undefined)}
          aria-pressed={screen.by === (by.code ?? undefined)}
          onclick={() => screen.seenBy(by.code ?? undefined)}>{by.name}</button
        >
      {/each}
    </span>
    {#if !screen.by}
      <button
        type="button"
        class="chip whitespace-nowrap"
        aria-pressed={screen.only === 'off'}
        class:font-bold={screen.only === 'off'}
        title="The tracking signal lies beyond 4: they run away to one side"
        onclick={() => screen.filter('only', screen.only === 'off' ? undefined : 'off')}
        >running away {screen.windows.any?.off ?? 0}</button
      >
      <button
        type="button"
        class="chip whitespace-nowrap"
        aria-pressed={screen.only === 'new'}
        class:font-bold={screen.only === 'new'}
        title="Nothing was shipped of them yet"
        onclick={() => screen.filter('only', screen.only === 'new' ? undefined : 'new')}>new</button
      >
      <button
        type="button"
        class="chip whitespace-nowrap"
        aria-pressed={screen.only === 'odd'}
        class:font-bold={screen.only === 'odd'}
        title="Some of their months lie far from all around and count all the same"
        onclick={() => screen.filter('only', screen.only === 'odd' ? undefined : 'odd')}>odd</button
      >
    {/if}
  {/snippet}
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
    {:else if screen.side === 'sets'}
      <SetsPane {screen} />
    {:else if screen.side === 'runs'}
      <RunsPane {screen} />
    {:else if screen.opened}
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
    <button type="button" class="bar-action" onclick={() => screen.beside('sets')}
      ><Key name="t" dark /> Sets</button
    >
    <button type="button" class="bar-action" onclick={() => screen.beside('runs')}
      ><Key name="b" dark /> Forecast all</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>

<style>
  .odd {
    display: inline-block;
    min-width: 15px;
    padding: 0 3px;
    border: 1px solid var(--ink-2);
    border-radius: 8px;
    font-size: 11px;
    line-height: 13px;
    text-align: center;
  }
</style>
