<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { momentAt, said } from '$lib/format';
  import { dataHistory, dataTables } from '$lib/queries';
  import { label, shown } from './tables';

  /** What became of an item or of a row: when, by whom, from where, and how it was before. */
  interface Props {
    item?: string;
    table?: string;
    row?: string;
    today: string;
  }
  let { item, table, row, today }: Props = $props();
  const history = createQuery(() => dataHistory(item ? { item } : { table, row }));
  const tables = createQuery(dataTables);
  const column = $derived((of: string, name: string) =>
    tables.data?.find((t) => t.name === of)?.columns.find((c) => c.name === name)
  );
  const FROM: Record<string, string> = {
    decision: 'on the screen',
    taken_back: 'taken back',
    what_if: 'from a what-if',
    import: 'brought in',
    release: 'by a release',
    setting: 'as a setting'
  };
  function text(of: string, name: string, value: string | null | undefined): string {
    const found = column(of, name);
    return (found ? shown(found, value, today) : (value ?? '')) || 'nothing';
  }
</script>

{#if history.data && history.data.length > 0}
  <ul data-testid="history">
    {#each history.data as change, i (i)}
      <li class="grid grid-cols-[128px_minmax(0,1fr)] gap-2 border-b border-line-2 py-1">
        <span class="text-ink-2"
          >{momentAt(change.at, today)}<br /><small class="text-ink-3">{change.name ?? ''}</small></span
        >
        <span>
          <b>{change.table.replaceAll('_', ' ')}</b>
          {change.row}
          {#if change.what !== 'changed'}<b>{change.what}</b>{/if}
          <small class="text-ink-3" title={said(change.sentence)}>{FROM[change.kind] ?? change.kind}</small>
          <br />
          {#each change.fields.slice(0, 6) as field (field.column)}
            <span class="mr-3 whitespace-nowrap"
              >{label(field.column)}
              {#if change.what === 'changed'}<s class="text-ink-3"
                  >{text(change.table, field.column, field.before)}</s
                >
                <b>{text(change.table, field.column, field.after)}</b>{:else}{text(
                  change.table,
                  field.column,
                  field.after ?? field.before
                )}{/if}</span
            >
          {/each}
          {#if change.fields.length > 6}<span class="text-ink-3">and {change.fields.length - 6} more</span
            >{/if}
        </span>
      </li>
    {/each}
  </ul>
{:else if history.data}<p class="py-1.5 text-ink-2">Nothing has been changed yet.</p>{/if}
