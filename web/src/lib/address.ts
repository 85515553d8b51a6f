import { goto } from '$app/navigation';
import { navigating, page } from '$app/state';

/** Where the address is going while a change of it is under way, so that the next one builds on it. */
let ahead: { path: string; params: URLSearchParams } | undefined;

/**
 * Puts values into the address; undefined takes one out. Opening is kept in the history, moving is not. Whoever is leaving for
 * another page is not held back by it.
 */
export async function toAddress(values: Record<string, string | undefined>, keep = false): Promise<void> {
  const path = page.url.pathname;
  if (navigating.to && navigating.to.url.pathname !== path) return;
  const params = new URLSearchParams(ahead?.path === path ? ahead.params : page.url.searchParams);
  for (const [name, value] of Object.entries(values)) {
    if (value === undefined) params.delete(name);
    else params.set(name, value);
  }
  const mine = { path, params };
  ahead = mine;
  try {
    await goto(`?${params}`, { replaceState: !keep, keepFocus: true, noScroll: true });
  } finally {
    if (ahead === mine) ahead = undefined;
  }
}

export function fromAddress(name: string): string | undefined {
  return page.url.searchParams.get(name) ?? undefined;
}
