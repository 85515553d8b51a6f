<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count } from '$lib/format';
  import { promisesAtRisk } from '$lib/queries';

  /** The place's name, with how many promises the plan does not keep. */
  let { name }: { name: string } = $props();
  const atRisk = createQuery(promisesAtRisk);
  const lines = $derived(atRisk.data?.total ?? 0);
</script>

<span
  >{name}{#if lines > 0}<sup
      aria-hidden="true"
      class="ml-0.5 font-bold text-vermilion"
      title="{count(lines, 'promise')} the plan does not keep">{lines}</sup
    >{/if}</span
>
