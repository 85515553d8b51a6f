import { csv } from '$lib/ui/export';
import type { PlannedOrder } from './filters';

const HEADER = [
  'item',
  'name',
  'site',
  'source',
  'supplier',
  'quantity',
  'unit',
  'start',
  'due',
  'possible',
  'value',
  'stage',
  'number',
  'held until',
  'serves'
];

function cells(orders: PlannedOrder[]): (string | number | null | undefined)[][] {
  return orders.map((o) => [
    o.item,
    o.itemName,
    o.site,
    o.source,
    o.supplier,
    o.quantity,
    o.unit,
    o.start,
    o.due,
    o.possible,
    o.value,
    o.number ? 'firmed' : 'planned',
    o.number,
    o.hold?.until,
    o.end?.number
  ]);
}

/** Planned and firmed orders as they are shown, with ISO dates. */
export function csvOf(orders: PlannedOrder[]): string {
  return csv(HEADER, cells(orders));
}

/** The same as a table that is pasted into a spreadsheet: tabs between cells. */
export function tableOf(orders: PlannedOrder[]): string {
  return [HEADER, ...cells(orders)]
    .map((row) => row.map((cell) => String(cell ?? '').replace(/[\t\r\n]+/g, ' ')).join('\t'))
    .join('\n');
}
