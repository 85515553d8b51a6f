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

export function gridOf(columns: Column[]): string {
  return `14px 19px minmax(0, 1fr) 76px ${columns.map((c) => `${COLUMNS[c].width}px`).join(' ')}`;
}

const NAME = 190;
const REST = 14 + 19 + 76;
const GAP = 8;
const PADDING = 24;

/** How wide the list has to be, in pixels, so that names stay readable beside its columns. */
export function listWidth(columns: Column[]): number {
  const chosen = columns.reduce((sum, c) => sum + COLUMNS[c].width + GAP, 0);
  return REST + NAME + 3 * GAP + PADDING + chosen;
}
