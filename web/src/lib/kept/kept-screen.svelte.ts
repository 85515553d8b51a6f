import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { keptPromises, planState } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';

export type KeptPromise = Schemas['KeptRow'];
export type KeptSum = Schemas['KeptSum'];
/** By what all of them are put together. */
export type By = 'month' | 'customer' | 'group';

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'number', name: 'Customer order' },
  { code: 'promised', name: 'Promised', width: 66, right: true },
  { code: 'days', name: 'Went', width: 104, right: true }
];

/** What customers were promised against what was shipped, the latest first. */
export class KeptScreen extends WindowedScreen<KeptPromise, Schemas['KeptRows']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Kept', () => COLUMNS);
  readonly sort = $derived(fromAddress('sort'));
  readonly broken = $derived(fromAddress('broken') === 'only');
  readonly only = $derived({
    month: fromAddress('month'),
    customer: fromAddress('customer'),
    group: fromAddress('group')
  });
  readonly #asked = $derived.by(() => ({
    ...this.only,
    words: this.sought,
    broken: this.broken || undefined,
    sort: this.sort?.replace('-', ''),
    desc: this.sort?.startsWith('-') || undefined
  }));
  readonly windows = new Windows<KeptPromise, Schemas['KeptRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => keptPromises({ ...this.#asked, offset, limit })
  );
  readonly sums = $derived(this.windows.any);
  /** The one that is opened. */
  readonly here = $derived.by(() => this.windows.rows.find((r) => r && r.key === this.opened));

  constructor() {
    super({ name: 'promises-kept', row: 'line', opened: 'line' });
  }

  get empty(): string {
    return this.sought || this.broken || Object.values(this.only).some((o) => o !== undefined)
      ? 'No promise fits.'
      : 'No promise has come to its day yet. Promise a line in the order sheet; when its day is over, it stands here.';
  }

  /** Only those of one month, customer or group; once more: all again. */
  choose(by: By, code: string): void {
    void toAddress({ [by]: this.only[by] === code ? undefined : code });
  }

  widen(): void {
    void toAddress({ month: undefined, customer: undefined, group: undefined, broken: undefined });
  }

  /** The order itself, also where it is done. */
  order(): void {
    if (!this.here) return;
    const done = this.here.turned === 'overdue' ? '' : 'state=done&';
    void goto(`/demand?${done}line=${encodeURIComponent(this.here.key)}`);
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(keptPromises({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(row: KeptPromise): string {
    return row.key;
  }

  protected sheetOf(rows: KeptPromise[]): Sheet {
    return {
      header: [
        'number',
        'line',
        'customer',
        'item',
        'ordered',
        'unit',
        'wanted',
        'promised',
        'in_time',
        'shipped',
        'last',
        'turned',
        'days',
        'value'
      ],
      rows: rows.map((r) => [
        r.number,
        r.line,
        r.customer,
        r.item,
        r.ordered,
        r.unit,
        r.wanted,
        r.promised,
        r.inTime,
        r.shipped,
        r.last,
        r.turned,
        r.days,
        r.value
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'v', says: 'The order', run: () => this.order() },
      {
        keys: 'o',
        says: 'Only what was not kept',
        also: 'late overdue short broken promises',
        run: () => this.filter('broken', this.broken ? undefined : 'only')
      },
      { keys: 'A', says: 'All months, customers and groups again', run: () => this.widen() }
    ];
  }
}
