<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { forecastSets, item } from '$lib/queries';
  import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
  import Field from '$lib/plan/Field.svelte';
  import ItemField from '$lib/plan/ItemField.svelte';
  import Key from '$lib/ui/Key.svelte';
  import { assumptionOf, KINDS, PLANNING, type Assumption, type Form, type Kind } from './what-if';

  /** Something that is to be otherwise. */
  interface Props {
    choices?: Schemas['Choices'];
    today: string;
    /** Why the last one was refused. */
    refused?: string;
    busy: boolean;
    onadd: (assumption: Assumption) => void;
    onclose: () => void;
  }
  let { choices, today, refused, busy, onadd, onclose }: Props = $props();
  const was = halfTyped<{ kind: Kind; form: Form }>('assumption');
  let kind = $state<Kind>(was?.kind ?? 'DEMAND');
  let form = $state<Form>(was?.form ?? {});
  keepHalfTyped('assumption', () => ({ kind, form: $state.snapshot(form) }));
  let box = $state<HTMLElement>();
  const assumption = $derived(assumptionOf(kind, form));
  const sets = createQuery(forecastSets);
  const bill = createQuery(() => ({ ...item(form.item ?? ''), enabled: kind === 'BILL' && !!form.item }));
  const lines = $derived(
    (bill.data?.components ?? [])
      .filter((l) => l.depth === 0)
      .map((l) => ({ code: l.line, name: `${l.line} ${l.item}` }))
  );

  function add() {
    if (assumption && !busy) onadd(assumption);
  }

  function keydown(event: KeyboardEvent) {
    const target = event.target as HTMLElement;
    if (event.key === 'Escape') {
      event.stopPropagation();
      onclose();
    } else if (event.key === 'Enter' && target.closest('input, select')) {
      event.preventDefault();
      event.stopPropagation();
      add();
    }
  }

  $effect(() => {
    box?.querySelector<HTMLElement>('select')?.focus();
  });
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<section
  class="my-2 border-y border-line bg-sheet px-3 py-2"
  aria-label="Something otherwise"
  bind:this={box}
  onkeydown={keydown}
>
  <div class="flex flex-wrap items-end gap-3">
    <label class="grid gap-0.5">
      <span class="text-sm text-ink-2">What is otherwise</span>
      <select class="field" bind:value={kind} onchange={() => (form = {})}>
        {#each KINDS as k (k.kind)}<option value={k.kind}>{k.name}</option>{/each}
      </select>
    </label>
    {#if kind === 'DEMAND'}
      <Field name="Percent" bind:value={form.percent} placeholder="20 or −10" />
      <Field
        name="Of"
        bind:value={form.of}
        none="forecasts and orders"
        choices={[
          { code: 'forecast', name: 'forecasts' },
          { code: 'orders', name: 'customer orders' }
        ]}
      />
      <ItemField name="Only item" bind:value={form.item} />
      <Field name="Only group" bind:value={form.group} choices={choices?.groups} none="all" />
      <Field name="Only customer" bind:value={form.customer} choices={choices?.allCustomers} none="all" />
      <Field name="From" bind:value={form.from} {today} />
      <Field name="To" bind:value={form.to} {today} />
    {:else if kind === 'ORDER'}
      <ItemField bind:value={form.item} />
      <Field name="Quantity" bind:value={form.quantity} />
      <Field name="Wanted on" bind:value={form.due} {today} />
      <Field name="From site" bind:value={form.site} choices={choices?.allSites} none="choose" />
      <Field name="Customer" bind:value={form.customer} choices={choices?.allCustomers} none="nobody yet" />
    {:else if kind === 'SUPPLIER_SLOWER'}
      <Field name="Supplier" bind:value={form.supplier} choices={choices?.allSuppliers} none="choose" />
      <Field name="By working days" bind:value={form.days} />
      <Field name="Only from" bind:value={form.from} {today} />
      <Field name="To" bind:value={form.to} {today} />
    {:else if kind === 'SUPPLIER_OUT'}
      <Field name="Supplier" bind:value={form.supplier} choices={choices?.allSuppliers} none="choose" />
      <Field name="From" bind:value={form.from} {today} />
      <Field name="To" bind:value={form.to} {today} />
    {:else if kind === 'STOCK_LOST'}
      <ItemField bind:value={form.item} />
      <Field name="At" bind:value={form.site} choices={choices?.allSites} none="choose" />
      <Field name="Quantity" bind:value={form.quantity} placeholder="all of it" />
    {:else if kind === 'PLANNING'}
      <ItemField bind:value={form.item} />
      <Field name="At" bind:value={form.site} choices={choices?.allSites} none="choose" />
      <Field name="Planning data" bind:value={form.field} choices={PLANNING} none="choose" />
      {#if form.field === 'supplier'}
        <Field name="becomes" bind:value={form.value} choices={choices?.allSuppliers} none="none" />
      {:else if form.field === 'from_site'}
        <Field name="becomes" bind:value={form.value} choices={choices?.allSites} none="none" />
      {:else}
        <Field name="becomes" bind:value={form.value} />
      {/if}
    {:else if kind === 'BILL'}
      <ItemField name="Of" bind:value={form.item} />
      <Field name="Line" bind:value={form.line} choices={lines} none={lines.length ? 'choose' : 'no lines'} />
      <span class="pb-1.5 text-ink-2">or</span>
      <ItemField name="one more component" bind:value={form.component} />
      <Field
        name="Quantity each"
        bind:value={form.quantity}
        placeholder={form.component ? '1' : '0: taken out'}
      />
    {:else if kind === 'CALENDAR'}
      <Field name="Site" bind:value={form.site} choices={choices?.allSites} none="choose" />
      <Field
        name="On these days it"
        bind:value={form.working}
        none="is closed"
        choices={[{ code: 'works', name: 'works' }]}
      />
      <Field name="From" bind:value={form.from} {today} />
      <Field name="To" bind:value={form.to} {today} />
    {:else}
      <Field
        name="Forecast"
        bind:value={form.set}
        none="none"
        choices={(sets.data?.names ?? []).map((n) => ({ code: n, name: n }))}
      />
    {/if}
  </div>
  {#if kind === 'SUPPLIER_OUT'}
    <p class="mt-1 text-sm text-ink-2">
      He does not work on these days: lead times go on after them, and what is on order for them comes on the
      first day after.
    </p>
  {:else if kind === 'SUPPLIER_SLOWER'}
    <p class="mt-1 text-sm text-ink-2">
      {#if form.from || form.to}
        He loses so many working days, spread over this time: orders take longer by those that fall into
        theirs, and so does what he has promised for a day of it.
      {:else}
        For orders from now on; what lies with him comes as it was promised.
      {/if}
    </p>
  {/if}
  {#if refused}<p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-2" role="alert">{refused}</p>{/if}
  <p class="mt-2 flex gap-2">
    <button type="button" class="main-action" disabled={!assumption || busy} onclick={add}
      >{busy ? 'Working it out …' : 'Assume it'} <Key name="Enter" /></button
    >
    <button type="button" class="plain-action" style="height: 30px" onclick={onclose}
      >Back <Key name="Esc" /></button
    >
  </p>
</section>
