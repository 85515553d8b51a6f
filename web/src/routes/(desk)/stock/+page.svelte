<script lang="ts">
  import { count, longDate, money, quantity } from '$lib/format';
  import FilePane from '$lib/stock/FilePane.svelte';
  import LedgerPane from '$lib/stock/LedgerPane.svelte';
  import PostedLine from '$lib/stock/PostedLine.svelte';
  import { ONLY, StockScreen, type OnHand } from '$lib/stock/stock-screen.svelte';
  import StockViews from '$lib/stock/StockViews.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Fetching from '$lib/ui/Fetching.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new StockScreen();
  const { list } = screen;
</script>

<svelte:head><title>Stock · Rescient</title></svelte:head>

{#snippet row(r: OnHand)}
  <ListRow {list} key={r.key} id="point" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what">
      <span class="name"><b>{r.item}</b> {r.itemName !== r.item ? r.itemName : ''}</span>
      <span class="where"
        >{r.siteName}{#if r.lots > 0}
          · {count(r.lots, r.tracking === 'serial' ? 'serial number' : 'lot')}{/if}{#if r.quarantined > 0}
          · {quantity(r.quarantined)} set aside{/if}</span
      >
    </span>
    <span class="num">{quantity(r.free)} <small>{r.unit}</small></span>
    <span class="num" title={r.out ? `nothing is left ${longDate(r.out)}` : 'it lasts beyond the plan'}
      >{r.days === undefined || r.days === null ? '–' : r.days < 1 ? 'today' : `${r.days} d`}</span
    >
    <span class="num">{r.value === undefined || r.value === null ? '' : money(r.value, screen.currency)}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Stock"
  filters="item, name, group or site"
  query={screen.windows.query}
  reading="Looking what lies where …"
  empty={screen.empty}
  rows={list.places}
  size={() => 37}
  key={(r) => r.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `point-${screen.opened}`}
  open={(r) => screen.open(r.key)}
  list="minmax(450px, 500px)"
  columns={screen.columns}
  sort={screen.sort}
  onsort={(sort) => screen.filter('sort', sort)}
  onsight={(first, last) => screen.windows.see(first, last)}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<StockViews />{/snippet}
  {#snippet chips()}
    <Chooser name="Only what" value={screen.only} choices={ONLY} onchoose={(v) => screen.filter('only', v)} />
  {/snippet}
  {#snippet detail()}
    {#if screen.file.name}<FilePane file={screen.file} />{:else if screen.here}<LedgerPane {screen} />
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose a row to see its lots and its ledger.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="selection"
      >{#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.windows.total, 'stock point')}{#if screen.worth.data}, worth <b
          >{money(screen.worth.data.value, screen.currency)}</b
        >{/if}</span
    >
    <PostedLine posting={screen.posting} />
    <Fetching {screen} />
    <label class="bar-action cursor-pointer" title="A file of postings, as of a day's scans"
      ><Key name="i" dark /> Postings from a file<input
        bind:this={screen.chooser}
        class="sr-only"
        type="file"
        accept=".csv,text/csv"
        onchange={(e) => {
          void screen.file.look(e.currentTarget.files?.[0]);
          e.currentTarget.value = '';
        }}
      /></label
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
