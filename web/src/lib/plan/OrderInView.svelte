<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { date, longDate, quantity, said } from '$lib/format';
  import { hrefOf, orderThreadHref, pointHref } from '$lib/links';
  import { trial } from '$lib/trial.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { PointScreen } from './point-screen.svelte';

  /** What the planned order in view serves and what it needs. */
  interface Props {
    screen: PointScreen;
    detail: Schemas['PlannedOrderDetail'];
    /** The order's key. */
    order: string;
    leadTimeDays: number;
  }
  let { screen, detail, order, leadTimeDays }: Props = $props();
</script>

<div class="min-w-0">
  <h3 class="section">Serves</h3>
  <ul data-testid="serves">
    {#each detail.serves as served, i (i)}
      <li class="grid grid-cols-[minmax(0,1fr)_auto_80px_14px] gap-2 border-b border-line-2 py-1">
        <span class="truncate" class:text-ink-2={served.depth > 0} style:padding-left="{served.depth * 14}px">
          {#if served.depth > 0}→&nbsp;{/if}<a class="hover:underline" href={hrefOf(served.link)}
            >{said(served.text)}</a
          >
        </span>
        <span>{quantity(served.quantity)}</span>
        <span class="text-right" title={longDate(served.date)}>{date(served.date, screen.today)}</span>
        {#if served.link.kind === 'customer_order' && served.link.key && !trial.on}
          <button
            type="button"
            class="no-print text-ink-3 hover:text-ink"
            aria-label="Leave {said(served.text)} out for a moment"
            title="Look at the plan as if this line were not there"
            onclick={() => screen.leaveOut(served.link.key ?? '')}>⊘</button
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
    <a class="link text-sm font-normal" href={orderThreadHref(order)}>level by level <Key name="t" /></a>
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
              ? date(need.possible, screen.today)
              : 'never'
            : date(need.date, screen.today)}</span
        >
      </li>
    {:else}
      <li class="border-b border-line-2 py-1">
        {#if detail.order.partner}
          {detail.order.partner}, {leadTimeDays}
          {leadTimeDays === 1 ? 'working day' : 'working days'}
        {:else}
          nothing: it has no components
        {/if}
      </li>
    {/each}
  </ul>
</div>
