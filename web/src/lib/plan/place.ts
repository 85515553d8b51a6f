import { orderThreadHref, pointThreadHref, threadHref } from '$lib/links';
import { isPlanned, itemOf, siteOf, type Row } from './filters';

/** What is asked of the order in view. */
export type Asked = 'quantity' | 'dates' | 'possible';

export const ASKED: Asked[] = ['quantity', 'dates', 'possible'];

export interface PointInView {
  item: string;
  site: string;
  /** The planned order in view, if it is one. */
  order?: string;
  /** The line of the firmed or released order in view, if it is one. */
  line?: string;
}

function decoded(part: string | undefined): string {
  return decodeURIComponent((part ?? '').replaceAll('+', ' '));
}

/** The stock point that a row of the list is about: a planned order's key and a signal's name it, a firmed order's does not. */
export function placeOf(
  key: string | undefined,
  item: string | undefined,
  site: string | undefined,
  rows: Map<string, Row>
): PointInView | undefined {
  if (key === undefined) return item && site ? { item, site } : undefined;
  const parts = key.split('~');
  if (key.startsWith('!')) {
    const said = rows.get(key);
    const about = said && 'signal' in said ? said.signal.signal.order : undefined;
    const line = about && !isPlanned(about) ? { line: about } : {};
    return { item: decoded(parts[1]), site: decoded(parts[2]), ...line };
  }
  if (isPlanned(key)) return { item: decoded(parts[0]), site: decoded(parts[1]), order: key };
  const row = rows.get(key);
  if (row) return { item: itemOf(row), site: siteOf(row), line: key };
  return item && site ? { item, site, line: key } : undefined;
}

/** The address of the thread of what a row is about. */
export function threadOf(row: Row): string {
  if ('order' in row) return orderThreadHref(row.order.key);
  const { signal } = row.signal;
  if (signal.order) return orderThreadHref(signal.order);
  return signal.kind === 'demand_late' && signal.orderNumber
    ? threadHref(signal.orderNumber)
    : pointThreadHref(signal.item, signal.site);
}
