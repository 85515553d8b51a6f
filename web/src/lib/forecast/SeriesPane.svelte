<script lang="ts">
  import { date, quantity } from '$lib/format';
  import { itemHref, turnHref } from '$lib/links';
  import Key from '$lib/ui/Key.svelte';
  import Curve from './Curve.svelte';
  import type { ForecastScreen } from './forecast-screen.svelte';
  import Methods from './Methods.svelte';
  import ChoiceStrip from './ChoiceStrip.svelte';
  import Members from './Members.svelte';
  import PointStrip from './PointStrip.svelte';
  import { signed } from './series';

  /** One series: its curve, the methods that were tried, and the buckets to come. */
  let { screen }: { screen: ForecastScreen } = $props();
  /** As it is, or as it would be with the point that is moved. */
  const series = $derived(screen.draft.data ?? screen.series.data);
  let width = $state(640);
  const BUCKETS = [
    { code: 'MONTH', name: 'months' },
    { code: 'WEEK', name: 'weeks' },
    { code: 'DAY', name: 'days' }
  ];
  const SEASONS: Record<number, string> = { 12: 'a year', 52: 'a year', 7: 'a week' };
</script>

{#if screen.series.isError}
  <div class="p-4" role="alert">
    <p>{screen.series.error.message}</p>
    <button class="plain-action mt-2" onclick={() => screen.series.refetch()}>Try again</button>
  </div>
{:else if series}
  <article
    class="px-5 pt-3 pb-6"
    aria-label="Forecast of {series.item} at {series.siteName}"
    class:opacity-60={screen.series.isPlaceholderData}
  >
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl">
        {#if series.by}{series.itemName}{:else}<a class="link" href={itemHref(series.item)}>{series.item}</a
          >{/if}
      </h2>
      <p class="min-w-0 flex-1 truncate">
        {#if series.by}{series.siteName} in {series.unit}{:else}{series.itemName}, {series.siteName}{/if}
      </p>
      <span class="flex gap-1" role="group" aria-label="Buckets">
        {#each BUCKETS as b (b.code)}
          <button
            type="button"
            class="chip"
            class:font-bold={series.bucket === b.code}
            aria-pressed={series.bucket === b.code}
            onclick={() => screen.inBuckets(b.code)}>{b.name}</button
          >
        {/each}
      </span>
    </header>
    <div class="mt-2" bind:clientWidth={width}>
      <Curve
        {series}
        today={screen.today}
        {width}
        point={series.by ? undefined : screen.point}
        moving={series.by ? undefined : screen.moved}
        onedge={series.by ? undefined : (edge, day) => screen.choice.drag(edge, day)}
        onahead={series.by ? undefined : (from, change) => screen.adjust(from, signed(change, String))}
      />
    </div>
    <PointStrip point={screen.point} unit={series.unit} today={screen.today} />
    <ChoiceStrip form={screen.choice} {series} fault={screen.draft.fault} />
    {#if series.ahead.length === 0}
      <p class="mt-2">
        Nothing of it was shipped yet. Say which item it is like (<Key name="o" />), and its history stands
        for what is missing.
      </p>
    {:else}
      <p class="text-sm text-ink-2">
        {#if screen.choice.kept && !screen.draft.data}
          <b class="text-ink"
            >As was chosen{screen.choice.kept.reason ? ` (${screen.choice.kept.reason})` : ''}:</b
          >
        {/if}
        By <b class="text-ink">{series.methodTitle}</b>{#if series.parameters.length > 0}
          ({#each series.parameters as p, i (p.name)}{i > 0 ? ', ' : ''}{p.name}
            {Number(p.value.toFixed(3))}{/each}){/if}; {series.season > 1
          ? `a season of ${SEASONS[series.season] ?? series.season} was found`
          : 'no season was found'}.
        {#if series.methods.length > 0}Of the test’s errors {Math.round(series.covered80 * 100)} % lie within the
          inner shade, {Math.round(series.covered95 * 100)} % within the outer.{/if}
        {#if series.ahead.some((a) => a.kept !== null && a.kept !== undefined)}The dashed line is what {series.set}
          says.{/if}
        {#if series.fit.length > 1}The thin line is what it said of each bucket one before.{/if}
        {#if series.before.length > 0}Green is what was forecast before.{/if}
      </p>
    {/if}
    <p class="no-print mt-2 flex flex-wrap gap-2">
      <button type="button" class="main-action" onclick={() => screen.keep()}
        >Keep it in a forecast set <Key name="e" /></button
      >
      {#if !series.by}<button type="button" class="plain-action" onclick={() => screen.point.pickUnusual()}
          >Correct the history <Key name="c" /></button
        >{/if}
      {#if !series.by}
        <button type="button" class="plain-action" onclick={() => screen.choice.show()}
          >How it is made <Key name="o" /></button
        >
        <button type="button" class="plain-action" onclick={() => screen.adjust()}
          >Adjust it <Key name="a" /></button
        >
        <a class="plain-action" href={turnHref(series.item, series.site)}>Who takes of it</a>
      {/if}
    </p>
    <div class="mt-4 grid gap-5 xl:grid-cols-[minmax(0,1fr)_230px]">
      <section aria-label="Methods">
        {#if series.by}<Members {screen} {series} />
          <div class="mt-4"></div>{/if}
        <Methods {screen} {series} />
      </section>
      <section aria-label="Buckets to come">
        <table class="grid-table w-full" data-testid="ahead">
          <thead
            ><tr
              ><th class="text-left">From</th><th class="text-right">Expected</th><th class="text-right"
                >{series.set ?? 'Kept'}</th
              ></tr
            ></thead
          >
          <tbody>
            {#each series.ahead as a (a.from)}
              <tr title={a.known?.reason ?? undefined}
                ><td
                  >{#if series.by}{date(a.from, screen.today)}{:else}<button
                      type="button"
                      class="link"
                      title="adjust this bucket"
                      onclick={() => screen.adjust(a.from)}>{date(a.from, screen.today)}</button
                    >{/if}</td
                ><td class="text-right"
                  >{#if a.known}<small class="known">{a.known.change}</small>{/if}
                  {quantity(a.expected)}</td
                ><td class="text-right text-ink-2"
                  >{a.kept === null || a.kept === undefined ? '–' : quantity(a.kept)}</td
                ></tr
              >
            {/each}
          </tbody>
        </table>
      </section>
    </div>
  </article>
{:else}
  <p class="p-4 text-ink-2">Reading the series …</p>
{/if}

<style>
  .known {
    padding: 0 4px;
    background: var(--marigold-tint);
  }
</style>
