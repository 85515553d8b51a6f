import { untrack } from 'svelte';
import { fromAddress, toAddress } from './address';

const PAUSE = 300;

/**
 * Keeps the words of a list's filter in the address, so that they survive a reload and can be shared; and takes them from
 * there when somebody follows a link or goes back.
 */
export function wordsInAddress(words: () => string, take: (words: string) => void): void {
  let written = fromAddress('words') ?? '';
  if (written !== '') take(written);
  $effect(() => {
    const there = fromAddress('words') ?? '';
    if (there === written) return;
    written = there;
    take(there);
  });
  $effect(() => {
    const typed = words().trim();
    const timer = setTimeout(() => {
      if (typed === written) return;
      written = typed;
      void toAddress({ words: typed || undefined });
    }, PAUSE);
    return () => clearTimeout(timer);
  });
}

/** Letters that follow each other faster than this, in milliseconds, are one question. */
const SETTLED = 150;

/**
 * What the server is asked for: the first letter after a pause at once, what is typed in haste when the typing has stopped
 * for a moment. Made while its component comes.
 */
export class SettledWords {
  now = $state('');
  #typed: string;
  #at = -Infinity;

  constructor(words: () => string, pause = SETTLED) {
    this.#typed = this.now = untrack(words).trim();
    $effect(() => {
      const typed = words().trim();
      if (typed === this.#typed) return;
      const hasty = performance.now() - this.#at < pause;
      this.#typed = typed;
      this.#at = performance.now();
      if (!hasty) this.now = typed;
    });
    $effect(() => {
      const typed = words().trim();
      const timer = setTimeout(() => (this.now = typed), pause);
      return () => clearTimeout(timer);
    });
  }
}
