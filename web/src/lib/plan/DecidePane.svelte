<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schemas } from '$lib/api/client';
  import { count, said } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import { TITLES, type Deciding } from './command';
  import ConsequenceView from './ConsequenceView.svelte';
  import DecisionFields from './DecisionFields.svelte';
  import { Draft } from './draft.svelte';
  import type { PlannedOrder } from './plan.svelte';

  interface Props {
    deciding: Deciding;
    /** The orders it is about, as far as the list has them. */
    orders: PlannedOrder[];
    choices?: Schemas['Choices'];
    /** The forecast sets there are. */
    sets?: string[];
    today: string;
    currency: string;
    onclose: () => void;
    onkept: (decision: Schemas['Decision'], deciding: Deciding) => void;
    /** The same with what the plan has instead. */
    onagain: (deciding: Deciding) => void;
  }
  let { deciding, orders, choices, sets, today, currency, onclose, onkept, onagain }: Props = $props();
  const draft = new Draft({
    deciding: untrack(() => deciding),
    orders: () => orders,
    onkept: (decision, done) => onkept(decision, done),
    onagain: (again) => onagain(again)
  });
  const consequence = $derived(draft.consequence);
  let box = $state<HTMLElement>();

  export function keep() {
    draft.keep();
  }

  function keydown(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (event.key === 'Escape') {
      event.stopPropagation();
      onclose();
    } else if (event.key === 'Enter' && target.closest('input, h2')) {
      event.preventDefault();
      event.stopPropagation();
      draft.keep();
    }
  }

  $effect(() => {
    const field = box?.querySelector<HTMLElement>('input, select') ?? box?.querySelector<HTMLElement>('h2');
    field?.focus();
    if (field instanceof HTMLInputElement) field.select();
  });
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<section
  class="px-5 pt-3 pb-6"
  aria-label={TITLES[deciding.kind]}
  bind:this={box}
  onkeydown={keydown}
  data-testid="decide"
>
  <h2 class="text-xl" tabindex="-1">
    {TITLES[deciding.kind]}
    {#if draft.one}<span class="font-normal">{draft.one.item} {draft.one.itemName}</span>
    {:else if draft.many}<span class="font-normal">{count(deciding.orders.length, 'order')}</span>
    {:else if deciding.item}<span class="font-normal">{deciding.item}</span>
    {:else if consequence?.orders[0]}<span class="font-normal"
        >{consequence.orders[0].number} {consequence.orders[0].item}</span
      >{/if}
  </h2>
  <div class="mt-2 flex flex-wrap items-start gap-3">
    <DecisionFields {draft} {orders} {choices} {sets} {today} />
  </div>
  {#if deciding.kind === 'SUBSTITUTE'}
    <p class="mt-2 text-ink-2">
      <b class="text-ink">{deciding.item}</b> is used in the production orders that would wait; they become firmed
      and keep it. What comes in time, and what customers and other sites ask for, stays as it is.
    </p>
  {/if}
  {#if deciding.kind === 'HOLD'}
    <p class="mt-2 text-ink-2">
      A held order stays in view and is left out of release. It is recognised by what it serves first, so the
      hold outlives other quantities and dates.
    </p>
  {/if}
  {#if draft.refused}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{draft.refused}</p>
  {:else if draft.fault}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{draft.fault}</p>
  {/if}
  {#each consequence?.refusals ?? [] as refusal (refusal)}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{said(refusal)}</p>
  {/each}
  {#if draft.gone.length > 0 && !draft.refused}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">
      {count(draft.gone.length, 'order')} of your choice {draft.gone.length === 1 ? 'is' : 'are'} no longer asked
      for.
    </p>
  {/if}
  <p class="mt-3 flex items-center gap-2">
    {#if draft.replacement.length > 0}
      <button type="button" class="main-action" onclick={() => draft.again()}
        >Do it with what is there now <Key name="Enter" /></button
      >
    {:else}
      <button
        type="button"
        class="main-action"
        disabled={!draft.ready || draft.keeping.isPending}
        onclick={keep}
      >
        {draft.keeping.isPending ? 'Keeping …' : 'Keep it'}
        <Key name="Enter" />
      </button>
    {/if}
    <button type="button" class="plain-action" style="height: 30px" onclick={onclose}
      >Back <Key name="Esc" /></button
    >
    {#if draft.wanted === undefined}<span class="text-ink-2">Say what is to be otherwise.</span
      >{:else if draft.asking}<span class="text-ink-2">Working out what follows …</span>{/if}
  </p>
  {#if consequence && consequence.refusals.length === 0 && draft.gone.length === 0}
    <div class:opacity-60={draft.old}>
      <ConsequenceView {consequence} {today} {currency} ondate={(key, day) => draft.dateIt(key, day)} />
    </div>
  {/if}
</section>
