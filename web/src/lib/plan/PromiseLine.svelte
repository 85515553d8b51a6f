<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { date, quantity } from '$lib/format';
  import { shortcuts } from '$lib/desk.svelte';
  import { itemHref, threadHref } from '$lib/links';
  import { promise } from '$lib/queries';
  import Key from '$lib/ui/Key.svelte';

  /** Beside a customer order line while it is typed: when it can be had, and what stands against the wanted day. */
  interface Props {
    item: string;
    site: string;
    amount: number;
    wanted: string;
    today: string;
    /** The promise becomes the wanted day. */
    ontake: (day: string) => void;
  }
  let { item, site, amount, wanted, today, ontake }: Props = $props();
  const asked = createQuery(() => promise({ item, site, quantity: amount, wanted }));
  const p = $derived(asked.isError ? undefined : asked.data);

  function take() {
    if (p?.promised && !p.asWanted) ontake(p.promised);
  }

  $effect(() =>
    shortcuts.register('promise', [{ keys: 'p', says: 'Take the day that can be promised', run: take }])
  );
</script>

{#snippet free(amount: number | null | undefined)}
  {amount === null || amount === undefined ? 'nothing' : `${quantity(amount)} ${p?.unit ?? ''}`}
{/snippet}

{#if p}
  <div class="promise" class:opacity-60={asked.isPlaceholderData} data-testid="promise" role="status">
    {#if p.asWanted && p.promised}
      <b>Can be promised for {date(p.promised, today)}</b>, all of it.
    {:else}
      <b class:text-vermilion={!p.promised}
        >{p.promised
          ? `Can be promised for ${date(p.promised, today)}`
          : 'Cannot be promised within the plan'}</b
      >;
      {p.available > 0 ? `${quantity(p.available)} ${p.unit}` : 'nothing'} could go on {date(wanted, today)}.
      {#if p.takenFrom}
        All of it then would come late to
        <a class="link" href={threadHref(p.takenFrom.number)}
          >{p.takenFrom.number}{p.takenFrom.customer ? ` of ${p.takenFrom.customer}` : ''}</a
        >, which waits for
      {:else if p.limiting}The part <b>{p.limiting}</b> comes last; it waits for{:else if p.causeItem}It waits
        for{/if}
      {#if p.causeItem}<a class="link" href={itemHref(p.causeItem ?? '')}>{p.causeItem}</a>
        {p.causeName && p.causeName !== p.causeItem ? p.causeName : ''} at {p.causeSite}.{/if}
      {#if p.promised}
        <button type="button" class="plain-action" onclick={take}
          >Take {date(p.promised, today)} <Key name="p" /></button
        >
      {/if}
    {/if}
    <span
      class="block text-sm text-ink-2"
      title="What stock and open orders leave over when all orders have taken what they need; forecasts and planned orders do not count"
      >Free now: {@render free(p.freeNow)}; from {date(wanted, today)} on: {@render free(p.freeThen)}</span
    >
  </div>
{/if}

<style>
  .promise {
    flex-basis: 100%;
    border-left: 4px solid var(--marigold);
    background: var(--slip);
    padding: 5px 10px;
  }
</style>
