<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A view that is one sheet: the views of its place above, what is done with it below. */
  interface Props {
    title: string;
    head: Snippet;
    children: Snippet;
    actions: Snippet;
  }
  let { title, head, children, actions }: Props = $props();
</script>

<div class="place grid h-full grid-rows-[42px_minmax(0,1fr)_44px]">
  <div class="wraps flex items-center gap-2 border-b border-line px-4">
    <h1 class="sr-only">{title}</h1>
    {@render head()}
  </div>
  <div class="overflow-auto">{@render children()}</div>
  <div
    role="toolbar"
    tabindex="-1"
    aria-label="Actions"
    class="place-actions wraps flex min-h-[44px] items-center gap-5 bg-bar px-4 text-bar-text"
  >
    {@render actions()}
  </div>
</div>
