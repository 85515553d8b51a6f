<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { after, label, shown, typed, type ColumnView } from './tables';
  import CodeInput from './CodeInput.svelte';

  /** A value that is changed where it stands: a press, or typing on it, opens its field. */
  interface Props {
    column: ColumnView;
    value: string;
    /** What it was, where it is otherwise now. */
    before?: string;
    changed?: boolean;
    /** What is said of it where nothing stands there, and what stands there then. */
    otherwise?: string;
    fault?: string;
    conflict?: Schemas['Conflict'];
    /** The name of the code that stands there. */
    name?: string;
    today: string;
    readonly?: boolean;
    /** What the field is about, said before its name. */
    about: string;
    /** It is typed at once. */
    open?: boolean;
    onchange: (value: string) => void;
    onresolve?: (mine: boolean) => void;
  }
  let {
    column,
    value,
    before,
    changed = false,
    otherwise = '',
    fault,
    conflict,
    name,
    today,
    readonly = false,
    about,
    open = false,
    onchange,
    onresolve
  }: Props = $props();
  const id = $props.id();
  let editing = $state(false);
  /** What stands in the field as it was typed. */
  let text = $state<string | undefined>();
  $effect(() => {
    if (open) editing = true;
  });
  const title = $derived(`${about}: ${label(column.name)}`);
  const right = $derived(column.holds === 'number' || column.holds === 'whole');

  function begin() {
    text = undefined;
    if (!readonly) editing = true;
  }

  function focused(element: HTMLElement) {
    element.focus();
    if (element instanceof HTMLInputElement) element.select();
  }

  function done(event: KeyboardEvent) {
    if (event.key === 'Enter' || event.key === 'Escape') {
      event.preventDefault();
      event.stopPropagation();
      if (event.key === 'Escape' && before !== undefined) onchange(before);
      editing = false;
    }
  }

  function leave(event: FocusEvent) {
    const box = (event.currentTarget as HTMLElement).closest('.cell');
    if (!box?.contains(event.relatedTarget as Node | null)) editing = false;
  }
</script>

<span class="cell" class:right class:changed class:wrong={Boolean(fault) || Boolean(conflict)}>
  {#if editing && column.holds === 'words'}
    <select
      {@attach focused}
      class="input"
      aria-label={title}
      {value}
      onchange={(e) => onchange(e.currentTarget.value)}
      onkeydown={done}
      onblur={leave}
    >
      {#if !column.required}<option value="">{otherwise || '—'}</option>{/if}
      {#each column.words ?? [] as word (word)}<option value={word}>{word.replaceAll('_', ' ')}</option
        >{/each}
    </select>
  {:else if editing && column.holds === 'flag'}
    <select
      {@attach focused}
      class="input"
      aria-label={title}
      {value}
      onchange={(e) => onchange(e.currentTarget.value)}
      onkeydown={done}
      onblur={leave}
    >
      <option value="">{otherwise || '—'}</option>
      <option value="true">yes</option>
      <option value="false">no</option>
    </select>
  {:else if editing && column.references}
    <CodeInput
      table={column.references}
      {title}
      {value}
      placeholder={otherwise}
      {onchange}
      onkeydown={done}
      onleave={() => (editing = false)}
    />
  {:else if editing}
    <input
      {@attach focused}
      class="input"
      aria-label={title}
      aria-invalid={Boolean(fault)}
      aria-describedby={fault ? id : undefined}
      autocomplete="off"
      placeholder={otherwise}
      value={text ?? shown(column, value, today)}
      oninput={(e) => {
        text = e.currentTarget.value;
        onchange(typed(column, text, today));
      }}
      onkeydown={done}
      onblur={leave}
    />
  {:else if readonly}
    <span class="value">{shown(column, value, today) || otherwise}</span>
  {:else}
    <button
      type="button"
      class="value"
      aria-label="{title}, {shown(column, value, today) || otherwise || 'nothing'}, change"
      title={name ? `${name}. ${column.meaning}` : column.meaning}
      onclick={begin}
    >
      {#if value === ''}<span class="none">{otherwise || '·'}</span>{:else}{shown(
          column,
          value,
          today
        )}{#if after(column.name)}<small>&thinsp;{after(column.name)}</small>{/if}{/if}
    </button>
  {/if}
  {#if changed && before !== undefined && !editing}<s>{shown(column, before, today) || 'nothing'}</s>{/if}
  {#if conflict}
    <span class="fault" role="alert"
      >now {shown(column, conflict.now, today) || 'nothing'}, changed by somebody else;
      <button type="button" class="link" onclick={() => onresolve?.(true)}
        >keep {shown(column, conflict.mine, today) || 'nothing'}</button
      >
      <button type="button" class="link" onclick={() => onresolve?.(false)}>take theirs</button></span
    >
  {:else if fault}<span class="fault" {id} role="alert">{fault}</span>{/if}
</span>

<style>
  .cell {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 5px;
    min-width: 0;
  }
  .right {
    justify-content: flex-end;
  }
  .value {
    max-width: 260px;
    overflow: hidden;
    padding: 1px 3px;
    margin: 0 -3px;
    border-radius: var(--radius);
    text-align: inherit;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  button.value:hover {
    background: var(--slip);
    box-shadow: inset 0 -1px 0 var(--marigold);
  }
  .changed .value {
    background: var(--marigold-tint);
    font-weight: 600;
  }
  .wrong .value {
    box-shadow: inset 0 -2px 0 var(--vermilion);
  }
  .none,
  small {
    color: var(--ink-3);
    font-weight: 400;
  }
  s {
    color: var(--ink-3);
    font-size: 11px;
  }
  .input {
    width: 100%;
    min-width: 52px;
    height: 24px;
    padding: 0 4px;
    border: 1px solid var(--ink-3);
    border-radius: var(--radius);
    background: var(--slip);
    color: var(--ink);
    text-align: inherit;
  }
  .fault {
    flex-basis: 100%;
    max-width: 230px;
    color: var(--vermilion);
    font-size: 11.5px;
    text-align: left;
    white-space: normal;
  }
</style>
