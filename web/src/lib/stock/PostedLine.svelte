<script lang="ts">
  import Key from '$lib/ui/Key.svelte';
  import type { Posting } from './posting.svelte';

  /** What was posted last, with what takes it back: in the row of actions, or on the page. */
  let { posting, dark = true }: { posting: Posting; dark?: boolean } = $props();
</script>

{#if posting.busy}
  <span class="min-w-0 flex-1 truncate" role="status">Posting …</span>
{:else if posting.refused}
  <span
    class="min-w-0 flex-1 truncate {dark ? 'text-marigold' : 'text-vermilion'}"
    role="alert"
    title={posting.refused}>{posting.refused}</span
  >
{:else if posting.last}
  <span class="min-w-0 flex-1 truncate" role="status" title={posting.last.sentence}>
    {posting.last.sentence}
    <button type="button" class="ml-2 underline" onclick={() => void posting.takeBack()}>Take back</button>
    <Key name="u" {dark} />
    {#if posting.last.note}<a
        class="ml-2 underline"
        href="/api/stock/papers/note?key={posting.last.key}"
        target="_blank"
        rel="noopener">Its note</a
      >{/if}
    {#if posting.last.labels}<a
        class="ml-2 underline"
        href="/api/stock/papers/labels?key={posting.last.key}"
        target="_blank"
        rel="noopener">Labels</a
      >{/if}
    {#if posting.last.charges && !posting.charged}<a
        class="ml-2 underline"
        href="/orders/invoices?of={encodeURIComponent(posting.last.charges)}">Its invoice</a
      >{/if}
  </span>
{:else if posting.told}
  <span class="min-w-0 flex-1 truncate" role="status" title={posting.told}>{posting.told}</span>
{/if}
