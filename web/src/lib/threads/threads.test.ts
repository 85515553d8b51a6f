import { describe, expect, it } from 'vitest';
import { dayNumber } from '$lib/format';
import { days } from '$lib/ui/axis';
import {
  axisOf,
  deepest,
  lateness,
  linesOf,
  marksOf,
  nextStep,
  visible,
  type Bar,
  type Promise
} from './threads';

const none = new Set<number>();

function bar(depth: number, above: number, values: Partial<Bar> = {}): Bar {
  return {
    depth,
    above,
    kind: 'planned',
    item: 'A',
    itemName: 'A',
    site: 'W',
    quantity: 1,
    pegged: 1,
    unit: 'pcs',
    due: '2026-11-30',
    needed: '2026-11-30',
    deciding: false,
    late: false,
    alsoFor: [],
    ...values
  };
}

// a chair of a seat, which takes foam, and of legs
const CHAIR = [bar(0, -1, { deciding: true }), bar(1, 0, { deciding: true }), bar(2, 1), bar(1, 0)];

function promise(number: string, values: Partial<Promise> = {}): Promise {
  return {
    key: `${number}~1`,
    number,
    line: '1',
    item: 'CHAIR',
    itemName: 'Chair',
    site: 'W',
    quantity: 1,
    unit: 'pcs',
    wanted: '2026-12-01',
    possible: '2026-12-01',
    days: 0,
    late: false,
    ...values
  };
}

describe('the bars of a thread that are shown', () => {
  const places = (look: Partial<Parameters<typeof visible>[1]>) =>
    visible(CHAIR, { deciding: false, levels: 9, folded: none, ...look }).map((p) => p.at);

  it('are all of them at first', () => expect(places({})).toEqual([0, 1, 2, 3]));
  it('leave out what lies under a folded one', () =>
    expect(places({ folded: new Set([1]) })).toEqual([0, 1, 3]));
  it('leave out deeper levels', () => expect(places({ levels: 1 })).toEqual([0, 1, 3]));
  it('follow only the chain that decides', () => expect(places({ deciding: true })).toEqual([0, 1]));
  it('say which can be folded', () =>
    expect(visible(CHAIR, { deciding: false, levels: 9, folded: none }).map((p) => p.opens)).toEqual([
      true,
      true,
      false,
      false
    ]));
  it('know how deep it goes', () => expect(deepest(CHAIR)).toBe(2));
});

describe('the time axis', () => {
  it('reaches from the first start to the last possible day', () => {
    const axis = axisOf(
      [bar(0, -1, { start: '2026-11-02', due: '2026-12-10', possible: '2027-01-11' })],
      '2026-11-23',
      500
    );
    expect(axis.from).toBeLessThan(dayNumber('2026-11-02'));
    expect(axis.to).toBeGreaterThan(dayNumber('2027-01-11'));
    expect(axis.x(axis.from)).toBe(0);
    expect(axis.x(axis.to)).toBe(500);
  });

  it('is marked on Mondays that have room, and today', () => {
    const over = (width: number) =>
      marksOf(days(dayNumber('2026-11-18'), dayNumber('2026-12-16'), 0, width), dayNumber('2026-11-25')).map(
        (m) => m.text
      );
    // 28 days on 560 pixels: a week takes 140; 23 Nov is too near to today
    expect(over(560)).toEqual(['today', '30 Nov', '7 Dec', '14 Dec']);
    // on 150 pixels a week takes 37, so every second has room
    expect(over(150)).toEqual(['today', '7 Dec']);
  });
});

describe('customer orders', () => {
  const seat = {
    late: true,
    culprit: 'SEAT',
    culpritName: 'Seat',
    culpritSite: 'W',
    possible: '2026-12-06',
    days: 5
  };
  const all = [
    promise('1'),
    promise('2', { ...seat, levels: 4 }),
    promise('3', { ...seat, culprit: 'LEG', culpritName: 'Leg' }),
    promise('4', { ...seat, possible: undefined, days: undefined, levels: 1 })
  ];

  it('say how late they are and who is to blame', () => {
    expect(all.map(lateness)).toEqual([
      'on time',
      'late by 5 days: Seat, 4 levels down',
      'late by 5 days: Leg',
      'can never be met: Seat, 1 level down'
    ]);
  });

  it('are gathered by what makes them late, most first', () => {
    const lines = linesOf(all.slice(1), true);
    expect(lines.map((l) => ('head' in l ? `${l.name} ${l.count}` : l.promise.number))).toEqual([
      'SEAT Seat 2',
      '2',
      '4',
      'LEG Leg 1',
      '3'
    ]);
  });
});

describe('the next step of a bar', () => {
  it('is its release, its form, or its way to the customer', () => {
    expect(nextStep(bar(0, -1, { key: 'A~W~2026-12-01~4~0' }), 'SO-1')).toBe(
      '/plan?order=A%7EW%7E2026-12-01%7E4%7E0'
    );
    expect(nextStep(bar(0, -1, { kind: 'open', number: 'MO-7' }), 'SO-1')).toBe(
      '/orders?number=MO-7&step=next'
    );
    expect(nextStep(bar(0, -1, { kind: 'customer_order' as Bar['kind'] }), 'SO-1')).toBe(
      '/stock/out?words=SO-1'
    );
  });
});
