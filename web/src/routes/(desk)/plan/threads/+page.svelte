<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { goto } from '$app/navigation';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { count, said } from '$lib/format';
  import { halfTyped } from '$lib/half-typed.svelte';
  import { cameBack, whenLeft } from '$lib/left.svelte';
  import { rights } from '$lib/rights.svelte';
  import { hrefOf, threadHref } from '$lib/links';
  import ChangeBelow from '$lib/plan/ChangeBelow.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { LastDecision } from '$lib/plan/last-decision.svelte';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import type { Deciding } from '$lib/plan/command';
  import PromiseLine from '$lib/threads/PromiseLine.svelte';
  import ThreadChart from '$lib/threads/ThreadChart.svelte';
  import { deepest, lateness, linesOf, visible, type Bar, type Line } from '$lib/threads/threads';
  import { trial } from '$lib/trial.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const promises = createQuery(() => ({
    queryKey: ['plan', 'promises'],
    queryFn: () => answer(api.GET('/api/plan/threads/customer-orders')),
    placeholderData: (before) => before
  }));
  const today = $derived(plan.data?.today ?? '');
  const was = cameBack<{ words: string; cursor: number; folded: number[] }>();
  let words = $state(was?.words ?? '');
  const late = $derived(fromAddress('late') !== undefined);
  const gathered = $derived(fromAddress('by') === 'culprit');
  const lines = $derived(linesOf(promises.data ?? [], { words, late, gathered }));
  const number = $derived(fromAddress('number'));
  const order = $derived(fromAddress('order'));
  const item = $derived(fromAddress('item'));
  const site = $derived(fromAddress('site'));
  const asked = $derived(number !== undefined || order !== undefined || (item && site) ? true : false);
  const line = $derived(fromAddress('line'));

  const thread = createQuery(() => ({
    queryKey: ['plan', 'thread', number, order, item, site],
    queryFn: () =>
      number !== undefined
        ? answer(api.GET('/api/plan/threads/customer-order', { params: { query: { number } } }))
        : order !== undefined
          ? answer(api.GET('/api/plan/threads/order', { params: { query: { key: order } } }))
          : answer(
              api.GET('/api/plan/threads/stock-point', {
                params: { query: { item: item ?? '', site: site ?? '' } }
              })
            ),
    enabled: asked,
    placeholderData: (before) => before
  }));
  const bars = $derived(thread.data?.bars ?? []);
  const depth = $derived(deepest(bars));
  const deciding = $derived(fromAddress('chain') !== undefined);
  const levels = $derived(Number(fromAddress('levels') ?? depth));
  const folded = new SvelteSet<number>(was?.folded);
  const shown = $derived(visible(bars, { deciding, levels, folded }));
  let cursor = $state(was?.cursor ?? 0);
  const here = $derived(shown.find((p) => p.at === cursor)?.bar);
  // what waits for the order that was asked for stands above it
  const askedAt = $derived(Math.max(0, order ? bars.findIndex((b) => b.key === order) : 0));
  let back = was !== undefined;
  $effect(() => {
    // another thread is read from its top, or from the order that was asked for
    void [number, order, item, site, askedAt];
    if (back) {
      back = false;
      return;
    }
    cursor = askedAt;
    folded.clear();
  });

  const at = $derived(
    lines.findIndex(
      (l) => 'promise' in l && l.promise.number === number && (!line || l.promise.line === line)
    )
  );
  const promise = $derived.by(() => {
    const found = lines[at];
    return found && 'promise' in found ? found.promise : undefined;
  });

  let change = $state.raw<Deciding | undefined>(halfTyped<Deciding>('decision'));
  const last = new LastDecision();
  let refused = $state<string | undefined>();
  let pane = $state<ReturnType<typeof ChangeBelow> | undefined>();
  // asked for early, so that the pane of a decision knows its orders at once
  createQuery(() => ({
    queryKey: ['plan', 'orders'],
    queryFn: () => answer(api.GET('/api/plan/orders')),
    enabled: asked
  }));
  let frame = $state<ReturnType<typeof Place>>();

  function decide(bar: Bar | undefined, due?: string) {
    if (!bar?.key || (bar.kind !== 'planned' && bar.kind !== 'open')) return;
    if (trial.on || !rights.decides('CHANGE')) {
      refused = trial.on ? trial.refusal : rights.refusal('CHANGE');
      return;
    }
    refused = undefined;
    change = { kind: 'CHANGE', orders: [bar.key], form: due ? { due } : {} };
  }

  function enter() {
    if (trial.on) refused = trial.refusal;
    else if (!rights.decides('ENTER')) refused = rights.refusal('ENTER');
    else change = { kind: 'ENTER', orders: [] };
  }

  function choose(l: Line | undefined) {
    if (l && 'promise' in l)
      void toAddress({
        number: l.promise.number,
        line: l.promise.line,
        order: undefined,
        item: undefined,
        site: undefined
      });
  }

  /** With the first that is late, or else the first of all. */
  function begin() {
    const promised = lines.filter((l) => 'promise' in l);
    choose(promised.find((l) => l.promise.late) ?? promised[0]);
  }

  function step(by: number) {
    let next = at < 0 ? (by > 0 ? 0 : -1) : at + by;
    while (lines[next] && !('promise' in (lines[next] as Line))) next += by;
    choose(lines[next]);
  }

  function along(by: number) {
    const now = shown.findIndex((p) => p.at === cursor);
    const next = shown[Math.max(0, Math.min(shown.length - 1, now + by))];
    if (next) cursor = next.at;
  }

  function fold(place: number) {
    if (!folded.delete(place)) folded.add(place);
  }

  function deeper(by: number) {
    const next = Math.max(0, Math.min(depth, levels + by));
    void toAddress({ levels: next === depth ? undefined : String(next) });
  }

  function chain() {
    void toAddress({ chain: deciding ? undefined : 'only' });
  }

  function open(bar: Bar | undefined) {
    if (bar?.link) void goto(hrefOf(bar.link));
  }

  function escape() {
    if (change) change = undefined;
    else if (refused) refused = undefined;
  }

  whenLeft(() => ({
    words,
    cursor,
    folded: [...folded]
  }));
  $effect(() =>
    shortcuts.register('threads', [
      { keys: 'j, ArrowDown', says: 'Next customer order', run: () => step(1) },
      { keys: 'k, ArrowUp', says: 'Customer order before', run: () => step(-1) },
      { keys: 'J', says: 'Next bar of the thread', run: () => along(1) },
      { keys: 'K', says: 'Bar before', run: () => along(-1) },
      { keys: 'o', says: 'Only the chain that decides, or all', run: chain },
      { keys: '-', says: 'One level less', run: () => deeper(-1) },
      { keys: '+', says: 'One level more', run: () => deeper(1) },
      { keys: 'z', says: 'Fold what the bar waits for', run: () => fold(cursor) },
      { keys: 'w, Enter', says: 'To the slip of the bar', run: () => (change ? pane?.keep() : open(here)) },
      { keys: 'e', says: 'Change the bar’s order', run: () => decide(here) },
      { keys: 'n', says: 'Enter a customer order', run: enter },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => void last.takeBack() },
      { keys: 'b', says: 'Gather by what makes late', run: gather },
      { keys: '/', says: 'Filter the list', run: () => frame?.focusFilter() },
      { keys: 'Escape', says: 'Back', run: escape }
    ])
  );

  function gather() {
    void toAddress({ by: gathered ? undefined : 'culprit' });
  }
