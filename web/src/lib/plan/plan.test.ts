import { describe, expect, it } from 'vitest';
import { askedOf, entriesOf, keyOf, type Filters } from './filters';
import { order } from './order.sample';
import { PlanList, type PlannedOrder, type Row, type SignalRow } from './plan.svelte';

function signal(item: string, kind: string, group: SignalRow['group']): SignalRow {
  return {
    key: `!${kind}~${item}`,
    group,
    itemName: `name of ${item}`,
    siteName: 'Works',
    signal: { kind, item, site: 'W', bad: true, sentence: `${kind} of ${item}`, cures: [] }
  };
}

function list(): PlanList {
  const made = new PlanList();
  made.take(
    [order('a', { group: 'START_OVERDUE' }), order('b'), order('c', { item: 'BRG-6202' })],
    [signal('z', 'cancel', 'CHANGE_ORDER')]
  );
  return made;
}

function shown(orders: PlannedOrder[], filters: Filters): string[] {
  const rows: Row[] = orders.map((o) => ({ order: o }));
  return entriesOf(rows, filters).map((e) => ('head' in e ? `${e.name} ${e.count}` : keyOf(e)));
}

describe('the list', () => {
  it('puts a head before each group, orders and signals together', () => {
    expect(list().entries.map((e) => ('head' in e ? `${e.name} ${e.count}` : keyOf(e)))).toEqual([
      'Start overdue 1',
      'a',
      'Start today 2',
      'b',
      'c',
      'Change an open order 1',
      '!cancel~z'
    ]);
  });

  it('moves the cursor over rows only and stops at the ends', () => {
    const plan = list();
    expect(plan.step(1)).toBe('a');
    plan.cursor = 'c';
    expect(plan.step(1)).toBe('!cancel~z');
    expect(plan.step(-1)).toBe('b');
    plan.cursor = 'a';
    expect(plan.step(-1)).toBe('a');
  });

  it('shows what the server says that fits, and keeps what is selected besides', () => {
    const plan = list();
    plan.toggle('a');
    plan.fitting = new Set(['c', '!cancel~z']);
    expect(plan.shown.map(keyOf)).toEqual(['c', '!cancel~z']);
    plan.toggle('c');
    plan.take([order('a'), order('c')], []);
    expect(plan.orders.map((o) => o.key)).toEqual(['a', 'c']);
  });

  it('forgets the selection of what is gone', () => {
    const plan = list();
    plan.toggle('a');
    plan.toggle('b');
    plan.take([order('b')], []);
    expect([...plan.selected]).toEqual(['b']);
  });

  it('acts on the selected rows, or on the one under the cursor', () => {
    const plan = list();
    plan.cursor = 'a';
    expect(plan.orders.map((o) => o.key)).toEqual(['a']);
    plan.toggle('b');
    plan.toggle('c');
    expect(plan.orders.map((o) => o.key)).toEqual(['b', 'c']);
  });

  it('selects all rows from the cursor to another, over heads, up and down', () => {
    const plan = list();
    plan.cursor = 'b';
    plan.range('!cancel~z');
    expect([...plan.selected]).toEqual(['b', 'c', '!cancel~z']);
    plan.range('a');
    expect(plan.selected.has('a')).toBe(true);
    plan.range('not there');
    expect(plan.selected.size).toBe(4);
  });

  it('selects a group by its head, or none of it if all of it is', () => {
    const plan = list();
    plan.toggle('a');
    plan.toggle('b');
    plan.toggleGroup('START_TODAY');
    expect([...plan.selected]).toEqual(['a', 'b', 'c']);
    plan.toggleGroup('START_TODAY');
    expect([...plan.selected]).toEqual(['a']);
  });

  it('knows where the cursor goes when its row goes', () => {
    const plan = list();
    plan.cursor = 'b';
    expect(plan.after(['b'])).toBe('c');
    plan.cursor = '!cancel~z';
    expect(plan.after(['!cancel~z'])).toBe('c');
  });

  it('keeps the cursor where it was sent until the row of it is there', () => {
    const plan = list();
    plan.cursor = 'b';
    plan.send('FO-1~1', ['b']);
    expect(plan.here).toBe('b');
    expect(plan.step(1)).toBe('c');
    plan.take([order('a'), order('FO-1~1'), order('c')], []);
    expect(plan.here).toBe('FO-1~1');
    expect(plan.step(-1)).toBe('a');
  });

  it('goes on beside a row that is lost', () => {
    const plan = list();
    plan.cursor = 'b';
    plan.take([order('a'), order('c'), order('d')], []);
    expect(plan.here).toBeUndefined();
    plan.take([order('a'), order('c'), order('d')], []);
    expect(plan.step(1)).toBe('c');
    expect(plan.step(-1)).toBe('a');
  });
});

describe('the filters', () => {
  const orders = [
    order('a', { supplier: 'S', partner: 'Smith', value: 10, forLate: true }),
    order('b', { source: 'make', value: 200, start: '2026-12-01' }),
    order('c', { supplier: 'S', partner: 'Smith', value: 30, hold: { until: '2026-12-01', name: 'Ida' } })
  ];
  it('are asked of the server only if something is filtered', () => {
    expect(askedOf({ by: 'supplier', sort: '-value' }, '  ')).toBeUndefined();
    // of a list that is too long to be sent whole, the server says what stands first
    expect(askedOf({ by: 'supplier', sort: '-value' }, '', false)).toEqual({ sort: '-value' });
    expect(askedOf({ held: 'none' }, '')).toEqual({ held: 'none' });
    expect(askedOf({ held: 'all', late: false, changed: true }, '')).toEqual({ changed: true });
    expect(askedOf({ worth: '30' }, ' oak ')).toEqual({ worth: 30, words: 'oak' });
  });

  it('sort within the groups, down with a minus', () => {
    expect(shown(orders, { sort: 'value' })).toEqual(['Start today 3', 'a', 'c', 'b']);
    expect(shown(orders, { sort: '-value' })).toEqual(['Start today 3', 'b', 'c', 'a']);
  });

  it('group by supplier, what is made here last', () => {
    expect(shown(orders, { by: 'supplier' })).toEqual(['Smith 2', 'a', 'c', 'Own work 1', 'b']);
  });

  it('group by the customer order that is served first', () => {
    const end = { number: 'SO-1', line: '1', customer: 'Bee', item: 'HIVE', due: '2026-12-01' };
    expect(shown([order('x'), order('y', { end })], { by: 'customer' })).toEqual([
      'SO-1 Bee 1',
      'y',
      'No customer order yet 1',
      'x'
    ]);
  });
});

describe('an order that is opened and does not stand in the list', () => {
  it('is what a key pressed now is about, and is no row to move to', () => {
    const plan = list();
    plan.cursor = 'far';
    expect(plan.concerned).toEqual([]);
    plan.opened = order('far');
    expect(plan.orders.map((o) => o.key)).toEqual(['far']);
    expect(plan.shown.map(keyOf)).not.toContain('far');
    expect(plan.step(1)).toBe('a');
  });

  it('is the row of the list where there is one', () => {
    const plan = list();
    plan.opened = order('b', { quantity: 7 });
    plan.cursor = 'b';
    expect(plan.orders[0]?.quantity).toBe(1);
  });
});
