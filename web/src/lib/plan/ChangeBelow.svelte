<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { planList } from '$lib/queries';
  import DecidePane from './DecidePane.svelte';
  import type { Deciding } from './command';

  /** The pane of a decision under another view of the plan. */
  interface Props {
    change: Deciding;
    today: string;
    currency: string;
    onclose: () => void;
    onkept: (decision: Schemas['Decision']) => void;
    onagain: (deciding: Deciding) => void;
  }
  let { change, today, currency, onclose, onkept, onagain }: Props = $props();
  const orders = createQuery(() => planList());
  let pane = $state<ReturnType<typeof DecidePane> | undefined>();

  export function keep() {
    pane?.keep();
  }
</script>

<div class="min-h-0 overflow-auto border-t border-ink">
  {#key change}
    <DecidePane
      bind:this={pane}
      deciding={change}
      orders={(orders.data?.orders ?? []).filter((o) => change.orders.includes(o.key))}
      choices={orders.data?.choices}
      {today}
      {currency}
      {onclose}
      onkept={(decision) => {
        onclose();
        onkept(decision);
      }}
      {onagain}
    />
  {/key}
</div>
