<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import SupplierInput from '$lib/data/SupplierInput.svelte';
  import { said } from '$lib/format';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import { HeldLine } from './held-line.svelte';
  import Suffers from './Suffers.svelte';

  /** A purchase that has not been sent may become another one: quantity, day, supplier; or a part of it goes apart. */
  interface Props {
    number: string;
    line: { line: string; unit: string };
    today: string;
    onkept: (decision: Schemas['Decision']) => void;
  }
  let { number, line, today, onkept }: Props = $props();
  // it is made anew for each line
  // svelte-ignore state_referenced_locally
  const form = new HeldLine(
    `${encodeURIComponent(number)}~${encodeURIComponent(line.line)}`,
    () => today,
    (decision) => onkept(decision)
  );

  function first(at: HTMLElement): void {
    at.querySelector<HTMLElement>('input')?.focus();
  }
</script>

{#if !form.open}
  <p class="no-print mt-2">
    <button
      type="button"
      class="plain-action"
      title="Another quantity, day or supplier; or a part of it under a number of its own"
      onclick={() => (form.open = true)}>Change or split line {line.line}</button
    >
  </p>
{:else}
  <form
    class="no-print mt-2 grid gap-3 border-l-4 border-marigold bg-slip p-3 md:grid-cols-2"
    data-testid="held-line"
    onsubmit={(e) => {
      e.preventDefault();
      void form.keep();
    }}
    {@attach escapes(() => form.leave())}
    {@attach first}
  >
    <div class="asked">
      <label for="quantity-{line.line}">Quantity</label>
      <span class="flex gap-2"
        ><input
          id="quantity-{line.line}"
          class="field min-w-0 flex-1"
          inputmode="decimal"
          placeholder="as it is"
          disabled={form.typed.off.trim() !== ''}
          aria-invalid={form.wrong.quantity !== undefined}
          bind:value={form.typed.quantity}
        /><span class="self-center text-ink-3">{line.unit}</span></span
      >
      {#if form.wrong.quantity}<p class="said text-vermilion">{form.wrong.quantity}</p>{/if}
      <label for="off-{line.line}">Split off</label>
      <span class="flex gap-2"
        ><input
          id="off-{line.line}"
          class="field min-w-0 flex-1"
          inputmode="decimal"
          placeholder="nothing"
          aria-invalid={form.wrong.off !== undefined}
          bind:value={form.typed.off}
        /><span class="self-center text-ink-3">{line.unit}</span></span
      >
      {#if form.wrong.off}<p class="said text-vermilion">{form.wrong.off}</p>{/if}
      <label for="due-{line.line}">{form.typed.off.trim() ? 'That part on' : 'Wanted on'}</label>
      <input
        id="due-{line.line}"
        class="field min-w-0"
        placeholder="as it is"
        aria-invalid={form.wrong.due !== undefined}
        bind:value={form.typed.due}
      />
      {#if form.wrong.due}<p class="said text-vermilion">{form.wrong.due}</p>{/if}
      {#if !form.typed.off.trim()}
        <p class="said">
          <SupplierInput supplier={form.typed.supplier} onchange={(code) => (form.typed.supplier = code)} />
        </p>
      {/if}
      <p class="said flex gap-2">
        <button type="submit" class="main-action" disabled={!form.ready}
          >{form.typed.off.trim() ? 'Split it' : 'Change it'} <Key name="Enter" /></button
        >
        <button type="button" class="plain-action" onclick={() => form.leave()}
          >Leave it <Key name="Esc" /></button
        >
      </p>
    </div>
    <div data-testid="consequence">
      {#if form.doing.refused}<p class="text-vermilion" role="alert">{form.doing.refused}</p>{/if}
      {#if form.consequence}
        {#each form.consequence.refusals as why, i (i)}<p class="text-vermilion" role="alert">
            {said(why)}
          </p>{/each}
        {#each form.consequence.remarks as remark, i (i)}<p>{said(remark)}</p>{/each}
        <Suffers consequence={form.consequence} {today} />
      {/if}
    </div>
  </form>
{/if}

<style>
  .asked {
    display: grid;
    grid-template-columns: 104px minmax(0, 1fr);
    align-items: center;
    align-content: start;
    gap: 8px;
  }
  .said {
    grid-column: 1 / -1;
  }
</style>
