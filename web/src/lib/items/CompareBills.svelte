<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import ItemField from '$lib/plan/ItemField.svelte';
  import { billsCompared } from '$lib/queries';

  /** The bill of materials of an item beside that of another. */
  let { item }: { item: string } = $props();
  let other = $state('');
  let onlyOther = $state(true);
  const pairs = createQuery(() => ({ ...billsCompared(item, other), enabled: other !== '' }));
  const seen = $derived((pairs.data ?? []).filter((p) => !onlyOther || !p.same));
</script>

{#snippet line(of: Schemas['LineView'] | null | undefined)}
  {#if of}{quantity(of.quantity)}
    <small class="text-ink-3"
      >{of.unit}{of.perOrder ? ' an order' : ''}{of.scrap
        ? ` +${quantity(Number((of.scrap * 100).toFixed(4)))} %`
        : ''}{of.step ? ` at ${of.step}` : ''}</small
    >{:else}<span class="text-ink-3">–</span>{/if}
{/snippet}

<div class="flex items-end gap-3 py-2">
  <ItemField name="Beside that of" bind:value={other} />
  {#if pairs.data}
    <label class="flex items-center gap-1 pb-1"
      ><input type="checkbox" bind:checked={onlyOther} /> only what differs</label
    >
    <span class="pb-1 text-ink-2"
      >{pairs.data.filter((p) => !p.same).length} of {pairs.data.length} differ</span
    >
  {/if}
</div>
{#if pairs.isError && other}<p class="text-vermilion" role="alert">{pairs.error.message}</p>{/if}
{#if pairs.data}
  <table class="grid-table" data-testid="compared">
    <thead><tr><th>Component</th><th class="num">{item}</th><th class="num">{other}</th></tr></thead>
    <tbody>
      {#each seen as pair, i (i)}
        <tr class:text-ink-3={pair.same}>
          <td><a class="link" href={itemHref(pair.component)}>{pair.component}</a> {pair.componentName}</td>
          <td class="num" class:font-bold={!pair.same}>{@render line(pair.left)}</td>
          <td class="num" class:font-bold={!pair.same}>{@render line(pair.right)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if seen.length === 0}<p class="py-1 text-ink-2">They are the same.</p>{/if}
{/if}
