<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { clock } from '$lib/format';
  import { rights } from '$lib/rights.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import { KINDS } from './letters';
  import type { LettersScreen } from './letters-screen.svelte';

  /** How the simulated suppliers behave, and what they are about to write. */
  let { screen }: { screen: LettersScreen } = $props();
  type Number =
    | 'answerSeconds'
    | 'deliverySeconds'
    | 'invoiceSeconds'
    | 'latePercent'
    | 'shortPercent'
    | 'pricePercent'
    | 'seed';
  const WAITS: { field: Number; name: string; unit: string; most: number }[] = [
    { field: 'answerSeconds', name: 'Answer an order after', unit: 'seconds', most: 86400 },
    { field: 'deliverySeconds', name: 'Deliver after', unit: 'seconds more', most: 86400 },
    { field: 'invoiceSeconds', name: 'Charge after', unit: 'seconds more', most: 86400 }
  ];
  const SHARES: { field: Number; name: string; unit: string; most: number }[] = [
    { field: 'latePercent', name: 'Come late', unit: 'of a hundred lines', most: 100 },
    { field: 'shortPercent', name: 'Come in two parts', unit: 'of a hundred lines', most: 100 },
    { field: 'pricePercent', name: 'Cost more than agreed', unit: 'of a hundred lines', most: 100 },
    { field: 'seed', name: 'Luck', unit: 'the same number: the same luck', most: 1_000_000 }
  ];
  const ahead = $derived(screen.standIn.data?.ahead ?? []);
</script>

{#if screen.habits}
  {@const habits = screen.habits}
  <form
    class="px-5 pt-3 pb-6"
    aria-label="Simulated suppliers"
    onsubmit={(e) => {
      e.preventDefault();
      void screen.keepHabits();
    }}
    {@attach escapes(() => (screen.habits = undefined))}
  >
    <h2 class="text-xl">Simulated suppliers</h2>
    <p class="mt-1 max-w-[640px] text-ink-2">
      They stand in for real ones: they read the orders that were sent by the mail server of this
      installation, and answer, deliver and charge by mail. What was ordered before keeps to what was said
      then. With a mail server of one's own they are silent.
    </p>
    <label class="mt-3 flex items-center gap-2"
      ><input type="checkbox" {@attach begins()} bind:checked={habits.on} /> They answer</label
    >
    <div class="mt-3 grid gap-2">
      {#each [...WAITS, ...SHARES] as one (one.field)}
        <label class="ask"
          ><span>{one.name}</span>
          <input class="field" type="number" min="0" max={one.most} required bind:value={habits[one.field]} />
          <span class="text-ink-2">{one.unit}</span></label
        >
      {/each}
    </div>
    <p class="mt-3 flex gap-2">
      <button type="submit" class="main-action" disabled={screen.busy || !rights.releases(['buy'])}
        >Keep <Key name="Enter" /></button
      >
      <button type="button" class="plain-action" onclick={() => (screen.habits = undefined)}
        >Leave it <Key name="Esc" /></button
      >
    </p>
    <h3 class="section mt-5">What they are about to write</h3>
    {#if ahead.length > 0}
      <ul data-testid="ahead">
        {#each ahead as one, i (i)}<li>
            {clock(one.dueAt)}: {KINDS[one.kind]?.toLowerCase()} for {one.about}, {one.sender}
          </li>{/each}
      </ul>
    {:else}<p class="text-ink-2">Nothing: send an order from its page.</p>{/if}
  </form>
{/if}

<style>
  .ask {
    display: grid;
    grid-template-columns: 190px 110px minmax(0, 1fr);
    align-items: center;
    gap: 8px;
  }
</style>
