<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { count, date, longDate, quantity, said as inWords } from '$lib/format';
  import type { Schemas } from '$lib/api/client';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { rights } from '$lib/rights.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
  import { Purchase, type SaidLine } from './purchase.svelte';
  import Suffers from './Suffers.svelte';

  /** The way of a purchase order to its supplier and back: held, approved, sent, confirmed, and what comes next. */
  interface Props {
    number: string;
    lines: Schemas['OrderLine'][];
    today: string;
  }
  let { number, lines, today }: Props = $props();
  const open = $derived(lines.filter((l) => !l.done));
  const way = new Purchase(
    () => number,
    () => today,
    () => open.length > 0
  );
  // what is half typed of the supplier's answer is there again after a reload
  // svelte-ignore state_referenced_locally
  const form = `confirm ${number}`;
  way.said = halfTyped<SaidLine[]>(form);
  keepHalfTyped(form, () => $state.snapshot(way.said));
  const STATIONS = [
    { state: 'held', name: 'held' },
    { state: 'awaiting_approval', name: 'to be approved' },
    { state: 'ready', name: 'ready' },
    { state: 'sent', name: 'sent' },
    { state: 'confirmed', name: 'confirmed' }
  ];
  const at = $derived(STATIONS.findIndex((s) => s.state === way.state));
  const buys = $derived(rights.releases(['buy']));

  function sayDates() {
    way.said = open.map((l) => ({ line: l.line, date: '', quantity: '' }));
  }

  /** Something of it was changed beside its way; it is taken back here too. */
  export function kept(decision: Schemas['Decision']): void {
    way.last.keep(decision);
  }

  /** What comes next on its way. */
  export function next(): boolean {
    if (way.state === 'held' && buys) void way.step('END_HOLD');
    else if (way.state === 'ready' && buys) void way.send();
    else if (buys && way.query.data?.requests.some((r) => !r.sent)) void way.passOn();
    else if (way.state === 'sent' && buys) sayDates();
    else return false;
    return true;
  }
</script>

