// What is said of a series in the list, and where its curve runs.
import type { Schemas } from '$lib/api/client';
import { dayNumber } from '$lib/format';

export type Series = Schemas['SeriesRow'];
export type SeriesView = Schemas['SeriesView'];
export type Method = Series['method'];

/** The next year against the last, as a share; undefined where there was nothing. */
export function changeOf(series: Pick<Series, 'lastYear' | 'nextYear'>): number | undefined {
  return series.lastYear > 0 ? series.nextYear / series.lastYear - 1 : undefined;
}

/** A share with its sign: +12 %. */
export function percent(share: number | undefined): string {
  if (share === undefined) return '';
  const rounded = Math.round(share * 100);
  return `${rounded > 0 ? '+' : rounded < 0 ? '−' : ''}${Math.abs(rounded)} %`;
}

export interface Point {
  day: number;
  amount: number;
}

/** A line through points, in the units of the picture. */
export function path(points: Point[], x: (day: number) => number, y: (amount: number) => number): string {
  return points
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.day).toFixed(1)},${y(p.amount).toFixed(1)}`)
    .join(' ');
}

/** The shade between two lines over the same days. */
export function shade(
  days: number[],
  low: number[],
  high: number[],
  x: (day: number) => number,
  y: (amount: number) => number
): string {
  const up = days.map((day, i) => ({ day, amount: high[i] ?? 0 }));
  const back = days.map((day, i) => ({ day, amount: low[i] ?? 0 })).reverse();
  return `${path(up, x, y)} ${path(back, x, y).replace(/^M/, 'L')} Z`;
}

/** So many buckets before today are drawn at most. */
const DRAWN = 60;

export interface Drawn extends Point {
  from: string;
  /** What was shipped, where it counts for something else. */
  shipped: number;
  corrected: boolean;
  /** It lies far from all around. */
  odd: boolean;
}

/** The history that is drawn, with the day on which each bucket begins and what it counts for. */
export function drawn(series: SeriesView): Drawn[] {
  return series.history.slice(-DRAWN).map((w) => ({
    from: w.from,
    day: dayNumber(w.from),
    amount: w.counts,
    shipped: w.quantity,
    corrected: w.counts !== w.quantity,
    odd: w.usual !== null && w.usual !== undefined
  }));
}

/** The point of the history nearest to a place, if it is near. */
export function nearest(
  points: Drawn[],
  at: { x: number; y: number },
  x: (day: number) => number,
  y: (amount: number) => number,
  reach = 14
): Drawn | undefined {
  let best: Drawn | undefined;
  let least = reach;
  for (const p of points) {
    const far = Math.hypot(x(p.day) - at.x, y(p.amount) - at.y);
    if (far <= least) {
      least = far;
      best = p;
    }
  }
  return best;
}
