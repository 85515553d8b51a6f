<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count } from '$lib/format';
  import { tableRows } from '$lib/queries';
  import RowsTable from './RowsTable.svelte';
  import type { Related, TableScreen } from './table-screen.svelte';
  import type { Cells } from './tables';

  /** Rows of another table that name the one in view. */
  let { screen, part, code }: { screen: TableScreen; part: Related; code: string } = $props();
  const MOST = 300;
  const rows = createQuery(() =>
    tableRows({ table: part.table, column: part.column, value: [code], limit: MOST })
  );
  const table = $derived(screen.view(part.table));
</script>

{#if table && rows.data}
  <h3 class="section mt-5">
    {part.title}
    {#if rows.data.total > 0}<span class="font-normal text-ink-3">{count(rows.data.total, 'row')}</span>{/if}
  </h3>
  <RowsTable
    {table}
    columns={part.columns}
    rows={rows.data.rows as Cells[]}
    draft={screen.draft}
    today={screen.today}
    readonly={!screen.may(part.table)}
    fixed={{ [part.column]: code }}
    next={part.next}
    names={rows.data.names}
    one={part.one}
    empty={part.empty}
  />
  {#if rows.data.total > MOST}<p class="text-ink-2">The first {MOST} are shown.</p>{/if}
{/if}
