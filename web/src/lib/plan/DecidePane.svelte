<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { answer, api, Refused, type Schemas } from '$lib/api/client';
  import { count, date, words, said } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import { keepHalfTyped } from '$lib/half-typed.svelte';
  import { planSeen } from '$lib/plan-seen';
  import ConsequenceView from './ConsequenceView.svelte';
  import Field from './Field.svelte';
  import ItemField from './ItemField.svelte';
  import type { PlannedOrder } from './plan.svelte';
  import { TITLES, commandOf, type Deciding, type Form } from './command';

  interface Props {
    deciding: Deciding;
    /** The orders it is about, as far as the list has them. */
    orders: PlannedOrder[];
    choices?: Schemas['Choices'];
    today: string;
    currency: string;
    onclose: () => void;
    onkept: (decision: Schemas['Decision'], deciding: Deciding) => void;
    /** The same with what the plan has instead. */
    onagain: (deciding: Deciding) => void;
  }
  let { deciding, orders, choices, today, currency, onclose, onkept, onagain }: Props = $props();
  const client = useQueryClient();
  let form = $state<Form>(untrack(() => ({ ...deciding.form, fields: { ...deciding.form?.fields } })));
  keepHalfTyped('decision', () => ({ ...deciding, form: $state.snapshot(form) }));
  const many = $derived(deciding.orders.length > 1);
  const one = $derived(many ? undefined : orders[0]);
  const wanted = $derived(commandOf(deciding, form));
  let box = $state<HTMLElement>();
  let refused = $state<string | undefined>();
  let instead = $state<string[]>([]);
  let command = crypto.randomUUID();

  /** What was typed, once the typing has stopped for a moment. */
  let settled = $state.raw(untrack(() => wanted));
  $effect(() => {
    const next = wanted;
    const timer = setTimeout(() => (settled = next), 120);
    return () => clearTimeout(timer);
  });
  /** It is being kept, so what comes of it need not be tried any more. */
  let kept = $state(false);
  const preview = createQuery(() => ({
    queryKey: ['plan', 'preview', JSON.stringify(settled)],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/decisions/preview', { signal, body: settled ?? { kind: deciding.kind } })),
    enabled: settled !== undefined && !kept,
    placeholderData: (before) => before,
    retry: false
  }));
  const keeping = createMutation(() => ({
    onMutate: () => {
      kept = true;
      planSeen.deciding();
    },
    onSettled: () => planSeen.answeredDecision(),
    mutationFn: () =>
      answer(
        api.POST('/api/decisions', {
          params: { header: { 'Idempotency-Key': command } },
          body: wanted ?? { kind: deciding.kind }
        })
      ),
    onSuccess: (decision) => onkept(decision, deciding),
    onError: (e) => {
      kept = false;
      refused =
        e instanceof Refused && e.problem.status === 0
          ? 'No answer came, so it may or may not have been kept. Keep it again: nothing is done twice.'
          : e.message;
      if (e instanceof Refused && e.problem.status !== 0) {
        command = crypto.randomUUID();
        instead = (e.problem.instead ?? []).filter((k): k is string => Boolean(k));
        void client.invalidateQueries({ queryKey: ['plan'] });
      }
    }
  }));

  /** What the server says against one field stands at that field. */
  function faultOf(field: string): string | undefined {
    const problem = preview.error instanceof Refused ? preview.error.problem : undefined;
    return settled !== undefined && problem?.field === field ? problem.detail : undefined;
  }

  const consequence = $derived(settled === undefined || preview.isError ? undefined : preview.data);
  const gone = $derived(kept ? [] : (consequence?.gone ?? []));
  const ready = $derived(
    wanted !== undefined &&
      settled === wanted &&
      consequence !== undefined &&
      !preview.isPlaceholderData &&
      consequence.refusals.length === 0 &&
      gone.length === 0
  );

  /** What the plan has in the place of what is gone: one key does the same to that. */
  const replacement = $derived(
    instead.length > 0
      ? instead
      : gone.length > 0
        ? (consequence?.instead ?? []).filter((k): k is string => Boolean(k))
        : []
  );

  export function keep() {
    if (replacement.length > 0) again();
    else if (ready && !keeping.isPending) keeping.mutate();
  }

  /** The order is dated with the day on which it can be there. */
  function dateIt(key: string | undefined, day: string) {
    if (deciding.kind === 'FIRM' && key)
      onagain({ kind: 'CHANGE', orders: [key], form: { ...form, due: day } });
    else form.due = day;
  }

  function again() {
    const missing = gone.length > 0 ? gone : deciding.orders;
    const kept = deciding.orders.filter((k) => !missing.includes(k));
    onagain({ ...deciding, orders: [...new Set([...kept, ...replacement])], form });
  }

  function keydown(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (event.key === 'Escape') {
      event.stopPropagation();
      onclose();
    } else if (event.key === 'Enter' && target.closest('input, h2')) {
      event.preventDefault();
      event.stopPropagation();
      keep();
    }
  }

  $effect(() => {
    const field = box?.querySelector<HTMLElement>('input, select') ?? box?.querySelector<HTMLElement>('h2');
    field?.focus();
    if (field instanceof HTMLInputElement) field.select();
  });

  const PLANNING: Record<
    string,
    { name: string; help: string; kind?: 'number' | 'supplier' | 'site' | 'source' }
  > = {
    supplier: { name: 'Supplier', help: 'first choice from now on', kind: 'supplier' },
    source: { name: 'Source', help: 'how it is replenished', kind: 'source' },
    from_site: { name: 'From site', help: 'of transfers and subcontracting', kind: 'site' },
    safety_stock: { name: 'Safety stock', help: 'what should never be used up', kind: 'number' },
    reorder_point: { name: 'Reorder point', help: 'below it an order is made', kind: 'number' },
    order_up_to: { name: 'Order up to', help: 'of the rule min-max', kind: 'number' },
    lead_time_days: { name: 'Lead time', help: 'working days, where the supplier has none', kind: 'number' }
  };
  const SOURCES = ['make', 'assemble', 'buy', 'transfer', 'subcontract'];

  function put(name: string, value: string) {
    const fields = { ...form.fields };
    if (value.trim() === '') delete fields[name];
    else fields[name] = value;
    form.fields = fields;
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<section
  class="px-5 pt-3 pb-6"
  aria-label={TITLES[deciding.kind]}
  bind:this={box}
  onkeydown={keydown}
  data-testid="decide"
>
  <h2 class="text-xl" tabindex="-1">
    {TITLES[deciding.kind]}
    {#if one}<span class="font-normal">{one.item} {one.itemName}</span>
    {:else if many}<span class="font-normal">{count(deciding.orders.length, 'order')}</span>
    {:else if deciding.item}<span class="font-normal">{deciding.item}</span>
    {:else if consequence?.orders[0]}<span class="font-normal"
        >{consequence.orders[0].number} {consequence.orders[0].item}</span
      >{/if}
  </h2>
  <div class="mt-2 flex flex-wrap items-start gap-3">
    {#if deciding.kind === 'CHANGE'}
      {#if one}
        <Field
          name="Quantity"
          number="positive"
          fault={faultOf('quantity')}
          bind:value={form.quantity}
          placeholder={one ? String(one.quantity) : ''}
        />
        <Field
          name="Start"
          fault={faultOf('start')}
          bind:value={form.start}
          {today}
          placeholder={one ? date(one.start, today) : ''}
        />
      {:else if many}
        <Field
          name="Move by days"
          number="any"
          fault={faultOf('days')}
          bind:value={form.days}
          placeholder="0"
        />
      {/if}
      <Field
        name="Due"
        fault={faultOf('due')}
        bind:value={form.due}
        {today}
        placeholder={one ? date(one.due, today) : ''}
      />
      {#if orders.length > 0}
        <Field
          name="Supplier"
          fault={faultOf('supplier')}
          bind:value={form.supplier}
          choices={choices?.allSuppliers}
        />
        <Field
          name="Source"
          fault={faultOf('source')}
          bind:value={form.source}
          choices={SOURCES.map((s) => ({ code: s, name: s }))}
        />
        <Field
          name="Receiving site"
          fault={faultOf('site')}
          bind:value={form.site}
          choices={choices?.allSites}
        />
      {/if}
    {:else if deciding.kind === 'MERGE'}
      <Field
        name="Quantity"
        number="positive"
        fault={faultOf('quantity')}
        bind:value={form.quantity}
        placeholder="all of them"
      />
      <Field name="Due" fault={faultOf('due')} bind:value={form.due} {today} />
    {:else if deciding.kind === 'SPLIT'}
      <Field
        name="Into so many"
        number="positive"
        fault={faultOf('into')}
        bind:value={form.into}
        placeholder="2"
      />
      <span class="pt-6 text-ink-2">or</span>
      <Field name="Part of" number="positive" fault={faultOf('quantity')} bind:value={form.part} />
      <Field name="due on" bind:value={form.partDue} {today} />
    {:else if deciding.kind === 'HOLD'}
      <Field name="Until" fault={faultOf('until')} bind:value={form.until} {today} />
      <Field name="Why (optional)" bind:value={form.note} wide />
    {:else if deciding.kind === 'ENTER'}
      <ItemField bind:value={form.item} fault={faultOf('item')} />
      <Field name="Quantity" number="positive" fault={faultOf('quantity')} bind:value={form.quantity} />
      <Field name="Wanted on" fault={faultOf('due')} bind:value={form.due} {today} />
      <Field
        name="From site"
        fault={faultOf('site')}
        bind:value={form.site}
        choices={choices?.allSites}
        none="choose"
      />
      <Field
        name="Customer"
        fault={faultOf('customer')}
        bind:value={form.customer}
        choices={choices?.allCustomers}
        none="nobody yet"
      />
      <Field name="Number" fault={faultOf('number')} bind:value={form.number} placeholder="the next" />
    {:else if deciding.kind === 'ADD'}
      <Field name="Quantity" number="positive" fault={faultOf('quantity')} bind:value={form.quantity} />
      <Field name="Due" fault={faultOf('due')} bind:value={form.due} {today} />
      <Field
        name="Source"
        fault={faultOf('source')}
        bind:value={form.source}
        choices={SOURCES.map((s) => ({ code: s, name: s }))}
      />
      <Field
        name="Supplier"
        fault={faultOf('supplier')}
        bind:value={form.supplier}
        choices={choices?.allSuppliers}
      />
    {:else if deciding.kind === 'PLANNING'}
      {#each deciding.fields ?? [] as name (name)}
        {@const field = PLANNING[name]}
        <Field
          name={field?.name ?? words(name)}
          help={field?.help}
          number={field?.kind === 'number' ? 'any' : undefined}
          fault={faultOf(name)}
          value={form.fields?.[name] ?? ''}
          onchange={(v) => put(name, v)}
          choices={field?.kind === 'supplier'
            ? choices?.allSuppliers
            : field?.kind === 'site'
              ? choices?.allSites
              : field?.kind === 'source'
                ? SOURCES.map((s) => ({ code: s, name: s }))
                : undefined}
        />
      {/each}
    {/if}
  </div>
  {#if deciding.kind === 'SUBSTITUTE'}
    <p class="mt-2 text-ink-2">
      <b class="text-ink">{deciding.item}</b> is used in the production orders that would wait; they become firmed
      and keep it. What comes in time, and what customers and other sites ask for, stays as it is.
    </p>
  {/if}
  {#if deciding.kind === 'HOLD'}
    <p class="mt-2 text-ink-2">
      A held order stays in view and is left out of release. It is recognised by what it serves first, so the
      hold outlives other quantities and dates.
    </p>
  {/if}
  {#if refused}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{refused}</p>
  {:else if preview.isError && settled !== undefined}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{preview.error.message}</p>
  {/if}
  {#each consequence?.refusals ?? [] as refusal (refusal)}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{said(refusal)}</p>
  {/each}
  {#if gone.length > 0 && !refused}
    <p class="mt-3 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">
      {count(gone.length, 'order')} of your choice {gone.length === 1 ? 'is' : 'are'} no longer asked for.
    </p>
  {/if}
  <p class="mt-3 flex items-center gap-2">
    {#if replacement.length > 0}
      <button type="button" class="main-action" onclick={again}
        >Do it with what is there now <Key name="Enter" /></button
      >
    {:else}
      <button type="button" class="main-action" disabled={!ready || keeping.isPending} onclick={keep}>
        {keeping.isPending ? 'Keeping …' : 'Keep it'}
        <Key name="Enter" />
      </button>
    {/if}
    <button type="button" class="plain-action" style="height: 30px" onclick={onclose}
      >Back <Key name="Esc" /></button
    >
    {#if wanted === undefined}<span class="text-ink-2">Say what is to be otherwise.</span
      >{:else if preview.isFetching}<span class="text-ink-2">Working out what follows …</span>{/if}
  </p>
  {#if consequence && consequence.refusals.length === 0 && gone.length === 0}
    <div class:opacity-60={preview.isPlaceholderData}>
      <ConsequenceView {consequence} {today} {currency} ondate={dateIt} />
    </div>
  {/if}
</section>
