<script lang="ts">
  import { count, date, quantity } from '$lib/format';
  import { demandHref, itemHref, orderHref, turnHref } from '$lib/links';
  import Key from '$lib/ui/Key.svelte';
  import { NO_WAYS } from './entry-ways';
  import { SUPPLIES, type Answer, type EntryLine } from './entry';
  import type { EntryScreen } from './entry-screen.svelte';
  import KitParts from './KitParts.svelte';

  /** The answer for one line in words, and what can be done about it, each with its key. */
  interface Props {
    screen: EntryScreen;
    line: EntryLine;
    answer: Answer;
    at: number;
  }
  let { screen, line, answer, at }: Props = $props();
  const today = $derived(screen.today);
  const ways = $derived(at === screen.at && !screen.ways.isError ? screen.ways.data : undefined);
  const late = $derived(answer.delayed);
  const own = (row: number) => `line ${row + 1}`;
  const out = $derived(ways ? screen.waysOut : NO_WAYS);
  const brought = $derived(
    screen.sites.data?.rows.find((r) => r['code'] === line.transferFrom)?.['name'] ?? line.transferFrom
  );
</script>

{#snippet whom(taken: Answer['takenFrom'])}
  {#if taken?.row !== undefined && taken?.row !== null}{own(taken.row)}{:else if taken?.number}<a
      class="link"
      href={demandHref(taken.number)}>{taken.number}{taken.customer ? ` of ${taken.customer}` : ''}</a
    >{/if}
{/snippet}

{#snippet free(amount: number | null | undefined)}
  {amount === null || amount === undefined ? 'nothing' : `${quantity(amount)} ${answer.unit ?? ''}`}
{/snippet}

<div class="answer" data-testid="answer-{at}" role="status" class:opacity-60={screen.old}>
  <p>
    {#if answer.asWanted && answer.promised}
      <b>All of it can go {date(answer.promised, today)}.</b>
    {:else}
      <b class:text-vermilion={!answer.promised}
        >{answer.promised
          ? `All of it can go ${date(answer.promised, today)}`
          : 'It cannot be promised within the plan'}</b
      >;
      {(answer.available ?? 0) > 0 ? `${quantity(answer.available ?? 0)} ${answer.unit ?? ''}` : 'nothing'}
      {answer.day ? date(answer.day, today) : ''}.
      {#if answer.takenFrom}All of it then would come late to {@render whom(answer.takenFrom)}, which waits
        for
      {:else if answer.limiting}The part <a class="link" href={itemHref(answer.limiting)}>{answer.limiting}</a
        >
        {answer.limitingName !== answer.limiting ? answer.limitingName : ''} comes last; it waits for
      {:else if answer.causeItem}It waits for{/if}
      {#if answer.causeItem}<a class="link" href={itemHref(answer.causeItem)}>{answer.causeItem}</a>
        {answer.causeName && answer.causeName !== answer.causeItem ? answer.causeName : ''} at {answer.causeSite}.{/if}
    {/if}
    <span
      class="text-sm text-ink-2"
      title="What stock and open orders leave over when all orders have taken what they need; forecasts and planned orders do not count"
      >Free now {@render free(answer.freeNow)}, {#if answer.day}from {date(answer.day, today)} on
        {@render free(answer.freeThen)}{#if answer.freeLimit && answer.freeLimit > answer.day}
          &nbsp;(no more because of {date(answer.freeLimit, today)}){/if}, with planned orders
        {@render free(answer.freePlanned)}{/if}
      · <a class="link" href={turnHref(line.item, line.site || screen.site)}>who gets what</a></span
    >
  </p>
  {#if !line.parts}<KitParts {screen} {line} {answer} {at} />{/if}
  {#if answer.parts.length === 0 && !line.parts}
    <p class="mt-1 flex flex-wrap items-center gap-2" role="group" aria-label="How line {at + 1} is met">
      {#each SUPPLIES as way (way.says)}
        <button
          type="button"
          class="plain-action"
          class:chosen={line.supply === way.supply}
          aria-pressed={line.supply === way.supply}
          onclick={() => screen.supplied(at, way)}>{way.says}</button
        >
      {/each}
      <Key name="Alt o" />
      {#if line.supply && answer.bought}
        {@const bought = answer.bought}
        <label class="text-sm"
          >by
          <select
            class="field"
            aria-label="Supplier of line {at + 1}"
            value={line.supplier ?? ''}
            onchange={(e) => screen.type(at, 'supplier', e.currentTarget.value)}
          >
            <option value=""
              >{line.supplier || !bought.supplier ? 'whoever is preferred' : bought.supplierName}</option
            >
            {#each bought.suppliers.filter((s) => line.supplier || s.code !== bought.supplier) as one (one.code)}
              <option value={one.code}>{one.name}</option>
            {/each}
          </select></label
        >
        {#if !bought.supplier}<span class="text-sm text-vermilion">nobody sells it</span>{/if}
        {#if bought.least}<span class="text-sm text-marigold-text"
            >who sells {quantity(bought.least)} {answer.unit ?? ''} at least</span
          >{/if}
        {#if bought.multiple}<span class="text-sm text-marigold-text"
            >who sells by {quantity(bought.multiple)}</span
          >{/if}
      {/if}
    </p>
  {/if}
  {#if line.transferFrom}
    <p class="mt-1 flex flex-wrap items-center gap-2">
      A transfer of its own brings it from {brought}; it is firmed with the order.
      <button type="button" class="plain-action" onclick={() => screen.bring(undefined, at)}
        >Without it <Key name="Alt b" /></button
      >
    </p>
  {/if}
  {#if !answer.asWanted}
    <p class="mt-1 flex flex-wrap gap-2">
      {#if answer.promised}
        <button
          type="button"
          class="plain-action"
          class:chosen={line.taken === answer.promised}
          onclick={() => screen.take(at)}>Promise {date(answer.promised, today)} <Key name="Alt p" /></button
        >
      {/if}
      {#if (answer.available ?? 0) > 0}
        <button type="button" class="plain-action" onclick={() => screen.split(at)}
          >{quantity(answer.available ?? 0)} then, the rest later <Key name="Alt s" /></button
        >
      {/if}
      {#each out.sites as other, i (other.site)}
        <button type="button" class="plain-action" onclick={() => screen.from(other.site, at)}
          >From {other.siteName}, {date(other.promised ?? '', today)}
          {#if i === 0}<Key name="Alt w" />{/if}</button
        >
      {/each}
      {#each out.bringing as other, i (other.site)}
        <button type="button" class="plain-action" onclick={() => screen.bring(other.site, at)}
          >Brought from {other.siteName}, {date(other.promised ?? '', today)}
          {#if i === 0}<Key name="Alt b" />{/if}</button
        >
      {/each}
      {#each out.alternatives as other, i (other.item)}
        <button type="button" class="plain-action" onclick={() => screen.instead(other, at)}
          >{quantity(other.quantity)}
          {other.unit} of {other.item} instead, {date(other.promised ?? '', today)}
          {#if i === 0}<Key name="Alt a" />{/if}</button
        >
      {/each}
      <button
        type="button"
        class="plain-action"
        class:chosen={line.kept}
        aria-pressed={line.kept ?? false}
        onclick={() => screen.keepDay(at)}
        >Keep {answer.day ? date(answer.day, today) : 'the day'} all the same <Key name="Alt k" /></button
      >
    </p>
    {#if late.length > 0}
      <p class="text-sm text-ink-2" data-testid="delayed">
        {count(late.length, 'line')} would get later if it went as it is wanted:
        {#each late.slice(0, 5) as one, i (i)}{i > 0 ? ', ' : ''}{@render whom(one.line)}
          ({one.before ? date(one.before, today) : 'never'} → {one.after
            ? date(one.after, today)
            : 'not any more'}){/each}{late.length > 5 ? ` and ${late.length - 5} more` : ''}.
        {#if answer.sizesAlone}<b
            >None of them would if {line.item} came in orders that are no larger than needed:</b
          >
          its minimum, multiple or fixed quantity takes what they wait for.{/if}
      </p>
    {/if}
    {#if ways?.newOrder}
      {@const sooner = ways.newOrder}
      <p class="text-sm text-ink-2" data-testid="new-order">
        The plan pulls in order <a class="link" href={orderHref(sooner.number)}>{sooner.number}</a> of {sooner.item},
        due {date(sooner.due, today)}. <b>A new order instead could have it go {date(sooner.day, today)}</b>:
        <a class="link" href={turnHref(sooner.item, sooner.site)}>bring {sooner.item} from there</a>.
      </p>
    {/if}
    {#if ways?.precedence}
      {@const before = ways.precedence}
      <p class="text-sm text-ink-2" data-testid="precedence">
        Before everybody else it {before.onTime
          ? 'would go as it is wanted'
          : before.possible
            ? `would not go before ${date(before.possible, today)} either`
            : 'could not go either'}{#if before.delayed.length > 0}
          , and {count(before.delayed.length, 'line')} would get later:
          {#each before.delayed.slice(0, 4) as one, i (i)}{i > 0 ? ', ' : ''}{@render whom(
              one.line
            )}{/each}{/if}.
      </p>
    {/if}
  {/if}
</div>

<style>
  .answer {
    grid-column: 2 / -1;
    margin: 0 0 6px;
    padding: 5px 10px;
    border-left: 4px solid var(--marigold);
    background: var(--slip);
  }
  .chosen {
    border-color: var(--ink);
    background: var(--marigold-tint);
    font-weight: 700;
  }
</style>
