import { describe, expect, it } from 'vitest';
import {
  isMain,
  moving,
  nameOf,
  pointKey,
  pointOf,
  rowsOf,
  type Detail,
  type PointRow,
  type Wanted
} from './periods';

function point(item: string, level: number, marks = '..', late = '..'): PointRow {
  return {
    item,
    itemName: `${item} name`,
    site: 'W',
    siteName: 'Works',
    unit: 'pcs',
    source: 'make',
    level,
    opening: 0,
    safetyStock: 0,
    balances: [1, 2],
    marks,
    late
  };
}

const chair = point('CHAIR', 0);
const seat = point('SEAT', 1, '.s');
const leg = point('LEG/4', 1, 'z.');
const none: Wanted = { open: new Set(), components: new Set() };
const details = new Map<string, Detail>([
  [
    pointKey(chair),
    {
      row: chair,
      flows: [
        { kind: 'CUSTOMER_ORDERS', cells: [0, 3] },
        { kind: 'PLANNED_RECEIPTS', cells: [0, 3] },
        { kind: 'BALANCE', cells: [1, 2] }
      ],
      orders: [[], ['CHAIR~W~2026-12-03~3~0']],
      openOrders: [[], []],
      components: [seat, leg]
    }
  ]
]);

describe('the rows of the periods', () => {
  it('stand as they came', () => {
    const rows = rowsOf([chair, seat, leg], details, none);
    expect(rows.map((r) => `${r.depth} ${r.point.item} ${r.kind}`)).toEqual([
      '0 CHAIR BALANCE',
      '0 SEAT BALANCE',
      '0 LEG/4 BALANCE'
    ]);
  });

  it('open into what flows', () => {
    const open = rowsOf([chair], details, { ...none, open: new Set([pointKey(chair)]) });
    expect(open.map((r) => r.kind)).toEqual(['BALANCE', 'CUSTOMER_ORDERS', 'PLANNED_RECEIPTS', 'BALANCE']);
    expect(open.map(isMain)).toEqual([true, false, false, false]);
    expect(open[2]?.orders?.[1]).toEqual(['CHAIR~W~2026-12-03~3~0']);
  });

  it('have their components under them', () => {
    const rows = rowsOf([chair], details, { ...none, components: new Set([pointKey(chair)]) });
    expect(rows.map((r) => `${r.depth} ${r.point.item}`)).toEqual(['0 CHAIR', '1 SEAT', '1 LEG/4']);
    expect(pointOf(rows[2]?.key ?? '')).toEqual({ item: 'LEG/4', site: 'W' });
  });
});

describe('a period', () => {
  it('is named as a day, a week or a month', () => {
    expect(nameOf({ start: '2026-12-07', end: '2026-12-13' }, '2026-11-23').text).toBe('7 Dec');
    expect(nameOf({ start: '2027-01-01', end: '2027-01-31' }, '2026-11-23').text).toBe('Jan ’27');
    expect(nameOf({ start: '2026-11-23', end: '2026-11-23' }, '2026-11-23').long).toBe('2026-11-23');
  });
});

describe('orders dragged to another period', () => {
  const first = { start: '2026-11-30', end: '2026-12-06' };
  const second = { start: '2026-12-14', end: '2026-12-20' };
  const today = '2026-11-23';

  it('keep their weekday', () =>
    // 3 Dec is two weeks before 17 Dec
    expect(moving(['CHAIR~W~2026-12-03~3~0'], first, second, today)?.form).toEqual({ due: '2026-12-17' }));
  it('move by days if they are open', () =>
    expect(moving(['FO-1~1'], first, second, today)?.form).toEqual({ days: '14' }));
  it('move together by days', () =>
    expect(moving(['A~W~2026-12-17~3~0', 'B~W~2026-12-18~3~0'], second, first, today)?.form).toEqual({
      days: '-14'
    }));
  it('never move before today', () =>
    expect(moving(['A~W~2026-12-01~3~0'], second, { start: today, end: today }, today)?.form).toEqual({
      due: today
    }));
  it('do nothing in the same period', () =>
    expect(moving(['A~W~2026-12-01~3~0'], first, first, today)).toBeUndefined());
});
