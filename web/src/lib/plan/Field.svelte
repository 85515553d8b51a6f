<script lang="ts">
  /** A field with its name above it: a text, a date, or a choice. */
  interface Props {
    name: string;
    value?: string;
    type?: 'text' | 'date';
    placeholder?: string;
    min?: string;
    help?: string;
    wide?: boolean;
    choices?: { code: string; name: string }[];
    onchange?: (value: string) => void;
  }
  let {
    name,
    value = $bindable(''),
    type = 'text',
    placeholder = '',
    min,
    help,
    wide = false,
    choices,
    onchange
  }: Props = $props();
</script>

<label class="grid gap-0.5">
  <span class="text-sm text-ink-2">{name}</span>
  {#if choices}
    <select
      class="field max-w-[170px]"
      bind:value={() => value ?? '', (v) => (value = v)}
      onchange={() => onchange?.(value)}
    >
      <option value="">as it is</option>
      {#each choices as choice (choice.code)}<option value={choice.code}>{choice.name}</option>{/each}
    </select>
  {:else}
    <input
      class="field {wide ? 'w-[260px]' : type === 'date' ? 'w-[128px]' : 'w-[92px]'}"
      {type}
      {placeholder}
      {min}
      autocomplete="off"
      bind:value={() => value ?? '', (v) => (value = v)}
      oninput={() => onchange?.(value)}
    />
  {/if}
  {#if help}<small class="text-ink-3">{help}</small>{/if}
</label>
