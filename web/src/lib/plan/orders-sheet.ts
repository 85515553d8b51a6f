import type { Sheet } from '$lib/ui/export';
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

/** Planned and firmed orders as they are shown, with ISO dates. */
export function sheetOf(orders: PlannedOrder[]): Sheet {
  const rows = orders.map((o) => [
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
  return { header: HEADER, rows };
}
