// Lines of an order as they come out of a spreadsheet or a mail.
import { parsedDate, parsedNumber } from '$lib/format';

/** What is recognised of one row; what stands for the item is a code, a name or part of one. */
export interface PastedLine {
  item: string;
  quantity: string;
  unit: string;
  wanted: string;
}

/** Between a number and what it counts. */
const FILLING = /^(?:x|×|\*|of|ea|each|à|-|–|•)$/i;

/** Whether a text that is pasted is more than one cell. */
export function isRows(text: string): boolean {
  return /[\t\n\r]/.test(text.trim());
}

/**
 * The rows of a text. Cells are parted by tabs or semicolons, or else by spaces; a number is the quantity, a date the wanted
 * day, a known unit the unit; the rest is the item.
 */
export function pasted(text: string, units: string[], today: string): PastedLine[] {
  return text
    .split(/\r?\n/)
    .map((row) => row.trim())
    .filter((row) => row !== '')
    .map((row) => line(row, units, today))
    .filter((l) => l.item !== '' || l.quantity !== '');
}

function line(row: string, units: string[], today: string): PastedLine {
  const cells = row.split(/\t|;/).map((c) => c.trim());
  const found: PastedLine = { item: '', quantity: '', unit: '', wanted: '' };
  const rest: string[] = [];
  for (const cell of cells.length > 1 ? cells : words(row, today)) {
    const number = /^(\d[\d\s.,]*)\s*x?$/i.exec(cell)?.[1]?.trim();
    const unit = units.find((u) => u.toLowerCase() === cell.toLowerCase());
    if (cell === '' || FILLING.test(cell)) continue;
    if (!found.wanted && !/^\d+$/.test(cell) && parsedDate(cell, today)) found.wanted = cell;
    else if (!found.quantity && number && !Number.isNaN(parsedNumber(number))) found.quantity = number;
    else if (!found.unit && unit) found.unit = unit;
    else rest.push(cell);
  }
  // of several texts the first is the code, those after it say the same in words
  found.item = cells.length > 1 ? (rest[0] ?? '') : rest.join(' ');
  return found;
}

/** The words of a line of running text; a day and its month stay together. */
function words(row: string, today: string): string[] {
  const all = row.split(/\s+/);
  const joined: string[] = [];
  for (let i = 0; i < all.length; i++) {
    const two = `${all[i]} ${all[i + 1] ?? ''}`.trim();
    if (/^\d{1,2}\.?$/.test(all[i] ?? '') && all[i + 1] && parsedDate(two, today)) {
      joined.push(two);
      i++;
    } else joined.push(all[i] ?? '');
  }
  return joined;
}
