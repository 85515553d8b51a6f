<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { count, date, money, quantity } from '$lib/format';
  import { percent, went } from '$lib/kept/kept';
  import { KeptScreen, type KeptPromise } from '$lib/kept/kept-screen.svelte';
  import KeptMonths from '$lib/kept/KeptMonths.svelte';
  import KeptSlip from '$lib/kept/KeptSlip.svelte';
  import KeptSums from '$lib/kept/KeptSums.svelte';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new KeptScreen();
  const { list } = screen;
  const sum = $derived(screen.sums?.sum);
  const narrowed = $derived(Object.values(screen.only).some((o) => o !== undefined));
</script>

<svelte:head><title>Promises kept · Rescient</title></svelte:head>

{#snippet row(r: KeptPromise)}
  <ListRow {list} key={r.key} id="kept" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what">
      <span class="name"><b>{r.number}</b> {quantity(r.ordered)} {r.unit} {r.item}</span>
      <span class="where">{r.customerName ?? 'no customer'} · {r.itemName}</span>
    </span>
    <span class="num">{date(r.promised, screen.today)}</span>
    <span class="num" class:short={r.turned !== 'kept'}>{went(r)}</span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Kept"
  filters="number, customer or item"
  query={screen.windows.query}
  reading="Looking back …"
  empty={screen.empty}
  rows={list.places}
  size={() => 37}
  key={(r) => r.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `kept-${screen.opened}`}
  open={(r) => screen.open(r.key)}
  list="minmax(430px, 470px)"
  columns={screen.columns}
  sort={screen.sort}
  onsort={(sort) => screen.filter('sort', sort)}
  onsight={(first, last) => screen.windows.see(first, last)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}
  {#snippet chips()}
    <button
      type="button"
      class="chip"
      class:font-bold={screen.broken}
      aria-pressed={screen.broken}
      onclick={() => screen.filter('broken', screen.broken ? undefined : 'only')}
      >not kept <Key name="o" /></button
    >
    {#if narrowed}
      <button type="button" class="chip" onclick={() => screen.widen()}>all again <Key name="A" /></button>
    {/if}
  {/snippet}
  {#snippet detail()}
    {#if screen.here}<KeptSlip {screen} row={screen.here} />{/if}
    {#if screen.sums && screen.sums.months.length > 0}
      <div class="border-t border-line-2 px-5 pt-3 pb-6">
        <KeptMonths {screen} />
        <KeptSums {screen} by="group" title="Group" sums={screen.sums.groups} />
        <KeptSums {screen} by="customer" title="Customer" sums={screen.sums.customers} />
      </div>
    {:else}<p class="p-6 text-ink-2">
        How well promises were kept, by month, customer and group of items, stands here as soon as some have
        come to their day.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    {#if sum}
      <span class="whitespace-nowrap" data-testid="sum"
        >{count(sum.lines, 'promise')}: {percent(sum)} kept, {money(sum.inTime, screen.currency)} of {money(
          sum.value,
          screen.currency
        )} in time</span
      >
    {/if}
    <Fetching {screen} />
    <button type="button" class="bar-action" onclick={() => screen.order()}
      ><Key name="v" dark /> The order</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
