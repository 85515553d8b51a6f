<script lang="ts">
  import { begins } from '$lib/ui/begins';
  import { count, said } from '$lib/format';
  import CountPane from '$lib/stock/CountPane.svelte';
  import { CountsScreen, type Entry } from '$lib/stock/counts-screen.svelte';
  import StockViews from '$lib/stock/StockViews.svelte';
  import WaitingPane from '$lib/stock/WaitingPane.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new CountsScreen();
  const { list } = screen;
  const CORRECTIONS: Record<string, string> = {
    waiting: 'to approve',
    posted: 'posted',
    rejected: 'sent back'
  };
</script>

<svelte:head><title>Counts · Rescient</title></svelte:head>

{#snippet row(e: Entry)}
  <ListRow {list} key={e.key} id="list" columns={screen.columns} onopen={() => screen.open(e.key)}>
    {#if e.list}
      {@const r = e.list}
      <span class="what">
        <span class="name"><b>List {r.id}</b> {r.siteName}</span>
        <span class="where">{r.what}{r.blind ? ', blind' : ''}</span>
      </span>
      <span class="num">{r.counted} of {r.lines}</span>
      <span class="num">{r.state === 'asked' ? 'to approve' : r.state}</span>
    {:else if e.correction}
      <span class="what">
        <span class="name"><b>Correction</b> {e.correction.madeBy}</span>
        <span class="where">{said(e.correction.sentence)}</span>
      </span>
      <span class="num"></span>
      <span class="num">{CORRECTIONS[e.correction.state]}</span>
    {/if}
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Counts"
  filters="list, site or what"
  query={screen.rows}
  reading="Reading the lists …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 40}
  key={(e) => e.key}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `list-${screen.opened}`}
  open={(e) => screen.open(e.key)}
  list="minmax(360px, 400px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<StockViews />{/snippet}
  {#snippet chips()}{/snippet}
  {#snippet detail()}
    {#if screen.wish}
      {@const wish = screen.wish}
      <form
        class="grid max-w-[520px] gap-3 px-5 pt-3"
        aria-label="Make a list"
        onsubmit={(e) => {
          e.preventDefault();
          void screen.make();
        }}
        {@attach escapes(() => (screen.wish = undefined))}
      >
        <h2 class="text-xl">What is to be counted</h2>
        <label class="ask"
          ><span>Site</span>
          <select class="field" bind:value={() => screen.site, (v) => (wish.site = v)}>
            {#each screen.sites.data ?? [] as site (site.code)}<option value={site.code}
                >{site.name ?? site.code}</option
              >{/each}
          </select></label
        >
        <label class="ask"
          ><span>Group</span>
          <select
            class="field"
            bind:value={() => wish.group ?? '', (v) => (wish.group = v === '' ? undefined : v)}
          >
            <option value="">all</option>
            {#each screen.groups.data ?? [] as group (group.code)}<option value={group.code}
                >{group.name ?? group.code}</option
              >{/each}
          </select></label
        >
        <label class="flex items-center gap-2"
          ><input type="checkbox" bind:checked={wish.due} /> only what is due: what moves four fifths of the value
          every month, the next every quarter, the rest once a year</label
        >
        <label class="flex items-center gap-2"
          ><input type="checkbox" bind:checked={wish.blind} /> blind: who counts does not see what should be there</label
        >
        <p class="flex gap-2">
          <button
            type="submit"
            class="main-action"
            {@attach begins()}
            disabled={screen.doing.busy || !screen.site}>Make it <Key name="Enter" /></button
          >
          <button type="button" class="plain-action" onclick={() => (screen.wish = undefined)}
            >Leave it <Key name="Esc" /></button
          >
        </p>
      </form>
    {:else if screen.here}<CountPane {screen} />
    {:else if screen.entry?.correction}
      <article class="px-5 pt-3 pb-6" aria-label="A correction">
        <h2 class="text-xl">{said(screen.entry.correction.sentence)}</h2>
        {#if screen.waiting}<WaitingPane {screen} view={screen.waiting} />
        {:else}<p class="mt-3 text-ink-2" role="status">Reading what it would do …</p>{/if}
      </article>
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose a list to count, or make one with n.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap">{count(list.shown.length, 'entry', 'entries')}</span>
    {#if screen.doing.refused}<span
        class="min-w-0 flex-1 truncate text-marigold"
        role="alert"
        title={screen.doing.refused}>{screen.doing.refused}</span
      >{:else}<span class="flex-1"></span>{/if}
    <button type="button" class="bar-action" onclick={() => screen.begin()}
      ><Key name="n" dark /> Make a list</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>

<style>
  .ask {
    display: grid;
    grid-template-columns: 90px minmax(0, 1fr);
    align-items: center;
    gap: 8px;
  }
</style>
