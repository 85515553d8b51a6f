<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count } from '$lib/format';
  import { promisesAtRisk } from '$lib/queries';

  /** The place's name, with how many promises the plan does not keep. */
  let { name }: { name: string } = $props();
  /** So many milliseconds nobody who has just come waits behind it. */
  const LATER = 3000;
  let asked = $state(false);
  const atRisk = createQuery(() => ({ ...promisesAtRisk(), enabled: asked }));
  const lines = $derived(atRisk.data?.broken ?? 0);
  $effect(() => {
    const timer = setTimeout(() => (asked = true), LATER);
    return () => clearTimeout(timer);
  });
</script>

<span
  >{name}{#if lines > 0}<sup
      aria-hidden="true"
      class="ml-0.5 font-bold text-vermilion"
      title="{count(lines, 'promise')} the plan does not keep">{lines}</sup
    >{/if}</span
>
