// What is asked of the server when a planner decides; every figure of the consequence comes back from there.
import type { Schemas } from '$lib/api/client';
import { parsedNumber, quantity } from '$lib/format';

export type PlanCommand = Schemas['PlanCommand'];
export type Kind = PlanCommand['kind'];

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
  /** Of a bill of materials. */
  line?: string;
  item?: string;
  /** Of customer order lines. */
  wanted?: string;
  promised?: string;
  priority?: string;
  state?: string;
  /** The customer is told the day on which each line is planned to go. */
  asPlanned?: boolean;
  /** From stock, bought for the line alone, or straight from the supplier. */
  supply?: 'STOCK' | 'OWN' | 'DIRECT';
  /** Of what a kit consists for the line alone; none: the usual parts. */
  kitParts?: { component: string; quantity: string }[];
  /** Of a new item. */
  code?: string;
  name?: string;
  /** What is not copied. */
  without?: string[];
  /** Into which forecast set it goes. */
  set?: string;
  bucket?: 'MONTH' | 'WEEK' | 'DAY';
  /** Forecasts of several items at sites, by their keys. */
  series?: string[];
  method?: Schemas['SeriesRow']['method'];
  /** The first day of a bucket, or the set that is changed. */
  from?: string;
  /** By how much a forecast is changed: +20 or −10 %. */
  change?: string;
  /** What such a change comes from. */
  event?: string;
  /** Of the quantities of a forecast set. */
  percent?: string;
  /** Of the component that comes, for one of the one that goes. */
  factor?: string;
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
  ENTER: 'Take an order',
  AMEND: 'Change customer order lines',
  DATA: 'Change data',
  COPY: 'A new item like',
  REPLACE: 'Replace everywhere',
  FORECAST: 'Keep the forecast of',
  ADJUST: 'Adjust the forecast of',
  SETS: 'Forecast sets',
  PURCHASE: 'Purchase orders',
  COMBINE: 'Combine',
  CONFIRMED: 'Confirmed by the supplier',
  BUY: 'Buy',
  INVOICE: 'Enter an invoice',
  INVOICES: 'Invoices',
  CHARGE: 'Charge customers',
  SEQUENCE: 'Move at its work center'
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

/** The command, or undefined while something is missing or no number. */
export function commandOf(deciding: Deciding, form: Form): PlanCommand | undefined {
  const numbers = [form.quantity, form.days, form.into, form.part, form.factor].map(number);
  if (numbers.some((n) => n !== undefined && Number.isNaN(n))) return undefined;
  const [size, days, into, part, factor] = numbers;
  if ([size, part].some((n) => n !== undefined && (n <= 0 || n > MOST))) return undefined;
  const { kind, orders } = deciding;
  const due = text(form.due);
  const supplier = text(form.supplier);
  const source = text(form.source);
  const note = text(form.note);
  const item = deciding.item ?? text(form.item);
  const site = text(form.site) ?? deciding.site;
  switch (kind) {
    case 'CHANGE': {
      const start = text(form.start);
      return (size ?? days ?? due ?? start ?? source ?? supplier ?? site)
        ? { kind, orders, quantity: size, due, start, days, source, supplier, site, note }
        : undefined;
    }
    case 'MERGE':
      return { kind, orders, quantity: size, due, note };
    case 'SPLIT':
      if (part !== undefined)
        return { kind, orders, parts: [{ quantity: part, due: text(form.partDue) }], note };
      return into === undefined ? undefined : { kind, orders, into, note };
    case 'HOLD': {
      const until = text(form.until);
      return until ? { kind, orders, until, note } : undefined;
    }
    case 'RESUME':
    case 'CANCEL':
      return { kind, orders };
    case 'ADD':
      return size && due ? { kind, item, site, quantity: size, due, source, supplier, note } : undefined;
    case 'AMEND': {
      const wanted = text(form.wanted);
      const promised = text(form.promised);
      const priority = number(form.priority);
      const state = text(form.state);
      const { asPlanned, supply } = form;
      const kitParts = form.kitParts
        ?.filter((p) => p.component)
        .map((p) => ({ component: p.component, quantity: parsedNumber(p.quantity) }));
      if (kitParts?.some((p) => !(p.quantity > 0)) || (form.kitParts?.length && !kitParts?.length))
        return undefined;
      const said = [
        size,
        due,
        wanted,
        promised,
        asPlanned,
        item,
        site,
        priority,
        state,
        supply,
        supplier,
        kitParts
      ];
      return said.some((one) => one !== undefined)
        ? {
            kind,
            orders,
            quantity: size,
            due,
            wanted,
            promised,
            asPlanned,
            item,
            site,
            priority,
            state,
            supply,
            supplier,
            kitParts,
            note
          }
        : undefined;
    }
    case 'BILL':
      return { kind, item, site, line: text(form.line) };
    case 'PLANNING':
      return form.fields && Object.keys(form.fields).length > 0
        ? { kind, item, site, fields: plainNumbers(form.fields) }
        : undefined;
    case 'COPY':
      return text(form.code)
        ? {
            kind,
            item: deciding.item,
            code: text(form.code),
            name: text(form.name),
            without: form.without
          }
        : undefined;
    case 'REPLACE':
      return text(form.item) ? { kind, component: deciding.item, by: text(form.item), factor } : undefined;
    case 'FORECAST': {
      const set = text(form.set);
      const { bucket, method, series } = form;
      return set ? { kind, item, site, series, set, bucket, method } : undefined;
    }
    case 'ADJUST':
      return text(form.from)
        ? {
            kind,
            item,
            site,
            set: text(form.set),
            bucket: form.bucket,
            from: text(form.from),
            change: text(form.change),
            event: text(form.event) as Schemas['AdjustForecast']['event'],
            reason: note
          }
        : undefined;
    case 'SETS': {
      const percent = number(form.percent);
      if (percent !== undefined && !(percent >= 0)) return undefined;
      return text(form.from) ? { kind, from: text(form.from), set: text(form.set), percent } : undefined;
    }
    case 'DATA':
    case 'ENTER':
      return undefined;
    case 'SUBSTITUTE':
      return { kind, orders, item, note };
    case 'FIRM':
      return { kind, orders, note };
  }
}
