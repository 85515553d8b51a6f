<script lang="ts">
  import Key from '$lib/ui/Key.svelte';
  import type { ForecastScreen } from './forecast-screen.svelte';
  import type { SeriesView } from './series';

  /** The methods by their error, each with its own small curve over the end of the history that it did not know. */
  let { screen, series }: { screen: ForecastScreen; series: SeriesView } = $props();
  const WIDTH = 132;
  const HEIGHT = 30;
  const end = $derived(series.history.slice(series.heldOut, series.heldOut + 24).map((w) => w.counts));
  const most = $derived(Math.max(1, ...end, ...series.methods.flatMap((m) => m.said.slice(0, end.length))));
  function line(values: number[]): string {
    const step = WIDTH / Math.max(1, end.length - 1);
    return values
      .slice(0, end.length)
      .map(
        (v, i) =>
          `${i === 0 ? 'M' : 'L'}${(i * step).toFixed(1)},${(HEIGHT - 2 - (v / most) * (HEIGHT - 4)).toFixed(1)}`
      )
      .join(' ');
  }
</script>

<table class="grid-table w-full" data-testid="methods">
  <thead>
    <tr>
      <th class="text-left">Method</th>
      <th
        class="text-right"
        title="Mean absolute error, in parts of the mean difference to a season before: below 1 it is better than repeating the last year"
        >Error</th
      >
      <th
        class="text-right"
        title="Above 0 too little was said in the mean, below 0 too much; in the same parts">Bias</th
      >
      <th class="text-left">What it would have said</th>
    </tr>
  </thead>
  <tbody>
    {#each series.methods as m, i (m.method)}
      <tr class:here={m.method === series.method}>
        <td>
          <button
            type="button"
            class="link"
            aria-pressed={m.method === series.method}
            onclick={() => screen.made(i === 0 ? undefined : m.method)}>{m.title}</button
          >
          {#if i === 0}<small class="text-ink-3">least error</small>{/if}
        </td>
        <td class="text-right">{m.mase.toFixed(2)}</td>
        <td class="text-right">{m.bias > 0 ? '+' : m.bias < 0 ? '−' : ''}{Math.abs(m.bias).toFixed(2)}</td>
        <td>
          <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
            <path d={line(end)} fill="none" stroke="var(--ink-3)" />
            <path d={line(m.said)} fill="none" stroke="var(--slate)" stroke-width="1.6" />
          </svg>
        </td>
      </tr>
    {/each}
  </tbody>
</table>
{#if series.methods.length === 0}<p class="text-ink-2">
    There is too little history to compare methods: the mean of what there is is expected.
  </p>{:else}
  <p class="mt-1 text-sm text-ink-2">
    {#if !series.by}<button
        type="button"
        class="plain-action"
        onclick={() => screen.choice.take(series.method, series.parameters, series.taken)}
        >Always by {series.methodTitle.toLowerCase()}</button
      >{/if}
    The grey line is what came. <Key name="m" /> takes the next method, <Key name="M" /> the one with the least
    error.
  </p>
{/if}

<style>
  tr.here {
    background: var(--marigold-tint);
  }
</style>
