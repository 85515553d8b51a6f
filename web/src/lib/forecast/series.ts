// What is said of a series in the list, and where its curve runs.
import type { Schemas } from '$lib/api/client';
import { dayNumber } from '$lib/format';

export type Series = Schemas['SeriesRow'];
export type SeriesView = Schemas['SeriesView'];
export type Method = NonNullable<Series['method']>;

/** How a forecast is made, as it is typed. */
export interface ChoiceFields {
  method: string;
  parameters: string;
  from: string;
  to: string;
  likeItem: string;
  likeSite: string;
  likePercent: string;
  reason: string;
}

/** What is kept, as it would be typed. */
export function fieldsOf(
  kept: SeriesView['chosen'],
  said: (percent: number) => string
): ChoiceFields | undefined {
  if (!kept) return undefined;
  return {
    method: kept.method ?? '',
    parameters: kept.parameters ?? '',
    from: kept.from ?? '',
    to: kept.to ?? '',
    likeItem: kept.likeItem ?? '',
    likeSite: kept.likeSite ?? '',
    likePercent: kept.likePercent === null || kept.likePercent === undefined ? '' : said(kept.likePercent),
    reason: kept.reason ?? ''
  };
}

/** What is typed, as it is tried. */
export function choiceOf(fields: ChoiceFields, parsed: (text: string) => number): Schemas['DraftChoice'] {
  const like = fields.likeItem.trim();
  const percent = parsed(fields.likePercent);
  return {
    method: (fields.method || undefined) as Method | undefined,
    parameters: fields.method ? fields.parameters.trim() || undefined : undefined,
    from: fields.from || undefined,
    to: fields.to || undefined,
    likeItem: like || undefined,
    likeSite: like ? fields.likeSite.trim() || undefined : undefined,
    likePercent: like && percent > 0 ? percent : undefined
  };
}

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

/** What several series have in common that are looked at as one. */
export const BY: { code: SeriesView['by']; name: string }[] = [
  { code: undefined, name: 'each' },
  { code: 'ITEM', name: 'item' },
  { code: 'GROUP', name: 'group' },
  { code: 'SITE', name: 'site' },
  { code: 'CUSTOMER', name: 'customer' }
];

/** A difference with its sign. */
export function signed(amount: number, said: (amount: number) => string): string {
  return `${amount > 0 ? '+' : amount < 0 ? '−' : ''}${said(Math.abs(amount))}`;
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
