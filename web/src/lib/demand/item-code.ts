import type { QueryClient } from '@tanstack/svelte-query';
import { offered } from '$lib/queries';

/** The code of the item that somebody calls by its code or its name. */
export async function codeOf(client: QueryClient, text: string): Promise<string | undefined> {
  const found = await client
    .fetchQuery(offered({ table: 'items', words: text }))
    .catch(() => [] as { code: string; name?: string }[]);
  const same = (a: string | null | undefined) => a?.toLowerCase() === text.toLowerCase();
  return (
    found.find((r) => same(r.code)) ??
    found.find((r) => same(r.name)) ??
    (found.length === 1 ? found[0] : undefined)
  )?.code;
}
