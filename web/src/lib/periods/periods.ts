// The plan in periods: which rows stand there, what the columns are called, what a dragged order becomes.
import type { Schemas } from '$lib/api/client';
import { date, dayNumber, isoDay, shortDate } from '$lib/format';
import type { Deciding } from '$lib/plan/command';

export type Period = Schemas['Period'];
export type PointRow = Schemas['PeriodRow'];
export type Detail = Schemas['PeriodDetail'];
export type Kind = Schemas['Flow']['kind'];

export const SCALES = ['mixed', 'days', 'weeks', 'months'] as const;

export const NAMES: Record<Kind, string> = {
  CUSTOMER_ORDERS: 'Customer orders',
  FORECAST: 'Forecast',
  COMPONENTS: 'Components of orders',
  TRANSFERS: 'Transfers to other sites',
  EXPIRED: 'Expires unused',
  OPEN_RECEIPTS: 'Open receipts',
  PLANNED_RECEIPTS: 'Planned receipts',
  BALANCE: 'Projected balance',
  PLANNED_STARTS: 'Planned starts'
};

const LEAVES = new Set<Kind>(['CUSTOMER_ORDERS', 'FORECAST', 'COMPONENTS', 'TRANSFERS', 'EXPIRED']);

/** Whether a kind takes from the balance. */
export function leaves(kind: Kind): boolean {
  return LEAVES.has(kind);
}

/** A row of the grid: a stock point's balance, or one kind of what flows there. */
export interface GridRow {
  /** Names the row across plans. */
  key: string;
  /** The key of the row that it belongs to; its own for a stock point's first row. */
  of: string;
  point: PointRow;
  kind: Kind;
  cells: number[];
  /** How many components rows it stands under. */
  depth: number;
  /** Of planned and open receipts: the keys of the orders in each period. */
  orders?: string[][];
}

/** Whether it is the first row of its stock point. */
export function isMain(row: GridRow): boolean {
  return row.key === row.of;
}

/** The stock point of a row, which may stand under others as their component. */
export function pointOf(key: string): { item: string; site: string } {
  const [item = '', site = ''] = (key.split(' > ').at(-1) ?? key).split('~').map(decodeURIComponent);
  return { item, site };
}

export function pointKey(point: { item: string; site: string }): string {
  return `${encodeURIComponent(point.item)}~${encodeURIComponent(point.site)}`;
}

export interface Wanted {
  /** Keys of the rows whose flows are open; so are those whose components are. */
  open: ReadonlySet<string>;
  components: ReadonlySet<string>;
}

/** All rows of the grid, in their order. */
export function rowsOf(points: PointRow[], details: Map<string, Detail>, wanted: Wanted): GridRow[] {
  const rows: GridRow[] = [];
  for (const point of points) put(rows, point, pointKey(point), 0, details, wanted);
  return rows;
}

function put(
  rows: GridRow[],
  point: PointRow,
  key: string,
  depth: number,
  details: Map<string, Detail>,
  wanted: Wanted
): void {
  rows.push({ key, of: key, point, kind: 'BALANCE', cells: point.balances, depth });
  const detail = details.get(pointKey(point));
  if (wanted.open.has(key) && detail)
    for (const flow of detail.flows)
      rows.push({
        key: `${key} ${flow.kind}`,
        of: key,
        point,
        kind: flow.kind,
        cells: flow.cells,
        depth,
        orders:
          flow.kind === 'PLANNED_RECEIPTS'
            ? detail.orders
            : flow.kind === 'OPEN_RECEIPTS'
              ? detail.openOrders
              : undefined
      });
  // a loop is never planned, so this ends
  if (wanted.components.has(key) && detail)
    for (const below of detail.components)
      put(rows, below, `${key} > ${pointKey(below)}`, depth + 1, details, wanted);
}

const MONTHS_LONG = 27;

/** `Mon 23 Nov`, `30 Nov`, `Jan ’27`: a day, a week by its Monday, a month. */
export function nameOf(period: Period, today: string): { text: string; long: string } {
  const days = dayNumber(period.end) - dayNumber(period.start) + 1;
  const span = days === 1 ? period.start : `${period.start} to ${period.end}`;
  if (days > MONTHS_LONG) {
    const year = period.start.slice(0, 4) === today.slice(0, 4) ? '' : ` ’${period.start.slice(2, 4)}`;
    return { text: date(period.start).slice(2).trim() + year, long: span };
  }
  return { text: shortDate(period.start, today), long: span };
}

/** The due date that stands in the key of a planned order; none stands in that of an open one. */
export function dueOf(key: string): string | undefined {
  return key.split('~')[2];
}

/** The decision that moves the orders of one period into another; nothing moves before today. */
export function moving(orders: string[], from: Period, to: Period, today: string): Deciding | undefined {
  const days = dayNumber(to.start) - dayNumber(from.start);
  if (orders.length === 0 || days === 0) return undefined;
  const said = orders.length === 1 ? dueOf(orders[0] ?? '') : undefined;
  if (said === undefined) return { kind: 'CHANGE', orders, form: { days: String(days) } };
  const due = Math.max(dayNumber(said) + days, dayNumber(today));
  return { kind: 'CHANGE', orders, form: { due: isoDay(due) } };
}
