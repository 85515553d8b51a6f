<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import DataViews from '$lib/data/DataViews.svelte';
  import CustomerOrder from '$lib/demand/CustomerOrder.svelte';
  import DemandFilters from '$lib/demand/DemandFilters.svelte';
  import { DemandScreen } from '$lib/demand/demand-screen.svelte';
  import type { OrderLine } from '$lib/demand/demand';
  import Rail from '$lib/demand/Rail.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { count, longDate, money, quantity, shortDate } from '$lib/format';
  import DecidePane from '$lib/plan/DecidePane.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { planList } from '$lib/queries';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new DemandScreen();
  const { list } = screen;
  const choices = createQuery(() => ({ ...planList(), enabled: screen.deciding !== undefined }));
  const all = $derived(screen.windows.any);
  /** What is said of all lines that fit. */
  const whole = $derived(
    all ? ` in ${count(all.orders, 'order')}, ${all.late} late, ${money(all.value, screen.currency)}` : ''
  );
</script>

<svelte:head><title>{screen.number || 'Customer orders'} · Rescient</title></svelte:head>

{#snippet row(l: OrderLine)}
  <ListRow {list} key={l.key} id="line" columns={screen.columns} onopen={() => screen.open(l.key)}>
    <span class="what">
      <span class="name"
        ><b>{l.number}</b>{#if l.line !== '1'}<small>/{l.line}</small>{/if}
        {l.customerName ?? ''}</span
      >
      <span class="where"
        >{l.item}
        {l.itemName !== l.item ? l.itemName : ''}{#if l.kit}
          · kit{/if}{#if l.broken}
          · <b class="short">promise at risk</b>{/if}</span
      >
    </span>
    <span class="num">{quantity(l.quantity)} <small>{l.unit}</small></span>
    {#each screen.choices.filter((c) => screen.chosen.includes(c.code)) as column (column.code)}
      {#if column.code === 'rail'}<Rail line={l} today={screen.today} width={112} span={90} />
      {:else if column.code === 'value'}<span class="num"
          >{l.value ? money(l.value, screen.currency) : ''}</span
        >
      {:else if column.code === 'wanted'}<span class="num" title={longDate(l.wanted)}
          >{shortDate(l.wanted, screen.today)}</span
        >
      {:else if column.code === 'entered'}<span class="num"
          >{l.entered ? shortDate(l.entered, screen.today) : ''}</span
        >
      {:else}<span class="truncate text-ink-2"
          >{column.code === 'site' ? l.siteName : (l.reference ?? '')}</span
        >{/if}
    {/each}
    <span class="num due" title={longDate(l.due)}>{shortDate(l.due, screen.today)}</span>
    <span class="num" class:short={l.late}>
      {#if l.state !== 'open'}<span class="none">{l.state}</span>
      {:else if !l.late}<span class="none" title="can go in time">·</span>
      {:else if l.possible}<span title={longDate(l.possible)}>{shortDate(l.possible, screen.today)}</span>
        <span class="badge" title="calendar days late">+{l.days}</span>
      {:else}<b>never</b>{/if}
    </span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Customer orders"
  filters="number, reference, customer, item or what makes it late"
  query={screen.windows.query}
  reading="Reading the customer orders …"
  empty={screen.empty}
  rows={list.places}
  size={() => 37}
  key={(l) => l.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `line-${screen.opened}`}
  open={(l) => screen.open(l.key)}
  list="minmax(520px, 560px)"
  columns={screen.columns}
  sort={screen.sort}
  onsort={(sort) => screen.filter('sort', sort)}
  onsight={(first, last) => screen.windows.see(first, last)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}
  {#snippet chips()}<DemandFilters {screen} />{/snippet}
  {#snippet detail()}
    {#if screen.deciding}
      {#key screen.deciding}
        <DecidePane
          bind:this={screen.pane}
          deciding={screen.deciding}
          orders={[]}
          choices={choices.data?.choices}
          today={screen.today}
          currency={screen.currency}
          onclose={() => screen.close()}
          onkept={(decision) => screen.wasKept(decision)}
          onagain={() => undefined}
        />
      {/key}
    {:else if screen.number}
      <CustomerOrder {screen} />
    {:else}
      <p class="grid h-full place-content-center text-ink-2">Choose a line to see its order.</p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="selection">
      {#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.windows.total, 'line')}{whole}
    </span>
    {#if screen.refused}<span class="min-w-0 flex-1 truncate text-marigold" role="alert"
        >{screen.refused}</span
      >
    {:else}<KeptLine last={screen.last} />{/if}
    <Fetching {screen} />
    <button type="button" class="bar-action" onclick={() => screen.enter()}
      ><Key name="n" dark /> Take an order</button
    >
    <button type="button" class="bar-action" onclick={() => screen.repeat()}
      ><Key name="c" dark /> Same again</button
    >
    <button type="button" class="bar-action" onclick={() => screen.amend()}
      ><Key name="e" dark /> Change</button
    >
    <button type="button" class="bar-action" onclick={() => screen.cancel()}
      ><Key name="d" dark /> Cancel</button
    >
    <button type="button" class="bar-action" onclick={() => screen.first()}
      ><Key name="p" dark /> First</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
