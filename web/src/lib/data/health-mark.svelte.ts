import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { api } from '$lib/api/client';
import { dataHealth, preferences } from '$lib/queries';

const KEY = 'health-seen';

/** How many findings came since somebody last looked at the health of the data. Made while its component comes. */
export class HealthMark {
  readonly #client = useQueryClient();
  readonly #preferences = createQuery(preferences);
  readonly #health = createQuery(() => dataHealth({}));
  readonly #seen = $derived(this.#preferences.data?.[KEY] ?? '');
  readonly fresh = $derived(
    this.#preferences.data === undefined
      ? 0
      : (this.#health.data?.rows ?? []).filter((r) => r.since > this.#seen).length
  );

  /** All that is there has been looked at. */
  look(): void {
    const newest = this.#health.data?.newest;
    const before = this.#preferences.data;
    if (!newest || !before || newest <= this.#seen) return;
    this.#client.setQueryData(['preferences'], { ...before, [KEY]: newest });
    void api
      .PUT('/api/preferences/{key}', { params: { path: { key: KEY } }, body: { value: newest } })
      .catch(() => undefined);
  }
}
