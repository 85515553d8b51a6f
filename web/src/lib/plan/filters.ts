// What the list of the Plan shows, in which groups and order. Every figure comes from the server; nothing is calculated.
import type { Schemas } from '$lib/api/client';
import type { operations } from '$lib/api/schema';

export type PlannedOrder = Schemas['PlannedOrderRow'];
export type SignalRow = Schemas['SignalRow'];
export type ListFilter = NonNullable<operations['orders']['parameters']['query']>;
export type Row = { order: PlannedOrder } | { signal: SignalRow };
/** A line of the list: the head of a group, or a row. */
export type Entry = { head: string; name: string; count: number; bad?: boolean } | Row;

export const GROUPS = ['ask', 'supplier', 'customer', 'good'] as const;
export type Grouping = (typeof GROUPS)[number];
export const GROUPING_NAMES: Record<Grouping, string> = {
  ask: 'what it asks for',
  supplier: 'supplier',
  customer: 'customer order',
  good: 'finished good'
};

export interface Filters {
  site?: string;
  planner?: string;
  supplier?: string;
  /** Item group. */
  group?: string;
  source?: string;
  /** Items from this code on, up to and including that one. */
  from?: string;
  to?: string;
  /** Start no later than. */
  until?: string;
  /** Due no later than. */
  due?: string;
  /** Value of at least. */
  worth?: string;
  /** Only what makes a customer order late. */
  late?: boolean;
  /** Held ones: `only`, `none`, or all. */
  held?: string;
  /** Only what is not as it was at one's last visit. */
  changed?: boolean;
  sort?: string;
  by?: Grouping;
}

/** The filters that stand in an address. */
export function filtersFrom(said: (name: string) => string | undefined): Filters {
  return {
    site: said('for'),
    planner: said('planner'),
    supplier: said('supplier'),
    group: said('group'),
    source: said('source'),
    from: said('from'),
    to: said('to'),
    until: said('until'),
    due: said('due'),
    worth: said('worth'),
    late: said('late') !== undefined,
    held: said('held'),
    changed: said('changed') !== undefined,
    sort: said('sort'),
    by: GROUPS.find((g) => g === said('by'))
  };
}

/**
 * What the server is asked for; undefined if for all of it.
 *
 * @param whole all there is has been sent: it is put in order here
 */
export function askedOf(f: Filters, words: string, whole = true): ListFilter | undefined {
  const asked: ListFilter = {
    words: words.trim() || undefined,
    site: f.site,
    planner: f.planner,
    supplier: f.supplier,
    group: f.group,
    source: f.source,
    from: f.from,
    to: f.to,
    until: f.until,
    due: f.due,
    worth: f.worth ? Number(f.worth) : undefined,
    late: f.late ? true : undefined,
    held: f.held === 'only' || f.held === 'none' ? f.held : undefined,
    changed: f.changed ? true : undefined,
    sort: whole ? undefined : f.sort
  };
  return Object.values(asked).some((value) => value !== undefined) ? asked : undefined;
}

/** In the order in which they are worked off; what starts later comes last, for there is most of it. */
const ASKS: [string, string][] = [
  ['START_OVERDUE', 'Start overdue'],
  ['START_TODAY', 'Start today'],
  ['START_THIS_WEEK', 'Start this week'],
  ['CANNOT_PLAN', 'Cannot be planned'],
  ['CHANGE_ORDER', 'Change an open order'],
  ['LOOK', 'Late, short or wasted'],
  ['START_LATER', 'Start later']
];

export function keyOf(row: Row): string {
  return 'order' in row ? row.order.key : row.signal.key;
}

/** Whether a key is of an order that is only planned, which names all of it. */
export function isPlanned(key: string): boolean {
  return !key.startsWith('!') && key.split('~').length > 2;
}

export function byKey(rows: Row[]): Map<string, Row> {
  return new Map(rows.map((row) => [keyOf(row), row]));
}

export function ordersOf(rows: Row[]): PlannedOrder[] {
  return rows.flatMap((row) => ('order' in row ? [row.order] : []));
}

export function itemOf(row: Row): string {
  return 'order' in row ? row.order.item : row.signal.signal.item;
}

export function siteOf(row: Row): string {
  return 'order' in row ? row.order.site : row.signal.signal.site;
}

type Sortable = string | number;
const SORTS: Record<string, (o: PlannedOrder) => Sortable> = {
  item: (o) => o.item,
  quantity: (o) => o.quantity,
  start: (o) => o.start,
  due: (o) => o.due,
  possible: (o) => o.possible ?? '9999',
  value: (o) => o.value ?? 0,
  serves: (o) => o.end?.due ?? '9999'
};

/** By a column, descending with a minus before it; the order of the plan decides between equals. */
function sorted(rows: Row[], sort: string | undefined): Row[] {
  const down = sort?.startsWith('-') ?? false;
  const value = SORTS[sort?.replace('-', '') ?? ''];
  if (!value) return rows;
  const of = (row: Row): Sortable => ('order' in row ? value(row.order) : '');
  return [...rows].sort((a, b) => {
    const x = of(a);
    const y = of(b);
    return (x < y ? -1 : x > y ? 1 : 0) * (down ? -1 : 1);
  });
}

function groupOf(row: Row, by: Grouping): { key: string; name: string } {
  if (by === 'ask') {
    const key = 'order' in row ? row.order.group : row.signal.group;
    return { key, name: ASKS.find(([k]) => k === key)?.[1] ?? key };
  }
  if (by === 'supplier') {
    const partner = 'order' in row ? row.order.partner : row.signal.partner;
    return partner ? { key: partner, name: partner } : { key: '', name: 'Own work' };
  }
  const end = 'order' in row ? row.order.end : undefined;
  if (!end) return { key: '', name: 'No customer order yet' };
  return by === 'customer'
    ? { key: end.number, name: `${end.number} ${end.customer ?? ''}` }
    : { key: end.item, name: end.item };
}

/** Rows with a head before each group, sorted in it. */
export function entriesOf(rows: Row[], filters: Filters): Entry[] {
  const by = filters.by ?? 'ask';
  const groups = new Map<string, { name: string; rows: Row[] }>();
  if (by === 'ask') for (const [key, name] of ASKS) groups.set(key, { name, rows: [] });
  for (const row of rows) {
    const { key, name } = groupOf(row, by);
    const group = groups.get(key) ?? { name, rows: [] };
    group.rows.push(row);
    groups.set(key, group);
  }
  // what belongs to nobody comes last
  const rest = groups.get('');
  if (rest) {
    groups.delete('');
    groups.set('', rest);
  }
  const entries: Entry[] = [];
  for (const [key, group] of groups) {
    if (group.rows.length === 0) continue;
    entries.push({ head: key, name: group.name, count: group.rows.length });
    entries.push(...sorted(group.rows, filters.sort));
  }
  return entries;
}
