import { describe, expect, it } from 'vitest';
import { confirmation, receipt, type LetterLine } from './letters';

const line = (more: Partial<LetterLine>): LetterLine => ({
  line: '1',
  item: 'WAX',
  unit: 'kg',
  said: 2,
  quantity: 50,
  tracking: 'none',
  serials: [],
  ...more
});

describe('what is made of a letter', () => {
  it('confirms each part for its day, in the unit of the item', () => {
    const said = confirmation('PO-7', [
      line({ date: '2026-12-01', quantity: 30 }),
      line({ date: '2026-12-08', quantity: 20 }),
      line({ line: '2', item: undefined, date: '2026-12-08' })
    ]);
    expect(said).toEqual({
      kind: 'CONFIRMED',
      number: 'PO-7',
      lines: [
        { line: '1', date: '2026-12-01', quantity: 30 },
        { line: '1', date: '2026-12-08', quantity: 20 }
      ]
    });
  });

  it('takes a delivery in with its lots, and leaves what has serial numbers', () => {
    const wish = receipt('PO-7', [
      line({ tracking: 'lot', lot: 'K1', expiry: '2027-12-01' }),
      line({ line: '2', lot: 'K1' }),
      line({ line: '3', tracking: 'serial' })
    ]);
    expect(wish?.lines.map((l) => [l.line, l.lot, l.expiry])).toEqual([
      ['1', 'K1', '2027-12-01'],
      ['2', undefined, undefined]
    ]);
    expect(receipt('PO-7', [line({ tracking: 'serial' })])).toBeUndefined();
  });

  it('takes in each piece with its serial number, if all are named', () => {
    const two = line({ tracking: 'serial', quantity: 2, serials: ['N1', 'N2'] });
    expect(receipt('PO-7', [two])?.lines.map((l) => [l.serial, l.quantity])).toEqual([
      ['N1', 1],
      ['N2', 1]
    ]);
    expect(receipt('PO-7', [{ ...two, quantity: 3 }])).toBeUndefined();
  });
});
