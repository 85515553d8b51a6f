<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count, date, money, quantity } from '$lib/format';
  import ConsequenceView from '$lib/plan/ConsequenceView.svelte';
  import { offered } from '$lib/queries';
  import Key from '$lib/ui/Key.svelte';
  import EntryAnswer from './EntryAnswer.svelte';
  import { decided as isDecided, inShort, typedWrong, type EntryLine } from './entry';
  import type { EntryScreen } from './entry-screen.svelte';
  import FreeStrip from './FreeStrip.svelte';
  import KitParts from './KitParts.svelte';
  import { isRows } from './pasted';

  /** An order as it is written on paper: a head, a line under the other, and at the end of each what can be promised. */
  let { screen }: { screen: EntryScreen } = $props();
  const today = $derived(screen.today);
  let words = $state('');
  const items = createQuery(() => offered({ table: 'items', words: words || undefined }));
  let customerWords = $state('');
  const customers = createQuery(() => offered({ table: 'customers', words: customerWords || undefined }));
  const known = $derived((customers.data ?? []).find((c) => c.code === screen.customer));
  let sheet = $state<HTMLElement>();

  /** The field beside or under another one. */
  function next(field: HTMLElement, back: boolean) {
    const all = [...(sheet?.querySelectorAll<HTMLElement>('input, select') ?? [])].filter(
      (f) => f.tabIndex >= 0 && !(f instanceof HTMLInputElement && f.type === 'checkbox')
    );
    const to = all[all.indexOf(field) + (back ? -1 : 1)];
    to?.focus();
    if (to instanceof HTMLInputElement) to.select();
  }

  function keydown(event: KeyboardEvent) {
    const field = event.target as HTMLElement;
    const run = event.altKey
      ? {
          p: () => screen.take(),
          P: () => screen.takeAll(),
          s: () => screen.split(),
          k: () => screen.keepDay(),
          o: () => screen.supplied(),
          b: () => screen.bring(),
          w: () => screen.from(),
          a: () => screen.instead(),
          r: () => screen.keep(true),
          Backspace: () => screen.remove()
        }[event.key]
      : event.key === 'Enter' && (event.ctrlKey || event.metaKey)
        ? () => screen.keep()
        : event.key === 'Enter' && field.matches('input, select')
          ? () => next(field, event.shiftKey)
          : event.key === 'Escape' && field.matches('input, select')
            ? () => field.blur()
            : undefined;
    if (!run) return;
    event.preventDefault();
    event.stopPropagation();
    run();
  }

  function paste(event: ClipboardEvent, at: number) {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (!isRows(text)) return;
    event.preventDefault();
    void screen.paste(at, text);
  }

  function value(line: EntryLine, at: number): number | undefined {
    void line;
    const answered = screen.answers[at];
    return answered?.price && answered.quantity ? answered.price * answered.quantity : undefined;
  }
  const total = $derived(screen.filled.reduce((sum, l, i) => sum + (value(l, i) ?? 0), 0));

  $effect(() => {
    sheet?.querySelector<HTMLElement>('input')?.focus();
  });
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<section
  class="sheet"
  aria-label="Order sheet"
  bind:this={sheet}
  onkeydown={keydown}
  data-testid="order-sheet"
