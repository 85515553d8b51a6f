<script lang="ts">
  import { countShown, money, words } from '$lib/format';
  import { HealthScreen, kindName, type Known } from '$lib/health/health-screen.svelte';
  import Repair from '$lib/health/Repair.svelte';
  import ItemViews from '$lib/items/ItemViews.svelte';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import { toAddress } from '$lib/address';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new HealthScreen();
  const { list } = screen;
  $effect(() => screen.mark.look());
</script>

<svelte:head><title>Health · Rescient</title></svelte:head>

{#snippet row(known: Known)}
  {@const f = known.finding}
  <ListRow {list} key={f.id} id="finding" columns={screen.columns} onopen={() => screen.open(f.id)}>
    <span class="weight {f.consequence}" title={words(f.consequence)}></span>
    <span class="truncate">{kindName(f.kind)}</span>
    <span class="truncate"><b>{f.item ?? f.about}</b> <small>{f.siteName ?? ''}</small></span>
    <span class="num text-ink-2">{f.weight > 0 ? money(f.weight, screen.currency) : ''}</span>
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Health"
  filters="item or what is wrong"
  query={screen.rows}
  reading="Looking through the data …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 29}
  key={(k) => k.finding.id}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `finding-${screen.opened}`}
  open={(k) => screen.open(k.finding.id)}
  list="minmax(440px, 540px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<ItemViews />{/snippet}
  {#snippet chips()}
    <Chooser
      name="Kind"
      value={screen.kind}
      choices={screen.kinds}
      onchoose={(v) => screen.filter('kind', v)}
    />
    <button
      type="button"
      class="chip"
      aria-pressed={screen.waived}
      onclick={() => void toAddress({ waived: screen.waived ? undefined : '1' })}
      >{screen.waived ? 'lived with' : 'open'}</button
    >
  {/snippet}
  {#snippet detail()}
    {#if screen.known}
      {#key screen.known.finding.id}<Repair {screen} known={screen.known} />{/key}
    {:else}
      <p class="grid h-full place-content-center text-ink-2">Choose one to repair it.</p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span data-testid="selection">{countShown(screen.rows.data, 'finding')}</span>
    <KeptLine last={screen.last} />
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>

<style>
  .weight {
    width: 7px;
    height: 15px;
    border: 1px solid var(--ink-3);
  }
  .nothing_comes {
    border-color: var(--vermilion);
    background: var(--vermilion);
  }
  .late {
    background: linear-gradient(to top, var(--vermilion) 55%, transparent 55%);
    border-color: var(--vermilion);
  }
  .wrong_quantity {
    background: linear-gradient(to top, var(--ink-2) 70%, transparent 70%);
  }
  .wrong_value {
    background: linear-gradient(to top, var(--ink-2) 35%, transparent 35%);
  }
</style>
