<script lang="ts">
  import { rights } from '$lib/rights.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { ItemsScreen } from './items-screen.svelte';

  /** What can be done with the items of the list. */
  let { screen }: { screen: ItemsScreen } = $props();
</script>

{#if screen.refused}
  <span class="min-w-0 flex-1 truncate text-marigold" role="alert">{screen.refused}</span>
{:else}<KeptLine last={screen.last} />{/if}
<Fetching {screen} />
{#if rights.changes('items')}
  <button type="button" class="bar-action" onclick={() => screen.add()}><Key name="n" dark /> New item</button
  >
{/if}
{#if rights.decides('COPY')}
  <button type="button" class="bar-action" onclick={() => screen.decide('COPY')}
    ><Key name="c" dark /> New like it</button
  >
{/if}
{#if rights.changes('items')}
  <button type="button" class="bar-action" onclick={() => screen.changeMany()}
    ><Key name="e" dark /> Change {screen.list.selected.size > 1
      ? screen.list.selected.size
      : 'several'}</button
  >
{/if}
<button type="button" class="bar-action" onclick={() => screen.save()}
  ><Key name="E" dark /> Save as CSV</button
>
