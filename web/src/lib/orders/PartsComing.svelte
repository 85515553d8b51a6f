<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { date, longDate, quantity } from '$lib/format';
  import { orderHref, plannedHref } from '$lib/links';

  /** Where a part of an order comes from: what lies there for it, what is on its way, what is missing. */
  interface Props {
    part: Schemas['PartRow'];
    today: string;
  }
  let { part, today }: Props = $props();
</script>

<p class="pb-1 text-sm text-ink-2" data-testid="part-{part.item}">
  {#if part.there > 0}<span class="bit"><b>{quantity(part.there)}</b> there</span>{/if}
  {#each part.coming as one, i (i)}
    <span class="bit"
      >{quantity(one.quantity)}
      {#if one.number}by <a class="link" href={orderHref(one.number)}>{one.number}</a>{:else if one.key}<a
          class="link planned"
          href={plannedHref(one.key)}>planned</a
        >{/if}
      <span title={longDate(one.day)}>{date(one.day, today)}</span></span
    >
  {/each}
  {#if part.missing > 0}<span class="bit text-vermilion">{quantity(part.missing)} missing</span>{/if}
</p>

<style>
  .bit:not(:last-child)::after {
    content: ' · ';
    color: var(--ink-3);
  }
  .planned {
    font-style: italic;
  }
</style>
