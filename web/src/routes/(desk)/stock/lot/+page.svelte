<script lang="ts">
  import LotPage from '$lib/stock/LotPage.svelte';
  import { LotScreen } from '$lib/stock/lot-screen.svelte';
  import PostedLine from '$lib/stock/PostedLine.svelte';
  import StockViews from '$lib/stock/StockViews.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  const screen = new LotScreen();
</script>

<svelte:head><title>{screen.name || 'Lot'} · Rescient</title></svelte:head>

<Sheet title="Lot">
  {#snippet head()}<StockViews />{/snippet}
  {#key `${screen.item}~${screen.name}`}<LotPage {screen} />{/key}
  {#snippet actions()}
    {#if screen.doing.refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert"
        >{screen.doing.refused}</span
      >{:else}<PostedLine posting={screen.posting} />{/if}
    <button type="button" class="bar-action" onclick={() => screen.begin()}
      ><Key name="n" dark /> Enter a test</button
    >
    <button type="button" class="bar-action" onclick={() => screen.saveRecall()}
      ><Key name="E" dark /> Save the recall list</button
    >
  {/snippet}
</Sheet>
