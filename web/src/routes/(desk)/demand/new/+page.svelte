<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { EntryScreen } from '$lib/demand/entry-screen.svelte';
  import EntrySheet from '$lib/demand/EntrySheet.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  const screen = new EntryScreen();
</script>

<svelte:head><title>Order sheet · Rescient</title></svelte:head>

<Sheet title="Order sheet">
  {#snippet head()}
    <DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}

  {#if rights.decides('ENTER')}<EntrySheet {screen} />
  {:else}<p class="p-6" role="alert">{rights.refusal('ENTER')}</p>{/if}

  {#snippet actions()}
    <button
      type="button"
      class="main-action"
      disabled={!screen.ready || screen.keeping.busy}
      onclick={() => screen.keep()}
      >{screen.keeping.keeping.isPending ? 'Keeping …' : screen.quote ? 'Keep the quote' : 'Keep the order'}
      <Key name="Ctrl Enter" /></button
    >
    {#if rights.releases() && !screen.quote}
      <button
        type="button"
        class="bar-action"
        disabled={!screen.ready || screen.keeping.busy}
        onclick={() => screen.keep(true)}><Key name="Alt r" dark /> Keep it and release what it needs</button
      >
    {/if}
    <button type="button" class="bar-action" onclick={() => screen.remove()}
      ><Key name="Alt ⌫" dark /> Take the line away</button
    >
    <button type="button" class="bar-action" onclick={() => screen.clear()}>Empty the sheet</button>
    {#if screen.said}<span class="min-w-0 flex-1 truncate" role="status">{screen.said}</span>{/if}{/snippet}
</Sheet>
