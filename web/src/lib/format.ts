// Quantities, dates and money as they are shown and typed, in one place.
import { formats } from './formats.svelte';

const THIN = '\u2009';
const MINUS = '\u2212';
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const DAY = 86_400_000;
const DATE_OR_NUMBER =
  /(?<![\w-])(\d{4}-\d{2}-\d{2})(?![\w-])|(?<![^\s(\u2212])(?:\d{1,3}(?:\u2009\d{3})+|\d+)(?:\.\d+)?(?=[\s,;:)?%]|\.?$|\.\s)/g;

function grouped(whole: string): string {
  const { thousands } = formats.now;
  return whole.replace(/\B(?=(\d{3})+$)/g, thousands === ' ' ? THIN : thousands);
}

/** `1 250.5` with the signs that are chosen; a minus sign for negatives, a plus where the sign is asked for. */
export function quantity(value: number, signed = false): string {
  const [whole = '0', part] = Math.abs(value).toString().split('.');
  const sign = value < 0 ? MINUS : signed && value > 0 ? '+' : '';
  return sign + grouped(whole) + (part ? formats.now.decimal + part : '');
}

/** A number as somebody would type it into a field: with the decimal sign that is chosen, ungrouped. */
export function asTyped(value: number): string {
  return String(value).replace('.', formats.now.decimal);
}

/** `€ 1 174.25`. */
export function money(value: number, currency: string): string {
  const [whole = '0', cents] = Math.abs(value).toFixed(2).split('.');
  const sign = currency === 'EUR' ? '€' : currency;
  return `${value < 0 ? MINUS : ''}${sign}${THIN}${grouped(whole)}${formats.now.decimal}${cents}`;
}

/** The number that was typed, with either decimal sign and any grouping; not a number if it is none. */
export function parsedNumber(text: string): number {
  const { decimal, thousands } = formats.now;
  let said = text.replace(/[\s\u2009]/g, '');
  if (thousands === '.' || thousands === ',') said = said.replaceAll(thousands, '');
  said = said.replace(decimal, '.').replace(',', '.');
  return /^[+\-\u2212]?\d*\.?\d+$/.test(said) ? Number(said.replace(MINUS, '-')) : Number.NaN;
}

/** `9 Dec` or as it is chosen, with the year when it is another than today's. */
export function date(iso: string, today?: string): string {
  return dated(iso, today !== undefined && !today.startsWith(iso.slice(0, 4)), false);
}

/** `9 Dec`, or `4 Jan ’27` when the year is another than today's: for narrow columns. */
export function shortDate(iso: string, today: string): string {
  return dated(iso, iso.slice(0, 4) !== today.slice(0, 4), true);
}

function dated(iso: string, withYear: boolean, short: boolean): string {
  const [year = '', month = '01', day = '01'] = iso.split('-');
  const [m, d] = [Number(month), Number(day)];
  const y = short ? year.slice(2) : year;
  switch (formats.now.date) {
    case 'dots':
      return `${d}.${m}.${withYear ? y : ''}`;
    case 'day-first':
      return `${d}/${m}${withYear ? `/${y}` : ''}`;
    case 'month-first':
      return `${m}/${d}${withYear ? `/${y}` : ''}`;
    case 'iso':
      return `${withYear ? `${y}-` : ''}${month}-${day}`;
    default:
      return `${d} ${MONTHS[m - 1]}${withYear ? ` ${short ? '’' : ''}${y}` : ''}`;
  }
}

/**
 * A sentence of the server with its dates and numbers as they are chosen. The server writes dates as `2026-12-09` and
 * numbers with thin spaces and a point; what belongs to a code stays as it is.
 */
export function said(sentence: string): string {
  const { decimal, thousands } = formats.now;
  return sentence.replace(DATE_OR_NUMBER, (found, iso?: string) =>
    iso === undefined
      ? found.replace('.', decimal).replaceAll(THIN, thousands === ' ' ? THIN : thousands)
      : date(iso, formats.today)
  );
}

/** `Wednesday, 2026-12-09`, for tooltips. */
export function longDate(iso: string): string {
  return `${WEEKDAYS[new Date(iso + 'T00:00:00Z').getUTCDay()]}, ${iso}`;
}

