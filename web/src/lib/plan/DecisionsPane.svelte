<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { decisions as allDecisions } from '$lib/queries';
  import { clock, said } from '$lib/format';
  import type { LastDecision } from './last-decision.svelte';

  /** What was decided, and how it is taken back. */
  let { last }: { last: LastDecision } = $props();
  const decisions = createQuery(allDecisions);
</script>

<section class="px-5 pt-3 pb-6" aria-label="Decisions">
  <h2 class="text-xl">Decisions</h2>
  {#if decisions.isPending}
    <p class="mt-2 text-ink-2">Reading the decisions …</p>
  {:else if decisions.isError}
    <p class="mt-2 text-vermilion" role="alert">{decisions.error.message}</p>
  {:else if decisions.data.length === 0}
    <p class="mt-2 text-ink-2">Nothing has been decided yet.</p>
  {:else}
    <ul class="mt-2" data-testid="decisions">
      {#each decisions.data as d (d.id)}
        <li class="grid grid-cols-[46px_110px_minmax(0,1fr)_auto] gap-2 border-b border-line-2 py-1">
          <span class="text-ink-3">{clock(d.madeAt)}</span>
          <span class="truncate">{d.mine ? 'you' : d.name}</span>
          <span class:line-through={d.undoneAt} class:text-ink-3={d.undoneAt}>{said(d.sentence)}</span>
          {#if d.undoneAt}
            <span class="text-ink-3">taken back</span>
          {:else}
            <button type="button" class="link" disabled={last.busy} onclick={() => void last.takeBack(d.id)}
              >Take back</button
            >
          {/if}
        </li>
      {/each}
    </ul>
    <p class="mt-3 text-ink-2">
      A decision can be taken back until its order has been released or changed again.
    </p>
  {/if}
</section>
