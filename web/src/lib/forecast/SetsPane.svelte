<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answer, api } from '$lib/api/client';
  import { money, quantity } from '$lib/format';
  import { comparedSets } from '$lib/queries';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { ForecastScreen } from './forecast-screen.svelte';
  import { signed } from './series';

  /** The forecast sets: which one the plan uses, copies, and what differs between two. */
  let { screen }: { screen: ForecastScreen } = $props();
  const client = useQueryClient();
  const names = $derived(screen.sets.data?.names ?? []);
  const used = $derived(screen.sets.data?.used ?? undefined);
  let first = $state('');
  let second = $state('');
  $effect(() => {
    if (!first && used) first = used;
    if (!second) second = names.find((n) => n !== (used ?? first)) ?? '';
  });
  const compared = createQuery(() => ({
    ...comparedSets(first, second),
    enabled: first !== '' && second !== '' && first !== second
  }));
  const using = createMutation(() => ({
    mutationFn: (name: string | undefined) =>
      answer(api.PUT('/api/forecast-sets/used', { body: name ? { name } : { none: true } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['plan'] })
  }));
</script>

<article class="px-5 pt-3 pb-6" aria-label="Forecast sets">
  <h2 class="text-xl">Forecast sets</h2>
  <table class="grid-table mt-2 w-full max-w-[640px]" data-testid="sets">
    <tbody>
      {#each names as name (name)}
        <tr class:here={name === used}>
          <td
            ><b>{name}</b>{#if name === used}
              <small class="text-ink-2">the plan uses it</small>{/if}</td
          >
          <td class="text-right">
            {#if name !== used}
              <button
                type="button"
                class="plain-action"
                disabled={!rights.may.forecastSets || using.isPending}
                onclick={() => using.mutate(name)}>Plan with it</button
              >
            {:else}
              <button
                type="button"
                class="plain-action"
                disabled={!rights.may.forecastSets || using.isPending}
                onclick={() => using.mutate(undefined)}>Plan without</button
              >
            {/if}
            <button
              type="button"
              class="plain-action"
              onclick={() => screen.changeSet({ from: name, set: `${name} copy`, percent: '100' })}
              >Copy</button
            >
            <button
              type="button"
              class="plain-action"
              onclick={() => screen.changeSet({ from: name, set: name, percent: '110' })}>Scale</button
            >
            <button
              type="button"
              class="plain-action"
              onclick={() => screen.changeSet({ from: name, set: '' })}>Take away</button
            >
          </td>
        </tr>
      {:else}
        <tr><td class="text-ink-2">There is no set yet. Keep a forecast (e), and there is one.</td></tr>
      {/each}
    </tbody>
  </table>
  {#if using.isError}<p class="mt-2 text-vermilion" role="alert">{using.error.message}</p>{/if}
  {#if names.length > 1}
    <h3 class="mt-5 flex flex-wrap items-center gap-2 text-lg">
      <label
        >From <select class="field" aria-label="First set" bind:value={first}
          >{#each names as name (name)}<option>{name}</option>{/each}</select
        ></label
      >
      <label
        >to <select class="field" aria-label="Second set" bind:value={second}
          >{#each names as name (name)}<option>{name}</option>{/each}</select
        ></label
      >
    </h3>
    {#if compared.data}
      <p class="mt-1 text-ink-2">
        From this month on {second} comes to
        <b class="text-ink">{signed(compared.data.difference, (n) => money(n, screen.currency))}</b> against {first}.
        {#if compared.data.others > 0}{quantity(compared.data.others)} more series differ.{/if}
      </p>
      <table class="grid-table mt-2 w-full max-w-[640px]" data-testid="compared">
        <thead
          ><tr
            ><th class="text-left">Item and site</th><th class="text-right">{first}</th><th class="text-right"
              >{second}</th
            ><th class="text-right">Difference</th></tr
          ></thead
        >
        <tbody>
          {#each compared.data.rows as row (row.key)}
            <tr>
              <td
                ><button type="button" class="link" onclick={() => screen.openOne(row.key)}>{row.item}</button
                >
                <small class="text-ink-3">{row.siteName}</small></td
              >
              <td class="text-right"
                >{row.first === null || row.first === undefined ? '–' : quantity(row.first)}</td
              >
              <td class="text-right"
                >{row.second === null || row.second === undefined ? '–' : quantity(row.second)}</td
              >
              <td class="text-right">{signed(row.difference ?? 0, quantity)} <small>{row.unit}</small></td>
            </tr>
          {:else}
            <tr><td colspan="4" class="text-ink-2">They say the same.</td></tr>
          {/each}
        </tbody>
      </table>
    {:else if compared.isError}<p class="text-vermilion" role="alert">{compared.error.message}</p>
    {:else if first === second}<p class="mt-1 text-ink-2">Choose two sets that differ.</p>{/if}
  {/if}
  <p class="no-print mt-4">
    <button type="button" class="plain-action" onclick={() => screen.beside('sets')}
      >Back <Key name="Esc" /></button
    >
  </p>
</article>

<style>
  tr.here {
    background: var(--marigold-tint);
  }
</style>
