<script lang="ts">
  import Cell from './Cell.svelte';
  import { DataDraft } from './data-draft.svelte';
  import { keyOf, label, nameOf, typed, type Cells, type TableView } from './tables';

  /** Rows of a table that are changed where they stand; new ones come at the foot, typed or pasted from a spreadsheet. */
  interface Props {
    table: TableView;
    /** The columns in sight. */
    columns: string[];
    rows: Cells[];
    draft: DataDraft;
    today: string;
    readonly: boolean;
    /** What every row here has, and every new one gets. */
    fixed?: Cells;
    /** What a new row gets besides, given how many there are. */
    next?: () => Cells;
    /** Names of codes, by table. */
    names?: Record<string, Record<string, string>>;
    /** What one row is called. */
    one: string;
    /** What is said where there is none. */
    empty?: string;
  }
  let {
    table,
    columns,
    rows,
    draft,
    today,
    readonly,
    fixed = {},
    next = () => ({}),
    names = {},
    one,
    empty = ''
  }: Props = $props();
  const shownColumns = $derived(columns.flatMap((name) => table.columns.filter((c) => c.name === name)));
  const fresh = $derived(draft.fresh(table.name, fixed));
  /** The row that was added last, and the column in which typing begins. */
  let added = $state.raw<{ id: string; column: string | undefined } | undefined>();

  const article = (noun: string) => (['a', 'e', 'i', 'o', 'u'].includes(noun.charAt(0)) ? 'an' : 'a');

  function add() {
    const known = { ...fixed, ...next() };
    added = {
      id: draft.add(table, known),
      column: shownColumns.find((c) => known[c.name] === undefined)?.name
    };
  }

  /** Cells of a spreadsheet: each row a new one, its cells in the columns in sight. */
  function paste(event: ClipboardEvent, from: number, id?: string) {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    const lines = text
      .replace(/\r/g, '')
      .split('\n')
      .filter((l) => l.trim() !== '');
    if (readonly || (lines.length < 2 && !text.includes('\t'))) return;
    event.preventDefault();
    if (id !== undefined) draft.drop(id);
    for (const line of lines) {
      const cells: Cells = { ...fixed, ...next() };
      line.split('\t').forEach((cell, i) => {
        const column = shownColumns[from + i];
        if (column && cell.trim() !== '') cells[column.name] = typed(column, cell, today);
      });
      draft.add(table, cells);
    }
  }
</script>

{#if rows.length + fresh.length > 0}
  <div class="relative overflow-x-auto" style="contain: inline-size">
    <table class="rows" data-testid={table.name}>
      <thead>
        <tr>
          {#each shownColumns as column (column.name)}
            <th class:right={column.holds === 'number' || column.holds === 'whole'} title={column.meaning}
              >{label(column.name)}</th
            >
          {/each}
          <th class="act"><span class="sr-only">Take away</span></th>
        </tr>
      </thead>
      <tbody>
        {#each rows as row (nameOf(table, row))}
          {@const id = DataDraft.id(table.name, keyOf(table, row))}
          {@const pending = draft.rows[id]}
          <tr class:gone={pending?.gone}>
            {#each shownColumns as column (column.name)}
              {@const value = pending?.fields[column.name] ?? row[column.name] ?? ''}
              <td>
                <Cell
                  {column}
                  {value}
                  before={row[column.name] ?? ''}
                  changed={pending?.fields[column.name] !== undefined}
                  fault={draft.faultOf(id, column.name)}
                  conflict={draft.conflictOf(id, column.name)}
                  name={column.references ? names[column.references]?.[value] : undefined}
                  {today}
                  readonly={readonly || Boolean(pending?.gone)}
                  about="{one} {nameOf(table, row)}"
                  onchange={(to) => draft.set(table, row, column.name, to)}
                  onresolve={(mine) => {
                    const conflict = draft.conflictOf(id, column.name);
                    if (conflict) draft.resolve(id, conflict, mine);
                  }}
                />
                {#if column.references && names[column.references]?.[value] && column.name !== 'unit'}<small
                    class="name">{names[column.references]?.[value]}</small
                  >{/if}
              </td>
            {/each}
            <td class="act">
              {#if !readonly}<button
                  type="button"
                  aria-label="{pending?.gone ? 'Leave' : 'Take away'} {one} {nameOf(table, row)}"
                  title={pending?.gone ? 'Leave it' : 'Take it away'}
                  onclick={() => draft.toggleGone(table, row)}>{pending?.gone ? '↺' : '×'}</button
                >{/if}
            </td>
          </tr>
        {/each}
        {#each fresh as [id, row], place (id)}
          <tr class="fresh">
            {#each shownColumns as column, at (column.name)}
              <td onpaste={(e) => paste(e, at, id)}>
                {#if fixed[column.name] !== undefined}{row.fields[column.name]}{:else}
                  <Cell
                    {column}
                    value={row.fields[column.name] ?? ''}
                    changed
                    fault={draft.faultOf(id, column.name)}
                    {today}
                    open={id === added?.id && column.name === added.column}
                    about="New {one} {place + 1}"
                    onchange={(to) => draft.setNew(table, id, column.name, to)}
                  />
                {/if}
              </td>
            {/each}
            <td class="act"
              ><button
                type="button"
                aria-label="Leave out new {one} {place + 1}"
                onclick={() => draft.drop(id)}>×</button
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{:else if empty}<p class="py-1.5 text-ink-2">{empty}</p>{/if}
{#if !readonly}
  <p
    class="py-1"
    onpaste={(e) =>
      paste(
        e,
        shownColumns.findIndex((c) => fixed[c.name] === undefined)
      )}
  >
    <button type="button" class="link" onclick={add}>Add {article(one)} {one}</button>
    <span class="text-ink-3">, or paste rows from a spreadsheet on it</span>
  </p>
{/if}

<style>
  .rows {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    padding: 3px 10px 3px 0;
    border-bottom: 1px solid var(--line);
    color: var(--ink-3);
    font-size: 11.5px;
    font-weight: 400;
    text-align: left;
    white-space: nowrap;
  }
  th.right {
    text-align: right;
  }
  td {
    padding: 2px 10px 2px 0;
    border-bottom: 1px solid var(--line-2);
    vertical-align: top;
  }
  .gone {
    color: var(--ink-3);
    text-decoration: line-through;
  }
  .fresh {
    background: var(--marigold-tint);
  }
  .name {
    display: block;
    color: var(--ink-3);
    font-size: 11px;
  }
  .act {
    width: 20px;
    padding-right: 0;
    text-align: right;
  }
  .act button {
    padding: 0 5px;
    color: var(--ink-3);
  }
</style>
