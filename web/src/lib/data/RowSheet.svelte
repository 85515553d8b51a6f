<script lang="ts">
  import CalendarYear from './CalendarYear.svelte';
  import Cell from './Cell.svelte';
  import DraftFoot from './DraftFoot.svelte';
  import { DataDraft } from './data-draft.svelte';
  import GroupUse from './GroupUse.svelte';
  import History from './History.svelte';
  import RelatedRows from './RelatedRows.svelte';
  import SiteNetwork from './SiteNetwork.svelte';
  import type { TableScreen } from './table-screen.svelte';
  import { label, type Cells } from './tables';

  /** One row of a table on its sheet, or a new one; at the foot what follows. */
  let { screen }: { screen: TableScreen } = $props();
  /** What counts where nothing is said. */
  const OTHERWISE: Record<string, string> = {
    mon: 'yes',
    tue: 'yes',
    wed: 'yes',
    thu: 'yes',
    fri: 'yes',
    sat: 'no',
    sun: 'no',
    retired: 'no',
    calendar: 'Monday to Friday',
    efficiency: '1'
  };
  const draft = $derived(screen.draft);
  const table = $derived(screen.table);
  const today = $derived(screen.today);
  const fresh = $derived(screen.fresh[0]);
  const row = $derived(screen.row);
  const readonly = $derived(!screen.may(screen.of.table));
</script>

{#snippet fields(id: string, cells: Cells, was: Cells | undefined)}
  {#each screen.of.parts as part, i (i)}
    {#if part.title}<h3 class="section mt-4">{part.title}</h3>{/if}
    <dl class="facts">
      {#each part.columns as name (name)}
        {@const column = screen.column(name)}
        {#if column && table}
          <div>
            <dt title={column.meaning}>{label(name)}{column.required ? ' *' : ''}</dt>
            <dd>
              <Cell
                {column}
                value={cells[name] ?? ''}
                before={was ? (was[name] ?? '') : undefined}
                changed={was ? draft.rows[id]?.fields[name] !== undefined : true}
                fault={draft.faultOf(id, name)}
                conflict={draft.conflictOf(id, name)}
                name={column.references ? screen.names[column.references]?.[cells[name] ?? ''] : undefined}
                otherwise={OTHERWISE[name] ?? ''}
                {today}
                {readonly}
                open={!was && name === 'code'}
                about={was ? `${screen.of.one} ${was['code']}` : `New ${screen.of.one}`}
                onchange={(to) => (was ? draft.set(table, was, name, to) : draft.setNew(table, id, name, to))}
                onresolve={(mine) => {
                  const conflict = draft.conflictOf(id, name);
                  if (conflict) draft.resolve(id, conflict, mine);
                }}
              />
            </dd>
          </div>
        {/if}
      {/each}
    </dl>
  {/each}
{/snippet}

{#if table && (row || fresh)}
  <article class="flex min-h-full flex-col">
    <div class="flex-1 px-5 pt-3 pb-6">
      {#if fresh}
        <h2 class="text-xl">A new {screen.of.one}</h2>
        {@render fields(fresh[0], fresh[1].fields, undefined)}
      {:else if row}
        {@const id = DataDraft.id(table.name, screen.key)}
        {@const pending = draft.rows[id]}
        <h2 class="flex items-baseline gap-2.5 text-xl">
          {row['code']}
          <span class="text-base font-normal text-ink-2" style="font-stretch: 96%">{row['name'] ?? ''}</span>
          {#if !readonly}
            <button
              type="button"
              class="link ml-auto text-sm font-normal"
              onclick={() => draft.toggleGone(table, row)}
              >{pending?.gone ? 'Leave it' : 'Take it away'}</button
            >
          {/if}
        </h2>
        <div class:line-through={pending?.gone}>
          {@render fields(id, { ...row, ...pending?.fields }, row)}
        </div>
        {#if table.name === 'item_groups'}<GroupUse code={row['code'] ?? ''} />{/if}
        {#if table.name === 'calendars' && screen.today}<CalendarYear {screen} {row} />{/if}
        {#if table.name === 'sites'}<SiteNetwork here={row['code'] ?? ''} />{/if}
        {#each screen.of.related as part (part.table)}
          {#key row['code']}<RelatedRows {screen} {part} code={row['code'] ?? ''} />{/key}
        {/each}
        <h3 class="section mt-5">Changes</h3>
        <History table={table.name} row={row['code']} {today} />
      {/if}
    </div>
    <DraftFoot {draft} {today} currency={screen.currency} />
  </article>
{:else}
  <p class="grid h-full place-content-center text-ink-2">
    Choose a {screen.of.one}, or press n for a new one.
  </p>
{/if}

<style>
  .facts {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(136px, 1fr));
    gap: 4px 14px;
    margin-top: 6px;
  }
  .facts dt {
    color: var(--ink-3);
    font-size: 11px;
  }
  .facts dd :global(.cell.right) {
    justify-content: flex-start;
  }
</style>
