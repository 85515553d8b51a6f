import { page } from '$app/state';
import type { Schemas } from './api/client';
import { left } from './left.svelte';
import { trial } from './trial.svelte';

/** The views of the Plan. */
export const PLAN_VIEWS = [
  { href: '/plan', name: 'Decide', keys: 'g d', says: 'All that wants a decision' },
  { href: '/plan/periods', name: 'Periods', keys: 'g e', says: 'Balances in days, weeks and months' },
  {
    href: '/plan/threads',
    name: 'Threads',
    keys: 'g t',
    says: 'Orders and all that they wait for, on the time axis'
  },
  {
    href: '/plan/changes',
    name: 'Changes',
    keys: 'g c',
    says: 'What changed, since when, and what caused it'
  },
  {
    href: '/plan/what-if',
    name: 'What-if',
    keys: 'g w',
    says: 'Copies of the plan with something otherwise'
  }
];

/** Those that are about the live plan, whichever is shown. */
const LIVE_VIEWS = ['/plan/changes', '/plan/what-if'];

/** What of the address says that the plan is not the live one. */
const TRIAL = ['without', 'whatif'];

/** What of the address says how the list looks; the rest says what is opened. */
export const PLAN_VIEW = [
  'words',
  'for',
  'planner',
  'supplier',
  'group',
  'source',
  'from',
  'to',
  'until',
  'due',
  'worth',
  'late',
  'held',
  'changed',
  'sort',
  'by',
  'columns'
];

/** The part of an address that says how the list looks. */
export function viewOf(params: URLSearchParams): string {
  const view = new URLSearchParams();
  for (const name of PLAN_VIEW) {
    const value = params.get(name);
    if (value !== null) view.set(name, value);
  }
  return view.toString();
}

/** An address in the Plan; the filters of the list stay as they are. */
function planHref(values: Record<string, string>): string {
  const params = new URLSearchParams();
  if (page.url.pathname.startsWith('/plan')) {
    for (const name of [...PLAN_VIEW, ...TRIAL]) {
      const value = page.url.searchParams.get(name);
      if (value !== null) params.set(name, value);
    }
  }
  for (const [name, value] of Object.entries(values)) params.set(name, value);
  return `/plan?${params}`;
}

/** The address of what a line names. */
export function hrefOf(link: Schemas['Link']): string {
  switch (link.kind) {
    case 'planned':
      return plannedHref(link.key ?? '');
    case 'order':
      return orderHref(link.number ?? '');
    case 'customer_order':
      return link.number ? threadHref(link.number) : pointHref(link.item, link.site);
    default:
      return pointHref(link.item, link.site);
  }
}

/** Where something that was found by its code, name or number is looked at. */
export function foundHref(found: { kind: string; code: string; name: string }): string {
  switch (found.kind) {
    case 'item':
      return itemHref(found.code);
    case 'customer_order':
      return demandHref(found.code);
    case 'customer':
      return '/demand?' + new URLSearchParams({ customer: found.code }).toString();
    case 'supplier':
      return '/plan?' + new URLSearchParams({ supplier: found.code }).toString();
    case 'site':
      return '/plan?' + new URLSearchParams({ for: found.code }).toString();
    default:
      return orderHref(found.code);
  }
}

export function plannedHref(key: string): string {
  return planHref({ order: key });
}

/** The page of a lot or serial number. */
export function lotHref(item: string, lot?: string | null, serial?: string | null): string {
  const params = new URLSearchParams({ item });
  if (lot) params.set('lot', lot);
  if (serial) params.set('serial', serial);
  return `/stock/lot?${params}`;
}

/** An item at a site with its movements. */
export function ledgerHref(item: string, site: string): string {
  return `/stock?point=${encodeURIComponent(`${encodeURIComponent(item)}~${encodeURIComponent(site)}`)}`;
}

export function orderHref(number: string): string {
  return '/orders?' + new URLSearchParams({ number }).toString();
}

export function itemHref(code: string): string {
  return '/items?' + new URLSearchParams({ code: itemOf(code) }).toString();
}

/** The item of a stock point, which may hold what is bought for one line of a customer order alone. */
export function itemOf(code: string): string {
  return code.split(' → ')[0] ?? code;
}

/** A customer order with its lines. */
export function demandHref(number: string): string {
  return '/demand?' + new URLSearchParams({ line: `${encodeURIComponent(number)}~` }).toString();
}

/** Who gets what of an item at a site. */
export function turnHref(item: string, site?: string): string {
  return '/demand/turn?' + new URLSearchParams(site ? { item, site } : { item }).toString();
}

/** The forecast of an item at a site. */
export function curveHref(item: string, site: string): string {
  const key = `${encodeURIComponent(item)}~${encodeURIComponent(site)}`;
  return '/demand/forecast?' + new URLSearchParams({ series: key }).toString();
}

/** Where all planned orders that a customer order needs are released. */
export function needsHref(number: string): string {
  return '/plan?' + new URLSearchParams({ needs: number }).toString();
}

/** The thread of a customer order. */
export function threadHref(number: string): string {
  return threadsHref({ number });
}

/** The thread of a planned order or of a line of an order. */
export function orderThreadHref(key: string): string {
  return threadsHref({ order: key });
}

/** The thread of all that is ordered at a stock point. */
export function pointThreadHref(item: string, site: string): string {
  return threadsHref({ item, site });
}

/** An address in Threads; a trial stays one. */
function threadsHref(values: Record<string, string>): string {
  const params = new URLSearchParams(page.url.pathname.startsWith('/plan') ? trial.params : {});
  for (const [name, value] of Object.entries(values)) params.set(name, value);
  return `/plan/threads?${params}`;
}

/** Another view of the plan that is shown here, as it was left; what changed and what-ifs are of the live one. */
export function viewHref(view: string): string {
  const params = new URLSearchParams(left.search(view));
  for (const name of TRIAL) params.delete(name);
  if (!LIVE_VIEWS.includes(view))
    for (const [name, value] of Object.entries(trial.params)) params.set(name, value);
  return params.size > 0 ? `${view}?${params}` : view;
}

export function pointHref(item: string, site: string): string {
  return planHref({ item, site });
}

/** What lies at a site. */
export function stockHref(site: string): string {
  return `/stock?${new URLSearchParams({ site })}`;
}

const ofNumbers = (numbers: string[]) =>
  new URLSearchParams(numbers.map((number) => ['number', number])).toString();

/** What is to be fetched for orders, to be ticked off. */
export function pickListHref(numbers: string[]): string {
  return `/stock/pick?${ofNumbers(numbers)}`;
}

/** The same on paper. */
export function pickListPaper(numbers: string[]): string {
  return `/api/stock/papers/pick-list?${ofNumbers(numbers)}`;
}
