<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { clock, date, longDate, said } from '$lib/format';
  import { orderPostings } from '$lib/queries';
  import { rights } from '$lib/rights.svelte';
  import { Posting } from './posting.svelte';

  /** All that was posted on an order, the latest first; each can be taken back where it stands. */
  let { number, today }: { number: string; today: string } = $props();
  const posted = createQuery(() => orderPostings(number));
  const posting = new Posting(() => undefined);
  const may = $derived(rights.posts('REVERSE'));
</script>

{#if posted.data && posted.data.length > 0}
  <section class="mt-4" aria-label="Posted on {number}" data-testid="posted-on">
    <h3 class="section">Posted</h3>
    <ul>
      {#each posted.data as one (one.key)}
        <li
          class="grid grid-cols-[70px_minmax(0,1fr)_auto_auto] items-baseline gap-3 border-b border-line-2 py-1"
          class:text-ink-3={one.takenBack || one.reverses}
        >
          <span title="{longDate(one.date)}, entered {clock(one.at)}">{date(one.date, today)}</span>
          <span class="truncate" class:line-through={one.takenBack} title={said(one.sentence)}
            >{said(one.sentence)}</span
          >
          <span class="text-ink-3">{one.person}</span>
          <span class="no-print min-w-[86px] text-right">
            {#if one.noted && !one.takenBack && !one.reverses}<a
                class="link mr-2"
                href="/api/stock/papers/note?key={one.key}"
                target="_blank"
                rel="noopener">note</a
              >{/if}{#if one.takenBack}taken back{:else if !one.reverses && may}<button
                type="button"
                class="link"
                aria-label="Take back: {said(one.sentence)}"
                disabled={posting.busy}
                onclick={() => void posting.takeBack(one.key)}>take back</button
              >{/if}
          </span>
        </li>
      {/each}
    </ul>
    {#if posting.refused}<p class="mt-1 text-vermilion" role="alert">{posting.refused}</p>{/if}
  </section>
{/if}
