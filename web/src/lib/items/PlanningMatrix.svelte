<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import Cell from '$lib/data/Cell.svelte';
  import { DataDraft } from '$lib/data/data-draft.svelte';
  import { PLANNING } from '$lib/data/shown';
  import { after, label, shown, type Cells, type TableView } from '$lib/data/tables';
  import { pointHref } from '$lib/links';
  import { count, quantity, said } from '$lib/format';

  /** How an item is planned, its stock points side by side: each value with where it comes from in the margin. */
  interface Props {
    sheet: Schemas['ItemSheet'];
    table: TableView;
    draft: DataDraft;
    today: string;
    readonly: boolean;
    /** The stock point whose line is shown. */
    site: string | undefined;
    onsite: (site: string) => void;
  }
  let { sheet, table, draft, today, readonly, site, onsite }: Props = $props();
  let all = $state(false);

  const points = $derived(sheet.points.filter((p) => p.row));
  const column = $derived((name: string) => table.columns.find((c) => c.name === name));
  const key = $derived((point: Schemas['PointSheet']): Cells => ({ item: sheet.code, site: point.site }));
  const valueOf = $derived((point: Schemas['PointSheet'], name: string) =>
    point.values.find((v) => v.column === name)
  );
  const idOf = $derived((point: Schemas['PointSheet']) => DataDraft.id('planning', key(point)));
  const visible = $derived((name: string) =>
    points.some((point) => {
      const value = valueOf(point, name);
      const touched = draft.of('planning', key(point))?.fields[name] !== undefined;
      return (
        all ||
        touched ||
        draft.faultOf(idOf(point), name) !== undefined ||
        value?.origin === 'own' ||
        (value?.matters && (name !== 'frozen_days' || value.value) && !SELDOM.includes(name)) ||
        (value?.matters && value.origin === 'group')
      );
    })
  );
  /** What counts where nobody says anything; see the dataset. */
  const DEFAULTS: Record<string, string> = { rule: 'lot_for_lot', safety_stock: '0', yield: '1' };
  /** Shown where they are set, or where all is asked for. */
  const SELDOM = [
    'lead_time_per_unit_days',
    'frozen_days',
    'yield',
    'reschedule_tolerance_days',
    'pull_in_days',
    'demand_fence_days',
    'consume_back_days',
    'consume_forward_days',
    'max_quantity'
  ];

  /** Where a value comes from, in a word. */
  function origin(value: Schemas['PlannedValue'] | undefined): string {
    if (value?.origin === 'group') return sheet.item['group'] ?? 'group';
    return value?.origin ?? 'default';
  }

  /** What stands there if the stock point says nothing itself. */
  function otherwise(point: Schemas['PointSheet'], name: string): string {
    const value = valueOf(point, name);
    const col = column(name);
    if (!value || !col) return '';
    const counts = value.origin === 'own' ? value.group : value.value;
    return shown(col, counts ?? DEFAULTS[name], today);
  }
</script>

