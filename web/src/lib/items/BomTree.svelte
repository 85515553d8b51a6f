<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { date, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';

  interface Props {
    rows: Schemas['BomRow'][];
    today: string;
  }
  let { rows, today }: Props = $props();
  /** Rows that were opened or closed by hand, by position; the first level stands open at the start. */
  let turned = $state<Record<number, boolean>>({});
  const isOpen = $derived((i: number) => turned[i] ?? (rows[i]?.depth ?? 0) < 1);

  const visible = $derived.by(() => {
    const shown: number[] = [];
    let closedAt = Infinity;
    rows.forEach((row, i) => {
      if (row.depth > closedAt) return;
      closedAt = isOpen(i) ? Infinity : row.depth;
      shown.push(i);
    });
    return shown;
  });

  function validity(row: Schemas['BomRow']): string {
    const from = row.validFrom ? `from ${date(row.validFrom, today)}` : '';
    const to = row.validTo ? `to ${date(row.validTo, today)}` : '';
    const step = row.step ? `at step ${row.step}` : '';
    return [from, to, step].filter(Boolean).join(' ');
  }

  function turnAll(open: boolean) {
    turned = Object.fromEntries(rows.map((_, i) => [i, open]));
  }
</script>

<p class="flex gap-3 py-1 text-sm">
  <button type="button" class="link" onclick={() => turnAll(true)}>open all</button>
  <button type="button" class="link" onclick={() => turnAll(false)}>close all</button>
</p>
<ul data-testid="bom">
  {#each visible as i (i)}
    {@const row = rows[i]}
    {#if row}
      <li style:padding-left="{row.depth * 18}px">
        {#if row.hasComponents}
          <button
            type="button"
            class="fold"
            aria-expanded={isOpen(i)}
            aria-label="Components of {row.item}"
            onclick={() => (turned[i] = !isOpen(i))}>{isOpen(i) ? '−' : '+'}</button
          >
        {:else}<span class="fold none"></span>{/if}
        <a class="hover:underline" href={itemHref(row.item)}><b>{row.item}</b></a>
        <span class="truncate">{row.name}</span>
        {#if row.kind !== 'stocked'}<span class="text-ink-3">{row.kind}</span>{/if}
        {#if row.loop}<b class="text-vermilion">leads back to itself</b>{/if}
        <span class="text-ink-2">{validity(row)}</span>
        <span class="ml-auto whitespace-nowrap">
          {#if row.scrap}<span class="text-ink-3"
              >+{quantity(Number((row.scrap * 100).toFixed(4)))} % scrap&ensp;</span
            >{/if}
          <b>{quantity(row.quantity)}</b>
          <small class="text-ink-3">{row.unit}{row.perOrder ? ' an order' : ''}</small>
        </span>
      </li>
    {/if}
  {/each}
</ul>

<style>
  li {
    display: flex;
    align-items: center;
    gap: 7px;
    border-bottom: 1px solid var(--line-2);
    padding-block: 3.5px;
  }
  .fold {
    display: inline-grid;
    place-items: center;
    width: 16px;
    height: 16px;
    flex: none;
    border: 1px solid var(--line);
    border-radius: var(--radius);
    line-height: 1;
  }
  .none {
    border-color: transparent;
  }
</style>
