<script lang="ts">
  import { date, longDate, quantity } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import { KINDS, type HistoryPoint, type Kind } from './history-point.svelte';

  /** The bucket of the history that is worked at: what it counts for, why, and what its neighbours are. */
  let { point, unit, today }: { point: HistoryPoint; unit: string; today: string } = $props();
  let field = $state<HTMLInputElement>();
  $effect(() => {
    if (point.from !== undefined) field?.focus();
  });

  function keydown(event: KeyboardEvent) {
    const step = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    const run =
      event.key === 'Enter'
        ? () => point.keep()
        : event.key === 'Escape'
          ? () => point.close()
          : event.key === 'PageUp'
            ? () => point.step(-1)
            : event.key === 'PageDown'
              ? () => point.step(1)
              : step !== undefined && event.target === field
                ? () => point.move((point.amount ?? 0) + step)
                : undefined;
    if (!run) return;
    event.preventDefault();
    event.stopPropagation();
    run();
  }
</script>

{#if point.was}
  {@const was = point.was}
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <form
    class="strip"
    aria-label="A bucket of the history"
    data-testid="point"
    onkeydown={keydown}
    onsubmit={(e) => e.preventDefault()}
  >
    <b title={longDate(was.from)}>{date(was.from, today)}</b>
    <span
      >{quantity(was.quantity)}
      {unit} shipped{#if was.usual !== null && was.usual !== undefined}, about
        <button type="button" class="link" onclick={() => point.move(was.usual ?? 0)}
          >{quantity(Math.round(was.usual))}</button
        > would be usual{/if}</span
    >
    <label
      >counts for
      <input
        class="field w-[76px] text-right"
        inputmode="decimal"
        autocomplete="off"
        aria-invalid={point.amount === undefined}
        bind:this={field}
        bind:value={point.text}
      /></label
    >
    <label
      >because
      <select
        class="field"
        value={point.kind}
        onchange={(e) => point.because(e.currentTarget.value as Kind | '')}
      >
        <option value="">–</option>
        {#each KINDS as kind (kind.code)}<option value={kind.code}>{kind.name}</option>{/each}
      </select></label
    >
    <input
      class="field w-[150px]"
      placeholder="why, in a few words"
      aria-label="Why"
      bind:value={point.reason}
    />
    <button
      type="button"
      class="main-action"
      disabled={point.amount === undefined || point.keeping.busy}
      onclick={() => point.keep()}>Keep it <Key name="Enter" /></button
    >
    {#if was.corrected}<button type="button" class="plain-action" onclick={() => point.setBack()}
        >Set it back</button
      >{/if}
    <button type="button" class="plain-action" onclick={() => point.close()}>Back <Key name="Esc" /></button>
    {#if point.amount === undefined}<small class="text-vermilion" role="alert">a number, 0 or more</small
      >{/if}
    {#if point.keeping.refused}<span class="text-vermilion" role="alert">{point.keeping.refused}</span>{/if}
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
