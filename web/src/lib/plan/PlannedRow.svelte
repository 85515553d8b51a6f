<script lang="ts">
  import type { Mark } from '$lib/changes/changes';
  import { date, longDate, money, quantity, shortDate } from '$lib/format';
  import { initials, people } from '$lib/people.svelte';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import type { Column } from './columns';
  import type { PlannedOrder } from './plan.svelte';

  /** So many customer order lines are counted. */
  const MOST_ENDS = 20;

  interface Props {
    order: PlannedOrder;
    today: string;
    currency: string;
    columns: Column[];
    /** The widths of all columns, as the template of a grid. */
    template: string;
    here: boolean;
    selected: boolean;
    /** What of it is not as it was. */
    mark?: Mark;
    onopen: () => void;
    /** All rows up to this one are meant. */
    onrange: () => void;
    ontoggle: () => void;
  }
  let { order, today, currency, columns, template, here, selected, mark, onopen, onrange, ontoggle }: Props =
    $props();
  const late = $derived(order.possible ? (order.daysLate ?? 0) > 0 : true);
  const where = $derived(
    order.source === 'buy'
      ? `${order.partner ?? ''} · ${order.siteName}`
      : order.partner
        ? `${order.source === 'subcontract' ? 'at' : 'from'} ${order.partner} · ${order.siteName}`
        : order.siteName
  );
  const there = $derived(people.at(order.item, order.site));
</script>

<!-- the keys of the list act from anywhere on the page; see the page's shortcuts -->
<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
  class="plan-row"
  class:here
  class:held={order.hold}
  style:grid-template-columns={template}
  role="option"
  aria-selected={selected}
  tabindex="-1"
  id="order-{order.key}"
  onmousedown={(e) => e.shiftKey && e.preventDefault()}
  onclick={(e) => (e.shiftKey ? onrange() : onopen())}
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
  <SourceTile source={order.source} stage={order.number ? 'firmed' : 'planned'} />
  <span class="what">
    <span class="name"><b>{order.item}</b> {order.itemName}</span>
    <span class="where">
      {#each there as person (person.login)}<abbr class="person" title="{person.name} is here"
          >{initials(person.name)}</abbr
        >{/each}
      {#if mark}<span class="mark" title="since your last visit: {mark.says}">{mark.word}</span>{/if}
      {#if order.hold}
        <b title={order.hold.note ?? `held by ${order.hold.name}`}
          >held until {date(order.hold.until, today)}</b
        > ·
      {/if}
      {#if order.number}{order.number} ·
      {/if}
      {#if order.obstacle}<span class="short">{order.obstacle}</span> · {order.siteName}{:else}{where}{/if}
    </span>
  </span>
  <span class="num"><b class="amount">{quantity(order.quantity)}</b> <small>{order.unit}</small></span>
  {#each columns as column (column)}
    {#if column === 'start'}
      <span class="num" class:short={order.start < today} title={longDate(order.start)}
        >{shortDate(order.start, today)}</span
      >
    {:else if column === 'due'}
      <span class="num due" title={longDate(order.due)}>{shortDate(order.due, today)}</span>
    {:else if column === 'possible'}
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
    {:else if column === 'value'}
      <span class="num"
        >{order.value === undefined || order.value === null ? '–' : money(order.value, currency)}</span
      >
    {:else}
      <span class="num serves" title={order.end?.customer}>
        {#if order.end}{order.end.number}{#if order.ends > 1}&nbsp;<small
              title={order.ends < MOST_ENDS ? undefined : 'or more'}
              >+{order.ends - 1}{order.ends < MOST_ENDS ? '' : '…'}</small
            >{/if}{:else}<span class="none">·</span>{/if}
      </span>
    {/if}
  {/each}
</div>
