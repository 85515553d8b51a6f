<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import { whereUsed } from '$lib/queries';

  /** Where an item is used: directly, or up to what is sold. */
  let { item, onreplace }: { item: string; onreplace?: () => void } = $props();
  let all = $state(false);
  const uses = createQuery(() => whereUsed(item, all));
</script>

{#if uses.data && uses.data.direct > 0}
  <p class="flex flex-wrap gap-3 py-1">
    <span class="text-ink-2">{count(uses.data.direct, 'bill')} of materials</span>
    <button type="button" class="link" onclick={() => (all = !all)}
      >{all ? 'only where it stands itself' : 'up to what is sold'}</button
    >
    {#if onreplace}<button type="button" class="link" onclick={onreplace}>Replace it everywhere …</button
      >{/if}
  </p>
  <ul data-testid="where-used">
    {#each uses.data.rows as use, i (i)}
      <li
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-2 border-b border-line-2 py-0.5"
        style:padding-left="{use.depth * 16}px"
      >
        <span class="truncate"
          ><a class="link" href={itemHref(use.parent)}>{use.parent}</a>
          {use.parentName}
          {#if all && use.last}<small class="text-ink-3">used in nothing</small>{/if}</span
        >
        <span
          >{quantity(use.quantity)}
          <small class="text-ink-3">{use.unit} {use.perOrder ? 'an order' : 'each'}</small></span
        >
      </li>
    {/each}
  </ul>
  {#if uses.data.more}<p class="py-1 text-ink-2">The first {uses.data.rows.length} are shown.</p>{/if}
{:else if uses.data}<p class="py-1.5 text-ink-2">It is used in no bill of materials.</p>{/if}
