<script lang="ts">
  import { date, longDate, parsedDate } from '$lib/format';
  import { numberFault } from './command';

  /** A field with its name above it: a text, a choice, or a date, which is typed as `9 Dec` or `+5` and kept as ISO. */
  interface Props {
    name: string;
    value?: string;
    /** The field is a date; today says which year is meant. */
    today?: string;
    placeholder?: string;
    help?: string;
    wide?: boolean;
    /** The field is a number above nought, or any number. */
    number?: 'positive' | 'any';
    /** What the server says against it. */
    fault?: string;
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
    number,
    fault,
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

  const id = $props.id();
  /** What is wrong with what stands there, in words. */
  const says = $derived(
    wrong
      ? 'a date like 9 Dec, 9.12., w50 or +5'
      : ((number && value ? numberFault(value, number) : undefined) ?? fault)
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
      title={value ? longDate(value) : 'as 9 Dec, 9.12., w50 for a week, or +5 for five days after today'}
      aria-invalid={Boolean(says)}
      aria-describedby={says ? id : undefined}
      value={typed ?? (value ? date(value, today) : '')}
      oninput={(e) => type(e.currentTarget.value)}
      onblur={() => {
        if (!wrong) typed = undefined;
      }}
    />
  {:else}
    <input
      class="field {wide ? 'w-[260px]' : 'w-[92px]'}"
      {placeholder}
      autocomplete="off"
      aria-invalid={Boolean(says)}
      aria-describedby={says ? id : undefined}
      bind:value={() => value ?? '', (v) => (value = v)}
      oninput={() => onchange?.(value ?? '')}
    />
  {/if}
  {#if says}<small class="max-w-[190px] text-vermilion" {id} role="alert">{says}</small>{/if}
  {#if help}<small class="text-ink-3">{help}</small>{/if}
</label>
