import { describe, expect, it } from 'vitest';
import { PlanList, type PlannedOrder } from './plan.svelte';

function order(key: string, group: PlannedOrder['group'], item = key): PlannedOrder {
  return {
    key,
    group,
    item,
    itemName: `name of ${item}`,
    site: 'W',
    siteName: 'Works',
    source: 'buy',
    quantity: 1,
    unit: 'pcs',
    start: '2026-11-23',
    due: '2026-11-30'
  };
}

function list(): PlanList {
  const made = new PlanList();
  made.take([order('a', 'START_OVERDUE'), order('b', 'START_TODAY'), order('c', 'START_TODAY', 'BRG-6202')]);
  return made;
}

describe('the list of planned orders', () => {
  it('puts a head before each group', () => {
    expect(list().entries.map((e) => ('head' in e ? `${e.head} ${e.count}` : e.order.key))).toEqual([
      'START_OVERDUE 1',
      'a',
      'START_TODAY 2',
      'b',
      'c'
    ]);
  });

  it('moves the cursor over orders only and stops at the ends', () => {
    const plan = list();
    expect(plan.step(1)).toBe('a');
    plan.cursor = 'c';
    expect(plan.step(1)).toBe('c');
    expect(plan.step(-1)).toBe('b');
  });

  it('concerns the selected ones, or the one under the cursor', () => {
    const plan = list();
    plan.cursor = 'a';
    expect(plan.concerned.map((o) => o.key)).toEqual(['a']);
    plan.toggle('b');
    plan.toggle('c');
    expect(plan.concerned.map((o) => o.key)).toEqual(['b', 'c']);
  });

  it('forgets a selection that is no longer asked for', () => {
    const plan = list();
    plan.toggle('a');
    plan.take([order('b', 'START_TODAY')]);
    expect(plan.chosen).toEqual([]);
    expect(plan.selected.size).toBe(0);
  });

  it('finds by item, name, site and supplier', () => {
    const plan = list();
    plan.words = 'brg-62';
    expect(plan.shown.map((o) => o.key)).toEqual(['c']);
  });
});
