<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { count, date, longDate, money } from '$lib/format';
  import InvoicePane from '$lib/invoices/InvoicePane.svelte';
  import { InvoicesScreen, type InvoiceRow } from '$lib/invoices/invoices-screen.svelte';
  import InvoiceSheet from '$lib/invoices/InvoiceSheet.svelte';
  import { STATES, stateName } from '$lib/invoices/states';
  import { ORDER_VIEWS } from '$lib/orders/views';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new InvoicesScreen();
  const { list } = screen;
</script>

<svelte:head><title>Invoices · Rescient</title></svelte:head>

{#snippet row(r: InvoiceRow)}
  <ListRow {list} key={r.key} id="invoice" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what">
      <span class="name"><b>{r.number}</b> {r.supplierName}</span>
      <span class="where"
        ><span class:font-bold={r.state === 'awaiting_approval'}>{stateName(r.state)}</span> · {r.orders.join(
          ', '
        )}</span
      >
    </span>
    <span class="num">{money(r.value, screen.currency)}</span>
    <span class="num" title={r.due ? longDate(r.due) : 'at once'}
      >{r.due ? date(r.due, screen.today) : 'at once'}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Invoices"
  filters="number, supplier or note"
  query={screen.rows}
  reading="Reading the invoices …"
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
  {#snippet views()}<DataViews views={ORDER_VIEWS} label="Views of the orders" />{/snippet}
  {#snippet chips()}
    <Chooser name="State" value={screen.state} choices={STATES} onchoose={(v) => screen.filter('state', v)} />
  {/snippet}
  {#snippet detail()}
    {#if screen.form.typed}<InvoiceSheet {screen} />
    {:else if screen.here}<InvoicePane {screen} />
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose an invoice to see what it charges beside what came.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="sum"
      >{#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.rows.data?.total ?? 0, 'invoice')}, {money(
        screen.rows.data?.value ?? 0,
        screen.currency
      )}</span
    >
    {#if screen.doing.refused}<span
        class="min-w-0 flex-1 truncate text-marigold"
        role="alert"
        title={screen.doing.refused}>{screen.doing.refused}</span
      >{:else}<KeptLine last={screen.last} />{/if}
    <button type="button" class="bar-action" onclick={() => screen.begin()}
      ><Key name="n" dark /> Enter an invoice</button
    >
    <label class="bar-action cursor-pointer" title="An Invoice of UBL 2.1"
      ><Key name="i" dark /> From a file<input
        bind:this={screen.chooser}
        class="sr-only"
        type="file"
        accept=".xml,application/xml,text/xml"
        onchange={(e) => {
          void screen.form.read(e.currentTarget.files?.[0]);
          e.currentTarget.value = '';
        }}
      /></label
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
