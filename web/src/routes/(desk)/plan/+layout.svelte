<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { fromAddress } from '$lib/address';
  import TrialStrip from '$lib/plan/TrialStrip.svelte';
  import { trial } from '$lib/trial.svelte';

  let { children } = $props();
  const client = useQueryClient();

  // a trial stands in the address, so that it can be shared and outlives a reload
  $effect(() => {
    const without = fromAddress('without')?.split(' ').filter(Boolean) ?? [];
    const whatIf = fromAddress('whatif');
    const other = whatIf !== trial.whatIf;
    if (!other && without.join(' ') === trial.without.join(' ')) return;
    trial.without = without;
    trial.whatIf = whatIf;
    // nothing of the live plan is shown under the name of a what-if, and the other way round
    if (other) void client.resetQueries({ queryKey: ['plan'] });
    else void client.invalidateQueries({ queryKey: ['plan'] });
  });
  $effect(() => () => {
    if (trial.on) {
      trial.without = [];
      trial.whatIf = undefined;
      void client.invalidateQueries({ queryKey: ['plan'] });
    }
  });
</script>

<div class="print-flow grid h-full grid-rows-[auto_minmax(0,1fr)]">
  <div>
    {#if trial.on}<TrialStrip />{/if}
  </div>
  <div class="print-flow min-h-0">{@render children()}</div>
</div>
