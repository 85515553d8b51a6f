// What-ifs in words and as they are typed. Every figure comes from the server.
import type { Schemas } from '$lib/api/client';
import { money, parsedNumber, quantity } from '$lib/format';

export type Assumption = Schemas['Assumption'];
export type Kind = Assumption['kind'];
export type WhatIfView = Schemas['WhatIfView'];
export type MonthRow = Schemas['MonthRow'];
export type Figures = Schemas['Figures'];

export const KINDS: { kind: Kind; name: string }[] = [
  { kind: 'DEMAND', name: 'Demand up or down' },
  { kind: 'ORDER', name: 'A customer order comes' },
  { kind: 'SUPPLIER_SLOWER', name: 'A supplier takes longer' },
  { kind: 'SUPPLIER_OUT', name: 'A supplier delivers nothing for a time' },
  { kind: 'STOCK_LOST', name: 'Stock is lost' },
  { kind: 'PLANNING', name: 'Other planning data' },
  { kind: 'BILL', name: 'Another bill of materials' },
  { kind: 'CALENDAR', name: 'A site is closed or works' },
  { kind: 'FORECAST_SET', name: 'Another forecast' }
];

/** The planning data that are tried most. */
export const PLANNING = [
  { code: 'safety_stock', name: 'Safety stock' },
  { code: 'reorder_point', name: 'Reorder point' },
  { code: 'lead_time_days', name: 'Lead time, working days' },
  { code: 'supplier', name: 'Supplier' },
  { code: 'source', name: 'Source' },
  { code: 'from_site', name: 'From site' },
  { code: 'rule', name: 'Planning rule' },
  { code: 'multiple', name: 'Multiple' },
  { code: 'min_quantity', name: 'Minimum quantity' },
  { code: 'max_quantity', name: 'Maximum quantity' },
  { code: 'fixed_quantity', name: 'Fixed quantity' },
  { code: 'order_up_to', name: 'Order up to' },
  { code: 'safety_time_days', name: 'Safety time, days' },
  { code: 'yield', name: 'Yield, 0.95 = 95 %' }
];

/** What was typed; empty texts are not said. */
export interface Form {
  percent?: string;
  of?: string;
  item?: string;
  site?: string;
  group?: string;
  customer?: string;
  supplier?: string;
  days?: string;
  from?: string;
  to?: string;
  quantity?: string;
  due?: string;
  set?: string;
  working?: string;
  field?: string;
  value?: string;
  line?: string;
  component?: string;
}

function text(value: string | undefined): string | undefined {
  return value?.trim() ? value.trim() : undefined;
}

function number(value: string | undefined): number | undefined {
  const said = text(value);
  return said === undefined ? undefined : parsedNumber(said.replace('%', ''));
}

const TEXTS = ['supplier', 'source', 'from_site', 'rule'];

/** Planning data as the server reads them; what is no number stays as it is, to be refused with a reason. */
function plain(field: string, said: string): string {
  const value = TEXTS.includes(field) ? Number.NaN : parsedNumber(said);
  return Number.isNaN(value) ? said : String(value);
}

/** The assumption, or undefined while something is missing or no number. */
export function assumptionOf(kind: Kind, form: Form): Assumption | undefined {
  const percent = number(form.percent);
  const days = number(form.days);
  const amount = number(form.quantity);
  if ([percent, days, amount].some((n) => n !== undefined && Number.isNaN(n))) return undefined;
  const site = text(form.site);
  const item = text(form.item);
  const from = text(form.from);
  const to = text(form.to);
  const supplier = text(form.supplier);
  switch (kind) {
    case 'DEMAND':
      return percent
        ? {
            kind,
            percent,
            of: text(form.of),
            item,
            group: text(form.group),
            customer: text(form.customer),
            from,
            to
          }
        : undefined;
    case 'ORDER': {
      const customer = text(form.customer);
      const due = text(form.due);
      return item && site && amount && due
        ? { kind, item, site, quantity: amount, due, customer }
        : undefined;
    }
    case 'SUPPLIER_SLOWER':
      return supplier && days && !from === !to ? { kind, supplier, days, from, to } : undefined;
    case 'SUPPLIER_OUT':
      return supplier && from && to ? { kind, supplier, from, to } : undefined;
    case 'STOCK_LOST':
      return item && site ? { kind, item, site, quantity: amount } : undefined;
    case 'PLANNING':
      return item && site && form.field
        ? { kind, item, site, fields: { [form.field]: plain(form.field, text(form.value) ?? '') } }
        : undefined;
    case 'BILL': {
      const component = text(form.component);
      const line = text(form.line);
      if (!item || (!component && !line)) return undefined;
      return component ? { kind, item, component, quantity: amount } : { kind, item, line, quantity: amount };
    }
    case 'CALENDAR':
      return site && from && to ? { kind, site, from, to, working: form.working === 'works' } : undefined;
    case 'FORECAST_SET':
      return { kind, set: text(form.set) };
  }
}

interface FigureName {
  code: string;
  name: string;
  of: (figures: Figures) => number;
  money?: boolean;
  unit?: string;
  /** More of it is nothing bad. */
  neutral?: boolean;
}

/** The figures of a comparison, in the order they are read. */
export const FIGURES: FigureName[] = [
  { code: 'late_lines', name: 'Customer order lines late', of: (f) => f.lateLines },
  { code: 'days_late', name: 'Days late, all together', of: (f) => f.daysLate },
  { code: 'never_met', name: 'Never met', of: (f) => f.neverMet },
  { code: 'planned_orders', name: 'Planned orders', of: (f) => f.plannedOrders, neutral: true },
  { code: 'changes_asked', name: 'Open orders to change', of: (f) => f.changesAsked, neutral: true },
  { code: 'stock_now', name: 'Stock after this week', of: (f) => f.stockNow, money: true, neutral: true },
  { code: 'stock_mean', name: 'Stock on average', of: (f) => f.stockMean, money: true, neutral: true },
  { code: 'stock_end', name: 'Stock at the end', of: (f) => f.stockEnd, money: true, neutral: true },
  { code: 'spend', name: 'Bought', of: (f) => f.spend, money: true, neutral: true },
  { code: 'hours', name: 'Work center hours', of: (f) => f.hours, unit: 'h', neutral: true }
];

export function figureText(figure: FigureName, value: number, currency: string, signed = false): string {
  if (signed && value === 0) return '\u00b7';
  if (figure.money) return (signed && value > 0 ? '+' : '') + money(value, currency);
  return quantity(value, signed) + (figure.unit ? ` ${figure.unit}` : '');
}

/** The rows of a table by month: those of all, and of the months that are opened those of each code. */
export function monthsShown(rows: MonthRow[], opened: ReadonlySet<string>): MonthRow[] {
  return rows.filter((r) => !r.code || opened.has(r.month));
}
