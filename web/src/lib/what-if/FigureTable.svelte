<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { FIGURES, figureText } from './what-if';

  /** The figures of a what-if beside those of the live plan. */
  let { view }: { view: Schemas['WhatIfView'] } = $props();
</script>

<table class="figures" aria-label="The what-if beside the live plan">
  <thead><tr><th></th><th>Live</th><th>What-if</th><th>Difference</th></tr></thead>
  <tbody>
    {#each FIGURES as f (f.code)}
      {@const r = view.figures.find((x) => x.code === f.code)}
      {#if r}
        <tr>
          <td>{f.name}</td>
          <td class="num">{figureText(f, r.live, view.currency)}</td>
          <td class="num">{figureText(f, r.other, view.currency)}</td>
          <td class="num" class:font-semibold={r.difference !== 0} class:bad={!f.neutral && r.difference > 0}
            >{figureText(f, r.difference, view.currency, true)}</td
          >
        </tr>
      {/if}
    {/each}
  </tbody>
</table>

<style>
  .figures td,
  .figures th {
    padding: 3px 10px 3px 0;
    text-align: left;
  }
  .figures tr {
    border-bottom: 1px solid var(--line-2);
  }
  .figures th {
    font-weight: 400;
    font-size: 11px;
    color: var(--ink-3);
  }
  .figures th:not(:first-child),
  .num {
    text-align: right !important;
    white-space: nowrap;
  }
  .bad {
    color: var(--vermilion);
  }
</style>
