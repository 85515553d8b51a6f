<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { count, date, longDate, quantity, words } from '$lib/format';
  import { demandHref, orderHref } from '$lib/links';
  import { stockLot } from '$lib/queries';
  import { saveSheet } from '$lib/ui/export';

  /** What a lot or serial number was made of, what was made of it, and who has it: the list for a recall. */
  interface Props {
    item: string;
    lot?: string;
    serial?: string;
    today: string;
  }
  let { item, lot, serial, today }: Props = $props();
  type Step = Schemas['TraceStep'];
  const name = $derived(lot ?? serial ?? '');
  const trace = createQuery(() => stockLot({ item, lot: lot ?? '', serial: serial ?? '' }));
  const shipped = $derived((trace.data?.forward ?? []).filter((s) => s.kind === 'shipment'));
  const DOES: Record<string, string> = {
    receipt: 'came on',
    output: 'was made by',
    issue: 'went into',
    shipment: 'was shipped on'
  };
  const label = (s: { item: string; lot?: string | null; serial?: string | null }) =>
    [s.item, s.lot ?? s.serial ?? ''].join(' ').trim();

  function save() {
    const rows = [
      ...shipped.map((s) => [
        'customer',
        s.partner,
        s.number,
        s.date,
        s.item,
        s.lot ?? s.serial,
        s.quantity,
        s.unit
      ]),
      ...(trace.data?.here ?? []).map((h) => [
        'here',
        h.siteName,
        '',
        '',
        h.item,
        h.lot ?? h.serial,
        h.quantity,
        h.unit
      ])
    ];
    void saveSheet(`recall-${item}-${name}`, {
      header: ['where', 'who', 'order', 'date', 'item', 'lot', 'quantity', 'unit'],
      rows
    });
  }
</script>

{#snippet steps(all: Step[], nothing: string)}
  <ol class="steps">
    {#each all as s, i (i)}
      <li style:--depth={s.depth}>
        <b>{label(s)}</b>
        <span>{quantity(s.quantity)} <small>{s.unit}</small></span>
        <span class="text-ink-2">{DOES[s.kind] ?? words(s.kind)}</span>
        <a class="link" href={s.document === 'customer_order' ? demandHref(s.number) : orderHref(s.number)}
          >{s.number}</a
        >{#if s.partner}<span class="text-ink-2">, {s.partner}</span>{/if}
        <small class="text-ink-3" title={longDate(s.date)}>{date(s.date, today)}</small>
      </li>
    {:else}
      <li class="text-ink-2">{nothing}</li>
    {/each}
  </ol>
{/snippet}

{#if trace.isError}
  <p class="mt-3 text-vermilion" role="alert">{trace.error.message}</p>
{:else if trace.data}
  <section class="mt-3" aria-label="Trace of {name}">
    <div class="grid gap-5 md:grid-cols-2">
      <div>
        <h3 class="section">What {name} was made of</h3>
        {@render steps(trace.data.back, 'It was here before the record began, or came in without an order.')}
      </div>
      <div>
        <h3 class="section">Where {name} went</h3>
        {@render steps(trace.data.forward, 'Nothing of it has left.')}
      </div>
    </div>
    <h3 class="section mt-3 flex items-baseline gap-3">
      Who would have to be told
      <button type="button" class="plain-action no-print" onclick={save}>Save the list</button>
    </h3>
    <p class="mt-1">
      {#if shipped.length > 0}{count(new Set(shipped.map((s) => s.partner)).size, 'customer')}:
        {shipped
          .map((s) => `${s.partner ?? 'nobody in particular'} (${label(s)}, ${s.number})`)
          .join('; ')}.{:else}No customer has any of it.{/if}
      {#each trace.data.here as h, i (i)}<span class="block text-ink-2"
          >{quantity(h.quantity)}
          {h.unit} of {label(h)} lie at {h.siteName}{h.quarantined ? ', set aside' : ''}.</span
        >{/each}
    </p>
  </section>
{:else}
  <p class="mt-3 text-ink-2" role="status">Following {name} …</p>
{/if}

<style>
  .steps li {
    padding: 2px 0 2px calc(var(--depth) * 14px);
    border-bottom: 1px solid var(--line-2);
  }
</style>
