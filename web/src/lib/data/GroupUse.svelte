<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count } from '$lib/format';
  import { itemRows } from '$lib/queries';

  /** How far a group's values reach. */
  let { code }: { code: string } = $props();
  const items = createQuery(() => itemRows({ group: code, limit: 0 }));
  const reach = $derived(items.data);
</script>

{#if reach}
  <p class="mt-3 border-l-4 border-marigold bg-slip px-3 py-1.5" data-testid="group-use">
    <a class="link" href="/items?{new URLSearchParams({ group: code })}">{count(reach.total, 'item')}</a>
    belong to it, with {count(reach.stockPoints, 'stock point')}: what is changed here counts for all of them
    that say nothing themselves.
  </p>
{/if}
