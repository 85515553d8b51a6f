<script lang="ts">
  import { date, longDate, money, quantity, words, said } from '$lib/format';
  import { itemHref, plannedHref, pointHref } from '$lib/links';
  import { people } from '$lib/people.svelte';
  import { rights } from '$lib/rights.svelte';
  import Slip from '$lib/ui/Slip.svelte';
  import type { Schemas } from '$lib/api/client';
  import type { Deciding } from './command';
  import Offers from './Offers.svelte';
  import OrderInView from './OrderInView.svelte';
  import { ASKED, type Asked, type PointInView } from './place';
  import { PointScreen } from './point-screen.svelte';
  import { repairsOf } from './repairs';
  import StockLine from './StockLine.svelte';

  interface Props extends PointInView {
    currency: string;
    /** Which Why is shown. */
    why: Asked;
    onwhy: (why: Asked) => void;
    ondecide: (deciding: Deciding) => void;
  }
  let { item, site, order, line, currency, why, onwhy, ondecide }: Props = $props();
  const screen = new PointScreen(
    () => ({ item, site, order, line }),
    () => why
  );
  const detail = $derived(screen.detail);

  function take(offer: Schemas['Offer'], always: boolean) {
    const deciding = screen.taking(offer, always);
    if (deciding) ondecide(deciding);
  }
</script>

{#if screen.point.isError}
  <p class="p-5 text-ink-2" role="alert">{screen.point.error.message}</p>
{:else if screen.point.data}
  {@const p = screen.point.data}
  <article class="px-5 pt-3 pb-6">
    <h2 class="flex items-baseline gap-2.5">
      <a class="text-xl hover:underline" href={itemHref(p.item)}>{p.item}</a>
      <span class="text-base font-normal text-ink-2" style="font-stretch: 96%"
        >{p.itemName}, {p.siteName}</span
      >
    </h2>
    <p class="mt-0.5 flex flex-wrap gap-x-5 text-ink-2">
      <span>On hand <b class="text-ink">{quantity(p.onHand)}</b></span>
      <span>On order <b class="text-ink">{quantity(p.onOrder)}</b></span>
      <span>Rule <b class="text-ink">{screen.rule}</b></span>
      <span
        >Lead time <b class="text-ink">{p.leadTimeDays} {p.leadTimeDays === 1 ? 'day' : 'days'}</b
        >{#if p.routed}&nbsp;by its operations{/if}</span
      >
      {#if p.partner}
        <span
          >{p.partner}
          {#if p.price}<b class="text-ink">{money(p.price, currency)}</b>{#if p.priceUnit !== p.unit}&nbsp;a {p.priceUnit}{/if}{/if}</span
        >
      {/if}
    </p>
    {#each people.at(item, site) as person (person.login)}
      <p class="mt-1"><b class="text-slate">{person.name}</b> is looking at this, too.</p>
    {/each}
    {#if p.planned}
      <div class="mt-2">
        <StockLine
          point={p}
          selected={order}
          onask={(day) => screen.ask(day)}
          onmove={(key, due) => ondecide({ kind: 'CHANGE', orders: [key], form: { due } })}
        />
      </div>
    {/if}
    {#if p.signals.length > 0}
      <ul class="mt-1 mb-2" aria-label="Signals">
        {#each p.signals as signal, i (i)}
          <li class="flex gap-2 py-0.5">
            <b class="w-[104px] flex-none {signal.bad ? 'text-vermilion' : 'text-ink'}"
              ><button type="button" class="link" title="Why this signal" onclick={() => screen.doubt(signal)}
                >{words(signal.kind)}</button
              ></b
            >
            <span
              >{said(signal.sentence)}
              {#each repairsOf( signal, (d) => date(d, screen.today) ).filter( (r) => rights.decides(r.deciding.kind) ) as repair (repair.says)}
                <button
                  type="button"
                  class="link ml-2 font-semibold"
                  onclick={() => ondecide(repair.deciding)}>{repair.says}</button
                >
              {/each}</span
            >
            {#if signal.causeItem && signal.causeSite}
              <a class="link" href={pointHref(signal.causeItem, signal.causeSite)}>{signal.causeItem}</a>
            {/if}
          </li>
        {/each}
      </ul>
    {/if}
    <div class="mt-2 grid grid-cols-[minmax(0,310px)_minmax(0,1fr)] items-start gap-5">
      <div>
        {#if order !== undefined && !screen.aside}
          <div class="mb-1.5 flex gap-3 text-sm" role="group" aria-label="Which Why">
            {#each ASKED as asked (asked)}
              <button
                type="button"
                class={why === asked ? 'border-b-2 border-marigold font-bold' : 'text-ink-2'}
                aria-pressed={why === asked}
                onclick={() => onwhy(asked)}
                ><span class="inline-block first-letter:uppercase">{asked}</span></button
              >
            {/each}
          </div>
        {:else if screen.aside}
          <button type="button" class="mb-1.5 text-sm text-ink-2 underline" onclick={() => screen.back()}
            >{order === undefined ? 'Close' : 'Back to the order'}</button
          >
        {/if}
        {#if screen.slip}
          <Slip slip={screen.slip} today={screen.today} />
        {:else if order === undefined}
          <p class="text-ink-2">Click on a day of the line to ask why the balance is what it is.</p>
        {/if}
        {#if order !== undefined && detail && rights.decides( 'CHANGE', [detail.order.source] ) && ((detail.order.daysLate ?? 1) > 0 || detail.order.obstacle)}
          <Offers {order} today={screen.today} {currency} ontake={take} />
        {/if}
      </div>
      {#if detail && order !== undefined}
        <OrderInView {screen} {detail} {order} leadTimeDays={p.leadTimeDays} />
      {:else if order === undefined && p.plannedOrders.length > 0}
        <div class="min-w-0">
          <h3 class="section">Planned orders</h3>
          <ul>
            {#each p.plannedOrders as planned (planned.key)}
              <li class="grid grid-cols-[auto_minmax(0,1fr)_84px] gap-2 border-b border-line-2 py-1">
                <a class="link whitespace-nowrap" href={plannedHref(planned.key)}
                  >{quantity(planned.quantity)} {planned.unit}</a
                >
                <span class="truncate text-ink-2" title={planned.partner}>{planned.partner ?? ''}</span>
                <span class="text-right" title={longDate(planned.due)}>{date(planned.due, screen.today)}</span
                >
              </li>
            {/each}
          </ul>
        </div>
      {/if}
    </div>
    {#if (screen.gone || screen.failure) && order !== undefined}
      <p class="mt-3 text-ink-2" role="alert">{screen.gone ? said(screen.gone) : screen.failure}</p>
    {/if}
  </article>
{:else}
  <p class="p-5 text-ink-2">Reading the stock point …</p>
{/if}
