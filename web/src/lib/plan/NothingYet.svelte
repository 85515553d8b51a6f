<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { tableRows } from '$lib/queries';

  /** Where a company without stock points begins. */
  const points = createQuery(() => tableRows({ table: 'planning', limit: 1 }));
</script>

{#if points.data?.total === 0}
  <p class="px-4">
    There are no stock points yet. <a class="link" href="/items/bring">Begin with the company's tables</a>
  </p>
{/if}
