<script lang="ts">
  import Key from '$lib/ui/Key.svelte';
  import type { Posting } from './posting.svelte';

  /** In the row of actions: what was posted last, with what takes it back. */
  let { posting }: { posting: Posting } = $props();
</script>

{#if posting.busy}
  <span class="min-w-0 flex-1 truncate" role="status">Posting …</span>
{:else if posting.refused}
  <span class="min-w-0 flex-1 truncate text-marigold" role="alert" title={posting.refused}
    >{posting.refused}</span
  >
{:else if posting.last}
  <span class="min-w-0 flex-1 truncate" role="status" title={posting.last.sentence}>
    {posting.last.sentence}
    <button type="button" class="ml-2 underline" onclick={() => void posting.takeBack()}>Take back</button>
    <Key name="u" dark />
    {#if posting.last.note}<a
        class="ml-2 underline"
        href="/api/stock/papers/note?key={posting.last.key}"
        target="_blank"
        rel="noopener">Its note</a
      >{/if}
  </span>
{:else if posting.told}
  <span class="min-w-0 flex-1 truncate" role="status" title={posting.told}>{posting.told}</span>
{/if}
