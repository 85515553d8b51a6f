import { goto } from '$app/navigation';
import { page } from '$app/state';

/** Puts values into the address; undefined takes one out. Opening is kept in the history, moving is not. */
export function toAddress(values: Record<string, string | undefined>, keep = false): Promise<void> {
  const params = new URLSearchParams(page.url.searchParams);
  for (const [name, value] of Object.entries(values)) {
    if (value === undefined) params.delete(name);
    else params.set(name, value);
  }
  return goto(`?${params}`, { replaceState: !keep, keepFocus: true, noScroll: true });
}

export function fromAddress(name: string): string | undefined {
  return page.url.searchParams.get(name) ?? undefined;
}
