import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '$lib/format';
import { plane } from '$lib/ui/axis';
import { levelOn, lineBoxes, placeLabels, shortages, steps, textWidth } from './stock-line';

const frame = { left: 0, right: 100, top: 0, bottom: 100 };
const monday = dayNumber('2026-11-23');
const levels = [
  { date: '2026-11-23', balance: 50 },
  { date: '2026-11-25', balance: -50 },
  { date: '2026-11-27', balance: 20 }
];

describe('the stock line', () => {
  it('keeps a level until the next event', () => {
    expect(levelOn(levels, monday + 1)).toBe(50);
    expect(levelOn(levels, monday + 3)).toBe(-50);
    expect(levelOn(levels, monday + 30)).toBe(20);
  });

  it('steps at the days of its events and runs to the right edge', () => {
    const s = plane(frame, monday, monday + 10, [50, -50]);
    expect(steps(levels, s).match(/[HV]/g)).toHaveLength(6);
    expect(steps(levels, s)).toMatch(/^M0\.0 .*H20\.0.*H40\.0.*H100\.0/);
  });

  it('hatches only what lies below zero', () => {
    const s = plane(frame, monday, monday + 10, [50, -50]);
    const hatched = shortages(levels, s);
    expect(hatched.match(/M/g)).toHaveLength(1);
    expect(hatched).toContain('M20.0');
    expect(hatched).toContain('H40.0');
  });

  it('never lets labels overlap and drops the lightest', () => {
    const room = { left: 0, right: 60, top: 0, bottom: 14 };
    const placed = placeLabels(
      [
        { x: 2, y: 7, text: 'light', weight: 1 },
        { x: 2, y: 7, text: 'heavy', weight: 2 }
      ],
      room
    );
    expect(placed.map((l) => l.text)).toEqual(['heavy']);
  });

  it('keeps clear of what is taken already', () => {
    const room = { left: 0, right: 200, top: 0, bottom: 40 };
    const taken = { left: 0, right: 200, top: 0, bottom: 20 };
    const placed = placeLabels([{ x: 20, y: 16, text: 'here', weight: 1 }], room, [taken]);
    expect(placed[0]?.y).toBeGreaterThan(20);
  });
});

describe('labels beside the line', () => {
  const frame = { left: 0, right: 400, top: 0, bottom: 200 };
  const s = plane(frame, 20_000, 20_040, [0, 40]);
  const levels = [
    { date: isoDay(20_000), balance: 30 },
    { date: isoDay(20_010), balance: 10 },
    { date: isoDay(20_020), balance: 25 }
  ];

  it('never lie on the line', () => {
    const boxes = lineBoxes(levels, s);
    const labels = levels.map((level, i) => ({
      x: s.x(20_000 + 10 * i),
      y: s.y(level.balance),
      text: 'CARR-62 planned · 4',
      short: '4',
      weight: i
    }));
    const placed = placeLabels(labels, frame, boxes);
    expect(placed.length).toBeGreaterThan(0);
    for (const label of placed) {
      const width = textWidth(label.text);
      const left = label.anchor === 'start' ? label.x + 8 : label.x - 8 - width;
      for (const box of boxes) {
        const apart =
          left + width < box.left || left > box.right || label.y + 6 < box.top || label.y - 6 > box.bottom;
        expect(apart).toBe(true);
      }
    }
  });

  it('are shortened before they are dropped', () => {
    const narrow = { left: 0, right: 40, top: 0, bottom: 40 };
    const label = { x: 10, y: 20, text: 'a long name · 4', short: '4', weight: 1 };
    expect(placeLabels([label], narrow).map((l) => l.text)).toEqual(['4']);
    expect(placeLabels([{ ...label, short: undefined }], narrow)).toEqual([]);
  });
});
