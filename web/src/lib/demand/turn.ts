// Who gets what: supplies and demands of one item at a site as one ledger of days to come.
import type { Schemas } from '$lib/api/client';
import { dayNumber, isoDay } from '$lib/format';

export type Allocation = Schemas['AllocationView'];
export type Goes = Schemas['Goes'];
export type Comes = Schemas['Comes'];
export type Grouping = 'event' | 'day' | 'week' | 'month' | 'lot';
export const GROUPINGS: Grouping[] = ['event', 'day', 'week', 'month', 'lot'];

/** A line of the ledger: something comes, or somebody gets it; with what is there then. */
export type Entry = { id: string; day: string; balance: number } & (
  { comes: Comes; goes?: undefined } | { goes: Goes; comes?: undefined }
);

/** Supplies before the demands of a day, and what is left after each. */
export function ledger(all: Allocation): Entry[] {
  const comes = all.comes.map((c, i) => ({ id: `c${i}`, day: c.day, sum: c.quantity, comes: c, first: 0 }));
  const goes = all.goes.map((g, i) => ({ id: `g${i}`, day: g.day, sum: -g.quantity, goes: g, first: 1 }));
  const lines = [...comes, ...goes].sort((a, b) => a.day.localeCompare(b.day) || a.first - b.first);
  let balance = 0;
  return lines.map((l) => {
    balance = Number((balance + l.sum).toFixed(6));
    return 'comes' in l
      ? { id: l.id, day: l.day, balance, comes: l.comes }
      : { id: l.id, day: l.day, balance, goes: l.goes };
  });
}

type Period = Exclude<Grouping, 'event' | 'lot'>;

/** A lot that is there, and who gets of it. */
export interface Lot {
  lot: Comes;
  takers: { goes: Goes; quantity: number }[];
}

/** The lots that are there, those first that expire first, as they are used. */
export function lots(all: Allocation): Lot[] {
  return all.comes
    .filter((c) => c.kind === 'stock')
    .map((lot) => ({
      lot,
      takers: all.goes.flatMap((goes) =>
        goes.from
          .filter((f) => f.kind === 'stock' && f.name === lot.name)
          .map((f) => ({ goes, quantity: f.quantity }))
      )
    }));
}

/** What comes and goes in a day, a week or a month. */
export interface Sum {
  from: string;
  comes: number;
  goes: number;
  /** At its end. */
  balance: number;
  late: number;
}

/** @param monday days from a Monday to the first day of somebody's week */
export function sums(entries: Entry[], by: Period, monday = 0): Sum[] {
  const all: Sum[] = [];
  for (const e of entries) {
    const from = begin(e.day, by, monday);
    let sum = all.at(-1);
    if (!sum || sum.from !== from) {
      sum = { from, comes: 0, goes: 0, balance: 0, late: 0 };
      all.push(sum);
    }
    if (e.comes) sum.comes += e.comes.quantity;
    else if (e.goes) {
      sum.goes += e.goes.quantity;
      if (e.goes.late) sum.late++;
    }
    sum.balance = e.balance;
  }
  return all;
}

function begin(day: string, by: Period, monday: number): string {
  if (by === 'day') return day;
  if (by === 'month') return `${day.slice(0, 7)}-01`;
  const number = dayNumber(day);
  return isoDay(number - ((((number + 3 - monday) % 7) + 7) % 7));
}
