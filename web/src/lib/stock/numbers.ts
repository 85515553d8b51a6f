const MOST = 1000;

/**
 * Lot or serial numbers as they are typed, scanned one after the other or pasted: apart by blanks, commas or lines;
 * `X4-0007..0012` is all of them from the first to the last.
 */
export function numbersOf(text: string): string[] {
  return text
    .split(/[\s,;]+/)
    .filter((one) => one !== '')
    .flatMap(range);
}

function range(text: string): string[] {
  const parts = /^(.*?)(\d+)\.\.+(\d+)$/.exec(text);
  if (!parts) return [text];
  const [, head = '', from = '', to = ''] = parts;
  const first = Number(from);
  const many = Number(to) - first + 1;
  if (!(many >= 1 && many <= MOST)) return [text];
  return Array.from({ length: many }, (_, i) => head + `${first + i}`.padStart(from.length, '0'));
}

/** What is wrong with serial numbers for so many pieces; undefined: nothing. */
export function serialsWrong(numbers: string[], pieces: number | undefined): string | undefined {
  const twice = numbers.find((one, i) => numbers.indexOf(one) !== i);
  if (twice !== undefined) return `${twice} stands there twice`;
  if (pieces === undefined || numbers.length === 0 || pieces === numbers.length) return undefined;
  return numbers.length === 1
    ? `is one number for ${pieces} pieces`
    : `are ${numbers.length} numbers for ${pieces} pieces`;
}
