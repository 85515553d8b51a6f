<script lang="ts">
  import { count, said } from '$lib/format';
  import ConsequenceView from '$lib/plan/ConsequenceView.svelte';
  import StockLine from '$lib/plan/StockLine.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { DataDraft } from './data-draft.svelte';

  /** At the foot of a sheet: what follows from all that is typed on it, before it is kept. */
  interface Props {
    draft: DataDraft;
    today: string;
    currency: string;
  }
  let { draft, today, currency }: Props = $props();
  const c = $derived(draft.consequence);
  let all = $state(false);
  const stands = $derived(c !== undefined && c.refusals.length === 0);
  const points = $derived(c?.points ?? []);
  const late = $derived(c?.late ?? []);

  /** What happens to the plan, in one line. */
  const brief = $derived.by(() => {
    if (!c) return '';
    const parts: string[] = [];
    if (c.appear.length > 0) parts.push(`${count(c.appear.length, 'planned order')} come`);
    if (c.vanish.length > 0) parts.push(`${c.vanish.length} go`);
    const worse = late.filter((l) => !l.better).length;
    const better = late.length - worse;
    if (worse > 0) parts.push(`${count(worse, 'customer order')} later`);
    if (better > 0) parts.push(`${count(better, 'customer order')} saved`);
    return parts.length > 0 ? parts.join(', ') : 'The plan stays as it is';
  });
</script>

{#if draft.any}
  <section class="foot" aria-label="What follows" data-testid="follows">
    <div class="flex flex-wrap items-center gap-2">
      <button
        type="button"
        class="main-action"
        disabled={!draft.ready || draft.keeping.isPending}
        onclick={() => draft.keep()}
        >{draft.keeping.isPending ? 'Keeping …' : `Keep ${count(draft.all.length, 'row')}`}
        <Key name="Enter" /></button
      >
      <button type="button" class="plain-action" style="height: 30px" onclick={() => draft.clear()}
        >Back <Key name="Esc" /></button
      >
      {#if draft.asking}<span class="text-ink-2">Working out what follows …</span>
      {:else if stands}<b class:text-vermilion={late.some((l) => !l.better)}>{brief}.</b>
        <button type="button" class="link" aria-expanded={all} onclick={() => (all = !all)}
          >{all ? 'Less' : 'All that follows'}</button
        >{/if}
    </div>
    {#if draft.refused}
      <p class="says" role="alert">{draft.refused}</p>
    {:else if draft.fault}
      <p class="says" role="alert">{draft.fault}</p>
    {:else}
      {#each c?.refusals ?? [] as refusal (refusal)}<p class="says" role="alert">{said(refusal)}</p>{/each}
    {/if}
    {#if stands && c}
      {#each c.remarks as remark (remark)}<p class="remark" data-testid="remark">{said(remark)}</p>{/each}
      {#each c.doubts as doubt (doubt.id)}<p class="remark" data-testid="doubt">
          {said(doubt.sentence)}
        </p>{/each}
      <div class:opacity-60={draft.old}>
        {#if all}
          <ConsequenceView consequence={c} {today} {currency} />
        {:else if points[0]}
          <p class="mt-1 text-sm text-ink-2">
            {points[0].after.item} at {points[0].after.siteName}: <b class="text-ink">after</b> in ink, before in
            grey
          </p>
          <StockLine point={points[0].after} before={points[0].before.line} onask={() => undefined} />
        {/if}
      </div>
    {/if}
  </section>
{/if}

<style>
  .foot {
    position: sticky;
    bottom: 0;
    z-index: 1;
    max-height: 62vh;
    overflow: auto;
    border-top: 2px solid var(--marigold);
    background: var(--paper);
    padding: 8px 20px;
  }
  .says {
    margin-top: 6px;
    border-left: 4px solid var(--vermilion);
    background: var(--slip);
    padding: 4px 10px;
  }
  .remark {
    margin-top: 6px;
    border-left: 4px solid var(--marigold);
    background: var(--slip);
    padding: 4px 10px;
  }
</style>
