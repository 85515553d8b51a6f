// What changed in the plan, in words and in the order it is read. Every figure comes from the server.
import type { Schemas } from '$lib/api/client';
import { count, quantity, said } from '$lib/format';

export type Changes = Schemas['ChangesView'];
export type Cause = Schemas['CauseRow'];
export type OrderChange = Schemas['OrderChangeRow'];
export type PromiseChange = Schemas['PromiseChangeRow'];

export const SINCE = [
  { code: 'visit', name: 'my last visit' },
  { code: 'morning', name: 'this morning' }
];

/** `moved 3 days later, 4 pcs more`; what is new or gone says so. */
export function happened(change: OrderChange): string {
  switch (change.kind) {
    case 'firmed':
      return `firmed as ${change.number}`;
    case 'released':
      return `released as ${change.number}`;
    case 'changed': {
      const said: string[] = [];
      const days = change.days ?? 0;
      if (days !== 0) said.push(`moved ${count(Math.abs(days), 'day')} ${days > 0 ? 'later' : 'earlier'}`);
      else if (change.ways.includes('earlier')) said.push('starts earlier');
      else if (change.ways.includes('later')) said.push('starts later');
      const more = change.more ?? 0;
      if (more !== 0) said.push(`${quantity(Math.abs(more))} ${change.unit} ${more > 0 ? 'more' : 'less'}`);
      else if (change.ways.includes('bigger')) said.push('starts with more');
      else if (change.ways.includes('smaller')) said.push('starts with less');
      if (change.ways.includes('otherwise')) said.push('from elsewhere');
      return said.join(', ');
    }
    default:
      return change.kind;
  }
}

/** One word for the row of a list. */
export function mark(change: OrderChange): string {
  if (change.kind !== 'changed') return change.kind;
  const days = change.days ?? 0;
  if (days !== 0) return `${days > 0 ? '+' : '\u2212'}${Math.abs(days)} d`;
  if (change.ways.includes('bigger')) return 'bigger';
  if (change.ways.includes('smaller')) return 'smaller';
  return 'otherwise';
}

export interface Mark {
  word: string;
  /** The whole of it, with what caused it. */
  says: string;
}

/** The key of a customer order's mark. */
export function customerMark(number: string | null | undefined): string {
  return `customer order ${number ?? ''}`;
}

/** The marks of a list, by the key of the row: what of it is not as it was. */
export function marksOf(changes: Changes | undefined): Map<string, Mark> {
  const marks = new Map<string, Mark>();
  if (!changes) return marks;
  const causes = new Map(changes.causes.map((c) => [c.id, c]));
  for (const change of changes.orders) {
    if (!change.key || change.kind === 'released') continue;
    const why = change.causes.flatMap((id) => causes.get(id) ?? []).map(told);
    marks.set(change.key, { word: mark(change), says: `${happened(change)}: ${why.join('; ')}` });
  }
  for (const change of changes.customerOrders) {
    const why = change.causes.flatMap((id) => causes.get(id) ?? []).map(told);
    const said = became(change);
    marks.set(customerMark(change.number), { word: said, says: `${said}: ${why.join('; ')}` });
  }
  return marks;
}

/** `Ida Holm: Firmed 60 ROD-12`. */
export function told(cause: Cause): string {
  return (cause.name ? `${cause.name}: ` : '') + said(cause.sentence);
}

/** What the causes of some changes are, those of nothing left out if only one is asked for. */
export function causedBy<T extends { causes: number[] }>(rows: T[], cause: number | undefined): T[] {
  return cause === undefined ? rows : rows.filter((r) => r.causes.includes(cause));
}

/** `late by …`, `saved`: what became of a customer order line. */
export function became(change: PromiseChange): string {
  if (!change.open) return 'no longer open';
  if (change.neverAfter) return 'can never be met';
  if (!change.after) return 'on time again';
  if (change.neverBefore) return 'can be met after all, late';
  if (!change.before) return 'became late';
  return change.better ? 'less late' : 'later still';
}

const KINDS = ['new', 'changed', 'gone', 'firmed', 'released'];
export const KIND_NAMES: Record<string, string> = {
  new: 'New',
  changed: 'Moved, bigger or smaller',
  gone: 'Gone',
  firmed: 'Firmed',
  released: 'Released'
};

/** The planned orders by what happened to them. */
export function groupsOf(orders: OrderChange[]): { kind: string; orders: OrderChange[] }[] {
  return KINDS.map((kind) => ({ kind, orders: orders.filter((o) => o.kind === kind) })).filter(
    (g) => g.orders.length > 0
  );
}
