<script lang="ts">
  import { count, money, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { CountsScreen } from './counts-screen.svelte';
  import WaitingPane from './WaitingPane.svelte';

  /** One list: counted line by line; what differs, with its value, once all of it is counted. */
  let { screen }: { screen: CountsScreen } = $props();
  const view = $derived(screen.one.data?.list.id === screen.here?.id ? screen.one.data : undefined);
  const list = $derived(screen.here);
  const open = $derived(list?.state === 'open');
  const whole = $derived(list !== undefined && list.counted === list.lines);
  const signed = (n: number) => `${n > 0 ? '+' : ''}${money(n, screen.currency)}`;

  /** Enter goes on to the next line. */
  function next(e: KeyboardEvent & { currentTarget: HTMLInputElement }, place: number) {
    if (e.key !== 'Enter') return;
    e.preventDefault();
    e.currentTarget
      .closest('table')
      ?.querySelector<HTMLInputElement>(`[data-place="${place + 1}"]`)
      ?.focus();
    void screen.keep(place);
  }
</script>

{#if list && view}
  <article class="px-5 pt-3 pb-6" aria-label="Count list {list.id}">
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl">Count list {list.id}</h2>
      <p class="min-w-0 flex-1 truncate">
        {list.siteName}, {list.what}{list.blind ? ', counted blind' : ''}; made by {list.madeBy}
      </p>
      <a class="plain-action no-print" href="/api/counts/{list.id}/paper" target="_blank" rel="noopener"
        >On paper</a
      >
    </header>
    <p class="mt-1" data-testid="counted">
      <b>{list.counted}</b> of {count(list.lines, 'line')} counted{#if view.more !== null && view.more !== undefined && whole},
        {signed(view.more)} more and {signed(view.less ?? 0)} less than the book{/if}{#if list.state === 'asked'};
        it waits for approval{:else if !open}; {list.state}{list.doneBy ? ` by ${list.doneBy}` : ''}{/if}.
    </p>
    {#if view.waiting}<WaitingPane {screen} view={view.waiting} />{/if}
    <table class="grid-table mt-3 w-full" data-testid="count-lines">
      <thead
        ><tr
          ><th class="text-right">Place</th><th class="text-left">Item</th><th class="text-left">Lot</th><th
            class="text-right">Should be</th
          ><th class="text-right">Counted</th><th class="text-right">Differs</th><th class="text-right"
            >Value</th
          ></tr
        ></thead
      >
      <tbody>
        {#each view.lines as l (l.place)}
          <tr>
            <td class="text-right text-ink-2">{l.place}</td>
            <td class="max-w-[240px] truncate"
              ><a class="link" href={itemHref(l.item)}>{l.item}</a> {l.itemName}</td
            >
            <td>{l.lot ?? l.serial ?? ''}{l.quarantined ? ' set aside' : ''}</td>
            <td class="text-right">{l.book === null || l.book === undefined ? '' : quantity(l.book)}</td>
            <td class="text-right whitespace-nowrap"
              >{#if open}<input
                  class="field w-[90px] text-right"
                  inputmode="decimal"
                  aria-label="Counted of {l.item} {l.lot ?? l.serial ?? ''}"
                  data-place={l.place}
                  disabled={!rights.stocks()}
                  aria-invalid={screen.wrong(l.place)}
                  value={screen.text(l.place, l.counted)}
                  oninput={(e) => screen.type(l.place, e.currentTarget.value)}
                  onchange={() => void screen.keep(l.place)}
                  onkeydown={(e) => next(e, l.place)}
                />{:else}{l.counted === null || l.counted === undefined ? '–' : quantity(l.counted)}{/if}
              <small class="text-ink-2">{l.unit}</small></td
            >
            <td class="text-right" class:font-bold={!!l.differs}
              >{l.differs ? `${l.differs > 0 ? '+' : ''}${quantity(l.differs)}` : ''}</td
            >
            <td class="text-right">{l.value ? signed(l.value) : ''}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if open}
      <p class="no-print mt-3 flex items-baseline gap-3">
        <button
          type="button"
          class="main-action"
          disabled={screen.doing.busy || !whole}
          title={whole ? '' : 'Not all of it is counted yet'}
          onclick={() => void screen.post()}
          >{view.asks ? `Ask the ${view.asks}` : 'Post what differs'} <Key name="y" /></button
        >
        <button
          type="button"
          class="plain-action"
          disabled={screen.doing.busy}
          onclick={() => void screen.drop()}>Drop the list</button
        >
      </p>
    {/if}
  </article>
{:else if list}<p class="p-5 text-ink-2" role="status">Reading the list …</p>{/if}
