<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { date, money } from '$lib/format';
  import { invoicesOfOrder } from '$lib/queries';
  import { stateName } from './states';

  /** What an order is charged for, and whether more may be. */
  interface Props {
    number: string;
    today: string;
    currency: string;
  }
  let { number, today, currency }: Props = $props();
  const all = createQuery(() => invoicesOfOrder(number));
</script>

{#if all.data && (all.data.rows.length > 0 || all.data.left)}
  <p class="no-print mt-2 flex flex-wrap items-baseline gap-x-4" data-testid="order-invoices">
    {#each all.data.rows as r (r.key)}
      <span
        ><a class="link" href="/orders/invoices?invoice={encodeURIComponent(r.key)}">Invoice {r.number}</a>
        of {date(r.date, today)}, {money(r.value, currency)}, {stateName(r.state)}</span
      >
    {/each}
    {#if all.data.left && all.data.supplier}
      <a class="plain-action" href="/orders/invoices?of={encodeURIComponent(all.data.supplier)}"
        >Enter its invoice</a
      >
    {/if}
  </p>
{/if}
