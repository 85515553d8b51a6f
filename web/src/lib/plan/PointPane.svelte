<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { toAddress } from '$lib/address';
  import { answer, api, type Schemas } from '$lib/api/client';
  import { date, longDate, money, quantity, words, said } from '$lib/format';
  import { hrefOf, itemHref, orderThreadHref, plannedHref, pointHref } from '$lib/links';
  import { people } from '$lib/people.svelte';
  import { rights } from '$lib/rights.svelte';
  import { trial } from '$lib/trial.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Slip from '$lib/ui/Slip.svelte';
  import Offers from './Offers.svelte';
  import { repairsOf } from './repairs';
  import StockLine from './StockLine.svelte';
  import type { Asked } from './place';
  import type { Deciding } from './command';

  interface Props {
    item: string;
    site: string;
    /** The planned order in view, if it is one. */
    order?: string;
    /** The line of the firmed order in view, if it is one. */
    line?: string;
    currency: string;
    /** Which Why is shown. */
    why: Asked;
    onwhy: (why: Asked) => void;
    ondecide: (deciding: Deciding) => void;
  }
  let { item, site, order, line, currency, why, onwhy, ondecide }: Props = $props();

  function take(offer: Schemas['Offer'], always: boolean) {
    if (order === undefined) return;
    if (offer.item) {
      ondecide({ kind: 'SUBSTITUTE', orders: [order], item: offer.item });
      return;
    }
    ondecide(
      always
        ? {
            kind: 'PLANNING',
            orders: [],
            item,
            site,
            fields: ['supplier'],
            form: { fields: { source: offer.source, supplier: offer.supplier ?? '' } }
          }
        : {
            kind: 'CHANGE',
            orders: [order],
            form: {
              quantity: String(offer.quantity),
              source: offer.source,
              supplier: offer.supplier ?? undefined
            }
          }
    );
  }

  /** Looks at the plan as if a customer order line were not there. */
  function leaveOut(key: string) {
    void toAddress({ without: [...trial.without, key].join(' ') });
  }

  const point = createQuery(() => ({
    queryKey: ['plan', 'point', item, site],
    queryFn: () => answer(api.GET('/api/plan/stock-point', { params: { query: { item, site } } })),
    placeholderData: (before) => before
  }));
  const inView = createQuery(() => ({
    queryKey: ['plan', 'order', order],
    queryFn: () => answer(api.GET('/api/plan/order', { params: { query: { key: order ?? '' } } })),
    enabled: order !== undefined,
    placeholderData: (before) => (order === undefined ? undefined : before)
  }));
  const detail = $derived(inView.data?.detail);
  let asked = $state<string | undefined>();
  const balance = createQuery(() => ({
    queryKey: ['plan', 'balance', item, site, asked],
    queryFn: () =>
      answer(api.GET('/api/plan/balance', { params: { query: { item, site, date: asked ?? '' } } })),
    enabled: asked !== undefined
  }));
  /** The signal whose slip is asked for. */
  let doubted = $state.raw<Schemas['SignalView'] | undefined>();
  const signalSlip = createQuery(() => ({
    queryKey: ['plan', 'signal', doubted],
    queryFn: () =>
      answer(
        api.GET('/api/plan/signal', {
          params: {
            query: {
              kind: doubted?.kind ?? '',
              item: doubted?.item ?? '',
              site: doubted?.site ?? '',
              number: doubted?.orderNumber ?? undefined,
              date: doubted?.date ?? undefined
            }
          }
        })
      ),
    enabled: doubted !== undefined
  }));
  /** Also of a firmed order, which has no slip of its quantity: somebody wanted it. */
  const possible = createQuery(() => ({
    queryKey: ['plan', 'possible', order ?? line],
    queryFn: () => answer(api.GET('/api/plan/possible', { params: { query: { key: order ?? line ?? '' } } })),
    enabled: (order !== undefined && why === 'possible') || line !== undefined,
    placeholderData: (before) => before,
    retry: false
  }));
  $effect(() => {
    // another order or point: the question about a day or a signal is over
    void [item, site, order];
    asked = undefined;
    doubted = undefined;
  });
  const today = $derived(point.data?.today ?? '');
  const slip = $derived(
    doubted !== undefined
      ? signalSlip.data
      : asked !== undefined
        ? balance.data
        : why === 'dates'
          ? detail?.dates
          : why === 'possible'
            ? possible.data?.slip
            : detail?.quantity
  );
  const rule = $derived(
    point.data
      ? words(point.data.rule) +
          (point.data.reorderPoint !== undefined && point.data.reorderPoint !== null && point.data.orderUpTo
            ? ` ${quantity(point.data.reorderPoint)} / ${quantity(point.data.orderUpTo)}`
            : '')
      : ''
  );
</script>

