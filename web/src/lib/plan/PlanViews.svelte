<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { page } from '$app/state';
  import { toAddress } from '$lib/address';
  import { answer, api } from '$lib/api/client';
  import { PLAN_VIEWS, viewHref } from '$lib/links';
  import { trial } from '$lib/trial.svelte';

  /** The ways of looking at the plan, and which plan it is if it is not the live one. */
  const whatIf = createQuery(() => ({
    queryKey: ['what-ifs', trial.whatIf, 'name'],
    queryFn: () => answer(api.GET('/api/what-ifs/{id}', { params: { path: { id: Number(trial.whatIf) } } })),
    enabled: trial.whatIf !== undefined
  }));
</script>

<nav class="mr-1 flex items-center gap-3" aria-label="Views of the plan">
  {#each PLAN_VIEWS as view (view.href)}
    {@const here = page.url.pathname === view.href}
    <a
      href={here ? page.url.pathname + page.url.search : viewHref(view.href)}
      class={here ? 'title text-lg' : 'text-ink-2'}
      aria-current={here ? 'page' : undefined}
      title="{view.says} ({view.keys})">{view.name}</a
    >
  {/each}
</nav>
{#if trial.whatIf !== undefined}
  <p class="flex min-w-0 items-center gap-2 bg-marigold px-2 py-0.5 text-on-marigold" role="status">
    <b class="whitespace-nowrap">What-if</b>
    <a class="truncate underline" href="/plan/what-if?id={trial.whatIf}"
      >{whatIf.data?.name ?? trial.whatIf}</a
    >
    <button
      type="button"
      class="font-bold whitespace-nowrap underline"
      onclick={() => toAddress({ whatif: undefined })}>To the live plan</button
    >
  </p>
{:else if trial.on}
  <p class="flex items-center gap-2 bg-marigold px-2 py-0.5 text-on-marigold" role="status">
    <b>Trial</b> without {trial.without.map((k) => k.split('~')[0]).join(', ')}
    <button type="button" class="font-bold underline" onclick={() => toAddress({ without: undefined })}
      >Put back</button
    >
  </p>
{/if}
