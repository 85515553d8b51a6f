import type { Schemas } from '$lib/api/client';
import { parsedNumber, quantity } from '$lib/format';
import { RowKeeping } from './row-keeping.svelte';
import type { SeriesView } from './series';

type Was = SeriesView['history'][number];
export type Kind = 'outlier' | 'promotion' | 'closure' | 'out_of_stock';

export const KINDS: { code: Kind; name: string }[] = [
  { code: 'outlier', name: 'happens once' },
  { code: 'promotion', name: 'promotion' },
  { code: 'closure', name: 'closed' },
  { code: 'out_of_stock', name: 'nothing in stock' }
];

/** So long after the last move the server is asked what follows; the curve does not wait for it. */
const PAUSE = 60;

interface Of {
  series: () => SeriesView | undefined;
  onkept: (decision: Schemas['Decision']) => void;
}

/** A bucket of the history that is taken for something else: moved, named, kept or set back. What was shipped stays. */
export class HistoryPoint {
  /** The first day of the bucket that is worked at. */
  from = $state<string | undefined>();
  text = $state('');
  kind = $state<Kind | ''>('');
  reason = $state('');

  /** What it would count for, once it has rested for a moment. */
  #settled = $state<number | undefined>();

  constructor(private readonly of: Of) {
    $effect(() => {
      const amount = this.amount;
      const timer = setTimeout(() => (this.#settled = amount), PAUSE);
      return () => clearTimeout(timer);
    });
  }

  readonly was = $derived.by((): Was | undefined =>
    this.from === undefined ? undefined : this.of.series()?.history.find((w) => w.from === this.from)
  );
  /** What it would count for; undefined while that is no number. */
  readonly amount = $derived.by(() => {
    const value = parsedNumber(this.text);
    return this.text.trim() !== '' && value >= 0 ? value : undefined;
  });
  readonly changed = $derived.by(
    () => this.was !== undefined && this.amount !== undefined && this.amount !== this.was.counts
  );
  /** What is tried beside what is kept. */
  readonly corrections = $derived.by(() => {
    const rests = this.#settled;
    return this.from && this.changed && rests !== undefined && rests !== this.was?.counts
      ? [{ from: this.from, quantity: rests }]
      : [];
  });

  /** What is typed, so that it survives a reload; null: nothing is. */
  readonly typed = $derived.by(() =>
    this.from === undefined
      ? null
      : { from: this.from, text: this.text, kind: this.kind, reason: this.reason }
  );

  restore(typed: HistoryPoint['typed'] | undefined): void {
    if (typed) Object.assign(this, typed);
  }

  pick(from: string): void {
    const was = this.of.series()?.history.find((w) => w.from === from);
    if (!was) return;
    this.from = from;
    this.text = quantity(was.counts);
    this.kind = (was.kind as Kind | null | undefined) ?? '';
    this.reason = was.reason ?? '';
    this.keeping.refused = undefined;
  }

  /** The first that is not usual and not corrected yet, from the end on, or else the last bucket. */
  pickUnusual(): void {
    const history = this.of.series()?.history ?? [];
    const odd = history.filter((w) => w.usual !== null && w.usual !== undefined && !w.corrected).at(-1);
    const to = odd ?? history.at(-1);
    if (to) this.pick(to.from);
  }

  /** So many buckets further. */
  step(by: number): void {
    const history = this.of.series()?.history ?? [];
    const at = history.findIndex((w) => w.from === this.from);
    const to = history[Math.max(0, Math.min(history.length - 1, at + by))];
    if (to) this.pick(to.from);
  }

  move(amount: number): void {
    this.text = quantity(Math.max(0, Number(amount.toFixed(amount < 10 ? 1 : 0))));
  }

  /** Why it counts for something else; with nothing in stock more was asked for than was shipped: as much as is usual. */
  because(kind: Kind | ''): void {
    this.kind = kind;
    const was = this.was;
    if (kind === 'out_of_stock' && was && this.amount === was.quantity && was.model > was.quantity)
      this.move(was.model);
  }

  close(): void {
    this.from = undefined;
    this.keeping.refused = undefined;
  }

  readonly keeping = new RowKeeping({
    row: (back) => this.#row(back),
    kept: (decision) => {
      this.close();
      this.of.onkept(decision);
    }
  });

  #row(back: boolean): Schemas['RowChange'] {
    const series = this.of.series();
    const key = {
      item: series?.item ?? '',
      site: series?.site ?? '',
      from_date: this.from ?? '',
      bucket: series?.bucket.toLowerCase() ?? ''
    };
    return back
      ? { table: 'history_corrections', key, gone: true }
      : {
          table: 'history_corrections',
          key,
          fields: { quantity: String(this.amount ?? ''), kind: this.kind, reason: this.reason.trim() }
        };
  }

  keep(): void {
    if (this.was && this.amount !== undefined) this.keeping.keep(false);
  }

  /** It counts for what was shipped again. */
  setBack(): void {
    if (this.was?.corrected) this.keeping.keep(true);
  }
}
