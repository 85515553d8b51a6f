<script lang="ts">
  import { longDate, quantity, shortDate } from '$lib/format';
  import OpenRow from '$lib/ui/OpenRow.svelte';
  import { lateness, type Promise } from './threads';

  interface Props {
    promise: Promise;
    today: string;
    /** The widths of the columns, as the template of a grid. */
    template: string;
    here: boolean;
    onopen: () => void;
  }
  let { promise, today, template, here, onopen }: Props = $props();
</script>

<OpenRow id="promise-{promise.key}" {here} {template} {onopen}>
  <span class="what">
    <span class="name"
      ><b>{promise.number}</b>
      {promise.customer ?? ''}</span
    >
    <span class="where"
      ><span class:late={promise.late}>{lateness(promise)}</span> ·
      {quantity(promise.quantity)}
      {promise.itemName}</span
    >
  </span>
  <span class="num due" title={longDate(promise.wanted)}>{shortDate(promise.wanted, today)}</span>
  <span class="num" class:short={promise.late}>
    {#if !promise.late}<span class="none" title="can be met in time">·</span>
    {:else if promise.possible}<span title={longDate(promise.possible)}
        >{shortDate(promise.possible, today)}</span
      >
      <span class="badge" title="calendar days late">+{promise.days}</span>
    {:else}<b>never</b>{/if}
  </span>
</OpenRow>

<style>
  .late {
    color: var(--vermilion) !important;
  }
</style>
