<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count } from '$lib/format';
  import { itemWindows } from '$lib/queries';
  import { createInfiniteQuery } from '@tanstack/svelte-query';
  import { tableRows } from '$lib/queries';

  /** How far a group's values reach. */
  let { code }: { code: string } = $props();
  const items = createInfiniteQuery(() => itemWindows({ group: code }));
  const all = createQuery(() => tableRows({ table: 'items', column: 'group', value: [code], limit: 1 }));
  const points = $derived(
    items.data?.pages.flatMap((p) => p.rows).reduce((sum, i) => sum + i.stockPoints, 0) ?? 0
  );
</script>

{#if all.data}
  <p class="mt-3 border-l-4 border-marigold bg-slip px-3 py-1.5" data-testid="group-use">
    <a class="link" href="/items?{new URLSearchParams({ group: code })}">{count(all.data.total, 'item')}</a>
    belong to it, with {count(points, 'stock point')}: what is changed here counts for all of them that say
    nothing themselves.
  </p>
{/if}
