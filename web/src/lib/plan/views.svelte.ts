import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { answer, api } from '$lib/api/client';
import { preferences } from '$lib/queries';

/** How the list looks, under a name. */
export interface View {
  name: string;
  address: string;
}

const LAST = 'plan.last';
const NAMED = 'plan.views';

/** What a person keeps of the Plan between visits: the last view, and views with a name. */
export class Views {
  #client = useQueryClient();
  #kept = createQuery(preferences);

  named = $derived(parsed(this.#kept.data?.[NAMED]));
  /** The last view, as soon as it is known. */
  last = $derived(this.#kept.data && (this.#kept.data[LAST] ?? ''));

  async #keep(key: string, value: string): Promise<void> {
    this.#client.setQueryData(['preferences'], { ...this.#kept.data, [key]: value });
    await answer(api.PUT('/api/preferences/{key}', { params: { path: { key } }, body: { value } }));
  }

  remember(view: string): void {
    if (this.last !== undefined && this.last !== view) void this.#keep(LAST, view).catch(() => undefined);
  }

  save(name: string, address: string): void {
    const others = this.named.filter((v) => v.name !== name);
    void this.#keep(NAMED, JSON.stringify([...others, { name, address }]));
  }

  forget(name: string): void {
    void this.#keep(NAMED, JSON.stringify(this.named.filter((v) => v.name !== name)));
  }
}

function parsed(text: string | undefined): View[] {
  return text ? (JSON.parse(text) as View[]) : [];
}
