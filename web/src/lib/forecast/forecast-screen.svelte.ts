import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { untrack } from 'svelte';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { quantity } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import type { Deciding } from '$lib/plan/command';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { forecastOf, forecastSeries, forecastSets, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';
import { ChoiceForm } from './choice-form.svelte';
import { HistoryPoint } from './history-point.svelte';
import { MovedCurves } from './moved-curves.svelte';
import { SeriesDraft } from './series-draft.svelte';
import { changeOf, type Method, type Series, type SeriesView } from './series';

const KINDS = ['FORECAST', 'ADJUST', 'SETS'];
const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'series', name: 'Item and site' },
  { code: 'value', name: 'Value', width: 76, right: true },
  { code: 'quantity', name: 'Next year', width: 76, right: true },
  { code: 'change', name: 'Change', width: 50, right: true },
  { code: 'mase', name: 'Error', width: 40, right: true },
  { code: 'bias', name: 'Bias', width: 44, right: true },
  { code: 'signal', name: 'Signal', width: 44, right: true }
];

interface AtSeries {
  point: HistoryPoint['typed'];
  choice: ChoiceForm['typed'];
}

interface Typed extends AtSeries {
  series: string;
}

export type By = NonNullable<SeriesView['by']>;

/** The series of the company with their forecasts: which one is looked at, by which method, and what is kept of it. */
export class ForecastScreen extends WindowedScreen<Series, Schemas['SeriesRows']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly sort = $derived(fromAddress('sort'));
  readonly columns = new Columns('Forecast', () => COLUMNS);
  /** Several as one: those of an item, a group, a site, a customer. */
  readonly by = $derived(fromAddress('by') as By | undefined);
  readonly only = $derived(fromAddress('only'));
  readonly #asked = $derived.by(() => ({
    words: this.sought,
    by: this.by,
    only: this.only,
    sort: this.sort?.replace('-', ''),
    desc: this.sort === undefined ? undefined : this.sort.startsWith('-')
  }));
  readonly windows = new Windows<Series, Schemas['SeriesRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => forecastSeries({ ...this.#asked, offset, limit })
  );
  readonly bucket = $derived((fromAddress('bucket') ?? 'MONTH') as 'MONTH' | 'WEEK' | 'DAY');
  readonly method = $derived(fromAddress('method') as Method | undefined);
  readonly series = createQuery(() => ({
    ...forecastOf({ key: this.opened ?? '', bucket: this.bucket, method: this.method }),
    enabled: this.opened !== undefined
  }));
  readonly item = $derived(this.series.data?.item ?? '');
  readonly point = new HistoryPoint({
    series: () => this.series.data,
    onkept: (decision) => this.last.keep(decision)
  });
  readonly choice = new ChoiceForm({
    series: () => this.series.data,
    onkept: (decision) => {
      void toAddress({ method: undefined });
      this.last.keep(decision);
    }
  });
  readonly moved = new MovedCurves({
    key: () => this.opened,
    series: () => this.series.data,
    method: () => this.method
  });
  readonly draft = new SeriesDraft({
    key: () => this.opened,
    series: () => this.series.data,
    method: () => this.method,
    point: this.point,
    choice: this.choice
  });
  readonly sets = createQuery(forecastSets);
  /** The set in use, by whatever comes first and says so. */
  readonly set = $derived(
    this.windows.any?.set ?? this.series.data?.set ?? this.sets.data?.used ?? undefined
  );
  deciding = $state.raw<Deciding | undefined>();
  readonly last = new LastDecision();
  refused = $state<string | undefined>();
  pane = $state<{ keep: () => void } | undefined>();
  /** The series that is looked at, with its bucket, and what is typed at others. */
  #looked: string | undefined;
  readonly #left = new Map<string, AtSeries>();

  constructor() {
    super({ name: 'forecast', row: 'series', opened: 'series' });
    // another series has another history
    $effect(() => {
      const key = `${this.opened ?? ''} ${this.bucket}`;
      untrack(() => this.#turnTo(key));
    });
    this.#keepTyped();
    const left = halfTyped<Deciding>('decision');
    if (left && KINDS.includes(left.kind)) this.deciding = left;
  }

  /** What is typed at a series waits there until it is looked at again. */
  #turnTo(key: string): void {
    if (this.#looked !== undefined)
      this.#left.set(this.#looked, { point: this.point.typed, choice: this.choice.typed });
    this.#looked = key;
    const left = this.#left.get(key);
    this.point.close();
    this.choice.close();
    this.point.restore(left?.point);
    this.choice.restore(left?.choice);
  }

  /** A point that is moved and a way to make it that is tried are there again after a reload. */
  #keepTyped(): void {
    let left = halfTyped<Typed | null>('series');
    keepHalfTyped('series', (): Typed | null =>
      this.opened ? { series: this.opened, point: this.point.typed, choice: this.choice.typed } : null
    );
    $effect(() => {
      if (!left || !this.series.data || this.opened !== left.series) return;
      const typed = left;
      left = null;
      untrack(() => {
        this.point.restore(typed.point);
        this.choice.restore(typed.choice);
      });
    });
  }

  get empty(): string {
    const making = this.windows.any?.making;
    if (making) return `Forecasting: ${quantity(making.done)} of ${quantity(making.total)} series …`;
    return this.sought || this.only
      ? 'No series fits.'
      : 'Nothing was shipped yet, so there is nothing to forecast from. Bring the shipments in.';
  }

  /** By the method that did best, or by one that is chosen. */
  made(method: Method | undefined): void {
    void toAddress({ method });
  }

  /** The next method of the list, by its error; after the last the best again. */
  nextMethod(): void {
    const all = this.series.data?.methods ?? [];
    const at = all.findIndex((m) => m.method === this.series.data?.method);
    const next = all[(at + 1) % Math.max(1, all.length)];
    if (next) this.made(next.method);
  }

  inBuckets(bucket: string): void {
    void toAddress({ bucket: bucket === 'MONTH' ? undefined : bucket, method: undefined });
  }

  /** Another way to see the company: its series one by one, or several as one. */
  seenBy(by: By | undefined): void {
    void toAddress({ by, series: undefined, method: undefined });
  }

  #may(): boolean {
    this.refused = rights.decides('FORECAST') ? undefined : rights.refusal('FORECAST');
    return this.refused === undefined;
  }

  /** What would be kept is shown first, with what the plan makes of it. */
  keep(): void {
    const chosen = [...this.list.selected];
    const series = this.series.data;
    if ((!series && chosen.length === 0) || !this.#may()) return;
    const set = this.set ?? 'Auto';
    const several = chosen.length > 0 ? chosen : series?.by && this.opened ? [this.opened] : undefined;
    this.deciding = {
      kind: 'FORECAST',
      orders: [],
      item: several ? undefined : series?.item,
      site: several ? undefined : series?.site,
      form: several
        ? { set, bucket: this.bucket, series: several, method: chosen.length > 0 ? undefined : this.method }
        : { set, bucket: this.bucket, method: this.method }
    };
  }

  /** The sum of what its members come to by themselves goes into a set: each by itself. */
  keepBottomUp(): void {
    const members = this.series.data?.members.map((m) => m.key) ?? [];
    if (members.length === 0 || !this.#may()) return;
    this.deciding = {
      kind: 'FORECAST',
      orders: [],
      form: { set: this.set ?? 'Auto', bucket: this.bucket, series: members }
    };
  }

  /** What is known of a bucket to come, on top of what is forecast. */
  adjust(from?: string, change?: string): void {
    const series = this.series.data;
    const bucket = series?.ahead.find((a) => a.from === from) ?? series?.ahead[0];
    if (!series || series.by || !bucket || !this.#may()) return;
    this.deciding = {
      kind: 'ADJUST',
      orders: [],
      item: series.item,
      site: series.site,
      form: {
        set: series.set ?? undefined,
        bucket: this.bucket,
        from: bucket.from,
        change: change ?? bucket.known?.change ?? '',
        event: bucket.known?.kind ?? '',
        note: bucket.known?.reason ?? ''
      }
    };
  }

  /** A forecast set is copied, scaled or taken away. */
  changeSet(form: { from: string; set?: string; percent?: string }): void {
    if (this.#may()) this.deciding = { kind: 'SETS', orders: [], form };
  }

  /** What a run found goes into the set. */
  keepSeries(series: string[]): void {
    if (series.length > 0 && this.#may())
      this.deciding = {
        kind: 'FORECAST',
        orders: [],
        form: { set: this.set ?? 'Auto', bucket: 'MONTH', series }
      };
  }

  /** One item at one site, wherever it is named. */
  openOne(key: string): void {
    this.side = undefined;
    void toAddress({ by: undefined, only: undefined, series: key, method: undefined });
  }

  side = $state<'sets' | 'runs' | undefined>();

  /** The forecast sets, or the runs over all series, in the place of the curve. */
  beside(side: 'sets' | 'runs'): void {
    this.side = this.side === side ? undefined : side;
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
        'signal',
        'odd_buckets',
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
        s.signal,
        s.odd,
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
    else if (this.choice.open) this.choice.close();
    else if (this.side) this.side = undefined;
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
      { keys: 'M', says: 'The method with the least error', run: () => this.made(undefined) },
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
      {
        keys: 'o',
        says: 'How the forecast is made',
        also: 'parameters window like item',
        run: () => this.choice.show()
      },
      { keys: 'a', says: 'Adjust the forecast', also: 'promotion event by hand', run: () => this.adjust() },
      { keys: 't', says: 'The forecast sets', also: 'compare copy scale', run: () => this.beside('sets') },
      {
        keys: 'b',
        says: 'Forecast all in the background',
        also: 'run schedule',
        run: () => this.beside('runs')
      },
      { keys: 'Enter', says: 'Keep what is shown', run: () => this.pane?.keep() },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => void this.last.takeBack() },
      { keys: 'Escape', says: 'Back', run: () => this.#escape() }
    ];
  }
}
