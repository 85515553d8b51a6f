<script lang="ts">
  import PlanViews from '$lib/plan/PlanViews.svelte';
  import Key from '$lib/ui/Key.svelte';
  import { SCALES } from './periods';
  import type { PeriodsScreen } from './periods-screen.svelte';

  /** Over the table: which periods and rows are shown, and what its marks mean. */
  let { screen }: { screen: PeriodsScreen } = $props();

  let box = $state<HTMLInputElement>();

  export function focusFilter() {
    box?.focus();
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'Escape') screen.words = '';
    if (event.key === 'Escape' || event.key === 'Enter') box?.blur();
  }
</script>

<div class="wraps no-print flex items-center gap-2 border-b border-line px-4">
  <h1 class="sr-only">Periods</h1>
  <PlanViews />
  <label class="chip"
    ><span class="text-ink-3">in</span>
    <select
      aria-label="Length of the periods"
      value={screen.scale}
      onchange={(e) => screen.scaleTo(e.currentTarget.value)}
    >
      {#each SCALES as s (s)}<option value={s}>{s === 'mixed' ? 'days, weeks, months' : s}</option>{/each}
    </select>
  </label>
  <button
    type="button"
    class="chip"
    aria-pressed={!screen.goodsFirst}
    title="Finished goods before or behind what they are made of"
    onclick={() => screen.turn()}>finished goods <b>{screen.goodsFirst ? 'first' : 'last'}</b></button
  >
  <button
    type="button"
    class="chip"
    aria-pressed={screen.short}
    class:font-bold={screen.short}
    title="Only what falls below zero or its safety stock, or waits for what comes late"
    onclick={() => screen.onlyShort()}>short only</button
  >
  <label class="chip">
    <span class="sr-only">Filter by item, name or site</span>
    <input
      bind:this={box}
      bind:value={screen.words}
      class="w-[124px] bg-transparent outline-none"
      placeholder="filter"
      onkeydown={keydown}
    />
    <Key name="/" />
  </label>
  <p class="ml-auto flex items-center gap-4 text-sm text-ink-2" aria-hidden="true">
    <span class="flex items-center gap-1.5"><span class="mark zero"></span>below zero</span>
    <span class="flex items-center gap-1.5"><span class="mark low"></span>below safety stock</span>
    <span class="flex items-center gap-1.5"
      ><b class="text-[10px] text-vermilion">late</b>supplies come later</span
    >
  </p>
</div>

<style>
  .mark {
    width: 16px;
    height: 12px;
  }
  .zero {
    background: repeating-linear-gradient(45deg, var(--vermilion) 0 1px, transparent 1px 4px);
  }
  .low {
    box-shadow: inset 0 -2px 0 color-mix(in srgb, var(--vermilion) 65%, transparent);
  }
</style>
