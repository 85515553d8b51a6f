// Quantities, dates and money as they are shown, in one place.

const THIN = '\u2009';
const MINUS = '\u2212';
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const DAY = 86_400_000;

/** `1 250.5` with thin spaces; a minus sign for negatives, a plus where the sign is asked for. */
export function quantity(value: number, signed = false): string {
  const [whole = '0', part] = Math.abs(value).toString().split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, THIN);
  const sign = value < 0 ? MINUS : signed && value > 0 ? '+' : '';
  return sign + grouped + (part ? '.' + part : '');
}

/** `€ 1 174.25`. */
export function money(value: number, currency: string): string {
  const [whole = '0', cents] = Math.abs(value).toFixed(2).split('.');
  const sign = currency === 'EUR' ? '€' : currency;
  return `${value < 0 ? MINUS : ''}${sign}${THIN}${whole.replace(/\B(?=(\d{3})+$)/g, THIN)}.${cents}`;
}

/** `9 Dec`, with the year when it is another than today's. */
export function date(iso: string, today?: string): string {
  const [year, month, day] = iso.split('-').map(Number);
  const text = `${day} ${MONTHS[(month ?? 1) - 1]}`;
  return today && !today.startsWith(`${year}-`) ? `${text} ${year}` : text;
}

/** `9 Dec`, or `4 Jan ’27` when the year is another than today's: for narrow columns. */
export function shortDate(iso: string, today: string): string {
  return iso.slice(0, 4) === today.slice(0, 4) ? date(iso) : `${date(iso)} ’${iso.slice(2, 4)}`;
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

/** The ISO date of `9 Dec`, `9 Dec 2027`, `2026-12-09`, or `+5` for five days after today; undefined if it is none. */
export function parsedDate(text: string, today: string): string | undefined {
  const said = text.trim();
  if (/^[+]\d{1,4}$/.test(said)) return isoDay(dayNumber(today) + Number(said.slice(1)));
  const iso = /^\d{4}-\d{2}-\d{2}$/.test(said) ? said : written(said, today);
  return iso && isoDay(dayNumber(iso) || 0) === iso ? iso : undefined;
}

/** Without a year, the next such day from today on. */
function written(text: string, today: string): string | undefined {
  const parts = /^(\d{1,2})\.?\s*([A-Za-z]{3})[a-z]*\.?(?:\s+(\d{4}))?$/.exec(text);
  const month = MONTHS.findIndex((m) => m.toLowerCase() === parts?.[2]?.toLowerCase()) + 1;
  if (!parts || month === 0) return undefined;
  const day = `${String(month).padStart(2, '0')}-${String(parts[1]).padStart(2, '0')}`;
  const year = Number(parts[3] ?? today.slice(0, 4));
  return !parts[3] && `${year}-${day}` < today ? `${year + 1}-${day}` : `${year}-${day}`;
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

/** `3 orders`, `1 order`. */
export function count(n: number, one: string, many = one + 's'): string {
  return `${n} ${n === 1 ? one : many}`;
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
