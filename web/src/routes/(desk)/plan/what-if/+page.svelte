<script lang="ts">
  import { count, said } from '$lib/format';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';
  import Compared from '$lib/what-if/Compared.svelte';
  import WhatIfPane from '$lib/what-if/WhatIfPane.svelte';
  import { WhatIfsScreen, type WhatIfRow } from '$lib/what-if/what-ifs-screen.svelte';

  const screen = new WhatIfsScreen();
  const { list, last } = screen;
</script>

<svelte:head><title>What-if · Rescient</title></svelte:head>

{#snippet line(w: WhatIfRow)}
  {@const key = String(w.id)}
  {@const sentences = w.sentences.map(said).join('; ')}
  <ListRow {list} {key} id="what-if" columns={screen.columns} onopen={() => screen.open(key)}>
    <span class="what">
      <span class="name"><b>{w.name}</b></span>
      <span class="where" title={sentences}>{sentences || 'nothing otherwise yet'}</span>
    </span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="What-if"
  filters="name and what is otherwise"
  query={screen.all}
  reading="Reading your what-ifs …"
  empty={screen.words ? 'No what-if fits this filter.' : 'You have no what-ifs yet.'}
  rows={list.shown}
  size={() => 37}
  key={(w) => String(w.id)}
  follow={list.at}
  active={screen.id === undefined ? undefined : `what-if-${screen.id}`}
  list="minmax(250px, 300px)"
  columns={screen.columns}
  row={line}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    <button type="button" class="chip" onclick={() => screen.add()}>new <Key name="n" /></button>
    <button type="button" class="chip" disabled={list.shown.length === 0} onclick={() => screen.compare()}
      >compare {list.selected.size > 0 ? list.selected.size : 'all'} <Key name="c" /></button
    >
  {/snippet}
  {#snippet detail()}
    {#if screen.comparing.length > 0}
      <Compared bind:this={screen.compared} ids={screen.comparing} currency={screen.currency} />
    {:else if screen.id !== undefined}
      {#key screen.id}
        <WhatIfPane id={screen.id} today={screen.today} choices={screen.orders.data?.choices} {screen} />
      {/key}
    {:else}
      <div class="grid h-full place-content-center gap-3 text-center text-ink-2">
        <p class="max-w-[46ch]">
          A what-if is a copy of the plan in which something is otherwise: more demand, a supplier who does
          not deliver, other lead times. It is calculated upon the live data, compared with it, and nobody is
          disturbed by it. Who has its address can look at it.
        </p>
        <p>
          <button type="button" class="main-action" onclick={() => screen.add()}
            >Make one <Key name="n" /></button
          >
        </p>
      </div>
    {/if}
  {/snippet}
  {#snippet actions()}
    {#if screen.adding.isPending}
      <span class="min-w-0 truncate" role="status"
        >Adding {screen.adding.variables.name ?? 'a what-if'} …</span
      >
    {:else}
      {#if screen.told}<span class="min-w-0 truncate" role="status">{screen.told}</span>{/if}
      {#if screen.thrown}
        <span class="whitespace-nowrap">Thrown away: {screen.thrown.name}</span>
        <button type="button" class="bar-action underline" onclick={() => screen.bringBack()}
          >Bring back <Key name="u" dark /></button
        >
      {:else if last.busy || last.kept || last.said || last.refused}
        <KeptLine {last} />
      {:else if !screen.told}
        <span class="whitespace-nowrap" data-testid="selection"
          >{count(screen.all.data?.length ?? 0, 'what-if')}</span
        >
      {/if}
    {/if}
    {#if screen.comparing.length > 0}
      <button type="button" class="bar-action" onclick={() => screen.compared?.save()}
        ><Key name="E" dark /> Save as CSV</button
      >
      <button type="button" class="bar-action ml-auto" onclick={() => screen.stopComparing()}
        >Back <Key name="Esc" dark /></button
      >
    {:else if screen.id !== undefined}
      <button type="button" class="bar-action ml-auto" onclick={() => screen.pane?.look()}
        ><Key name="v" dark /> Look at its plan</button
      >
      <button type="button" class="bar-action" onclick={() => screen.copy()}>Copy it</button>
      {#if screen.here}
        <button
          type="button"
          class="bar-action"
          disabled={!screen.pane?.content}
          onclick={() => screen.throwAway()}>Throw away</button
        >
        {#if rights.may.takeOver}
          <button
            type="button"
            class="main-action"
            disabled={screen.here.sentences.length === 0}
            onclick={() => screen.pane?.takeOver()}>Take all over <Key name="T" /></button
          >{/if}
      {/if}
    {/if}
  {/snippet}
</Place>
