<script lang="ts">
  import { flushSync } from 'svelte';
  import { count, date } from '$lib/format';
  import { pointHref } from '$lib/links';
  import PeriodBar from '$lib/periods/PeriodBar.svelte';
  import PeriodSheets from '$lib/periods/PeriodSheets.svelte';
  import PeriodTable from '$lib/periods/PeriodTable.svelte';
  import { isMain } from '$lib/periods/periods';
  import { PeriodsScreen } from '$lib/periods/periods-screen.svelte';
  import ChangeBelow from '$lib/plan/ChangeBelow.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Slip from '$lib/ui/Slip.svelte';

  const screen = new PeriodsScreen();
  const { last } = screen;
  const today = $derived(screen.today);
  const grid = $derived(screen.grid);
  const here = $derived(screen.here);
  /** All rows and periods are drawn for paper. */
  let printing = $state(false);
  const ACTIONS = [
    { key: 'w', name: 'Why', run: () => screen.why() },
    { key: 'o', name: 'Open', run: () => screen.openRow(screen.here) },
    { key: 'c', name: 'Components', run: () => screen.showComponents(screen.here) },
    { key: 'e', name: 'Change', run: () => screen.changeHere() }
  ];
</script>

<svelte:head><title>Periods · Rescient</title></svelte:head>

<svelte:window
  onbeforeprint={() => flushSync(() => (printing = true))}
  onafterprint={() => (printing = false)}
/>
{#if printing}<PeriodSheets rows={screen.rows} periods={screen.periods} {today} />{/if}
<div class="place no-print grid h-full grid-rows-[42px_minmax(0,1fr)_44px]">
  <PeriodBar bind:this={screen.frame} {screen} />
  <div
    class="place-table grid min-h-0"
    style:grid-template-rows="minmax(0, 1fr) {screen.asking || screen.change ? 'minmax(0, 46%)' : '0'}"
  >
    {#if grid.isPending}
      <p class="p-4 text-ink-2">Adding up the periods …</p>
    {:else if grid.isError}
      <div class="p-4" role="alert">
        <p>{grid.error.message}</p>
        <button class="plain-action mt-2" onclick={() => grid.refetch()}>Try again</button>
      </div>
    {:else if screen.rows.length === 0}
      <p class="p-4 text-ink-2">{screen.empty}</p>
    {:else}
      <PeriodTable
        rows={screen.rows}
        periods={screen.periods}
        {today}
        at={screen.at}
        column={screen.column}
        open={screen.open}
        components={screen.components}
        onpoint={(row, column) => screen.point(row, column)}
        onwhy={() => screen.why()}
        onopen={(row) => screen.openRow(row)}
        oncomponents={(row) => screen.showComponents(row)}
        onmove={(row, from, to) => screen.move(row, from, to)}
      />
    {/if}
    {#if screen.change}
      <ChangeBelow
        bind:this={screen.pane}
        change={screen.change}
        {today}
        currency={screen.plan.data?.currency ?? 'EUR'}
        onclose={() => (screen.change = undefined)}
        onkept={(decision) => last.keep(decision)}
        onagain={(again) => (screen.change = again)}
      />
    {:else if screen.asking}
      <div class="min-h-0 overflow-auto border-t border-ink px-5 py-3" data-testid="why">
        {#if screen.slip.isError}<p role="alert">{screen.slip.error.message}</p>
        {:else if screen.slip.data && here}
          <div class="flex items-start gap-6">
            <div class="w-[440px]"><Slip slip={screen.slip.data} {today} /></div>
            <div class="pt-1">
              <h2 class="text-xl">
                {here.point.item} <span class="font-normal">{here.point.itemName}</span>
              </h2>
              <p class="text-ink-2">{here.point.siteName}</p>
              <p class="mt-2 flex gap-2">
                <a class="plain-action" href={pointHref(here.point.item, here.point.site)}>Stock line</a>
                <button type="button" class="plain-action" onclick={() => screen.thread()}
                  >Thread <Key name="t" /></button
                >
                <button type="button" class="plain-action" onclick={() => screen.escape()}
                  >Close <Key name="Esc" /></button
                >
              </p>
            </div>
          </div>
        {/if}
      </div>
    {/if}
  </div>
  <div
    role="toolbar"
    tabindex="-1"
    aria-label="Actions"
    class="place-actions wraps no-print flex items-center gap-5 bg-bar px-4 text-bar-text"
  >
    <span class="whitespace-nowrap" data-testid="selection">
      {count(screen.rows.filter((r) => r.depth === 0 && isMain(r)).length, 'stock point')}
      {#if grid.data && grid.data.total > grid.data.rows.length}<b
          >of {grid.data.total}; filter to see the others</b
        >{/if}
    </span>
    {#if screen.refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert"
        >{screen.refused}</span
      >
    {:else if last.busy || last.kept || last.said || last.refused}<KeptLine {last} />
    {:else if screen.bare && here}<span class="min-w-0 flex-1 truncate" role="status"
        >{here.point.item} is made of nothing at {here.point.siteName}: it has no components there.</span
      >{/if}
    {#if here}
      <span class="whitespace-nowrap">{here.point.item}, {date(screen.day ?? today, today)}</span>
    {/if}
    {#each ACTIONS as action (action.key)}
      <button
        type="button"
        class="bar-action"
        disabled={action.key === 'e' ? !screen.changeable : here === undefined}
        onclick={action.run}><Key name={action.key} dark /> {action.name}</button
      >
    {/each}
    <button
      type="button"
      class="bar-action ml-auto"
      disabled={screen.rows.length === 0}
      onclick={() => void screen.sheet()}><Key name="E" dark /> Save as XLSX</button
    >
  </div>
</div>
