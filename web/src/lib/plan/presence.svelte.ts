import { api } from '$lib/api/client';
import { people } from '$lib/people.svelte';

const EVERY = 20_000;

/** Tells the others where somebody works, again and again while this screen is there, and asks where they are. */
export function workingAt(where: () => { item: string; site: string } | undefined): void {
  $effect(() => {
    const at = where();
    const body = at ? { item: at.item, site: at.site } : {};
    const tell = () => void api.PUT('/api/plan/people', { body }).catch(() => undefined);
    tell();
    const timer = setInterval(tell, EVERY);
    return () => clearInterval(timer);
  });
  $effect(() => {
    void api
      .GET('/api/plan/people')
      .then(({ data }) => data && (people.all = data))
      .catch(() => undefined);
  });
}
