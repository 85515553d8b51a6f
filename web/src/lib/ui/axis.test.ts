import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '$lib/format';
import { amounts, apart, days, mondays, plane } from './axis';

const monday = dayNumber('2026-11-23');

describe('days along a picture', () => {
  const axis = days(monday, monday + 10, 100, 300);

  it('lie between its edges', () => {
    expect(axis.x(monday)).toBe(100);
    expect(axis.x(monday + 5)).toBe(200);
    expect(axis.x(monday + 10)).toBe(300);
    expect(axis.perDay).toBe(20);
  });

  it('are found again from a place, the nearest one, never beyond the edges', () => {
    expect(axis.dayAt(208)).toBe(monday + 5);
    expect(axis.dayAt(212)).toBe(monday + 6);
    expect(axis.dayAt(0)).toBe(monday);
    expect(axis.dayAt(999)).toBe(monday + 10);
  });

  it('have a width even if it is only one', () => {
    expect(days(monday, monday, 0, 50).perDay).toBe(50);
  });

  it('are marked on Mondays', () => {
    // from a Wednesday, 20 pixels a day
    const marked = mondays(days(monday + 2, monday + 24, 0, 440));
    expect(marked.map(isoDay)).toEqual(['2026-11-30', '2026-12-07', '2026-12-14']);
  });

  it('are marked on a Monday at the very left, and not at the right edge', () => {
    expect(mondays(days(monday, monday + 7, 0, 140)).map(isoDay)).toEqual(['2026-11-23']);
  });

  it('are marked on every second or fourth Monday where there is no room', () => {
    // 5 pixels a day: a week takes 35, two take 70
    expect(mondays(days(monday, monday + 56, 0, 280))).toHaveLength(4);
    // 2 pixels a day: four weeks take 56
    expect(mondays(days(monday, monday + 56, 0, 112))).toHaveLength(2);
  });

  it('are written both only if they are apart', () => {
    expect(apart(axis, monday, monday + 2)).toBe(false);
    expect(apart(axis, monday, monday + 3)).toBe(true);
  });
});

describe('amounts up a picture', () => {
  it('show zero and all of them, more lying higher', () => {
    const axis = amounts([20, 80], 0, 100);
    expect(axis.low).toBeLessThan(0);
    expect(axis.high).toBeGreaterThan(80);
    expect(axis.y(80)).toBeLessThan(axis.y(20));
    expect(axis.y(axis.low)).toBe(100);
    expect(axis.y(axis.high)).toBe(0);
  });

  it('have round ones to be written', () => {
    expect(amounts([100], 0, 100).rounds).toEqual([0, 20, 40, 60, 80, 100]);
    expect(amounts([-50, 50], 0, 100).rounds).toContain(0);
  });
});

it('a plane has both', () => {
  const both = plane({ left: 0, right: 10, top: 0, bottom: 10 }, monday, monday + 1, [5]);
  expect(both.x(monday + 1)).toBe(10);
  expect(both.y(both.low)).toBe(10);
});
