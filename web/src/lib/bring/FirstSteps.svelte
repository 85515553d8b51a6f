<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { count } from '$lib/format';
  import { planState, tableRows } from '$lib/queries';

  /** An empty company, table by table to its first plan. */
  const STEPS = [
    { table: 'units', name: 'Units', why: 'how things are counted: pieces, kilograms', href: '/items/units' },
    {
      table: 'sites',
      name: 'Sites',
      why: 'the works and the depots that hold stock',
      href: '/partners/sites'
    },
    { table: 'suppliers', name: 'Suppliers', why: 'who sells to you', href: '/partners' },
    { table: 'items', name: 'Items', why: 'what is bought, made and sold', href: '/items' },
    {
      table: 'planning',
      name: 'Stock points',
      why: 'which item is planned at which site, and where it comes from: on the sheet of each item, or brought in',
      href: '/items'
    }
  ];
  const NEXT = [
    { table: 'bom_lines', name: 'bills of materials' },
    { table: 'stock', name: 'stock' },
    { table: 'customer_orders', name: 'customer orders' }
  ];
  const rows = [...STEPS, ...NEXT].map((s) => ({
    table: s.table,
    query: createQuery(() => tableRows({ table: s.table, limit: 1 }))
  }));
  const plan = createQuery(planState);
  const total = $derived((table: string) => rows.find((r) => r.table === table)?.query.data?.total);
  const here = $derived(STEPS.findIndex((s) => total(s.table) === 0));
  const done = $derived(STEPS.every((s) => (total(s.table) ?? 0) > 0));
  /** A company that is planned needs no first steps. */
  const needed = $derived(STEPS.some((s) => total(s.table) === 0));
</script>

{#if needed || (done && (plan.data?.plannedOrders ?? 0) === 0)}
  <section class="p-6 pb-0" data-testid="first-steps">
    <h2 class="title text-xl">To the first plan</h2>
    <p class="mt-1 text-ink-2">
      Five tables are needed. Each is typed where it stands, or brought in below; an empty workbook with all
      names is <a class="link" href="/api/exports/template.xlsx" download>the template</a>.
    </p>
    <ol class="steps">
      {#each STEPS as step, i (step.table)}
        {@const n = total(step.table)}
        <li class:done={(n ?? 0) > 0} class:here={i === here}>
          <b>{step.name}</b>
          <span class="text-ink-2">{step.why}</span>
          <span class="n">{n === undefined ? '' : n > 0 ? count(n, 'row') : 'none yet'}</span>
          <a class="link" href={step.href}>type them</a>
        </li>
      {/each}
    </ol>
    {#if done}
      <p class="mt-3">
        <a class="main-action" href="/plan">See the first plan</a>
        <span class="ml-2 text-ink-2"
          >Nothing is asked for yet: bring in {NEXT.filter((n) => total(n.table) === 0)
            .map((n) => n.name)
            .join(', ')}.</span
        >
      </p>
    {/if}
  </section>
{/if}

<style>
  .steps {
    counter-reset: step;
    margin-top: 10px;
    max-width: 860px;
  }
  li {
    display: grid;
    grid-template-columns: 24px 110px minmax(0, 1fr) 80px 70px;
    align-items: baseline;
    counter-increment: step;
    border-bottom: 1px solid var(--line-2);
    padding: 5px 0;
  }
  li::before {
    content: counter(step);
    color: var(--ink-3);
  }
  li.here {
    background: var(--marigold-tint);
    box-shadow: -4px 0 0 var(--marigold);
  }
  li.done::before {
    content: '✓';
    color: var(--moss);
  }
  .n {
    text-align: right;
    padding-right: 12px;
    color: var(--ink-2);
  }
</style>
