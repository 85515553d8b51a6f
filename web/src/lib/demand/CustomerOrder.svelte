<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import History from '$lib/data/History.svelte';
  import { count, date, longDate, money, quantity, said, words } from '$lib/format';
  import { hrefOf, itemHref, needsHref, pickListHref, threadHref, turnHref } from '$lib/links';
  import { thread } from '$lib/queries';
  import { rights } from '$lib/rights.svelte';
  import { actsOf } from '$lib/stock/line-acts';
  import LineActs from '$lib/stock/LineActs.svelte';
  import PostedOn from '$lib/stock/PostedOn.svelte';
  import Key from '$lib/ui/Key.svelte';
  import { toAddress } from '$lib/address';
  import { standing, type OrderLine } from './demand';
  import type { DemandScreen } from './demand-screen.svelte';
  import OrderVersions from './OrderVersions.svelte';
  import Rail from './Rail.svelte';
  import SentMails from './SentMails.svelte';

  /** One customer order with its lines, their dates, and the orders that came of it. */
  let { screen }: { screen: DemandScreen } = $props();
  const order = $derived(screen.order.data);
  const line = $derived(screen.line);
  const today = $derived(screen.today);
  let width = $state(560);
  const below = createQuery(() => ({
    ...thread({ number: screen.number }),
    enabled: order?.state === 'open'
  }));
  /** What stands right below the order: the orders that bring its lines. */
  const brings = $derived(
    (below.data?.bars ?? []).filter((b) => b.kind === 'open' || b.kind === 'planned').slice(0, 14)
  );

  /** Open lines of which the customer was told no day yet. */
  const untold = $derived(
    (order?.lines ?? []).filter((l) => l.state === 'open' && !l.promised && !l.late).map((l) => l.key)
  );

  /** What is open ships, and what was shipped may come back. */
  const shipping = $derived(
    actsOf('customer').filter((a) =>
      a.act === 'SHIP' ? line?.state === 'open' : line !== undefined && line.ordered > line.quantity
    )
  );

  function open(l: OrderLine) {
    void toAddress({ line: l.key });
  }
</script>

