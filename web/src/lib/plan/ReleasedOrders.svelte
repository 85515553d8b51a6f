<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { documentName, money } from '$lib/format';
  import { orderHref } from '$lib/links';

  /** The orders that came out of a release. */
  let { orders, currency }: { orders: Schemas['Created'][]; currency: string } = $props();
</script>

<table class="grid-table mt-2" data-testid="released">
  <thead
    ><tr><th>Number</th><th></th><th>To</th><th class="num">Lines</th><th class="num">Value</th></tr></thead
  >
  <tbody>
    {#each orders as order (order.number)}
      <tr>
        <td><a class="link font-bold" href={orderHref(order.number)}>{order.number}</a></td>
        <td>{documentName(order.kind)}</td>
        <td>{order.partner ?? order.siteName}</td>
        <td class="num">{order.lines}</td>
        <td class="num"
          >{order.value !== undefined && order.value !== null ? money(order.value, currency) : '–'}</td
        >
      </tr>
    {/each}
  </tbody>
</table>
