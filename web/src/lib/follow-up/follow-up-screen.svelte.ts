import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { followUp, planState } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';

export type Followed = Schemas['FollowedSeries'];
export type FollowedMonth = Schemas['FollowedMonth'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'series', name: 'Item and site' },
  { code: 'missed', name: 'Missed', width: 84, right: true },
  { code: 'mase', name: 'Error', width: 54, right: true },
  { code: 'signal', name: 'Signal', width: 58, right: true }
];

/** What was forecast against what came, the worst in money first. */
export class FollowUpScreen extends WindowedScreen<Followed, Schemas['FollowedRows']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Follow-up', () => COLUMNS);
  readonly sort = $derived(fromAddress('sort'));
  readonly off = $derived(fromAddress('off') === 'true');
  readonly bucket = $derived((fromAddress('bucket') ?? 'MONTH') as 'MONTH' | 'WEEK' | 'DAY');
  readonly lag = $derived(fromAddress('lag') === undefined ? undefined : Number(fromAddress('lag')));
  readonly #asked = $derived.by(() => ({
    words: this.sought,
    bucket: this.bucket,
    lag: this.lag,
    off: this.off || undefined,
    sort: this.sort?.replace('-', '')
  }));
  readonly windows = new Windows<Followed, Schemas['FollowedRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => followUp({ ...this.#asked, offset, limit })
  );
  readonly months = $derived(this.windows.any?.months ?? []);
  readonly lags = $derived(this.windows.any?.lags ?? []);
  /** The one that is opened. */
  readonly here = $derived.by(() => this.windows.rows.find((r) => r && r.key === this.opened));

  constructor() {
    super({ name: 'follow-up', row: 'series', opened: 'series' });
  }

  get empty(): string {
    return this.sought || this.off
      ? 'No series fits.'
      : 'Nothing that was forecast has come yet. Keep a forecast (e in Forecast), and when its first bucket is over it is followed here.';
  }

  /** Only what was forecast so many buckets before; undefined: the last that was. */
  before(lag: number | undefined): void {
    void toAddress({ lag: lag === undefined ? undefined : String(lag) });
  }

  inBuckets(bucket: string): void {
    void toAddress({ bucket: bucket === 'MONTH' ? undefined : bucket, lag: undefined });
  }

  /** Its curve, where it can be mended. */
  curve(): void {
    if (this.opened) void goto(`/demand/forecast?series=${encodeURIComponent(this.opened)}`);
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(followUp({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(row: Followed): string {
    return row.key;
  }

  protected sheetOf(rows: Followed[]): Sheet {
    return {
      header: [
        'item',
        'name',
        'site',
        'unit',
        'buckets',
        'bias',
        'error',
        'mase',
        'gained_by_hand',
        'gained_by_method',
        'signal',
        'missed'
      ],
      rows: rows.map((r) => [
        r.item,
        r.itemName,
        r.site,
        r.unit,
        r.lines.length,
        r.bias,
        r.error,
        r.mase,
        r.byHand,
        r.byMethod,
        r.signal,
        r.missed
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'v', says: 'Its curve', also: 'forecast', run: () => this.curve() },
      {
        keys: 'o',
        says: 'Only what runs away',
        also: 'tracking signal',
        run: () => this.filter('off', this.off ? undefined : 'true')
      }
    ];
  }
}
