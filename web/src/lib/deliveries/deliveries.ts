import type { Schemas } from '$lib/api/client';
import { count } from '$lib/format';

export type DeliverySum = Schemas['DeliverySum'];
export type DeliveredRow = Schemas['DeliveredRow'];

/** So many days back that one can look, a year aside. */
export const SPANS = [
  { code: '91', name: 'a quarter' },
  { code: '730', name: 'two years' },
  { code: '1826', name: 'five years' }
];
export const YEAR = 365;

/** What figures can be opened to their lines. */
export const FIGURES: Record<string, string> = {
  in_time: 'in time',
  late: 'late',
  overdue: 'overdue',
  short: 'closed with less',
  over: 'with more than was ordered',
  returned: 'of which something went back',
  doubtful: 'of which something was put into quarantine',
  other_price: 'not at the price of the list',
  came: 'of which something came'
};

/** A part of a whole of a hundred. */
export function percent(part: number | null | undefined): string {
  if (part === null || part === undefined) return '–';
  const of = part * 100;
  return `${of !== 0 && Math.abs(of) < 10 ? of.toFixed(1) : Math.round(of)} %`;
}

/** A number of days, in halves as a median has them. */
export function inDays(days: number | null | undefined): string {
  return days === null || days === undefined ? '–' : `${Math.round(days * 10) / 10}`;
}

/** When the last of it came, beside the day it is judged by. */
export function came(row: Pick<DeliveredRow, 'turned' | 'days'>): string {
  if (!row.turned) return 'not judged yet';
  if (row.turned === 'short') return 'closed with less';
  if (row.turned === 'overdue') return `${count(row.days, 'day')} over, open`;
  if (row.days === 0) return 'on the day';
  return row.days > 0 ? `${count(row.days, 'day')} late` : `${count(-row.days, 'day')} early`;
}

/** What the middle of all deliveries was like: below 0 early. */
export function usually(days: number | null | undefined): string {
  if (days === null || days === undefined) return '–';
  if (days === 0) return 'on the day';
  return days > 0 ? `${inDays(days)} d late` : `${inDays(-days)} d early`;
}
