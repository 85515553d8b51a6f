<script lang="ts">
  import { itemHref } from '$lib/links';
  import { parsedNumber, quantity } from '$lib/format';
  import type { Answer, EntryLine } from './entry';
  import type { EntryScreen } from './entry-screen.svelte';

  /** What a kit consists of, and what it shall consist of for this order alone. */
  interface Props {
    screen: EntryScreen;
    line: EntryLine;
    /** Undefined until there is one. */
    answer: Answer | undefined;
    at: number;
  }
  let { screen, line, answer, at }: Props = $props();
  const own = $derived(line.parts);
  const unitOf = (code: string) => answer?.parts.find((p) => p.item === code)?.unit ?? '';
  /** The parts with one of them typed otherwise, or one more. */
  function typed(place: number, how: { component?: string; quantity?: string }) {
    const next = [...(own ?? [])];
    next[place] = { component: '', quantity: '1', ...next[place], ...how };
    screen.ofParts(at, next);
  }
  const wrong = (text: string) => text.trim() !== '' && !(parsedNumber(text) > 0);
</script>

{#if own}
  <fieldset class="mt-1 text-sm" data-testid="parts-{at}">
    <legend class="text-ink-2">For this order alone, each {line.item} of line {at + 1} consists of</legend>
    {#each own as part, i (i)}
      <span class="part">
        <input
          class="field w-[56px] text-right"
          inputmode="decimal"
          autocomplete="off"
          aria-label="Quantity of part {i + 1} of line {at + 1}"
          aria-invalid={wrong(part.quantity)}
          value={part.quantity}
          oninput={(e) => typed(i, { quantity: e.currentTarget.value })}
        />
        <small class="text-ink-3">{unitOf(part.component)}</small>
        <input
          class="field w-[112px]"
          list="sheet-items"
          autocomplete="off"
          aria-label="Part {i + 1} of line {at + 1}"
          value={part.component}
          oninput={(e) => typed(i, { component: e.currentTarget.value.trim() })}
        />
        <button
          type="button"
          class="plain-action"
          aria-label="Leave part {i + 1} out"
          title="Leave it out"
          onclick={() => screen.ofParts(at, own.toSpliced(i, 1))}>−</button
        >
      </span>
    {/each}
    <button type="button" class="plain-action" onclick={() => typed(own.length, {})}>One more part</button>
    <button type="button" class="plain-action" onclick={() => screen.ofParts(at, undefined)}
      >The usual parts</button
    >
  </fieldset>
{:else if answer && answer.parts.length > 0}
  <p class="text-sm text-ink-2">
    A kit of {#each answer.parts as part, i (part.item)}{i > 0 ? ', ' : ''}{quantity(part.each)}
      {part.unit}
      <a class="link" href={itemHref(part.item)}>{part.item}</a>{/each}
    <button
      type="button"
      class="plain-action ml-2"
      onclick={() =>
        screen.ofParts(
          at,
          answer.parts.map((p) => ({ component: p.item, quantity: quantity(p.each) }))
        )}>Other parts for this order</button
    >
  </p>
{/if}

<style>
  .part {
    display: inline-flex;
    align-items: center;
    gap: 4px;
    margin: 2px 14px 2px 0;
  }
</style>
