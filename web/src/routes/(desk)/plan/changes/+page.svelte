<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api } from '$lib/api/client';
  import { causedBy, groupsOf, happened, SINCE, told, type Cause } from '$lib/changes/changes';
  import ChangesSheet from '$lib/changes/ChangesSheet.svelte';
  import { shortcuts } from '$lib/desk.svelte';
  import { clock, count, date, dayNumber, dayOf, isoDay, momentAt, parsedMoment, said } from '$lib/format';
  import { cameBack, whenLeft } from '$lib/left.svelte';
  import { orderHref, plannedHref, pointHref, threadHref } from '$lib/links';
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import { csv, download } from '$lib/ui/export';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const since = $derived(fromAddress('since') ?? 'visit');
  const changes = createQuery(() => ({
    queryKey: ['plan', 'changes', since],
    queryFn: () => answer(api.GET('/api/plan/changes', { params: { query: { since } } })),
    placeholderData: (before) => before
  }));
  const today = $derived(plan.data?.today ?? '');
  const causes = $derived(new Map((changes.data?.causes ?? []).map((c) => [c.id, c])));

  const was = cameBack<{ words: string; cursor: number }>();
  let words = $state(was?.words ?? '');
  let frame = $state<ReturnType<typeof Place>>();
  let cursor = $state(was?.cursor ?? 0);
  const chosen = $derived(fromAddress('cause') === undefined ? undefined : Number(fromAddress('cause')));

  /** All causes together, then each. */
  type Line = { all: true } | Cause;
  const lines = $derived<Line[]>([
    { all: true },
    ...(changes.data?.causes ?? []).filter((c) => told(c).toLowerCase().includes(words.trim().toLowerCase()))
  ]);
  const at = $derived(
    Math.max(
      0,
      lines.findIndex((l) => 'id' in l && l.id === chosen)
    )
  );
  const cause = $derived(chosen === undefined ? undefined : causes.get(chosen));
  const promises = $derived(causedBy(changes.data?.customerOrders ?? [], cause?.id));
  const orders = $derived(causedBy(changes.data?.orders ?? [], cause?.id));
  const rows = $derived([...promises, ...groupsOf(orders).flatMap((g) => g.orders)]);

  function choose(line: Line | undefined) {
    if (!line) return;
    cursor = 0;
    void toAddress({ cause: 'id' in line ? String(line.id) : undefined });
  }

  function along(by: number) {
    cursor = Math.max(0, Math.min(rows.length - 1, cursor + by));
  }

  function open() {
    const row = rows[cursor];
    if (!row) return;
    if ('wanted' in row) void goto(threadHref(row.number));
    else if (!row.key) void goto(pointHref(row.item, row.site));
    else void goto(row.kind === 'released' ? orderHref(row.number ?? '') : plannedHref(row.key));
  }

  let unread = $state(false);

  /** Since a moment typed into the box, which is of here; the server is asked in world time. */
  function from(typed: string) {
    const instant = parsedMoment(typed, today);
    unread = typed.trim() !== '' && instant === undefined;
    if (instant) void toAddress({ since: instant, cause: undefined });
  }
  const moment = $derived(SINCE.some((s) => s.code === since) ? undefined : since);
  const heading = $derived.by(() => {
    const begun = changes.data?.since;
    return begun ? momentAt(begun, today) : '';
  });

  function exportRows() {
    download(
      'changes.csv',
      csv(
        [
          'what',
          'number',
          'item',
          'site',
          'happened',
          'quantity before',
          'quantity',
          'due before',
          'due',
          'cause'
        ],
        rows.map((r) =>
          'wanted' in r
            ? [
                'customer order',
                r.number,
                r.item,
                '',
                '',
                '',
                '',
                r.before ?? '',
                r.after ?? '',
                why(r.causes)
              ]
            : [
                'planned order',
                r.number,
                r.item,
                r.site,
                happened(r),
                r.before?.quantity,
                r.after?.quantity,
                r.before?.due,
                r.after?.due,
                why(r.causes)
              ]
        )
      )
    );
  }

  function why(ids: number[]): string {
    return ids
      .flatMap((id) => causes.get(id) ?? [])
      .map(told)
      .join('; ');
  }

  whenLeft(() => ({ words, cursor }));
  $effect(() =>
    shortcuts.register('changes', [
      { keys: 'j, ArrowDown', says: 'Next cause', run: () => choose(lines[at + 1]) },
      { keys: 'k, ArrowUp', says: 'Cause before', run: () => choose(lines[Math.max(0, at - 1)]) },
      { keys: 'J', says: 'Next change', run: () => along(1) },
      { keys: 'K', says: 'Change before', run: () => along(-1) },
      { keys: 'w, Enter', says: 'To what changed', run: open },
      { keys: 'P', says: 'Print the morning sheet', run: () => window.print() },
      { keys: 'E', says: 'Save the changes as CSV', also: 'export', run: exportRows },
      { keys: '/', says: 'Filter the causes', run: () => frame?.focusFilter() }
    ])
  );
</script>

<svelte:head><title>Changes · Rescient</title></svelte:head>

