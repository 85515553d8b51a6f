<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import PartsField from '$lib/demand/PartsField.svelte';
  import { date, words } from '$lib/format';
  import { offered } from '$lib/queries';
  import type { Draft } from './draft.svelte';
  import Field from './Field.svelte';
  import ItemField from './ItemField.svelte';
  import type { PlannedOrder } from './plan.svelte';

  /** What is typed for a decision, by its kind. */
  interface Props {
    draft: Draft;
    orders: PlannedOrder[];
    choices?: Schemas['Choices'];
    /** The forecast sets there are. */
    sets?: string[];
    today: string;
  }
  let { draft, orders, choices, sets, today }: Props = $props();
  const kind = $derived(draft.deciding.kind);
  const setsId = $props.id();
  /** What begins like the part that is typed last. */
  const items = createQuery(() => ({
    ...offered({ table: 'items', words: draft.form.kitParts?.at(-1)?.component || undefined }),
    enabled: draft.form.kitParts !== undefined
  }));

  const EVENTS = [
    ['', '–'],
    ['PROMOTION', 'promotion'],
    ['CLOSURE', 'closed'],
    ['EVENT', 'event'],
    ['JUDGEMENT', 'judgement']
  ];

  interface Planning {
    name: string;
    help: string;
    kind?: 'number' | 'supplier' | 'site' | 'source';
  }
  const PLANNING: Record<string, Planning> = {
    supplier: { name: 'Supplier', help: 'first choice from now on', kind: 'supplier' },
    source: { name: 'Source', help: 'how it is replenished', kind: 'source' },
    from_site: { name: 'From site', help: 'of transfers and subcontracting', kind: 'site' },
    safety_stock: { name: 'Safety stock', help: 'what should never be used up', kind: 'number' },
    reorder_point: { name: 'Reorder point', help: 'below it an order is made', kind: 'number' },
    order_up_to: { name: 'Order up to', help: 'of the rule min-max', kind: 'number' },
    lead_time_days: { name: 'Lead time', help: 'working days, where the supplier has none', kind: 'number' }
  };
  const SOURCES = ['make', 'assemble', 'buy', 'transfer', 'subcontract'].map((s) => ({ code: s, name: s }));

  function choicesOf(field: Planning | undefined) {
    if (field?.kind === 'supplier') return choices?.allSuppliers;
    if (field?.kind === 'site') return choices?.allSites;
    return field?.kind === 'source' ? SOURCES : undefined;
  }
</script>

