import { describe, expect, it } from 'vitest';
import type { Schemas } from '$lib/api/client';
import type { Answer } from './entry';
import { waysOut } from './entry-ways';

const WAYS = {
  sites: [
    { site: 'B', siteName: 'B', promised: '2026-12-09', available: 0 },
    { site: 'C', siteName: 'C', promised: '2026-12-04', available: 0 },
    { site: 'D', siteName: 'D', promised: '2026-12-20', available: 0 },
    { site: 'E', siteName: 'E', promised: null, available: 0 }
  ],
  bringing: [{ site: 'B', siteName: 'B', promised: '2026-12-11', available: 0 }],
  alternatives: [
    { item: 'Y', itemName: 'Y', quantity: 2, unit: 'pcs', promised: '2027-01-08', available: 0 },
    { item: 'X', itemName: 'X', quantity: 1, unit: 'pcs', promised: null, available: 0 }
  ]
} as unknown as Schemas['WaysView'];

const answer = (promised: string | null) => ({ promised }) as unknown as Answer;

describe('ways out of a line that cannot go as it is wanted', () => {
  it('are those that are sooner than its promise, the soonest first', () => {
    const out = waysOut(WAYS, answer('2026-12-11'));
    expect(out.sites.map((s) => s.site)).toEqual(['C', 'B']);
    expect(out.bringing).toEqual([]);
  });

  it('are all that have a day where there is no promise', () => {
    const out = waysOut(WAYS, answer(null));
    expect(out.sites.map((s) => s.site)).toEqual(['C', 'B', 'D']);
    expect(out.bringing.map((s) => s.site)).toEqual(['B']);
  });

  it('have another item whenever it comes', () => {
    expect(waysOut(WAYS, answer('2026-12-01')).alternatives.map((a) => a.item)).toEqual(['Y']);
  });

  it('are none until there is an answer', () => {
    expect(waysOut(undefined, answer('2026-12-01')).sites).toEqual([]);
    expect(waysOut(WAYS, undefined).sites).toEqual([]);
  });
});
