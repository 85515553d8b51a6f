// The supplier's invoice that lies with the goods: it is entered in the act in which they are received.
import { parsedDate, parsedNumber } from '$lib/format';
import type { Wish } from './posting.svelte';

/** As it is typed. */
export interface Paper {
  there: boolean;
  number: string;
  day: string;
  /** Of one; empty: as agreed. */
  price: string;
}

export const NO_PAPER: Paper = { there: false, number: '', day: '', price: '' };

/** What is missing or cannot be read, in the words of its field; undefined: it can be entered. */
export function wrongPaper(paper: Paper, today: string): string | undefined {
  if (!paper.there) return undefined;
  if (!paper.number.trim()) return 'its number is missing';
  if (!paper.day.trim()) return 'say of which day it is';
  if (!parsedDate(paper.day, today)) return `“${paper.day}” is no day`;
  if (paper.price.trim() && !(parsedNumber(paper.price) >= 0)) return `“${paper.price}” is no price`;
  return undefined;
}

/** What is posted of it; a price is said of all the lines. */
export function chargeOf(
  paper: Paper,
  today: string,
  lines: { order: string; line: string }[]
): Wish['charge'] {
  const date = parsedDate(paper.day, today);
  if (!paper.there || !date || wrongPaper(paper, today)) return undefined;
  const price = paper.price.trim() ? parsedNumber(paper.price) : undefined;
  return {
    number: paper.number.trim(),
    date,
    prices: price === undefined ? undefined : lines.map((one) => ({ ...one, price }))
  };
}
