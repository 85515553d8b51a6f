<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api, Refused, type Schemas } from '$lib/api/client';
  import { groupsOf, type OrderChange, type PromiseChange } from '$lib/changes/changes';
  import ChangesSheet from '$lib/changes/ChangesSheet.svelte';
  import { halfTyped } from '$lib/half-typed.svelte';
  import { rights } from '$lib/rights.svelte';
  import { clock, count, duration, money, quantity, said } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import AssumptionForm from './AssumptionForm.svelte';
  import MonthTable from './MonthTable.svelte';
  import StockValueChart from './StockValueChart.svelte';
  import { FIGURES, figureText, type Assumption } from './what-if';

  /** One what-if beside the live plan. */
  interface Props {
    id: number;
    today: string;
    choices?: Schemas['Choices'];
    ontold: (said: string | undefined) => void;
    /** Something was taken over into the live data. */
    onkept: (decision: Schemas['Decision']) => void;
  }
  let { id, today, choices, ontold, onkept }: Props = $props();
  const client = useQueryClient();
  const only = $derived(fromAddress('only'));
  const whatIf = createQuery(() => ({
    queryKey: ['plan', 'what-if', id, only],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/what-ifs/{id}', {
          signal,
          params: { path: { id }, query: only === undefined ? {} : { only: [Number(only)] } }
        })
      ),
    placeholderData: (before) => before,
    retry: false
  }));
  const view = $derived(whatIf.data);
  const assumptions = $derived(view?.assumptions ?? []);
  const fitting = $derived(assumptions.flatMap((a, i) => (a.problem ? [] : [i])));

  let adding = $state(halfTyped('assumption') !== undefined);
  let refused = $state<string | undefined>();
  let cursor = $state(0);
  let command = crypto.randomUUID();
  const rows = $derived(
    view ? [...view.customerOrders, ...groupsOf(view.orders).flatMap((g) => g.orders)] : []
  );

  const keeping = createMutation(() => ({
    mutationFn: ({ name, all }: { name: string; all: Assumption[] }) =>
      answer(
        api.PUT('/api/what-ifs/{id}', {
          params: { path: { id }, query: { revision: view?.revision ?? 0 } },
          body: { name, assumptions: all }
        })
      ),
    onSuccess: () => {
      refused = undefined;
      adding = false;
      refresh();
    },
    onError: (e) => {
      refused = e.message;
      if (e instanceof Refused && e.problem.status === 409) refresh();
    }
  }));

  const taking = createMutation(() => ({
    mutationFn: (places: number[]) =>
      answer(
        api.POST('/api/what-ifs/{id}/taken-over', {
          params: { path: { id }, header: { 'Idempotency-Key': command } },
          body: { places, revision: view?.revision ?? 0 }
        })
      ),
    onMutate: () => ontold('Taking it over …'),
    onSuccess: (decision) => {
      command = crypto.randomUUID();
      refused = undefined;
      ontold(undefined);
      onkept(decision);
      void toAddress({ only: undefined });
      refresh();
    },
    onError: (e) => {
      ontold(undefined);
      const unanswered = e instanceof Refused && e.problem.status === 0;
      refused = unanswered
        ? 'No answer came, so it may or may not have been taken over. Press again: nothing is done twice.'
        : e.message;
      if (!unanswered) command = crypto.randomUUID();
    }
  }));

  function refresh() {
    void client.invalidateQueries({ queryKey: ['plan'] });
    void client.invalidateQueries({ queryKey: ['what-ifs'] });
  }

  /** What follows, in a few words; the whole stands below. */
  const consequence = $derived.by(() => {
    if (!view) return '';
    const worse = view.customerOrders.filter((c) => !c.better).length;
    const better = view.customerOrders.length - worse;
    const orders = groupsOf(view.orders).reduce((n, g) => n + g.orders.length, 0);
    return (
      [
        worse ? `${count(worse, 'customer order')} later` : '',
        better ? `${count(better, 'customer order')} earlier` : '',
        orders ? `${count(orders, 'planned order')} otherwise` : ''
      ]
        .filter(Boolean)
        .join(', ') || 'no order changes by it'
    );
  });

  const kept = () => assumptions.map((a) => a.assumption);

  function keep(all: Assumption[]) {
    if (view) keeping.mutate({ name: view.name, all });
  }

  function rename(name: string) {
    if (view && name.trim() && name.trim() !== view.name) keeping.mutate({ name, all: kept() });
  }

  function remove(place: number) {
    void toAddress({ only: undefined });
    keep(kept().filter((_, i) => i !== place));
  }

  /** Whether something may be done here; whose it is, otherwise, is said. */
  function mine(): boolean {
    if (view && !view.mine) ontold(`This is ${view.owner}’s what-if. Copy it to assume something else.`);
    return view?.mine ?? false;
  }

  export function add() {
    if (mine()) adding = true;
  }

  /** What is to be taken over, while it is asked once. */
  let asking = $state.raw<number[] | undefined>();

  /** Says what would follow and asks; the second press does it. */
  export function takeOver(places: number[] = fitting) {
    if (!mine() || taking.isPending) return;
    if (!rights.may.takeOver) {
      ontold('Taking over is for planners; copy what it says to one of them.');
    } else if (places.length === 0) {
      ontold('There is nothing to take over.');
    } else if (asking?.join() === places.join()) {
      taking.mutate(places);
      asking = undefined;
    } else {
      asking = places;
      // its own consequence stands below, if it is not all of them
      void toAddress({ only: places.length === 1 && fitting.length > 1 ? String(places[0]) : undefined });
    }
  }

  /** The key: goes on with what is asked, or asks for all of it. */
  export function takeAgain() {
    takeOver(asking ?? fitting);
  }

  export function look() {
    void goto(`/plan?whatif=${id}`);
  }

  export function along(by: number) {
    cursor = Math.max(0, Math.min(rows.length - 1, cursor + by));
  }

  export function content(): { name: string; assumptions: Assumption[] } | undefined {
    return view && { name: view.name, assumptions: kept() };
  }
