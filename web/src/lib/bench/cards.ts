import type { Schemas } from '$lib/api/client';

export type Bench = Schemas['Bench'];
export type Job = Schemas['BenchJob'];

/** A card is as wide as its work is long, within what can be read. */
const NARROWEST = 132;
const WIDEST = 300;
const AN_HOUR = 26;

export function widthOf(job: Job): number {
  return Math.round(Math.min(WIDEST, Math.max(NARROWEST, ((job.minutes ?? 0) / 60) * AN_HOUR)));
}

/** A part as a tick: there, some of it, or missing. */
export function tickOf(part: Schemas['BenchPart']): 'there' | 'some' | 'missing' {
  if (part.there >= part.wanted) return 'there';
  return part.there > 0 ? 'some' : 'missing';
}

export function hours(minutes: number): string {
  const h = minutes / 60;
  return `${h >= 10 ? Math.round(h) : Math.round(h * 10) / 10} h`;
}

/**
 * Between which places a card comes to lie that is moved within its bench.
 *
 * @param to its place among the others, from 0 on, once it is taken out
 */
export function between(jobs: Job[], key: string, to: number): { behind?: number; ahead?: number } {
  const others = jobs.filter((j) => j.key !== key);
  return { behind: others[to - 1]?.place, ahead: others[to]?.place };
}

/** The card so many rows or so many places away. */
export function near(
  benches: Bench[],
  key: string | undefined,
  rows: number,
  places: number
): Job | undefined {
  const row = benches.findIndex((b) => b.jobs.some((j) => j.key === key));
  if (row < 0) return benches[0]?.jobs[0];
  const jobs = benches[row]?.jobs ?? [];
  const at = jobs.findIndex((j) => j.key === key);
  if (rows === 0) return jobs[Math.min(jobs.length - 1, Math.max(0, at + places))];
  const other = benches[Math.min(benches.length - 1, Math.max(0, row + rows))]?.jobs ?? [];
  return other[Math.min(at, other.length - 1)];
}