{#if point.isError}
  <p class="p-5 text-ink-2" role="alert">{point.error.message}</p>
{:else if point.data}
  {@const p = point.data}
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
      <span>Rule <b class="text-ink">{rule}</b></span>
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
          onask={(day) => {
            doubted = undefined;
            asked = day;
          }}
          onmove={(key, due) => ondecide({ kind: 'CHANGE', orders: [key], form: { due } })}
        />
      </div>
    {/if}
    {#if p.signals.length > 0}
      <ul class="mt-1 mb-2" aria-label="Signals">
        {#each p.signals as signal, i (i)}
          <li class="flex gap-2 py-0.5">
            <b class="w-[104px] flex-none {signal.bad ? 'text-vermilion' : 'text-ink'}"
              ><button
                type="button"
                class="link"
                title="Why this signal"
                onclick={() => (doubted = doubted === signal ? undefined : signal)}
                >{words(signal.kind)}</button
              ></b
            >
            <span
              >{said(signal.sentence)}
              {#each repairsOf( signal, (d) => date(d, today) ).filter( (r) => rights.decides(r.deciding.kind) ) as repair (repair.says)}
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
        {#if order !== undefined && asked === undefined && doubted === undefined}
          <div class="mb-1.5 flex gap-3 text-sm" role="group" aria-label="Which Why">
            <button
              type="button"
              class={why === 'quantity' ? 'border-b-2 border-marigold font-bold' : 'text-ink-2'}
              aria-pressed={why === 'quantity'}
              onclick={() => onwhy('quantity')}>Quantity</button
            >
            <button
              type="button"
              class={why === 'dates' ? 'border-b-2 border-marigold font-bold' : 'text-ink-2'}
              aria-pressed={why === 'dates'}
              onclick={() => onwhy('dates')}>Dates</button
            >
            <button
              type="button"
              class={why === 'possible' ? 'border-b-2 border-marigold font-bold' : 'text-ink-2'}
              aria-pressed={why === 'possible'}
              onclick={() => onwhy('possible')}>Possible</button
            >
          </div>
        {:else if asked !== undefined || doubted !== undefined}
          <button
            type="button"
            class="mb-1.5 text-sm text-ink-2 underline"
            onclick={() => (asked = doubted = undefined)}
            >{order === undefined ? 'Close' : 'Back to the order'}</button
          >
        {/if}
        {#if line !== undefined && asked === undefined && doubted === undefined && possible.data?.slip}
          <Slip slip={possible.data.slip} {today} />
        {:else if slip}
          <Slip {slip} {today} />
        {:else if order === undefined}
          <p class="text-ink-2">Click on a day of the line to ask why the balance is what it is.</p>
        {/if}
        {#if order !== undefined && detail && rights.decides( 'CHANGE', [detail.order.source] ) && ((detail.order.daysLate ?? 1) > 0 || detail.order.obstacle)}
          <Offers {order} {today} {currency} ontake={take} />
        {/if}
      </div>
      {#if detail && order !== undefined}
        <div class="min-w-0">
          <h3 class="section">Serves</h3>
          <ul data-testid="serves">
            {#each detail.serves as served, i (i)}
              <li class="grid grid-cols-[minmax(0,1fr)_auto_80px_14px] gap-2 border-b border-line-2 py-1">
                <span
                  class="truncate"
                  class:text-ink-2={served.depth > 0}
                  style:padding-left="{served.depth * 14}px"
                >
                  {#if served.depth > 0}→&nbsp;{/if}<a class="hover:underline" href={hrefOf(served.link)}
                    >{said(served.text)}</a
                  >
                </span>
                <span>{quantity(served.quantity)}</span>
                <span class="text-right" title={longDate(served.date)}>{date(served.date, today)}</span>
                {#if served.link.kind === 'customer_order' && served.link.key && !trial.on}
                  <button
                    type="button"
                    class="no-print text-ink-3 hover:text-ink"
                    aria-label="Leave {said(served.text)} out for a moment"
                    title="Look at the plan as if this line were not there"
                    onclick={() => leaveOut(served.link.key ?? '')}>⊘</button
                  >
                {/if}
              </li>
            {/each}
            {#if detail.free}
              <li class="grid grid-cols-[minmax(0,1fr)_auto_84px] gap-2 border-b border-line-2 py-1">
                <span>stays free: safety stock, level or lot size</span><span>{quantity(detail.free)}</span>
              </li>
            {/if}
          </ul>
          <h3 class="section mt-3 flex justify-between">
            Needs
            {#if order}<a class="link text-sm font-normal" href={orderThreadHref(order)}
                >level by level <Key name="t" /></a
              >{/if}
          </h3>
          <ul data-testid="needs">
            {#each detail.needs as need, i (i)}
              <li class="grid grid-cols-[minmax(0,1fr)_auto_84px] gap-2 border-b border-line-2 py-1">
                <a class="truncate hover:underline" href={pointHref(need.item, need.site)}
                  ><b>{need.item}</b> {need.itemName}</a
                >
                <span>{quantity(need.quantity)} <small class="text-ink-3">{need.unit}</small></span>
                <span
                  class="text-right"
                  class:text-vermilion={need.late}
                  title={need.late ? `wanted ${longDate(need.date)}` : longDate(need.date)}
                  >{need.late
                    ? need.possible
                      ? date(need.possible, today)
                      : 'never'
                    : date(need.date, today)}</span
                >
              </li>
            {:else}
              <li class="border-b border-line-2 py-1">
                {#if detail.order.partner}
                  {detail.order.partner}, {p.leadTimeDays}
                  {p.leadTimeDays === 1 ? 'working day' : 'working days'}
                {:else}
                  nothing: it has no components
                {/if}
              </li>
            {/each}
          </ul>
        </div>
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
                <span class="text-right" title={longDate(planned.due)}>{date(planned.due, today)}</span>
              </li>
            {/each}
          </ul>
        </div>
      {/if}
    </div>
    {#if (inView.isError || inView.data?.gone) && order !== undefined}
      <p class="mt-3 text-ink-2" role="alert">
        {inView.data?.gone ? said(inView.data.gone) : inView.error?.message}
      </p>
    {/if}
  </article>
{:else}
  <p class="p-5 text-ink-2">Reading the stock point …</p>
{/if}
