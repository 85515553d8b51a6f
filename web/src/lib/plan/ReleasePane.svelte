<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answer, api, Refused, type Schemas } from '$lib/api/client';
  import { count, date, documentName, longDate, money, quantity, said } from '$lib/format';
  import { pointHref } from '$lib/links';
  import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
  import { planSeen } from '$lib/plan-seen';
  import { trial } from '$lib/trial.svelte';
  import Key from '$lib/ui/Key.svelte';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import type { PlannedOrder } from './plan.svelte';
  import ReleasedOrders from './ReleasedOrders.svelte';
  import ReleaseLines from './ReleaseLines.svelte';
  import { cureOf } from './repairs';
  import type { Deciding } from './command';

  interface Props {
    keys: string[];
    today: string;
    currency: string;
    mayRelease: boolean;
    onclose: () => void;
    onreleased: (keys: string[]) => void;
    ongone: (keys: string[]) => void;
    /** More orders go out with these. */
    onmore: (keys: string[]) => void;
    /** One order goes instead of another. */
    onswap: (key: string, instead: string) => void;
    /** The planned orders are firmed instead. */
    onfirm: (keys: string[]) => void;
    /** What keeps a line from going is cured, and the release goes on. */
    oncure: (deciding: Deciding) => void;
  }
  let {
    keys,
    today,
    currency,
    mayRelease,
    onclose,
    onreleased,
    ongone,
    onmore,
    onswap,
    onfirm,
    oncure
  }: Props = $props();
  const client = useQueryClient();
  const was = halfTyped<{ note: string; notes: Record<string, string> } | null>('release');
  let note = $state(was?.note ?? '');
  /** By supplier and site, so that a note stays when other lines come or the first one gets another key. */
  let notes = $state<Record<string, string>>(was?.notes ?? {});
  /** As they were sent: asked again, they must be the same. */
  let sent: Record<string, string> = {};
  let firmOnly = $state(false);
  let leaveOut = $state(false);
  /** What cannot be there in time goes out with the day on which it can. */
  let asPossible = $state(true);
  let weeks = $state(4);
  let created = $state<Schemas['Answer'] | undefined>();
  keepHalfTyped('release', () => (created ? null : { keys, note, notes: $state.snapshot(notes) }));
  let refused = $state<string | undefined>();
  /** One key for this press: repeated after a lost connection it cannot release twice. */
  let command = crypto.randomUUID();
  /** The press went out and no answer came: it may have been carried out, and only asking again tells. */
  let unanswered = $state(false);
  let heading = $state<HTMLHeadingElement>();

  let sending = $state(false);
  /** The plan in which these orders were first looked at here. */
  let seen = $state<number | undefined>();
  /** How much of what happened since then was looked at. */
  let known = $state(0);
  const preview = createQuery(() => ({
    queryKey: ['plan', 'release', keys, asPossible, weeks],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/releases/preview', { signal, body: { seen, orders: keys, asPossible, weeks } })),
    placeholderData: (before) => before,
    enabled: created === undefined && !unanswered && !sending
  }));
  $effect(() => {
    if (seen === undefined && preview.data) seen = preview.data.version;
  });
  const since = $derived(preview.data?.since ?? []);
  const documents = $derived(preview.data?.documents ?? []);
  const obstacles = $derived(preview.data?.obstacles ?? []);
  const lines = $derived(documents.reduce((n, d) => n + d.lines.length, 0));
  const summary = $derived.by(() => {
    const kinds = [...new Set(documents.map((d) => d.kind))];
    return kinds.map((k) => count(documents.filter((d) => d.kind === k).length, documentName(k))).join(', ');
  });
  const gone = $derived(preview.data?.gone ?? []);
  const earlier = $derived(new Map((preview.data?.earlier ?? []).map((e) => [e.key, e])));
  /** Lines that cannot be there in time and whose date can still be chosen. */
  const late = $derived(documents.flatMap((d) => d.lines).filter((l) => l.daysLate > 0 && l.dated));
  const ready = $derived(
    !trial.on &&
      (unanswered ||
        (mayRelease &&
          !preview.isPlaceholderData &&
          documents.length > 0 &&
          (obstacles.length === 0 || leaveOut) &&
          gone.length === 0))
  );

  const release = createMutation(() => ({
    onMutate: () => {
      sending = true;
      planSeen.deciding();
    },
    onSettled: () => {
      sending = false;
      planSeen.answeredDecision();
    },
    mutationFn: () =>
      answer(
        api.POST('/api/releases', {
          params: { header: { 'Idempotency-Key': command } },
          body: {
            seen: preview.data?.version ?? 0,
            orders: keys,
            leaveOut,
            asPossible,
            note: note.trim() || undefined,
            notes: sent
          }
        })
      ),
    onSuccess: (done) => {
      created = done;
      refused = undefined;
      unanswered = false;
      onreleased(keys);
    },
    onError: (e) => {
      unanswered = e instanceof Refused && e.problem.status === 0;
      refused = unanswered
        ? 'No answer came, so the orders may or may not have been released. Ask again: nothing can be released twice.'
        : e.message;
      if (!unanswered) {
        command = crypto.randomUUID();
        void client.invalidateQueries({ queryKey: ['plan'] });
      }
    }
  }));

  $effect(() => heading?.focus());

  /** What else a supplier brings to the same site and is due within the chosen time. */
  function more(document: Schemas['ReleaseDocument']): PlannedOrder[] {
    const of = preview.data?.more.find((m) => m.supplier === document.supplier && m.site === document.site);
    return of?.orders.filter((o) => !keys.includes(o.key)) ?? [];
  }

  function nameOf(document: Schemas['ReleaseDocument']): string {
    return `${document.supplier}~${document.site}`;
  }

  /** The notes by the first line of each document, as the server asks for them. */
  function written(): Record<string, string> {
    return Object.fromEntries(
      documents.flatMap((d) => {
        const text = notes[nameOf(d)];
        return d.lines[0] && text ? [[d.lines[0].key, text]] : [];
      })
    );
  }

  export function press() {
    if (gone.length > 0 && !unanswered) ongone(gone);
    else if (firmOnly) onfirm(keys);
    else if (since.length > known && !unanswered) known = since.length;
    else if (ready && !release.isPending && created === undefined) {
      if (!unanswered) sent = written();
      release.mutate();
    }
  }
