<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { count, date, longDate, quantity } from '$lib/format';
  import { itemHref, ledgerHref } from '$lib/links';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import LotTests from './LotTests.svelte';
  import type { LotScreen } from './lot-screen.svelte';
  import TracePicture from './TracePicture.svelte';

  /** One lot or serial number on one page. */
  let { screen }: { screen: LotScreen } = $props();
  const view = $derived(screen.view);
  const told = $derived(new Set(screen.shipped.map((s) => s.partner)).size);
</script>

{#if screen.one.isError}
  <p class="p-5" role="alert">{screen.one.error?.message}.</p>
{:else if view}
  <article
    class="px-5 pt-3 pb-8"
    aria-label="{view.tracking === 'serial' ? 'Serial number' : 'Lot'} {screen.name}"
  >
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl">{screen.name}</h2>
      <p class="min-w-0 flex-1 truncate">
        {view.tracking === 'serial' ? 'of' : 'a lot of'}
        <a class="link" href={itemHref(view.item)}>{view.item}</a>
        {view.itemName}{#if view.expiry}, serves until before
          <b title={longDate(view.expiry)}>{date(view.expiry, screen.today)}</b>{/if}
      </p>
    </header>
    <ul class="mt-1 flex flex-wrap gap-x-6" aria-label="Where it lies">
      {#each view.here as h, i (i)}
        <li>
          <b>{quantity(h.quantity)}</b>
          {h.unit}{h.item === view.item ? '' : ` of ${h.item} ${h.lot ?? h.serial ?? ''}`} at
          <a class="link" href={ledgerHref(h.item, h.site)}>{h.siteName}</a>{#if h.quarantined}, <b
              class="shut">set aside</b
            >{/if}
        </li>
      {:else}<li class="text-ink-2">Nothing of it is here any more.</li>{/each}
    </ul>

    {#if screen.facts}
      <form
        class="no-print mt-3 grid max-w-[560px] gap-2 border-l-4 border-marigold bg-slip p-3"
        onsubmit={(e) => {
          e.preventDefault();
          void screen.keep();
        }}
        {@attach escapes(() => (screen.facts = undefined))}
      >
        <label class="ask"
          ><span>Maker's own number</span>
          <input class="field" {@attach begins()} bind:value={screen.facts.supplierLot} /></label
        >
        <label class="ask"
          ><span>Certificate</span> <input class="field" bind:value={screen.facts.document} /></label
        >
        <label class="ask"><span>Note</span> <input class="field" bind:value={screen.facts.note} /></label>
        <p class="flex gap-2">
          <button type="submit" class="main-action" disabled={screen.doing.busy}
            >Keep <Key name="Enter" /></button
          >
          <button type="button" class="plain-action" onclick={() => (screen.facts = undefined)}
            >Leave it <Key name="Esc" /></button
          >
        </p>
      </form>
    {:else}
      <dl class="known mt-2">
        <div>
          <dt>Maker's own number</dt>
          <dd>{view.supplierLot ?? '–'}</dd>
        </div>
        <div>
          <dt>Certificate</dt>
          <dd>{view.document ?? '–'}</dd>
        </div>
        <div>
          <dt>Note</dt>
          <dd>{view.note ?? '–'}</dd>
        </div>
      </dl>
      {#if screen.may}<button type="button" class="link no-print text-sm" onclick={() => screen.change()}
          >Change <Key name="e" /></button
        >{/if}
    {/if}

    <LotTests {screen} tests={view.tests} />

    <h3 class="section mt-5">Where it came from, and where it went</h3>
    <TracePicture name={screen.name} back={view.back} forward={view.forward} today={screen.today} />

    <h3 class="section mt-5">Who would have to be told</h3>
    {#if screen.shipped.length > 0}
      <p>{count(told, 'customer')}.</p>
      <table class="grid-table mt-1" data-testid="recall">
        <thead
          ><tr
            ><th class="text-left">Customer</th><th class="text-left">Order</th><th class="text-right"
              >Shipped</th
            ><th class="text-left">What</th><th class="text-right">How much</th></tr
          ></thead
        >
        <tbody>
          {#each screen.shipped as s, i (i)}
            <tr
              ><td>{s.partner ?? 'nobody in particular'}</td><td>{s.number} {s.line ?? ''}</td><td
                class="text-right">{date(s.date, screen.today)}</td
              ><td>{s.item} {s.lot ?? s.serial ?? ''}</td><td class="text-right"
                >{quantity(s.quantity)} {s.unit}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    {:else}<p class="text-ink-2">No customer has any of it.</p>{/if}
  </article>
{:else if !screen.item || !screen.name}
  <p class="p-5 text-ink-2">
    Choose a lot or serial number at an item of the <a class="link" href="/stock">stock</a>, or scan its label
    there.
  </p>
{:else}
  <p class="p-5 text-ink-2" role="status">Following {screen.name} …</p>
{/if}

<style>
  .ask {
    display: grid;
    grid-template-columns: 150px minmax(0, 1fr);
    align-items: center;
    gap: 8px;
  }
  .known {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 2px 28px;
  }
  dt {
    color: var(--ink-2);
    font-size: 12px;
  }
  .shut {
    padding: 0 4px;
    border: 1px dashed var(--ink-2);
  }
</style>
