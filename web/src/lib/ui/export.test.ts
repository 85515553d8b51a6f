import { describe, expect, it } from 'vitest';
import { csv } from './export';

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
