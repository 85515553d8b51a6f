<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import DataViews from '$lib/data/DataViews.svelte';
  import SentMails from '$lib/demand/SentMails.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { planState } from '$lib/queries';
  import Sheet from '$lib/ui/Sheet.svelte';

  const plan = createQuery(planState);
</script>

<svelte:head><title>Mails · Rescient</title></svelte:head>

<Sheet title="Mails">
  {#snippet head()}
    <DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}
  <div class="px-5 py-3"><SentMails today={plan.data?.today ?? ''} /></div>
  {#snippet actions()}
    <span
      >Sent by the mail server of this installation, or by the one that stands in for it and hands nothing on.</span
    >{/snippet}
</Sheet>
