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
