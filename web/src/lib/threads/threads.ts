// Threads: which bars are shown, and where they lie on the time axis.
import type { Schemas } from '$lib/api/client';
import { date, dayNumber, isoDay } from '$lib/format';
import { apart, days, mondays, type Days } from '$lib/ui/axis';

export type Bar = Schemas['Bar'];
export type Promise = Schemas['PromiseRow'];

/** A bar with its place among all of its thread. */
export interface Placed {
  bar: Bar;
  at: number;
  /** Whether others wait under it. */
  opens: boolean;
}

/** How much of a thread is wanted. */
export interface Look {
  /** Only the chain that decides. */
  deciding: boolean;
  /** Nothing deeper than this many levels. */
  levels: number;
  /** Places of bars whose children are folded away. */
  folded: ReadonlySet<number>;
}

/**
 * Where the next step of a bar is done: what is planned is released, of what is open the form of its order is begun, and what is
 * there goes out to the customer.
 *
 * @param number of the customer order whose thread it is
 */
export function nextStep(bar: Bar, number: string | undefined): string | undefined {
  const key = bar.key ?? undefined;
  if (bar.kind === 'planned' && key) return '/plan?' + new URLSearchParams({ order: key }).toString();
  if (bar.kind === 'open' && bar.number)
    return '/orders?' + new URLSearchParams({ number: bar.number, step: 'next' }).toString();
  return number ? '/stock/out?' + new URLSearchParams({ words: number }).toString() : undefined;
}

/** The bars that are shown, in their order. */
export function visible(bars: Bar[], look: Look): Placed[] {
  const hidden = new Set<number>();
  const shown: Placed[] = [];
  bars.forEach((bar, at) => {
    const away =
      (bar.above >= 0 && (hidden.has(bar.above) || look.folded.has(bar.above))) ||
      bar.depth > look.levels ||
      (look.deciding && !bar.deciding);
    if (away) hidden.add(at);
    else shown.push({ bar, at, opens: bars[at + 1]?.above === at });
  });
  return shown;
}

/** The deepest level of a thread. */
export function deepest(bars: Bar[]): number {
  return bars.reduce((most, b) => Math.max(most, b.depth), 0);
}

/** From the first start to the last date of a thread, with some room on both sides, over so many pixels. */
export function axisOf(bars: Bar[], today: string, width: number): Days {
  const all = bars.flatMap((b) =>
    [b.start, b.due, b.possible, b.needed].flatMap((d) => (d ? [dayNumber(d)] : []))
  );
  const from = Math.min(dayNumber(today), ...all);
  const to = Math.max(dayNumber(today) + 14, ...all);
  return days(from - 2, to + 1, 0, width);
}

/** What is written over the axis: today, and Mondays that are not too near to it. */
export function marksOf(axis: Days, today: number): { day: number; text: string }[] {
  return [
    { day: today, text: 'today' },
    ...mondays(axis)
      .filter((day) => apart(axis, day, today))
      .map((day) => ({ day, text: date(isoDay(day)) }))
  ];
}

/** `late by 5 days: Bearing 6202, 4 levels down`. */
export function lateness(p: Promise): string {
  if (!p.late) return 'on time';
  const down = p.levels ? `, ${p.levels} ${p.levels === 1 ? 'level' : 'levels'} down` : '';
  const culprit = p.culpritName ? `: ${p.culpritName}${down}` : '';
  if (p.days === undefined || p.days === null) return `can never be met${culprit}`;
  return `late by ${p.days} ${p.days === 1 ? 'day' : 'days'}${culprit}`;
}

/** A heading over the orders that one culprit makes late, or an order. */
export type Line = { head: string; name: string; count: number } | { promise: Promise };

/** The list of customer orders; gathered by what makes them late, the culprit of most orders comes first. */
export function linesOf(all: Promise[], gathered: boolean): Line[] {
  if (!gathered) return all.map((promise) => ({ promise }));
  const groups = new Map<string, Promise[]>();
  for (const p of all) {
    const key = `${p.culprit} ${p.culpritSite}`;
    const group = groups.get(key);
    if (group) group.push(p);
    else groups.set(key, [p]);
  }
  return [...groups.entries()]
    .sort((a, b) => b[1].length - a[1].length)
    .flatMap(([head, group]) => [
      { head, name: `${group[0]?.culprit} ${group[0]?.culpritName}`, count: group.length },
      ...group.map((promise) => ({ promise }))
    ]);
}
