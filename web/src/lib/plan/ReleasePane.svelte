<script lang="ts">
  import { untrack } from 'svelte';
  import { count, documentName, money, said } from '$lib/format';
  import { pointHref } from '$lib/links';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import AlsoFromSupplier from './AlsoFromSupplier.svelte';
  import type { Panes } from './panes.svelte';
  import ReleasedOrders from './ReleasedOrders.svelte';
  import ReleaseLines from './ReleaseLines.svelte';
  import { Releasing } from './releasing.svelte';
  import { cureOf } from './repairs';

  /** What would be created from the chosen orders, before anything is. */
  interface Props {
    keys: string[];
    panes: Panes;
    today: string;
    currency: string;
  }
  let { keys, panes, today, currency }: Props = $props();
  const releasing = new Releasing(
    untrack(() => panes),
    () => keys
  );
  const documents = $derived(releasing.documents);
  const obstacles = $derived(releasing.obstacles);
  const gone = $derived(releasing.gone);
  const since = $derived(releasing.since);
  const late = $derived(releasing.late);
  const lines = $derived(releasing.lines);
  let heading = $state<HTMLHeadingElement>();
  $effect(() => heading?.focus());

  export function press() {
    releasing.press();
  }
</script>

<section class="px-5 pt-3 pb-6" aria-label="Release">
  {#if releasing.created}
    <h2 class="text-xl" tabindex="-1" bind:this={heading}>
      Released: {count(releasing.created.orders.length, 'order')}
    </h2>
    <ReleasedOrders orders={releasing.created.orders} {currency} />
    {#each releasing.created.leftOut as left (left.key)}<p class="mt-2 text-ink-2">
        Left out: {said(left.sentence)}
      </p>{/each}
    <p class="no-print mt-4 flex gap-2">
      <button type="button" class="plain-action" onclick={() => window.print()}>Print</button>
      <button type="button" class="plain-action" onclick={() => (panes.releasing = undefined)}
        >Back to the plan <Key name="Esc" /></button
      >
    </p>
  {:else}
    <h2 class="text-xl" tabindex="-1" bind:this={heading}>
      Release {lines}{releasing.summary ? `: ${releasing.summary}` : ''}
    </h2>
    {#if releasing.preview.isPending}
      <p class="mt-2 text-ink-2">Working out what will be created …</p>
    {:else if releasing.preview.isError}
      <p class="mt-2 text-vermilion" role="alert">{releasing.preview.error.message}</p>
    {/if}
    {#if releasing.refused}
      <p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{releasing.refused}</p>
    {/if}
    {#if since.length > 0 && !releasing.unanswered}
      <div class="mt-2 border-l-4 border-marigold bg-slip px-3 py-2" role="alert" data-testid="since">
        <b>Since you looked:</b>
        {#each since as sentence (sentence)}<p>{said(sentence)}</p>{/each}
        {#if releasing.toConfirm}<p>The plan still asks for what you chose. Is it still wanted?</p>{/if}
      </div>
    {/if}
    {#if gone.length > 0 && !releasing.unanswered}
      <p class="mt-2 text-vermilion" role="alert">
        {count(gone.length, 'planned order')} of your choice {gone.length === 1 ? 'is' : 'are'} no longer asked
        for.
        <button type="button" class="link" onclick={() => panes.takeOut(gone)}
          >Take {gone.length === 1 ? 'it' : 'them'} out <Key name="r" /></button
        >
      </p>
    {/if}
    {#if obstacles.length > 0}
      <div class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2">
        {#each obstacles as obstacle (obstacle.key)}
          <p>
            <b>Cannot be released:</b>
            {said(obstacle.sentence)}
            <button type="button" class="link" onclick={() => (panes.curing = cureOf(obstacle).deciding)}
              >{cureOf(obstacle).says}</button
            >
            · <a class="link" href={pointHref(obstacle.item, obstacle.site)}>Look at it</a>
          </p>
        {/each}
        {#if documents.length > 0}
          <label class="mt-1 flex items-center gap-2">
            <input type="checkbox" bind:checked={releasing.leaveOut} />
            Leave {obstacles.length === 1 ? 'it' : 'them'} out and release the other {lines}
          </label>
        {/if}
      </div>
    {/if}
    {#each documents as document, i (i)}
      <div class="mt-4">
        <h3 class="section flex items-center gap-2">
          <SourceTile source={document.kind} stage="released" />
          <span class="inline-block first-letter:uppercase">{documentName(document.kind)}</span>
          {#if document.partner}<span class="font-normal"
              >{document.kind === 'transfer' ? 'from' : 'to'} {document.partner}</span
            >{/if}
          <span class="ml-auto font-normal text-ink-2">for {document.siteName}</span>
        </h3>
        <ReleaseLines
          {document}
          earlier={releasing.earlier}
          brought={releasing.brought}
          {today}
          {currency}
          onswap={(key, instead) => panes.swap(key, instead)}
        />
        {#if document.minimum}
          <p class="mt-1 font-semibold text-vermilion">
            {document.value !== undefined && document.value !== null ? money(document.value, currency) : ''} is
            below the supplier's minimum order value of {money(document.minimum, currency)}.
          </p>
        {/if}
        {#if document.kind === 'buy' && document.supplier}
          <AlsoFromSupplier
            {document}
            orders={releasing.more(document)}
            bind:weeks={releasing.weeks}
            {today}
            {currency}
            onmore={(keys) => panes.add(keys)}
          />
        {/if}
        {#if document.kind === 'buy' && document.lines[0] && !document.number}
          <label class="mt-1 flex items-center gap-2">
            <span class="text-sm text-ink-2">Note for {document.partner}</span>
            <input
              class="field min-w-0 flex-1"
              maxlength="1000"
              value={releasing.noteOf(document)}
              oninput={(e) => releasing.writeNote(document, e.currentTarget.value)}
            />
          </label>
        {/if}
      </div>
    {/each}
    {#if late.length > 0}
      <label class="mt-3 flex items-center gap-2" data-testid="as-possible">
        <input type="checkbox" bind:checked={releasing.asPossible} />
        {late.length === 1 ? 'One line' : `${late.length} lines`} cannot be there in time: send
        {late.length === 1 ? 'it' : 'them'} out with the day on which {late.length === 1 ? 'it' : 'they'} can, so
        that what is late stays late
      </label>
    {/if}
    {#if documents.length > 0}
      <label class="mt-4 grid gap-1">
        <span class="text-sm text-ink-2">Note on the orders that have none of their own (optional)</span>
        <textarea
          class="rounded border border-line bg-sheet px-2 py-1"
          rows="2"
          maxlength="1000"
          bind:value={releasing.note}></textarea>
      </label>
    {/if}
    <fieldset class="mt-3 flex gap-4">
      <legend class="sr-only">Stage</legend>
      <label class="flex items-center gap-1.5"
        ><input
          type="radio"
          name="stage"
          checked={!releasing.firmOnly}
          onchange={() => (releasing.firmOnly = false)}
        />release to those who carry them out</label
      >
      <label class="flex items-center gap-1.5"
        ><input
          type="radio"
          name="stage"
          checked={releasing.firmOnly}
          onchange={() => (releasing.firmOnly = true)}
        />firm only</label
      >
    </fieldset>
    {#if !rights.releases()}<p class="mt-3 text-ink-2">Releasing is for planners and buyers.</p>{/if}
    <p class="mt-4 flex gap-2">
      <button
        type="button"
        class="main-action"
        disabled={(!releasing.ready && !releasing.firmOnly) || releasing.creation.isPending}
        onclick={press}
      >
        {releasing.doing}
        <Key name="r" />
      </button>
      <button
        type="button"
        class="plain-action"
        style="height: 30px"
        onclick={() => (panes.releasing = undefined)}>Back <Key name="Esc" /></button
      >
    </p>
  {/if}
</section>
