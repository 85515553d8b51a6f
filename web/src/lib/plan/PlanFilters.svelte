<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { toAddress } from '$lib/address';
  import type { Schemas } from '$lib/api/client';
  import { date, dayNumber, isoDay } from '$lib/format';
  import { viewOf } from '$lib/links';
  import Chooser from '$lib/ui/Chooser.svelte';
  import type { Column } from './columns';
  import type { Filters } from './filters';
  import ViewMenu from './ViewMenu.svelte';
  import type { View, Views } from '$lib/ui/views.svelte';

  interface Props {
    filters: Filters;
    columns: Column[];
    today: string;
    choices?: Schemas['Choices'];
    views: Views;
  }
  let { filters, columns, today, choices, views }: Props = $props();
  const untils = $derived(
    today
      ? [1, 2, 4, 8, 13]
          .map((w) => isoDay(dayNumber(today) + w * 7))
          .map((d) => ({ code: d, name: date(d, today) }))
      : []
  );
  const SOURCES = ['make', 'assemble', 'buy', 'transfer', 'subcontract'].map((s) => ({ code: s, name: s }));

  function openView(view: View) {
    void goto(`/plan?${view.address}`, { keepFocus: true });
  }
</script>

<Chooser
  name="Site"
  value={filters.site}
  choices={choices?.sites ?? []}
  onchoose={(v) => toAddress({ for: v })}
/>
<Chooser
  name="Planner"
  value={filters.planner}
  choices={choices?.planners ?? []}
  onchoose={(v) => toAddress({ planner: v })}
/>
<Chooser
  name="Supplier"
  value={filters.supplier}
  choices={choices?.suppliers ?? []}
  onchoose={(v) => toAddress({ supplier: v })}
/>
<Chooser name="Source" value={filters.source} choices={SOURCES} onchoose={(v) => toAddress({ source: v })} />
<Chooser
  name="Start to"
  value={filters.until}
  choices={untils}
  all="any day"
  onchoose={(v) => toAddress({ until: v })}
/>
<ViewMenu
  {filters}
  {columns}
  {today}
  {choices}
  views={views.named}
  onsave={(name) => views.save(name, viewOf(page.url.searchParams))}
  onforget={(name) => views.forget(name)}
  onopen={openView}
/>
