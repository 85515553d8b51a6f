<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import Cell from '$lib/data/Cell.svelte';
  import { DataDraft } from '$lib/data/data-draft.svelte';
  import { keyOf, label, typed, type Cells, type TableView } from '$lib/data/tables';
  import { date, money, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import { buildable } from '$lib/queries';

  /** A bill of materials as an outline on all levels, changed where it stands. */
  interface Props {
    item: string;
    rows: Schemas['BomRow'][];
    /** The lines that the rows stand for, as they are kept. */
    lines: Cells[];
    table: TableView;
    draft: DataDraft;
    /** The site whose stock is looked at. */
    site: string | undefined;
    siteName: string | undefined;
    today: string;
    currency: string;
    readonly: boolean;
    /** What the material in one costs at standard. */
    cost: number | null | undefined;
  }
  let { item, rows, lines, table, draft, site, siteName, today, currency, readonly, cost }: Props = $props();
  /** Rows that were opened or closed by hand, by position; the item's own lines stand closed at the start. */
  let turned = $state<Record<number, boolean>>({});
  let more = $state(false);
  const cellsOf = (row: Schemas['BomRow']): Cells => lines[row.row] ?? {};
  const built = createQuery(() => ({
    ...buildable(item, site ?? ''),
    enabled: site !== undefined && rows.length > 0
  }));
  const isOpen = $derived((i: number) => turned[i] ?? false);
  const visible = $derived.by(() => {
    const seen: number[] = [];
    let closedAt = Infinity;
    rows.forEach((row, i) => {
      if (row.depth > closedAt) return;
      closedAt = isOpen(i) ? Infinity : row.depth;
      seen.push(i);
    });
    return seen;
  });
  const column = $derived((name: string) => table.columns.find((c) => c.name === name));
  const MAIN = ['line', 'component', 'quantity', 'unit', 'scrap'];
  const REST = ['per', 'step', 'valid_from', 'valid_to'];
  const used = $derived(
    REST.filter((name) => more || lines.some((r) => r[name]) || draft.all.some((p) => p.fields[name]))
  );
  const edited = $derived([...MAIN, ...used]);
  const fresh = $derived(draft.fresh('bom_lines', { parent: item }));
  let added = $state<string | undefined>();
  const limits = $derived(new Set((built.data?.deep.limits ?? []).map((l) => l.item)));

  /** The next line's number, behind all that there are. */
  function nextLine(): string {
    const numbers = [
      ...rows.filter((r) => r.depth === 0).map((r) => Number(r.line)),
      ...fresh.map(([, r]) => Number(r.fields['line'] ?? 0))
    ].filter((n) => Number.isInteger(n));
    return String(Math.max(0, ...numbers) + 10);
  }

  function add() {
    added = draft.add(table, { parent: item, line: nextLine() });
  }

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
      const cells: Cells = { parent: item, line: nextLine() };
      line.split('\t').forEach((cell, i) => {
        const col = column(edited[from + i] ?? '');
        if (col && cell.trim() !== '') cells[col.name] = typed(col, cell, today);
      });
      draft.add(table, cells);
    }
  }

  /** A line goes before the one above it: the two exchange their places. */
  function up(index: number) {
    const own = rows.filter((r) => r.depth === 0);
    const at = own.findIndex((r) => r === rows[index]);
    const [row, above] = [own[at], own[at - 1]];
    if (!row || !above) return;
    const [mine, other] = [numberOf(row), numberOf(above)];
    for (const [of, to] of [
      [row, other],
      [above, mine]
    ] as const) {
      draft.set(table, cellsOf(of), 'line', to);
    }
  }
  const numberOf = (row: Schemas['BomRow']) =>
    draft.of('bom_lines', keyOf(table, cellsOf(row)))?.fields['line'] ?? row.line;
</script>

