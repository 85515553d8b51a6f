<script lang="ts">
  import { count, date, longDate, money, quantity, words } from '$lib/format';
  import { itemHref, orderHref } from '$lib/links';
  import StockViews from '$lib/stock/StockViews.svelte';
  import WorthChart from '$lib/stock/WorthChart.svelte';
  import { BY, CAUSES, DIFFER_BY, WorthScreen } from '$lib/stock/worth-screen.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { toAddress } from '$lib/address';

  const screen = new WorthScreen();
  const view = $derived(screen.worth.data);
  const past = $derived(view && view.day !== screen.today);
  const price = (n: number) => money(n, screen.currency);
  const signed = (n: number) => `${n > 0 ? '+' : ''}${price(n)}`;
</script>

<svelte:head><title>Value · Rescient</title></svelte:head>

<Sheet title="Value">
  {#snippet head()}
    <StockViews />
    <form
      class="no-print flex items-center gap-1"
      onsubmit={(e) => {
        e.preventDefault();
        screen.ask();
      }}
    >
      <label class="chip"
        >At the end of
        <input
          class="w-[104px] bg-transparent outline-none"
          placeholder="today"
          aria-label="Day"
          aria-invalid={screen.wrong}
          bind:value={screen.typed}
          onchange={() => screen.ask()}
        /></label
      >
    </form>
    <Chooser
      name="By"
      value={screen.by === 'group' ? undefined : screen.by}
      all="group"
      choices={BY}
      onchoose={(v) => void toAddress({ by: v })}
    />
  {/snippet}
  {#if screen.worth.isError}<p class="p-5" role="alert">{screen.worth.error?.message}.</p>
  {:else if view}
    <article class="px-5 pt-3 pb-8">
      <p data-testid="worth">
        {#if past}At the end of <b title={longDate(view.day)}>{date(view.day, screen.today)}</b> stock was
          worth
          <b>{price(view.value)}</b>; now it is <b>{price(view.now)}</b>, {signed(
            view.now - view.value
          )}.{:else}Stock is worth <b>{price(view.now)}</b> now.{/if}
      </p>
      <WorthChart {view} today={screen.today} currency={screen.currency} />
      {#if past && view.moved.length > 0}
        <p class="mt-1" data-testid="moved">
          Since then:
          {view.moved
            .map((m) => `${words(m.kind)} ${signed(m.value)} (${count(m.movements, 'movement')})`)
            .join('; ')}.
        </p>
      {/if}
      <div class="mt-4 grid gap-8 lg:grid-cols-2">
        <table class="grid-table self-start" data-testid="worth-rows">
          <thead
            ><tr
              ><th class="text-left"
                >{screen.by === 'item' ? 'Item' : screen.by === 'site' ? 'Site' : 'Group'}</th
              >{#if screen.by === 'item'}<th class="text-right">Quantity</th>{/if}<th class="text-right"
                >{past ? 'Was worth' : 'Worth'}</th
              >{#if past}<th class="text-right">Now</th><th class="text-right">Change</th>{/if}</tr
            ></thead
          >
          <tbody>
            {#each view.rows.slice(0, 500) as r (r.code)}
              <tr>
                <td class="max-w-[280px] truncate"
                  >{#if screen.by === 'item'}<a class="link" href={itemHref(r.code)}>{r.code}</a>
                    {r.name}{:else}<b>{r.name || 'no group'}</b>{/if}</td
                >
                {#if screen.by === 'item'}<td class="text-right">{quantity(r.quantity ?? 0)} {r.unit}</td
                  >{/if}
                <td class="text-right">{price(r.value)}</td>
                {#if past}<td class="text-right">{price(r.now)}</td><td class="text-right"
                    >{r.now === r.value ? '' : signed(r.now - r.value)}</td
                  >{/if}
              </tr>
            {/each}
          </tbody>
        </table>
        <section aria-label="Differences">
          <h3 class="section flex flex-wrap items-baseline gap-x-3">
            <span class="flex-1"
              >What differed {past ? `since ${date(view.day, screen.today)}` : 'in the last quarter'}</span
            >
            <span class="font-normal" role="group" aria-label="Added up by"
              >by
              {#each DIFFER_BY as by (by.code)}
                <button
                  type="button"
                  class="chip"
                  class:font-bold={screen.differBy === by.code}
                  aria-pressed={screen.differBy === by.code}
                  onclick={() => screen.differ(by.code)}>{by.name}</button
                >
              {/each}</span
            >
          </h3>
          {#if screen.differBy === 'center'}
            <p class="text-sm text-ink-2">
              Work that took longer, or less, than the routing says: what was put out in that time, at the
              rates of when its order was given out.
            </p>
          {/if}
          {#each screen.variances.data ?? [] as g (g.code)}
            <p class="mt-1 flex gap-3">
              <button
                type="button"
                class="link flex-1 text-left"
                aria-expanded={screen.group === g.code}
                onclick={() => screen.open(g.code)}
                >{#if screen.differBy === 'item'}<b>{g.code}</b>{/if}
                {screen.said(g)}</button
              >
              <span class="text-ink-2">{g.lines}</span>
              <b class="min-w-[96px] text-right">{signed(g.value)}</b>
            </p>
            {#if screen.group === g.code}
              <table class="grid-table mb-2 w-full" data-testid="differences">
                <tbody>
                  {#each g.first as l, i (i)}
                    <tr>
                      <td
                        >{#if l.number}<a class="link" href={orderHref(l.number)}>{l.number}</a>
                          {l.line ?? ''}{:else}{CAUSES[l.cause] ?? l.cause}{/if}</td
                      >
                      <td><a class="link" href={itemHref(l.item)}>{l.item}</a></td>
                      <td class="text-right">{date(l.day, screen.today)}</td>
                      <td class="text-right">{signed(l.value)}</td>
                    </tr>
                  {/each}
                </tbody>
              </table>
            {/if}
          {:else}
            <p class="text-ink-2">Nothing differed from what was expected.</p>
          {/each}
        </section>
      </div>
    </article>
  {:else}<p class="p-5 text-ink-2" role="status">Adding up what lies there …</p>{/if}
  {#snippet actions()}
    <span class="flex-1"></span>
    <button type="button" class="bar-action" onclick={() => screen.saveVariances()}
      ><Key name="V" dark /> Save the differences</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Sheet>
