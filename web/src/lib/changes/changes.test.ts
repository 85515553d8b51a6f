import { describe, expect, it } from 'vitest';
import {
  became,
  causedBy,
  customerMark,
  groupsOf,
  happened,
  mark,
  marksOf,
  type Changes,
  type OrderChange,
  type PromiseChange
} from './changes';

function change(values: Partial<OrderChange>): OrderChange {
  return {
    key: 'A~W~2026-12-01~5~0',
    kind: 'changed',
    ways: [],
    item: 'A',
    itemName: 'Anvil',
    site: 'W',
    siteName: 'Works',
    unit: 'pcs',
    causes: [1],
    ...values
  };
}

function promise(values: Partial<PromiseChange>): PromiseChange {
  return {
    number: 'SO-1',
    line: '1',
    item: 'A',
    itemName: 'Anvil',
    wanted: '2026-12-01',
    neverBefore: false,
    neverAfter: false,
    better: false,
    open: true,
    causes: [1],
    ...values
  };
}

describe('what happened to an order', () => {
  it('is said with days and quantity', () => {
    const moved = change({ ways: ['later', 'smaller'], days: 3, more: -4 });
    expect(happened(moved)).toBe('moved 3 days later, 4 pcs less');
    expect(mark(moved)).toBe('+3 d');
    expect(mark(change({ ways: ['earlier'], days: -1, more: 0 }))).toBe('\u22121 d');
  });

  it('is said of starts and sources too', () => {
    expect(happened(change({ ways: ['earlier', 'otherwise'], days: 0, more: 0 }))).toBe(
      'starts earlier, from elsewhere'
    );
    expect(mark(change({ ways: ['bigger'], days: 0, more: 2 }))).toBe('bigger');
  });

  it('names what a firmed order is now', () => {
    expect(happened(change({ kind: 'firmed', number: 'FO-1' }))).toBe('firmed as FO-1');
    expect(mark(change({ kind: 'new' }))).toBe('new');
  });
});

describe('marks', () => {
  const changes: Changes = {
    found: [],
    orderCount: 0,
    causes: [
      {
        id: 1,
        at: '',
        kind: 'decision',
        name: 'Ida Holm',
        sentence: 'Did it',
        orders: 1,
        worse: 0,
        better: 0
      }
    ],
    orders: [
      change({ kind: 'new' }),
      change({ kind: 'gone', key: undefined }),
      change({ kind: 'released', key: 'PO-1~1' })
    ],
    customerOrders: [],
    left: 0
  };

  it('stand at rows that are there, with who caused them', () => {
    const marks = marksOf(changes);
    expect([...marks.keys()]).toEqual(['A~W~2026-12-01~5~0']);
    expect(marks.get('A~W~2026-12-01~5~0')?.says).toBe('new: Ida Holm: Did it');
    expect(marksOf(undefined).size).toBe(0);
  });

  it('stand at customer orders that became late', () => {
    const late = { ...changes, orders: [], customerOrders: [promise({ after: '2026-12-09' })] };
    expect(marksOf(late).get(customerMark('SO-1'))).toEqual({
      word: 'became late',
      says: 'became late: Ida Holm: Did it'
    });
  });
});

describe('changes of one cause', () => {
  it('are those that name it', () => {
    const rows = [change({ causes: [1, 2] }), change({ causes: [2] })];
    expect(causedBy(rows, 1)).toHaveLength(1);
    expect(causedBy(rows, undefined)).toHaveLength(2);
  });

  it('are grouped by what happened, without empty groups', () => {
    const rows = [change({ kind: 'gone' }), change({ kind: 'new' }), change({ kind: 'new' })];
    expect(groupsOf(rows).map((g) => [g.kind, g.orders.length])).toEqual([
      ['new', 2],
      ['gone', 1]
    ]);
  });
});

describe('a customer order', () => {
  it('became late, later, or was saved', () => {
    expect(became(promise({ after: '2026-12-09' }))).toBe('became late');
    expect(became(promise({ before: '2026-12-05', after: '2026-12-09' }))).toBe('later still');
    expect(became(promise({ before: '2026-12-09', after: '2026-12-05', better: true }))).toBe('less late');
    expect(became(promise({ before: '2026-12-09', better: true }))).toBe('on time again');
    expect(became(promise({ neverAfter: true }))).toBe('can never be met');
    expect(became(promise({ before: '2026-12-09', open: false, better: true }))).toBe('no longer open');
  });
});
