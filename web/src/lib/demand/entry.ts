// The lines of an order sheet: what is typed, whether it can be read, and what is said beside it.
import type { Schemas } from '$lib/api/client';
import { date, parsedDate, parsedNumber, quantity } from '$lib/format';

/** A line as it stands on the sheet. */
export interface EntryLine {
  id: number;
  item: string;
  quantity: string;
  unit: string;
  /** As it was typed; empty: the day of the order. */
  wanted: string;
  /** Empty: that of the order. */
  site: string;
  /** The promised day that the customer is told, where it is another than the wanted one. */
  taken?: string;
  /** The wanted day is kept, whatever the plan says. */
  kept?: boolean;
  /** Not from stock: bought for this line alone, or shipped straight to the customer by the supplier. */
  supply?: 'OWN' | 'DIRECT';
  /** Of whom it is then bought; empty: of the usual one. */
  supplier?: string;
  /** The site from which a transfer of its own brings it. */
  transferFrom?: string;
  /** Of what a kit consists for this line alone, as it was typed. */
  parts?: { component: string; quantity: string }[];
}

/** From where a line can be met, in the order in which one key goes through them. */
export const SUPPLIES = [
  { supply: undefined, says: 'From stock' },
  { supply: 'OWN', says: 'Bought for it alone' },
  { supply: 'DIRECT', says: 'Straight from the supplier' }
] as const;

export function nextSupply(now: EntryLine['supply']): EntryLine['supply'] {
  const at = SUPPLIES.findIndex((s) => s.supply === now);
  return SUPPLIES[(at + 1) % SUPPLIES.length]?.supply;
}

export type Answer = Schemas['PromiseView'];

/** All that is typed on a sheet. */
export interface Typed {
  customer: string;
  reference: string;
  wanted: string;
  site: string;
  quote: boolean;
  complete: boolean;
  lines: EntryLine[];
}

/** What is asked of the plan for a line. */
export function asked(line: EntryLine, site: string, wanted: string | undefined): Schemas['EnteredLine'] {
  const amount = parsedNumber(line.quantity);
  return {
    item: line.item.trim() || undefined,
    site: line.site || site || undefined,
    quantity: amount > 0 ? amount : undefined,
    unit: line.unit.trim() || undefined,
    wanted,
    due: line.kept ? wanted : undefined,
    supply: line.supply,
    supplier: line.supply ? line.supplier || undefined : undefined,
    transferFrom: line.transferFrom,
    parts: line.parts
      ?.filter((p) => p.component && parsedNumber(p.quantity) > 0)
      .map((p) => ({ component: p.component, quantity: parsedNumber(p.quantity) }))
  };
}

let lastId = 0;

/** A line in which nothing stands yet. */
export function blank(): EntryLine {
  return { id: nextId(), item: '', quantity: '', unit: '', wanted: '', site: '' };
}

export function isBlank(line: EntryLine): boolean {
  return !line.item.trim() && !line.quantity.trim();
}

export function nextId(): number {
  return ++lastId;
}

/** The lines of an order that there is, to be asked for once more. */
export function linesLike(order: Schemas['OrderView']): EntryLine[] {
  return order.lines
    .filter((l) => l.state !== 'cancelled')
    .map((l) => ({
      ...blank(),
      item: l.item,
      quantity: quantity(l.ordered),
      site: l.site,
      supply: l.supply === 'own' ? 'OWN' : l.supply === 'direct' ? 'DIRECT' : undefined,
      supplier: l.supplier ?? undefined,
      parts: l.ownParts
        ? l.parts.map((p) => ({ component: p.component, quantity: quantity(p.quantity) }))
        : undefined
    }));
}

/** What is wrong with a number or a day that was typed. */
export function typedWrong(line: EntryLine, today: string): string | undefined {
  if (isBlank(line) || !today) return undefined;
  const amount = parsedNumber(line.quantity);
  if (line.quantity.trim() && (Number.isNaN(amount) || amount <= 0))
    return 'The quantity is no number above 0';
  if (line.wanted.trim() && !parsedDate(line.wanted, today))
    return `“${line.wanted}” is no day; write 9 Dec, 9.12., w50 or +5`;
  const part = line.parts?.find((p) => p.component && !(parsedNumber(p.quantity) > 0));
  if (part)
    return `How many ${part.component} go into one ${line.item}? “${part.quantity}” is no number above 0`;
  return undefined;
}

/** Whether it goes as it is wanted, or somebody said what becomes of it. */
export function decided(line: EntryLine, answered: Answer | undefined, today: string): boolean {
  if (!answered?.day || typedWrong(line, today)) return false;
  const taken = line.taken !== undefined && line.taken === answered.promised;
  return answered.asWanted || line.kept === true || taken;
}

/** What is said of a line beside it, in a few words. */
export function inShort(line: EntryLine, answered: Answer | undefined, today: string): string {
  if (!answered?.day || typedWrong(line, today)) return '';
  if (answered.asWanted) return answered.promised ? `goes ${date(answered.promised, today)}` : '';
  if (line.kept) return `kept for ${date(answered.day, today)}`;
  if (line.taken && line.taken === answered.promised) return `promised ${date(line.taken, today)}`;
  return answered.promised ? `not before ${date(answered.promised, today)}` : 'not within the plan';
}