{#if built.data && rows.length > 0}
  <p class="built" data-testid="buildable">
    At {siteName} <b>{built.data.direct.open ? 'any number' : quantity(built.data.direct.quantity)}</b> could
    be built of the components that lie there{#if !built.data.deep.open && built.data.deep.quantity !== built.data.direct.quantity},
      <b>{quantity(built.data.deep.quantity)}</b> with what is made there made too{/if}.
    {#each built.data.deep.limits.slice(0, 2) as limit (limit.item)}
      <span class="ml-1"
        ><a class="link" href={itemHref(limit.item)}>{limit.item}</a> stops the next one: {quantity(
          limit.missing
        )}
        {limit.unit} missing{limit.comes
          ? `, ${quantity(limit.comesQuantity ?? 0)} come on ${date(limit.comes, today)}`
          : ', none on order'}.</span
      >
    {/each}
  </p>
{/if}
{#if rows.length + fresh.length > 0}
  <p class="flex gap-3 py-1 text-sm">
    <button
      type="button"
      class="link"
      onclick={() => (turned = Object.fromEntries(rows.map((_, i) => [i, true])))}>open all</button
    >
    <button type="button" class="link" onclick={() => (turned = {})}>close all</button>
    <button type="button" class="link" onclick={() => (more = !more)}
      >{more ? 'fewer columns' : 'step, validity, lead time, cost'}</button
    >
    {#if cost}<span class="ml-auto text-ink-2"
        >Material at standard <b class="text-ink">{money(cost, currency)}</b></span
      >{/if}
  </p>
  <table class="bill" data-testid="bom">
    <thead>
      <tr>
        {#each edited as name (name)}
          <th
            class:right={column(name)?.holds === 'number'}
            class:name={name === 'component'}
            title={column(name)?.meaning}>{label(name)}</th
          >
        {/each}
        {#if more}
          <th class="right" title="Working days to get it at the site">Lead time</th>
          <th class="right" title="What is in one is worth so much at standard">Cost in one</th>
        {/if}
        <th class="right" title="So much is in one finished unit">In one</th>
        <th class="right" title="The stock at the site is enough for so many finished units">Enough for</th>
        <th></th>
      </tr>
    </thead>
    <tbody>
      {#each visible as i (i)}
        {@const row = rows[i]}
        {#if row}
          {@const id = DataDraft.id('bom_lines', keyOf(table, cellsOf(row)))}
          {@const pending = draft.rows[id]}
          <tr class:gone={pending?.gone} class:below={row.depth > 0} data-item={row.item}>
            {#each edited as name (name)}
              {@const col = column(name)}
              {#if col}
                <td
                  class:name={name === 'component'}
                  style:padding-left={name === 'component' ? `${row.depth * 16}px` : undefined}
                >
                  <span class="flex items-center gap-1.5">
                    {#if name === 'component'}
                      {#if row.hasComponents}
                        <button
                          type="button"
                          class="fold"
                          aria-expanded={isOpen(i)}
                          aria-label="Components of {row.item}"
                          onclick={() => (turned[i] = !isOpen(i))}>{isOpen(i) ? '−' : '+'}</button
                        >
                      {:else}<span class="fold none"></span>{/if}
                    {/if}
                    <Cell
                      column={col}
                      value={pending?.fields[name] ?? cellsOf(row)[name] ?? ''}
                      before={cellsOf(row)[name] ?? ''}
                      changed={pending?.fields[name] !== undefined}
                      otherwise={name === 'unit' ? row.ownUnit : ''}
                      fault={draft.faultOf(id, name)}
                      conflict={draft.conflictOf(id, name)}
                      {today}
                      readonly={readonly || Boolean(pending?.gone)}
                      about="{row.item} in {row.parent}"
                      onchange={(to) => draft.set(table, cellsOf(row), name, to)}
                      onresolve={(mine) => {
                        const conflict = draft.conflictOf(id, name);
                        if (conflict) draft.resolve(id, conflict, mine);
                      }}
                    />
                    {#if name === 'component'}
                      <a class="truncate text-ink-2 hover:underline" href={itemHref(row.item)}>{row.name}</a>
                      {#if row.kind !== 'stocked'}<small class="text-ink-3">{row.kind}</small>{/if}
                      {#if row.loop}<b class="text-vermilion">leads back to itself</b>{/if}
                    {/if}
                  </span>
                </td>
              {/if}
            {/each}
            {#if more}
              <td class="right"
                >{#if row.leadTimeDays !== null && row.leadTimeDays !== undefined}{row.leadTimeDays}
                  <small class="text-ink-3">d</small>{/if}</td
              >
              <td class="right">{row.cost ? money(row.cost, currency) : ''}</td>
            {/if}
            <td class="right"
              >{#if row.each !== null && row.each !== undefined}{quantity(row.each)}
                <small class="text-ink-3">{row.ownUnit}</small>{:else}<small class="text-ink-3"
                  >an order</small
                >{/if}</td
            >
            <td class="right">
              {#if row.enough !== null && row.enough !== undefined}
                <span
                  class="cover"
                  class:stops={limits.has(row.item)}
                  title="{quantity(row.onHand)} {row.ownUnit} on hand"
                  ><i style:width="{Math.round((100 * row.enough) / (row.enough + 20))}%"></i></span
                >
                <span class:text-vermilion={limits.has(row.item)} class:font-bold={limits.has(row.item)}
                  >{quantity(row.enough)}</span
                >
              {/if}
            </td>
            <td class="act">
              {#if !readonly}
                {#if row.depth === 0 && i > 0}<button
                    type="button"
                    aria-label="{row.item}: before the line above"
                    title="Before the line above"
                    onclick={() => up(i)}>↑</button
                  >{/if}<button
                  type="button"
                  aria-label="{pending?.gone ? 'Leave' : 'Take out'} {row.item}"
                  title={pending?.gone ? 'Leave it' : 'Take it out'}
                  onclick={() => draft.toggleGone(table, cellsOf(row))}>{pending?.gone ? '↺' : '×'}</button
                >{/if}
            </td>
          </tr>
        {/if}
      {/each}
      {#each fresh as [id, row], place (id)}
        <tr class="fresh">
          {#each edited as name, at (name)}
            {@const col = column(name)}
            {#if col}
              <td class:name={name === 'component'} onpaste={(e) => paste(e, at, id)}>
                <Cell
                  column={col}
                  value={row.fields[name] ?? ''}
                  changed
                  fault={draft.faultOf(id, name)}
                  {today}
                  open={id === added && name === 'component'}
                  about="New line {place + 1}"
                  onchange={(to) => draft.setNew(table, id, name, to)}
                />
              </td>
            {/if}
          {/each}
          {#if more}<td></td><td></td>{/if}
          <td></td><td></td>
          <td class="act"
            ><button type="button" aria-label="Leave out new line {place + 1}" onclick={() => draft.drop(id)}
              >×</button
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{:else}
  <p class="py-1.5 text-ink-2">It has no components.</p>
{/if}
{#if !readonly}
  <p class="py-1" onpaste={(e) => paste(e, 1)}>
    <button type="button" class="link" onclick={add}>Add a component</button>
    <span class="text-ink-3">, or paste component, quantity and unit from a spreadsheet on it</span>
  </p>
{/if}

<style>
  .built {
    border-left: 3px solid var(--line);
    padding: 2px 8px;
    margin-top: 4px;
  }
  .bill {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    padding: 3px 8px 3px 0;
    border-bottom: 1px solid var(--line);
    color: var(--ink-3);
    font-size: 11.5px;
    font-weight: 400;
    text-align: left;
    white-space: nowrap;
  }
  td {
    padding: 2px 8px 2px 0;
    border-bottom: 1px solid var(--line-2);
    vertical-align: top;
  }
  td.name :global(.cell) {
    flex: none;
  }
  td.name {
    width: 45%;
    max-width: 0;
  }
  .right {
    text-align: right;
    white-space: nowrap;
  }
  .below {
    color: var(--ink-2);
  }
  .gone {
    color: var(--ink-3);
    text-decoration: line-through;
  }
  .fresh {
    background: var(--marigold-tint);
  }
  .fold {
    display: inline-grid;
    place-items: center;
    width: 15px;
    height: 15px;
    flex: none;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    line-height: 1;
  }
  .none {
    border-color: transparent;
  }
  .cover {
    display: inline-block;
    width: 40px;
    height: 5px;
    margin-right: 3px;
    background: var(--line-2);
    vertical-align: middle;
  }
  .cover i {
    display: block;
    height: 100%;
    background: var(--ink-3);
  }
  .cover.stops i {
    background: var(--vermilion);
    min-width: 2px;
  }
  .act {
    padding-right: 0;
    text-align: right;
    white-space: nowrap;
  }
  .act button {
    padding: 0 4px;
    color: var(--ink-3);
  }
</style>
