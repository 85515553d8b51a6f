import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { HealthMark } from '$lib/data/health-mark.svelte';
import { DataDraft } from '$lib/data/data-draft.svelte';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { dataHealth, dataTables, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';

export type Known = Schemas['KnownFinding'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'consequence', name: '', width: 8, fixed: true },
  { code: 'kind', name: 'What is wrong' },
  { code: 'about', name: 'About', width: 150 },
  { code: 'weight', name: 'Depends on it', width: 92, right: true }
];

/** What is wrong, in a few words. */
const KINDS: Record<string, string> = {
  loop: 'made of itself',
  nobody_supplies: 'nobody supplies it',
  no_source: 'no source',
  no_supplier: 'no supplier',
  no_components: 'no bill of materials',
  lead_time_never_set: 'lead time never set',
  lead_time_zero: 'lead time 0',
  reorder_point_low: 'reorder point too low',
  customer_order_past: 'wanted before today',
  not_a_multiple: 'no whole multiple',
  minimum_large: 'smallest order too large',
  forecast_without_history: 'forecast without history',
  price_missing: 'no purchase price',
  price_expired: 'terms expired',
  cost_missing: 'no standard cost',
  sales_price_missing: 'no sales price',
  retired_in_use: 'retired, still in use',
  same_name: 'the same name twice'
};

export function kindName(kind: string): string {
  return KINDS[kind] ?? kind.replaceAll('_', ' ');
}

/** The health of the data: what is wrong or doubtful, one of it with its repair. */
export class HealthScreen extends ListScreen<Known> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly tables = createQuery(dataTables);
  readonly kind = $derived(fromAddress('kind'));
  readonly waived = $derived(fromAddress('waived') !== undefined);
  readonly rows = createQuery(() =>
    dataHealth({ words: this.sought, kind: this.kind, waived: this.waived || undefined })
  );
  readonly columns = new Columns('Health', () => COLUMNS);
  readonly last = new LastDecision();
  readonly mark = new HealthMark();
  readonly draft = new DataDraft('health', (decision) => this.last.keep(decision));
  refused = $state<string | undefined>();

  constructor() {
    super({ name: 'health', row: 'finding', opened: 'finding' });
  }

  readonly known = $derived.by(() => this.rows.data?.rows.find((r) => r.finding.id === this.opened));
  readonly kinds = $derived(
    Object.entries(this.rows.data?.kinds ?? {}).map(([code, n]) => ({
      code,
      name: `${kindName(code)} (${n})`
    }))
  );

  table(name: string) {
    return this.tables.data?.find((t) => t.name === name);
  }

  may(table: string): boolean {
    return rights.changes(table);
  }

  get empty(): string {
    return this.sought || this.kind
      ? 'Nothing fits these filters.'
      : this.waived
        ? 'Nobody lives with anything.'
        : 'Nothing is wrong or doubtful in the data.';
  }

  /** Somebody lives with it for a reason; without one no longer. */
  async waive(finding: string, reason: string): Promise<void> {
    this.refused = undefined;
    try {
      await answer(api.POST('/api/data/health/waivers', { body: { id: finding, reason } }));
      const next = reason ? this.list.step(1) : undefined;
      await this.#client.invalidateQueries({ queryKey: ['plan', 'data-health'] });
      if (next) this.open(next);
    } catch (e) {
      this.refused = (e as Error).message;
    }
  }

  protected all(): Known[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(known: Known): string {
    return known.finding.id;
  }

  protected sheetOf(rows: Known[]): Sheet {
    return {
      header: ['consequence', 'kind', 'item', 'site', 'sentence', 'value', 'would'],
      rows: rows.map(({ finding: f }) => [
        f.consequence,
        f.kind,
        f.item,
        f.site,
        f.sentence,
        f.value,
        f.would
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys().filter((k) => k.keys !== 'Escape'),
      {
        keys: 'Escape',
        says: 'Back, or select none',
        run: () => (this.draft.any ? this.draft.clear() : this.list.selected.clear())
      },
      { keys: 'Enter', says: 'Keep the repair', run: () => this.draft.keep() },
      {
        keys: 'u',
        says: 'Take back what was kept last',
        also: 'undo',
        run: () => void this.last.takeBack()
      }
    ];
  }
}
