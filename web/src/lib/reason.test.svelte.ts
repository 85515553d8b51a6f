// @vitest-environment jsdom
import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

vi.mock('$app/state', () => import('$lib/screen.sample.svelte'));
vi.mock('$app/navigation', () => import('$lib/screen.sample.svelte'));
vi.mock('@tanstack/svelte-query', () => import('$lib/screen.sample.svelte'));

import { at } from '$lib/screen.sample.svelte';
import { Reason } from './reason.svelte';

/** What is in view. */
let here = $state<string | undefined>('list 1');
const begun = () => at('/stock/counts', {}, () => new Reason('back', () => here));

describe('why something goes back', () => {
  beforeEach(() => {
    here = 'list 1';
    sessionStorage.clear();
  });
  afterEach(() => sessionStorage.clear());

  it('is about what was in view when it was typed', () => {
    const reason = begun();
    reason.text = 'count the shelf again';
    here = 'list 2';
    expect(reason.text).toBeUndefined();
    here = 'list 1';
    expect(reason.text).toBe('count the shelf again');
  });

  it('is there again after a reload', () => {
    begun().text = 'count the shelf';
    flushSync();
    // the page goes without a word, and comes again
    expect(begun().text).toBe('count the shelf');
  });

  it('is not asked for where nothing can go back', () => {
    here = undefined;
    const reason = begun();
    reason.text = '';
    expect(reason.text).toBeUndefined();
  });

  it('is gone once it is given up', () => {
    const reason = begun();
    reason.text = 'no';
    reason.text = undefined;
    flushSync();
    expect(begun().text).toBeUndefined();
  });
});
