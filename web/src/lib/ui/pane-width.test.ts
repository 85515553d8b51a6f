// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest';
import { PaneWidth } from './pane-width.svelte';

describe('the width of a list', () => {
  beforeEach(() => localStorage.clear());

  it('is as it comes until somebody changes it, and then kept for that place', () => {
    expect(new PaneWidth('Plan').width).toBeUndefined();
    new PaneWidth('Plan').to(500, 1280);
    expect(new PaneWidth('Plan').width).toBe(500);
    expect(new PaneWidth('Orders').width).toBeUndefined();
  });

  it('leaves a third to what stands beside it, and itself room for a name', () => {
    const width = new PaneWidth('Plan');
    width.to(1200, 900);
    expect(width.width).toBe(600);
    width.to(10, 900);
    expect(width.width).toBe(220);
  });

  it('goes by steps from what is seen, and back', () => {
    const width = new PaneWidth('Plan');
    width.by(2, 400, 1280);
    expect(width.width).toBe(432);
    width.by(-1, 400, 1280);
    expect(width.width).toBe(416);
    width.reset();
    expect(new PaneWidth('Plan').width).toBeUndefined();
  });
});
