<script lang="ts">
  import { said } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import type { LastDecision } from './last-decision.svelte';

  /** What was kept last, with what takes it back: in the row of actions, or on the page. */
  let { last, dark = true }: { last: LastDecision; dark?: boolean } = $props();
</script>

{#if last.busy}
  <span class="min-w-0 flex-1 truncate" role="status">Taking back …</span>
{:else if last.refused}
  <span
    class="min-w-0 flex-1 truncate {dark ? 'text-marigold' : 'text-vermilion'}"
    role="alert"
    title={last.refused}>{last.refused}</span
  >
{:else if last.kept}
  <span class="min-w-0 flex-1 truncate" role="status" title={said(last.kept.sentence)}>
    {said(last.kept.sentence)}
    <button type="button" class="ml-2 underline" onclick={() => void last.takeBack()}>Take back</button>
    <Key name="u" {dark} />
  </span>
{:else if last.said}
  <span class="min-w-0 flex-1 truncate" role="status" title={last.said}>{last.said}</span>
{/if}
