import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { answer, api } from '$lib/api/client';
import { preferences } from '$lib/queries';

/** How the list looks, under a name. */
export interface View {
  name: string;
  address: string;
}

/** What a person keeps of a place between visits: the last view, and views with a name. */
export class Views {
  #client = useQueryClient();
  #kept = createQuery(preferences);
  readonly #last: string;
  readonly #named: string;

  /** @param place by its name */
  constructor(place: string) {
    this.#last = `${place}.last`;
    this.#named = `${place}.views`;
  }

  readonly named = $derived.by(() => parsed(this.#kept.data?.[this.#named]));
  /** The last view, as soon as it is known. */
  readonly last = $derived.by(() => this.#kept.data && (this.#kept.data[this.#last] ?? ''));

  async #keep(key: string, value: string): Promise<void> {
    this.#client.setQueryData(['preferences'], { ...this.#kept.data, [key]: value });
    await answer(api.PUT('/api/preferences/{key}', { params: { path: { key } }, body: { value } }));
  }

  remember(view: string): void {
    if (this.last !== undefined && this.last !== view)
      void this.#keep(this.#last, view).catch(() => undefined);
  }

  save(name: string, address: string): void {
    const others = this.named.filter((v) => v.name !== name);
    void this.#keep(this.#named, JSON.stringify([...others, { name, address }]));
  }

  forget(name: string): void {
    void this.#keep(this.#named, JSON.stringify(this.named.filter((v) => v.name !== name)));
  }
}

function parsed(text: string | undefined): View[] {
  return text ? (JSON.parse(text) as View[]) : [];
}
