import { describe, expect, it } from 'vitest';
import { Listing } from './rows.svelte';

interface Nail {
  code: string;
}

function list(...codes: string[]): Listing<Nail> {
  return new Listing(
    () => codes.map((code) => ({ code })),
    (nail) => nail.code
  );
}

describe('the rows of a list', () => {
  it('are gone through one by one, not beyond the ends', () => {
    const rows = list('a', 'b', 'c');
    expect(rows.step(1)).toBe('a');
    rows.cursor = 'b';
    expect(rows.at).toBe(1);
    expect(rows.step(1)).toBe('c');
    expect(rows.step(-1)).toBe('a');
    rows.cursor = 'c';
    expect(rows.step(1)).toBe('c');
    expect(list().step(1)).toBeUndefined();
  });

  it('that have not come yet keep their place', () => {
    const nails: (Nail | undefined)[] = [{ code: 'a' }, undefined, { code: 'c' }];
    const rows = new Listing(
      () => nails,
      (nail) => nail.code
    );
    rows.cursor = 'c';
    expect(rows.at).toBe(2);
    expect(rows.shown.map((r) => r.code)).toEqual(['a', 'c']);
    expect(rows.step(-1)).toBeUndefined();
    expect(rows.step(-2)).toBe('a');
  });

  it('are selected from the cursor to another, up and down', () => {
    const rows = list('a', 'b', 'c', 'd');
    rows.cursor = 'c';
    rows.range('b');
    expect([...rows.selected]).toEqual(['b', 'c']);
    rows.range('d');
    expect([...rows.selected]).toEqual(['b', 'c', 'd']);
    rows.range('nowhere');
    expect(rows.selected.size).toBe(3);
  });

  it('are selected on the way of the cursor', () => {
    const rows = list('a', 'b', 'c');
    rows.cursor = 'a';
    expect(rows.extend(1)).toBe('b');
    expect([...rows.selected]).toEqual(['a', 'b']);
  });

  it('are selected all or none', () => {
    const rows = list('a', 'b');
    rows.toggle('a');
    rows.toggleAll();
    expect(rows.selected.size).toBe(2);
    rows.toggleAll();
    expect(rows.selected.size).toBe(0);
  });

  it('that are meant are the selected ones, or the one under the cursor', () => {
    const rows = list('a', 'b', 'c');
    rows.cursor = 'c';
    expect(rows.concerned.map((r) => r.code)).toEqual(['c']);
    rows.toggle('a');
    rows.toggle('b');
    expect(rows.concerned.map((r) => r.code)).toEqual(['a', 'b']);
  });
});
