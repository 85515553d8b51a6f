<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import type { Schemas } from '$lib/api/client';
  import { momentAt } from '$lib/format';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import type { CountsScreen } from './counts-screen.svelte';
  import PostingSlip from './PostingSlip.svelte';

  /** A correction that waits for approval: who asked, what it would do, and whose turn it is. */
  let { screen, view }: { screen: CountsScreen; view: Schemas['WaitingView'] } = $props();
  const row = $derived(view.row);
  const waits = $derived(row.state === 'waiting');
</script>

<section class="mt-3" data-testid="waiting">
  <p>
    Asked for by {row.madeBy}, {momentAt(row.madeAt, screen.today)}.
    {#if view.approved.length > 0}Approved by {view.approved.join('; ')}.{/if}
    {#if waits && view.asks}<b>Waits for the {view.asks}.</b>{/if}
    {#if row.state === 'posted'}Posted.{/if}
    {#if row.why}Sent back by {row.doneBy}: {row.why}{/if}
  </p>
  {#if view.posting}<div class="mt-2">
      <PostingSlip posting={{ preview: { ...view.posting, asks: null } }} currency={screen.currency} />
    </div>{/if}
  {#if waits}
    <p class="no-print mt-3 flex gap-2">
      <button
        type="button"
        class="main-action"
        disabled={screen.doing.busy}
        onclick={() => void screen.post()}>Approve <Key name="y" /></button
      >
      <button
        type="button"
        class="plain-action"
        disabled={screen.doing.busy}
        onclick={() => screen.sendBack()}>Send back <Key name="b" /></button
      >
    </p>
    {#if screen.reason !== undefined}
      <form
        class="no-print mt-2 flex items-center gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          void screen.reject();
        }}
        {@attach escapes(() => (screen.reason = undefined))}
      >
        <label for="why-back">Why</label>
        <input id="why-back" class="field flex-1" {@attach begins()} bind:value={screen.reason} />
        <button type="submit" class="main-action" disabled={!screen.reason.trim()}>Send it back</button>
      </form>
    {/if}
  {/if}
</section>
