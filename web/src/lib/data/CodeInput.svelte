<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { offered } from '$lib/queries';

  /** A code of another table, found by code or name while it is typed. */
  interface Props {
    table: string;
    title: string;
    value: string;
    placeholder?: string;
    onchange: (value: string) => void;
    onkeydown: (event: KeyboardEvent) => void;
    onleave: () => void;
  }
  let { table, title, value, placeholder = '', onchange, onkeydown, onleave }: Props = $props();
  const id = $props.id();
  let words = $state('');
  const found = createQuery(() => offered({ table, words: words || undefined }));

  function focused(element: HTMLInputElement) {
    element.focus();
    element.select();
  }
</script>

<input
  {@attach focused}
  class="input"
  list="codes-{id}"
  aria-label={title}
  autocomplete="off"
  {placeholder}
  {value}
  oninput={(e) => {
    words = e.currentTarget.value.trim();
    onchange(words);
  }}
  {onkeydown}
  onblur={onleave}
/>
<datalist id="codes-{id}">
  {#each found.data ?? [] as row (row.code)}<option value={row.code}>{row.name ?? ''}</option>{/each}
</datalist>

<style>
  .input {
    width: 100%;
    min-width: 90px;
    height: 24px;
    padding: 0 4px;
    border: 1px solid var(--ink-3);
    border-radius: var(--radius);
    background: var(--slip);
    color: var(--ink);
  }
</style>
