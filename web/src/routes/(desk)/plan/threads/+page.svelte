<script lang="ts">
  import { count, countShown, said } from '$lib/format';
  import ChangeBelow from '$lib/plan/ChangeBelow.svelte';
  import type { Deciding } from '$lib/plan/command';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import { rights } from '$lib/rights.svelte';
  import PromiseLine from '$lib/threads/PromiseLine.svelte';
  import ThreadChart from '$lib/threads/ThreadChart.svelte';
  import ThreadHead from '$lib/threads/ThreadHead.svelte';
  import { ThreadsScreen } from '$lib/threads/threads-screen.svelte';
  import type { Line } from '$lib/threads/threads';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new ThreadsScreen();
  const today = $derived(screen.today);
  const thread = $derived(screen.thread);
  const found = $derived(screen.promises.data);
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
      template={screen.columns.template}
      here={screen.isHere(l.promise)}
      onopen={() => screen.choose(l)}
    />
  {/if}
{/snippet}

{#snippet below(what: Deciding)}
  <ChangeBelow
    bind:this={screen.pane}
    change={what}
    {today}
    currency={screen.plan.data?.currency ?? 'EUR'}
    onclose={() => (screen.change = undefined)}
    onkept={(decision) => screen.last.keep(decision)}
    onagain={(again) => (screen.change = again)}
  />
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Threads"
  filters="number, customer, item or what makes it late"
  query={screen.promises}
  reading="Reading the plan …"
  empty={screen.empty}
  rows={screen.lines}
  size={(l) => ('head' in l ? 31 : 37)}
  key={(l) => ('head' in l ? `head ${l.head}` : l.promise.key)}
  follow={screen.at}
  active={screen.promise ? `promise-${screen.promise.key}` : screen.asked ? '' : undefined}
  open={() => screen.begin()}
  list="minmax(330px, 384px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  row={entry}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    <button
      type="button"
      class="chip"
      aria-pressed={screen.late}
      class:font-bold={screen.late}
      onclick={() => screen.onlyLate()}>late only</button
    >
    <button
      type="button"
      class="chip"
      aria-pressed={screen.gathered}
      class:font-bold={screen.gathered}
      onclick={() => screen.gather()}>by what makes late <Key name="b" /></button
    >
    {#if rights.decides('ENTER')}<button type="button" class="chip" onclick={() => screen.enter()}
        >take an order <Key name="n" /></button
      >{/if}
  {/snippet}
  {#snippet detail()}
    {#if !screen.asked}
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
        style:grid-template-rows="auto minmax(120px, 1fr) {screen.change ? 'minmax(0, 52%)' : '0'}"
        class:opacity-60={thread.isPlaceholderData}
      >
        <ThreadHead {screen} />
        <ThreadChart
          bars={screen.bars}
          shown={screen.shown}
          {today}
          cursor={screen.cursor}
          folded={screen.folded}
          onpoint={(place) => (screen.cursor = place)}
          onopen={(bar) => screen.open(bar)}
          onfold={(place) => screen.fold(place)}
          onmove={(bar, due) => screen.decide(bar, due)}
        />
        {#if screen.change}
          {@render below(screen.change)}
        {/if}
      </div>
    {/if}
  {/snippet}
  {#snippet actions()}
    {@const here = screen.here}
    <span class="whitespace-nowrap" data-testid="selection">
      {found?.late ?? 0} late of {countShown(found, 'line')}
    </span>
    {#if screen.refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert"
        >{screen.refused}</span
      >
    {:else}<KeptLine last={screen.last} />{/if}
    <button type="button" class="bar-action" disabled={!here?.link} onclick={() => screen.open(here)}
      ><Key name="w" dark /> Why</button
    >
    <button
      type="button"
      class="bar-action"
      disabled={here?.kind !== 'planned' && here?.kind !== 'open'}
      onclick={() => screen.decide(here)}><Key name="e" dark /> Change</button
    >
    <button type="button" class="bar-action" onclick={() => screen.fold(screen.cursor)}
      ><Key name="z" dark /> Fold</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
    <span class="bar-action ml-auto"
      ><Key name="J" dark /><Key name="K" dark /> along the thread; drag a bar to move it</span
    >
  {/snippet}
</Place>