/** `11:42`. */
export function clock(instant: string): string {
  const time = new Date(instant);
  return `${String(time.getHours()).padStart(2, '0')}:${String(time.getMinutes()).padStart(2, '0')}`;
}

const NEAR = new Map([
  ['today', 0],
  ['yesterday', -1],
  ['tomorrow', 1]
]);

/**
 * The ISO date of what people type: `9 Dec`, `9 Dec 27`, `Dec 9`, `6.12.`, `1.12.2026`, `6/12`, `2026-12-09`, `w50` for
 * the Monday of that week, `+5` or `-3` for so many days after or before today, `today`, `yesterday` or `tomorrow`;
 * undefined if it is none. Without a year the nearest such
 * day is meant.
 */
export function parsedDate(text: string, today: string): string | undefined {
  const said = text.trim();
  const days =
    NEAR.get(said.toLowerCase()) ??
    (/^[+−-]\d{1,4}$/.test(said) ? Number(said.replace('−', '-')) : undefined);
  if (days !== undefined) return isoDay(dayNumber(today) + days);
  if (/^\d{4}-\d{2}-\d{2}$/.test(said)) return real(said);
  const week = /^w(?:eek)?\s*(\d{1,2})(?:[\s/]+(\d{4}|\d{2}))?$/i.exec(said);
  if (week) return nearest(week[2], today, (year) => mondayOf(year, Number(week[1])));
  const [day, month, year] = dayAndMonth(said) ?? [];
  if (day === undefined || month === undefined) return undefined;
  return nearest(year, today, (y) => real(`${y}-${two(month)}-${two(day)}`));
}

/** Whoever types a day that was longer ago, where only days to come make sense, means the next such day. */
const LONG_AGO = 90;

/** The same of what is yet to come: `15 Jun`, typed in December, is next year's; a day of last week is last week's, and said to be past. */
export function comingDate(text: string, today: string): string | undefined {
  const said = parsedDate(text, today);
  const counted = /^[+−-]/.test(text.trim());
  // while nobody knows what day it is, nothing was long ago
  if (said === undefined || counted || !(dayNumber(today) - dayNumber(said) > LONG_AGO)) return said;
  // with a year it is meant as it stands
  const next = parsedDate(text, isoDay(dayNumber(today) + 365));
  return next === undefined || dayNumber(next) < dayNumber(today) ? said : next;
}

/**
 * The moment of a day and a time as people type them: `25 Nov 14:30`, `25 Nov` for its beginning, `14:30` for today; as
 * ISO 8601 in world time, undefined if it is none.
 */
export function parsedMoment(text: string, today: string): string | undefined {
  const [, day = '', hour = '0', minute = '00'] =
    /^(.*?)(?:(?:^|\s+)(\d{1,2}):(\d{2}))?$/.exec(text.trim()) ?? [];
  const iso = day === '' && text.includes(':') ? today : parsedDate(day, today);
  if (iso === undefined || Number(hour) > 23 || Number(minute) > 59) return undefined;
  return new Date(`${iso}T${hour.padStart(2, '0')}:${minute}:00`).toISOString();
}

/** `25 Nov 14:30`, of here. */
export function momentAt(instant: string, today: string): string {
  return `${date(dayOf(instant), today)} ${clock(instant)}`;
}

/** The ISO date of a moment, of here. */
export function dayOf(instant: string): string {
  const time = new Date(instant);
  return `${time.getFullYear()}-${two(time.getMonth() + 1)}-${two(time.getDate())}`;
}

type DayMonthYear = [number, number, string | undefined];

