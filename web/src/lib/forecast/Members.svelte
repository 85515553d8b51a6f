<script lang="ts">
  import { quantity } from '$lib/format';
  import type { ForecastScreen } from './forecast-screen.svelte';
  import type { SeriesView } from './series';

  /** What several series are as one: what each gets of the forecast of all, and what they come to by themselves. */
  let { screen, series }: { screen: ForecastScreen; series: SeriesView } = $props();
  const all = $derived(series.ahead.reduce((sum, a) => sum + a.quantity, 0));
  const up = $derived(series.bottomUp.reduce((sum, a) => sum + a, 0));
  const most = $derived(Math.max(...series.members.map((m) => m.share), 0.01));
</script>

<p class="mb-2">
  As one: <b>{quantity(Math.round(all))}</b>
  {series.unit}; by themselves they come to <b>{quantity(Math.round(up))}</b>
  <span class="text-ink-2">(the dotted line)</span>.
</p>
{#if series.by !== 'CUSTOMER'}
  <p class="no-print mb-2 flex flex-wrap gap-2">
    <button type="button" class="plain-action" onclick={() => screen.keep()}>Split the one over them</button>
    <button type="button" class="plain-action" onclick={() => screen.keepBottomUp()}
      >Keep each by itself</button
    >
  </p>
{/if}
<table class="grid-table w-full" data-testid="members">
  <thead
    ><tr
      ><th class="text-left">Item and site</th><th class="text-left">Share</th><th class="text-right">Gets</th
      ></tr
    ></thead
  >
  <tbody>
    {#each series.members as m (m.key)}
      <tr>
        <td
          ><button type="button" class="link" onclick={() => screen.openOne(m.key)}>{m.item}</button>
          <small class="text-ink-3">{m.siteName}</small></td
        >
        <td
          ><span class="bar" style="width: {Math.round((m.share / most) * 90)}px"></span>
          {(m.share * 100).toFixed(1)} %</td
        >
        <td class="text-right">{quantity(m.quantity)} <small>{m.unit}</small></td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  .bar {
    display: inline-block;
    height: 8px;
    background: var(--slate);
    opacity: 0.6;
  }
</style>
