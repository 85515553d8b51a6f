import { expect, test } from 'vitest';
import { ledger, lots, sums, type Allocation } from './turn';

const comes = (day: string, quantity: number) => ({ kind: 'planned', name: 'make', day, quantity, left: 0 });
const goes = (day: string, quantity: number, late = false) => ({
  kind: 'customer_order',
  name: 'SO-1',
  day,
  due: day,
  quantity,
  late,
  from: []
});

/** 10 are there on Monday the 2nd; 4 go that day, 9 on Tuesday of the week after, when 5 come. */
const all = {
  comes: [comes('2026-03-02', 10), comes('2026-03-10', 5)],
  goes: [goes('2026-03-02', 4), goes('2026-03-10', 9, true)]
} as unknown as Allocation;

test('what comes on a day comes before what goes, and the balance runs along', () => {
  expect(ledger(all).map((e) => `${e.day} ${e.comes ? '+' : '-'} ${e.balance}`)).toEqual([
    '2026-03-02 + 10',
    '2026-03-02 - 6',
    '2026-03-10 + 11',
    '2026-03-10 - 2'
  ]);
});

test('weeks begin on Monday, months with the first', () => {
  expect(sums(ledger(all), 'week')).toEqual([
    { from: '2026-03-02', comes: 10, goes: 4, balance: 6, late: 0 },
    { from: '2026-03-09', comes: 5, goes: 9, balance: 2, late: 1 }
  ]);
  expect(sums(ledger(all), 'month')).toEqual([
    { from: '2026-03-01', comes: 15, goes: 13, balance: 2, late: 1 }
  ]);
  expect(sums(ledger(all), 'day')).toHaveLength(2);
});

test('of each lot it is told who gets of it, also of one demand that takes of two', () => {
  const lot = (name: string, quantity: number) => ({ ...comes('2026-03-02', quantity), kind: 'stock', name });
  const from = (name: string, quantity: number) => ({ kind: 'stock', name, day: '2026-03-02', quantity });
  const some = {
    comes: [lot('L1', 3), lot('L2', 9), comes('2026-03-10', 5)],
    goes: [
      { ...goes('2026-03-02', 4), from: [from('L1', 3), from('L2', 1)] },
      { ...goes('2026-03-10', 2), from: [from('L2', 2)] }
    ]
  } as unknown as Allocation;
  expect(lots(some).map((l) => [l.lot.name, l.takers.map((t) => t.quantity)])).toEqual([
    ['L1', [3]],
    ['L2', [1, 2]]
  ]);
});
