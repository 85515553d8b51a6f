<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { PARTNER_VIEWS } from '$lib/data/views';
  import { inDays, SPANS, usually, type DeliverySum } from '$lib/deliveries/deliveries';
  import { DeliveriesScreen } from '$lib/deliveries/deliveries-screen.svelte';
  import SupplierPane from '$lib/deliveries/SupplierPane.svelte';
  import { count, money } from '$lib/format';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new DeliveriesScreen();
  const { list } = screen;
  const WIDTH = 96;
</script>

<svelte:head><title>Deliveries · Rescient</title></svelte:head>

{#snippet row(r: DeliverySum)}
  <ListRow {list} key={r.code} id="supplier" columns={screen.columns} onopen={() => screen.open(r.code)}>
    <span class="what">
      <span class="name"><b>{r.name}</b></span>
      <span class="where"
        >{#if r.lines > 0}{count(r.lines, 'line')}, {money(r.value, screen.currency)}, {usually(
            r.days.median
          )}{:else}nothing was to come{/if}</span
      >
    </span>
    <span class="num"
      >{#if r.percent !== null && r.percent !== undefined}{r.percent} %<svg
          class="mt-0.5 block"
          width={WIDTH}
          height="6"
          aria-hidden="true"
          ><rect width={WIDTH} height="5" y="0.5" fill="none" stroke="var(--line)" /><rect
            width={(WIDTH * r.percent) / 100}
            height="6"
            fill="var(--moss)"
          /></svg
        >{:else}–{/if}</span
    >
    <span class="num">{r.lead.count > 0 ? `${inDays(r.lead.median)} d` : '–'}</span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Deliveries"
  filters="supplier"
  query={screen.rows}
  reading="Reading what came …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 40}
  key={(r) => r.code}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `supplier-${screen.opened}`}
  open={(r) => screen.open(r.code)}
  list="minmax(400px, 440px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={PARTNER_VIEWS} label="Views of the partners" />{/snippet}
  {#snippet chips()}
    <Chooser
      name="Over"
      value={screen.span}
      all="a year"
      choices={SPANS}
      onchoose={(v) => screen.filter('span', v)}
    />
  {/snippet}
  {#snippet detail()}
    {#if screen.here}<SupplierPane {screen} />
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose a supplier to see how he delivers.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap"
      >{#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.rows.data?.length ?? 0, 'supplier')}</span
    >
    <span class="flex-1"></span>
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
