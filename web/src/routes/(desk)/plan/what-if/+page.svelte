<script lang="ts">
  import { rights } from '$lib/rights.svelte';
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api, type Schemas } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { count, said } from '$lib/format';
  import { cameBack, whenLeft } from '$lib/left.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { LastDecision } from '$lib/plan/last-decision.svelte';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';
  import Compared from '$lib/what-if/Compared.svelte';
  import WhatIfPane from '$lib/what-if/WhatIfPane.svelte';

  type WhatIfRow = Schemas['WhatIfRow'];
  const client = useQueryClient();
  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const orders = createQuery(() => ({
    queryKey: ['plan', 'orders'],
    queryFn: () => answer(api.GET('/api/plan/orders'))
  }));
  const all = createQuery(() => ({
    queryKey: ['what-ifs'],
    queryFn: () => answer(api.GET('/api/what-ifs'))
  }));
  const today = $derived(plan.data?.today ?? '');
  const currency = $derived(plan.data?.currency ?? 'EUR');

  const was = cameBack<{ words: string; selected: number[] }>();
  let words = $state(was?.words ?? '');
  let frame = $state<ReturnType<typeof Place>>();
  let pane = $state<ReturnType<typeof WhatIfPane>>();
  let compared = $state<ReturnType<typeof Compared>>();
  let told = $state<string | undefined>();
  const selected = new SvelteSet<number>(was?.selected);
  const rows = $derived(
    (all.data ?? []).filter((w) =>
      [w.name, ...w.sentences.map(said)].some((t) => t.toLowerCase().includes(words.trim().toLowerCase()))
    )
  );
  const id = $derived(fromAddress('id') === undefined ? undefined : Number(fromAddress('id')));
  const comparing = $derived(fromAddress('compare')?.split(',').map(Number) ?? []);
  const at = $derived(rows.findIndex((w) => w.id === id));

  function choose(row: WhatIfRow | undefined) {
    if (row) void toAddress({ id: String(row.id), only: undefined, compare: undefined });
  }

  const adding = createMutation(() => ({
    mutationFn: (draft: Schemas['WhatIfDraft']) => answer(api.POST('/api/what-ifs', { body: draft })),
    onMutate: () => (told = undefined),
    onSuccess: async (row) => {
      thrown = undefined;
      await client.invalidateQueries({ queryKey: ['what-ifs'] });
      choose(row);
    },
    onError: (e) => (told = e.message)
  }));
  const removing = createMutation(() => ({
    mutationFn: ({ gone }: { gone: number; content: Schemas['WhatIfDraft'] }) =>
      answer(api.DELETE('/api/what-ifs/{id}', { params: { path: { id: gone } } })),
    onSuccess: (_, { gone, content }) => {
      const next = rows[at + 1] ?? rows[at - 1];
      thrown = content;
      told = undefined;
      selected.delete(gone);
      void toAddress({ id: next ? String(next.id) : undefined, only: undefined });
      void client.invalidateQueries({ queryKey: ['what-ifs'] });
    },
    onError: (e) => (told = e.message)
  }));
  /** What was thrown away last, until something else is done. */
  let thrown = $state.raw<Schemas['WhatIfDraft'] | undefined>();

  function add() {
    if (adding.isPending) return;
    const names = new Set((all.data ?? []).map((w) => w.name));
    let n = (all.data?.length ?? 0) + 1;
    while (names.has(`What-if ${n}`)) n++;
    adding.mutate({ name: `What-if ${n}`, assumptions: [] });
  }

  function copy() {
    const content = pane?.content();
    if (content) adding.mutate({ ...content, name: `${content.name}, copy` });
  }

  function throwAway() {
    const content = pane?.content();
    if (id !== undefined && content && !removing.isPending) removing.mutate({ gone: id, content });
  }

  function bringBack() {
    if (thrown && !adding.isPending) adding.mutate(thrown);
  }

  /** What was taken over last; taken back, it is assumed again. */
  const last = new LastDecision(() => {
    void client.invalidateQueries({ queryKey: ['plan'] });
    void client.invalidateQueries({ queryKey: ['what-ifs'] });
  });

  function takeBack() {
    if (thrown) bringBack();
    else {
      told = undefined;
      void last.takeBack();
    }
  }

  function compare() {
    const ids = selected.size > 0 ? [...selected] : rows.map((w) => w.id).slice(0, 6);
    if (ids.length > 0) void toAddress({ compare: ids.join(',') }, true);
  }

  function toggle(row: number | undefined) {
    if (row !== undefined && !selected.delete(row)) selected.add(row);
  }

  whenLeft(() => ({ words, selected: [...selected] }));
  $effect(() =>
    shortcuts.register('what-if', [
      { keys: 'j, ArrowDown', says: 'Next what-if', run: () => choose(rows[at + 1]) },
      { keys: 'k, ArrowUp', says: 'What-if before', run: () => choose(rows[at < 0 ? 0 : at - 1]) },
      { keys: 'x', says: 'Select for comparing', run: () => toggle(id) },
      { keys: 'c', says: 'Compare the selected ones, or all', run: compare },
      { keys: 'n', says: 'New what-if', run: add },
      { keys: 'a', says: 'Assume something', run: () => pane?.add() },
      { keys: 'T', says: 'Take all of it over into the live data', run: () => pane?.takeAgain() },
      { keys: 'v', says: 'Look at its plan in the other views', run: () => pane?.look() },
      { keys: 'J', says: 'Next difference', run: () => pane?.along(1) },
      { keys: 'K', says: 'Difference before', run: () => pane?.along(-1) },
      { keys: 'u', says: 'Take back: what was thrown away, or taken over last', also: 'undo', run: takeBack },
      { keys: 'E', says: 'Save the comparison as CSV', also: 'export', run: () => compared?.save() },
      { keys: '/', says: 'Filter', run: () => frame?.focusFilter() },
      { keys: 'Escape', says: 'Back', run: () => void toAddress({ compare: undefined, only: undefined }) }
    ])
  );