>
  <div class="head">
    <label
      ><span>Customer</span>
      <input
        class="field w-[150px]"
        list="sheet-customers"
        autocomplete="off"
        placeholder="code or name"
        value={screen.customer}
        oninput={(e) => {
          customerWords = e.currentTarget.value.trim();
          screen.customer = customerWords;
        }}
        onchange={() => {
          const named = (customers.data ?? []).find(
            (c) => c.name?.toLowerCase() === screen.customer.toLowerCase()
          );
          if (named) screen.customer = named.code;
        }}
      /><small>{known && known.name !== known.code ? known.name : ''}</small></label
    >
    <label
      ><span>Their reference</span><input
        class="field w-[110px]"
        autocomplete="off"
        bind:value={screen.reference}
      /></label
    >
    <label
      ><span>Wanted on</span>
      <input
        class="field w-[88px]"
        autocomplete="off"
        placeholder="9 Dec, +5"
        bind:value={screen.wanted}
      /></label
    >
    <label
      ><span>From</span>
      <select class="field" bind:value={screen.site}>
        {#each screen.sites.data?.rows ?? [] as site (site['code'])}<option value={site['code']}
            >{site['name'] || site['code']}</option
          >{/each}
      </select></label
    >
    <label class="check"><input type="checkbox" bind:checked={screen.quote} /> only a quote</label>
    <label class="check"><input type="checkbox" bind:checked={screen.complete} /> goes complete</label>
  </div>
  <datalist id="sheet-customers">
    {#each customers.data ?? [] as row (row.code)}<option value={row.code}>{row.name ?? ''}</option>{/each}
  </datalist>
  <datalist id="sheet-items">
    {#each items.data ?? [] as row (row.code)}<option value={row.code}>{row.name ?? ''}</option>{/each}
  </datalist>
  {#if screen.usual.data && screen.usual.data.length > 0 && screen.filled.length === 0}
    <p class="mt-2 flex flex-wrap items-center gap-2 text-sm text-ink-2" data-testid="usual">
      usually buys
      {#each screen.usual.data.slice(0, 8) as one (one.item)}
        <button
          type="button"
          class="chip"
          title="{one.itemName}, last {quantity(one.quantity)} {one.unit} on {date(one.latest, today)}"
          onclick={() => screen.add(one.item, one.quantity)}>{quantity(one.quantity)} {one.item}</button
        >
      {/each}
    </p>
  {/if}

  <div class="lines" role="group" aria-label="Lines of the order">
    <div class="line heads" aria-hidden="true">
      <span></span>
      <span>Item</span>
      <span></span>
      <span class="right">Quantity</span>
      <span>Unit</span>
      <span>Wanted</span>
      <span>Free, and the promise: six weeks</span>
      <span>Goes</span>
      <span class="right">Value</span>
    </div>
    {#each screen.lines as line, at (line.id)}
      {@const answered = screen.answers[at]}
      {@const wrong = typedWrong(line, today) ?? answered?.fault}
      {@const decided = isDecided(line, answered, today)}
      <div
        class="line"
        role="group"
        aria-label="Line {at + 1}"
        class:here={screen.at === at}
        onfocusin={() => (screen.at = at)}
      >
        <span class="place">{at + 1}</span>
        <span
          ><input
            class="cell"
            aria-label="Item of line {at + 1}"
            list="sheet-items"
            autocomplete="off"
            value={line.item}
            aria-invalid={Boolean(wrong) && answered?.field === 'item'}
            oninput={(e) => {
              words = e.currentTarget.value.trim();
              screen.type(at, 'item', e.currentTarget.value);
            }}
            onchange={() => void screen.settle(at)}
            onpaste={(e) => paste(e, at)}
          /></span
        >
        <span class="truncate text-ink-2"
          >{answered?.itemName && answered.itemName !== line.item ? answered.itemName : ''}</span
        >
        <span
          ><input
            class="cell right"
            inputmode="decimal"
            aria-label="Quantity of line {at + 1}"
            autocomplete="off"
            value={line.quantity}
            oninput={(e) => screen.type(at, 'quantity', e.currentTarget.value)}
          /></span
        >
        <span
          ><input
            class="cell"
            aria-label="Unit of line {at + 1}"
            autocomplete="off"
            placeholder={answered?.unit ?? ''}
            value={line.unit}
            oninput={(e) => screen.type(at, 'unit', e.currentTarget.value)}
          /></span
        >
        <span
          ><input
            class="cell"
            aria-label="Wanted day of line {at + 1}"
            autocomplete="off"
            placeholder={screen.wanted || '9 Dec'}
            value={line.wanted}
            oninput={(e) => screen.type(at, 'wanted', e.currentTarget.value)}
          /></span
        >
        <span class:opacity-60={screen.old}
          >{#if answered?.day}<FreeStrip answer={answered} {today} width={250} />{/if}</span
        >
        <span class="says" class:wait={answered?.day && !decided} data-testid="goes-{at}"
          >{#if line.site && line.site !== screen.site}<small>from {line.site}: </small>{/if}{inShort(
            line,
            answered,
            today
          )}</span
        >
        <span class="right">{value(line, at) ? money(value(line, at) ?? 0, screen.currency) : ''}</span>
        {#if wrong}<p class="fault" role="alert">{wrong}</p>
        {:else if answered?.day && screen.at === at}<EntryAnswer {screen} {line} answer={answered} {at} />
        {/if}
        <!-- they stay to be put right, whatever is wrong with them -->
        {#if line.parts}<div class="parts"><KitParts {screen} {line} answer={answered} {at} /></div>{/if}
      </div>
    {/each}
  </div>
  <p class="foot">
    {#if screen.filled.length > 0}{count(screen.filled.length, 'line')}{total > 0
        ? `, ${money(total, screen.currency)}`
        : ''}{screen.open > 0 ? `; ${count(screen.open, 'line')} to decide` : ''}{screen.completeOn
        ? `; complete ${date(screen.completeOn, today)}`
        : ''}{/if}
    {#if screen.open > 1}<button type="button" class="plain-action" onclick={() => screen.takeAll()}
        >Take all promises <Key name="Alt P" /></button
      >{/if}
    <span class="text-ink-3"
      >Tab or Enter goes on; rows of a spreadsheet or a mail can be pasted into an item field.</span
    >
  </p>
  {#if screen.keeping.refused ?? screen.fault ?? screen.unfit}
    <p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">
      {screen.keeping.refused ?? screen.fault ?? screen.unfit}
    </p>
  {/if}
  {#each screen.consequence?.refusals ?? [] as refusal (refusal)}
    <p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{refusal}</p>
  {/each}
  {#if screen.consequence && screen.consequence.refusals.length === 0}
    <h2 class="title mt-4 text-lg">What it does to the plan</h2>
    <ConsequenceView consequence={screen.consequence} {today} currency={screen.currency} />
  {/if}
</section>

<style>
  .sheet {
    max-width: 1240px;
    padding: 12px 20px 28px;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 14px;
  }
  .head label {
    display: grid;
    gap: 2px;
  }
  .head label span {
    font-size: 11.5px;
    color: var(--ink-2);
  }
  .head label small {
    position: absolute;
    margin-top: 50px;
    color: var(--ink-2);
  }
  .head .check {
    display: flex;
    align-items: center;
    gap: 5px;
    height: 30px;
  }
  .lines {
    margin-top: 20px;
    background: var(--sheet);
    border-top: 1.5px solid var(--ink);
    border-bottom: 1.5px solid var(--ink);
  }
  .line {
    display: grid;
    grid-template-columns: 26px 118px minmax(90px, 1fr) 76px 54px 76px 252px 138px 92px;
    align-items: center;
    column-gap: 8px;
    min-height: 37px;
    padding: 0 8px 0 0;
    border-bottom: 1px solid var(--line);
  }
  @media (max-width: 900px) {
    .line {
      grid-template-columns: 26px repeat(3, minmax(0, 1fr));
      row-gap: 3px;
      padding: 6px 8px 6px 0;
    }
    .line > :nth-child(4) {
      grid-column: 2;
    }
    .line > :nth-child(7) {
      grid-column: 2 / -1;
      overflow: hidden;
    }
    .line > :nth-child(8) {
      grid-column: 2 / 4;
    }
    .line.heads {
      display: none;
    }
  }
  .line.heads {
    min-height: 25px;
    font-size: 11.5px;
    color: var(--ink-3);
  }
  .line.here {
    box-shadow: inset 4px 0 0 var(--marigold);
  }
  .place {
    text-align: right;
    color: var(--ink-3);
  }
  .cell {
    width: 100%;
    height: 26px;
    padding: 0 4px;
    border: none;
    border-bottom: 1px dotted var(--ink-3);
    background: transparent;
    color: var(--ink);
  }
  .cell:focus {
    border-bottom: 1px solid var(--ink);
    background: var(--slip);
  }
  .right {
    text-align: right;
  }
  .says {
    font-weight: 600;
  }
  .says.wait {
    color: var(--marigold-text);
  }
  .parts {
    grid-column: 2 / -1;
    margin-bottom: 6px;
  }
  .fault {
    grid-column: 2 / -1;
    margin: 0 0 6px;
    padding: 4px 10px;
    border-left: 4px solid var(--vermilion);
    background: var(--slip);
  }
  .foot {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 14px;
    min-height: 32px;
    margin-top: 6px;
  }
</style>
