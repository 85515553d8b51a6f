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

/** Hands a text to the browser as a file. */
export function download(name: string, text: string): void {
  save(name, new Blob([text], { type: 'text/csv;charset=utf-8' }));
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
