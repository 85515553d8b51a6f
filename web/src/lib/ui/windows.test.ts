import { describe, expect, it } from 'vitest';
import { spread, windowsOf } from './windows.svelte';

describe('the windows of a long list', () => {
  it('are those that hold the rows in sight', () => {
    expect(windowsOf(0, 30)).toEqual([0]);
    expect(windowsOf(-20, 99)).toEqual([0]);
    expect(windowsOf(90, 110)).toEqual([0, 1]);
    expect(windowsOf(99_999, 99_999)).toEqual([999]);
    expect(windowsOf(200, 199)).toEqual([2]);
  });

  it('stand where they belong, and leave holes', () => {
    const rows = spread(250, [
      [0, ['first']],
      [2, ['a', 'b']]
    ]);
    expect(rows.length).toBe(250);
    expect(rows[0]).toBe('first');
    expect(rows[1]).toBeUndefined();
    expect(rows[201]).toBe('b');
    expect(rows.filter((r) => r !== undefined)).toEqual(['first', 'a', 'b']);
  });
});
