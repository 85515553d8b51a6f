import { createQuery } from '@tanstack/svelte-query';
import type { Schemas } from '$lib/api/client';
import { DataDraft } from '$lib/data/data-draft.svelte';
import type { Cells, ColumnView, TableView } from '$lib/data/tables';
import { dataTables, item, itemSheet, planState, tableRows } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import type { Kind } from '$lib/plan/command';

interface Part {
  table: string;
  title: string;
  one: string;
  columns: string[];
  empty: string;
  next?: () => Cells;
}

/** What stands there where an item says nothing. */
const OTHERWISE: Record<string, string> = {
  kind: 'stocked',
  tracking: 'none',
  costing: 'standard',
  retired: 'no'
};

/** One item on its sheet: what is kept of it, what is being changed, and what follows. Made while its pane comes. */
export class ItemScreen {
  /** The item in view; said by the constructor, which comes after the fields. */
  #opened = $state.raw<() => string>(() => '');
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly tables = createQuery(dataTables);
  readonly sheet = createQuery(() => ({ ...itemSheet(this.code()), enabled: this.code() !== '' }));
  #site = $state<{ item: string; site: string } | undefined>();
  readonly detail = createQuery(() => ({
    ...item(this.code(), this.site),
    enabled: this.code() !== ''
  }));
  readonly #sites = createQuery(() => tableRows({ table: 'sites', limit: 200 }));
  readonly draft: DataDraft;

  constructor(
    opened: () => string,
    onkept: (decision: Schemas['Decision']) => void,
    readonly decide: (kind: Kind) => void
  ) {
    this.#opened = opened;
    this.draft = new DataDraft('item', onkept, () =>
      this.site ? { item: this.code(), site: this.site } : {}
    );
  }

  code(): string {
    return this.#opened();
  }

  /** The stock point whose line is shown and whose stock is looked at. */
  get site(): string | undefined {
    const points = this.sheet.data?.points ?? [];
    const chosen = this.#site?.item === this.code() ? this.#site.site : undefined;
    return chosen ?? points.find((p) => p.row)?.site ?? points[0]?.site;
  }

  set site(site: string | undefined) {
    this.#site = site === undefined ? undefined : { item: this.code(), site };
  }

  readonly ready = $derived.by(
    () => this.tables.data !== undefined && this.sheet.data?.code === this.code() && !this.detail.isPending
  );

  readonly sites = $derived(
    (this.#sites.data?.rows ?? [])
      .filter((s) => s['retired'] !== 'true')
      .map((s) => ({ code: s['code'] ?? '', name: s['name'] ?? s['code'] ?? '' }))
  );

  table(name: string): TableView | undefined {
    return this.tables.data?.find((t) => t.name === name);
  }

  column(table: string, name: string): ColumnView {
    const found = this.table(table)?.columns.find((c) => c.name === name);
    if (!found) throw new Error(`There is no ${name} of ${table}`);
    return found;
  }

  may(table: string): boolean {
    return rights.changes(table);
  }

  otherwise(column: string): string {
    return OTHERWISE[column] ?? '';
  }

  /** The number behind all that there are. */
  #behind(table: string, column: string): string {
    const numbers = [
      ...(this.sheet.data?.rows[table] ?? []).map((r) => Number(r[column] ?? 0)),
      ...this.draft.fresh(table).map(([, r]) => Number(r.fields[column] ?? 0))
    ].filter((n) => Number.isInteger(n));
    return String(Math.max(0, ...numbers) + 10);
  }

  readonly TABLES: Part[] = [
    {
      table: 'operations',
      title: 'Routing',
      one: 'operation',
      columns: [
        'step',
        'site',
        'work_center',
        'queue_minutes',
        'setup_minutes',
        'run_minutes_per_unit',
        'move_minutes',
        'note'
      ],
      empty: 'It has no operations: its lead time is the stock point’s.',
      next: () => ({ step: this.#behind('operations', 'step') })
    },
    {
      table: 'supplier_items',
      title: 'Suppliers and prices',
      one: 'price',
      columns: [
        'supplier',
        'from_quantity',
        'unit',
        'price',
        'lead_time_days',
        'min_quantity',
        'multiple',
        'max_quantity',
        'preference',
        'valid_from',
        'valid_to'
      ],
      empty: 'No supplier offers it.',
      next: () => ({ from_quantity: '0' })
    },
    {
      table: 'unit_conversions',
      title: 'Other units',
      one: 'conversion',
      columns: ['from_unit', 'to_unit', 'factor'],
      empty: 'It is counted in its own unit alone, or converted as everything is.'
    },
    {
      table: 'alternative_items',
      title: 'What can take its place',
      one: 'alternative',
      columns: ['alternative', 'parent', 'factor', 'preference'],
      empty: 'Nothing can.'
    }
  ];
}
