<script lang="ts">
  import { flushSync } from 'svelte';
  import { formats } from '$lib/formats.svelte';
  import { createQueries, createQuery } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { goto } from '$app/navigation';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { wordsInAddress } from '$lib/filter-words.svelte';
  import { count, date } from '$lib/format';
  import { halfTyped } from '$lib/half-typed.svelte';
  import { cameBack, whenLeft } from '$lib/left.svelte';
  import { rights } from '$lib/rights.svelte';
  import { pointHref, pointThreadHref } from '$lib/links';
  import PeriodSheets from '$lib/periods/PeriodSheets.svelte';
  import PeriodTable from '$lib/periods/PeriodTable.svelte';
  import {
    isMain,
    moving,
    pointKey,
    pointOf,
    rowsOf,
    SCALES,
    type Detail,
    type GridRow
  } from '$lib/periods/periods';
  import ChangeBelow from '$lib/plan/ChangeBelow.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { LastDecision } from '$lib/plan/last-decision.svelte';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import type { Deciding } from '$lib/plan/command';
  import { trial } from '$lib/trial.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Slip from '$lib/ui/Slip.svelte';
  import { save } from '$lib/ui/export';

  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const today = $derived(plan.data?.today ?? '');
  const scale = $derived(fromAddress('scale') ?? 'mixed');
  const short = $derived(fromAddress('short') !== undefined);
  const goodsFirst = $derived(fromAddress('goods') !== 'last');
  const was = cameBack<{
    words: string;
    cursor: string | undefined;
    column: number;
    open: string[];
    components: string[];
  }>();
  let words = $state(was?.words ?? '');
  wordsInAddress(
    () => words,
    (said) => (words = said)
  );
  let box = $state<HTMLInputElement>();

  /** Asked of the server only where there is more than it sends at once. */
  let asked = $state('');
  const grid = createQuery(() => ({
    queryKey: ['plan', 'periods', scale, asked, formats.now.week],
    queryFn: () => answer(api.GET('/api/plan/periods', { params: { query: { scale, words: asked } } })),
    placeholderData: (before) => before
  }));
  $effect(() => {
    const next = words;
    if (!grid.data || (grid.data.total <= grid.data.rows.length && asked === '')) return;
    const timer = setTimeout(() => (asked = next.trim()), 250);
    return () => clearTimeout(timer);
  });

  /** Rows that are open, and those whose components stand under them. */
  const open = new SvelteSet<string>(was?.open);
  const components = new SvelteSet<string>(was?.components);
  const wanted = $derived([...new Set([...open, ...components].map((key) => pointKey(pointOf(key))))]);
  const details = createQueries(() => ({
    queries: wanted.map((key) => {
      const { item, site } = pointOf(key);
      return {
        queryKey: ['plan', 'period-detail', scale, item, site, formats.now.week],
        queryFn: () =>
          answer(api.GET('/api/plan/periods/stock-point', { params: { query: { item, site, scale } } })),
        placeholderData: (before: Detail | undefined) => before
      };
    })
  }));
  const known = $derived(
    new Map(details.flatMap((d) => (d.data ? [[pointKey(d.data.row), d.data] as const] : [])))
  );
  const rows = $derived(rowsOf(grid.data?.rows ?? [], known, { words, short, goodsFirst, open, components }));
  const periods = $derived(grid.data?.periods ?? []);

  let cursor = $state<string | undefined>(was?.cursor);
  let column = $state(was?.column ?? 0);
  const at = $derived(cursor === undefined ? -1 : rows.findIndex((r) => r.key === cursor));
  const here = $derived(rows[at]);
  /** Its components are asked for, and it has none. */
  const bare = $derived(
    here !== undefined && components.has(here.of) && known.get(pointKey(here.point))?.components.length === 0
  );
  let asking = $state(false);
  /** All rows and periods are drawn for paper. */
  let printing = $state(false);
  const slip = createQuery(() => ({
    queryKey: [
      'plan',
      'cell',
      scale,
      formats.now.week,
      here?.point.item,
      here?.point.site,
      periods[column]?.start,
      here?.kind
    ],
    queryFn: () =>
      answer(
        api.GET('/api/plan/periods/cell', {
          params: {
            query: {
              item: here?.point.item ?? '',
              site: here?.point.site ?? '',
              date: periods[column]?.start ?? '',
              kind: here?.kind ?? 'BALANCE',
              scale
            }
          }
        })
      ),
    enabled: asking && here !== undefined && periods[column] !== undefined,
    placeholderData: (before) => before
  }));

  let change = $state.raw<Deciding | undefined>(halfTyped<Deciding>('decision'));
  const last = new LastDecision();
  let refused = $state<string | undefined>();
  let pane = $state<ReturnType<typeof ChangeBelow> | undefined>();
  // asked for early, so that the pane of a decision knows its orders at once
  createQuery(() => ({
    queryKey: ['plan', 'orders'],
    queryFn: () => answer(api.GET('/api/plan/orders')),
    enabled: grid.isSuccess
  }));

  function decide(next: Deciding | undefined) {
    if (!next) return;
    if (trial.on || !rights.decides(next.kind)) {
      refused = trial.on ? trial.refusal : rights.refusal(next.kind);
      return;
    }
    refused = undefined;
    asking = false;
    change = next;
  }

  function move(row: GridRow, from: number, to: number) {
    const a = periods[from];
    const b = periods[to];
    if (a && b) decide(moving(row.orders?.[from] ?? [], a, b, today));
  }

  // the first row is the one that keys act on until another is chosen
  $effect(() => {
    if (cursor === undefined && rows[0]) cursor = rows[0].key;
  });

  function point(row: number, col: number) {
    cursor = rows[row]?.key;
    column = col;
    change = undefined;
  }

  function step(by: number) {
    const next = at < 0 ? 0 : Math.max(0, Math.min(rows.length - 1, at + by));
    if (rows[next]) point(next, column);
  }

  function sideways(by: number) {
    column = Math.max(0, Math.min(periods.length - 1, column + by));
  }

  function toggle(set: SvelteSet<string>, row: GridRow | undefined) {
    const key = row?.of;
    if (key === undefined) return;
    if (!set.delete(key)) set.add(key);
    cursor = key;
  }

  function mine(): Deciding | undefined {
    const keys = here?.orders?.[column] ?? [];
    return keys.length > 0 ? { kind: 'CHANGE', orders: keys } : undefined;
  }

  function changeHere() {
    const orders = mine();
    if (orders) decide(orders);
    else if (here)
      refused = isMain(here)
        ? 'Orders are changed in the rows of their receipts: o opens this one.'
        : 'No order that can be changed is received in this row and period.';
  }

  function escape() {
    if (change) change = undefined;
    else if (asking) asking = false;
    else refused = undefined;
  }

  async function sheet() {
    const shown = rows.filter(isMain);
    const { data } = await api.POST('/api/plan/periods/sheet', {
      body: {
        scale,
        rows: shown.map((r) => ({ item: r.point.item, site: r.point.site, open: open.has(r.key) }))
      },
      parseAs: 'blob'
    });
    if (data) save('periods.xlsx', data as unknown as Blob);
    else refused = 'The sheet could not be made; try again.';
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'Escape') words = '';
    if (event.key === 'Escape' || event.key === 'Enter') box?.blur();
  }

  const why = () => {
    change = undefined;
    asking = here !== undefined;
  };

  whenLeft(() => ({
    words,
    cursor,
    column,
    open: [...open],
    components: [...components]
  }));
  $effect(() =>
    shortcuts.register('periods', [
      { keys: 'j, ArrowDown', says: 'Next row', run: () => step(1) },
      { keys: 'k, ArrowUp', says: 'Row before', run: () => step(-1) },
      { keys: 'ArrowRight', says: 'Next period', run: () => sideways(1) },
      { keys: 'ArrowLeft', says: 'Period before', run: () => sideways(-1) },
      { keys: 'o', says: 'Open the row: what flows', run: () => toggle(open, here) },
      { keys: 'c', says: 'Its components under it', run: () => toggle(components, here) },
      { keys: 'w, Enter', says: 'Why this figure', run: () => (change ? pane?.keep() : why()) },
      { keys: 'e', says: 'Change the planned orders of this period', run: changeHere },
      { keys: 't', says: 'Thread of the stock point', run: toThread },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => void last.takeBack() },
      { keys: 'E', says: 'Save the table as XLSX', also: 'export', run: () => void sheet() },
      { keys: '/', says: 'Filter the rows', run: () => box?.focus() },
      { keys: 'Escape', says: 'Back', run: escape }
    ])
  );

  function toThread() {
    if (here) void goto(pointThreadHref(here.point.item, here.point.site));
  }
