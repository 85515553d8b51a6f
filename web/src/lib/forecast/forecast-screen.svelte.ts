import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { untrack } from 'svelte';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { halfTyped } from '$lib/half-typed.svelte';
import type { Deciding } from '$lib/plan/command';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { forecastOf, forecastSeries, forecastSets, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';
import { HistoryPoint } from './history-point.svelte';
import { changeOf, type Method, type Series } from './series';

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'series', name: 'Item and site' },
  { code: 'quantity', name: 'Next year', width: 86, right: true },
  { code: 'change', name: 'Change', width: 62, right: true },
  { code: 'mase', name: 'Error', width: 56, right: true }
];

/** The series of the company with their forecasts: which one is looked at, by which method, and what is kept of it. */
export class ForecastScreen extends WindowedScreen<Series, Schemas['SeriesRows']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly sort = $derived(fromAddress('sort'));
  readonly columns = new Columns('Forecast', () => COLUMNS);
  readonly #asked = $derived.by(() => ({
    words: this.sought,
    sort: this.sort?.replace('-', ''),
    desc: this.sort === undefined ? undefined : this.sort.startsWith('-')
  }));
  readonly windows = new Windows<Series, Schemas['SeriesRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => forecastSeries({ ...this.#asked, offset, limit })
  );
  readonly set = $derived(this.windows.any?.set ?? undefined);
  readonly bucket = $derived((fromAddress('bucket') ?? 'MONTH') as 'MONTH' | 'WEEK' | 'DAY');
  readonly method = $derived(fromAddress('method') as Method | undefined);
  readonly #place = $derived((this.opened ?? '').split('~').map(decodeURIComponent));
  readonly item = $derived(this.#place[0] ?? '');
  readonly site = $derived(this.#place[1] ?? '');
  readonly series = createQuery(() => ({
    ...forecastOf({ item: this.item, site: this.site, bucket: this.bucket, method: this.method }),
    enabled: this.item !== '' && this.site !== ''
  }));
  readonly point = new HistoryPoint({
    series: () => this.series.data,
    method: () => this.method,
    onkept: (decision) => this.last.keep(decision)
  });
  readonly sets = createQuery(forecastSets);
  deciding = $state.raw<Deciding | undefined>();
  readonly last = new LastDecision();
  refused = $state<string | undefined>();
  pane = $state<{ keep: () => void } | undefined>();

  constructor() {
    super({ name: 'forecast', row: 'series', opened: 'series' });
    // another series has another history
    $effect(() => {
      void this.opened;
      void this.bucket;
      untrack(() => this.point.close());
    });
    const left = halfTyped<Deciding>('decision');
    if (left?.kind === 'FORECAST') this.deciding = left;
  }

  get empty(): string {
    return this.sought
      ? 'No series fits these words.'
      : 'Nothing was shipped yet, so there is nothing to forecast from. Bring the shipments in.';
  }

  /** By the method that did best, or by one that is chosen. */
  by(method: Method | undefined): void {
    void toAddress({ method });
  }

  /** The next method of the list, by its error; after the last the best again. */
  nextMethod(): void {
    const all = this.series.data?.methods ?? [];
    const at = all.findIndex((m) => m.method === this.series.data?.method);
    const next = all[(at + 1) % Math.max(1, all.length)];
    if (next) this.by(next.method);
  }

  inBuckets(bucket: string): void {
    void toAddress({ bucket: bucket === 'MONTH' ? undefined : bucket, method: undefined });
  }

  /** What would be kept is shown first, with what the plan makes of it. */
  keep(): void {
    const chosen = [...this.list.selected];
    if (!this.item && chosen.length === 0) return;
    if (!rights.decides('FORECAST')) {
      this.refused = rights.refusal('FORECAST');
      return;
    }
    this.refused = undefined;
    this.deciding = {
      kind: 'FORECAST',
      orders: [],
      item: chosen.length > 0 ? undefined : this.item,
      site: chosen.length > 0 ? undefined : this.site,
      form:
        chosen.length > 0
          ? { set: this.set ?? 'Auto', bucket: this.bucket, series: chosen }
          : { set: this.set ?? 'Auto', bucket: this.bucket, method: this.method }
    };
  }

  close(): void {
    this.deciding = undefined;
  }

  wasKept(decision: Schemas['Decision']): void {
    this.deciding = undefined;
    this.list.selected.clear();
    this.last.keep(decision);
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(forecastSeries({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(series: Series): string {
    return series.key;
  }

  /** One row a series, one column a month, as forecasts are brought in again. */
  protected sheetOf(rows: Series[]): Sheet {
    return {
      header: [
        'item',
        'name',
        'site',
        'unit',
        'method',
        'mase',
        'bias',
        'last_year',
        'change',
        'value',
        ...(this.windows.any?.months ?? [])
      ],
      rows: rows.map((s) => [
        s.item,
        s.itemName,
        s.site,
        s.unit,
        s.methodTitle,
        s.mase,
        s.bias,
        s.lastYear,
        changeOf(s),
        s.value,
        ...s.ahead
      ])
    };
  }

  #escape(): void {
    if (this.deciding) this.close();
    else if (this.point.from !== undefined) this.point.close();
    else {
      this.refused = undefined;
      this.last.forget();
      this.list.selected.clear();
    }
  }

  protected override keys() {
    return [
      ...super.keys().filter((k) => k.keys !== 'Escape'),
      { keys: 'm', says: 'The next method', also: 'forecast by', run: () => this.nextMethod() },
      { keys: 'M', says: 'The method with the least error', run: () => this.by(undefined) },
      {
        keys: 'c',
        says: 'Correct the history',
        also: 'outlier promotion',
        run: () => this.point.pickUnusual()
      },
      {
        keys: 'e',
        says: 'Keep the forecast, or those of all selected',
        also: 'set save',
        run: () => this.keep()
      },
      { keys: 'Enter', says: 'Keep what is shown', run: () => this.pane?.keep() },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => void this.last.takeBack() },
      { keys: 'Escape', says: 'Back', run: () => this.#escape() }
    ];
  }
}
