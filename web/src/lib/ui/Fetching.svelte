<script lang="ts">
  /** In the row of actions: that all rows of a long list are being fetched, or why they could not be. */
  let { screen }: { screen: { fetching: boolean; failed?: string } } = $props();
</script>

{#if screen.fetching}
  <span class="min-w-0 truncate" role="status">Reading all of the list …</span>
{:else if screen.failed}
  <span class="min-w-0 truncate text-marigold" role="alert">{screen.failed}</span>
{/if}
