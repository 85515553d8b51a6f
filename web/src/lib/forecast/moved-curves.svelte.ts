import { createQuery, type CreateQueryResult } from '@tanstack/svelte-query';
import type { Schemas } from '$lib/api/client';
import { movedCurves } from '$lib/queries';
import type { Method, SeriesView } from './series';

type Curve = Schemas['MovedCurve'];
type Ahead = SeriesView['ahead'];

interface Of {
  key: () => string | undefined;
  series: () => SeriesView | undefined;
  method: () => Method | undefined;
}

/** Between two numbers. */
function between(a: number[], b: number[], share: number, i: number): number {
  return (a[i] ?? 0) + ((b[i] ?? 0) - (a[i] ?? 0)) * share;
}

/** The buckets to come for a value of the one that is moved: between the two curves that are nearest. */
export function aheadAt(ahead: Ahead, curves: Curve[], value: number): Ahead {
  const up = curves.findIndex((c) => c.value >= value);
  const b = curves[up < 0 ? curves.length - 1 : up];
  const a = curves[up <= 0 ? 0 : up - 1];
  if (!a || !b) return ahead;
  const share = b.value === a.value ? 0 : Math.min(1, Math.max(0, (value - a.value) / (b.value - a.value)));
  return ahead.map((one, i) => ({
    ...one,
    expected: between(a.expected, b.expected, share, i),
    low80: between(a.low80, b.low80, share, i),
    high80: between(a.high80, b.high80, share, i),
    low95: between(a.low95, b.low95, share, i),
    high95: between(a.high95, b.high95, share, i)
  }));
}

/** What the curve is for each value of a bucket, known before it is moved: asked for while the pointer comes near. */
export class MovedCurves {
  /** The bucket that may be moved, and up to which value. */
  #near = $state.raw<{ from: string; most: number } | undefined>();
  readonly #query: CreateQueryResult<Schemas['MovedCurves']>;

  constructor(of: Of) {
    this.#query = createQuery(() => ({
      ...movedCurves({
        key: of.key() ?? '',
        bucket: of.series()?.bucket,
        method: of.method(),
        from: this.#near?.from ?? '',
        most: this.#near?.most ?? 0
      }),
      enabled: this.#near !== undefined && of.key() !== undefined && !of.series()?.by
    }));
  }

  near(from: string, most: number): void {
    if (this.#near?.from !== from || this.#near.most !== most) this.#near = { from, most };
  }

  /** The curves of a bucket, if they are there. */
  of(from: string | undefined): Curve[] | undefined {
    const data = this.#query.data;
    return data && data.from === from ? data.curves : undefined;
  }
}
