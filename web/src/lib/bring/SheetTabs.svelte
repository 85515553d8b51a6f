<script lang="ts">
  import { count } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import type { BringScreen } from './bring-screen.svelte';
  import type { SheetChoice } from './sheet-choice.svelte';

  /** The sheets of a file: which of them come in together, and what becomes of each. */
  let { screen }: { screen: BringScreen } = $props();

  function outcome(sheet: SheetChoice): string {
    if (sheet.view.rows === 0) return 'empty';
    if (!sheet.taken) return 'stays out';
    if (!sheet.table) return 'not known';
    if (!sheet.preview) return '…';
    const { faulty } = sheet.preview;
    if (sheet.stopped) return count(faulty, 'fault');
    return sheet.coming === 0 ? 'nothing new' : `${sheet.coming} in`;
  }
</script>

<div class="flex items-baseline gap-2">
  <b>{screen.brought?.name}</b>
  <span class="text-ink-2"
    >{count(screen.sheets.length, 'sheet')}; those ticked come in together, whatever one names in another</span
  >
  <span class="ml-auto"><Key name="[" /> <Key name="]" /></span>
</div>
<ul class="sheets" aria-label="Sheets">
  {#each screen.sheets as sheet (sheet.place)}
    <li class:here={sheet.place === screen.place}>
      <input
        type="checkbox"
        aria-label="Bring in {sheet.view.name}"
        disabled={sheet.view.rows === 0}
        bind:checked={sheet.taken}
      />
      <button
        type="button"
        aria-current={sheet.place === screen.place}
        onclick={() => screen.look(sheet.place)}
      >
        <span class="name">{sheet.view.name.replace(/\.\w+$/, '').replaceAll('_', ' ')}</span>
        <span class="n" class:wrong={sheet.taken && (sheet.stopped || !sheet.table)}>{outcome(sheet)}</span>
      </button>
    </li>
  {/each}
</ul>

<style>
  .sheets {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 2px 14px;
    border-block: 1px solid var(--line);
    padding-block: 5px;
  }
  li {
    display: flex;
    align-items: center;
    gap: 6px;
    padding: 1px 5px;
  }
  li.here {
    background: var(--marigold-tint);
    box-shadow: -3px 0 0 var(--marigold);
  }
  button {
    display: flex;
    min-width: 0;
    flex: 1;
    align-items: baseline;
    gap: 6px;
    text-align: left;
  }
  .name {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .n {
    margin-left: auto;
    color: var(--ink-3);
    white-space: nowrap;
  }
  .n.wrong {
    color: var(--vermilion);
  }
</style>