</script>

{#snippet sheet(promises: PromiseChange[], orders: OrderChange[], first: number)}
  <ChangesSheet
    {promises}
    {orders}
    causes={new Map()}
    {today}
    {cursor}
    {first}
    alone
    whatIf={String(id)}
    onpoint={(place) => (cursor = place)}
  />
{/snippet}

{#if whatIf.isPending}
  <p class="p-4 text-ink-2">Calculating the plan …</p>
{:else if whatIf.isError}
  <div class="p-4" role="alert">
    <p>{whatIf.error.message}</p>
    <button class="plain-action mt-2" onclick={() => whatIf.refetch()}>Try again</button>
  </div>
{:else if view}
  <div class="px-3 py-2" class:opacity-60={whatIf.isPlaceholderData} data-testid="what-if">
    <header class="flex items-baseline gap-3">
      <h2 class="sr-only">{view.name}</h2>
      {#if view.mine}
        <input
          class="title min-w-0 flex-1 bg-transparent text-xl outline-none focus:border-b focus:border-marigold"
          aria-label="Name of the what-if"
          value={view.name}
          onblur={(e) => rename(e.currentTarget.value)}
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
      {#each assumptions as a, i (i)}
        <li class="flex items-baseline gap-2 border-b border-line-2 py-1">
          <span class="min-w-0 flex-1" class:text-ink-3={!a.counted}>
            {said(a.sentence)}
            {#if a.problem}<b class="text-vermilion">does not fit any more: {a.problem}</b>{/if}
          </span>
          {#if assumptions.length > 1}
            <button
              type="button"
              class="chip"
              aria-pressed={only === String(i)}
              class:font-bold={only === String(i)}
              onclick={() => toAddress({ only: only === String(i) ? undefined : String(i) })}>alone</button
            >
          {/if}
          {#if view.mine}
            <button
              type="button"
              class="chip"
              disabled={a.problem != null || taking.isPending}
              title="Makes it true in the live data; it can be taken back"
              onclick={() => takeOver([i])}>take over</button
            >
            <button
              type="button"
              class="chip"
              aria-label="Assume no longer: {said(a.sentence)}"
              onclick={() => remove(i)}>drop</button
            >
          {/if}
        </li>
      {:else}
        <li class="py-1 text-ink-2">Nothing is otherwise yet: this is the live plan.</li>
      {/each}
    </ul>
    {#if asking}
      <div
        class="mt-2 border-l-4 border-marigold bg-slip px-3 py-2"
        role="alertdialog"
        aria-label="Take over"
        data-testid="take-over"
      >
        <p>
          <b
            >{asking.length === fitting.length ? 'All of it' : 'This assumption'} becomes true in the live data</b
          >
          for everybody: {consequence}. It can be taken back.
        </p>
        <p class="mt-2 flex gap-2">
          <button type="button" class="main-action" onclick={() => takeOver(asking)}
            >Take it over <Key name="T" /></button
          >
          <button type="button" class="plain-action" style="height: 30px" onclick={() => (asking = undefined)}
            >Leave it</button
          >
        </p>
      </div>
    {/if}
    {#if refused && !adding}
      <p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{refused}</p>
    {/if}
    {#if adding}
      <AssumptionForm
        {choices}
        {today}
        {refused}
        busy={keeping.isPending}
        onadd={(a) => keep([...kept(), a])}
        onclose={() => {
          adding = false;
          refused = undefined;
        }}
      />
    {:else if view.mine}
      <p class="no-print my-2">
        <button type="button" class={assumptions.length === 0 ? 'main-action' : 'plain-action'} onclick={add}
          >Assume something <Key name="a" /></button
        >
      </p>
    {/if}

    <div class="grid items-start gap-6" style:grid-template-columns="minmax(0, 440px) minmax(0, 1fr)">
      <table class="figures" aria-label="The what-if beside the live plan">
        <thead><tr><th></th><th>Live</th><th>What-if</th><th>Difference</th></tr></thead>
        <tbody>
          {#each FIGURES as f (f.code)}
            {@const r = view.figures.find((x) => x.code === f.code)}
            {#if r}
              <tr>
                <td>{f.name}</td>
                <td class="num">{figureText(f, r.live, view.currency)}</td>
                <td class="num">{figureText(f, r.other, view.currency)}</td>
                <td
                  class="num"
                  class:font-semibold={r.difference !== 0}
                  class:bad={!f.neutral && r.difference > 0}
                  >{figureText(f, r.difference, view.currency, true)}</td
                >
              </tr>
            {/if}
          {/each}
        </tbody>
      </table>
      <StockValueChart rows={view.stock} {today} currency={view.currency} />
    </div>
    {#if view.unpriced > 0}
      <p class="mt-1 text-sm text-ink-2">
        {count(view.unpriced, 'stock point or order', 'stock points and orders')} without a price are not counted
        in money.
      </p>
    {/if}

    <div class="mt-4" data-testid="differences">
      {#if rows.length === 0}
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

<style>
  .figures td,
  .figures th {
    padding: 3px 10px 3px 0;
    text-align: left;
  }
  .figures tr {
    border-bottom: 1px solid var(--line-2);
  }
  .figures th {
    font-weight: 400;
    font-size: 11px;
    color: var(--ink-3);
  }
  .figures th:not(:first-child),
  .num {
    text-align: right !important;
    white-space: nowrap;
  }
  .bad {
    color: var(--vermilion);
  }
</style>
