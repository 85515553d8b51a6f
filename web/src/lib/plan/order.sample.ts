import type { PlannedOrder } from './filters';

/** A planned order for tests. */
export function order(key: string, more: Partial<PlannedOrder> = {}): PlannedOrder {
  return {
    key,
    group: 'START_TODAY',
    item: key,
    itemName: `name of ${key}`,
    site: 'W',
    siteName: 'Works',
    source: 'buy',
    quantity: 1,
    unit: 'pcs',
    start: '2026-11-23',
    due: '2026-11-30',
    ends: 0,
    forLate: false,
    ...more
  };
}
