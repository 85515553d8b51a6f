<script lang="ts">
  import { itemHref } from '$lib/links';
  import { quantity } from '$lib/format';
  import type { Answer, EntryLine } from './entry';
  import type { EntryScreen } from './entry-screen.svelte';
  import PartsField from './PartsField.svelte';

  /** What a kit consists of, and what it shall consist of for this order alone. */
  interface Props {
    screen: EntryScreen;
    line: EntryLine;
    /** Undefined until there is one. */
    answer: Answer | undefined;
    at: number;
  }
  let { screen, line, answer, at }: Props = $props();
  const unitOf = (code: string) => answer?.parts.find((p) => p.item === code)?.unit ?? '';
</script>

{#if line.parts}
  <fieldset class="mt-1 text-sm" data-testid="parts-{at}">
    <legend class="text-ink-2">For this order alone, each {line.item} of line {at + 1} consists of</legend>
    <PartsField
      parts={line.parts}
      of="line {at + 1}"
      codes="sheet-items"
      {unitOf}
      onchange={(parts) => screen.ofParts(at, parts)}
    />
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
