<script lang="ts">
  import { page } from '$app/state';
  import { SHOWN } from '$lib/data/shown';
  import TablePage from '$lib/data/TablePage.svelte';
  import { PARTNER_VIEWS } from '$lib/data/views';

  const view = $derived(page.params['view'] ?? 'suppliers');
  const shown = $derived(SHOWN[view]);
  const title = $derived(PARTNER_VIEWS.find((v) => v.table === shown?.table)?.name ?? 'Partners');
</script>

{#if shown && ['suppliers', 'customers', 'sites'].includes(view)}
  {#key view}<TablePage {shown} {title} views={PARTNER_VIEWS} label="Views of the partners" />{/key}
{:else}
  <p class="p-5">There is no such view. <a class="link" href="/partners">To the suppliers</a></p>
{/if}
