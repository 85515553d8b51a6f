<script lang="ts">
  import { count, date, longDate, money, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import Key from '$lib/ui/Key.svelte';
  import DaysPicture from './DaysPicture.svelte';
  import { FIGURES, came, inDays, percent, usually } from './deliveries';
  import type { DeliveriesScreen } from './deliveries-screen.svelte';

  /** How one supplier delivers; every figure opens its lines. */
  let { screen }: { screen: DeliveriesScreen } = $props();
  const view = $derived(screen.one.data);
  const sum = $derived(view?.sum);
</script>

{#snippet figure(code: string, shown: string, says: string, title: string)}
  <button
    type="button"
    class="figure"
    aria-pressed={screen.figure === code}
    {title}
    onclick={() => screen.show(code)}><b>{shown}</b> <span>{says}</span></button
  >
{/snippet}

{#if view && sum}
  <article class="px-5 pt-3 pb-6" aria-label="How {sum.name} delivers">
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl">{sum.name}</h2>
      <p class="min-w-0 flex-1 truncate text-ink-2">
        {sum.code}{#if view.email}, {view.email}{/if}{#if view.phone}, {view.phone}{/if}{#if view.leastValue},
          orders of {money(view.leastValue, screen.currency)} and more{/if}{#if view.paymentDays}, paid after {count(
            view.paymentDays,
            'day'
          )}{/if}
      </p>
      <button type="button" class="plain-action" onclick={() => screen.data()}
        >Terms and prices <Key name="v" /></button
      >
    </header>
    {#if sum.lines === 0}
      <p class="mt-3">Nothing was to come of him in that time.</p>
    {:else}
      <p class="mt-2" data-testid="delivery-sum">
        <b>{count(sum.lines, 'line')}</b> on {count(sum.orders, 'order')}, worth {money(
          sum.value,
          screen.currency
        )}: <b>{sum.percent === null || sum.percent === undefined ? '–' : `${sum.percent} %`}</b> of the lines
        came in time, and {percent(sum.quantityInTime)} of what was ordered. The middle one came
        <b>{usually(sum.days.median)}</b>, nine of ten not after {usually(sum.days.ninety)}.
      </p>
      <div class="figures" role="group" aria-label="Figures">
        {@render figure(
          'in_time',
          `${sum.inTime}`,
          'in time',
          'All of it came by the day first confirmed, or wanted'
        )}
        {@render figure('late', `${sum.late}`, 'late', 'All of it came, and not all by that day')}
        {@render figure('overdue', `${sum.overdue}`, 'overdue', 'The day is over and not all of it came')}
        {@render figure('short', `${sum.cut}`, 'with less', 'Closed with less than was ordered')}
        {@render figure('over', `${sum.over}`, 'with more', 'More came than was ordered, and stayed')}
        {@render figure(
          'returned',
          percent(sum.returned),
          'went back',
          'Of what came, each piece at its price'
        )}
        {@render figure('doubtful', percent(sum.doubtful), 'put aside', 'Of what came, into quarantine')}
        {@render figure(
          'other_price',
          sum.dearer === null || sum.dearer === undefined
            ? '–'
            : `${sum.dearer > 0 ? '+' : ''}${percent(sum.dearer)}`,
          'beside the list',
          `Agreed ${money(sum.agreed, screen.currency)}, by the price list ${money(sum.list, screen.currency)}`
        )}
        {@render figure(
          'came',
          inDays(sum.lead.median),
          'days it takes',
          `From sending to receiving, of ${count(sum.lead.count, 'receipt')}: in the mean ${inDays(sum.lead.mean)} days, deviation ${inDays(sum.lead.deviation)}, nine of ten within ${inDays(sum.lead.ninety)}`
        )}
      </div>
      <p class="mt-1 text-sm text-ink-2">
        From sending to receiving {inDays(sum.lead.median)} days in the middle, {inDays(sum.lead.mean)} in the mean,
        deviation
        {inDays(sum.lead.deviation)}, of {count(sum.lead.count, 'receipt')}.
      </p>
      <DaysPicture lines={view.lines} today={screen.today} span={screen.days} />
      <table class="grid-table mt-3 w-full" data-testid="delivered-items">
        <thead
          ><tr
            ><th class="text-left">Item</th><th class="text-right">Lines</th><th class="text-right"
              >In time</th
            ><th class="text-right">Middle</th><th class="text-right">Takes</th><th class="text-right"
              >To the list</th
            ><th class="text-right">Value</th></tr
          ></thead
        >
        <tbody>
          {#each view.items as s (s.code)}
            <tr class:here={screen.item === s.code}>
              <td class="max-w-[240px] truncate"
                ><button
                  type="button"
                  class="link"
                  aria-pressed={screen.item === s.code}
                  onclick={() => screen.choose(s.code)}>{s.code}</button
                >
                {s.name}</td
              >
              <td class="text-right">{s.lines}</td>
              <td class="text-right"
                >{s.percent === null || s.percent === undefined ? '–' : `${s.percent} %`}</td
              >
              <td class="text-right">{usually(s.days.median)}</td>
              <td class="text-right">{inDays(s.lead.median)} d</td>
              <td class="text-right">{percent(s.dearer)}</td>
              <td class="text-right">{money(s.value, screen.currency)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      <h3 class="section mt-4">
        {count(view.total, 'line')}{screen.figure ? ` ${FIGURES[screen.figure] ?? ''}` : ''}{screen.item
          ? ` of ${screen.item}`
          : ''}{view.lines.length < view.total ? `, the first ${view.lines.length}` : ''}
      </h3>
      <table class="grid-table mt-1 w-full" data-testid="delivered-lines">
        <thead
          ><tr
            ><th class="text-left">Order</th><th class="text-left">Item</th><th class="text-right">Ordered</th
            ><th class="text-right">Came</th><th class="text-right">Was to come</th><th class="text-right"
              >It came</th
            ></tr
          ></thead
        >
        <tbody>
          {#each view.lines as l (l.key)}
            <tr>
              <td
                ><a class="link" href="/orders?number={encodeURIComponent(l.number)}">{l.number}</a>
                {l.line}</td
              >
              <td class="max-w-[220px] truncate"
                ><a class="link" href={itemHref(l.item)}>{l.item}</a> {l.itemName}</td
              >
              <td class="text-right">{quantity(l.ordered)} {l.unit}</td>
              <td class="text-right"
                >{quantity(l.received)}{#if l.returned > 0}, {quantity(l.returned)} went back{/if}</td
              >
              <td class="text-right" title={l.by ? longDate(l.by) : ''}
                >{l.by ? date(l.by, screen.today) : '–'}{l.promised ? '' : ' (wanted)'}</td
              >
              <td class="text-right" class:font-bold={l.turned && l.turned !== 'in_time'}>{came(l)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </article>
{:else if screen.one.isPending}<p class="p-6 text-ink-2" role="status">Reading the record …</p>{/if}

<style>
  .figures {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 6px;
    margin-top: 10px;
  }
  .figure {
    min-width: 74px;
    padding: 3px 8px 4px;
    border-left: 2px solid var(--line);
    text-align: left;
  }
  .figure:hover,
  .figure[aria-pressed='true'] {
    border-color: var(--marigold);
    background: var(--marigold-tint);
  }
  .figure b {
    display: block;
    font-size: 17px;
    font-variant-numeric: tabular-nums;
  }
  .figure span {
    color: var(--ink-2);
    font-size: 12px;
  }
  tr.here {
    background: var(--marigold-tint);
  }
</style>
