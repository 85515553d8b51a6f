<script lang="ts">
  import type { View } from './views.svelte';

  /** Views of a list with a name: opened, forgotten, and the one in sight saved. */
  interface Props {
    views: View[];
    onsave: (name: string) => void;
    onforget: (name: string) => void;
    onopen: (view: View) => void;
  }
  let { views, onsave, onforget, onopen }: Props = $props();
  let name = $state('');

  function save(event: SubmitEvent) {
    event.preventDefault();
    if (name.trim()) onsave(name.trim());
    name = '';
  }
</script>

<div>
  <p class="text-sm text-ink-3">Saved views</p>
  <ul>
    {#each views as view (view.name)}
      <li class="flex justify-between gap-3 border-b border-line-2 py-1">
        <button type="button" class="link" onclick={() => onopen(view)}>{view.name}</button>
        <button
          type="button"
          class="text-sm text-ink-3 underline"
          aria-label="Forget the view {view.name}"
          onclick={() => onforget(view.name)}>forget</button
        >
      </li>
    {:else}
      <li class="text-ink-2">None yet. The address of this page holds the view too.</li>
    {/each}
  </ul>
  <form class="mt-2 flex gap-2" onsubmit={save}>
    <input
      class="field min-w-0 flex-1"
      placeholder="name of this view"
      aria-label="Name of this view"
      bind:value={name}
    />
    <button class="plain-action" style="height: 30px" disabled={!name.trim()}>Save this view</button>
  </form>
</div>
