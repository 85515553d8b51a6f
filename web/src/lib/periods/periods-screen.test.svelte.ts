// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest';

vi.mock('$app/state', () => import('$lib/screen.sample.svelte'));
vi.mock('$app/navigation', () => import('$lib/screen.sample.svelte'));
vi.mock('@tanstack/svelte-query', () => import('$lib/screen.sample.svelte'));

import { left as screens } from '$lib/left.svelte';
import { rights } from '$lib/rights.svelte';
import { answered, at, left, press, said } from '$lib/screen.sample.svelte';
import { PeriodsScreen } from './periods-screen.svelte';

const PERIODS = [
  { start: '2026-11-23', end: '2026-11-23' },
  { start: '2026-11-24', end: '2026-11-24' },
  { start: '2026-11-25', end: '2026-11-25' }
];

function point(item: string, balances: number[]) {
  return {
    item,
    itemName: item,
    site: 'W',
    siteName: 'Works',
    unit: 'pcs',
    source: 'make',
    level: 0,
    opening: 0,
    safetyStock: 0,
    balances,
    marks: balances.map((b) => (b < 0 ? 'z' : ' ')).join(''),
    late: ''
  };
}

const GRID = { total: 2, periods: PERIODS, rows: [point('CHAIR', [5, 5, -1]), point('SEAT', [9, 9, 9])] };
const ANSWERS = {
  'plan state': { today: '2026-11-23', currency: 'EUR' },
  'plan periods {"scale":"mixed"} 1': GRID
};

/** The figure of the first row and period. */
const CELL = 'plan cell {"item":"CHAIR","site":"W","date":"2026-11-23","kind":"BALANCE","scale":"mixed"} 1';
const screenAt = (url: string) => at(url, ANSWERS, () => new PeriodsScreen());

describe('the screen of the periods', () => {
  afterEach(() => {
    left();
    screens.forget();
  });

  it('begins in the first row, and keys go on from there, not beyond the edges', () => {
    const screen = screenAt('/plan/periods');
    expect(screen.here?.point.item).toBe('CHAIR');
    press('j');
    press('j');
    expect(screen.here?.point.item).toBe('SEAT');
    press('ArrowRight');
    press('ArrowRight');
    press('ArrowRight');
    expect(screen.day).toBe('2026-11-25');
    press('k');
    expect(screen.here?.point.item).toBe('CHAIR');
  });

  it('asks for the slip of the figure in view only when somebody asks why', () => {
    const screen = screenAt('/plan/periods');
    expect(screen.slip.data).toBeUndefined();
    answered(CELL, { title: 'Balance' });
    expect(screen.slip.data).toBeUndefined();
    press('w');
    expect(screen.asking).toBe(true);
    expect(screen.slip.data).toEqual({ title: 'Balance' });
    press('Escape');
    expect(screen.asking).toBe(false);
  });

  it('says where orders are changed when there are none in the row', () => {
    const screen = screenAt('/plan/periods');
    press('e');
    expect(screen.change).toBeUndefined();
    expect(screen.refused).toContain('rows of their receipts');
    press('Escape');
    expect(screen.refused).toBeUndefined();
  });

  it('opens what flows at a stock point, and its components', () => {
    const screen = screenAt('/plan/periods');
    press('o');
    expect([...screen.open]).toEqual(['CHAIR~W']);
    press('o');
    expect(screen.open.size).toBe(0);
    press('c');
    answered('plan period-detail mixed CHAIR W 1', { row: GRID.rows[0], flows: [], components: [] });
    expect(screen.bare).toBe(true);
  });

  it('decides what was dragged, if one may', () => {
    const screen = screenAt('/plan/periods');
    const row = { ...screen.rows[0], orders: [['CHAIR~W~2026-11-23~1~0'], [], []] };
    const may = vi.spyOn(rights, 'decides').mockReturnValue(false);
    screen.move(row as never, 0, 2);
    expect(screen.change).toBeUndefined();
    expect(screen.refused).toContain('for planners to decide');
    may.mockRestore();
    screen.move(row as never, 0, 2);
    expect(screen.change).toMatchObject({ kind: 'CHANGE', orders: ['CHAIR~W~2026-11-23~1~0'] });
  });

  it('keeps in the address what is looked at', () => {
    const screen = screenAt('/plan/periods');
    screen.onlyShort();
    expect(said('short')).toBe('only');
    answered('plan periods {"scale":"mixed","onlyShort":true} 1', { ...GRID, rows: [GRID.rows[0]] });
    expect(screen.rows.map((r) => r.point.item)).toEqual(['CHAIR']);
    screen.onlyShort();
    expect(said('short')).toBeUndefined();
    screen.turn();
    expect(screen.goodsFirst).toBe(false);
    screen.scaleTo('weeks');
    expect(said('scale')).toBe('weeks');
  });
});
