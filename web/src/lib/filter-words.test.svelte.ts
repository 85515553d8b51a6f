// @vitest-environment jsdom
import { flushSync } from 'svelte';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { SettledWords } from './filter-words.svelte';

beforeEach(() => void vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] }));
afterEach(() => void vi.useRealTimers());

/** A filter that is typed into, and all that was asked for with it. */
function filter(at: string) {
  let words = $state(at);
  const asked: string[] = [];
  const end = $effect.root(() => {
    const settled = new SettledWords(() => words, 150);
    $effect(() => void asked.push(settled.now));
  });
  flushSync();
  return {
    asked,
    end,
    type(more: string, after: number) {
      words += more;
      flushSync();
      vi.advanceTimersByTime(after);
      flushSync();
    },
    set: (to: string) => {
      words = to;
      flushSync();
    }
  };
}

test('letters typed one by one are asked for at once', () => {
  const { asked, type, end } = filter('');
  type('h', 0);
  expect(asked).toEqual(['', 'h']);
  vi.advanceTimersByTime(200);
  type('o', 0);
  expect(asked).toEqual(['', 'h', 'ho']);
  end();
});

test('of letters typed in haste the first is asked for, and all when it is over', () => {
  const { asked, type, end } = filter('');
  type('h', 100);
  type('o', 100);
  type('n', 149);
  expect(asked).toEqual(['', 'h']);
  type('', 1);
  expect(asked).toEqual(['', 'h', 'hon']);
  end();
});

test('what stood there at first is asked for once, and a blank is not asked for', () => {
  const { asked, type, set, end } = filter('honey ');
  type(' ', 300);
  expect(asked).toEqual(['honey']);
  set('');
  expect(asked).toEqual(['honey', '']);
  end();
});
