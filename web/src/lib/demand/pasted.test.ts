import { expect, test } from 'vitest';
import { isRows, pasted } from './pasted';

const UNITS = ['pcs', 'kg', 'box'];
const TODAY = '2026-11-23';

test('cells of a spreadsheet: code, name, quantity, unit and date in any order', () => {
  expect(pasted('HIVE-10N\tMeadow hive\t12\tpcs\t9 Dec\n3\tTRAP-1\n', UNITS, TODAY)).toEqual([
    { item: 'HIVE-10N', quantity: '12', unit: 'pcs', wanted: '9 Dec' },
    { item: 'TRAP-1', quantity: '3', unit: '', wanted: '' }
  ]);
});

test('lines of a mail: fillings are left out, names stay whole, a day keeps its month', () => {
  expect(pasted('- 30 x TRAP-1\nfeed syrup 15 kg 9 Dec\n', UNITS, TODAY)).toEqual([
    { item: 'TRAP-1', quantity: '30', unit: '', wanted: '' },
    { item: 'feed syrup', quantity: '15', unit: 'kg', wanted: '9 Dec' }
  ]);
});

test('empty rows are no lines, and one word is no rows', () => {
  expect(pasted('\n \nA;2\n', UNITS, TODAY)).toEqual([{ item: 'A', quantity: '2', unit: '', wanted: '' }]);
  expect(isRows('TRAP-1')).toBe(false);
  expect(isRows('TRAP-1\t3')).toBe(true);
});
