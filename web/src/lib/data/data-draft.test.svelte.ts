// @vitest-environment jsdom
import { flushSync } from 'svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';

vi.mock('$app/state', () => import('$lib/screen.sample.svelte'));
vi.mock('$app/navigation', () => import('$lib/screen.sample.svelte'));
vi.mock('@tanstack/svelte-query', () => import('$lib/screen.sample.svelte'));

import { answered, at, left } from '$lib/screen.sample.svelte';
import { DataDraft } from './data-draft.svelte';
import type { TableView } from './tables';

const column = (name: string, key = false) => ({ name, holds: 'text', key, required: key, meaning: '' });
const PLANNING: TableView = {
  name: 'planning',
  meaning: '',
  columns: [column('item', true), column('site', true), column('lead_time_days')]
};
const ROW = { item: 'A', site: 'W', lead_time_days: '5' };
const draftAt = () => at('/items?code=A', {}, () => new DataDraft('item', () => undefined));

describe('rows that are being changed', () => {
  afterEach(() => {
    left();
    sessionStorage.clear();
  });

  it('send what is otherwise, and what stood there when it was looked at', () => {
    const draft = draftAt();
    draft.set(PLANNING, ROW, 'lead_time_days', '9');
    expect(draft.wanted && 'rows' in draft.wanted && draft.wanted.rows).toEqual([
      {
        table: 'planning',
        key: { item: 'A', site: 'W' },
        fields: { lead_time_days: '9' },
        seen: { lead_time_days: '5' },
        gone: false,
        fresh: false
      }
    ]);
  });

  it('are none any more when all is as it was', () => {
    const draft = draftAt();
    draft.set(PLANNING, ROW, 'lead_time_days', '9');
    draft.set(PLANNING, ROW, 'lead_time_days', '5');
    expect(draft.any).toBe(false);
    expect(draft.wanted).toBeUndefined();
  });

  it('go and stay, come and are dropped', () => {
    const draft = draftAt();
    draft.toggleGone(PLANNING, ROW);
    expect(draft.all[0]?.gone).toBe(true);
    draft.toggleGone(PLANNING, ROW);
    expect(draft.any).toBe(false);
    const id = draft.add(PLANNING, { item: 'A' });
    draft.setNew(PLANNING, id, 'site', 'D');
    expect(draft.all[0]?.key).toEqual({ item: 'A', site: 'D' });
    expect(draft.fresh('planning', { item: 'A' })).toHaveLength(1);
    draft.drop(id);
    expect(draft.any).toBe(false);
  });

  it('show at each field what is wrong with it, and what another made of it', () => {
    vi.useFakeTimers();
    const draft = draftAt();
    draft.set(PLANNING, ROW, 'lead_time_days', '9');
    flushSync();
    vi.advanceTimersByTime(200);
    flushSync();
    vi.useRealTimers();
    const name = `plan preview ${JSON.stringify(draft.wanted)}`;
    const conflict = { row: 0, column: 'lead_time_days', seen: '5', now: '7', mine: '9' };
    answered(name, {
      refusals: ['Somebody else changed it.'],
      faults: [{ row: 0, column: 'lead_time_days', sentence: 'too long' }],
      conflicts: [conflict]
    });
    const id = DataDraft.id('planning', { item: 'A', site: 'W' });
    expect(draft.faultOf(id, 'lead_time_days')).toBe('too long');
    expect(draft.conflictOf(id, 'lead_time_days')).toEqual(conflict);
    expect(draft.ready).toBe(false);

    draft.resolve(id, conflict, true);
    expect(draft.all[0]?.seen).toEqual({ lead_time_days: '7' });
    draft.resolve(id, conflict, false);
    expect(draft.any).toBe(false);
  });
});