{#if way.query.data && at >= 0}
  <section class="no-print mt-3" aria-label="Its way">
    <ol class="way">
      {#each STATIONS.filter((s) => s.state !== 'awaiting_approval' || way.query.data?.asks || way.state === s.state || way.query.data?.approved.length) as station (station.state)}
        <li
          class:past={STATIONS.findIndex((s) => s.state === station.state) < at}
          class:here={station.state === way.state}
          aria-current={station.state === way.state ? 'step' : undefined}
        >
          {station.name}{#if station.state === 'awaiting_approval' && way.query.data.asks}<small
              >{way.state === 'awaiting_approval' ? ' by' : ', by'} the {way.query.data.asks}</small
            >{/if}
        </li>
      {/each}
    </ol>
    {#if way.query.data.approved.length > 0}<p class="mt-1 text-sm text-ink-2">
        Approved by {way.query.data.approved.join('; ')}.
      </p>{/if}
    <p class="mt-2 flex flex-wrap items-baseline gap-2">
      {#if way.state === 'held'}
        <button
          type="button"
          class="plain-action"
          disabled={!buys || way.doing.busy}
          onclick={() => void way.step('END_HOLD')}>End the hold</button
        >
        <button
          type="button"
          class="plain-action"
          disabled={!buys || way.doing.busy}
          title="To who planned it, firmed as it is"
          onclick={() => (way.reason = '')}>Back to the planner</button
        >
      {:else if way.state === 'awaiting_approval'}
        <button
          type="button"
          class="plain-action"
          disabled={way.doing.busy}
          onclick={() => void way.step('APPROVE')}>Approve</button
        >
        <button type="button" class="plain-action" disabled={way.doing.busy} onclick={() => (way.reason = '')}
          >Reject</button
        >
      {:else if way.state === 'ready'}
        <button
          type="button"
          class="plain-action"
          disabled={!buys || way.doing.busy}
          onclick={() => void way.send()}>Send it</button
        >
        <button
          type="button"
          class="plain-action"
          disabled={!buys || way.doing.busy}
          onclick={() => void way.step('HOLD')}>Hold it again</button
        >
      {:else}
        <button type="button" class="plain-action" disabled={!buys || way.doing.busy} onclick={sayDates}
          >{way.state === 'sent' ? 'It was confirmed' : 'Its days changed'}</button
        >
        <button
          type="button"
          class="plain-action"
          disabled={!buys || way.doing.busy}
          onclick={() => void way.send()}>Remind the supplier</button
        >
      {/if}
      <a
        class="plain-action"
        href="/api/purchases/document?{new URLSearchParams({ number })}"
        target="_blank"
        rel="noopener">Its document</a
      >
    </p>
    <p class="mt-1 flex">
      {#if way.doing.refused}<span role="alert" class="text-vermilion">{way.doing.refused}</span
        >{:else}<KeptLine last={way.last} dark={false} />{/if}
    </p>
    {#if way.query.data.requests.length > 0}
      <div class="mt-2 border-l-4 border-marigold px-3" data-testid="requests">
        {#each way.query.data.requests as r (r.line)}
          <p>
            Line {r.line}: {r.kind === 'cancel'
              ? 'is not needed'
              : `${r.kind === 'push_back' ? 'later' : 'earlier'}, on ${r.due ? date(r.due, today) : ''}`},
            says {r.name}{r.sent ? '; he was asked' : ''}.
          </p>
        {/each}
        <button
          type="button"
          class="plain-action mt-1"
          disabled={!buys || way.doing.busy}
          onclick={() => void way.passOn()}
          >{way.query.data.requests.some((r) => !r.sent) ? 'Ask the supplier' : 'Ask him again'}</button
        >
      </div>
    {/if}
    {#if way.reason !== undefined}
      <form
        class="mt-2 flex items-center gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          void way.step(way.state === 'held' ? 'SEND_BACK' : 'REJECT', way.reason);
        }}
        {@attach escapes(() => (way.reason = undefined))}
      >
        <label for="why-rejected">Why</label>
        <input id="why-rejected" class="field flex-1" {@attach begins()} bind:value={way.reason} />
        <button type="submit" class="main-action" disabled={!way.reason.trim()}
          >{way.state === 'held' ? 'Send it back' : 'Reject it'}</button
        >
      </form>
    {/if}
    {#if way.said}
      <form
        class="mt-2 grid gap-2 border-l-4 border-marigold bg-slip p-3"
        data-testid="confirmation"
        onsubmit={(e) => {
          e.preventDefault();
          void way.confirm();
        }}
        {@attach escapes(() => (way.said = undefined))}
      >
        <p class="text-ink-2">
          When does it come, as the supplier says? What is left empty comes as it was ordered.
        </p>
        {#each way.said as one, i (i)}
          {@const line = open.find((l) => l.line === one.line)}
          <div class="said-line">
            <span class="truncate"><b>{one.line}</b> {line?.item} {line?.itemName}</span>
            <input
              class="field"
              aria-label="Day of line {one.line}"
              {@attach begins(() => i === 0)}
              placeholder={line ? date(line.due, today) : ''}
              title={line ? longDate(line.due) : ''}
              aria-invalid={way.wrong[i]?.date !== undefined}
              bind:value={one.date}
            />
            <input
              class="field"
              aria-label="Quantity of line {one.line}"
              inputmode="decimal"
              placeholder={line ? `all ${quantity(line.open)} ${line.unit}` : ''}
              aria-invalid={way.wrong[i]?.quantity !== undefined}
              bind:value={one.quantity}
            />
            <button
              type="button"
              class="plain-action"
              title="It comes in several parts: one more"
              onclick={() => way.said?.splice(i + 1, 0, { line: one.line, date: '', quantity: '' })}
              >and then</button
            >
          </div>
        {/each}
        {#if way.consequence}
          {#each way.consequence.refusals as why, i (i)}<p class="text-vermilion">{inWords(why)}</p>{/each}
          <Suffers consequence={way.consequence} {today} />
        {:else if way.looking}<p class="text-ink-2" role="status">Looking what it does …</p>{/if}
        <p class="flex gap-2">
          <button type="submit" class="main-action" disabled={!way.confirmable}
            >Take {count(way.said.length, 'day')} <Key name="Enter" /></button
          >
          <button type="button" class="plain-action" onclick={() => (way.said = undefined)}
            >Leave it <Key name="Esc" /></button
          >
        </p>
      </form>
    {/if}
  </section>
{/if}

<style>
  .way {
    display: flex;
    flex-wrap: wrap;
    gap: 0;
    border: 1px solid var(--line);
    border-bottom-style: dashed;
    background: var(--slip);
    width: fit-content;
  }
  .way li {
    padding: 2px 14px;
    border-right: 1px dashed var(--line);
    color: var(--ink-3);
  }
  .way li:last-child {
    border-right: 0;
  }
  .way .past {
    color: var(--ink-2);
    text-decoration: line-through;
  }
  .way .here {
    background: var(--marigold-tint);
    color: var(--ink);
    font-weight: 600;
  }
  .said-line {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 110px 130px auto;
    align-items: center;
    gap: 8px;
  }
</style>
