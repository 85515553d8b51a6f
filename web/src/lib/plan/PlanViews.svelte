<script lang="ts">
  import { page } from '$app/state';
  import { PLAN_VIEWS, viewHref } from '$lib/links';
</script>

<!-- the ways of looking at the plan -->
<nav class="mr-1 flex items-center gap-3" aria-label="Views of the plan">
  {#each PLAN_VIEWS as view (view.href)}
    {@const here = page.url.pathname === view.href}
    <a
      href={here ? page.url.pathname + page.url.search : viewHref(view.href)}
      class="whitespace-nowrap {here ? 'title text-lg' : 'text-ink-2'}"
      aria-current={here ? 'page' : undefined}
      title="{view.says} ({view.keys})">{view.name}</a
    >
  {/each}
</nav>
