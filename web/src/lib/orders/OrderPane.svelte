<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { tick } from 'svelte';
  import { actsOf } from '$lib/stock/line-acts';
  import LineActs from '$lib/stock/LineActs.svelte';
  import PostedOn from '$lib/stock/PostedOn.svelte';
  import { supplyOrder } from '$lib/queries';
  import { clock, count, date, documentName, longDate, money, quantity, said } from '$lib/format';
  import { demandHref, hrefOf, pointHref, stockHref } from '$lib/links';
  import { rights } from '$lib/rights.svelte';
  import SentMails from '$lib/demand/SentMails.svelte';
  import OrderInvoices from '$lib/invoices/OrderInvoices.svelte';
  import CostStatement from './CostStatement.svelte';
  import { OrderParts } from './parts.svelte';
  import PartsComing from './PartsComing.svelte';
  import HeldLine from './HeldLine.svelte';
  import PurchaseWay from './PurchaseWay.svelte';
  import SourceTile from '$lib/ui/SourceTile.svelte';

  /** As long as the supplier does not know of it, it may become another one. */
  /** What became of the parts of a done order; else they were issued. */
  const GONE: Record<string, string> = { transfer: 'sent', subcontract: 'used' };
  const UNSENT = ['held', 'awaiting_approval', 'ready'];

  interface Props {
    number: string;
    /** What comes next is begun at once; told when it was. */
    begin?: () => void;
    today: string;
    currency: string;
  }
  let { number, begin, today, currency }: Props = $props();
  const detail = createQuery(() => supplyOrder(number));
  const parts = new OrderParts(() => number);
  const acts = $state<(LineActs | undefined)[]>([]);

  let way = $state<PurchaseWay | undefined>();

  // only a form is begun by an address: nothing is sent or approved by following it
  $effect(() => {
    if (!begin || detail.data?.order.number !== number) return;
    void tick().then(() => {
      const at = (detail.data?.lines ?? []).findIndex((line) => line.stage === 'released' && !line.done);
      acts[at]?.begin();
      begin?.();
    });
  });

  /** What comes next: on its way to the supplier, or else on the first line that is still open. */
  export function next(): void {
    if (way?.next()) return;
    const at = (detail.data?.lines ?? []).findIndex((line) => line.stage === 'released' && !line.done);
    acts[at]?.begin();
  }
</script>

