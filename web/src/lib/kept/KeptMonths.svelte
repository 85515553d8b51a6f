<script lang="ts">
  import { date } from '$lib/format';
  import { percent } from './kept';
  import type { KeptScreen, KeptSum } from './kept-screen.svelte';

  /** Month by month: how many lines were kept, and above them those that were not. */
  let { screen }: { screen: KeptScreen } = $props();
  const HEIGHT = 84;
  const months = $derived(screen.sums?.months ?? []);
  const most = $derived(Math.max(1, ...months.map((m) => m.lines)));
  const tall = (lines: number) => (lines / most) * HEIGHT;
  const told = (m: KeptSum) =>
    `${m.kept} of ${m.lines} kept, ${m.late} late, ${m.overdue} overdue, ${m.cut} closed with less`;
</script>

<div class="flex flex-wrap items-end gap-1" role="group" aria-label="Months" data-testid="months">
  {#each months as m (m.code)}
    <button
      type="button"
      class="month"
      class:here={screen.only.month === m.code}
      aria-pressed={screen.only.month === m.code}
      title={told(m)}
      onclick={() => screen.choose('month', m.code)}
    >
      <span class="stack" style="height: {HEIGHT}px">
        <span class="cut" style="height: {tall(m.cut)}px"></span>
        <span class="late" style="height: {tall(m.late + m.overdue)}px"></span>
        <span class="kept" style="height: {tall(m.kept)}px"></span>
      </span>
      <span>{date(`${m.code}-01`, screen.today).replace(/^1 /, '')}</span>
      <b>{percent(m)}</b>
    </button>
  {/each}
</div>
<p class="mt-1 text-sm text-ink-2">
  Lines by the month they were promised for: <span class="key kept"></span> kept,
  <span class="key late"></span> late or overdue, <span class="key cut"></span> closed with less
</p>

<style>
  .month {
    display: flex;
    min-width: 58px;
    flex-direction: column;
    padding: 4px 6px;
    border-radius: 2px;
    text-align: left;
    white-space: nowrap;
  }
  .month:hover,
  .month.here {
    background: var(--marigold-tint);
  }
  .stack {
    display: flex;
    width: 26px;
    flex-direction: column;
    justify-content: flex-end;
    border-bottom: 1px solid var(--ink-3);
  }
  .kept {
    background: var(--moss);
  }
  .late {
    background: repeating-linear-gradient(45deg, var(--vermilion) 0 2px, transparent 2px 4px);
  }
  .cut {
    outline: 1px solid var(--ink-3);
    outline-offset: -1px;
  }
  .key {
    display: inline-block;
    width: 10px;
    height: 10px;
  }
</style>
