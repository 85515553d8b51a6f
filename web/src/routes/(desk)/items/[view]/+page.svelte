<script lang="ts">
  import { page } from '$app/state';
  import { SHOWN } from '$lib/data/shown';
  import TablePage from '$lib/data/TablePage.svelte';
  import { ITEM_VIEWS } from '$lib/data/views';

  const view = $derived(page.params['view'] ?? '');
  const shown = $derived(SHOWN[view]);
  const title = $derived(ITEM_VIEWS.find((v) => v.href === `/items/${view}`)?.name ?? 'Items');
</script>

{#if shown}
  {#key view}<TablePage {shown} {title} views={ITEM_VIEWS} label="Views of the items" />{/key}
{:else}
  <p class="p-5">There is no such view. <a class="link" href="/items">To the items</a></p>
{/if}
