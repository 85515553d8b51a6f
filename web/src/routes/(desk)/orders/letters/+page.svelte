<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { clock, count, date, dayOf } from '$lib/format';
  import HabitsForm from '$lib/letters/HabitsForm.svelte';
  import LetterPane from '$lib/letters/LetterPane.svelte';
  import { KINDS, STATES, type LetterRow } from '$lib/letters/letters';
  import { LettersScreen } from '$lib/letters/letters-screen.svelte';
  import { ORDER_VIEWS } from '$lib/orders/views';
  import KeptLine from '$lib/plan/KeptLine.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import ListRow from '$lib/ui/ListRow.svelte';
  import Place from '$lib/ui/Place.svelte';

  const screen = new LettersScreen();
  const { list } = screen;
</script>

<svelte:head><title>Letters · Rescient</title></svelte:head>

{#snippet row(r: LetterRow)}
  <ListRow {list} key={`${r.id}`} id="letter" columns={screen.columns} onopen={() => screen.open(`${r.id}`)}>
    <span class="what">
      <span class="name"><b>{KINDS[r.kind]}</b> {r.about ?? r.subject}</span>
      <span class="where"
        >{r.supplierName ?? r.sender}{r.state === 'waiting' ? '' : ` · ${r.state.replace('_', ' ')}`}</span
      >
    </span>
    <span class="num"
      >{date(dayOf(r.receivedAt), screen.today)}<small class="block">{clock(r.receivedAt)}</small></span
    >
  </ListRow>
{/snippet}

<Place
  bind:this={screen.frame}
  bind:words={screen.words}
  title="Letters"
  filters="order, supplier or subject"
  query={screen.rows}
  reading="Reading the letters …"
  empty={screen.empty}
  rows={list.shown}
  size={() => 40}
  key={(r) => `${r.id}`}
  follow={list.at}
  active={screen.opened === undefined ? undefined : `letter-${screen.opened}`}
  open={(r) => screen.open(`${r.id}`)}
  list="minmax(360px, 400px)"
  columns={screen.columns}
  copied={() => screen.copied()}
  {row}
>
  {#snippet views()}<DataViews views={ORDER_VIEWS} label="Views of the orders" />{/snippet}
  {#snippet chips()}
    <Chooser
      name="Show"
      value={screen.state}
      all="waiting"
      choices={STATES}
      onchoose={(v) => screen.filter('state', v)}
    />
  {/snippet}
  {#snippet detail()}
    {#if screen.habits}<HabitsForm {screen} />
    {:else if screen.here}<LetterPane {screen} />
    {:else}<p class="grid h-full place-content-center text-ink-2">
        Choose a letter to see it beside its order.
      </p>{/if}
  {/snippet}
  {#snippet actions()}
    <span class="whitespace-nowrap" data-testid="waiting"
      >{#if list.selected.size > 0}<b>{list.selected.size} selected</b>,
      {/if}{count(screen.rows.data?.waiting ?? 0, 'letter')} waiting</span
    >
    {#if screen.refused}<span
        class="min-w-0 flex-1 truncate text-marigold"
        role="alert"
        title={screen.refused}>{screen.refused}</span
      >{:else if screen.told}<span class="min-w-0 flex-1 truncate" role="status">{screen.told}</span
      >{:else}<KeptLine last={screen.last} />{/if}
    <button type="button" class="bar-action" onclick={() => void screen.behave()}
      ><Key name="h" dark /> Simulated suppliers{screen.standIn.data?.habits.on ? '' : ' (silent)'}</button
    >
    <button type="button" class="bar-action" onclick={() => screen.save()}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>
