import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { api } from '$lib/api/client';
import { healthMark, preferences } from '$lib/queries';

const KEY = 'health-seen';

/** How many findings came since somebody last looked at the health of the data. Made while its component comes. */
export class HealthMark {
  readonly #client = useQueryClient();
  readonly #preferences = createQuery(preferences);
  readonly #seen = $derived(this.#preferences.data?.[KEY]);
  /** Whether it is asked for: it is looked through a whole company, which nobody who has just come should wait behind. */
  #asked = $state(false);
  readonly #mark = createQuery(() => ({
    ...healthMark(this.#seen),
    enabled: this.#asked && this.#preferences.data !== undefined
  }));
  readonly fresh = $derived(this.#mark.data?.fresh ?? 0);

  /** @param delay milliseconds before it is asked for */
  constructor(delay = 0) {
    $effect(() => {
      const timer = setTimeout(() => (this.#asked = true), delay);
      return () => clearTimeout(timer);
    });
  }

  /** All that is there has been looked at. */
  look(): void {
    const newest = this.#mark.data?.newest;
    const before = this.#preferences.data;
    if (!newest || !before || newest === this.#seen || this.fresh === 0) return;
    this.#client.setQueryData(['preferences'], { ...before, [KEY]: newest });
    void api
      .PUT('/api/preferences/{key}', { params: { path: { key: KEY } }, body: { value: newest } })
      .catch(() => undefined);
  }
}
