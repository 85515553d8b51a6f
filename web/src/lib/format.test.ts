// @vitest-environment jsdom
import { afterEach, describe, expect, it } from 'vitest';
import { formats, STANDARD, type Formats } from './formats.svelte';
import {
  asTyped,
  count,
  date,
  dayNumber,
  duration,
  isoDay,
  longDate,
  money,
  quantity,
  shortDate,
  words,
  comingDate,
  parsedDate,
  momentAt,
  parsedMoment,
  parsedNumber,
  said,
  monthName
} from './format';

describe('quantities', () => {
  it('groups thousands with thin spaces', () => {
    expect(quantity(1234567.5)).toBe('1\u2009234\u2009567.5');
    expect(quantity(999)).toBe('999');
  });
  it('that stands in a field reads back as the same, however numbers are written', () => {
    for (const now of [STANDARD, { ...STANDARD, decimal: ',' as const, thousands: '.' as const }]) {
      formats.now = now;
      for (const value of [281.6, 1250, 0.333333]) expect(parsedNumber(asTyped(value))).toBe(value);
    }
    formats.now = STANDARD;
  });

  it('shows the sign of differences', () => {
    expect(quantity(60, true)).toBe('+60');
    expect(quantity(-84, true)).toBe('\u221284');
    expect(quantity(0, true)).toBe('0');
  });
});

describe('moments', () => {
  it('are typed as a day, a time or both', () => {
    const at = (day: number, hour: number, minute: number) =>
      new Date(2026, 10, day, hour, minute).toISOString();
    expect(parsedMoment('25 Nov 14:30', '2026-11-28')).toBe(at(25, 14, 30));
    expect(parsedMoment('25.11. 7:05', '2026-11-28')).toBe(at(25, 7, 5));
    expect(parsedMoment('25 Nov', '2026-11-28')).toBe(at(25, 0, 0));
    expect(parsedMoment('7:05', '2026-11-28')).toBe(at(28, 7, 5));
    expect(momentAt(at(25, 7, 5), '2026-11-28')).toBe('25 Nov 07:05');
  });
  it('are none with an hour that no day has, or without a day', () => {
    expect(parsedMoment('25 Nov 24:00', '2026-11-28')).toBeUndefined();
    expect(parsedMoment('soon', '2026-11-28')).toBeUndefined();
    expect(parsedMoment('', '2026-11-28')).toBeUndefined();
  });
});

describe('sentences of the server', () => {
  const late =
    'SO-2026-1 is late by 5 days: wanted 2026-12-09, possible Mon 2027-01-04; 1\u2009250.5 pcs of M4.5-20 are missing.';
  afterEach(() => {
    formats.now = STANDARD;
    formats.today = undefined;
  });

  it('have their dates and numbers as they stand everywhere', () => {
    formats.today = '2026-11-23';
    expect(said(late)).toBe(
      'SO-2026-1 is late by 5 days: wanted 9 Dec, possible Mon 4 Jan 2027; 1\u2009250.5 pcs of M4.5-20 are missing.'
    );
  });
  it('have them as somebody chose, but for what belongs to a code', () => {
    formats.today = '2026-11-23';
    formats.now = { ...STANDARD, date: 'dots', decimal: ',', thousands: '.' };
    expect(said(late)).toBe(
      'SO-2026-1 is late by 5 days: wanted 9.12., possible Mon 4.1.2027; 1.250,5 pcs of M4.5-20 are missing.'
    );
    expect(said('Due on 2026-12-09, (0.5 h) 12.25%.')).toBe('Due on 9.12., (0,5 h) 12,25%.');
    expect(said('PO-2026-12-09 of 6202')).toBe('PO-2026-12-09 of 6202');
  });
});

describe('dates', () => {
  it('names the year only when it is another', () => {
    expect(date('2026-12-09', '2026-11-23')).toBe('9 Dec');
    expect(date('2027-01-04', '2026-11-23')).toBe('4 Jan 2027');
  });
  it('shortens the year in narrow columns', () => {
    expect(shortDate('2027-01-04', '2026-11-23')).toBe('4 Jan ’27');
    expect(shortDate('2026-12-09', '2026-11-23')).toBe('9 Dec');
  });
  it('knows the weekday', () => expect(longDate('2026-11-23')).toBe('Monday, 2026-11-23'));
  it('goes to a number and back', () => {
    expect(isoDay(dayNumber('2026-03-29') + 1)).toBe('2026-03-30');
  });
});

describe('money and counts', () => {
  it('shows cents', () => expect(money(1174.2, 'EUR')).toBe('€\u20091\u2009174.20'));
  it('knows one from many', () => {
    expect(count(1, 'order')).toBe('1 order');
    expect(count(3, 'order')).toBe('3 orders');
  });
  it('shows short times in milliseconds', () => {
    expect(duration(81)).toBe('81 ms');
    expect(duration(240)).toBe('0.2 s');
  });
  it('writes rules as the trade does', () => {
    expect(words('lot_for_lot')).toBe('lot-for-lot');
    expect(words('fixed_quantity')).toBe('fixed quantity');
  });
});