</script>

<svelte:head><title>What-if · Rescient</title></svelte:head>

{#snippet line(w: WhatIfRow)}
  <!-- the keys of the list act from anywhere on the page -->
  <!-- svelte-ignore a11y_click_events_have_key_events -->
  <div
    class="plan-row"
    class:here={w.id === id}
    style:grid-template-columns="15px minmax(0, 1fr)"
    role="option"
    aria-selected={selected.has(w.id)}
    tabindex="-1"
    id="what-if-{w.id}"
    onclick={() => choose(w)}
  >
    <span
      class="box"
      class:on={selected.has(w.id)}
      role="presentation"
      onclick={(e) => {
        e.stopPropagation();
        toggle(w.id);
      }}
    ></span>
    <span class="what">
      <span class="name"><b>{w.name}</b></span>
      <span class="where" title={w.sentences.map(said).join('; ')}
        >{w.sentences.length === 0 ? 'nothing otherwise yet' : w.sentences.map(said).join('; ')}</span
      >
    </span>
  </div>
{/snippet}

<Place
  bind:this={frame}
  bind:words
  title="What-if"
  filters="name and what is otherwise"
  query={all}
  reading="Reading your what-ifs …"
  empty={words ? 'No what-if fits this filter.' : 'You have no what-ifs yet.'}
  {rows}
  size={() => 37}
  key={(w) => String(w.id)}
  follow={at}
  active={id === undefined ? undefined : `what-if-${id}`}
  list="minmax(250px, 300px)"
  row={line}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    <button type="button" class="chip" onclick={add}>new <Key name="n" /></button>
    <button type="button" class="chip" disabled={rows.length === 0} onclick={compare}
      >compare {selected.size > 0 ? selected.size : 'all'} <Key name="c" /></button
    >
  {/snippet}
  {#snippet heads()}
    <div class="flex h-full items-center px-3">Mine</div>
  {/snippet}
  {#snippet detail()}
    {#if comparing.length > 0}
      <Compared bind:this={compared} ids={comparing} {currency} />
    {:else if id !== undefined}
      {#key id}
        <WhatIfPane
          bind:this={pane}
          {id}
          {today}
          choices={orders.data?.choices}
          ontold={(said) => (told = said)}
          onkept={(decision) => last.keep(decision)}
        />
      {/key}
    {:else}
      <div class="grid h-full place-content-center gap-3 text-center text-ink-2">
        <p class="max-w-[46ch]">
          A what-if is a copy of the plan in which something is otherwise: more demand, a supplier who does
          not deliver, other lead times. It is calculated upon the live data, compared with it, and nobody is
          disturbed by it. Who has its address can look at it.
        </p>
        <p>
          <button type="button" class="main-action" onclick={add}>Make one <Key name="n" /></button>
        </p>
      </div>
    {/if}
  {/snippet}
  {#snippet actions()}
    {#if adding.isPending}
      <span class="min-w-0 truncate" role="status">Adding {adding.variables.name} …</span>
    {:else}
      {#if told}<span class="min-w-0 truncate" role="status">{told}</span>{/if}
      {#if thrown}
        <span class="whitespace-nowrap">Thrown away: {thrown.name}</span>
        <button type="button" class="flex items-center gap-1.5 underline" onclick={bringBack}
          >Bring back <Key name="u" dark /></button
        >
      {:else if last.busy || last.kept || last.said}
        <KeptLine {last} />
      {:else if !told}
        <span class="whitespace-nowrap" data-testid="selection"
          >{count(all.data?.length ?? 0, 'what-if')}</span
        >
      {/if}
    {/if}
    {#if comparing.length > 0}
      <button type="button" class="whitespace-nowrap" onclick={() => compared?.save()}>Save as CSV</button>
      <button
        type="button"
        class="ml-auto flex items-center gap-1.5 whitespace-nowrap"
        onclick={() => toAddress({ compare: undefined })}>Back <Key name="Esc" dark /></button
      >
    {:else if id !== undefined}
      <button
        type="button"
        class="ml-auto flex items-center gap-1.5 whitespace-nowrap"
        onclick={() => pane?.look()}><Key name="v" dark /> Look at its plan</button
      >
      <button type="button" class="whitespace-nowrap" onclick={copy}>Copy it</button>
      {#if at >= 0}
        <button type="button" class="whitespace-nowrap" disabled={!pane?.content()} onclick={throwAway}
          >Throw away</button
        >
        {#if rights.may.takeOver}
          <button
            type="button"
            class="main-action"
            disabled={rows[at]?.sentences.length === 0}
            onclick={() => pane?.takeOver()}>Take all over <Key name="T" /></button
          >{/if}
      {/if}
    {/if}
  {/snippet}
</Place>
