import { describe, expect, it } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { trial } from '$lib/trial.svelte';
import { LastDecision } from './last-decision.svelte';
import { Panes } from './panes.svelte';
import { order } from './order.sample';
import { PlanList, type PlannedOrder, type SignalRow } from './plan.svelte';

const ROD = 'ROD~W~2026-12-01~5~0:0:0';
const NAIL = 'NAIL~W~2026-12-02~9~0:0:0';

function signal(kind: string, order?: string): SignalRow {
  return {
    key: `!${kind}~${order ?? 'none'}`,
    group: 'CHANGE_ORDER',
    itemName: 'x',
    siteName: 'Works',
    signal: {
      kind,
      item: 'X',
      site: 'W',
      order,
      bad: false,
      sentence: kind,
      cures: kind === 'cancel' ? [{ cure: 'CANCEL' as const, planningData: [] }] : []
    }
  };
}

function decision(more: Partial<Schemas['Decision']>): Schemas['Decision'] {
  return {
    id: 1,
    name: 'Ida',
    mine: true,
    madeAt: '2026-11-23T08:00:00Z',
    kind: 'FIRM',
    sentence: 'Firmed',
    orders: [],
    about: [],
    ...more
  };
}

function desk(orders: PlannedOrder[], signals: SignalRow[] = []) {
  const list = new PlanList();
  list.take(orders, signals);
  list.cursor = orders[0]?.key ?? signals[0]?.key;
  let kept = 0;
  const last = new LastDecision();
  return { list, last, panes: new Panes(list, last, () => kept++), kept: () => kept };
}

describe('the panes beside the list', () => {
  it('open for the order under the cursor, and the same key keeps', () => {
    const { panes, kept } = desk([order(ROD)]);
    panes.about('FIRM');
    expect(panes.deciding).toEqual({ kind: 'FIRM', orders: [ROD], form: {} });
    panes.about('FIRM');
    expect(kept()).toBe(1);
    panes.about('HOLD');
    expect(panes.deciding?.kind).toBe('HOLD');
  });

  it('say so when a signal speaks of no order', () => {
    const { panes } = desk([], [signal('below_safety')]);
    panes.about('FIRM');
    expect(panes.deciding).toBeUndefined();
    expect(panes.refused).toContain('no order');
  });

  it('cancel several open orders together', () => {
    const { list, panes } = desk(
      [],
      [signal('cancel', 'PO-1~1'), signal('cancel', 'PO-2~1'), signal('push_back', 'PO-3~1')]
    );
    list.toggleAll();
    panes.accept('2026-11-23');
    expect(panes.deciding).toMatchObject({ kind: 'CANCEL', orders: ['PO-1~1', 'PO-2~1'] });
  });

  it('do not decide in a trial', () => {
    const { panes } = desk([order(ROD)]);
    trial.without = ['SO-1~1'];
    panes.about('FIRM');
    trial.without = [];
    expect(panes.deciding).toBeUndefined();
    expect(panes.refused).toBeTruthy();
  });

  it('lay a decision over the release, which goes on with what came of it', () => {
    const { list, last, panes } = desk([order(ROD), order(NAIL)]);
    list.toggleAll();
    panes.release();
    panes.about('FIRM');
    expect(panes.deciding).toBeUndefined();
    panes.cured(decision({ orders: ['F-1~1'] }), { kind: 'FIRM', orders: [ROD] });
    expect(panes.curing).toBeUndefined();
    expect(last.kept?.orders).toEqual(['F-1~1']);
    expect(panes.releasing).toEqual([NAIL, 'F-1~1']);
    panes.add(['MORE']);
    panes.swap('MORE', 'EARLIER');
    expect(panes.releasing).toEqual([NAIL, 'F-1~1', 'EARLIER']);
    panes.takeOut(['EARLIER']);
    panes.takeOut([NAIL, 'F-1~1']);
    expect(panes.releasing).toBeUndefined();
  });

  it('send the cursor to what came out, or on to the next row, or leave it', () => {
    const { panes } = desk([order(ROD), order(NAIL)]);
    expect(panes.next(decision({ orders: ['F-1~1'] }), { kind: 'FIRM', orders: [ROD] })).toBe('F-1~1');
    expect(panes.next(decision({}), { kind: 'CANCEL', orders: [ROD] })).toBe(NAIL);
    expect(panes.next(decision({}), { kind: 'HOLD', orders: [ROD] })).toBeUndefined();
  });

  it('send the cursor back to what a decision was about when it is taken back', () => {
    const { list, panes } = desk([order(ROD)]);
    const firmed = decision({ orders: ['F-1~1'], about: [ROD] });
    list.cursor = 'F-1~1';
    expect(panes.undone(firmed)).toBe(ROD);
    list.cursor = NAIL;
    expect(panes.undone(firmed)).toBeUndefined();
  });

  it('close one by one', () => {
    const { panes } = desk([order(ROD)]);
    panes.release();
    panes.about('FIRM');
    expect(panes.escape()).toBe(true);
    expect(panes.releasing).toEqual([ROD]);
    expect(panes.escape()).toBe(true);
    expect(panes.escape()).toBe(false);
  });
});
