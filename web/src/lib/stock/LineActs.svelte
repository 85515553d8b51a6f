<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { untrack } from 'svelte';
  import { answer, api } from '$lib/api/client';
  import { asTyped, parsedDate, parsedNumber, quantity } from '$lib/format';
  import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
  import { rights } from '$lib/rights.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import type { ActLine, LineAct } from './line-acts';
  import PostedLine from './PostedLine.svelte';
  import { numbersOf, serialsWrong } from './numbers';
  import { chargeOf, NO_PAPER, wrongPaper, type Paper } from './paper';
  import PaperWithIt from './PaperWithIt.svelte';
  import { Posting, type Line, type Wish } from './posting.svelte';
  import PostingSlip from './PostingSlip.svelte';
  import { scanning } from './scanning.svelte';

  /** What is posted on a line of an order: typed into the line, and the slip of what it does beside it. */
  interface Props {
    number: string;
    line: ActLine;
    acts: LineAct[];
    /** Nothing more can be posted; what was posted last can be taken back. */
    done?: boolean;
    today: string;
    currency: string;
    /** Told what was posted, where the line may be gone with it. */
    onposted?: (last: Posting['last']) => void;
  }
  let { number, line, acts, done = false, today, currency, onposted }: Props = $props();
  interface Typed {
    act?: LineAct['act'];
    amount: string;
    lot: string;
    expiry: string;
    aside: boolean;
    unit?: string;
    scrapped: string;
    minutes: string;
    part: string;
    step: string;
    reason: string;
    paper: Paper;
  }
  const nothing = (): Typed => ({
    amount: '',
    lot: '',
    expiry: '',
    aside: false,
    scrapped: '',
    minutes: '',
    part: '',
    step: '',
    reason: '',
    paper: { ...NO_PAPER }
  });
  // it is made anew for each line
  // svelte-ignore state_referenced_locally
  const form = `post ${number} ${line.line}`;
  let typed = $state<Typed>({ ...nothing(), ...halfTyped<Typed>(form) });
  keepHalfTyped(form, () => $state.snapshot(typed));

  const may = (what: LineAct['act']) => rights.posts(what, !!line.straightTo);
  const straight = $derived(line.straightTo && typed.act === 'RECEIVE' ? line.straightTo : undefined);
  const act = $derived(done ? undefined : acts.find((a) => a.act === typed.act));
  const units = $derived([...new Set([line.purchaseUnit ?? line.unit, line.unit])]);
  const parts = $derived((line.components ?? []).filter((p) => p.quantity > 0));
  const part = $derived(parts.find((p) => p.item === typed.part));
  const amountOf = (text: string) => (text.trim() ? parsedNumber(text) : undefined);
  const noNumber = (text: string) =>
    text.trim() !== '' && Number.isNaN(parsedNumber(text)) ? 'is no number' : undefined;
  const wrong = $derived({
    amount: noNumber(typed.amount),
    scrapped: noNumber(typed.scrapped),
    minutes: noNumber(typed.minutes),
    expiry: typed.expiry.trim() !== '' && !parsedDate(typed.expiry, today) ? 'is no day' : undefined
  });
  /** How what is posted is kept: a part, or what the line is about. */
  const tracking = $derived(act?.part ? (part?.tracking ?? 'none') : line.tracking);
  const steps = $derived(act?.act === 'OUTPUT' ? (line.steps ?? []) : []);
  /** What passes an earlier step comes into no stock yet. */
  const passes = $derived(typed.step !== '' && typed.step !== steps.at(-1)?.step);
  const asksLot = $derived(tracking !== 'none' && act?.lot !== undefined && !passes);
  /** Whose time it is, is known. */
  const oneStep = $derived(steps.length < 2 || typed.step !== '');
  /** Each piece has one. */
  const serials = $derived(asksLot && tracking === 'serial' ? numbersOf(typed.lot) : []);
  const serialWrong = $derived(serialsWrong(serials, amountOf(typed.amount)));
  const lotMissing = $derived(
    act?.lot === 'needed' &&
      asksLot &&
      !typed.lot.trim() &&
      // spoiled pieces alone bring no lot
      !(typed.amount.trim() === '0' && typed.scrapped.trim())
  );
  const charges = $derived(act?.charged === true && rights.releases(['buy']));
  const paperWrong = $derived(wrongPaper(typed.paper, today));
  const wish = $derived.by((): Wish | undefined => {
    const missing = act?.asks !== undefined && !act.all && !act.part && !typed.amount.trim();
    if (!act || wrong.amount || wrong.scrapped || wrong.minutes || wrong.expiry || lotMissing || missing)
      return undefined;
    if (serialWrong || (charges && paperWrong)) return undefined;
    const everything = act.act === 'OUTPUT' ? line.open : undefined;
    const whole: Line = {
      act: act.act,
      number,
      line: line.line,
      item: act.part ? part?.item : undefined,
      quantity: act.asks === undefined ? undefined : (amountOf(typed.amount) ?? everything),
      unit: act.units && units.length > 1 && typed.amount.trim() ? (typed.unit ?? units[0]) : undefined,
      lot: asksLot && tracking === 'lot' ? typed.lot.trim() || undefined : undefined,
      expiry: act.expiry && typed.expiry.trim() ? parsedDate(typed.expiry, today) : undefined,
      quarantined: act.aside ? typed.aside : undefined,
      scrapped: act.scrapped ? amountOf(typed.scrapped) : undefined,
      minutes: act.minutes && oneStep ? amountOf(typed.minutes) : undefined,
      step: typed.step && steps.length > 0 ? typed.step : undefined
    };
    const reason = typed.reason.trim() || undefined;
    const charge = charges ? chargeOf(typed.paper, today, [{ order: number, line: line.line }]) : undefined;
    if (serials.length === 0) return { reason, charge, lines: [whole] };
    // one piece each; what was spoiled, and the time, are said once
    return {
      reason,
      charge,
      lines: serials.map((serial, i) => ({
        ...whole,
        serial,
        quantity: 1,
        unit: undefined,
        ...(i === 0 ? {} : { scrapped: undefined, minutes: undefined })
      }))
    };
  });
  const posting = new Posting(
    () => wish,
    () => {
      typed = nothing();
      onposted?.(posting.last);
    }
  );

  let numbering = $state(false);

  /** The next numbers of the item's own, as many as there are pieces. */
  async function makeUp(): Promise<void> {
    const pieces = Math.max(1, Math.min(1000, Math.ceil(amountOf(typed.amount) ?? line.open)));
    numbering = true;
    try {
      const taken = await answer(
        api.POST('/api/stock/numbers', { params: { query: { item: line.item, many: pieces } } })
      );
      typed.lot = taken.numbers.join(' ');
    } catch (e) {
      posting.refused = (e as Error).message;
    } finally {
      numbering = false;
    }
  }

  // what was scanned for this line is typed into it
  $effect(() => {
    const scan = scanning.take(line.item);
    if (!scan) return;
    untrack(() => {
      if (!act) begin();
      // one after the other, each piece once
      if (scan.serial && serials.length > 0 && !serials.includes(scan.serial)) typed.lot += ' ' + scan.serial;
      else typed.lot = scan.serial ?? scan.lot ?? typed.lot;
      if (scan.expiry) typed.expiry = scan.expiry;
      if (scan.count && !scan.serial) {
        typed.amount = asTyped(scan.count);
        typed.unit = line.unit;
      }
    });
  });

  /** Keys go on where something is begun. */
  function first(form: HTMLElement): void {
    form.querySelector<HTMLElement>('select, input, button')?.focus();
  }

  /** Begins what comes next, or an act of one's choice. */
  export function begin(what: LineAct['act'] | undefined = acts[0]?.act): void {
    if (what === undefined || done) return;
    if (may(what)) typed.act = what;
    else posting.refused = rights.noStock();
  }
