import { afterEach, describe, expect, it, vi } from 'vitest';
import { api } from '$lib/api/client';
import { LastDecision } from './last-decision.svelte';

const KEPT = { id: 7, sentence: 'Firmed 50 BRG-6202', mine: true } as never;

function answers(body: unknown, status = 200) {
  return Promise.resolve({
    data: status < 400 ? body : undefined,
    error: status < 400 ? undefined : body,
    response: new Response(null, { status })
  });
}

describe('what was kept last', () => {
  afterEach(() => vi.restoreAllMocks());

  it('is taken back by its number, and said', async () => {
    const undo = vi.spyOn(api, 'POST').mockReturnValue(answers({ sentence: 'Firmed 50 BRG-6202' }) as never);
    const after = vi.fn();
    const last = new LastDecision(after);
    last.keep(KEPT);
    await last.takeBack();
    expect(undo).toHaveBeenCalledWith('/api/decisions/{id}/undo', { params: { path: { id: 7 } } });
    expect(last.said).toBe('Taken back: Firmed 50 BRG-6202');
    expect(last.kept).toBeUndefined();
    expect(after).toHaveBeenCalledOnce();
  });

  it('is the last one of the person that stands, if nothing was kept here', async () => {
    vi.spyOn(api, 'GET').mockReturnValue(
      answers([
        { id: 9, mine: true, undoneAt: '2026-05-04T08:00:00Z' },
        { id: 8, mine: false },
        { id: 5, mine: true }
      ]) as never
    );
    const undo = vi.spyOn(api, 'POST').mockReturnValue(answers({ sentence: 'Held it' }) as never);
    await new LastDecision().takeBack();
    expect(undo).toHaveBeenCalledWith('/api/decisions/{id}/undo', { params: { path: { id: 5 } } });
  });

  it('is another one where that is chosen, and what was kept here stays', async () => {
    const undo = vi.spyOn(api, 'POST').mockReturnValue(answers({ sentence: 'Held it' }) as never);
    const last = new LastDecision();
    last.keep(KEPT);
    await last.takeBack(5);
    expect(undo).toHaveBeenCalledWith('/api/decisions/{id}/undo', { params: { path: { id: 5 } } });
    expect(last.kept).toBe(KEPT);
  });

  it('is nothing when nobody decided anything, and that is said', async () => {
    vi.spyOn(api, 'GET').mockReturnValue(answers([]) as never);
    const last = new LastDecision();
    await last.takeBack();
    expect(last.refused).toContain('no decision of yours');
    last.forget();
    expect(last.refused).toBeUndefined();
  });

  it('stays when it cannot be taken back, and why is said', async () => {
    vi.spyOn(api, 'POST').mockReturnValue(answers({ detail: 'It has been released since' }, 409) as never);
    const last = new LastDecision();
    last.keep(KEPT);
    await last.takeBack();
    expect(last.refused).toBe('It has been released since');
    expect(last.kept).toBe(KEPT);
  });
});
