<script lang="ts">
  import Key from '$lib/ui/Key.svelte';
  import type { ChoiceForm } from './choice-form.svelte';
  import type { SeriesView } from './series';

  /** How the forecast is made: method, parameters, window, and what stands for a history that is not there yet. */
  interface Props {
    form: ChoiceForm;
    /** The series as it is looked at. */
    series: SeriesView;
    /** Why it cannot be so. */
    fault?: string;
  }
  let { form, series, fault }: Props = $props();
  const METHODS: [string, string][] = [
    ['', 'the least error'],
    ['COMBINATION', 'Combination'],
    ['SEASONAL_NAIVE', 'Seasonal naive'],
    ['MOVING_AVERAGE', 'Moving average'],
    ['SIMPLE', 'Simple smoothing'],
    ['HOLT', 'Holt’s smoothing'],
    ['DAMPED', 'Damped trend'],
    ['THETA', 'Theta'],
    ['TREND', 'Trend and season'],
    ['WINTERS_ADDITIVE', 'Holt-Winters, additive'],
    ['WINTERS_MULTIPLICATIVE', 'Holt-Winters, multiplicative'],
    ['CROSTON', 'Croston'],
    ['SBA', 'Syntetos-Boylan'],
    ['TSB', 'Teunter-Syntetos-Babai']
  ];
  let first = $state<HTMLSelectElement>();
  $effect(() => {
    if (form.open) first?.focus({ preventScroll: true });
  });

  function keydown(event: KeyboardEvent) {
    const run =
      event.key === 'Enter' ? () => form.keep() : event.key === 'Escape' ? () => form.close() : undefined;
    if (!run) return;
    event.preventDefault();
    event.stopPropagation();
    run();
  }
</script>

{#if form.open}
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <form
    class="strip"
    aria-label="How the forecast is made"
    data-testid="choice"
    onkeydown={keydown}
    onsubmit={(e) => e.preventDefault()}
  >
    <label
      >by <select class="field" aria-label="Method" bind:this={first} bind:value={form.fields.method}>
        {#each METHODS as [code, name] (code)}<option value={code}>{name}</option>{/each}
      </select></label
    >
    {#if form.fields.method}
      <label
        >with <input
          aria-label="Parameters"
          class="field w-[170px]"
          placeholder={series.taken.length > 0 ? `fitted: ${series.taken.join(', ')}` : 'nothing to set'}
          autocomplete="off"
          spellcheck="false"
          aria-invalid={fault !== undefined}
          bind:value={form.fields.parameters}
        /></label
      >
    {/if}
    <label
      >history from <input
        class="field"
        type="date"
        aria-label="History from"
        bind:value={form.fields.from}
      /></label
    >
    <label>to <input class="field" type="date" aria-label="History to" bind:value={form.fields.to} /></label>
    <label
      >like <input
        class="field w-[110px]"
        aria-label="Like item"
        placeholder="another item"
        autocomplete="off"
        bind:value={form.fields.likeItem}
      /></label
    >
    {#if form.fields.likeItem.trim()}
      <label
        >at <input
          class="field w-[100px]"
          aria-label="Like site"
          placeholder={series.site}
          bind:value={form.fields.likeSite}
        /></label
      >
      <label
        ><input
          class="field w-[56px] text-right"
          aria-label="Percent of it"
          placeholder="100"
          inputmode="decimal"
          bind:value={form.fields.likePercent}
        /> %</label
      >
    {/if}
    <input
      class="field w-[150px]"
      placeholder="why, in a few words"
      aria-label="Why"
      bind:value={form.fields.reason}
    />
    <button type="button" class="main-action" disabled={form.keeping.busy} onclick={() => form.keep()}
      >Make it so from now on <Key name="Enter" /></button
    >
    {#if form.kept}<button type="button" class="plain-action" onclick={() => form.setBack()}
        >Leave it to the calculation</button
      >{/if}
    <button type="button" class="plain-action" onclick={() => form.close()}>Back <Key name="Esc" /></button>
    {#if fault}<span class="text-vermilion" role="alert">{fault}</span>{/if}
    {#if form.keeping.refused}<span class="text-vermilion" role="alert">{form.keeping.refused}</span>{/if}
  </form>
{/if}

<style>
  .strip label {
    display: inline-flex;
    align-items: center;
    gap: 6px;
  }
  .strip {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px 12px;
    padding: 7px 12px;
    border-left: 4px solid var(--marigold);
    background: var(--slip);
  }
</style>
