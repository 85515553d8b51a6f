<script lang="ts">
  import { page } from '$app/state';
  import { PLAN_VIEWS } from '$lib/links';
  import { trial } from '$lib/trial.svelte';
  import { toAddress } from '$lib/address';

  /** The ways of looking at the plan. */
  const trialPart = $derived(
    trial.on ? '?' + new URLSearchParams({ without: trial.without.join(' ') }).toString() : ''
  );
</script>

<nav class="mr-1 flex items-center gap-3" aria-label="Views of the plan">
  {#each PLAN_VIEWS as view (view.href)}
    {@const here = page.url.pathname === view.href}
    <a
      href={here ? page.url.pathname + page.url.search : view.href + trialPart}
      class={here ? 'title text-lg' : 'text-ink-2'}
      aria-current={here ? 'page' : undefined}
      title="{view.says} ({view.keys})">{view.name}</a
    >
  {/each}
</nav>
{#if trial.on}
  <p class="flex items-center gap-2 bg-marigold px-2 py-0.5 text-on-marigold" role="status">
    <b>Trial</b> without {trial.without.map((k) => k.split('~')[0]).join(', ')}
    <button type="button" class="font-bold underline" onclick={() => toAddress({ without: undefined })}
      >Put back</button
    >
  </p>
{/if}
