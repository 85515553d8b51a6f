<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { fromAddress, toAddress } from '$lib/address';
  import { answer, api } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { count, quantity } from '$lib/format';
  import ItemPane from '$lib/items/ItemPane.svelte';
  import Chooser from '$lib/ui/Chooser.svelte';
  import { csv, download } from '$lib/ui/export';
  import { cameBack, whenLeft } from '$lib/left.svelte';
  import Key from '$lib/ui/Key.svelte';
  import Place from '$lib/ui/Place.svelte';

  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan'))
  }));
  const kind = $derived(fromAddress('kind'));
  const rows = createQuery(() => ({
    queryKey: ['plan', 'items', kind],
    queryFn: () => answer(api.GET('/api/items', { params: { query: { kind } } })),
    placeholderData: (before) => before
  }));
  const KINDS = ['stocked', 'kit', 'phantom'].map((k) => ({ code: k, name: k }));
  const was = cameBack<string>();
  let typed = $state(was ?? '');
  let place = $state<ReturnType<typeof Place>>();
  const code = $derived(fromAddress('code'));
  const shown = $derived.by(() => {
    const wanted = typed.trim().toLowerCase();
    return (rows.data ?? []).filter((i) =>
      [i.code, i.name, i.group].some((t) => t?.toLowerCase().includes(wanted) ?? false)
    );
  });
  const at = $derived(shown.findIndex((i) => i.code === code));

  function move(by: number) {
    const next = shown[at < 0 ? 0 : Math.min(shown.length - 1, Math.max(0, at + by))];
    if (next) void toAddress({ code: next.code });
  }

  function save() {
    download(
      'items.csv',
      csv(
        ['code', 'name', 'group', 'kind', 'unit', 'planner', 'on_hand'],
        shown.map((i) => [i.code, i.name, i.group, i.kind, i.unit, i.planner, i.onHand])
      )
    );
  }

  whenLeft(() => typed);
  $effect(() =>
    shortcuts.register('items', [
      { keys: 'j, ArrowDown', says: 'Next item', run: () => move(1) },
      { keys: 'k, ArrowUp', says: 'Item before', run: () => move(-1) },
      { keys: 'E', says: 'Save the list as CSV', also: 'export', run: save },
      { keys: '/', says: 'Filter the list', run: () => place?.focusFilter() }
    ])
  );
</script>

<svelte:head><title>{code ?? 'Items'} · Rescient</title></svelte:head>

{#snippet row(item: (typeof shown)[number])}
  <!-- the keys of the list act from anywhere on the page; see the page's shortcuts -->
  <!-- svelte-ignore a11y_click_events_have_key_events -->
  <div
    id="item-{item.code}"
    class="row"
    class:here={item.code === code}
    role="option"
    aria-selected={item.code === code}
    tabindex="-1"
    onclick={() => toAddress({ code: item.code })}
  >
    <b class="truncate">{item.code}</b>
    <span class="truncate">{item.name}</span>
    <span class="truncate text-ink-2">{item.kind === 'stocked' ? (item.group ?? '') : item.kind}</span>
    <span class="text-right"
      >{#if item.kind !== 'kit'}{quantity(item.onHand)}
        <small class="text-ink-3">{item.unit}</small>{/if}</span
    >
  </div>
{/snippet}

<Place
  bind:this={place}
  bind:words={typed}
  title="Items"
  filters="code, name or group"
  query={rows}
  reading="Reading the items …"
  empty={rows.data?.length === 0 && !kind ? 'There are no items yet.' : 'No item fits these filters.'}
  rows={shown}
  size={() => 29}
  key={(i) => i.code}
  follow={at}
  active={code === undefined ? undefined : `item-${code}`}
  open={(i) => toAddress({ code: i.code })}
  list="minmax(440px, 520px)"
  {row}
>
  {#snippet chips()}
    <Chooser name="Kind" value={kind} choices={KINDS} onchoose={(v) => toAddress({ kind: v })} />
  {/snippet}
  {#snippet heads()}
    <div class="row">
      <span>Code</span><span>Name</span><span>Group</span><span class="text-right">On hand</span>
    </div>
  {/snippet}
  {#snippet detail()}
    {#if code}
      <ItemPane {code} today={plan.data?.today ?? ''} currency={plan.data?.currency ?? 'EUR'} />
    {:else}
      <p class="grid h-full place-content-center text-ink-2">
        Choose an item to see its stock points and its bill of materials.
      </p>
    {/if}
  {/snippet}
  {#snippet actions()}
    <span>{count(shown.length, 'item')}</span>
    <button type="button" class="flex items-center gap-1.5" onclick={save}
      ><Key name="E" dark /> Save as CSV</button
    >
  {/snippet}
</Place>

<style>
  .row {
    display: grid;
    grid-template-columns: 96px minmax(0, 1fr) 118px 84px;
    align-items: center;
    column-gap: 9px;
    height: 100%;
    padding: 0 12px;
    border-bottom: 1px solid var(--line-2);
    cursor: default;
  }
  .here {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
  }
</style>