</script>

{#snippet ask(id: string, name: string, wrongSo: string | undefined, placeholder: string)}
  <label for="{id}-{line.line}">{name}</label>
  <input
    id="{id}-{line.line}"
    class="field min-w-0"
    inputmode={id === 'reason' ? undefined : 'decimal'}
    {placeholder}
    aria-invalid={wrongSo !== undefined}
    bind:value={typed[id as 'scrapped' | 'minutes' | 'reason' | 'expiry']}
  />
  {#if wrongSo}<p class="said text-vermilion">{wrongSo}</p>{/if}
{/snippet}

<div class="no-print mt-2">
  {#if !act}
    <p class="flex flex-wrap items-baseline gap-3">
      {#if !done}{#each acts as one (one.act)}<button
            type="button"
            class="plain-action"
            disabled={!may(one.act)}
            title={may(one.act) ? one.says : rights.noStock()}
            onclick={() => begin(one.act)}>{one.name} line {line.line}</button
          >{/each}{/if}
    </p>
    <p class="mt-1 flex"><PostedLine {posting} dark={false} /></p>
  {:else}
    <form
      class="grid gap-3 border-l-4 border-marigold bg-slip p-3 md:grid-cols-2"
      data-testid={act.act.toLowerCase()}
      onsubmit={(e) => {
        e.preventDefault();
        void posting.post();
      }}
      {@attach escapes(() => (typed.act = undefined))}
      {@attach first}
    >
      <div class="asked">
        <p class="said text-ink-2">
          {act.says}.{#if straight}
            It goes straight to {straight}: it is received and shipped at once.{/if}
        </p>
        {#if act.part}
          <label for="part-{line.line}">Part</label>
          <select id="part-{line.line}" class="field" bind:value={typed.part}>
            <option value="">all that is still to issue</option>
            {#each parts as one (one.item)}<option value={one.item}>{one.item} {one.itemName}</option>{/each}
          </select>
        {/if}
        {#if steps.length > 1}
          <label for="step-{line.line}">Up to</label>
          <select id="step-{line.line}" class="field" bind:value={typed.step}>
            <option value="">finished pieces, time as planned</option>
            {#each steps as one (one.step)}<option value={one.step}>step {one.step}, {one.name}</option
              >{/each}
          </select>
        {/if}
        {#if act.asks !== undefined && (!act.part || part)}
          <label for="has-come-{line.line}">{act.asks}</label>
          <span class="flex gap-2">
            <input
              id="has-come-{line.line}"
              class="field min-w-0 flex-1"
              inputmode="decimal"
              {@attach begins()}
              placeholder={part
                ? `all ${quantity(part.quantity)} ${part.unit}`
                : act.all
                  ? `all ${quantity(line.open)} ${line.unit}`
                  : ''}
              aria-invalid={wrong.amount !== undefined}
              bind:value={typed.amount}
            />
            {#if act.units && units.length > 1}<select
                class="field"
                aria-label="Counted in"
                bind:value={() => typed.unit ?? units[0], (v) => (typed.unit = v)}
                >{#each units as one (one)}<option value={one}>{one}</option>{/each}</select
              >{:else}<span class="self-center text-ink-3">{part?.unit ?? line.unit}</span>{/if}
          </span>
          {#if wrong.amount}<p class="said text-vermilion">{wrong.amount}</p>{/if}
        {/if}
        {#if act.scrapped}{@render ask('scrapped', act.scrapped, wrong.scrapped, 'none')}{/if}
        {#if asksLot}
          <label for="lot-{line.line}">{tracking === 'serial' ? 'Serial number' : 'Lot'}</label>
          <span class="flex gap-2">
            <input
              id="lot-{line.line}"
              class="field min-w-0 flex-1"
              title={tracking === 'serial' ? 'several apart by blanks; 0007..0012 is all of them' : undefined}
              placeholder={act.lot === 'may' ? 'as proposed: the first to expire' : ''}
              aria-invalid={serialWrong !== undefined}
              bind:value={typed.lot}
            />
            {#if act.numbers && line.numbered}<button
                type="button"
                class="plain-action"
                title="The next of {line.item}’s own numbers; nobody else gets them"
                disabled={numbering}
                onclick={() => void makeUp()}>New</button
              >{/if}
          </span>
          {#if serialWrong}<p class="said text-vermilion">{serialWrong}</p>{/if}
          {#if serials.length > 1}<p class="said text-ink-2">
              {serials.length} pieces, each with its number
            </p>{/if}
          {#if act.expiry}{@render ask('expiry', 'Serves until', wrong.expiry, 'no end')}{/if}
        {/if}
        {#if act.minutes && oneStep}{@render ask('minutes', 'Minutes', wrong.minutes, 'as planned')}{/if}
        {#if act.reason}{@render ask('reason', 'Why', undefined, '')}{/if}
        {#if act.aside && !straight}<label class="said flex items-center gap-2"
            ><input type="checkbox" bind:checked={typed.aside} /> set aside: it has yet to be tested</label
          >{/if}
        {#if charges}<PaperWithIt
            bind:paper={typed.paper}
            wrong={paperWrong}
            unit={line.purchaseUnit ?? line.unit}
          />{/if}
        <p class="said flex gap-2">
          <button type="submit" class="main-action" disabled={!posting.pressable}
            >{act.name.replace(/ (on|of)$/, '')} <Key name="Enter" /></button
          >
          <button type="button" class="plain-action" onclick={() => (typed.act = undefined)}
            >Leave it <Key name="Esc" /></button
          >
        </p>
      </div>
      <div><PostingSlip {posting} {currency} /></div>
    </form>
  {/if}
</div>

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
