import type { Column as ListColumn } from '$lib/ui/columns.svelte';

/** The columns of the list that can be chosen, with their widths. */
export const COLUMNS = {
  start: { name: 'Start', width: 62 },
  due: { name: 'Due', width: 62 },
  possible: { name: 'Possible', width: 90 },
  value: { name: 'Value', width: 82 },
  serves: { name: 'Serves', width: 104 }
} as const;
export type Column = keyof typeof COLUMNS;

const ORDINARY: Column[] = ['start', 'due', 'possible'];

export function columnsOf(text: string | undefined): Column[] {
  const chosen = (text?.split('.') ?? []).filter((c): c is Column => c in COLUMNS);
  return chosen.length > 0 ? chosen : ORDINARY;
}

/** The columns as they stand in the address; the ordinary ones need no word. */
export function columnsText(columns: Column[]): string | undefined {
  const inOrder = (Object.keys(COLUMNS) as Column[]).filter((c) => columns.includes(c));
  return inOrder.join('.') === ORDINARY.join('.') ? undefined : inOrder.join('.');
}

/** All columns of the list: the mark of selection, the source, what it is for, how much, and the chosen ones. */
export function listColumns(chosen: Column[]): ListColumn[] {
  return [
    { code: 'selected', name: '', width: 14, fixed: true },
    { code: 'source', name: '', width: 19, fixed: true },
    { code: 'item', name: 'Order for' },
    { code: 'quantity', name: 'Quantity', width: 76, right: true },
    ...chosen.map((code) => ({ code, ...COLUMNS[code], right: true }))
  ];
}

const NAME = 190;
const GAP = 8;
const PADDING = 24;

/** How wide the list has to be, in pixels, so that names stay readable beside its columns. */
export function listWidth(count: number, taken: number): number {
  return taken + NAME + (count - 1) * GAP + PADDING;
}
