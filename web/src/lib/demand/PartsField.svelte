<script lang="ts">
  import { parsedNumber } from '$lib/format';

  /** The parts of a kit for one line alone, typed one by one. */
  interface Props {
    parts: { component: string; quantity: string }[];
    /** What the fields are of, for those who only hear them: "line 2". */
    of: string;
    /** The list of codes that are offered. */
    codes: string;
    unitOf: (component: string) => string;
    onchange: (parts: { component: string; quantity: string }[]) => void;
  }
  let { parts, of, codes, unitOf, onchange }: Props = $props();

  /** The parts with one of them typed otherwise, or one more. */
  function typed(place: number, how: { component?: string; quantity?: string }) {
    const next = [...parts];
    next[place] = { component: '', quantity: '1', ...next[place], ...how };
    onchange(next);
  }
  const wrong = (text: string) => text.trim() !== '' && !(parsedNumber(text) > 0);
</script>

{#each parts as part, i (i)}
  <span class="part">
    <input
      class="field w-[56px] text-right"
      inputmode="decimal"
      autocomplete="off"
      aria-label="Quantity of part {i + 1} of {of}"
      aria-invalid={wrong(part.quantity)}
      value={part.quantity}
      oninput={(e) => typed(i, { quantity: e.currentTarget.value })}
    />
    <small class="text-ink-3">{unitOf(part.component)}</small>
    <input
      class="field w-[112px]"
      list={codes}
      autocomplete="off"
      aria-label="Part {i + 1} of {of}"
      value={part.component}
      oninput={(e) => typed(i, { component: e.currentTarget.value.trim() })}
    />
    <button
      type="button"
      class="plain-action"
      aria-label="Leave part {i + 1} out"
      title="Leave it out"
      onclick={() => onchange(parts.toSpliced(i, 1))}>−</button
    >
  </span>
{/each}
<button type="button" class="plain-action" onclick={() => typed(parts.length, {})}>One more part</button>

<style>
  .part {
    display: inline-flex;
    align-items: center;
    gap: 4px;
    margin: 2px 14px 2px 0;
  }
</style>
