// The tables of the company's data as the server defines them, and how their values are shown and typed.
import type { Schemas } from '$lib/api/client';
import { date, parsedDate, parsedNumber, quantity } from '$lib/format';

export type TableView = Schemas['TableView'];
export type ColumnView = Schemas['ColumnView'];
/** What is set in a row, by column. */
export type Cells = Record<string, string>;

/** What a column is called over it; what is not said here is its name with spaces. */
const LABELS: Record<string, string> = {
  lead_time_days: 'Lead time',
  lead_time_per_unit_days: 'Lead time each',
  safety_time_days: 'Safety time',
  frozen_days: 'Frozen fence',
  demand_fence_days: 'Demand fence',
  consume_back_days: 'Consumes back',
  consume_forward_days: 'Consumes forward',
  reschedule_tolerance_days: 'Moves tolerated',
  pull_in_days: 'Pulled in within',
  min_quantity: 'Minimum',
  max_quantity: 'Maximum',
  from_quantity: 'From',
  order_up_to: 'Order up to',
  from_site: 'From site',
  setup_minutes: 'Setup',
  run_minutes_per_unit: 'Run each',
  queue_minutes: 'Queue',
  move_minutes: 'Move',
  minutes_per_day: 'Minutes a day',
  cost_per_hour: 'Cost an hour',
  minimum_order_value: 'Minimum order',
  payment_days: 'Paid within',
  over_receipt_percent: 'More taken',
  supplier_code: 'Their code',
  order_text: 'Printed text',
  from_unit: 'One',
  to_unit: 'is so many',
  mon: 'Mo',
  tue: 'Tu',
  wed: 'We',
  thu: 'Th',
  fri: 'Fr',
  sat: 'Sa',
  sun: 'Su'
};

/** What stands behind a value of a column. */
const AFTER: Record<string, string> = {
  lead_time_days: 'd',
  lead_time_per_unit_days: 'd',
  safety_time_days: 'd',
  frozen_days: 'd',
  demand_fence_days: 'd',
  consume_back_days: 'd',
  consume_forward_days: 'd',
  reschedule_tolerance_days: 'd',
  pull_in_days: 'd',
  setup_minutes: 'min',
  run_minutes_per_unit: 'min',
  queue_minutes: 'min',
  move_minutes: 'min',
  minutes_per_day: 'min',
  payment_days: 'd',
  over_receipt_percent: '%',
  tax_rate: '%'
};

export function label(column: string): string {
  const said = LABELS[column] ?? column.replaceAll('_', ' ');
  return said.charAt(0).toUpperCase() + said.slice(1);
}

export function after(column: string): string {
  return AFTER[column] ?? '';
}

/** A value as it is read; nothing is shown as nothing. */
export function shown(column: ColumnView, value: string | null | undefined, today?: string): string {
  if (value === undefined || value === null || value === '') return '';
  switch (column.holds) {
    case 'number':
    case 'whole':
      return Number.isNaN(Number(value)) ? value : quantity(Number(value));
    case 'date':
      return date(value, today);
    case 'flag':
      return value === 'true' ? 'yes' : 'no';
    case 'words':
      return value.replaceAll('_', ' ');
    default:
      return value;
  }
}

/** What was typed as the server reads it; what is not understood goes as it is, and the server says what is wrong. */
export function typed(column: ColumnView, text: string, today: string): string {
  const said = text.trim();
  if (said === '') return '';
  if (column.holds === 'number' || column.holds === 'whole') {
    const value = parsedNumber(said);
    return Number.isNaN(value) ? said : plain(value);
  }
  if (column.holds === 'date') return parsedDate(said, today) ?? said;
  if (column.holds === 'flag') return { yes: 'true', no: 'false' }[said.toLowerCase()] ?? said;
  return said;
}

/** A number without an exponent. */
function plain(value: number): string {
  return Math.abs(value) < 1e-6 && value !== 0 ? value.toFixed(12).replace(/0+$/, '') : String(value);
}

/** The columns by which a row is known. */
export function keyOf(table: TableView, cells: Cells): Cells {
  const key: Cells = {};
  for (const column of table.columns) {
    const value = cells[column.name];
    if (column.key && value !== undefined) key[column.name] = value;
  }
  return key;
}

/** The values of a row's key one after the other, as the history knows it. */
export function nameOf(table: TableView, cells: Cells): string {
  return table.columns
    .filter((c) => c.key)
    .map((c) => cells[c.name] ?? '')
    .join(' ')
    .trim();
}
