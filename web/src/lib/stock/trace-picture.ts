import type { Schemas } from '$lib/api/client';

export type Step = Schemas['TraceStep'];

/** A step of a trace in its place: so many rows down, and on which row that stands of which it is a part. */
export interface Placed {
  step: Step;
  row: number;
  depth: number;
  /** The row it hangs on; −1: the lot itself. */
  from: number;
}

/** Steps as they come, depth first, each below the last one that is less deep. */
export function placed(steps: Step[]): Placed[] {
  const last: number[] = [];
  return steps.map((step, row) => {
    const from = step.depth === 0 ? -1 : (last[step.depth - 1] ?? -1);
    last[step.depth] = row;
    return { step, row, depth: step.depth, from };
  });
}

/** What a step is, in so few letters. */
export function label({ step }: Placed): string {
  const name = step.lot ?? step.serial;
  if (step.kind === 'issue' || step.kind === 'output' || step.kind === 'receipt')
    return name ? `${step.item} ${name}` : step.item;
  return step.partner ?? step.number;
}
