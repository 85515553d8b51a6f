import { describe, expect, it } from 'vitest';
import { cell, csv } from './export';

describe('CSV by RFC 4180', () => {
  it('quotes what needs it and leaves what is not set empty', () => {
    expect(
      csv({
        header: ['a', 'b', 'c'],
        rows: [
          ['x, y', 'say "so"', null],
          ['two\nlines', 1.5, undefined]
        ]
      })
    ).toBe('a,b,c\r\n"x, y","say ""so""",\r\n"two\nlines",1.5,\r\n');
  });
});

describe('cells of a workbook', () => {
  it('keep numbers and days what they are', () => {
    expect(cell(1.5)).toEqual({ value: 1.5 });
    expect(cell('2026-12-09')).toEqual({ value: new Date(Date.UTC(2026, 11, 9)), format: 'yyyy-mm-dd' });
    expect(cell('9 Dec')).toEqual({ value: '9 Dec' });
    expect(cell('')).toBeUndefined();
    expect(cell(null)).toBeUndefined();
  });
});
