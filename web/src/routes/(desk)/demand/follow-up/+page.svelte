<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { signed } from '$lib/forecast/series';
  import FollowedPane from '$lib/follow-up/FollowedPane.svelte';
  import { FollowUpScreen, type Followed } from '$lib/follow-up/follow-up-screen.svelte';
  import MonthsStrip from '$lib/follow-up/MonthsStrip.svelte';
  import { count, money } from '$lib/format';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new FollowUpScreen();
  const { list } = screen;
  const BUCKETS = [
    ['MONTH', 'months'],
    ['WEEK', 'weeks'],
    ['DAY', 'days']
  ] as const;
</script>

<svelte:head><title>Follow-up · Rescient</title></svelte:head>

{#snippet row(s: Followed)}
  <ListRow {list} key={s.key} id="series" columns={screen.columns} onopen={() => screen.open(s.key)}>
    <span class="what">
      <span class="name"><b>{s.item}</b> {s.itemName !== s.item ? s.itemName : ''}</span>
      <span class="where"
        >{s.siteName} · {count(s.lines.length, 'bucket')}, {s.bias > 0 ? 'too little' : 'too much'} expected</span
      >
    </span>
    <span class="num"
      >{s.missed === null || s.missed === undefined ? '–' : money(s.missed, screen.currency)}</span
    >
    <span class="num">{s.mase.toFixed(2)}</span>
    <span class="num" class:short={s.look}>{signed(s.signal, (n) => n.toFixed(1))}</span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Follow-up"
  filters="item, name or site"
  query={screen.windows.query}
  reading="Looking back …"
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
  {#snippet chips()}
    <span class="flex gap-1" role="group" aria-label="Buckets">
      {#each BUCKETS as [code, name] (code)}
        <button
          type="button"
          class="chip"
          class:font-bold={screen.bucket === code}
          aria-pressed={screen.bucket === code}
          onclick={() => screen.inBuckets(code)}>{name}</button
        >
      {/each}
    </span>
    <label class="flex items-center gap-1"
      >forecast <select
        class="field"
        value={screen.lag === undefined ? '' : String(screen.lag)}
        onchange={(e) =>
          screen.before(e.currentTarget.value === '' ? undefined : Number(e.currentTarget.value))}
      >
        <option value="">last before it</option>
        {#each screen.lags as lag (lag)}<option value={String(lag)}
            >{lag === 0 ? 'within it' : `${lag} before`}</option
          >{/each}
      </select></label
    >
    <button
      type="button"
      class="chip"
      class:font-bold={screen.off}
      aria-pressed={screen.off}
      onclick={() => screen.filter('off', screen.off ? undefined : 'true')}
      >running away {screen.windows.any?.off ?? 0} <Key name="o" /></button
    >
  {/snippet}
  {#snippet detail()}
    {#if screen.months.length > 0}
      <div class="px-5 pt-3">
        <MonthsStrip months={screen.months} today={screen.today} currency={screen.currency} />
      </div>
    {/if}
    {#if screen.here}<FollowedPane {screen} row={screen.here} />
    {:else}<p class="p-6 text-ink-2">Choose a series to see what was expected of it and what came.</p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap"
      >{count(screen.windows.total, 'series', 'series')}
      {screen.windows.any?.set ? `of ${screen.windows.any.set}` : ''}</span
    >
    <Fetching {screen} />
    <button type="button" class="bar-action" onclick={() => screen.curve()}
      ><Key name="v" dark /> Its curve</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
