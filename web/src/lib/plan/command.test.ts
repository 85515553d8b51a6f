import { describe, expect, it } from 'vitest';
import { commandOf } from './command';

describe('a command', () => {
  it('is none while nothing is said', () => {
    expect(commandOf({ kind: 'CHANGE', orders: ['a'] }, {})).toBeUndefined();
    expect(commandOf({ kind: 'HOLD', orders: ['a'] }, { until: ' ' })).toBeUndefined();
    expect(commandOf({ kind: 'SPLIT', orders: ['a'] }, {})).toBeUndefined();
  });

  it('is none while a number is no number', () => {
    expect(commandOf({ kind: 'CHANGE', orders: ['a'] }, { quantity: 'many' })).toBeUndefined();
  });

  it('takes numbers as they are written here', () => {
    expect(commandOf({ kind: 'CHANGE', orders: ['a'] }, { quantity: '1 250,5' })).toMatchObject({
      quantity: 1250.5
    });
  });

  it('splits by a part before it splits by number', () => {
    expect(commandOf({ kind: 'SPLIT', orders: ['a'] }, { part: '40', into: '3' })).toEqual({
      kind: 'SPLIT',
      orders: ['a'],
      parts: [{ quantity: 40, due: undefined }],
      note: undefined
    });
    expect(commandOf({ kind: 'SPLIT', orders: ['a'] }, { into: '3' })).toMatchObject({ into: 3 });
  });

  it('needs no words to firm', () => {
    expect(commandOf({ kind: 'FIRM', orders: ['a', 'b'] }, {})).toMatchObject({ orders: ['a', 'b'] });
  });

  it('takes a line out of a bill of materials by its number', () => {
    expect(commandOf({ kind: 'BILL', orders: [], item: 'A' }, { line: '20' })).toMatchObject({
      item: 'A',
      line: '20'
    });
  });
});
