<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import ChargedPane from '$lib/demand/ChargedPane.svelte';
  import { ChargedScreen, STATES, type ChargedRow } from '$lib/demand/charged-screen.svelte';
  import { DEMAND_VIEWS } from '$lib/demand/views';
  import { count, date, longDate, money } from '$lib/format';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new ChargedScreen();
  const { list } = screen;
</script>

<svelte:head><title>Charged · Rescient</title></svelte:head>

{#snippet row(r: ChargedRow)}
  <ListRow {list} key={r.key} id="invoice" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what">
      <span class="name"><b>{r.number ?? r.orders[0]}</b> {r.customerName}</span>
      <span class="where"
        >{#if r.number}{r.orders.join(', ')}{:else}<b>to be charged</b>, {count(r.lines, 'line')}{/if}</span
      >
    </span>
    <span class="num"
      >{r.net === null || r.net === undefined ? 'no price' : money(r.net, screen.currency)}</span
    >
    <span class="num" title={r.due ? longDate(r.due) : ''}>{r.due ? date(r.due, screen.today) : ''}</span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Charged"
  filters="invoice, order or customer"
  query={screen.rows}
  reading="Looking what was shipped …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 40}
  key={(r) => r.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `invoice-${screen.opened}`}
  open={(r) => screen.open(r.key)}
  list="minmax(430px, 470px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={DEMAND_VIEWS} label="Views of the demand" />{/snippet}
  {#snippet chips()}
    <Chooser name="State" value={screen.state} choices={STATES} onchoose={(v) => screen.filter('state', v)} />
  {/snippet}
  {#snippet detail()}
    {#if screen.here}<ChargedPane {screen} />
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose an order to charge it, or an invoice to see it.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="sum"
      >{#if list.selected.size > 0}<b>{list.selected.size} selected</b>,{/if}
      {count(screen.rows.data?.open ?? 0, 'order')} to be charged</span
    >
    {#if screen.doing.refused}<span
        class="min-w-0 flex-1 truncate text-marigold"
        role="alert"
        title={screen.doing.refused}>{screen.doing.refused}</span
      >{:else if screen.told}<span class="min-w-0 flex-1 truncate" role="status">{screen.told}</span
      >{:else}<KeptLine last={screen.last} />{/if}
    <button type="button" class="bar-action" onclick={() => void screen.charge()}
      ><Key name="y" dark /> Charge</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
