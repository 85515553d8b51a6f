import { describe, expect, it } from 'vitest';
import { wishOf } from './wish';

describe('a wish', () => {
  it('is none while nothing is said', () => {
    expect(wishOf({ kind: 'CHANGE', orders: ['a'] }, {})).toBeUndefined();
    expect(wishOf({ kind: 'HOLD', orders: ['a'] }, { until: ' ' })).toBeUndefined();
    expect(wishOf({ kind: 'SPLIT', orders: ['a'] }, {})).toBeUndefined();
  });

  it('is none while a number is no number', () => {
    expect(wishOf({ kind: 'CHANGE', orders: ['a'] }, { quantity: 'many' })).toBeUndefined();
  });

  it('takes numbers as they are written here', () => {
    expect(wishOf({ kind: 'CHANGE', orders: ['a'] }, { quantity: '1 250,5' })?.quantity).toBe(1250.5);
  });

  it('splits by a part before it splits by number', () => {
    expect(wishOf({ kind: 'SPLIT', orders: ['a'] }, { part: '40', into: '3' })?.parts).toEqual([
      { quantity: 40, due: undefined }
    ]);
    expect(wishOf({ kind: 'SPLIT', orders: ['a'] }, { into: '3' })?.into).toBe(3);
  });

  it('needs no words to firm', () => {
    expect(wishOf({ kind: 'FIRM', orders: ['a', 'b'] }, {})?.orders).toEqual(['a', 'b']);
  });

  it('takes a line out of a bill of materials by its number', () => {
    expect(wishOf({ kind: 'BILL', orders: [], item: 'A' }, { fields: { line: '20' } })?.fields).toEqual({
      line: '20'
    });
  });
});
