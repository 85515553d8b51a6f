import { count } from '$lib/format';
import type { KeptPromise, KeptSum } from './kept-screen.svelte';

/** When it went, beside the promised day. */
export function went(row: Pick<KeptPromise, 'turned' | 'days'>): string {
  if (row.turned === 'short') return 'closed with less';
  if (row.turned === 'overdue') return `${count(row.days, 'day')} over, open`;
  if (row.days === 0) return 'on the day';
  return row.days > 0 ? `${count(row.days, 'day')} late` : `${count(-row.days, 'day')} early`;
}

/** Kept of a hundred. */
export function percent(sum: Pick<KeptSum, 'percent'>): string {
  return sum.percent === null || sum.percent === undefined ? '–' : `${sum.percent} %`;
}
