<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { allSignals } from '$lib/queries';
  import { words, said } from '$lib/format';
  import { curveHref, orderHref, pointHref } from '$lib/links';

  type Signal = Schemas['SignalView'];
  /** What is late or short comes first. */
  const ORDER = [
    'demand_late',
    'start_overdue',
    'receipt_overdue',
    'no_source',
    'no_supplier',
    'loop',
    'unplannable',
    'below_safety',
    'reorder_point_low',
    'bring_forward',
    'release_due',
    'inside_fence',
    'push_back',
    'cancel',
    'expiring',
    'forecast_off'
  ];
  /** Signals whose number is that of an order given out. */
  const OF_ORDERS = ['receipt_overdue', 'bring_forward', 'push_back', 'cancel'];
  const signals = createQuery(allSignals);
  const groups = $derived(
    ORDER.map((kind) => ({ kind, signals: (signals.data ?? []).filter((s) => s.kind === kind) })).filter(
      (g) => g.signals.length > 0
    )
  );

  function hrefOf(signal: Signal): string {
    return OF_ORDERS.includes(signal.kind) && signal.orderNumber
      ? orderHref(signal.orderNumber)
      : pointHref(signal.item, signal.site);
  }
</script>

<section class="px-5 pt-3 pb-6" aria-label="All signals">
  <h2 class="text-xl">Signals</h2>
  {#if signals.isPending}
    <p class="mt-2 text-ink-2">Reading the signals …</p>
  {:else if signals.isError}
    <p class="mt-2 text-vermilion" role="alert">{signals.error.message}</p>
  {:else if groups.length === 0}
    <p class="mt-2 text-ink-2">Nothing wants a person: no order and no stock point says anything.</p>
  {/if}
  {#each groups as group (group.kind)}
    <h3 class="section mt-4" class:text-vermilion={group.signals[0]?.bad}>
      {words(group.kind)} <span class="font-normal text-ink-3">{group.signals.length}</span>
    </h3>
    <ul>
      {#each group.signals as signal, i (i)}
        <li class="grid grid-cols-[92px_minmax(0,1fr)] gap-3 border-b border-line-2 py-1">
          <a class="link truncate font-semibold" href={pointHref(signal.item, signal.site)}>{signal.item}</a>
          <span>
            {said(signal.sentence)}
            {#if signal.causeItem && signal.causeSite}
              <a class="link" href={pointHref(signal.causeItem, signal.causeSite)}>see {signal.causeItem}</a>
            {:else if signal.kind === 'forecast_off'}
              <a class="link" href={curveHref(signal.item, signal.site)}>see its curve</a>
            {:else if OF_ORDERS.includes(signal.kind)}
              <a class="link" href={hrefOf(signal)}>see the order</a>
            {/if}
          </span>
        </li>
      {/each}
    </ul>
  {/each}
</section>
