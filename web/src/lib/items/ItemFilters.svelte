<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { tableRows } from '$lib/queries';
  import Chooser from '$lib/ui/Chooser.svelte';
  import MoreFilters from '$lib/ui/MoreFilters.svelte';
  import type { ItemsScreen } from './items-screen.svelte';

  /** Which items are shown. Filters that are seldom wanted stand behind one press. */
  let { screen }: { screen: ItemsScreen } = $props();
  let more = $state(false);
  const groups = createQuery(() => tableRows({ table: 'item_groups' }));
  const suppliers = createQuery(() => ({ ...tableRows({ table: 'suppliers' }), enabled: more }));
  const SELDOM = [
    'kind',
    'rule',
    'supplier',
    'planner',
    'tracking',
    'without',
    'moved',
    'since',
    'retired'
  ] as const;
  const set = $derived(SELDOM.filter((f) => screen.filters[f] !== undefined).length);
  const one = (words: string[]) => words.map((w) => ({ code: w, name: w.replaceAll('_', ' ') }));
  const codes = (rows: Record<string, string>[] | undefined) =>
    (rows ?? []).map((r) => ({ code: r['code'] ?? '', name: r['name'] ?? r['code'] ?? '' }));
</script>

<Chooser
  name="Group"
  value={screen.filters.group}
  choices={codes(groups.data?.rows)}
  onchoose={(v) => screen.filter('group', v)}
/>
<Chooser
  name="Source"
  value={screen.filters.source}
  choices={one(['make', 'assemble', 'buy', 'transfer', 'subcontract', 'none'])}
  onchoose={(v) => screen.filter('source', v)}
/>
<MoreFilters {set} {screen} bind:open={more}>
  <Chooser
    name="Kind"
    value={screen.filters.kind}
    choices={one(['stocked', 'kit', 'phantom'])}
    onchoose={(v) => screen.filter('kind', v)}
  />
  <Chooser
    name="Rule"
    value={screen.filters.rule}
    choices={one(['lot_for_lot', 'per_order', 'period', 'fixed_quantity', 'min_max'])}
    onchoose={(v) => screen.filter('rule', v)}
  />
  <Chooser
    name="Supplier"
    value={screen.filters.supplier}
    choices={codes(suppliers.data?.rows)}
    onchoose={(v) => screen.filter('supplier', v)}
  />
  <Chooser
    name="Tracking"
    value={screen.filters.tracking}
    choices={one(['none', 'lot', 'serial'])}
    onchoose={(v) => screen.filter('tracking', v)}
  />
  <Chooser
    name="Without"
    all="–"
    value={screen.filters.without}
    choices={one(['supplier', 'cost'])}
    onchoose={(v) => screen.filter('without', v)}
  />
  <Chooser
    name="Moved"
    all="or not"
    value={screen.filters.moved === undefined ? undefined : String(screen.filters.moved)}
    choices={[
      { code: 'false', name: 'never' },
      { code: 'true', name: 'ever' }
    ]}
    onchoose={(v) => screen.filter('moved', v)}
  />
  <Chooser
    name="Retired"
    all="or not"
    value={screen.filters.retired === undefined ? undefined : String(screen.filters.retired)}
    choices={[
      { code: 'false', name: 'no' },
      { code: 'true', name: 'yes' }
    ]}
    onchoose={(v) => screen.filter('retired', v)}
  />
  <label class="chip"
    >Changed since
    <input
      type="date"
      class="bg-transparent"
      value={screen.filters.since ?? ''}
      onchange={(e) => screen.filter('since', e.currentTarget.value || undefined)}
    /></label
  >
</MoreFilters>
