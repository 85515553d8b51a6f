<script lang="ts">
  import { count, date, money, quantity } from '$lib/format';
  import { itemHref, pointHref } from '$lib/links';
  import { rights } from '$lib/rights.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import LedgerTable from './LedgerTable.svelte';
  import LotTag from './LotTag.svelte';
  import LotTrace from './LotTrace.svelte';
  import PostingSlip from './PostingSlip.svelte';
  import { ACTS, type StockScreen } from './stock-screen.svelte';

  /** One item at a site: what lies there as tags, what is posted on it, and its ledger. */
  let { screen }: { screen: StockScreen } = $props();
  const ledger = $derived(screen.ledger.data);
  const tracked = $derived(screen.tracked !== 'none');
  let looked = $state<string | undefined>();
  let form = $state<HTMLFormElement | undefined>();
  const point = $derived(screen.opened);
  $effect(() => {
    void point;
    looked = undefined;
  });
  $effect(() => {
    if (screen.act && form) form.querySelector('input')?.focus();
  });
</script>

{#if screen.ledger.isError}
  <p class="p-5 text-ink-2" role="alert">{screen.ledger.error?.message}.</p>
{:else if ledger}
  <article class="px-5 pt-3 pb-6" aria-label="{ledger.item} at {ledger.siteName}">
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl"><a class="link" href={itemHref(ledger.item)}>{ledger.item}</a></h2>
      <p class="min-w-0 flex-1 truncate">{ledger.itemName}, {ledger.siteName}</p>
      <a
        class="plain-action no-print"
        href="/api/stock/papers/labels?{new URLSearchParams({ item: ledger.item, site: ledger.site })}"
        target="_blank"
        rel="noopener">Labels</a
      >
      <a class="plain-action no-print" href={pointHref(ledger.item, ledger.site)}>In the plan</a>
    </header>
    <p class="mt-1" data-testid="there">
      <b>{quantity(ledger.onHand)}</b>
      {ledger.unit} lie here{#if ledger.quarantined > 0}, {quantity(ledger.quarantined)} of them set aside{/if}{#if ledger.value !== undefined && ledger.value !== null},
        worth
        <b>{money(ledger.value, screen.currency)}</b
        >{#if ledger.each !== undefined && ledger.each !== null}<span class="ml-1 text-ink-2"
            >({money(ledger.each, screen.currency)} each, {ledger.costing ?? 'average'})</span
          >{/if}{:else}; nobody said what it costs{/if}.
    </p>
    {#if tracked || ledger.bins.length > 1}
      <ul class="mt-2 flex flex-wrap gap-2" aria-label="Lots">
        {#each ledger.bins as bin, i (i)}
          <li>
            <LotTag
              {bin}
              unit={ledger.unit}
              today={screen.today}
              chosen={looked !== undefined && looked === (bin.lot ?? bin.serial ?? '')}
              onchoose={() => {
                const name = bin.lot ?? bin.serial ?? '';
                looked = looked === name ? undefined : name;
                if (screen.act) screen.begin(screen.act, bin);
              }}
            />
          </li>
        {/each}
      </ul>
    {/if}
    {#if looked}
      <LotTrace
        item={ledger.item}
        lot={screen.tracked === 'serial' ? undefined : looked}
        serial={screen.tracked === 'serial' ? looked : undefined}
        today={screen.today}
      />
    {/if}
    <p class="no-print mt-3 flex flex-wrap gap-2">
      {#each ACTS as one (one.act)}
        <button
          type="button"
          class={screen.act === one.act ? 'main-action' : 'plain-action'}
          disabled={!rights.stocks()}
          title={rights.stocks() ? one.says : rights.noStock()}
          onclick={() => screen.begin(one.act)}>{one.name} <Key name={one.key} /></button
        >
      {/each}
    </p>
    {#if screen.act}
      <form
        bind:this={form}
        class="no-print mt-3 grid gap-3 border-l-4 border-marigold bg-slip p-3 md:grid-cols-2"
        data-testid="posting"
        onsubmit={(e) => {
          e.preventDefault();
          void screen.posting.post();
        }}
        {@attach escapes(() => screen.end())}
      >
        <div class="grid content-start gap-2">
          {#if screen.of}<p>
              Back to the supplier, of what came <b>{date(screen.of.date, screen.today)}</b> on
              <b>{screen.of.orderNumber}</b>
            </p>{/if}
          <label class="ask"
            ><span
              >{screen.act === 'COUNT' ? 'Counted' : screen.act === 'ADJUST' ? 'By' : 'How much'}
              <small class="text-ink-3">{ledger.unit}</small></span
            >
            <input
              class="field"
              inputmode="decimal"
              placeholder={screen.act === 'ADJUST' ? '−4 or 4' : screen.act === 'COUNT' ? '' : 'all of it'}
              aria-invalid={screen.wrong.amount !== undefined}
              bind:value={screen.amount}
            /></label
          >
          {#if screen.wrong.amount}<p class="text-vermilion">{screen.wrong.amount}</p>{/if}
          {#if tracked}
            <label class="ask"
              ><span>{screen.tracked === 'lot' ? 'Lot' : 'Serial number'}</span>
              <input class="field" list="stock-lots" bind:value={screen.lot} /></label
            >
            <datalist id="stock-lots">
              {#each ledger.bins as bin, i (i)}<option value={bin.lot ?? bin.serial ?? ''}></option>{/each}
            </datalist>
          {/if}
          {#if screen.act === 'COUNT' || screen.act === 'ADJUST'}
            <label class="flex items-center gap-2"
              ><input type="checkbox" bind:checked={screen.quarantined} /> of what is set aside</label
            >
          {/if}
          <label class="ask"><span>Why</span> <input class="field" bind:value={screen.reason} /></label>
          <label class="ask"
            ><span>Day</span>
            <input
              class="field"
              placeholder="today"
              aria-invalid={screen.wrong.day !== undefined}
              bind:value={screen.day}
            /></label
          >
          {#if screen.wrong.day}<p class="text-vermilion">{screen.wrong.day}</p>{/if}
          <p class="flex gap-2">
            <button type="submit" class="main-action" disabled={!screen.posting.pressable}
              >{screen.posting.verb('Post')} <Key name="Enter" /></button
            >
            <button type="button" class="plain-action" onclick={() => screen.end()}
              >Leave it <Key name="Esc" /></button
            >
          </p>
        </div>
        <PostingSlip posting={screen.posting} currency={screen.currency} />
      </form>
    {/if}
    <h3 class="mt-5 mb-1 flex items-baseline gap-3 text-sm text-ink-2">
      Ledger <span class="text-ink-3">{count(ledger.total, 'movement')}</span>
      {#if looked !== undefined}<button type="button" class="link" onclick={() => (looked = undefined)}
          >of {looked || 'what has no lot'} only ×</button
        >{/if}
    </h3>
    <LedgerTable
      {ledger}
      today={screen.today}
      currency={screen.currency}
      only={looked}
      may={rights.stocks()}
      onreturn={(entry) => screen.sendBack(entry)}
      onback={(key) => void screen.posting.takeBack(key)}
    />
  </article>
{:else}
  <p class="p-5 text-ink-2">Opening the ledger …</p>
{/if}

<style>
  .ask {
    display: grid;
    grid-template-columns: 104px minmax(0, 1fr);
    align-items: center;
    gap: 8px;
  }
</style>
