// Customer orders: what is said of a line, and the dates along its life.
import type { Schemas } from '$lib/api/client';
import { count } from '$lib/format';

export type OrderLine = Schemas['OrderLineRow'];

/** How a line stands, in a few words. */
export function standing(line: OrderLine): string {
  if (line.state !== 'open') return line.state;
  if (line.never) return line.culpritName ? `waits for ${line.culpritName} without end` : 'can never be met';
  if (!line.late) return 'in time';
  const from =
    line.culpritName && line.culprit !== line.item ? `waits for ${line.culpritName}` : 'has to wait';
  return `${count(line.days ?? 0, 'day')} late, ${from}`;
}

/** A mark on the rail of a customer order line. */
export interface Mark {
  day: string;
  name: string;
  /** It has happened. */
  done: boolean;
}

/** The dates of a line, in turn: when it came in, what was wanted and told, when it can go. */
export function marks(line: OrderLine, today: string): Mark[] {
  const all: Mark[] = [];
  if (line.entered) all.push({ day: line.entered, name: 'came in', done: line.entered <= today });
  all.push({ day: line.wanted, name: 'wanted', done: false });
  if (line.promised && line.promised !== line.wanted)
    all.push({ day: line.promised, name: 'promised', done: false });
  else if (line.promised)
    all[all.length - 1] = { day: line.wanted, name: 'wanted and promised', done: false };
  if (line.due !== line.wanted && line.due !== line.promised)
    all.push({ day: line.due, name: 'planned to go', done: false });
  if (line.possible && line.late) all.push({ day: line.possible, name: 'can go', done: false });
  return all.sort((a, b) => a.day.localeCompare(b.day));
}
