/** What an invoice's state is called; they are filters too. */
export const STATES = [
  { code: 'awaiting_approval', name: 'to be approved' },
  { code: 'approved', name: 'may be paid' },
  { code: 'rejected', name: 'sent back' }
];

export function stateName(code: string): string {
  return STATES.find((s) => s.code === code)?.name ?? code;
}
