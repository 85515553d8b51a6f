import { expect, test } from 'vitest';
import { asked, blank, decided, inShort, nextSupply, typedWrong, type Answer } from './entry';

const TODAY = '2026-11-23';
const line = (more: object = {}) => ({ ...blank(), item: 'A', quantity: '4', ...more });
const answer = (more: object) =>
  ({ day: '2026-11-30', asWanted: false, promised: '2026-12-07', ...more }) as unknown as Answer;

test('a number and a day are said to be wrong where they are, and nothing is before the day is known', () => {
  expect(typedWrong(line({ quantity: '-2' }), TODAY)).toContain('no number above 0');
  expect(typedWrong(line({ wanted: 'soon' }), TODAY)).toContain('“soon” is no day');
  expect(typedWrong(line({ wanted: '+5' }), TODAY)).toBeUndefined();
  expect(typedWrong(line({ quantity: '-2' }), '')).toBeUndefined();
  expect(typedWrong(blank(), TODAY)).toBeUndefined();
});

test('a line waits until it goes as it is wanted or somebody has chosen, and again when the promise moves', () => {
  expect(decided(line(), undefined, TODAY)).toBe(false);
  expect(decided(line(), answer({ asWanted: true }), TODAY)).toBe(true);
  expect(decided(line(), answer({}), TODAY)).toBe(false);
  expect(decided(line({ kept: true }), answer({}), TODAY)).toBe(true);
  expect(decided(line({ taken: '2026-12-07' }), answer({}), TODAY)).toBe(true);
  expect(decided(line({ taken: '2026-12-04' }), answer({}), TODAY)).toBe(false);
});

test('what is said beside a line', () => {
  expect(inShort(line(), answer({}), TODAY)).toBe('not before 7 Dec');
  expect(inShort(line({ taken: '2026-12-07' }), answer({}), TODAY)).toBe('promised 7 Dec');
  expect(inShort(line({ kept: true }), answer({}), TODAY)).toBe('kept for 30 Nov');
  expect(inShort(line(), answer({ promised: undefined }), TODAY)).toBe('not within the plan');
  expect(inShort(line(), answer({ day: undefined }), TODAY)).toBe('');
});

test('one key goes from stock to bought for it, to the supplier who ships it, and back', () => {
  expect(nextSupply(undefined)).toBe('OWN');
  expect(nextSupply('OWN')).toBe('DIRECT');
  expect(nextSupply('DIRECT')).toBeUndefined();
});

test('a supplier is asked only where the line is bought for, and a part only once it is typed', () => {
  expect(asked(line({ supplier: 'S' }), 'W', TODAY)).toMatchObject({ site: 'W', supplier: undefined });
  expect(asked(line({ supply: 'OWN', supplier: 'S' }), 'W', TODAY)).toMatchObject({ supplier: 'S' });
  const parts = [
    { component: 'B', quantity: '2' },
    { component: '', quantity: '1' },
    { component: 'C', quantity: 'x' }
  ];
  expect(asked(line({ parts }), 'W', TODAY).parts).toEqual([{ component: 'B', quantity: 2 }]);
});

test('a part with no number is said to be wrong and not left out of what is kept', () => {
  const parts = [{ component: 'B', quantity: 'x' }];
  expect(typedWrong(line({ parts }), TODAY)).toContain('How many B');
  expect(typedWrong(line({ parts: [{ component: '', quantity: '' }] }), TODAY)).toBeUndefined();
});
