<script lang="ts">
  import { BringScreen } from '$lib/bring/bring-screen.svelte';
  import BringSheet from '$lib/bring/BringSheet.svelte';
  import FirstSteps from '$lib/bring/FirstSteps.svelte';
  import BringStart from '$lib/bring/BringStart.svelte';
  import ItemViews from '$lib/items/ItemViews.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';

  const screen = new BringScreen();
</script>

<svelte:head><title>Bring in · Rescient</title></svelte:head>

<div class="place grid h-full grid-rows-[42px_minmax(0,1fr)_44px]">
  <div class="wraps flex items-center gap-2 border-b border-line px-4">
    <h1 class="sr-only">Bring in</h1>
    <ItemViews />
  </div>
  <div class="overflow-auto">
    {#if screen.brought}<BringSheet {screen} />{:else}
      <FirstSteps />
      <BringStart {screen} />
    {/if}
  </div>
  <div
    role="toolbar"
    tabindex="-1"
    aria-label="Actions"
    class="place-actions wraps flex min-h-[44px] items-center gap-5 bg-bar px-4 text-bar-text"
  >
    <span>All of it or nothing, and one key takes it back.</span>
    <KeptLine last={screen.last} />
  </div>
</div>
