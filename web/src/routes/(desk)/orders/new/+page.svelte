<script lang="ts">
  import BuyingSheet from '$lib/buying/BuyingSheet.svelte';
  import { BuyingForm } from '$lib/buying/buying-form.svelte';
  import DataViews from '$lib/data/DataViews.svelte';
  import { count } from '$lib/format';
  import { ORDER_VIEWS } from '$lib/orders/views';
  import Key from '$lib/ui/Key.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  const form = new BuyingForm();
</script>

<svelte:head><title>Buy · Rescient</title></svelte:head>

<Sheet title="Buy">
  {#snippet head()}<DataViews views={ORDER_VIEWS} label="Views of the orders" />{/snippet}
  <BuyingSheet {form} />
  {#snippet actions()}
    <span data-testid="lines">{count(form.lines.length, 'line')}</span>
    <span class="flex-1"></span>
    <button type="button" class="bar-action" onclick={() => form.takeNeeds()}
      ><Key name="n" dark /> Take what the plan needs</button
    >
  {/snippet}
</Sheet>
