<script lang="ts">
  import { date, longDate, parsedDate } from '$lib/format';

  /** A field with its name above it: a text, a choice, or a date, which is typed as `9 Dec` or `+5` and kept as ISO. */
  interface Props {
    name: string;
    value?: string;
    /** The field is a date; today says which year is meant. */
    today?: string;
    placeholder?: string;
    help?: string;
    wide?: boolean;
    choices?: { code: string; name: string }[];
    /** What stands there when nothing is chosen. */
    none?: string;
    onchange?: (value: string) => void;
  }
  let {
    name,
    value = $bindable(),
    today,
    placeholder = '',
    help,
    wide = false,
    choices,
    none = 'as it is',
    onchange
  }: Props = $props();
  /** What stands in a date's box while it is typed. */
  let typed = $state<string | undefined>();
  const wrong = $derived(
    today !== undefined &&
      typed !== undefined &&
      typed.trim() !== '' &&
      parsedDate(typed, today) === undefined
  );

  function type(text: string) {
    typed = text;
    value = (today && parsedDate(text, today)) ?? '';
    if (value || !text.trim()) onchange?.(value);
  }
</script>

<label class="grid gap-0.5">
  <span class="text-sm text-ink-2">{name}</span>
  {#if choices}
    <select
      class="field max-w-[150px]"
      bind:value={() => value ?? '', (v) => (value = v)}
      onchange={() => onchange?.(value ?? '')}
    >
      <option value="">{none}</option>
      {#each choices as choice (choice.code)}<option value={choice.code}>{choice.name}</option>{/each}
    </select>
  {:else if today !== undefined}
    <input
      class="field w-[92px]"
      placeholder={placeholder || '9 Dec, +5'}
      autocomplete="off"
      title={value ? longDate(value) : 'as 9 Dec, or +5 for five days after today'}
      aria-invalid={wrong}
      value={typed ?? (value ? date(value, today) : '')}
      oninput={(e) => type(e.currentTarget.value)}
      onblur={() => {
        if (!wrong) typed = undefined;
      }}
    />
    {#if wrong}<small class="text-vermilion">a date like 9 Dec</small>{/if}
  {:else}
    <input
      class="field {wide ? 'w-[260px]' : 'w-[92px]'}"
      {placeholder}
      autocomplete="off"
      bind:value={() => value ?? '', (v) => (value = v)}
      oninput={() => onchange?.(value ?? '')}
    />
  {/if}
  {#if help}<small class="text-ink-3">{help}</small>{/if}
</label>
