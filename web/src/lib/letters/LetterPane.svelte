<script lang="ts">
  import SentMails from '$lib/demand/SentMails.svelte';
  import { clock, date, dayOf, longDate, quantity, said } from '$lib/format';
  import { itemHref, orderHref } from '$lib/links';
  import Suffers from '$lib/orders/Suffers.svelte';
  import Key from '$lib/ui/Key.svelte';
  import { KINDS, named } from './letters';
  import type { LettersScreen } from './letters-screen.svelte';

  /** What one supplier wrote, beside the order, with what follows from it. */
  let { screen }: { screen: LettersScreen } = $props();
  const view = $derived(screen.one.data?.letter.id === screen.here?.id ? screen.one.data : undefined);
  const row = $derived(screen.here);
</script>

{#if row}
  <article class="px-5 pt-3 pb-6" aria-label="{KINDS[row.kind]} of {row.supplierName ?? row.sender}">
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl">{row.subject}</h2>
      <p class="min-w-0 flex-1 truncate text-ink-2">
        {row.supplierName ?? ''}
        {row.sender}, {date(dayOf(row.receivedAt), screen.today)}
        {clock(row.receivedAt)}
      </p>
      {#if row.document}<a class="plain-action no-print" href="/api/letters/{row.id}/document" download
          >As it came</a
        >{/if}
    </header>
    {#if row.state !== 'waiting'}
      <p class="mt-1">
        {row.state === 'done' ? 'Done' : 'Put aside'}{row.doneBy ? ` by ${row.doneBy}` : ''}.
      </p>
    {/if}
    {#if row.about}<p class="mt-1">
        About <a class="link" href={orderHref(row.about)}>{row.about}</a>
      </p>{/if}
    {#if view && view.lines.length > 0}
      <table class="grid-table mt-3 w-full" data-testid="letter-lines">
        <thead
          ><tr
            ><th class="text-left">Line</th><th class="text-left">Item</th><th class="text-right"
              >Still open</th
            ><th class="text-right">{row.kind === 'answer' ? 'Promises' : 'Brings'}</th
            >{#if row.kind === 'answer'}<th class="text-right">So far for</th><th class="text-right"
                >Now for</th
              >{:else}<th class="text-left">Lot</th>{/if}</tr
          ></thead
        >
        <tbody>
          {#each view.lines as l, i (i)}
            <tr>
              <td>{l.line}</td>
              {#if l.item}
                <td class="max-w-[220px] truncate"
                  ><a class="link" href={itemHref(l.item)}>{l.item}</a> {l.itemName}</td
                >
                <td class="text-right">{quantity(l.open ?? 0)} {l.unit}</td>
                <td class="text-right"
                  >{quantity(l.said)}
                  {l.orderUnit}{#if l.orderUnit !== l.unit}<small class="block text-ink-2"
                      >{quantity(l.quantity ?? 0)} {l.unit}</small
                    >{/if}</td
                >
                {#if row.kind === 'answer'}
                  <td class="text-right">{l.wanted ? date(l.wanted, screen.today) : ''}</td>
                  <td class="text-right" title={l.date ? longDate(l.date) : ''}
                    ><b>{l.date ? date(l.date, screen.today) : ''}</b>{#if l.sentence}<small class="block"
                        >{l.sentence}</small
                      >{/if}</td
                  >
                {:else}
                  <td
                    >{#if l.tracking === 'lot'}{l.lot ?? ''}{#if l.expiry}<small class="block text-ink-2"
                          >until before {date(l.expiry, screen.today)}</small
                        >{/if}{:else if l.tracking === 'serial' && named(l)}{l.serials
                        .slice(0, 3)
                        .join(', ')}{l.serials.length > 3
                        ? ` … ${l.serials.at(-1)}`
                        : ''}{:else if l.tracking === 'serial'}serial numbers: <a
                        class="link"
                        href="/stock/due?words={encodeURIComponent(row.about ?? '')}">received by hand</a
                      >{/if}</td
                  >
                {/if}
              {:else}<td colspan="5" class="text-ink-2">{l.sentence}</td>{/if}
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
    {#if screen.consequence}
      <div class="mt-3">
        {#each screen.consequence.refusals as why, i (i)}<p class="text-vermilion">{said(why)}</p>{/each}
        <Suffers consequence={screen.consequence} today={screen.today} />
      </div>
    {/if}
    {#if screen.posting}
      {#each screen.posting.refused as line, i (i)}<p class="mt-2 text-vermilion">
          {said(line.sentence)}{#if line.cures[0]}. {said(line.cures[0].sentence)}{/if}
        </p>{/each}
      {#each screen.posting.remarks as remark, i (i)}<p class="mt-2 font-bold">{said(remark)}</p>{/each}
    {/if}
    {#if screen.act}
      <p class="no-print mt-3 flex gap-2">
        <button
          type="button"
          class="main-action"
          disabled={screen.busy || !screen.act.may}
          title={screen.act.may ? '' : 'Your role may not, or it cannot be: press y to see why'}
          onclick={() => void screen.take()}>{screen.act.name} <Key name="y" /></button
        >
        <button
          type="button"
          class="plain-action"
          disabled={screen.busy}
          onclick={() => void screen.become('put_aside')}>Put it aside <Key name="b" /></button
        >
      </p>
    {:else if row.state === 'waiting'}
      <p class="no-print mt-3 flex gap-2">
        <button
          type="button"
          class="plain-action"
          disabled={screen.busy}
          onclick={() => void screen.become('done')}>It is done</button
        >
      </p>
    {:else}
      <p class="no-print mt-3">
        <button type="button" class="link" onclick={() => void screen.become('waiting')}
          >Let it wait again <Key name="w" /></button
        >
      </p>
    {/if}
    {#if row.about}
      <h3 class="section mt-5">What we wrote about it</h3>
      <SentMails about={row.about} today={screen.today} />
    {/if}
  </article>
{/if}
