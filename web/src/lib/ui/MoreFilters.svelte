<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Column } from './columns.svelte';
  import SavedViews from './SavedViews.svelte';
  import type { View, Views } from './views.svelte';

  /** Behind one press: filters that are seldom wanted, saved views, and which columns are shown. */
  interface Props {
    /** How many of these filters are set. */
    set: number;
    screen: {
      views: Views;
      saveView: (name: string) => void;
      openView: (view: View) => void;
      choices: Column[];
      chosen: string[];
      toggleColumn: (code: string) => void;
    };
    open?: boolean;
    children: Snippet;
  }
  let { set, screen, open = $bindable(false), children }: Props = $props();
</script>

<span class="relative">
  <button type="button" class="chip" aria-expanded={open} onclick={() => (open = !open)}
    >More{#if set > 0}&nbsp;<b>{set}</b>{/if}</button
  >
  {#if open}
    <div class="sheet" role="group" aria-label="More filters">
      {@render children()}
      <div class="basis-full">
        <SavedViews
          views={screen.views.named}
          onsave={(name) => screen.saveView(name)}
          onforget={(name) => screen.views.forget(name)}
          onopen={(view) => screen.openView(view)}
        />
      </div>
      <fieldset class="columns">
        <legend class="text-sm text-ink-2">Columns</legend>
        {#each screen.choices as column (column.code)}
          <label class="flex items-center gap-1"
            ><input
              type="checkbox"
              checked={screen.chosen.includes(column.code)}
              onchange={() => screen.toggleColumn(column.code)}
            />{column.name}</label
          >
        {/each}
      </fieldset>
    </div>
  {/if}
</span>

<style>
  .sheet {
    position: absolute;
    top: 30px;
    left: 0;
    z-index: 5;
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    width: 470px;
    max-width: 90vw;
    padding: 10px;
    border: 1px solid var(--ink);
    border-radius: var(--radius);
    background: var(--slip);
  }
  .columns {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 12px;
    flex-basis: 100%;
  }
</style>
