import type { Schemas } from '$lib/api/client';

export type LetterRow = Schemas['LetterRow'];
export type LetterLine = Schemas['LetterLine'];

/** What a letter is called; they are told by a sign of their own too. */
export const KINDS: Record<string, string> = {
  answer: 'Answer',
  dispatch: 'Delivery',
  invoice: 'Invoice',
  other: 'Letter'
};

export const STATES = [
  { code: 'done', name: 'done' },
  { code: 'put_aside', name: 'put aside' },
  { code: 'all', name: 'all' }
];

/** The decision that takes an answer over, line by line as it says. */
export function confirmation(about: string, lines: LetterLine[]): Schemas['PlanCommand'] {
  return {
    kind: 'CONFIRMED',
    number: about,
    lines: lines
      .filter((l) => l.date && l.item)
      .map((l) => ({ line: l.line, date: l.date ?? '', quantity: l.quantity ?? undefined }))
  };
}

/** Of what has serial numbers each piece is named; or else it is received by hand. */
export function named(l: LetterLine): boolean {
  return l.tracking !== 'serial' || (l.serials ?? []).length === l.quantity;
}

/** The posting that takes a delivery in, each piece with its serial number. */
export function receipt(about: string, lines: LetterLine[]): Schemas['PostingWish'] | undefined {
  const open = lines.filter((l) => l.item && named(l));
  if (open.length === 0) return undefined;
  return {
    reason: undefined,
    lines: open.flatMap((l): Schemas['PostingLine'][] => {
      const line = { act: 'RECEIVE' as const, number: about, line: l.line, unit: l.unit ?? undefined };
      if (l.tracking === 'serial') return l.serials.map((serial) => ({ ...line, quantity: 1, serial }));
      return [
        {
          ...line,
          quantity: l.quantity ?? undefined,
          lot: l.tracking === 'lot' ? (l.lot ?? undefined) : undefined,
          expiry: l.tracking === 'lot' ? (l.expiry ?? undefined) : undefined
        }
      ];
    })
  };
}