</script>

<section class="px-5 pt-3 pb-6" aria-label="Release">
  {#if created}
    <h2 class="text-xl" tabindex="-1" bind:this={heading}>
      Released: {count(created.orders.length, 'order')}
    </h2>
    <ReleasedOrders orders={created.orders} {currency} />
    {#each created.leftOut as left (left.key)}<p class="mt-2 text-ink-2">
        Left out: {said(left.sentence)}
      </p>{/each}
    <p class="no-print mt-4 flex gap-2">
      <button type="button" class="plain-action" onclick={() => window.print()}>Print</button>
      <button type="button" class="plain-action" onclick={onclose}>Back to the plan <Key name="Esc" /></button
      >
    </p>
  {:else}
    <h2 class="text-xl" tabindex="-1" bind:this={heading}>
      Release {lines}{summary ? `: ${summary}` : ''}
    </h2>
    {#if preview.isPending}
      <p class="mt-2 text-ink-2">Working out what will be created …</p>
    {:else if preview.isError}
      <p class="mt-2 text-vermilion" role="alert">{preview.error.message}</p>
    {/if}
    {#if refused}
      <p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{refused}</p>
    {/if}
    {#if since.length > 0 && !unanswered}
      <div class="mt-2 border-l-4 border-marigold bg-slip px-3 py-2" role="alert" data-testid="since">
        <b>Since you looked:</b>
        {#each since as sentence (sentence)}<p>{said(sentence)}</p>{/each}
        {#if since.length > known}<p>The plan still asks for what you chose. Is it still wanted?</p>{/if}
      </div>
    {/if}
    {#if gone.length > 0 && !unanswered}
      <p class="mt-2 text-vermilion" role="alert">
        {count(gone.length, 'planned order')} of your choice {gone.length === 1 ? 'is' : 'are'} no longer asked
        for.
        <button type="button" class="link" onclick={() => ongone(gone)}
          >Take {gone.length === 1 ? 'it' : 'them'} out <Key name="r" /></button
        >
      </p>
    {/if}
    {#if obstacles.length > 0}
      <div class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2">
        {#each obstacles as obstacle (obstacle.key)}
          <p>
            <b>Cannot be released:</b>
            {said(obstacle.sentence)}
            <button type="button" class="link" onclick={() => oncure(cureOf(obstacle).deciding)}
              >{cureOf(obstacle).says}</button
            >
            · <a class="link" href={pointHref(obstacle.item, obstacle.site)}>Look at it</a>
          </p>
        {/each}
        {#if documents.length > 0}
          <label class="mt-1 flex items-center gap-2">
            <input type="checkbox" bind:checked={leaveOut} />
            Leave {obstacles.length === 1 ? 'it' : 'them'} out and release the other {lines}
          </label>
        {/if}
      </div>
    {/if}
    {#each documents as document, i (i)}
      <div class="mt-4">
        <h3 class="section flex items-center gap-2">
          <SourceTile source={document.kind} stage="released" />
          <span class="inline-block first-letter:uppercase">{documentName(document.kind)}</span>
          {#if document.partner}<span class="font-normal">to {document.partner}</span>{/if}
          <span class="ml-auto font-normal text-ink-2">for {document.siteName}</span>
        </h3>
        <ReleaseLines {document} {earlier} {today} {currency} {onswap} />
        {#if document.minimum}
          <p class="mt-1 font-semibold text-vermilion">
            {document.value !== undefined && document.value !== null ? money(document.value, currency) : ''} is
            below the supplier's minimum order value of {money(document.minimum, currency)}.
          </p>
        {/if}
        {#if document.kind === 'buy' && document.supplier}
          {@const others = more(document)}
          <details class="mt-1" open={Boolean(document.minimum)} data-testid="more">
            <summary class="cursor-default text-ink-2">
              {others.length === 0 ? 'Nothing more' : `${others.length} more`} from {document.partner} due within
              {weeks}
              weeks
            </summary>
            <p class="flex gap-3 text-ink-2">
              <label
                >look ahead
                <select class="border-b border-line bg-transparent font-semibold text-ink" bind:value={weeks}>
                  {#each [2, 4, 8, 13, 26] as w (w)}<option value={w}>{w} weeks</option>{/each}
                </select></label
              >
              {#if others.length > 1}<button
                  type="button"
                  class="link"
                  onclick={() => onmore(others.map((o) => o.key))}>add all {others.length}</button
                >{/if}
            </p>
            <ul>
              {#each others as o (o.key)}
                <li
                  class="grid grid-cols-[minmax(0,1fr)_90px_74px_84px_auto] gap-2 border-b border-line-2 py-0.5"
                >
                  <span class="truncate"><b>{o.item}</b> {o.itemName}</span>
                  <span class="text-right"
                    >{quantity(o.quantity)} <small class="text-ink-3">{o.unit}</small></span
                  >
                  <span class="text-right" title={longDate(o.due)}>{date(o.due, today)}</span>
                  <span class="text-right"
                    >{o.value !== undefined && o.value !== null ? money(o.value, currency) : '–'}</span
                  >
                  <button type="button" class="link" onclick={() => onmore([o.key])}>add</button>
                </li>
              {/each}
            </ul>
          </details>
        {/if}
        {#if document.kind === 'buy' && document.lines[0] && !document.number}
          {@const name = nameOf(document)}
          <label class="mt-1 flex items-center gap-2">
            <span class="text-sm text-ink-2">Note for {document.partner}</span>
            <input
              class="field min-w-0 flex-1"
              maxlength="1000"
              value={notes[name] ?? ''}
              oninput={(e) => (notes = { ...notes, [name]: e.currentTarget.value })}
            />
          </label>
        {/if}
      </div>
    {/each}
    {#if late.length > 0}
      <label class="mt-3 flex items-center gap-2" data-testid="as-possible">
        <input type="checkbox" bind:checked={asPossible} />
        {late.length === 1 ? 'One line' : `${late.length} lines`} cannot be there in time: send
        {late.length === 1 ? 'it' : 'them'} out with the day on which {late.length === 1 ? 'it' : 'they'} can, so
        that what is late stays late
      </label>
    {/if}
    {#if documents.length > 0}
      <label class="mt-4 grid gap-1">
        <span class="text-sm text-ink-2">Note on the orders that have none of their own (optional)</span>
        <textarea
          class="rounded border border-line bg-sheet px-2 py-1"
          rows="2"
          maxlength="1000"
          bind:value={note}></textarea>
      </label>
    {/if}
    <fieldset class="mt-3 flex gap-4">
      <legend class="sr-only">Stage</legend>
      <label class="flex items-center gap-1.5"
        ><input type="radio" name="stage" checked={!firmOnly} onchange={() => (firmOnly = false)} />release to
        those who carry them out</label
      >
      <label class="flex items-center gap-1.5"
        ><input type="radio" name="stage" checked={firmOnly} onchange={() => (firmOnly = true)} />firm only</label
      >
    </fieldset>
    {#if !mayRelease}<p class="mt-3 text-ink-2">Releasing is for planners and buyers.</p>{/if}
    <p class="mt-4 flex gap-2">
      <button
        type="button"
        class="main-action"
        disabled={(!ready && !firmOnly) || release.isPending}
        onclick={press}
      >
        {release.isPending
          ? 'Releasing …'
          : unanswered
            ? 'Ask again'
            : since.length > known && !firmOnly
              ? 'Yes, still wanted'
              : firmOnly
                ? `Firm ${lines} …`
                : `Release ${lines}`}
        <Key name="r" />
      </button>
      <button type="button" class="plain-action" style="height: 30px" onclick={onclose}
        >Back <Key name="Esc" /></button
      >
    </p>
  {/if}
</section>
