import { untrack } from 'svelte';
import { page } from '$app/state';

/** How each screen was left, so that it comes back like that: its filters, its position, what is opened. */
export class Left {
  /** The part of the address behind its path, by path. */
  #searches = $state<Record<string, string>>({});
  /** The view of a place that was in sight last, by place. */
  #views = $state<Record<string, string>>({});

  /** What is not in the address, by path. */
  #states: Record<string, unknown> = {};

  /** Somebody is here now. */
  at(url: URL): void {
    this.#searches[url.pathname] = url.search;
    this.#views[placeOf(url.pathname)] = url.pathname;
  }

  /** Of a view that nobody has been to yet there is nothing. */
  search(path: string): string {
    return this.#searches[path] ?? '';
  }

  /** A view as it was left. */
  view(path: string): string {
    return path + this.search(path);
  }

  /** The view of a place that one comes back to. */
  href(place: string): string {
    const view = this.#views[place] ?? place;
    return this.view(view);
  }

  /** Keeps what of a screen is not in its address. */
  keep(path: string, state: unknown): void {
    this.#states[path] = state;
  }

  /** What was kept of a screen one comes back to; somebody who follows a link to something else begins anew. */
  kept(url: URL): unknown {
    return url.search === this.search(url.pathname) ? this.#states[url.pathname] : undefined;
  }

  forget(): void {
    this.#searches = {};
    this.#views = {};
    this.#states = {};
  }
}

/** The first part of a path. */
function placeOf(path: string): string {
  return `/${path.split('/')[1] ?? ''}`;
}

export const left = new Left();

/** What `whenLeft` kept of this screen the last time, if somebody comes back to it. */
export function cameBack<T>(): T | undefined {
  return left.kept(page.url) as T | undefined;
}

/** Keeps, when this screen is left, what of it is not in its address. */
export function whenLeft<T>(now: () => T): void {
  const path = page.url.pathname;
  $effect(() => () => left.keep(path, untrack(now)));
}
