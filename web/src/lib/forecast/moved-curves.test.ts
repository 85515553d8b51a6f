import { expect, test } from 'vitest';
import { aheadAt } from './moved-curves.svelte';

const ahead = [
  { from: '2026-12-01', quantity: 1, low80: 0, high80: 2, low95: 0, high95: 3, expected: 1 },
  { from: '2027-01-01', quantity: 1, low80: 0, high80: 2, low95: 0, high95: 3, expected: 1 }
];
const curve = (value: number, by: number) => ({
  value,
  expected: [by, 2 * by],
  low80: [by - 1, by],
  high80: [by + 1, by],
  low95: [by - 2, by],
  high95: [by + 2, by]
});
const curves = [curve(0, 10), curve(20, 20), curve(40, 60)];

test('between two curves lies what is between them', () => {
  expect(aheadAt(ahead, curves, 5).map((a) => a.expected)).toEqual([12.5, 25]);
  expect(aheadAt(ahead, curves, 30)[0]).toMatchObject({ expected: 40, low80: 39, high95: 42 });
});

test('on a curve it is that curve, and beyond the last the last', () => {
  expect(aheadAt(ahead, curves, 20).map((a) => a.expected)).toEqual([20, 40]);
  expect(aheadAt(ahead, curves, 99).map((a) => a.expected)).toEqual([60, 120]);
  expect(aheadAt(ahead, [], 5)).toBe(ahead);
});
