<script lang="ts">
  import Chooser from '$lib/ui/Chooser.svelte';
  import Key from '$lib/ui/Key.svelte';
  import MoreFilters from '$lib/ui/MoreFilters.svelte';
  import type { DemandScreen } from './demand-screen.svelte';
  import CodeBox from './CodeBox.svelte';

  /** Which lines of customer orders are shown. Filters that are seldom wanted stand behind one press. */
  let { screen }: { screen: DemandScreen } = $props();
  const SELDOM = ['customer', 'item', 'site', 'day', 'from', 'to', 'promised', 'kit'] as const;
  const set = $derived(SELDOM.filter((f) => screen.filters[f] !== undefined).length);
  const DAYS = [
    { code: 'wanted', name: 'wanted' },
    { code: 'promised', name: 'promised' }
  ];
  const TOLD = [
    { code: 'yes', name: 'promised' },
    { code: 'no', name: 'without a promise' }
  ];
  const STATES = [
    { code: 'quote', name: 'quotes' },
    { code: 'done', name: 'done' },
    { code: 'cancelled', name: 'cancelled' }
  ];
</script>

<button
  type="button"
  class="chip"
  class:font-bold={screen.filters.late}
  aria-pressed={screen.filters.late ?? false}
  onclick={() => screen.toggle('late')}>late <Key name="l" /></button
>
<button
  type="button"
  class="chip"
  class:font-bold={screen.filters.broken}
  aria-pressed={screen.filters.broken ?? false}
  title="Told a day that the plan can no longer keep"
  onclick={() => screen.toggle('broken')}>promise at risk</button
>
<Chooser
  name="State"
  all="open"
  value={screen.filters.state}
  choices={STATES}
  onchoose={(v) => screen.filter('state', v)}
/>
<MoreFilters {set} {screen}>
  <CodeBox
    table="customers"
    name="Customer"
    value={screen.filters.customer ?? ''}
    onchoose={(v) => screen.filter('customer', v || undefined)}
  />
  <CodeBox
    table="items"
    name="Item"
    value={screen.filters.item ?? ''}
    onchoose={(v) => screen.filter('item', v || undefined)}
  />
  <Chooser
    name="Site"
    value={screen.filters.site}
    choices={(screen.sites.data?.rows ?? []).map((r) => ({
      code: r['code'] ?? '',
      name: r['name'] ?? r['code'] ?? ''
    }))}
    onchoose={(v) => screen.filter('site', v)}
  />
  <button
    type="button"
    class="chip"
    class:font-bold={screen.filters.kit}
    aria-pressed={screen.filters.kit ?? false}
    onclick={() => screen.toggle('kit')}>kits only</button
  >
  <Chooser
    name="Told"
    value={screen.filters.promised === undefined ? undefined : screen.filters.promised ? 'yes' : 'no'}
    choices={TOLD}
    onchoose={(v) => screen.filter('promised', v)}
  />
  <Chooser
    name="Day"
    all="due"
    value={screen.filters.day}
    choices={DAYS}
    onchoose={(v) => screen.filter('day', v)}
  />
  {#each ['from', 'to'] as const as end (end)}
    <label class="chip"
      >{end === 'from' ? 'From' : 'Until'}
      <input
        type="date"
        class="bg-transparent"
        value={screen.filters[end] ?? ''}
        onchange={(e) => screen.filter(end, e.currentTarget.value || undefined)}
      /></label
    >
  {/each}
</MoreFilters>
