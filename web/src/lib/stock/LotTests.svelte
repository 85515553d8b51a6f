<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { date, quantity } from '$lib/format';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import type { LotScreen, TestRow } from './lot-screen.svelte';
  import PostingSlip from './PostingSlip.svelte';

  /** What tests came to, each as a mark between its limits; and a new result with what follows from it. */
  let { screen, tests }: { screen: LotScreen; tests: TestRow[] } = $props();
  const WIDTH = 120;
  /** How much of the picture lies beyond each limit. */
  const BEYOND = 24;
  const number = (n: number | null | undefined) => (n === null || n === undefined ? '' : quantity(n));

  /** Where a value stands between its limits; one that is missing lies as far as the other. */
  function place(t: TestRow): number | undefined {
    if (t.value === null || t.value === undefined) return undefined;
    const { lower, upper, value } = t;
    if (lower === null || lower === undefined) {
      if (upper === null || upper === undefined) return WIDTH / 2;
      return value <= upper ? WIDTH / 2 : WIDTH - BEYOND / 2;
    }
    if (upper === null || upper === undefined) return value >= lower ? WIDTH / 2 : BEYOND / 2;
    const inner = WIDTH - 2 * BEYOND;
    const at = BEYOND + (upper === lower ? inner / 2 : ((value - lower) / (upper - lower)) * inner);
    return Math.max(4, Math.min(WIDTH - 4, at));
  }
</script>

<h3 class="section mt-5 flex items-baseline gap-3">
  Tests
  {#if screen.may && !screen.test}<button
      type="button"
      class="link no-print text-sm"
      onclick={() => screen.begin()}>Enter one <Key name="n" /></button
    >{/if}
</h3>
{#if tests.length > 0}
  <table class="grid-table" data-testid="tests">
    <thead
      ><tr
        ><th class="text-left">What</th><th class="text-right">Found</th><th class="text-left">Limits</th><th
          class="text-left"
        ></th><th class="text-right">On</th><th></th></tr
      ></thead
    >
    <tbody>
      {#each tests as t (t.name)}
        <tr>
          <td>{t.name}</td>
          <td class="text-right" class:font-bold={t.failed}
            >{number(t.value)} <small>{t.unit ?? ''}</small></td
          >
          <td class="whitespace-nowrap"
            >{t.lower !== null && t.lower !== undefined ? `from ${quantity(t.lower)} ` : ''}{t.upper !==
              null && t.upper !== undefined
              ? `to ${quantity(t.upper)}`
              : ''}</td
          >
          <td
            ><svg
              width={WIDTH}
              height="14"
              role="img"
              aria-label={t.failed ? 'outside its limits' : 'within its limits'}
            >
              <line x1={BEYOND} x2={WIDTH - BEYOND} y1="7" y2="7" stroke="var(--ink-3)" stroke-width="3" />
              {#if place(t) !== undefined}
                {#if t.failed}<path
                    d="M{place(t)},1 l5,6 l-5,6 l-5,-6 z"
                    fill="var(--paper)"
                    stroke="var(--vermilion)"
                    stroke-width="2"
                  />{:else}<circle cx={place(t)} cy="7" r="5" fill="var(--moss)" />{/if}
              {/if}
            </svg></td
          >
          <td class="text-right">{t.date ? date(t.date, screen.today) : ''}</td>
          <td class="no-print"
            >{#if screen.may}<button type="button" class="link text-sm" onclick={() => screen.begin(t)}
                >Test again</button
              >{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{:else if !screen.test}<p class="text-ink-2">Nothing was tested.</p>{/if}

{#if screen.test}
  <form
    class="no-print mt-3 grid max-w-[880px] gap-3 border-l-4 border-marigold bg-slip p-3 md:grid-cols-2"
    data-testid="test"
    onsubmit={(e) => {
      e.preventDefault();
      void screen.posting.post();
    }}
    {@attach escapes(() => (screen.test = undefined))}
  >
    <div class="grid content-start gap-2">
      <label class="ask"
        ><span>What</span>
        <input
          class="field"
          {@attach begins(() => !screen.test?.name)}
          list="test-names"
          placeholder="moisture"
          bind:value={screen.test.name}
        /></label
      >
      <datalist id="test-names"
        >{#each tests as t (t.name)}<option value={t.name}></option>{/each}</datalist
      >
      <label class="ask"
        ><span>Found</span>
        <input
          class="field"
          inputmode="decimal"
          {@attach begins(() => !!screen.test?.name)}
          aria-invalid={screen.wrong.value !== undefined}
          bind:value={screen.test.value}
        /></label
      >
      {#if screen.wrong.value}<p class="text-vermilion">{screen.wrong.value}</p>{/if}
      <label class="ask"
        ><span>Unit</span> <input class="field" placeholder="%" bind:value={screen.test.unit} /></label
      >
      <label class="ask"
        ><span>Not below</span>
        <input
          class="field"
          inputmode="decimal"
          aria-invalid={screen.wrong.lower !== undefined}
          bind:value={screen.test.lower}
        /></label
      >
      <label class="ask"
        ><span>Not above</span>
        <input
          class="field"
          inputmode="decimal"
          aria-invalid={screen.wrong.upper !== undefined}
          bind:value={screen.test.upper}
        /></label
      >
      {#if screen.wrong.lower ?? screen.wrong.upper}<p class="text-vermilion">A limit is no number</p>{/if}
      <p class="flex gap-2">
        <button type="submit" class="main-action" disabled={!screen.posting.pressable}
          >Enter it <Key name="Enter" /></button
        >
        <button type="button" class="plain-action" onclick={() => (screen.test = undefined)}
          >Leave it <Key name="Esc" /></button
        >
      </p>
    </div>
    <div>
      {#if screen.posting.preview && screen.posting.preview.movements.length === 0 && screen.posting.preview.refused.length === 0}<p
          data-testid="follows"
        >
          {screen.posting.preview.failed
            ? 'It lies outside its limits; nothing of it is free, and what comes of it is set aside.'
            : 'It is kept; nothing is set aside.'}
        </p>
      {:else}
        {#if screen.posting.preview && screen.posting.preview.refused.length === 0}<p class="mb-1 font-bold">
            Outside its limits: all of it is set aside.
          </p>{/if}
        <PostingSlip posting={screen.posting} currency={screen.currency} />
      {/if}
    </div>
  </form>
{/if}

<style>
  .ask {
    display: grid;
    grid-template-columns: 104px minmax(0, 1fr);
    align-items: center;
    gap: 8px;
  }
</style>
