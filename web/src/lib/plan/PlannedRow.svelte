<script lang="ts">
  import { longDate, quantity, shortDate } from '$lib/format';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import type { PlannedOrder } from './plan.svelte';

  interface Props {
    order: PlannedOrder;
    today: string;
    here: boolean;
    selected: boolean;
    onopen: () => void;
    ontoggle: () => void;
  }
  let { order, today, here, selected, onopen, ontoggle }: Props = $props();
  const late = $derived(order.possible ? (order.daysLate ?? 0) > 0 : true);
  const where = $derived(
    order.source === 'buy'
      ? `${order.partner ?? ''} · ${order.siteName}`
      : order.partner
        ? `${order.source === 'subcontract' ? 'at' : 'from'} ${order.partner} · ${order.siteName}`
        : order.siteName
  );
</script>

<!-- the keys of the list act from anywhere on the page; see the page's shortcuts -->
<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
  class="row"
  class:here
  role="option"
  aria-selected={selected}
  tabindex="-1"
  id="order-{order.key}"
  onclick={onopen}
>
  <span
    class="box"
    class:on={selected}
    role="presentation"
    onclick={(e) => {
      e.stopPropagation();
      ontoggle();
    }}
  ></span>
  <SourceTile source={order.source} />
  <span class="what">
    <span class="name"><b>{order.item}</b> {order.itemName}</span>
    {#if order.obstacle}
      <span class="where short">{order.obstacle} · {order.siteName}</span>
    {:else}
      <span class="where">{where}</span>
    {/if}
  </span>
  <span class="num"><b class="text-lg">{quantity(order.quantity)}</b> <small>{order.unit}</small></span>
  <span class="num" class:short={order.start < today} title={longDate(order.start)}
    >{shortDate(order.start, today)}</span
  >
  <span class="num due" title={longDate(order.due)}>{shortDate(order.due, today)}</span>
  <span class="num" class:short={late}>
    {#if !order.possible}
      <b title="a part has no supply">never</b>
    {:else if late}
      <span title={longDate(order.possible)}><b>{shortDate(order.possible, today)}</b></span>
      <span class="badge" title="calendar days late">+{order.daysLate}</span>
    {:else}
      <span class="none" title="can be there in time">·</span>
    {/if}
  </span>
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: 14px 19px minmax(0, 1fr) 76px 62px 62px 90px;
    align-items: center;
    column-gap: 8px;
    height: 100%;
    padding: 0 12px;
    border-bottom: 1px solid var(--line-2);
    cursor: default;
  }
  .row:hover {
    background: var(--slip);
  }
  .here {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
  }
  .here:hover {
    background: var(--marigold-tint);
  }
  .box {
    width: 13px;
    height: 13px;
    border: 1px solid var(--ink-3);
    border-radius: var(--radius);
    background: var(--slip);
  }
  .box.on {
    border-color: var(--ink);
    box-shadow: inset 0 0 0 2px var(--slip);
    background: var(--ink);
  }
  .what {
    min-width: 0;
    line-height: 1.25;
  }
  .name,
  .where {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .where {
    font-size: 11px;
    color: var(--ink-3);
  }
  .num {
    text-align: right;
    white-space: nowrap;
  }
  .num b.text-lg {
    font-size: 13.5px;
  }
  .due {
    font-weight: 600;
  }
  small {
    font-size: 11px;
    color: var(--ink-3);
  }
  .short {
    color: var(--vermilion);
    font-weight: 600;
  }
  .badge {
    display: inline-block;
    min-width: 20px;
    padding: 0 3px;
    border-radius: var(--radius);
    background: var(--vermilion);
    color: var(--sheet);
    font-size: 10.5px;
    font-weight: 700;
    text-align: center;
  }
  .none {
    color: var(--ink-3);
  }
</style>
