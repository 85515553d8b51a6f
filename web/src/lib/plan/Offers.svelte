<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { offersFor } from '$lib/queries';
  import { count, date, longDate, money, quantity } from '$lib/format';

  interface Props {
    order: string;
    today: string;
    currency: string;
    /** For this order only, or as the first choice from now on. */
    ontake: (offer: Schemas['Offer'], always: boolean) => void;
  }
  let { order, today, currency, ontake }: Props = $props();
  const offers = createQuery(() => offersFor(order));
</script>

{#if offers.data && offers.data.length > 0}
  <h3 class="section mt-3">Other ways to get it</h3>
  <ul data-testid="offers">
    {#each offers.data as offer (offer.source + (offer.item ?? offer.supplier ?? ''))}
      <li class="grid grid-cols-[minmax(0,1fr)_auto_auto] items-baseline gap-x-3 border-b border-line-2 py-1">
        <span
          class="truncate"
          title={offer.item
            ? `${offer.item} ${offer.itemName} instead, in ${count(offer.orders, 'production order')}; the others come in time`
            : undefined}
          ><b>{offer.item ?? offer.supplierName ?? 'Make it here'}</b>
          {quantity(offer.quantity)} <small class="text-ink-3">{offer.unit}</small></span
        >
        <span class={offer.late ? 'text-vermilion' : 'text-moss'} title={longDate(offer.possible)}
          >{offer.late ? '' : 'on time, '}{date(offer.possible, today)}</span
        >
        <span
          >{offer.dearer === undefined || offer.dearer === null
            ? 'no price'
            : `${offer.dearer < 0 ? '−' : '+'} ${money(Math.abs(offer.dearer), currency)}`}</span
        >
        <span class="col-span-3 text-sm">
          {#if offer.item}
            <button type="button" class="link" onclick={() => ontake(offer, false)}
              >Use it in {count(offer.orders, 'order')} that {offer.orders === 1 ? 'waits' : 'wait'}</button
            >
            <span class="text-ink-3">{offer.itemName}</span>
          {:else}
            <button type="button" class="link" onclick={() => ontake(offer, false)}>For this order</button> ·
            <button type="button" class="link" onclick={() => ontake(offer, true)}>As first choice</button>
            {#if offer.inTime !== null && offer.inTime !== undefined && offer.supplier}
              · <a
                class="link"
                href="/partners/deliveries?supplier={encodeURIComponent(offer.supplier)}"
                title="so many of a hundred lines came in time in the last year">{offer.inTime} % in time</a
              >
            {/if}
          {/if}
        </span>
      </li>
    {/each}
  </ul>
{/if}