</script>

<svelte:head><title>Periods · Rescient</title></svelte:head>

<svelte:window
  onbeforeprint={() => flushSync(() => (printing = true))}
  onafterprint={() => (printing = false)}
/>
{#if printing}<PeriodSheets {rows} {periods} {today} />{/if}
<div class="place no-print grid h-full grid-rows-[42px_minmax(0,1fr)_44px]">
  <div class="wraps no-print flex items-center gap-2 border-b border-line px-4">
    <h1 class="sr-only">Periods</h1>
    <PlanViews />
    <label class="chip"
      ><span class="text-ink-3">in</span>
      <select
        aria-label="Length of the periods"
        value={scale}
        onchange={(e) =>
          toAddress({ scale: e.currentTarget.value === 'mixed' ? undefined : e.currentTarget.value })}
      >
        {#each SCALES as s (s)}<option value={s}>{s === 'mixed' ? 'days, weeks, months' : s}</option>{/each}
      </select>
    </label>
    <button
      type="button"
      class="chip"
      aria-pressed={!goodsFirst}
      title="Finished goods before or behind what they are made of"
      onclick={() => toAddress({ goods: goodsFirst ? 'last' : undefined })}
      >finished goods <b>{goodsFirst ? 'first' : 'last'}</b></button
    >
    <button
      type="button"
      class="chip"
      aria-pressed={short}
      class:font-bold={short}
      title="Only what falls below zero or its safety stock, or waits for what comes late"
      onclick={() => toAddress({ short: short ? undefined : 'only' })}>short only</button
    >
    <label class="chip">
      <span class="sr-only">Filter by item, name or site</span>
      <input
        bind:this={box}
        bind:value={words}
        class="w-[124px] bg-transparent outline-none"
        placeholder="filter"
        onkeydown={keydown}
      />
      <Key name="/" />
    </label>
    <p class="ml-auto flex items-center gap-4 text-sm text-ink-2" aria-hidden="true">
      <span class="flex items-center gap-1.5"><span class="mark zero"></span>below zero</span>
      <span class="flex items-center gap-1.5"><span class="mark low"></span>below safety stock</span>
      <span class="flex items-center gap-1.5"
        ><b class="text-[10px] text-vermilion">late</b>supplies come later</span
      >
    </p>
  </div>
  <div
    class="place-table grid min-h-0"
    style:grid-template-rows="minmax(0, 1fr) {asking || change ? 'minmax(0, 46%)' : '0'}"
  >
    {#if grid.isPending}
      <p class="p-4 text-ink-2">Adding up the periods …</p>
    {:else if grid.isError}
      <div class="p-4" role="alert">
        <p>{grid.error.message}</p>
        <button class="plain-action mt-2" onclick={() => grid.refetch()}>Try again</button>
      </div>
    {:else if rows.length === 0}
      <p class="p-4 text-ink-2">
        {grid.data.total === 0 && asked === ''
          ? 'There are no stock points yet.'
          : short
            ? 'Nothing here falls below zero or its safety stock.'
            : 'No stock point fits this filter.'}
      </p>
    {:else}
      <PeriodTable
        {rows}
        {periods}
        {today}
        {at}
        {column}
        {open}
        {components}
        onpoint={point}
        onwhy={why}
        onopen={(row) => toggle(open, row)}
        oncomponents={(row) => toggle(components, row)}
        onmove={move}
      />
    {/if}
    {#if change}
      <ChangeBelow
        bind:this={pane}
        {change}
        {today}
        currency={plan.data?.currency ?? 'EUR'}
        onclose={() => (change = undefined)}
        onkept={(decision) => last.keep(decision)}
        onagain={(again) => (change = again)}
      />
    {:else if asking}
      <div class="min-h-0 overflow-auto border-t border-ink px-5 py-3" data-testid="why">
        {#if slip.isError}<p role="alert">{slip.error.message}</p>
        {:else if slip.data && here}
          <div class="flex items-start gap-6">
            <div class="w-[440px]"><Slip slip={slip.data} {today} /></div>
            <div class="pt-1">
              <h2 class="text-xl">
                {here.point.item} <span class="font-normal">{here.point.itemName}</span>
              </h2>
              <p class="text-ink-2">{here.point.siteName}</p>
              <p class="mt-2 flex gap-2">
                <a class="plain-action" href={pointHref(here.point.item, here.point.site)}>Stock line</a>
                <button type="button" class="plain-action" onclick={toThread}>Thread <Key name="t" /></button>
                <button type="button" class="plain-action" onclick={escape}>Close <Key name="Esc" /></button>
              </p>
            </div>
          </div>
        {/if}
      </div>
    {/if}
  </div>
  <div
    role="toolbar"
    tabindex="-1"
    aria-label="Actions"
    class="place-actions wraps no-print flex items-center gap-5 bg-bar px-4 text-bar-text"
  >
    <span class="whitespace-nowrap" data-testid="selection">
      {count(rows.filter((r) => r.depth === 0 && isMain(r)).length, 'stock point')}
      {#if grid.data && grid.data.total > grid.data.rows.length}<b
          >of {grid.data.total}; filter to see the others</b
        >{/if}
    </span>
    {#if refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert">{refused}</span>
    {:else if last.busy || last.kept || last.said}<KeptLine {last} />
    {:else if bare && here}<span class="min-w-0 flex-1 truncate" role="status"
        >{here.point.item} is made of nothing at {here.point.siteName}: it has no components there.</span
      >{/if}
    {#if here}
      <span class="whitespace-nowrap">{here.point.item}, {date(periods[column]?.start ?? today, today)}</span>
    {/if}
    {#each [{ key: 'w', name: 'Why', run: why }, { key: 'o', name: 'Open', run: () => toggle(open, here) }, { key: 'c', name: 'Components', run: () => toggle(components, here) }, { key: 'e', name: 'Change', run: changeHere }] as action (action.key)}
      <button
        type="button"
        class="flex items-center gap-1.5 whitespace-nowrap disabled:opacity-50"
        disabled={action.key === 'e' ? mine() === undefined : here === undefined}
        onclick={action.run}><Key name={action.key} dark /> {action.name}</button
      >
    {/each}
    <button type="button" class="ml-auto whitespace-nowrap" disabled={rows.length === 0} onclick={sheet}
      >Save as XLSX</button
    >
  </div>
</div>

<style>
  .mark {
    width: 16px;
    height: 12px;
  }
  .zero {
    background: repeating-linear-gradient(45deg, var(--vermilion) 0 1px, transparent 1px 4px);
  }
  .low {
    box-shadow: inset 0 -2px 0 color-mix(in srgb, var(--vermilion) 65%, transparent);
  }
</style>
