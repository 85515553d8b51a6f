<script lang="ts">
  import { BringScreen } from '$lib/bring/bring-screen.svelte';
  import BringSheet from '$lib/bring/BringSheet.svelte';
  import FirstSteps from '$lib/bring/FirstSteps.svelte';
  import BringStart from '$lib/bring/BringStart.svelte';
  import ItemViews from '$lib/items/ItemViews.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  const screen = new BringScreen();
</script>

<svelte:head><title>Bring in · Rescient</title></svelte:head>

<Sheet title="Bring in">
  {#snippet head()}
    <ItemViews />{/snippet}

  {#if screen.brought}<BringSheet {screen} />{:else}
    <FirstSteps />
    <BringStart {screen} />
  {/if}

  {#snippet actions()}
    <span>All of it or nothing, and one key takes it back.</span>
    <KeptLine last={screen.last} />{/snippet}
</Sheet>