<table class="matrix" data-testid="planning">
  <thead>
    <tr>
      <th></th>
      {#each points as point (point.site)}
        <th class:here={point.site === site}>
          <button
            type="button"
            class="site"
            aria-pressed={point.site === site}
            onclick={() => onsite(point.site)}>{point.siteName}</button
          >
          <a class="link plain" href={pointHref(sheet.code, point.site)} title="In the Plan">plan</a>
          <small
            >{quantity(point.onHand)}
            {sheet.unit} on hand{point.onOrder
              ? `, ${quantity(point.onOrder)} on order`
              : ''}{point.plannedOrders ? `, ${count(point.plannedOrders, 'planned order')}` : ''}</small
          >
        </th>
      {/each}
    </tr>
  </thead>
  <tbody>
    {#each PLANNING as { title: name, columns: fields } (name)}
      {@const some = fields.filter((f) => visible(f))}
      {#if some.length > 0}
        <tr class="group"><th colspan={points.length + 1}>{name}</th></tr>
        {#each some as field (field)}
          {@const col = column(field)}
          {#if col}
            <tr>
              <th scope="row" title={col.meaning}>{label(field)}</th>
              {#each points as point (point.site)}
                {@const value = valueOf(point, field)}
                {@const pending = draft.of('planning', key(point))}
                {@const own = pending?.fields[field] ?? point.row?.[field] ?? ''}
                {@const changed = pending?.fields[field] !== undefined}
                <td class:here={point.site === site} class:idle={!value?.matters && !changed}>
                  <span
                    class="margin"
                    title={value?.origin === 'own' || own ? 'Set at this stock point' : undefined}
                  >
                    {#if own !== '' && !readonly}
                      <button
                        type="button"
                        class="back"
                        title="Set here. Press to set it back{otherwise(point, field)
                          ? ` to ${otherwise(point, field)}`
                          : ''}"
                        aria-label="{label(field)} at {point.siteName}: set back"
                        onclick={() => draft.set(table, point.row ?? {}, field, '')}>own ↺</button
                      >
                    {:else}{own !== '' ? 'own' : origin(value) === 'default' ? '' : origin(value)}{/if}
                  </span>
                  <Cell
                    column={col}
                    value={own}
                    before={point.row?.[field] ?? ''}
                    {changed}
                    otherwise={own === ''
                      ? `${otherwise(point, field)}${otherwise(point, field) ? after(field) && ` ${after(field)}` : ''}`
                      : ''}
                    fault={draft.faultOf(idOf(point), field)}
                    conflict={draft.conflictOf(idOf(point), field)}
                    name={col.references ? sheet.names[col.references]?.[own] : undefined}
                    {today}
                    {readonly}
                    about="{sheet.code} at {point.siteName}"
                    onchange={(to) => {
                      onsite(point.site);
                      draft.set(table, point.row ?? {}, field, to);
                    }}
                    onresolve={(mine) => {
                      const conflict = draft.conflictOf(idOf(point), field);
                      if (conflict) draft.resolve(idOf(point), conflict, mine);
                    }}
                  />
                  {#each point.doubts.filter((d) => d.column === field && d.would !== null && d.would !== undefined) as doubt (doubt.id)}
                    <span class="doubt"
                      >{said(doubt.sentence)}
                      {#if !readonly && !changed}<button
                          type="button"
                          class="link"
                          onclick={() => {
                            onsite(point.site);
                            draft.set(table, point.row ?? {}, field, String(doubt.would));
                          }}>Take {quantity(doubt.would ?? 0)}</button
                        >{/if}</span
                    >
                  {/each}
                </td>
              {/each}
            </tr>
          {/if}
        {/each}
      {/if}
    {/each}
  </tbody>
</table>
<p class="pt-1">
  <button type="button" class="link" onclick={() => (all = !all)}
    >{all ? 'Only what matters here' : 'All planning data'}</button
  >
</p>

<style>
  .matrix {
    width: 100%;
    border-collapse: collapse;
    table-layout: fixed;
  }
  th {
    text-align: left;
    font-weight: 400;
    vertical-align: top;
  }
  thead th {
    padding: 3px 8px 4px 0;
    border-bottom: 1px solid var(--line);
  }
  thead th:first-child,
  tbody th[scope='row'] {
    width: 118px;
    color: var(--ink-2);
  }
  thead small {
    display: block;
    color: var(--ink-3);
    font-size: 11px;
  }
  .site {
    font-weight: 700;
  }
  .site[aria-pressed='true'] {
    box-shadow: inset 0 -2px 0 var(--marigold);
  }
  .plain {
    margin-left: 6px;
    font-size: 11px;
  }
  .group th {
    padding-top: 7px;
    color: var(--ink-3);
    font-size: 11px;
  }
  tbody tr:not(.group) > * {
    padding: 2px 8px 2px 0;
    border-bottom: 1px solid var(--line-2);
  }
  td {
    position: relative;
    padding-left: 62px !important;
    vertical-align: top;
  }
  .margin {
    position: absolute;
    left: 0;
    top: 4px;
    width: 56px;
    overflow: hidden;
    border-right: 1px solid var(--marigold);
    padding-right: 5px;
    color: var(--ink-3);
    font-size: 10.5px;
    text-align: right;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .margin:empty {
    border-color: transparent;
  }
  .back {
    color: var(--ink-2);
  }
  .idle {
    opacity: 0.6;
  }
  .doubt {
    display: block;
    max-width: 300px;
    border-left: 3px solid var(--marigold);
    padding-left: 6px;
    font-size: 11.5px;
  }
  td :global(.cell.right) {
    justify-content: flex-start;
  }
</style>
