import { beforeEach, describe, expect, it, vi } from 'vitest';

const state = vi.hoisted(() => ({ page: { url: new URL('http://desk/plan') } }));
vi.mock('$app/state', () => state);

import { left } from './left.svelte';
import { viewHref } from './links';
import { trial } from './trial.svelte';

function at(address: string) {
  left.at(new URL(address, 'http://desk'));
}

describe('how screens were left', () => {
  beforeEach(() => {
    left.forget();
    trial.without = [];
    trial.whatIf = undefined;
  });

  it('a place comes back to the view of it that was in sight last, as it was', () => {
    at('/plan?late=yes&order=p1');
    at('/plan/threads?number=SO-790');
    at('/orders?stage=released');
    expect(left.href('/plan')).toBe('/plan/threads?number=SO-790');
    expect(left.href('/orders')).toBe('/orders?stage=released');
    expect(left.href('/items')).toBe('/items');
  });

  it('a view comes back with its filters and its position', () => {
    at('/plan?late=yes&order=p1');
    at('/plan/threads?number=SO-790');
    expect(viewHref('/plan')).toBe('/plan?late=yes&order=p1');
    expect(viewHref('/plan/periods')).toBe('/plan/periods');
  });

  it('what is looked at as a trial is what one looks at now, not then', () => {
    at('/plan?order=p1&without=SO-1');
    expect(viewHref('/plan')).toBe('/plan?order=p1');
    trial.whatIf = '7';
    expect(viewHref('/plan')).toBe('/plan?order=p1&whatif=7');
    expect(viewHref('/plan/changes')).toBe('/plan/changes');
  });

  it('nobody finds what another left', () => {
    at('/plan?order=p1');
    left.forget();
    expect(viewHref('/plan')).toBe('/plan');
    expect(left.href('/plan')).toBe('/plan');
  });
});

describe('what of a screen is not in its address', () => {
  beforeEach(() => left.forget());

  it('is there again when one comes back', () => {
    at('/plan/threads?number=SO-790');
    left.keep('/plan/threads', { cursor: 3 });
    at('/plan?order=p1');
    expect(left.kept(new URL('http://desk/plan/threads?number=SO-790'))).toEqual({ cursor: 3 });
  });

  it('is of no use to somebody who follows a link to something else', () => {
    at('/plan/threads?number=SO-790');
    left.keep('/plan/threads', { cursor: 3 });
    at('/plan?order=p1');
    expect(left.kept(new URL('http://desk/plan/threads?number=SO-791'))).toBeUndefined();
  });
});
