import { beforeEach, describe, expect, it, vi } from 'vitest';

const state = vi.hoisted(() => ({
  page: { url: new URL('http://desk/orders/letters?state=all') },
  navigating: { to: null as { url: URL } | null }
}));
const goto = vi.hoisted(() => vi.fn(() => Promise.resolve()));
vi.mock('$app/state', () => state);
vi.mock('$app/navigation', () => ({ goto }));

import { toAddress } from './address';

describe('what is opened', () => {
  beforeEach(() => {
    goto.mockClear();
    state.navigating.to = null;
  });

  it('stands in the address, beside what stood there', async () => {
    await toAddress({ letter: '4' });
    expect(goto).toHaveBeenCalledWith('?state=all&letter=4', expect.anything());
  });

  it('holds nobody back who is leaving for another page', async () => {
    state.navigating.to = { url: new URL('http://desk/orders/invoices') };
    await toAddress({ letter: '4' });
    expect(goto).not.toHaveBeenCalled();
    // on the same page the next value follows the one under way
    state.navigating.to = { url: new URL('http://desk/orders/letters?letter=3') };
    await toAddress({ letter: '4' });
    expect(goto).toHaveBeenCalledOnce();
  });
});
