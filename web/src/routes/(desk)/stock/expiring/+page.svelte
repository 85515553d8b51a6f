<script lang="ts">
  import { count, date, longDate, money, quantity, shortDate } from '$lib/format';
  import { hrefOf, itemHref } from '$lib/links';
  import { ExpiringScreen, type ExpiringLot } from '$lib/stock/expiring-screen.svelte';
  import StockViews from '$lib/stock/StockViews.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new ExpiringScreen();
  const { list } = screen;
  /** Weeks ahead are drawn up to a year. */
  const YEAR = 365;
  const WIDTH = 260;
</script>

<svelte:head><title>Expiring · Rescient</title></svelte:head>

{#snippet row(r: ExpiringLot)}
  <ListRow {list} key={r.key} id="lot" columns={screen.columns} onopen={() => screen.open(r.key)}>
    <span class="what">
      <span class="name"><b>{r.lot ?? r.serial ?? 'without lot'}</b> {r.item} {r.itemName}</span>
      <span class="where"
        >{quantity(r.quantity)} {r.unit} at {r.siteName}{r.quarantined ? ', set aside' : ''}</span
      >
    </span>
    <span class="num"
      >{#if r.unused > 0}<b>{quantity(r.unused)}</b> <small>{r.unit}</small>{:else}–{/if}</span
    >
    <span class="num" class:short={r.days <= 0} title={longDate(r.expiry)}
      >{shortDate(r.expiry, screen.today)}</span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Expiring"
  filters="item, lot or site"
  query={screen.rows}
  reading="Looking what expires …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 40}
  key={(r) => r.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `lot-${screen.opened}`}
  open={(r) => screen.open(r.key)}
  list="minmax(440px, 500px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<StockViews />{/snippet}
  {#snippet chips()}
    <Chooser
      name="Only what"
      value={screen.everything ? 'all' : undefined}
      all="is left over"
      choices={[{ code: 'all', name: 'expires at all' }]}
      onchoose={(v) => screen.filter('lots', v)}
    />
  {/snippet}
  {#snippet detail()}
    {#if screen.here}
      {@const lot = screen.here}
      {@const used = lot.quantity - lot.unused}
      <article class="px-5 pt-3 pb-6" aria-label="What uses {lot.lot ?? lot.serial ?? lot.item}">
        <header class="flex flex-wrap items-baseline gap-3">
          <h2 class="text-xl">{lot.lot ?? lot.serial ?? 'without lot'}</h2>
          <p class="min-w-0 flex-1 truncate">
            <a class="link" href={itemHref(lot.item)}>{lot.item}</a>
            {lot.itemName}, {lot.siteName}
          </p>
          <button type="button" class="plain-action" onclick={() => screen.lot()}
            >All of it <Key name="v" /></button
          >
        </header>
        <p class="mt-2" data-testid="left-over">
          <b>{quantity(lot.quantity)}</b>
          {lot.unit}
          {lot.days > 0 ? 'serve until before' : 'served until before'}
          <b title={longDate(lot.expiry)}>{date(lot.expiry, screen.today)}</b>{#if lot.days > 0}, {count(
              lot.days,
              'day'
            )} from now{/if}: {used > 0
            ? `${quantity(used)} are used before`
            : 'nothing uses them'}{#if lot.unused > 0},
            <b>{quantity(lot.unused)} would be left over</b>{#if lot.value}, worth {money(
                lot.value,
                screen.currency
              )}{/if}{/if}.
        </p>
        <svg class="mt-2" width={WIDTH} height="12" aria-hidden="true">
          <rect width={WIDTH} height="11" y="0.5" fill="none" stroke="var(--ink-3)" />
          <rect width={(WIDTH * used) / Math.max(1e-9, lot.quantity)} height="12" fill="var(--moss)" />
        </svg>
        <h3 class="section mt-4">What would use it</h3>
        {#if screen.users.data && screen.users.data.length > 0}
          <table class="grid-table mt-1" data-testid="users">
            <tbody>
              {#each screen.users.data as one, i (i)}
                <tr>
                  <td style="padding-left: {one.depth * 14}px"
                    >{one.depth > 0 ? '→ ' : ''}<a class="link" href={hrefOf(one.link)}>{one.text}</a></td
                  >
                  <td class="text-right">{quantity(one.quantity)} <small>{one.unit}</small></td>
                  <td class="text-right">{date(one.date, screen.today)}</td>
                </tr>
              {/each}
            </tbody>
          </table>
        {:else if screen.users.isSuccess}<p class="text-ink-2">
            {lot.quarantined
              ? 'It is set aside: nothing is planned with it.'
              : lot.days > YEAR
                ? 'Nothing within the plan.'
                : 'Nothing before it expires.'}
          </p>{/if}
      </article>
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose a lot to see what would use it.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="sum"
      >{#if list.selected.size > 0}<b>{list.selected.size} selected</b> of{/if}
      {count(screen.rows.data?.total ?? 0, 'lot')}, {money(screen.rows.data?.value ?? 0, screen.currency)} left
      over</span
    >
    <span class="flex-1"></span>
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
