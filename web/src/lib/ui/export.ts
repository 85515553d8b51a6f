import type { Shortcut } from '$lib/desk.svelte';

/** Text as a CSV field by RFC 4180. */
function field(value: string | number | null | undefined): string {
  const text = value === null || value === undefined ? '' : String(value);
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}

/** A list as it goes out: a head over each column, and the cells of each row. */
export interface Sheet {
  header: string[];
  rows: (string | number | null | undefined)[][];
}

export function csv({ header, rows }: Sheet): string {
  return [header, ...rows].map((row) => row.map(field).join(',')).join('\r\n') + '\r\n';
}

/** The same to be pasted into a spreadsheet: tabs between cells. */
export function tabbed({ header, rows }: Sheet): string {
  return [header, ...rows]
    .map((row) => row.map((cell) => String(cell ?? '').replace(/[\t\r\n]+/g, ' ')).join('\t'))
    .join('\n');
}

/** As what a list is saved. */
export type FileKind = 'csv' | 'xlsx';

/** Hands a list to the browser as a file: plain text, or a workbook in which numbers are numbers and days are days. */
export async function saveSheet(name: string, sheet: Sheet, kind: FileKind = 'csv'): Promise<void> {
  if (kind === 'csv') save(`${name}.csv`, new Blob([csv(sheet)], { type: 'text/csv;charset=utf-8' }));
  else save(`${name}.xlsx`, await workbook(sheet));
}

async function workbook({ header, rows }: Sheet): Promise<Blob> {
  const { default: write } = await import('write-excel-file/browser');
  const head = header.map((value) => ({ value, fontWeight: 'bold' as const }));
  return write([head, ...rows.map((row) => row.map(cell))], { stickyRowsCount: 1 }).toBlob();
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** A cell of a workbook; undefined: nothing stands there. */
export function cell(value: string | number | null | undefined) {
  if (value === null || value === undefined || value === '') return undefined;
  if (typeof value === 'number') return { value };
  return DAY.test(value) ? { value: new Date(`${value}T00:00:00Z`), format: 'yyyy-mm-dd' } : { value };
}

/** The keys that save what a screen lists. */
export function savingKeys(what: string, run: (kind: FileKind) => void): Shortcut[] {
  return [
    { keys: 'E', says: `Save ${what} as CSV`, also: 'export download', run: () => run('csv') },
    { keys: 'S', says: `Save ${what} as XLSX`, also: 'export spreadsheet workbook', run: () => run('xlsx') }
  ];
}

/** Hands a file to the browser. */
export function save(name: string, file: Blob): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
