<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { date } from '$lib/format';

  /** Whose orders go later, or sooner, by what a supplier says. */
  let { consequence, today }: { consequence: Schemas['Consequence']; today: string } = $props();
</script>

{#if consequence.late.length > 0}
  <ul data-testid="suffers">
    {#each consequence.late as late (late.number + late.line)}
      <li class:text-vermilion={!late.better}>
        <b>{late.number} line {late.line}</b>{late.customer ? `, ${late.customer}` : ''},
        {late.item}: {late.neverAfter
          ? 'could not be met any more'
          : late.after
            ? `can go ${date(late.after, today)}, not ${date(late.due, today)}`
            : 'goes in time then'}
      </li>
    {/each}
  </ul>
{:else if consequence.refusals.length === 0}
  <p class="text-ink-2">No customer's order goes later by it.</p>
{/if}