{#snippet line(l: Line)}
  {@const here = 'id' in l ? l.id === chosen : cause === undefined}
  <!-- the keys of the list act from anywhere on the page -->
  <!-- svelte-ignore a11y_click_events_have_key_events -->
  <div
    class="plan-row"
    class:here
    style:grid-template-columns="44px minmax(0, 1fr) 74px"
    role="option"
    aria-selected={here}
    tabindex="-1"
    id="cause-{'id' in l ? l.id : 'all'}"
    onclick={() => choose(l)}
  >
    {#if 'id' in l}
      <span class="text-ink-2" title={l.at}>{clock(l.at)}</span>
      <span class="what">
        <span class="name" title={said(l.sentence)}>{said(l.sentence)}</span>
        <span class="where"
          >{l.name ?? (l.kind === 'receipt' ? 'a receipt that did not come' : 'nobody')} ·
          {date(dayOf(l.at), today)}</span
        >
      </span>
      <span class="num">
        {#if l.worse > 0}<span class="badge" title="customer order lines made late">{l.worse}</span>{/if}
        {#if l.orders > 0}{count(l.orders, 'order')}{:else}<span class="none">·</span>{/if}
      </span>
    {:else}
      <span></span>
      <span class="what"><span class="name"><b>Everything</b></span></span>
      <span class="num">{count(changes.data?.orders.length ?? 0, 'order')}</span>
    {/if}
  </div>
{/snippet}

<Place
  bind:this={frame}
  bind:words
  title="Changes"
  filters="what caused them and who"
  query={changes}
  reading="Reading what changed …"
  empty="Nothing changed."
  rows={lines}
  size={() => 37}
  key={(l) => ('id' in l ? String(l.id) : 'all')}
  follow={at}
  active={cause ? `cause-${cause.id}` : 'cause-all'}
  list="minmax(330px, 384px)"
  row={line}
>
  {#snippet views()}<PlanViews />{/snippet}
  {#snippet chips()}
    {#each SINCE as choice (choice.code)}
      <button
        type="button"
        class="chip"
        aria-pressed={since === choice.code}
        class:font-bold={since === choice.code}
        onclick={() => toAddress({ since: choice.code, cause: undefined })}>since {choice.name}</button
      >
    {/each}
    <label class="chip" class:font-bold={moment !== undefined}>
      since
      <input
        class="w-28 bg-transparent outline-none"
        class:text-vermilion={unread}
        aria-label="since a moment"
        aria-invalid={unread}
        title={unread ? 'A day like 25 Nov, with a time like 14:30 if you want' : undefined}
        placeholder="{date(isoDay(dayNumber(today || '1970-01-01') - 3), today)} 14:30"
        value={moment ? momentAt(moment, today) : ''}
        onchange={(e) => from(e.currentTarget.value)}
      />
    </label>
  {/snippet}
  {#snippet heads()}
    <div class="grid h-full items-center gap-2 px-3" style:grid-template-columns="44px minmax(0, 1fr) 74px">
      <span></span><span>What happened</span><span class="text-right">Changed</span>
    </div>
  {/snippet}
  {#snippet detail()}
    {#if changes.isPending}
      <p class="p-4 text-ink-2">Reading what changed …</p>
    {:else if changes.isError}
      <div class="p-4" role="alert">
        <p>{changes.error.message}</p>
        <button class="plain-action mt-2" onclick={() => changes.refetch()}>Try again</button>
      </div>
    {:else}
      <div class="px-3 py-2" class:opacity-60={changes.isPlaceholderData} data-testid="changes">
        <header class="mb-2 flex items-baseline gap-3">
          <h2 class="min-w-0 flex-1 text-xl">
            {#if cause}{said(cause.sentence)}{:else}What changed since {heading}{/if}
          </h2>
          <span class="whitespace-nowrap text-ink-2">{plan.data?.company ?? ''}</span>
        </header>
        {#if cause}
          <p class="mb-2 text-ink-2">
            {cause.name ?? 'Nobody did it'}, {momentAt(cause.at, today)}{#if cause.number}
              · <a class="link" href={orderHref(cause.number)}>{cause.number}</a>{/if}
          </p>
        {/if}
        {#if changes.data.left > 0}
          <p class="mb-2 border-l-4 border-ink bg-slip px-3 py-2">
            {count(changes.data.left, 'more change')} of planned orders were too many to be kept one by one.
          </p>
        {/if}
        {#if rows.length === 0}
          <p class="text-ink-2">
            {#if cause}No planned order and no customer order is otherwise because of this.
            {:else if changes.data.causes.length === 0}Nothing has happened, so nothing is otherwise.
            {:else}The plan is what it was: what happened left no trace, or was taken back.{/if}
          </p>
        {:else}
          <ChangesSheet {promises} {orders} {causes} {today} {cursor} onpoint={(place) => (cursor = place)} />
        {/if}
        {#if !cause && (changes.data.causes.length ?? 0) > 0}
          <section class="print-only mt-4">
            <h3 class="title mb-1 text-[13px]">What happened</h3>
            <ul>
              {#each changes.data.causes as c (c.id)}
                <li>{momentAt(c.at, today)} {told(c)}</li>
              {/each}
            </ul>
          </section>
        {/if}
      </div>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="selection">
      {count(orders.length, 'planned order')}, {count(promises.length, 'customer order line')} changed
    </span>
    <button
      type="button"
      class="flex items-center gap-1.5 whitespace-nowrap disabled:opacity-50"
      disabled={rows.length === 0}
      onclick={open}><Key name="w" dark /> To what changed</button
    >
    <button
      type="button"
      class="flex items-center gap-1.5 whitespace-nowrap disabled:opacity-50"
      disabled={rows.length === 0}
      onclick={exportRows}>Export CSV</button
    >
    <button
      type="button"
      class="ml-auto flex items-center gap-1.5 whitespace-nowrap"
      onclick={() => window.print()}><Key name="P" dark /> Print the morning sheet</button
    >
  {/snippet}
</Place>

<style>
  .print-only {
    display: none;
  }
  @media print {
    .print-only {
      display: block;
    }
  }
</style>