</script>

<svelte:head><title>Threads · Rescient</title></svelte:head>

{#snippet entry(l: Line)}
  {#if 'head' in l}
    <div class="flex items-end gap-2 px-3 pb-1.5" style="height: 100%">
      <span class="title truncate text-[13px]">{l.name}</span>
      <span class="whitespace-nowrap text-vermilion">makes {count(l.count, 'order')} late</span>
    </div>
  {:else}
    <PromiseLine
      promise={l.promise}
      {today}
      here={l.promise.number === number && (!line || l.promise.line === line)}
      onopen={() => choose(l)}
    />
  {/if}
{/snippet}

{#snippet below(what: Deciding)}
  <ChangeBelow
    bind:this={pane}
    change={what}
    {today}
    currency={plan.data?.currency ?? 'EUR'}
    onclose={() => (change = undefined)}
    onkept={(decision) => last.keep(decision)}
    onagain={(again) => (change = again)}
  />
{/snippet}

<Place
  bind:this={frame}
  bind:words
  title="Threads"
  filters="number, customer, item or what makes it late"
  query={promises}
  reading="Reading the plan …"
  empty={promises.data && promises.data.length === 0
    ? 'There are no open customer orders.'
    : late || gathered
      ? 'No customer order is late.'
      : 'No customer order fits this filter.'}
  rows={lines}
  size={(l) => ('head' in l ? 31 : 37)}
  key={(l) => ('head' in l ? `head ${l.head}` : l.promise.key)}
  follow={at}
  active={promise ? `promise-${promise.key}` : asked ? '' : undefined}
  open={begin}
  list="minmax(330px, 384px)"
  row={entry}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    <button
      type="button"
      class="chip"
      aria-pressed={late}
      class:font-bold={late}
      onclick={() => toAddress({ late: late ? undefined : 'only' })}>late only</button
    >
    <button type="button" class="chip" aria-pressed={gathered} class:font-bold={gathered} onclick={gather}
      >by what makes late <Key name="b" /></button
    >
    {#if rights.decides('ENTER')}<button type="button" class="chip" onclick={enter}
        >enter an order <Key name="n" /></button
      >{/if}
  {/snippet}
  {#snippet heads()}
    <div class="grid h-full items-center gap-2 px-3" style:grid-template-columns="minmax(0, 1fr) 58px 94px">
      <span>Customer order</span><span class="text-right">Wanted</span><span class="text-right">Possible</span
      >
    </div>
  {/snippet}
  {#snippet detail()}
    {#if change?.kind === 'ENTER'}
      {@render below(change)}
    {:else if !asked}
      <div class="grid h-full place-content-center gap-2 text-center text-ink-2">
        <p>Choose a customer order to see all that it waits for.</p>
        <p class="flex items-center justify-center gap-1.5"><Key name="j" /><Key name="k" /> move</p>
        <p>Any order of the plan has a thread too: <Key name="t" /> on its row.</p>
      </div>
    {:else if thread.isPending}
      <p class="p-4 text-ink-2">Following the pegs …</p>
    {:else if thread.isError}
      <div class="p-4" role="alert">
        <p>{thread.error.message}</p>
        <button class="plain-action mt-2" onclick={() => thread.refetch()}>Try again</button>
      </div>
    {:else if thread.data.gone}
      <p class="p-4">{said(thread.data.gone)}</p>
    {:else}
      <div
        class="grid h-full"
        style:grid-template-rows="auto minmax(120px, 1fr) {change ? 'minmax(0, 52%)' : '0'}"
        class:opacity-60={thread.isPlaceholderData}
      >
        <header class="flex items-baseline gap-3 px-3 py-2">
          <h2 class="text-xl whitespace-nowrap">{thread.data.title}</h2>
          {#if promise}
            <p class="min-w-0 flex-1 truncate">
              {promise.customer ?? ''}, {promise.itemName}:
              <span class={promise.late ? 'font-semibold text-vermilion' : ''}>{lateness(promise)}</span>
            </p>
          {/if}
          {#if thread.data.serves.length > 0}
            <p class="min-w-0 flex-1 truncate" data-testid="serves">
              serves
              {#each thread.data.serves.slice(0, 6) as end (end.number + end.line)}<a
                  class="link mr-2"
                  title="{end.customer ?? ''} {end.item}, wanted {end.due}"
                  href={threadHref(end.number)}>{end.number}</a
                >{/each}{#if thread.data.serves.length > 6}and {thread.data.serves.length - 6} more{/if}
            </p>
          {/if}
          <span class="ml-auto flex items-center gap-2 whitespace-nowrap text-sm text-ink-2">
            {#if thread.data.cut}<b>cut off after 3 000 rows</b>{/if}
            <button
              type="button"
              class="chip"
              aria-pressed={deciding}
              class:font-bold={deciding}
              onclick={chain}>what decides <Key name="o" /></button
            >
            <button type="button" class="chip" aria-label="One level less" onclick={() => deeper(-1)}
              >−</button
            >
            {Math.min(levels, depth)} of {count(depth, 'level')}
            <button type="button" class="chip" aria-label="One level more" onclick={() => deeper(1)}>+</button
            >
          </span>
        </header>
        <ThreadChart
          {bars}
          {shown}
          {today}
          {cursor}
          {folded}
          onpoint={(place) => (cursor = place)}
          onopen={open}
          onfold={fold}
          onmove={(bar, due) => decide(bar, due)}
        />
        {#if change}
          {@render below(change)}
        {/if}
      </div>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="selection">
      {count((promises.data ?? []).filter((p) => p.late).length, 'line')} late of {promises.data?.length ?? 0}
    </span>
    {#if refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert">{refused}</span>
    {:else}<KeptLine {last} />{/if}
    <button
      type="button"
      class="flex items-center gap-1.5 whitespace-nowrap disabled:opacity-50"
      disabled={!here?.link}
      onclick={() => open(here)}><Key name="w" dark /> Why</button
    >
    <button
      type="button"
      class="flex items-center gap-1.5 whitespace-nowrap disabled:opacity-50"
      disabled={here?.kind !== 'planned' && here?.kind !== 'open'}
      onclick={() => decide(here)}><Key name="e" dark /> Change</button
    >
    <button type="button" class="flex items-center gap-1.5 whitespace-nowrap" onclick={() => fold(cursor)}
      ><Key name="z" dark /> Fold</button
    >
    <span class="ml-auto flex items-center gap-1.5 whitespace-nowrap"
      ><Key name="J" dark /><Key name="K" dark /> along the thread; drag a bar to move its order</span
    >
  {/snippet}
</Place>