{#snippet supplier()}
  <Field
    name="Supplier"
    fault={draft.faultOf('supplier')}
    bind:value={draft.form.supplier}
    choices={choices?.allSuppliers}
  />
{/snippet}

{#snippet source()}
  <Field name="Source" fault={draft.faultOf('source')} bind:value={draft.form.source} choices={SOURCES} />
{/snippet}

{#if kind === 'CHANGE'}
  {#if draft.one}
    <Field
      name="Quantity"
      number="positive"
      fault={draft.faultOf('quantity')}
      bind:value={draft.form.quantity}
      placeholder={draft.one ? String(draft.one.quantity) : ''}
    />
    <Field
      name="Start"
      fault={draft.faultOf('start')}
      bind:value={draft.form.start}
      {today}
      placeholder={draft.one ? date(draft.one.start, today) : ''}
    />
  {:else if draft.many}
    <Field
      name="Move by days"
      number="any"
      fault={draft.faultOf('days')}
      bind:value={draft.form.days}
      placeholder="0"
    />
  {/if}
  <Field
    name="Due"
    fault={draft.faultOf('due')}
    bind:value={draft.form.due}
    {today}
    placeholder={draft.one ? date(draft.one.due, today) : ''}
  />
  {#if orders.length > 0}
    {@render supplier()}
    {@render source()}
    <Field
      name="Receiving site"
      fault={draft.faultOf('site')}
      bind:value={draft.form.site}
      choices={choices?.allSites}
    />
  {/if}
{:else if kind === 'MERGE'}
  <Field
    name="Quantity"
    number="positive"
    fault={draft.faultOf('quantity')}
    bind:value={draft.form.quantity}
    placeholder="all of them"
  />
  <Field name="Due" fault={draft.faultOf('due')} bind:value={draft.form.due} {today} />
{:else if kind === 'SPLIT'}
  <Field
    name="Into so many"
    number="positive"
    fault={draft.faultOf('into')}
    bind:value={draft.form.into}
    placeholder="2"
  />
  <span class="pt-6 text-ink-2">or</span>
  <Field name="Part of" number="positive" fault={draft.faultOf('quantity')} bind:value={draft.form.part} />
  <Field name="due on" bind:value={draft.form.partDue} {today} />
{:else if kind === 'HOLD'}
  <Field name="Until" fault={draft.faultOf('until')} bind:value={draft.form.until} {today} />
  <Field name="Why (optional)" bind:value={draft.form.note} wide />
{:else if kind === 'AMEND'}
  {#if draft.form.state === 'cancelled'}
    <p class="basis-full">
      The lines are planned for no more. They stay in the list of what was cancelled, and can be taken up
      again.
    </p>
  {:else if draft.form.asPlanned}
    <p class="basis-full">The customer is told the day on which each line is planned to go.</p>
  {:else if draft.form.state === 'open'}
    <p class="basis-full">The lines are planned for from now on.</p>
  {:else if draft.form.kitParts}
    <fieldset class="basis-full text-sm">
      <legend class="text-ink-2">For this order alone, each kit consists of</legend>
      <PartsField
        parts={draft.form.kitParts}
        of="the kit"
        codes="parts-offered"
        unitOf={() => ''}
        onchange={(parts) => (draft.form.kitParts = parts)}
      />
      <button type="button" class="plain-action" onclick={() => (draft.form.kitParts = [])}
        >The usual parts</button
      >
      {#if draft.form.kitParts.length === 0}<span class="text-ink-2">as its bill of materials says</span>{/if}
      {#if draft.faultOf('parts')}<p class="text-vermilion" role="alert">{draft.faultOf('parts')}</p>{/if}
      <datalist id="parts-offered">
        {#each items.data ?? [] as row (row.code)}<option value={row.code}>{row.name ?? ''}</option>{/each}
      </datalist>
    </fieldset>
  {:else if draft.form.supply}
    <p class="basis-full">
      {draft.form.supply === 'STOCK'
        ? 'It goes from stock, in its turn with all other orders.'
        : draft.form.supply === 'OWN'
          ? 'Exactly what is open of it is bought for this line alone and kept for it.'
          : 'The supplier ships it to the customer; it never comes here.'}
    </p>
    {#if draft.form.supply !== 'STOCK'}{@render supplier()}{/if}
  {:else}
    {#if !draft.many}
      <Field
        name="Still open"
        number="positive"
        fault={draft.faultOf('quantity')}
        bind:value={draft.form.quantity}
        placeholder="as it is"
      />
      <ItemField bind:value={draft.form.item} fault={draft.faultOf('item')} />
    {/if}
    <Field name="Wanted on" fault={draft.faultOf('wanted')} bind:value={draft.form.wanted} {today} />
    <Field name="Promised for" fault={draft.faultOf('promised')} bind:value={draft.form.promised} {today} />
    <Field name="Planned to go" fault={draft.faultOf('due')} bind:value={draft.form.due} {today} />
    <Field
      name="From site"
      fault={draft.faultOf('site')}
      bind:value={draft.form.site}
      choices={choices?.allSites}
    />
    <Field
      name="Priority"
      number="positive"
      help="1 is served first, 5 is usual"
      fault={draft.faultOf('priority')}
      bind:value={draft.form.priority}
    />
  {/if}
  <Field name="Why (optional)" bind:value={draft.form.note} wide />
{:else if kind === 'ADD'}
  <Field
    name="Quantity"
    number="positive"
    fault={draft.faultOf('quantity')}
    bind:value={draft.form.quantity}
  />
  <Field name="Due" fault={draft.faultOf('due')} bind:value={draft.form.due} {today} />
  {@render source()}
  {@render supplier()}
{:else if kind === 'PLANNING'}
  {#each draft.deciding.fields ?? [] as name (name)}
    {@const field = PLANNING[name]}
    <Field
      name={field?.name ?? words(name)}
      help={field?.help}
      number={field?.kind === 'number' ? 'any' : undefined}
      fault={draft.faultOf(name)}
      value={draft.form.fields?.[name] ?? ''}
      onchange={(v) => draft.put(name, v)}
      choices={choicesOf(field)}
    />
  {/each}
{:else if kind === 'COPY'}
  <Field name="Code" fault={draft.faultOf('code')} bind:value={draft.form.code} />
  <Field name="Name" wide placeholder="as it is" bind:value={draft.form.name} />
  <fieldset class="flex flex-wrap gap-x-4">
    <legend class="text-sm text-ink-2">With its</legend>
    {#each [['bill', 'bill of materials'], ['routing', 'routing'], ['planning', 'planning data'], ['suppliers', 'suppliers']] as const as [part, name] (part)}
      <label class="flex items-center gap-1"
        ><input
          type="checkbox"
          checked={!(draft.form.without ?? []).includes(part)}
          onchange={(e) =>
            (draft.form.without = e.currentTarget.checked
              ? (draft.form.without ?? []).filter((w) => w !== part)
              : [...(draft.form.without ?? []), part])}
        />{name}</label
      >
    {/each}
  </fieldset>
{:else if kind === 'REPLACE'}
  <ItemField name="By" fault={draft.faultOf('by')} bind:value={draft.form.item} />
  <Field
    name="Of it for one"
    number="positive"
    placeholder="1"
    fault={draft.faultOf('factor')}
    bind:value={draft.form.factor}
  />
{:else if kind === 'FORECAST'}
  {@render setField('Into the forecast set')}
  <p class="basis-full text-ink-2">
    What stands there for these buckets is replaced{#if (draft.form.series ?? []).some( (k) => k.startsWith('~') )};
      what is forecast of several as one is split over them by their shares of the last year{/if}. Only the
    set that the plan uses changes the plan.
  </p>
{:else if kind === 'ADJUST'}
  <Field
    name="Changed by"
    placeholder="+20 or -10 %"
    fault={draft.faultOf('change')}
    bind:value={draft.form.change}
  />
  <label class="grid gap-0.5">
    <span class="text-sm text-ink-2">Bucket from</span>
    <input class="field" type="date" bind:value={draft.form.from} />
  </label>
  <label class="grid gap-0.5">
    <span class="text-sm text-ink-2">Because of</span>
    <select class="field" bind:value={draft.form.event}>
      {#each EVENTS as [code, name] (code)}<option value={code}>{name}</option>{/each}
    </select>
  </label>
  <Field name="Why" placeholder="in a few words" wide bind:value={draft.form.note} />
  {@render setField('Also in the forecast set')}
  <p class="basis-full text-ink-2">
    It stands on top of whatever is forecast, now and later; without a number it is taken back.
  </p>
{:else if kind === 'SETS'}
  <p class="basis-full">From <b>{draft.form.from}</b></p>
  {@render setField('Into')}
  <Field
    name="Percent of it"
    number="positive"
    placeholder="100"
    fault={draft.faultOf('percent')}
    bind:value={draft.form.percent}
  />
  <p class="basis-full text-ink-2">
    {#if !draft.form.set?.trim()}Without a set to go into, {draft.form.from} is taken away.
    {:else if draft.form.set.trim() === draft.form.from}All of its quantities are changed.
    {:else}All that stands in {draft.form.set} is replaced.{/if}
  </p>
{/if}

{#snippet setField(name: string)}
  <label class="grid gap-0.5">
    <span class="text-sm text-ink-2">{name}</span>
    <input class="field w-[160px]" list="sets-{setsId}" autocomplete="off" bind:value={draft.form.set} />
    <datalist id="sets-{setsId}">
      {#each sets ?? [] as set (set)}<option value={set}></option>{/each}
    </datalist>
    {#if draft.faultOf('set')}<small class="text-vermilion" role="alert">{draft.faultOf('set')}</small>{/if}
  </label>
{/snippet}
