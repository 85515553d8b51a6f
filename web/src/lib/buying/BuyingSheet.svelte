<script lang="ts">
  import SupplierInput from '$lib/data/SupplierInput.svelte';
  import { asTyped, count, date, money, quantity, said } from '$lib/format';
  import { itemHref } from '$lib/links';
  import Key from '$lib/ui/Key.svelte';
  import type { Before, BuyingForm } from './buying-form.svelte';

  /** A purchase order as it is typed: what was bought before and what the plan needs stand beside each quantity. */
  let { form }: { form: BuyingForm } = $props();
  let more = $state('');
  const rows = $derived(form.before.data ?? []);

  function add() {
    const code = more.trim();
    if (code) form.set(code, 'quantity', '');
    more = '';
  }
</script>

{#snippet fields(item: string, row: Before | undefined)}
  {@const line = form.line(item)}
  {@const wrong = form.wrong(item)}
  <td class="text-right whitespace-nowrap"
    ><input
      class="field w-[84px] text-right"
      inputmode="decimal"
      aria-label="Quantity of {item}"
      aria-invalid={wrong.quantity === true}
      value={line?.quantity ?? ''}
      oninput={(e) => form.set(item, 'quantity', e.currentTarget.value)}
      onpaste={(e) => {
        if (form.paste(e.clipboardData?.getData('text/plain') ?? '')) e.preventDefault();
      }}
    /> <small class="unit">{row?.unit ?? ''}</small></td
  >
  <td class="text-right"
    ><input
      class="field w-[84px] text-right"
      inputmode="decimal"
      aria-label="Price of {item}"
      placeholder={row?.listPrice !== null && row?.listPrice !== undefined
        ? asTyped(row.listPrice)
        : 'none known'}
      aria-invalid={wrong.price === true}
      value={line?.price ?? ''}
      oninput={(e) => form.set(item, 'price', e.currentTarget.value)}
    /></td
  >
  <td class="text-right"
    ><input
      class="field w-[96px] text-right"
      aria-label="Day of {item}"
      placeholder={form.typed.due || 'day'}
      aria-invalid={wrong.due === true}
      value={line?.due ?? ''}
      oninput={(e) => form.set(item, 'due', e.currentTarget.value)}
    /></td
  >
{/snippet}

<form
  id="buying"
  class="px-5 pt-3 pb-8"
  aria-label="Buy"
  onsubmit={(e) => {
    e.preventDefault();
    void form.keep();
  }}
>
  <div class="head">
    <SupplierInput
      supplier={form.typed.supplier}
      autofocus={!form.typed.supplier}
      onchange={(code) => (form.typed.supplier = code)}
    />
    <label
      >For <select class="field" bind:value={() => form.site, (v) => (form.typed.site = v)}>
        {#each form.sites.data ?? [] as site (site.code)}<option value={site.code}
            >{site.name ?? site.code}</option
          >{/each}
      </select></label
    >
    <label
      >Wanted on <input
        class="field"
        placeholder="day, w50, +14"
        aria-invalid={form.typed.due.trim() !== '' && !form.due}
        bind:value={form.typed.due}
      /></label
    >
    <label>Note to him <input class="field" bind:value={form.typed.note} /></label>
  </div>

  {#if !form.typed.supplier}
    <p class="mt-6 text-ink-2">Say of whom it is bought; what was bought of him before comes up then.</p>
  {:else if form.before.isError}<p class="mt-4" role="alert">{form.before.error?.message}.</p>
  {:else if form.before.isPending}<p class="mt-4" role="status">Looking what was bought before …</p>
  {:else}
    <table class="grid-table mt-4 w-full" data-testid="bought-before">
      <thead>
        <tr>
          <th class="text-left">Item</th>
          <th class="text-right">Bought last</th>
          <th class="text-right">At</th>
          <th class="text-right" title="in the next sixty days, of this supplier">The plan needs</th>
          <th class="text-right">Quantity</th>
          <th class="text-right">Price of one</th>
          <th class="text-right">Wanted</th>
        </tr>
      </thead>
      <tbody>
        {#each rows as row (row.item)}
          <tr class:chosen={form.line(row.item)?.quantity.trim()}>
            <td class="max-w-[260px] truncate"
              ><a class="link" href={itemHref(row.item)}>{row.item}</a> {row.itemName}</td
            >
            <td class="text-right whitespace-nowrap"
              >{#if row.lastDay}{quantity(row.lastQuantity ?? 0)}
                {row.lastUnit ?? row.unit}
                <small class="text-ink-2"
                  >{row.lastDay > form.today ? 'due ' : ''}{date(row.lastDay, form.today)}</small
                >{:else}–{/if}</td
            >
            <td class="text-right">{row.lastPrice ? money(row.lastPrice, form.currency) : ''}</td>
            <td class="text-right whitespace-nowrap"
              >{#if row.needs}<button
                  type="button"
                  class="link"
                  title="Take it"
                  onclick={() => form.set(row.item, 'quantity', asTyped(row.needs ?? 0))}
                  >{quantity(row.needs)} {row.unit}</button
                >
                <small class="text-ink-2">{row.needed ? date(row.needed, form.today) : ''}</small>{/if}</td
            >
            {@render fields(row.item, row)}
          </tr>
        {/each}
        {#each form.others as line (line.item)}
          <tr class:chosen={line.quantity.trim()}>
            <td colspan="4"><b>{line.item}</b> <span class="text-ink-2">not bought of him so far</span></td>
            {@render fields(line.item, undefined)}
          </tr>
        {/each}
        <tr>
          <td colspan="7"
            ><input
              class="field w-[220px]"
              placeholder="another item, or paste rows"
              aria-label="Another item"
              bind:value={more}
              onpaste={(e) => {
                if (form.paste(e.clipboardData?.getData('text/plain') ?? '')) e.preventDefault();
              }}
              onkeydown={(e) => {
                if (e.key !== 'Enter') return;
                e.preventDefault();
                add();
              }}
            /></td
          >
        </tr>
      </tbody>
    </table>

    <div class="mt-3" data-testid="seen">
      {#if form.refused}<p class="text-vermilion" role="alert">{form.refused}</p>
      {:else if form.seen}
        {#each form.seen.refusals as why, i (i)}<p class="text-vermilion">{said(why)}</p>{/each}
        {#each form.seen.remarks as remark, i (i)}<p>{said(remark)}</p>{/each}
        {#if form.seen.refusals.length === 0}<p class="text-ink-2">
            {count(form.lines.length, 'line')}: it is entered as the site says, held or ready to be sent.
          </p>{/if}
      {/if}
    </div>
    <p class="mt-3 flex gap-2">
      <button type="submit" class="main-action" disabled={!form.keepable}
        >Enter it <Key name="Enter" /></button
      >
      <button type="button" class="plain-action" onclick={() => form.takeNeeds()}
        >Take what the plan needs <Key name="n" /></button
      >
    </p>
  {/if}
</form>

<style>
  .head {
    display: grid;
    max-width: 900px;
    grid-template-columns: 1.2fr 1fr 0.8fr 2fr;
    gap: 10px;
  }
  .head :global(label) {
    display: grid;
    gap: 2px;
    color: var(--ink-2);
    font-size: 12px;
  }
  .unit {
    display: inline-block;
    min-width: 44px;
    text-align: left;
    color: var(--ink-2);
  }
  td {
    vertical-align: middle;
  }
  tr.chosen td {
    background: var(--marigold-tint);
  }
</style>
