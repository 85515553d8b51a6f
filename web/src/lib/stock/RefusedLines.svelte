<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { count, said } from '$lib/format';
  import { ledgerHref, orderHref, plannedHref } from '$lib/links';
  import { Cures } from './cures.svelte';

  /** Why a posting cannot be, line by line, each with what would help; what is only planned is released from here. */
  let { lines, again }: { lines: Schemas['RefusedLine'][]; again?: (() => void) | undefined } = $props();
  const cures = new Cures(() => lines);
</script>

<div class="border-l-4 border-vermilion bg-slip px-3 py-1.5" role="alert" data-testid="refused">
  <ul>
    {#each lines as line, i (i)}
      <li>
        {said(line.sentence)}{#each line.cures as cure, k (k)}{k === 0 ? '. ' : '; '}<a
            class="link text-ink-2"
            href={cure.number
              ? orderHref(cure.number)
              : cure.key
                ? plannedHref(cure.key)
                : ledgerHref(line.item ?? '', cure.site ?? '')}>{said(cure.sentence)}</a
          >{/each}
      </li>
    {/each}
  </ul>
  {#if cures.planned.length > 0 && again}
    <p class="mt-1.5">
      <button
        type="button"
        class="plain-action"
        disabled={cures.doing.busy}
        onclick={() => void cures.release().then(again)}
        >Release {count(cures.planned.length, 'planned order')} that
        {cures.planned.length === 1 ? 'brings' : 'bring'} it</button
      >
    </p>
  {/if}
  {#if cures.told.length > 0}<p class="mt-1.5" role="status">
      Released {#each cures.told as one, i (one.number)}{i > 0 ? ', ' : ''}<a
          class="link"
          href={orderHref(one.number)}>{one.number}</a
        >{/each}.
    </p>{/if}
  {#if cures.doing.refused}<p class="mt-1.5">{cures.doing.refused}</p>{/if}
</div>
