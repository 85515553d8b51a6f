// @vitest-environment jsdom
import { flushSync } from 'svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';

vi.mock('$app/state', () => import('$lib/screen.sample.svelte'));
vi.mock('$app/navigation', () => import('$lib/screen.sample.svelte'));
vi.mock('@tanstack/svelte-query', () => import('$lib/screen.sample.svelte'));

import { asked, at, left, press, said } from '$lib/screen.sample.svelte';
import { OrdersScreen } from './orders-screen.svelte';

function order(number: string, partner: string) {
  return {
    number,
    kind: 'buy',
    stage: 'released',
    partner,
    siteName: 'Works',
    lines: 1,
    first: 'NAIL',
    due: '2026-12-01'
  };
}

const ANSWERS = {
  'plan supply-orders {}': {
    rows: [order('PO-1', 'Smith'), order('PO-2', 'Wood & Co'), order('PO-3', 'Smith')],
    total: 3
  }
};
const screenAt = (url: string) => at(url, ANSWERS, () => new OrdersScreen());

describe('the screen of the orders', () => {
  afterEach(left);

  it('goes from order to order as fast as keys are pressed', () => {
    const screen = screenAt('/orders?number=PO-1');
    press('j');
    press('j');
    expect(screen.list.cursor).toBe('PO-3');
    expect(said('number')).toBe('PO-3');
  });

  it('asks the server for what is looked for, once the typing has stopped', () => {
    vi.useFakeTimers();
    const screen = screenAt('/orders');
    screen.words = ' wood';
    flushSync();
    vi.advanceTimersByTime(150);
    flushSync();
    vi.useRealTimers();
    expect(screen.list.shown).toEqual([]);
    expect(asked).toContain('plan supply-orders {"words":"wood"}');
  });

  it('asks at once for what the address looks for', () => {
    const screen = screenAt('/orders?words=wood');
    expect(screen.list.shown).toEqual([]);
    expect(asked).toContain('plan supply-orders {"words":"wood"}');
    expect(asked).not.toContain('plan supply-orders {}');
  });

  it('copies what is selected on the way, or the order in view', () => {
    const screen = screenAt('/orders?number=PO-1');
    expect(screen.copied()?.split('\n')).toHaveLength(2);
    press('J');
    expect(
      screen
        .copied()
        ?.split('\n')
        .map((row) => row.split('\t')[0])
    ).toEqual(['number', 'PO-1', 'PO-2']);
    press('Escape');
    press('x');
    expect([...screen.list.selected]).toEqual(['PO-2']);
  });

  it('says why there is nothing', () => {
    const none = at('/orders', { 'plan supply-orders {}': { rows: [], total: 0 } }, () => new OrdersScreen());
    expect(none.empty).toContain('Nothing has been released yet');
    left();
    const filtered = at('/orders?kind=make', {}, () => new OrdersScreen());
    expect(filtered.empty).toBe('No order fits these filters.');
  });
});
