// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest';

vi.mock('$app/state', () => import('$lib/screen.sample.svelte'));
vi.mock('$app/navigation', () => import('$lib/screen.sample.svelte'));
vi.mock('@tanstack/svelte-query', () => import('$lib/screen.sample.svelte'));

import { rights } from '$lib/rights.svelte';
import { at, left, press, said } from '$lib/screen.sample.svelte';
import { ThreadsScreen } from './threads-screen.svelte';

function promise(number: string, late = false) {
  return {
    key: `${number}~1`,
    number,
    line: '1',
    item: 'CHAIR',
    itemName: 'Chair',
    quantity: 1,
    wanted: '2026-12-01',
    possible: late ? '2026-12-06' : '2026-12-01',
    days: late ? 5 : 0,
    late,
    culprit: late ? 'SEAT' : undefined,
    culpritName: late ? 'Seat' : undefined
  };
}

function promised(...rows: ReturnType<typeof promise>[]) {
  return { rows, total: rows.length, late: rows.filter((r) => r.late).length };
}

function bar(key: string, depth: number, above: number) {
  return { key, depth, above, kind: 'planned', item: key, deciding: depth < 2, alsoFor: [] };
}

const ANSWERS = {
  'plan state': { today: '2026-11-23', currency: 'EUR' },
  'plan promises {}': promised(promise('SO-1'), promise('SO-2', true), promise('SO-3', true)),
  'plan promises {"onlyLate":true}': promised(promise('SO-2', true), promise('SO-3', true)),
  'plan thread SO-2': { title: 'SO-2', bars: [bar('a', 0, -1), bar('b', 1, 0), bar('c', 2, 1)] },
  'plan thread b': { title: 'b', bars: [bar('a', 0, -1), bar('b', 1, 0), bar('c', 2, 1)] }
};

const screenAt = (url: string) => at(url, ANSWERS, () => new ThreadsScreen());

describe('the screen of the threads', () => {
  afterEach(left);

  it('begins with the first customer order that is late', () => {
    screenAt('/plan/threads').begin();
    expect(said('number')).toBe('SO-2');
  });

  it('goes through the customer orders and along the thread', () => {
    const screen = screenAt('/plan/threads?number=SO-2&line=1');
    expect(screen.shown.map((p) => p.bar.key)).toEqual(['a', 'b', 'c']);
    press('J');
    press('J');
    press('J');
    expect(screen.here?.key).toBe('c');
    press('K');
    expect(screen.here?.key).toBe('b');
    press('j');
    expect(said('number')).toBe('SO-3');
  });

  it('begins at the order that was asked for, under what waits for it', () => {
    expect(screenAt('/plan/threads?order=b').here?.key).toBe('b');
  });

  it('folds what a bar waits for, and shows fewer levels or only what decides', () => {
    const screen = screenAt('/plan/threads?order=b');
    press('z');
    expect(screen.shown.map((p) => p.bar.key)).toEqual(['a', 'b']);
    press('z');
    press('-');
    expect(said('levels')).toBe('1');
    press('+');
    expect(said('levels')).toBeUndefined();
    press('o');
    expect(screen.shown.map((p) => p.bar.key)).toEqual(['a', 'b']);
  });

  it('changes the order of a bar, or says who may', () => {
    const screen = screenAt('/plan/threads?order=b');
    const may = vi.spyOn(rights, 'decides').mockReturnValue(false);
    press('e');
    expect(screen.change).toBeUndefined();
    expect(screen.refused).toContain('for planners to decide');
    may.mockRestore();
    screen.decide(screen.here, '2026-12-04');
    expect(screen.change).toEqual({ kind: 'CHANGE', orders: ['b'], form: { due: '2026-12-04' } });
    press('Escape');
    expect(screen.change).toBeUndefined();
  });

  it('gathers by what makes late, and copies the line in view', () => {
    const screen = screenAt('/plan/threads?number=SO-2');
    expect(screen.copied()?.split('\n')[1]).toMatch(/^SO-2\t1\t.*late by 5 days: Seat$/);
    press('b');
    expect(screen.lines.map((l) => ('head' in l ? l.count : l.promise.number))).toEqual([2, 'SO-2', 'SO-3']);
  });
});
