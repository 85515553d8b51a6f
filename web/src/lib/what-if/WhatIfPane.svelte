<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schemas } from '$lib/api/client';
  import type { OrderChange, PromiseChange } from '$lib/changes/changes';
  import ChangesSheet from '$lib/changes/ChangesSheet.svelte';
  import { clock, count, duration, money, quantity, said } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import AssumptionForm from './AssumptionForm.svelte';
  import FigureTable from './FigureTable.svelte';
  import MonthTable from './MonthTable.svelte';
  import StockValueChart from './StockValueChart.svelte';
  import { WhatIfScreen } from './what-if-screen.svelte';
  import type { WhatIfsScreen } from './what-ifs-screen.svelte';

  /** One what-if beside the live plan. */
  interface Props {
    id: number;
    today: string;
    choices?: Schemas['Choices'];
    screen: WhatIfsScreen;
  }
  let { id, today, choices, screen }: Props = $props();
  const pane = untrack(() => new WhatIfScreen(id, screen));
  const view = $derived(pane.view);
  $effect(() => {
    screen.pane = pane;
    return () => {
      if (screen.pane === pane) screen.pane = undefined;
    };
  });
</script>

{#snippet sheet(promises: PromiseChange[], orders: OrderChange[], first: number)}
  <ChangesSheet
    {promises}
    {orders}
    causes={new Map()}
    {today}
    cursor={pane.cursor}
    {first}
    alone
    whatIf={String(pane.id)}
    onpoint={(place) => (pane.cursor = place)}
  />
{/snippet}

{#if pane.query.isPending}
  <p class="p-4 text-ink-2">Calculating the plan …</p>
{:else if pane.query.isError}
  <div class="p-4" role="alert">
    <p>{pane.query.error.message}</p>
    <button class="plain-action mt-2" onclick={() => pane.query.refetch()}>Try again</button>
  </div>
{:else if view}
  <div class="px-3 py-2" class:opacity-60={pane.query.isPlaceholderData} data-testid="what-if">
    <header class="flex items-baseline gap-3">
      <h2 class="sr-only">{view.name}</h2>
      {#if view.mine}
        <input
          class="title min-w-0 flex-1 bg-transparent text-xl outline-none focus:border-b focus:border-marigold"
          aria-label="Name of the what-if"
          value={view.name}
          onblur={(e) => pane.rename(e.currentTarget.value)}
          onkeydown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        />
      {:else}
        <span class="title flex-1 text-xl">{view.name}</span>
      {/if}
      <span class="text-sm whitespace-nowrap text-ink-2"
        >{view.mine ? '' : `${view.owner}’s · `}upon the live plan of {clock(view.madeAt)}, calculated in {duration(
          view.tookMillis
        )}</span
      >
    </header>
    <ul class="mt-1" aria-label="What is otherwise">
      {#each pane.assumptions as a, i (i)}
        <li class="flex items-baseline gap-2 border-b border-line-2 py-1">
          <span class="min-w-0 flex-1" class:text-ink-3={!a.counted}>
            {said(a.sentence)}
            {#if a.problem}<b class="text-vermilion">does not fit any more: {a.problem}</b>{/if}
          </span>
          {#if pane.assumptions.length > 1}
            <button
              type="button"
              class="chip"
              aria-pressed={pane.only === String(i)}
              class:font-bold={pane.only === String(i)}
              onclick={() => pane.alone(i)}>alone</button
            >
          {/if}
          {#if view.mine}
            <button
              type="button"
              class="chip"
              disabled={a.problem != null || pane.taking.isPending}
              title="Makes it true in the live data; it can be taken back"
              onclick={() => pane.takeOver([i])}>take over</button
            >
            <button
              type="button"
              class="chip"
              aria-label="Assume no longer: {said(a.sentence)}"
              onclick={() => pane.remove(i)}>drop</button
            >
          {/if}
        </li>
      {:else}
        <li class="py-1 text-ink-2">Nothing is otherwise yet: this is the live plan.</li>
      {/each}
    </ul>
    {#if pane.asking}
      <div
        class="mt-2 border-l-4 border-marigold bg-slip px-3 py-2"
        role="alertdialog"
        aria-label="Take over"
        data-testid="take-over"
      >
        <p>
          <b>{pane.asksAll ? 'All of it' : 'This assumption'} becomes true in the live data</b>
          for everybody: {pane.consequence}. It can be taken back.
        </p>
        <p class="mt-2 flex gap-2">
          <button type="button" class="main-action" onclick={() => pane.takeAgain()}
            >Take it over <Key name="T" /></button
          >
          <button
            type="button"
            class="plain-action"
            style="height: 30px"
            onclick={() => (pane.asking = undefined)}>Leave it</button
          >
        </p>
      </div>
    {/if}
    {#if pane.refused && !pane.adding}
      <p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{pane.refused}</p>
    {/if}
    {#if pane.adding}
      <AssumptionForm
        {choices}
        {today}
        refused={pane.refused}
        busy={pane.keeping.isPending}
        onadd={(a) => pane.assume(a)}
        onclose={() => pane.leave()}
      />
    {:else if view.mine}
      <p class="no-print my-2">
        <button
          type="button"
          class={pane.assumptions.length === 0 ? 'main-action' : 'plain-action'}
          onclick={() => pane.add()}>Assume something <Key name="a" /></button
        >
      </p>
    {/if}

    <div class="grid items-start gap-6" style:grid-template-columns="minmax(0, 440px) minmax(0, 1fr)">
      <FigureTable {view} />
      <StockValueChart rows={view.stock} {today} currency={view.currency} />
    </div>
    {#if view.unpriced > 0}
      <p class="mt-1 text-sm text-ink-2">
        {count(view.unpriced, 'stock point or order', 'stock points and orders')} without a price are not counted
        in money.
      </p>
    {/if}

    <div class="mt-4" data-testid="differences">
      {#if pane.rows.length === 0}
        <p class="text-ink-2">No planned order and no customer order is otherwise.</p>
      {/if}
      {@render sheet(view.customerOrders, [], 0)}
    </div>
    <div class="mt-4 grid items-start gap-6" style:grid-template-columns="minmax(0, 1fr) minmax(0, 1fr)">
      <MonthTable
        name="Bought, by month due"
        rows={view.spend}
        text={(v, signed) => (signed && v > 0 ? '+' : '') + money(v, view.currency)}
      />
      <MonthTable
        name="Work center hours, by month of start"
        rows={view.hours}
        text={(v, signed) => quantity(v, signed)}
      />
    </div>
    {@render sheet([], view.orders, view.customerOrders.length)}
    {#if view.left > 0}
      <p class="mt-2 text-ink-2">and {count(view.left, 'more planned order')}</p>
    {/if}
  </div>
{/if}
