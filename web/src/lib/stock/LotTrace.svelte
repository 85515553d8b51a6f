<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { count, date, longDate, quantity, words } from '$lib/format';
  import { demandHref, lotHref, orderHref } from '$lib/links';
  import { stockLot } from '$lib/queries';

  /** What a lot or serial number was made of, and what was made of it. */
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
    <p class="mt-2">
      {#if shipped.length > 0}{count(new Set(shipped.map((s) => s.partner)).size, 'customer')} would have to be
        told.{:else}No customer has any of it.{/if}
      <a class="link no-print" href={lotHref(item, lot, serial)}>All of {name} on one page</a>
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
