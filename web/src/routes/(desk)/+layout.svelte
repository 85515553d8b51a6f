<script lang="ts">
  import { Frame, PLACES } from '$lib/frame.svelte';
  import DemandCount from '$lib/demand/DemandCount.svelte';
  import HealthCount from '$lib/data/HealthCount.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import FormatsDialog from '$lib/ui/FormatsDialog.svelte';
  import Freshness from '$lib/ui/Freshness.svelte';
  import Key from '$lib/ui/Key.svelte';
  import KeysHelp from '$lib/ui/KeysHelp.svelte';
  import PersonMenu from '$lib/ui/PersonMenu.svelte';

  let { children } = $props();
  const frame = new Frame();
</script>

<svelte:window onkeydown={(event) => frame.keydown(event)} />

{#if frame.there}
  <div class="desk print-flow grid h-full grid-rows-[45px_minmax(0,1fr)]">
    <header class="wraps no-print flex items-center gap-6 border-b border-ink bg-sheet px-4">
      <a href="/plan" class="title flex items-center gap-1.5 text-lg"
        ><img src="/mark.svg" alt="" width="20" height="20" />Rescient</a
      >
      <nav class="flex h-full" aria-label="Places">
        {#each PLACES as place (place.href)}
          {@const here = frame.isHere(place.href)}
          <a
            href={frame.addressOf(place.href)}
            class="grid place-items-center border-b-[3px] px-3 {here
              ? 'border-marigold font-bold'
              : 'border-transparent'}"
            aria-current={here ? 'page' : undefined}
            title="{place.name} (g {place.key})"
            >{#if place.href === '/items'}<HealthCount
                name={place.name}
              />{:else if place.href === '/demand'}<DemandCount
                name={place.name}
              />{:else}{place.name}{/if}</a
          >
        {/each}
      </nav>
      <button
        type="button"
        class="ml-auto flex h-[29px] w-[218px] items-center justify-between rounded border border-line bg-slip px-2 text-ink-3"
        onclick={() => (frame.finding = true)}
      >
        Find or do anything <Key name="Ctrl K" />
      </button>
      <Freshness {frame} />
      {#if frame.session.data}<PersonMenu
          onformats={() => (frame.formatting = true)}
          person={frame.session.data}
          company={frame.plan.data?.company ?? ''}
        />{/if}
    </header>
    <main class="print-flow min-h-0">{@render children()}</main>
  </div>
  <Finder bind:open={frame.finding} places={PLACES} />
  <KeysHelp bind:open={frame.helping} />
  <FormatsDialog bind:open={frame.formatting} />
{:else if frame.failure}
  <main class="grid h-full place-content-center gap-3">
    <p>{frame.failure}</p>
    <button class="plain-action justify-center" onclick={() => frame.session.refetch()}>Try again</button>
  </main>
{/if}
