// What else can be done for a line that cannot go as it is wanted: only what is sooner is worth a word.
import type { Schemas } from '$lib/api/client';
import type { Answer } from './entry';

type Ways = Schemas['WaysView'];

export interface WaysOut {
  /** From another site, the soonest first. */
  sites: Ways['sites'];
  /** Brought from another site by a transfer. */
  bringing: Ways['bringing'];
  /** Another item. */
  alternatives: Ways['alternatives'];
}

export const NO_WAYS: WaysOut = { sites: [], bringing: [], alternatives: [] };

function soonest<T extends { promised?: string | null }>(all: T[]): T[] {
  return all.filter((one) => one.promised).sort((a, b) => (a.promised ?? '').localeCompare(b.promised ?? ''));
}

/** What is sooner than what the line is promised; alternatives are offered whenever they come. */
export function waysOut(ways: Ways | undefined, answer: Answer | undefined): WaysOut {
  if (!ways || !answer) return NO_WAYS;
  const sooner = (one: { promised?: string | null }) =>
    !answer.promised || (one.promised ?? '') < answer.promised;
  return {
    sites: soonest(ways.sites).filter(sooner),
    bringing: soonest(ways.bringing).filter(sooner),
    alternatives: soonest(ways.alternatives)
  };
}
