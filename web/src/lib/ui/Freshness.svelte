<script lang="ts">
  import { asked } from '$lib/api/client';
  import { clock, duration } from '$lib/format';
  import type { Frame } from '$lib/frame.svelte';

  /** Whether the plan in sight is current, and what keeps it from being so. */
  let { frame }: { frame: Frame } = $props();
  const plan = $derived(frame.plan.data);
</script>

<div class="w-[124px] leading-tight" role="status" data-testid="freshness">
  {#if frame.trouble}
    <b class="text-vermilion" title={frame.trouble}>No database</b><br /><span class="text-sm text-ink-2"
      >trying again</span
    >
  {:else if !frame.connected}
    <b class="text-vermilion">Not connected</b><br /><span class="text-sm text-ink-2">trying again</span>
  {:else if asked.long}
    <b>Calculating …</b><br /><button class="link text-sm" title="g x" onclick={() => asked.end()}
      >End it</button
    >
  {:else if plan?.failure}
    <b class="text-vermilion">Plan is behind</b><br /><span class="text-sm text-ink-2" title={plan.failure}
      >could not calculate</span
    >
  {:else if plan}
    <b>Plan is current</b><br /><span class="text-sm text-ink-2"
      >{clock(plan.madeAt)}, took {duration(plan.tookMillis)}</span
    >
  {:else}
    <span class="text-ink-2">Planning …</span>
  {/if}
</div>
