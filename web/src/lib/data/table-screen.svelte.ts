import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { dataTables, planState, tablePart, tableRows } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';
import { cameBack } from '$lib/left.svelte';
import { DataDraft, type Typed } from './data-draft.svelte';
import { keyOf, label, shown, type Cells, type ColumnView, type TableView } from './tables';

/** Rows of another table that say something about the row in view. */
export interface Related {
  table: string;
  title: string;
  one: string;
  /** The column in which they name it. */
  column: string;
  columns: string[];
  empty: string;
  next?: () => Cells;
}

/** What a view of a table shows. */
export interface Shown {
  table: string;
  /** What one row is called. */
  one: string;
  /** What stands in the list beside code and name. */
  list: string[];
  /** Columns of the sheet, by what they are about. */
  parts: { title?: string; columns: string[] }[];
  related: Related[];
}

/** The rows of a table with a code, one of them on its sheet. Made while its component comes. */
export class TableScreen extends WindowedScreen<Cells, Schemas['RowsView']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly tables = createQuery(dataTables);
  #of = $state.raw<Shown | undefined>();
  readonly sort = $derived(fromAddress('sort'));
  readonly #asked = $derived.by(() => ({
    table: this.#of?.table ?? '',
    words: this.sought,
    sort: this.sort?.replace('-', ''),
    desc: this.sort?.startsWith('-') || undefined
  }));
  readonly windows: Windows<Cells, Schemas['RowsView']>;
  readonly #opened = createQuery(() => ({
    ...tableRows({ table: this.#of?.table ?? '', column: 'code', value: [this.opened ?? ''] }),
    enabled: this.#of !== undefined && this.opened !== undefined
  }));
  readonly columns: Columns;
  readonly last = new LastDecision();
  readonly draft: DataDraft;

  constructor(of: Shown) {
    super({ name: of.table, row: of.one, opened: 'code' });
    this.#of = of;
    this.windows = new Windows(
      () => JSON.stringify(this.#asked),
      (offset, limit) => tablePart({ ...this.#asked, offset, limit })
    );
    this.columns = new Columns(of.table, () => [
      { code: 'selected', name: '', width: 14, fixed: true },
      { code: 'code', name: 'Code', width: 110 },
      { code: 'name', name: 'Name' },
      ...of.list.map((name) => ({ code: name, name: label(name), width: 100 }))
    ]);
    this.draft = new DataDraft(of.table, (decision) => this.wasKept(decision));
    this.draft.goOn(cameBack<Typed>()?.typed);
  }

  protected override kept(): object {
    return { ...super.kept(), typed: this.draft.typed };
  }

  get of(): Shown {
    if (!this.#of) throw new Error('Nothing is shown');
    return this.#of;
  }

  readonly table = $derived.by(() => this.tables.data?.find((t) => t.name === this.#of?.table));
  /** The row that is opened. */
  readonly row = $derived.by(
    () => this.#opened.data?.rows.find((r) => r['code'] === this.opened) as Cells | undefined
  );
  /** Of the codes that the opened row names, by table and code. */
  readonly names = $derived.by(() => this.#opened.data?.names ?? {});

  view(name: string): TableView | undefined {
    return this.tables.data?.find((t) => t.name === name);
  }

  column(name: string): ColumnView | undefined {
    return this.table?.columns.find((c) => c.name === name);
  }

  text(row: Cells, name: string): string {
    const column = this.column(name);
    return column ? shown(column, row[name], this.today) : '';
  }

  may(table: string): boolean {
    return rights.changes(table);
  }

  get empty(): string {
    return this.sought ? 'Nothing fits this filter.' : `There is no ${this.of.one} yet.`;
  }

  /** A new row, to be filled in. */
  add(): void {
    if (this.table && this.may(this.of.table) && this.fresh.length === 0) this.draft.add(this.table, {});
  }

  readonly fresh = $derived.by(() => this.draft.fresh(this.#of?.table ?? ''));

  wasKept(decision: Schemas['Decision']): void {
    this.last.keep(decision);
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(tablePart({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(row: Cells): string {
    return row['code'] ?? '';
  }

  protected sheetOf(rows: Cells[]): Sheet {
    const names = this.table?.columns.map((c) => c.name) ?? [];
    return { header: names, rows: rows.map((r) => names.map((n) => r[n])) };
  }

  /** The key of the opened row. */
  readonly key = $derived.by(() => (this.table && this.row ? keyOf(this.table, this.row) : {}));

  protected override keys() {
    return [
      ...super.keys().filter((k) => k.keys !== 'Escape'),
      {
        keys: 'Escape',
        says: 'Back, or select none',
        run: () => (this.draft.any ? this.draft.clear() : this.list.selected.clear())
      },
      { keys: 'Enter', says: 'Keep what was changed', run: () => this.draft.keep() },
      { keys: 'n', says: `A new ${this.of.one}`, also: 'add', run: () => this.add() },
      {
        keys: 'u',
        says: 'Take back what was kept last',
        also: 'undo',
        run: () => void this.last.takeBack()
      }
    ];
  }
}
