<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import DataViews from '$lib/data/DataViews.svelte';
  import CodeBox from '$lib/demand/CodeBox.svelte';
  import ForecastTaken from '$lib/demand/ForecastTaken.svelte';
  import SitesPicture from '$lib/demand/SitesPicture.svelte';
  import TurnLedger from '$lib/demand/TurnLedger.svelte';
  import { GROUPINGS } from '$lib/demand/turn';
  import { TurnScreen } from '$lib/demand/turn-screen.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import DecidePane from '$lib/plan/DecidePane.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { planList } from '$lib/queries';
  import Key from '$lib/ui/Key.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  const screen = new TurnScreen();
  const choices = createQuery(() => ({ ...planList(), enabled: screen.deciding !== undefined }));
  const all = $derived(screen.all);
</script>

<svelte:head><title>{screen.item ?? 'Who gets what'} · Rescient</title></svelte:head>

<Sheet title="Who gets what">
  {#snippet head()}
    <DataViews views={DEMAND_VIEWS} label="Views of the demand" />
    <CodeBox table="items" name="Item" value={screen.item ?? ''} onchoose={(code) => screen.choose(code)} />
    {#each GROUPINGS as by (by)}
      <button
        type="button"
        class="chip"
        class:font-bold={screen.by === by}
        aria-pressed={screen.by === by}
        onclick={() => screen.group(by)}>by {by}</button
      >
    {/each}
    <Key name="z" />{/snippet}

  {#if screen.item === undefined}
    <p class="p-6 text-ink-2">Choose an item to see what there is of it, what comes, and who gets it.</p>
  {:else if screen.query.isError}
    <div class="p-6" role="alert">
      <p>{screen.query.error.message}</p>
      <button class="plain-action mt-2" onclick={() => screen.query.refetch()}>Try again</button>
    </div>
  {:else if !all}
    <p class="p-6 text-ink-2">Reading …</p>
  {:else}
    <div class="grid" class:two={screen.deciding !== undefined}>
      <section class="max-w-[980px] px-5 pt-3 pb-6" aria-label="Who gets what">
        <h2 class="flex items-baseline gap-2.5">
          <a class="text-xl hover:underline" href={itemHref(all.item)}>{all.item}</a>
          <span class="text-base font-normal text-ink-2"
            >{all.itemName}, {all.siteName}{#if all.safetyStock > 0}
              · safety stock {quantity(all.safetyStock)} {all.unit}{/if}</span
          >
        </h2>
        <div class="my-3"><SitesPicture {all} onchoose={(site) => screen.choose(all.item, site)} /></div>
        <TurnLedger {screen} />
        <ForecastTaken {all} />
      </section>
      {#if screen.deciding}
        {#key screen.deciding}
          <DecidePane
            bind:this={screen.pane}
            deciding={screen.deciding}
            orders={[]}
            choices={choices.data?.choices}
            today={screen.today}
            currency={screen.currency}
            onclose={() => (screen.deciding = undefined)}
            onkept={(decision) => screen.wasKept(decision)}
            onagain={() => undefined}
          />
        {/key}
      {/if}
    </div>
  {/if}

  {#snippet actions()}
    {#if screen.refused}<span class="min-w-0 truncate text-marigold" role="alert">{screen.refused}</span>
    {:else}<KeptLine last={screen.last} />{/if}
    <button type="button" class="bar-action" disabled={!screen.here?.goes?.key} onclick={() => screen.first()}
      ><Key name="p" dark /> Before others</button
    >
    <button type="button" class="bar-action" disabled={!screen.here?.goes} onclick={() => screen.bring()}
      ><Key name="a" dark /> Bring it</button
    >
    <button type="button" class="bar-action" onclick={() => screen.open()}
      ><Key name="Enter" dark /> Open</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >{/snippet}
</Sheet>

<style>
  .two {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
