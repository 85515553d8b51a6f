import type { Schemas } from '$lib/api/client';

export type Somebody = Schemas['Somebody'];

/** Who else is at the desk, and on which stock point. */
class People {
  all = $state.raw<Somebody[]>([]);
  me = $state('');

  others = $derived(this.all.filter((p) => p.login !== this.me));

  at(item: string, site: string): Somebody[] {
    return this.others.filter((p) => p.item === item && p.site === site);
  }
}

export const people = new People();

/** `TB` of Tom Baker. */
export function initials(name: string): string {
  return name
    .split(' ')
    .map((w) => w[0] ?? '')
    .join('');
}
