// What is asked of the server when a planner decides; every figure of the consequence comes back from there.
import type { Schemas } from '$lib/api/client';
import { parsedNumber, quantity } from '$lib/format';

export type Wish = Schemas['Wish'];
export type Kind = Wish['kind'];

/** What the pane of a decision is opened with. */
export interface Deciding {
  kind: Kind;
  /** Keys of the orders it is about. */
  orders: string[];
  /** What is filled in already. */
  form?: Form;
  /** Of planning data and new orders. */
  item?: string;
  site?: string;
  /** The planning data that are asked for. */
  fields?: string[];
}

/** What was typed; empty texts are not said. */
export interface Form {
  quantity?: string;
  due?: string;
  start?: string;
  days?: string;
  source?: string;
  supplier?: string;
  site?: string;
  into?: string;
  part?: string;
  partDue?: string;
  until?: string;
  note?: string;
  fields?: Record<string, string>;
  /** Of a customer order. */
  item?: string;
  customer?: string;
  number?: string;
}

export const TITLES: Record<Kind, string> = {
  FIRM: 'Firm',
  CHANGE: 'Change',
  MERGE: 'Merge into one',
  SPLIT: 'Split',
  HOLD: 'Hold',
  RESUME: 'Let go',
  CANCEL: 'Cancel',
  ADD: 'Add an order',
  SUBSTITUTE: 'Use another item instead of',
  PLANNING: 'Plan otherwise',
  BILL: 'Take out of the bill of materials',
  ENTER: 'Enter a customer order'
};

function text(value: string | undefined): string | undefined {
  return value?.trim() ? value.trim() : undefined;
}

function number(value: string | undefined): number | undefined {
  const said = text(value);
  return said === undefined ? undefined : parsedNumber(said);
}

/** What is wrong with a number that was typed, in words; undefined if nothing is. */
export function numberFault(typed: string, kind: 'positive' | 'any'): string | undefined {
  if (!typed.trim()) return undefined;
  const value = parsedNumber(typed);
  if (Number.isNaN(value)) {
    return /^[\d\s.,]+[^\d\s.,]/.test(typed.trim())
      ? 'the number alone, without its unit'
      : `a number like ${quantity(1250)}`;
  }
  if (kind === 'positive' && value <= 0) return 'more than 0';
  return Math.abs(value) > MOST ? `at most ${quantity(MOST)}` : undefined;
}

/** See the limits of the server. */
const MOST = 1_000_000_000_000;

function entered(fields: Record<string, string | undefined>): Record<string, string> {
  return Object.fromEntries(Object.entries(fields).flatMap(([k, v]) => (text(v) ? [[k, v as string]] : [])));
}

const NUMBERS = ['safety_stock', 'reorder_point', 'order_up_to', 'lead_time_days'];

/** Numbers as the server reads them; other texts, and what is no number, as they are. */
function plainNumbers(fields: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(fields).map(([name, said]) => {
      const value = NUMBERS.includes(name) ? parsedNumber(said) : Number.NaN;
      return [name, Number.isNaN(value) ? said : String(value)];
    })
  );
}

/** The wish, or undefined while something is missing or no number. */
export function wishOf(deciding: Deciding, form: Form): Wish | undefined {
  const numbers = [form.quantity, form.days, form.into, form.part].map(number);
  if (numbers.some((n) => n !== undefined && Number.isNaN(n))) return undefined;
  const [size, days, into, part] = numbers;
  if ([size, part].some((n) => n !== undefined && (n <= 0 || n > MOST))) return undefined;
  const wish: Wish = {
    kind: deciding.kind,
    orders: deciding.orders,
    quantity: size,
    due: text(form.due),
    start: text(form.start),
    days,
    source: text(form.source),
    supplier: text(form.supplier),
    site: text(form.site) ?? deciding.site,
    note: text(form.note),
    item: deciding.item ?? text(form.item),
    until: text(form.until)
  };
  switch (deciding.kind) {
    case 'CHANGE':
      return (size ?? days ?? wish.due ?? wish.start ?? wish.source ?? wish.supplier ?? wish.site)
        ? wish
        : undefined;
    case 'SPLIT':
      if (part !== undefined) return { ...wish, parts: [{ quantity: part, due: text(form.partDue) }] };
      return into === undefined ? undefined : { ...wish, into };
    case 'HOLD':
      return wish.until ? wish : undefined;
    case 'ADD':
      return size && wish.due ? wish : undefined;
    case 'ENTER':
      return size && wish.due && wish.item && wish.site
        ? { ...wish, fields: entered({ customer: form.customer, number: form.number }) }
        : undefined;
    case 'BILL':
      return { ...wish, fields: form.fields };
    case 'PLANNING':
      return form.fields && Object.keys(form.fields).length > 0
        ? { ...wish, fields: plainNumbers(form.fields) }
        : undefined;
    default:
      return wish;
  }
}
