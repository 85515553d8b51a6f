import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { leaveHalfTyped } from '$lib/half-typed.svelte';
import { planState, runningOut, stockPoint } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';

export type Out = Schemas['RunningOutRow'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'point', name: 'Item and site' },
  { code: 'missing', name: 'Short', width: 84, right: true },
  { code: 'out', name: 'Runs out', width: 108, right: true }
];
/** So many go into one release at most. */
const MOST = 2000;

/** Shortage ahead: what runs out, what its supplier also has short, and all of it into one release. */
export class RunningOutScreen extends WindowedScreen<Out, Schemas['RunningOutRows']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly columns = new Columns('Running out', () => COLUMNS);
  readonly supplier = $derived(fromAddress('supplier'));
  readonly #asked = $derived.by(() => ({ words: this.sought, supplier: this.supplier }));
  readonly windows = new Windows<Out, Schemas['RunningOutRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => runningOut({ ...this.#asked, offset, limit })
  );
  /** The one that is opened. */
  readonly here = $derived.by(() => this.windows.rows.find((r) => r && r.key === this.opened));
  readonly point = createQuery(() => ({
    ...stockPoint(this.here?.item ?? '', this.here?.site ?? ''),
    enabled: this.here !== undefined
  }));
  readonly ofTheSame = createQuery(() => ({
    ...runningOut({ supplier: this.here?.supplier ?? '' }),
    enabled: (this.here?.others ?? 0) > 0
  }));
  /** What else of its supplier comes to the same site and runs out. */
  readonly others = $derived.by(() =>
    (this.here?.others ?? 0) > 0
      ? (this.ofTheSame.data?.rows ?? []).filter(
          (r) => r.site === this.here?.site && r.key !== this.here?.key
        )
      : []
  );
  refused = $state<string | undefined>();

  constructor() {
    super({ name: 'running-out', row: 'point', opened: 'point' });
  }

  get empty(): string {
    return this.sought || this.supplier
      ? 'Nothing that runs out fits these words.'
      : 'Nothing runs out within the plan: stock and open orders last.';
  }

  /** The planned orders of the selected ones, or of the one that is opened, go to the preview of their release. */
  release(rows?: Out[]): void {
    if (!rights.releases()) {
      this.refused = rights.refusal('FIRM');
      return;
    }
    void (rows ? Promise.resolve(rows) : this.#chosen())
      .then((all) => this.#releaseOf(all))
      .catch((e: Error) => (this.refused = e.message));
  }

  #releaseOf(rows: Out[]): void {
    const keys = rows.flatMap((r) => (r.order ? [r.order] : [])).slice(0, MOST);
    if (keys.length === 0) {
      this.refused = 'No order is planned for it: it has no source.';
      return;
    }
    leaveHalfTyped('/plan', 'release', { keys });
    void goto('/plan');
  }

  /** It, and all that its supplier also has short here. */
  releaseAll(): void {
    if (this.here) this.release([this.here, ...this.others]);
  }

  /** Those that are selected, also where they are out of sight and have yet to come. */
  async #chosen(): Promise<Out[]> {
    const { selected } = this.list;
    if (selected.size > 0) return (await this.windows.everything()).filter((r) => selected.has(r.key));
    return this.here ? [this.here] : [];
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(runningOut({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(row: Out): string {
    return row.key;
  }

  protected sheetOf(rows: Out[]): Sheet {
    return {
      header: [
        'item',
        'name',
        'site',
        'unit',
        'source',
        'supplier',
        'runs_out',
        'days',
        'missing',
        'order_starts',
        'late_days'
      ],
      rows: rows.map((r) => [
        r.item,
        r.itemName,
        r.site,
        r.unit,
        r.source,
        r.supplierName,
        r.out,
        r.days,
        r.missing,
        r.start,
        r.late
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'r', says: 'Release what brings it', run: () => this.release() },
      { keys: 'R', says: 'Release it and all that its supplier has short', run: () => this.releaseAll() }
    ];
  }
}