function dayAndMonth(said: string): DayMonthYear | undefined {
  const named =
    /^(\d{1,2})\.?\s*([A-Za-z]{3})[a-z]*\.?(?:[\s,’']+(\d{4}|\d{2}))?$/.exec(said) ??
    swapped(/^([A-Za-z]{3})[a-z]*\.?\s*(\d{1,2})\.?(?:[\s,’']+(\d{4}|\d{2}))?$/.exec(said));
  if (named) {
    const month = MONTHS.findIndex((m) => m.toLowerCase() === named[2]?.toLowerCase()) + 1;
    return month ? [Number(named[1]), month, named[3]] : undefined;
  }
  const dots = /^(\d{1,2})\.\s?(\d{1,2})\.?\s?(\d{4}|\d{2})?$/.exec(said);
  if (dots) return [Number(dots[1]), Number(dots[2]), dots[3]];
  const slash = /^(\d{1,2})[/-](\d{1,2})(?:[/-](\d{4}|\d{2}))?$/.exec(said);
  if (!slash) return undefined;
  const first = formats.now.date === 'month-first' || (formats.now.date === 'iso' && said.includes('-'));
  const [one, other] = [Number(slash[1]), Number(slash[2])];
  return first ? [other, one, slash[3]] : [one, other, slash[3]];
}

function swapped(found: RegExpExecArray | null): (string | undefined)[] | undefined {
  return found ? [found[0], found[2], found[1], found[3]] : undefined;
}

function two(n: number): string {
  return String(n).padStart(2, '0');
}

/** The day if there is such a one. */
function real(iso: string): string | undefined {
  return isoDay(dayNumber(iso) || 0) === iso ? iso : undefined;
}

/** In the year that is said, or else in the one that brings it nearest to today. */
function nearest(
  year: string | undefined,
  today: string,
  inYear: (year: number) => string | undefined
): string | undefined {
  if (year !== undefined) return inYear(Number(year.length === 2 ? `20${year}` : year));
  const now = Number(today.slice(0, 4));
  const far = (iso: string) => Math.abs(dayNumber(iso) - dayNumber(today));
  return [now, now + 1, now - 1]
    .map(inYear)
    .filter((iso): iso is string => iso !== undefined)
    .sort((a, b) => far(a) - far(b))[0];
}

/** The Monday of a week as ISO 8601 counts them: the first is the one with the year's first Thursday. */
function mondayOf(year: number, week: number): string | undefined {
  const fourth = dayNumber(`${year}-01-04`);
  const first = fourth - ((new Date(fourth * DAY).getUTCDay() + 6) % 7);
  const monday = first + (week - 1) * 7;
  const thursday = isoDay(monday + 3);
  return week > 0 && thursday.startsWith(String(year)) ? isoDay(monday) : undefined;
}

/** Days since the epoch, for placing dates on an axis. */
export function dayNumber(iso: string): number {
  return Math.round(Date.parse(iso + 'T00:00:00Z') / DAY);
}

export function isoDay(day: number): string {
  return new Date(day * DAY).toISOString().slice(0, 10);
}

const HYPHENATED: Record<string, string> = { lot_for_lot: 'lot-for-lot', min_max: 'min-max' };

/** `per order` from `per_order`. */
export function words(kind: string): string {
  return HYPHENATED[kind] ?? kind.replaceAll('_', ' ');
}

/** `Nov 2026`, of a month as 2026-11. */
export function monthName(iso: string): string {
  const [year = '', month = '01'] = iso.split('-');
  return `${MONTHS[Number(month) - 1] ?? month} ${year}`;
}

/** `3 orders`, `1 order`. */
export function count(n: number, one: string, many = one + 's'): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** How many of a list there are, and how many of them are in sight where that is less. */
export function countShown(list: { rows: unknown[]; total: number } | undefined, one: string): string {
  const all = list?.total ?? 0;
  const shown = list?.rows.length ?? 0;
  return count(all, one) + (shown < all ? `, the first ${shown} shown` : '');
}

const DOCUMENTS: Record<string, string> = {
  buy: 'purchase order',
  make: 'production order',
  assemble: 'assembly order',
  transfer: 'transfer order',
  subcontract: 'subcontract order'
};

/** The document that a source makes. */
export function documentName(kind: string): string {
  return DOCUMENTS[kind] ?? kind;
}

/** `81 ms`, `0.2 s`, `under 1 ms`. */
export function duration(millis: number): string {
  if (millis < 1) return 'under 1 ms';
  return millis < 100 ? `${millis} ms` : `${(millis / 1000).toFixed(1)} s`;
}
