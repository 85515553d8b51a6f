<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { count, date, longDate, money, quantity, words, said } from '$lib/format';
  import { plannedHref, pointHref } from '$lib/links';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import StockLine from './StockLine.svelte';

  interface Props {
    consequence: Schemas['Consequence'];
    today: string;
    currency: string;
    /** An order is dated with the day on which it can be there. */
    ondate?: (key: string | undefined, day: string) => void;
  }
  let { consequence: c, today, currency, ondate }: Props = $props();
  const SHOWN = 8;
  let all = $state(false);
  const moved = $derived(c.orders.filter((o) => o.before || o.after));
  /** What is taken from stock instead of being ordered costs nothing in the orders. */
  const fromStock = $derived(c.orders.some((o) => o.parts.length > 0));

  function differs(a: string | number | undefined | null, b: string | number | undefined | null): boolean {
    return a !== undefined && a !== null && b !== undefined && b !== null && a !== b;
  }
</script>

{#snippet dates(planned: Schemas['PlannedOrderRow'][], sign: string)}
  {#each all ? planned : planned.slice(0, SHOWN) as o, i (i)}
    <li class="grid grid-cols-[14px_minmax(0,1fr)_90px_88px] gap-2 border-b border-line-2 py-0.5">
      <b>{sign}</b>
      <span class="truncate"
        ><a class="link" href={sign === '+' ? pointHref(o.item, o.site) : plannedHref(o.key)}>{o.item}</a>
        {o.itemName}</span
      >
      <span class="text-right">{quantity(o.quantity)} <small class="text-ink-3">{o.unit}</small></span>
      <span class="text-right" title={longDate(o.due)}>{date(o.due, today)}</span>
    </li>
  {/each}
{/snippet}

{#snippet stock(point: Schemas['PointBeforeAfter'])}
  <p class="mt-3 text-sm text-ink-2">
    {point.after.item} at {point.after.siteName}: <b class="text-ink">after</b> in ink, before in grey
  </p>
  <StockLine point={point.after} before={point.before.line} onask={() => undefined} />
{/snippet}

{#snippet change(before: string | undefined, after: string | undefined, worse = false)}
  {#if differs(before, after)}<s class="whitespace-nowrap text-ink-3">{before}</s>
    <b class="whitespace-nowrap" class:text-vermilion={worse}>{after}</b>{:else}{after ?? before ?? ''}{/if}
{/snippet}

{#each c.remarks as remark (remark)}
  <p class="mt-2 border-l-4 border-marigold bg-slip px-3 py-1.5" data-testid="remark">{said(remark)}</p>
{/each}
{#if moved.length > 0}
  <table class="grid-table mt-2" data-testid="before-after">
    <tbody>
      {#each all ? moved : moved.slice(0, SHOWN) as o, i (i)}
        <tr>
          <td class="w-[24px]"
            ><SourceTile
              source={(o.after ?? o.before)?.source ?? 'none'}
              stage={o.asked ? 'released' : o.after ? 'firmed' : 'planned'}
            /></td
          >
          <td
            ><b>{o.item}</b>
            {o.number && !o.number.startsWith('new') ? o.number : ''}
            <br /><small class="text-ink-3"
              >{@render change(o.before?.partner ?? undefined, o.after?.partner ?? undefined)}
              · {@render change(o.before?.siteName, o.after?.siteName)}</small
            >
            {#each o.parts as part (part.item)}
              <br /><small title={part.itemName}
                ><b>{part.item}</b> <s class="text-ink-3">{quantity(part.before)}</s>&nbsp;<b
                  >{quantity(part.after)}</b
                >
                <span class="text-ink-3">{part.unit}</span></small
              >
            {/each}</td
          >
          {#if o.after}
            <td class="num"
              >{@render change(
                o.before ? quantity(o.before.quantity) : undefined,
                quantity(o.after.quantity)
              )}
              <small class="text-ink-3">{o.unit}</small>
              {#each o.breaks as b (b)}<br /><small class="text-vermilion"
                  >{b === 'multiple'
                    ? 'not a whole multiple'
                    : b === 'minimum'
                      ? 'below the minimum'
                      : 'over the maximum'}</small
                >{/each}</td
            >
            <td class="num"
              ><small class="text-ink-3">start</small>
              {@render change(
                o.before ? date(o.before.start, today) : undefined,
                date(o.after.start, today),
                o.after.start < today
              )}</td
            >
            <td class="num"
              ><small class="text-ink-3">due</small>
              {@render change(
                o.before ? date(o.before.due, today) : undefined,
                date(o.after.due, today),
                Boolean(o.after.possible)
              )}</td
            >
            <td class="num"
              >{@render change(
                o.before?.value ? money(o.before.value, currency) : undefined,
                o.after.value ? money(o.after.value, currency) : undefined
              )}</td
            >
          {:else if o.before}
            <td class="num"><s class="text-ink-3">{quantity(o.before.quantity)} {o.unit}</s></td>
            <td class="num" colspan="3"><s class="text-ink-3">due {date(o.before.due, today)}</s></td>
          {/if}
        </tr>
        {#if o.after?.possible && !o.asked}
          {@const possible = o.after.possible}
          <tr data-testid="possible"
            ><td></td><td colspan="5" class="text-vermilion"
              >{o.after.waits ? 'What it needs comes later than its start: it' : 'It'} can be there on
              {date(possible, today)}, {count(o.after.daysLate, 'day')} after {date(o.after.due, today)}.
              {#if ondate && moved.length === 1}<button
                  type="button"
                  class="link"
                  onclick={() => ondate(o.key ?? undefined, possible)}>Date it {date(possible, today)}</button
                >{/if}</td
            ></tr
          >
        {/if}
        {#if o.asked}
          <tr
            ><td></td><td colspan="5" class="text-ink-2"
              >It lies with {o.before?.partner ?? 'the supplier'}: the change is kept as a request, and the
              order stays as it is until he agrees. Shown is the plan if he does.</td
            ></tr
          >
        {/if}
      {/each}
    </tbody>
  </table>
{/if}
{#if c.points[0]}{@render stock(c.points[0])}{/if}
<div class="mt-2 grid gap-3" data-testid="consequence">
  {#if c.late.length > 0}
    <div>
      <h3 class="section">Customer orders</h3>
      <ul>
        {#each c.late as late (late.number + late.line)}
          <li class="flex gap-2 border-b border-line-2 py-0.5">
            <b class={late.better ? 'text-moss' : 'text-vermilion'}
              >{late.better
                ? late.after || late.neverAfter
                  ? '▲ less late'
                  : '▲ on time'
                : late.before || late.neverBefore
                  ? '▼ later'
                  : '▼ late'}</b
            >
            <span class="min-w-0 flex-1 truncate"
              >{late.number} {late.customer ?? ''} · {late.item} for {date(late.due, today)}</span
            >
            <span
              >{late.neverBefore ? 'never' : late.before ? date(late.before, today) : 'on time'} →
              <b>{late.neverAfter ? 'never' : late.after ? date(late.after, today) : 'on time'}</b></span
            >
          </li>
        {/each}
      </ul>
    </div>
  {/if}
  {#if c.silenced.length + c.raised.length > 0}
    <div>
      <h3 class="section">Signals</h3>
      <ul>
        {#each c.silenced.slice(0, all ? undefined : SHOWN) as s, i (i)}
          <li class="border-b border-line-2 py-0.5">
            <span class="text-moss">goes</span> · <b>{s.item}</b>
            {words(s.kind)} <span class="text-ink-2">{said(s.sentence)}</span>
          </li>
        {/each}
        {#each c.raised.slice(0, all ? undefined : SHOWN) as s, i (i)}
          <li class="border-b border-line-2 py-0.5">
            <b class={s.bad ? 'text-vermilion' : ''}>comes</b> · <b>{s.item}</b>
            {words(s.kind)} <span class="text-ink-2">{said(s.sentence)}</span>
          </li>
        {/each}
      </ul>
    </div>
  {/if}
  {#if c.vanish.length + c.appear.length > 0}
    <div>
      <h3 class="section">
        Other planned orders <span class="font-normal text-ink-3"
          >{c.vanish.length} go, {c.appear.length} come</span
        >
      </h3>
      <ul>
        {@render dates(c.vanish, '−')}
        {@render dates(c.appear, '+')}
      </ul>
    </div>
  {/if}
  <p>
    {#if c.cost !== undefined && c.cost !== null}
      {#if c.cost === 0}Costs no more and no less.{:else}All orders together cost
        <b>{money(Math.abs(c.cost), currency)} {c.cost > 0 ? 'more' : 'less'}</b>.{/if}
    {:else}What it costs cannot be said: a price is missing.{/if}
    {#if c.stock !== 0}In the mean <b>{money(Math.abs(c.stock), currency)} {c.stock > 0 ? 'more' : 'less'}</b> lies
      in stock.{/if}
    {#if fromStock}<span class="text-ink-2">What is taken from stock is not counted.</span>{/if}
    {#if c.late.length === 0}<span class="text-ink-2">No customer order becomes later or earlier.</span>{/if}
  </p>
  {#if !all && (moved.length > SHOWN || c.vanish.length > SHOWN || c.appear.length > SHOWN || c.silenced.length > SHOWN || c.raised.length > SHOWN)}
    <button type="button" class="link justify-self-start" onclick={() => (all = true)}
      >Show all {count(moved.length + c.vanish.length + c.appear.length, 'order')}</button
    >
  {/if}
</div>
{#each c.points.slice(1) as point (point.after.item + point.after.site)}{@render stock(point)}{/each}