describe('a date that is typed', () => {
  it.each([
    ['9 Dec', '2026-12-09'],
    ['9dec', '2026-12-09'],
    ['9 December 2027', '2027-12-09'],
    ['2026-12-09', '2026-12-09'],
    ['+5', '2026-11-28'],
    ['-3', '2026-11-20'],
    ['today', '2026-11-23'],
    ['Yesterday', '2026-11-22'],
    ['tomorrow', '2026-11-24'],
    ['4 Jan', '2027-01-04'],
    ['22 Nov', '2026-11-22'],
    ['20 Nov', '2026-11-20'],
    ['6.12.', '2026-12-06'],
    ['6.12', '2026-12-06'],
    ['1.12.2026', '2026-12-01'],
    ['1.1.27', '2027-01-01'],
    ['7 Jan 27', '2027-01-07'],
    ['Dec 9', '2026-12-09'],
    ['6/12', '2026-12-06'],
    // 4 January 2026 is a Sunday, so week 1 begins on 29 December 2025, and week 50 on 7 December 2026
    ['w50', '2026-12-07'],
    ['W2 2027', '2027-01-11'],
    ['w1', '2027-01-04']
  ])('%s is %s', (text, iso) => {
    expect(parsedDate(text, '2026-11-23')).toBe(iso);
  });

  it.each(['31 Nov', '9', 'soon', 'constructor', '2026-13-01', '31.2.2027', '9 Foo', 'w60', ''])(
    '%s is none',
    (text) => {
      expect(parsedDate(text, '2026-11-23')).toBeUndefined();
    }
  );
});

describe('days that are yet to come', () => {
  it.each([
    ['15 Jun', '2027-06-15'],
    ['15.6.', '2027-06-15'],
    ['w25', '2027-06-21'],
    ['24 Dec', '2026-12-24'],
    // a week ago is a week ago, and so is what says its year or counts days
    ['24 Nov', '2026-11-24'],
    ['15 Jun 26', '2026-06-15'],
    ['-200', '2026-05-15']
  ])('%s on 1 December is %s', (text, iso) => {
    expect(comingDate(text, '2026-12-01')).toBe(iso);
  });

  it('are none where no day is said', () => {
    expect(comingDate('soon', '2026-12-01')).toBeUndefined();
  });

  it('are what they say while nobody knows yet which day it is', () => {
    expect(comingDate('15.1.2027', '')).toBe('2027-01-15');
  });
});

describe('dates and numbers as they are chosen', () => {
  afterEach(() => formats.choose(STANDARD));

  it('writes a date in each way, with the year when it is another', () => {
    const ways = { dots: '4.1.2027', 'day-first': '4/1/2027', 'month-first': '1/4/2027', iso: '2027-01-04' };
    for (const [way, text] of Object.entries(ways)) {
      formats.choose({ date: way as Formats['date'] });
      expect(date('2027-01-04', '2026-11-23')).toBe(text);
      expect(parsedDate(text, '2026-11-23')).toBe('2027-01-04');
    }
    expect(date('2026-12-09', '2026-11-23')).toBe('12-09');
    expect(shortDate('2027-01-04', '2026-11-23')).toBe('27-01-04');
  });
  it('writes and reads numbers with the chosen signs', () => {
    expect(parsedNumber('1\u2009250,5')).toBe(1250.5);
    formats.choose({ decimal: ',', thousands: '.' });
    expect(quantity(1234567.5)).toBe('1.234.567,5');
    expect(money(1174.2, 'EUR')).toBe('€\u20091.174,20');
    expect(parsedNumber('1.250')).toBe(1250);
    expect(parsedNumber('1.250,5')).toBe(1250.5);
  });
  it('takes what was kept, and leaves what cannot be read', () => {
    const kept: string[] = [];
    formats.keep = (choice) => void kept.push(choice);
    formats.choose({ date: 'iso' });
    formats.choose(STANDARD);
    formats.take(kept[0]);
    expect(formats.now.date).toBe('iso');
    formats.take('{');
    expect(formats.now.date).toBe('iso');
  });
  it('never uses one sign for two things', () => {
    formats.choose({ thousands: '.' });
    expect(formats.now.decimal).toBe(',');
    formats.choose({ decimal: '.' });
    expect(formats.now.thousands).toBe(' ');
  });
  it.each(['abc', '50 pcs', '', '1e5', '--3'])('%s is no number', (text) => {
    expect(parsedNumber(text)).toBeNaN();
  });
});

describe('a month', () => {
  it('is said with its year', () => {
    expect(monthName('2026-11')).toBe('Nov 2026');
    expect(monthName('2027-01')).toBe('Jan 2027');
  });
});
