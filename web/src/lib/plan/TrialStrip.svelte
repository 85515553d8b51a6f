<script lang="ts">
  import { said } from '$lib/format';
  import { createQuery } from '@tanstack/svelte-query';
  import { toAddress } from '$lib/address';
  import { whatIfSaid } from '$lib/queries';
  import { trial } from '$lib/trial.svelte';

  /** Says that the plan in view is not the live one. */
  const whatIf = createQuery(() => ({
    ...whatIfSaid(Number(trial.whatIf)),
    enabled: trial.whatIf !== undefined
  }));
</script>

<p class="flex items-center gap-2 bg-marigold px-4 py-1 text-on-marigold" role="status">
  {#if trial.whatIf !== undefined}
    <b class="whitespace-nowrap">What-if</b>
    <a class="truncate underline" href="/plan/what-if?id={trial.whatIf}"
      >{whatIf.data?.name ?? trial.whatIf}</a
    >
    <span class="min-w-0 truncate"
      >{(whatIf.data?.assumptions ?? []).map((a) => said(a.sentence)).join('; ')}</span
    >
    <button
      type="button"
      class="ml-auto font-bold whitespace-nowrap underline"
      onclick={() => toAddress({ whatif: undefined })}>To the live plan</button
    >
  {:else}
    <b>Trial</b> without {trial.without.map((k) => k.split('~')[0]).join(', ')}
    <button type="button" class="font-bold underline" onclick={() => toAddress({ without: undefined })}
      >Put back</button
    >
  {/if}
</p>
