<script lang="ts">
  import { page } from '$app/state';
  import { left } from '$lib/left.svelte';
  import type { DataView } from './views';

  /** The views of a place in which data is kept. */
  let {
    views,
    label,
    marks = {}
  }: { views: DataView[]; label: string; marks?: Record<string, number> } = $props();
</script>

<nav class="wraps mr-1 flex items-center gap-3" aria-label={label}>
  {#each views as view (view.href)}
    {@const here = page.url.pathname === view.href}
    <a
      href={here ? page.url.pathname + page.url.search : left.view(view.href)}
      class="whitespace-nowrap {here ? 'title text-lg' : 'text-ink-2'}"
      aria-current={here ? 'page' : undefined}
      title="{view.says} ({view.keys})"
      >{view.name}{#if marks[view.href]}<sup class="ml-0.5 font-bold text-marigold-text"
          >{marks[view.href]}</sup
        >{/if}</a
    >
  {/each}
</nav>
