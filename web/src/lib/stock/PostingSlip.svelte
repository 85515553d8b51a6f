<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { money, quantity, said } from '$lib/format';
  import RefusedLines from './RefusedLines.svelte';

  /** What a posting would do, as the slip that it prints: what moves, what is left, and why it cannot be. */
  interface Props {
    posting: {
      refused?: string | undefined;
      preview?: Schemas['PostingView'] | undefined;
      /** Looks once more: something may be otherwise now. */
      again?: (() => void) | undefined;
    };
    currency: string;
  }
  let { posting, currency }: Props = $props();
  const view = $derived(posting.preview);
</script>

{#if posting.refused}<p class="border-l-4 border-vermilion bg-slip px-3 py-1.5" role="alert">
    {posting.refused}
  </p>{:else if view}
  {#if view.refused.length > 0}
    <RefusedLines lines={view.refused} again={posting.again} />
  {:else if view.movements.length === 0}
    <p class="text-ink-2" data-testid="moves">Nothing differs: there is nothing to post.</p>
  {:else}
    <dl class="slip" data-testid="moves">
      {#each view.movements as movement, i (i)}
        <dt>
          {movement.item}{movement.lot ? ` ${movement.lot}` : ''}{movement.serial
            ? ` ${movement.serial}`
            : ''}{movement.quarantined ? ', quarantined' : ''}
        </dt>
        <dd>{quantity(movement.quantity, true)} {movement.unit}</dd>
        <dd>{movement.value === 0 ? '' : money(movement.value, currency)}</dd>
      {/each}
      {#each view.left as left (left.item + left.site)}
        <dt class="sum">{view.left.length > 1 ? `${left.item} then` : 'then there'}</dt>
        <dd class="sum"><b>{quantity(left.onHand)} {left.unit}</b></dd>
        <dd class="sum">{money(left.value, currency)}</dd>
      {/each}
      {#each view.orders as order (order.number + order.line)}
        <dt>{order.number} line {order.line}</dt>
        <dd class="wide">{order.done ? 'done' : `${quantity(order.open)} ${order.unit} to come`}</dd>
      {/each}
    </dl>
    {#if view.asks}<p class="mt-2 border-l-4 border-marigold px-3" data-testid="asks">
        A difference of {money(view.differs, currency)} is approved by the {view.asks} before it is posted.
      </p>{/if}
    {#each view.remarks as remark (remark)}<p class="mt-2 border-l-4 border-marigold px-3">
        {said(remark)}.
      </p>{/each}
  {/if}
{/if}

<style>
  .slip {
    display: grid;
    align-content: start;
    align-self: start;
    max-width: 400px;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: 2px 14px;
    border: 1px solid var(--line);
    border-bottom-style: dashed;
    background: var(--slip);
    padding: 8px 12px;
    font-family: 'IBM Plex Mono', monospace;
    font-size: 12px;
  }
  dt {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  dd {
    text-align: right;
  }
  .sum {
    border-top: 1px solid var(--line-2);
  }
  .wide {
    grid-column: span 2;
  }
</style>
