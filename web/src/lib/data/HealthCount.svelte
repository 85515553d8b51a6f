<script lang="ts">
  import { count } from '$lib/format';
  import { HealthMark } from './health-mark.svelte';

  /** The name of a place, with how many findings about the data somebody has not looked at. */
  let { name }: { name: string } = $props();
  const LATER = 5000;
  const health = new HealthMark(LATER);
</script>

<span
  >{name}{#if health.fresh > 0}<sup
      aria-hidden="true"
      class="ml-0.5 font-bold text-marigold-text"
      title="{count(health.fresh, 'new finding')} about the data">{health.fresh}</sup
    >{/if}</span
>