{#if detail.isError}
  <p class="p-5 text-ink-2" role="alert">{detail.error.message}.</p>
{:else if detail.data}
  {@const o = detail.data.order}
  <article class="px-5 pt-3 pb-6">
    <h2 class="flex items-center gap-2.5 text-xl">
      <SourceTile source={o.kind} stage={o.stage} />
      {o.number}
      <span class="text-base font-normal text-ink-2" style="font-stretch: 96%">
        {documentName(o.kind)}, {o.stage}{#if o.partner}, {o.kind === 'buy'
            ? 'to'
            : o.kind === 'transfer'
              ? 'from'
              : 'at'}
          {o.partner}{/if}, for {o.siteName}
      </span>
    </h2>
    {#if detail.data.createdBy && detail.data.createdAt}
      <p class="mt-0.5 text-ink-2">
        Released by {detail.data.createdBy}, {date(detail.data.createdAt.slice(0, 10), today)} at {clock(
          detail.data.createdAt
        )}
      </p>
    {/if}
    {#if detail.data.note}<p class="mt-1 border-l-4 border-marigold bg-slip px-3 py-1.5">
        {detail.data.note}
      </p>{/if}
    {#if (o.kind === 'buy' || o.kind === 'subcontract') && o.stage === 'released'}
      {#key number}<PurchaseWay bind:this={way} {number} lines={detail.data.lines} {today} />{/key}
      <div class="no-print mt-2"><SentMails about={number} {today} /></div>
    {/if}
    {#if o.kind === 'buy' || o.kind === 'subcontract'}<OrderInvoices {number} {today} {currency} />{/if}
    {#each detail.data.lines as line, i (line.line)}
      <section class="mt-4" aria-label="Line {line.line}">
        <h3 class="section flex gap-2">
          <span class="text-ink-3">{line.line}</span>
          <a class="hover:underline" href={pointHref(line.item, detail.data.site)}>{line.item}</a>
          <span class="font-normal">{line.itemName}</span>
          {#if line.forOrder}<span class="no-print text-sm font-normal"
              >for <a class="link" href={demandHref(line.forOrder)}>{line.forOrder}</a>
              line {line.forLine}{o.kind === 'buy' ? ' alone' : ''}</span
            >{/if}
        </h3>
        <dl class="mt-1.5 flex flex-wrap gap-x-6 gap-y-1">
          <div>
            <dt>Ordered</dt>
            <dd>{quantity(line.ordered)} <small>{line.unit}</small></dd>
          </div>
          {#if line.unitQuantity && line.purchaseUnit && line.purchaseUnit !== line.unit}
            <div>
              <dt>As</dt>
              <dd>{quantity(line.unitQuantity)} <small>{line.purchaseUnit}</small></dd>
            </div>
          {/if}
          <div>
            <dt>Still open</dt>
            <dd>{quantity(line.open)} <small>{line.unit}</small></dd>
          </div>
          {#if line.unitPrice}<div>
              <dt>Price</dt>
              <dd>{money(line.unitPrice, currency)}</dd>
            </div>{/if}
          {#if line.value}<div>
              <dt>Value</dt>
              <dd>{money(line.value, currency)}</dd>
            </div>{/if}
          {#if line.start}
            <div>
              <dt>Start</dt>
              <dd title={longDate(line.start)}>{date(line.start, today)}</dd>
            </div>
          {/if}
          <div>
            <dt>Due</dt>
            <dd class:text-vermilion={line.overdue} title={longDate(line.due)}>{date(line.due, today)}</dd>
          </div>
          {#if line.confirmed}<div>
              <dt>Confirmed for</dt>
              <dd class:text-vermilion={line.confirmed > line.due} title={longDate(line.confirmed)}>
                {date(line.confirmed, today)}
              </dd>
            </div>{/if}
        </dl>
        {#if line.stage === 'released' && !line.done && UNSENT.includes(o.way ?? '') && rights.releases( [o.kind] )}
          {#key number + line.line}<HeldLine
              {number}
              {line}
              {today}
              onkept={(decision) => way?.kept(decision)}
            />{/key}
        {/if}
        {#if line.stage === 'released'}
          {#key number + line.line}<LineActs
              bind:this={acts[i]}
              {number}
              {line}
              acts={actsOf(o.kind)}
              done={line.done}
              {today}
              {currency}
            />{/key}
        {/if}
        <div class="mt-2 grid grid-cols-[repeat(auto-fit,minmax(230px,1fr))] gap-x-6 gap-y-3">
          <!-- what goes to a supplier names no customers -->
          <div class:no-print={o.kind === 'buy'}>
            <h4 class="text-sm text-ink-3">Serves</h4>
            <ul>
              {#each line.serves as served, i (i)}
                <li class="grid grid-cols-[minmax(0,1fr)_auto_84px] gap-2 border-b border-line-2 py-1">
                  <span
                    class="truncate"
                    class:text-ink-2={served.depth > 0}
                    style:padding-left="{served.depth * 14}px"
                    >{#if served.depth > 0}→&nbsp;{/if}<a class="hover:underline" href={hrefOf(served.link)}
                      >{said(served.text)}</a
                    ></span
                  >
                  <span>{quantity(served.quantity)}</span>
                  <span class="text-right" title={longDate(served.date)}>{date(served.date, today)}</span>
                </li>
              {:else}
                <li class="py-1 text-ink-2">nothing that is known today</li>
              {/each}
            </ul>
          </div>
          {#if line.components.length > 0}
            <div>
              <h4 class="text-sm text-ink-3">
                {o.kind === 'transfer'
                  ? line.done
                    ? 'Sent'
                    : 'Still to send'
                  : o.kind === 'subcontract'
                    ? `Parts at ${o.partner}`
                    : line.done
                      ? 'Parts'
                      : 'Still to issue'}
              </h4>
              <ul>
                {#each line.components as part (part.item)}
                  {@const comes = parts.of(line.line, part.item)}
                  <li class="grid grid-cols-[minmax(0,1fr)_auto_84px] gap-x-2 border-b border-line-2 pt-1">
                    <a
                      class="truncate hover:underline"
                      href={pointHref(part.item, parts.parts.data?.site ?? detail.data.site)}
                      ><b>{part.item}</b> {part.itemName}</a
                    >
                    <span
                      >{#if line.done}{quantity(part.issued ?? 0)}{:else}
                        {#if part.issued}<small class="text-ink-3">{quantity(part.issued)} issued</small>{/if}
                        {quantity(part.quantity)}{/if}
                      <small class="text-ink-3"
                        >{part.unit}{line.done ? ` ${GONE[o.kind] ?? 'issued'}` : ''}</small
                      ></span
                    >
                    <span class="text-right" title={longDate(part.needed)}>{date(part.needed, today)}</span>
                    <div class="col-span-3">
                      {#if comes}<PartsComing part={comes} {today} />{/if}
                    </div>
                  </li>
                {/each}
              </ul>
            </div>
          {/if}
        </div>
      </section>
    {/each}
    {#if parts.transfers.length > 0}
      <p class="no-print mt-2">
        <button
          type="button"
          class="plain-action"
          disabled={parts.doing.busy}
          onclick={() => void parts.release()}
          >Release {count(parts.transfers.length, 'transfer')} that
          {parts.transfers.length === 1 ? 'brings' : 'bring'} parts</button
        >
      </p>
    {/if}
    {#if parts.told}<p class="no-print mt-2" role="status">{parts.told}</p>{/if}
    {#if parts.doing.refused}<p class="no-print mt-2 text-vermilion" role="alert">
        {parts.doing.refused}
      </p>{/if}
    {#if parts.lying.data && parts.parts.data?.site}
      <p class="no-print mt-2 text-ink-2" data-testid="lying">
        {#if parts.lying.data.total === 0}Nothing lies at {parts.parts.data.siteName}.{:else}At {parts.parts
            .data.siteName} lie
          <a class="link" href={stockHref(parts.parts.data.site)}>{count(parts.lying.data.total, 'item')}</a
          >{#if parts.lying.data.value > 0}, worth {money(parts.lying.data.value, currency)}{/if}.{/if}
      </p>
    {/if}
    {#if o.stage !== 'firmed'}{#key number}<PostedOn {number} {today} />{/key}{/if}
    {#if o.kind !== 'buy' && o.kind !== 'transfer'}<CostStatement {number} {currency} />{/if}
  </article>
{:else}
  <p class="p-5 text-ink-2">Reading the order …</p>
{/if}

<style>
  dt {
    font-size: 11px;
    color: var(--ink-3);
  }
  dd {
    font-weight: 600;
  }
  small {
    font-weight: 400;
    color: var(--ink-3);
  }
</style>
