import { page } from '$app/state';
import type { Schemas } from './api/client';

/** What of the address says how the list looks; the rest says what is opened. */
export const PLAN_VIEW = [
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
    for (const name of [...PLAN_VIEW, 'without']) {
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
    default:
      return pointHref(link.item, link.site);
  }
}

export function plannedHref(key: string): string {
  return planHref({ order: key });
}

export function orderHref(number: string): string {
  return '/orders?' + new URLSearchParams({ number }).toString();
}

export function itemHref(code: string): string {
  return '/items?' + new URLSearchParams({ code }).toString();
}

export function pointHref(item: string, site: string): string {
  return planHref({ item, site });
}
