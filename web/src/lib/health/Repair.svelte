<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import Cell from '$lib/data/Cell.svelte';
  import DraftFoot from '$lib/data/DraftFoot.svelte';
  import { DataDraft } from '$lib/data/data-draft.svelte';
  import { keyOf, label, type Cells } from '$lib/data/tables';
  import { momentAt, quantity, said } from '$lib/format';
  import { itemHref, threadHref } from '$lib/links';
  import { tableRows } from '$lib/queries';
  import type { HealthScreen, Known } from './health-screen.svelte';

  /** One finding, and its repair where it stands. */
  let { screen, known }: { screen: HealthScreen; known: Known } = $props();
  const finding = $derived(known.finding);
  const table = $derived(screen.table(finding.table));
  const [first] = $derived(Object.entries(finding.row));
  const rows = createQuery(() => ({
    ...tableRows({
      table: finding.table,
      column: first?.[0],
      value: first ? [first[1]] : undefined,
      limit: 1000
    }),
    enabled: first !== undefined
  }));
  const row = $derived(
    (rows.data?.rows as Cells[] | undefined)?.find((r) =>
      Object.entries(finding.row).every(([column, value]) => (r[column] ?? '') === value)
    )
  );
  const draft = $derived(screen.draft);
  const column = $derived(table?.columns.find((c) => c.name === finding.column));
  const readonly = $derived(!screen.may(finding.table));
  /** A row that is not there yet, to be filled in. */
  const fresh = $derived(draft.fresh(finding.table, finding.row)[0]);
  let reason = $state('');

  function set(to: string) {
    if (!table || !finding.column) return;
    if (row) draft.set(table, row, finding.column, to);
    else {
      const id = fresh?.[0] ?? draft.add(table, finding.row);
      draft.setNew(table, id, finding.column, to);
    }
  }
</script>

<article class="flex min-h-full flex-col">
  <div class="flex-1 px-5 pt-3 pb-6">
    <h2 class="text-xl">{said(finding.sentence)}</h2>
    <p class="mt-1 flex flex-wrap gap-x-5 text-ink-2">
      <span>Known since {momentAt(known.since, screen.today)}</span>
      {#if finding.item}<span
          ><a class="link" href={itemHref(finding.item)}>{finding.item}</a> {finding.itemName ?? ''}</span
        >{/if}
      {#if finding.table === 'customer_orders'}<a class="link" href={threadHref(finding.row['number'] ?? '')}
          >its thread</a
        >{/if}
    </p>
    {#if table && column && rows.data}
      {@const id = row ? DataDraft.id(finding.table, keyOf(table, row)) : (fresh?.[0] ?? '')}
      <h3 class="section mt-4">Repair it</h3>
      <div
        class="mt-2 grid max-w-[420px] grid-cols-[150px_minmax(0,1fr)] items-baseline gap-2"
        data-testid="repair"
      >
        <span class="text-ink-2" title={column.meaning}>{label(column.name)}</span>
        <Cell
          {column}
          value={draft.rows[id]?.fields[column.name] ?? row?.[column.name] ?? ''}
          before={row?.[column.name] ?? ''}
          changed={draft.rows[id]?.fields[column.name] !== undefined}
          fault={draft.faultOf(id, column.name)}
          otherwise="choose"
          today={screen.today}
          {readonly}
          about={finding.about}
          onchange={set}
        />
        {#if finding.would !== null && finding.would !== undefined && !readonly}
          <span></span>
          <button
            type="button"
            class="plain-action justify-self-start"
            onclick={() => set(String(finding.would))}>Take {quantity(finding.would)}</button
          >
        {/if}
      </div>
      {#if readonly}<p class="mt-2 text-ink-2">
          Somebody else keeps this; you may live with it below, or tell them.
        </p>{/if}
    {:else if finding.item}
      <p class="mt-3">
        <a class="plain-action" href={itemHref(finding.item)}>Repair it on the sheet of {finding.item}</a>
      </p>
    {/if}
    <h3 class="section mt-5">Or live with it</h3>
    {#if known.waiver}
      <p class="mt-2">
        {known.waiver.name}, {momentAt(known.waiver.at, screen.today)}: <b>{known.waiver.reason}</b>
        <button type="button" class="link" onclick={() => void screen.waive(finding.id, '')}>No longer</button
        >
      </p>
    {:else}
      <form
        class="mt-2 flex gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          void screen.waive(finding.id, reason.trim());
        }}
      >
        <input
          class="field w-[300px]"
          aria-label="Reason"
          placeholder="for this reason"
          bind:value={reason}
          maxlength="300"
        />
        <button class="plain-action" style="height: 30px" disabled={reason.trim() === ''}>Live with it</button
        >
      </form>
      <p class="mt-1 text-sm text-ink-2">It stays out of the list until the data it comes from change.</p>
    {/if}
    {#if screen.refused}<p class="mt-2 text-vermilion" role="alert">{screen.refused}</p>{/if}
  </div>
  <DraftFoot {draft} today={screen.today} currency={screen.currency} />
</article>
