<script lang="ts">
  import { count, money } from '$lib/format';
  import { percent } from './kept';
  import type { By, KeptScreen, KeptSum } from './kept-screen.svelte';

  /** All customers, or all groups: the one with the most that was not kept first. */
  let { screen, by, title, sums }: { screen: KeptScreen; by: By; title: string; sums: KeptSum[] } = $props();
  const WIDTH = 90;
  const FIRST = 8;
  let whole = $state(false);
  const shown = $derived(whole ? sums : sums.slice(0, FIRST));
</script>

<table class="grid-table mt-4 w-full max-w-[760px]" data-testid="by-{by}">
  <thead>
    <tr>
      <th class="text-left">{title}</th>
      <th class="text-right">Lines</th>
      <th class="text-right">Kept</th>
      <th class="text-left">Of a hundred</th>
      <th class="text-right" title="in the middle of those late or overdue">Days late</th>
      <th class="text-right" title="worth of what was promised and did not go by its day">Not in time</th>
    </tr>
  </thead>
  <tbody>
    {#each shown as s (s.code)}
      <tr class:here={screen.only[by] === s.code}>
        <td
          ><button
            type="button"
            class="link text-left"
            aria-pressed={screen.only[by] === s.code}
            onclick={() => screen.choose(by, s.code)}>{s.name}</button
          ></td
        >
        <td class="text-right">{s.lines}</td>
        <td class="text-right">{s.kept}</td>
        <td class="whitespace-nowrap"
          ><svg class="mr-1 inline" width={WIDTH} height="10" aria-hidden="true"
            ><rect width={WIDTH} height="9" y="0.5" fill="none" stroke="var(--line)" /><rect
              width={(WIDTH * s.kept) / Math.max(1, s.lines)}
              height="10"
              fill="var(--moss)"
            /></svg
          >
          {percent(s)}</td
        >
        <td class="text-right">{s.medianDays ?? ''}</td>
        <td class="text-right">{s.notInTime > 0 ? money(s.notInTime, screen.currency) : ''}</td>
      </tr>
    {/each}
  </tbody>
</table>
{#if sums.length > FIRST}
  <button type="button" class="link mt-1 text-sm" onclick={() => (whole = !whole)}
    >{whole ? `The first ${FIRST}` : `All ${count(sums.length, title.toLowerCase())}`}</button
  >
{/if}

<style>
  tr.here {
    background: var(--marigold-tint);
  }
</style>