{#if screen.order.isError}
  <div class="p-4" role="alert">
    <p>{screen.order.error.message}</p>
    <button class="plain-action mt-2" onclick={() => screen.order.refetch()}>Try again</button>
  </div>
{:else if order && line}
  <article class="px-5 pt-3 pb-6" aria-label="Customer order {order.number}">
    <header class="flex items-baseline gap-3">
      <h2 class="text-xl whitespace-nowrap">{order.number}</h2>
      <p class="min-w-0 flex-1 truncate">
        {order.customerName ?? 'nobody in particular'}{#if order.reference}, their {order.reference}{/if}
      </p>
      {#if order.state !== 'open'}<b class="state">{order.state}</b>{/if}
      {#if order.complete}<span class="text-sm text-ink-2">goes complete</span>{/if}
      {#if order.value}<span class="whitespace-nowrap">{money(order.value, screen.currency)}</span>{/if}
    </header>
    <div class="mt-3" bind:clientWidth={width}>
      <Rail {line} {today} {width} large />
    </div>
    <table class="grid-table w-full" data-testid="order-lines">
      <thead>
        <tr>
          <th class="text-left">Line</th>
          <th class="text-left">Item</th>
          <th class="text-right">Open</th>
          <th class="text-right">Wanted</th>
          <th class="text-right">Promised</th>
          <th class="text-right">Can go</th>
          <th class="text-left">How it stands</th>
        </tr>
      </thead>
      <tbody>
        {#each order.lines as l (l.key)}
          <tr
            class="cursor-default"
            class:here={l.key === line.key}
            class:text-ink-3={l.state === 'cancelled' || l.state === 'done'}
            onclick={() => open(l)}
          >
            <td>{l.line}</td>
            <td>
              <a class="link" href={itemHref(l.item)}>{l.item}</a>
              {l.itemName}{#if l.kit}<small class="ml-1 text-ink-3">kit</small>{/if}
            </td>
            <td class="num">{quantity(l.quantity)} <small class="text-ink-3">{l.unit}</small></td>
            <td class="num" title={longDate(l.wanted)}>{date(l.wanted, today)}</td>
            <td class="num" title={l.promised ? longDate(l.promised) : ''}
              >{l.promised ? date(l.promised, today) : '–'}</td
            >
            <td class="num" class:late={l.late}
              >{#if l.state !== 'open'}–{:else if l.never}<b>never</b>{:else if l.possible}{date(
                  l.late ? l.possible : l.due,
                  today
                )}{/if}</td
            >
            <td
              >{#if l.late && l.culprit}<span class="late">{count(l.days ?? 0, 'day')} late</span>, waits for
                <a class="link" href={itemHref(l.culprit)}>{l.culprit}</a>
                {l.culpritName !== l.culprit ? l.culpritName : ''}
                {#if l.culpritSite}at {l.culpritSite}{/if}{:else}{standing(
                  l
                )}{/if}{#if l.supply !== 'stock'}<span class="text-ink-2"
                  >, {l.supply === 'direct' ? 'straight from' : 'bought for it from'}
                  {l.supplierName ?? 'the usual supplier'}</span
                >{/if}{#if l.parts.length > 0}<span class="text-ink-2"
                  >, {l.ownParts ? 'for this order' : ''} of {#each l.parts as part, i (part.component)}{i > 0
                      ? ', '
                      : ''}{quantity(part.quantity)}
                    <a class="link" href={itemHref(part.component)}>{part.component}</a>{/each} each</span
                >{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    {#if line.state === 'open' || line.state === 'done'}
      {#key line.key}<LineActs
          bind:this={screen.acts}
          number={line.number}
          line={{ ...line, open: line.quantity }}
          acts={shipping}
          {today}
          currency={screen.currency}
        />{/key}
    {/if}
    <p class="no-print mt-3 flex flex-wrap gap-2">
      {#if order.state === 'open'}<a
          class="plain-action"
          href={pickListHref([order.number])}
          title="What is to be fetched for it, with the lots that are proposed">Pick list</a
        >{/if}
      {#if order.state === 'open'}<a class="plain-action" href={threadHref(order.number)}
          >Its thread <Key name="t" /></a
        >{/if}
      <a class="plain-action" href={turnHref(line.item, line.kit ? undefined : line.site)}
        >Who else gets {line.item}</a
      >
      {#if order.state === 'open' && rights.releases() && brings.some((b) => b.kind === 'planned')}
        <a class="plain-action" href={needsHref(order.number)}>Release what it needs <Key name="r" /></a>
      {/if}
      <a
        class="plain-action"
        href="/api/demand/confirmation?{new URLSearchParams({ number: order.number })}"
        target="_blank"
        rel="noopener">Its document</a
      >
      {#if rights.decides('AMEND')}
        {#if untold.length > 0}
          <button type="button" class="plain-action" onclick={() => screen.amend({ asPlanned: true }, untold)}
            >Promise as planned</button
          >
        {:else if order.state === 'open' || order.state === 'quote'}
          <button
            type="button"
            class="plain-action"
            disabled={screen.confirming.isPending}
            onclick={() => screen.confirm()}
            >{screen.confirming.isPending ? 'Confirming …' : 'Confirm by mail'} <Key name="m" /></button
          >
        {/if}
        {#if line.kit && (line.state === 'open' || line.state === 'quote')}
          <button
            type="button"
            class="plain-action"
            onclick={() =>
              screen.amend(
                {
                  kitParts: line.parts.map((p) => ({
                    component: p.component,
                    quantity: quantity(p.quantity)
                  }))
                },
                [line.key]
              )}>{line.ownParts ? 'Its own parts' : 'Other parts for this order'}</button
          >
        {/if}
        {#if !line.kit && (line.state === 'open' || line.state === 'quote')}
          {#if line.supply === 'stock'}
            <button
              type="button"
              class="plain-action"
              onclick={() => screen.amend({ supply: 'OWN' }, [line.key])}>Buy it for this line alone</button
            >
          {:else}
            <button
              type="button"
              class="plain-action"
              onclick={() => screen.amend({ supply: line.supply === 'own' ? 'DIRECT' : 'OWN' }, [line.key])}
              >{line.supply === 'own' ? 'Let the supplier ship it' : 'Let it come here first'}</button
            >
            <button
              type="button"
              class="plain-action"
              onclick={() => screen.amend({ supply: 'STOCK' }, [line.key])}>From stock after all</button
            >
          {/if}
        {/if}
        {#if line.state === 'quote'}
          <button
            type="button"
            class="plain-action"
            onclick={() => screen.amend({ state: 'open' }, [line.key])}>Make it firm</button
          >
        {:else if line.state === 'cancelled'}
          <button
            type="button"
            class="plain-action"
            onclick={() => screen.amend({ state: 'open' }, [line.key])}>Take it up again</button
          >
        {/if}
        {#if line.state === 'open' && line.late && line.possible}
          <button
            type="button"
            class="plain-action"
            onclick={() => screen.amend({ promised: line.possible ?? '' }, [line.key])}
            >Promise {date(line.possible, today)} instead</button
          >
        {/if}
      {/if}
    </p>
    {#if screen.unconfirmed}
      <p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">
        {said(screen.unconfirmed)}
      </p>
    {/if}
    <div class="mt-2"><SentMails about={order.number} {today} /></div>
    {#key order.number}<PostedOn number={order.number} {today} />{/key}
    {#if brings.length > 0}
      <h3 class="mt-5 text-sm text-ink-2">What came of it</h3>
      <ul data-testid="brings">
        {#each brings as bar, i (i)}
          <li class="grid grid-cols-[108px_minmax(0,1fr)_90px_64px_84px] gap-2 border-b border-line-2 py-0.5">
            <span class="truncate" style:padding-left="{Math.max(0, bar.depth - 1) * 8}px"
              >{#if bar.link}<a class="link" href={hrefOf(bar.link)}
                  >{bar.number ?? `to ${bar.source ?? 'come'}`}</a
                >{:else}{bar.number ?? `to ${bar.source ?? 'come'}`}{/if}</span
            >
            <span class="truncate">{bar.item} {bar.itemName}</span>
            <span class="text-right"
              >{quantity(bar.quantity)} <small class="text-ink-3">{bar.unit}</small></span
            >
            <span class="text-right">{bar.due ? date(bar.due, today) : ''}</span>
            <span class="text-sm text-ink-2">{words(bar.stage ?? '')}</span>
          </li>
        {/each}
      </ul>
      {#if (below.data?.bars ?? []).length > 15}
        <p class="text-sm text-ink-2">
          and more on all levels in <a class="link" href={threadHref(order.number)}>its thread</a>
        </p>
      {/if}
    {/if}
    <OrderVersions number={order.number} {today} />
    <h3 class="mt-5 text-sm text-ink-2">What became of line {line.line}</h3>
    <History table="customer_orders" row={[line.number, line.line].join(' ')} {today} />
  </article>
{:else}
  <p class="p-4 text-ink-2">Reading the order …</p>
{/if}

<style>
  .late {
    color: var(--vermilion);
    font-weight: 600;
  }
  .state {
    padding: 1px 7px;
    border: 1.5px dashed var(--ink);
    border-radius: var(--radius);
    text-transform: uppercase;
    font-size: 10.5px;
    letter-spacing: 0.04em;
  }
  tr.here {
    background: var(--marigold-tint);
  }
  td.num {
    text-align: right;
    white-space: nowrap;
  }
</style>
