<script lang="ts">
  import Cell from '$lib/data/Cell.svelte';
  import DraftFoot from '$lib/data/DraftFoot.svelte';
  import { DataDraft } from '$lib/data/data-draft.svelte';
  import History from '$lib/data/History.svelte';
  import RowsTable from '$lib/data/RowsTable.svelte';
  import { keyOf, label, type Cells } from '$lib/data/tables';
  import { quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import BomOutline from './BomOutline.svelte';
  import CompareBills from './CompareBills.svelte';
  import type { ItemScreen } from './item-screen.svelte';
  import PlanningMatrix from './PlanningMatrix.svelte';
  import WhereUsed from './WhereUsed.svelte';

  /** One item on one sheet: everything that is kept of it, changed where it stands; at the foot what follows. */
  let { screen }: { screen: ItemScreen } = $props();
  const draft = $derived(screen.draft);
  let comparing = $state(false);
  const FACTS = [
    'name',
    'group',
    'unit',
    'kind',
    'tracking',
    'standard_cost',
    'price',
    'costing',
    'planner',
    'retired'
  ];
  const sheet = $derived(screen.sheet.data);
  const detail = $derived(screen.detail.data);
  const today = $derived(screen.today);
  const items = $derived(screen.table('items'));
  const itemId = $derived(items && sheet ? DataDraft.id('items', keyOf(items, sheet.item as Cells)) : '');
  const pending = $derived(draft.rows[itemId]);
  const missing = $derived(
    sheet && sheet.item['kind'] !== 'kit' && sheet.item['kind'] !== 'phantom'
      ? screen.sites.filter((s) => !sheet.points.some((p) => p.row && p.site === s.code))
      : []
  );
</script>

{#if screen.sheet.isError}
  <p class="p-5 text-ink-2" role="alert">{screen.sheet.error.message}.</p>
{:else if sheet && detail && items && screen.ready}
  <article class="flex min-h-full flex-col" aria-label="Item {sheet.code}">
    <div class="flex-1 px-5 pt-3 pb-6">
      <h2 class="flex flex-wrap items-baseline gap-2.5 text-xl">
        <span class="code">
          <Cell
            column={screen.column('items', 'code')}
            value={pending?.fields['code'] ?? sheet.code}
            before={sheet.code}
            changed={pending?.fields['code'] !== undefined}
            fault={draft.faultOf(itemId, 'code')}
            {today}
            readonly={!screen.may('items')}
            about="Item {sheet.code}"
            onchange={(to) => draft.set(items, sheet.item as Cells, 'code', to)}
          />
        </span>
        <span class="text-base font-normal text-ink-2" style="font-stretch: 96%"
          >{sheet.item['name'] ?? ''}</span
        >
        {#if sheet.item['retired'] === 'true'}<span class="text-sm text-ink-3">retired</span>{/if}
      </h2>
      <dl class="facts">
        {#each FACTS as name (name)}
          <div>
            <dt title={screen.column('items', name).meaning}>{label(name)}</dt>
            <dd>
              <Cell
                column={screen.column('items', name)}
                value={pending?.fields[name] ?? sheet.item[name] ?? ''}
                before={sheet.item[name] ?? ''}
                changed={pending?.fields[name] !== undefined}
                otherwise={screen.otherwise(name)}
                fault={draft.faultOf(itemId, name)}
                conflict={draft.conflictOf(itemId, name)}
                name={name === 'group' ? sheet.names['item_groups']?.[sheet.item['group'] ?? ''] : undefined}
                {today}
                readonly={!screen.may('items')}
                about="Item {sheet.code}"
                onchange={(to) => draft.set(items, sheet.item as Cells, name, to)}
                onresolve={(mine) => {
                  const conflict = draft.conflictOf(itemId, name);
                  if (conflict) draft.resolve(itemId, conflict, mine);
                }}
              />
            </dd>
          </div>
        {/each}
      </dl>

      <h3 class="section mt-4">Stock points</h3>
      {#if sheet.points.some((p) => p.row)}
        <PlanningMatrix
          {sheet}
          table={screen.table('planning') ?? items}
          {draft}
          {today}
          readonly={!screen.may('planning')}
          site={screen.site}
          onsite={(site) => (screen.site = site)}
        />
      {:else}
        <p class="py-1.5 text-ink-2">
          {sheet.item['kind'] === 'kit'
            ? 'A kit is never stocked itself: it is kept as its parts.'
            : sheet.item['kind'] === 'phantom'
              ? 'A phantom is passed through: what it needs is needed of its components.'
              : 'It is stocked nowhere yet.'}
        </p>
      {/if}
      {#each draft.fresh('planning', { item: sheet.code }) as [id, row] (id)}
        <p class="flex items-center gap-2 py-1" data-testid="new-point">
          New at <b>{row.fields['site']}</b>, replenished by
          <Cell
            column={screen.column('planning', 'source')}
            value={row.fields['source'] ?? ''}
            changed
            otherwise={sheet.item['group'] ? 'as its group' : 'choose'}
            fault={draft.faultOf(id, 'source')}
            {today}
            open
            about="{sheet.code} at {row.fields['site']}"
            onchange={(to) => draft.setNew(screen.table('planning') ?? items, id, 'source', to)}
          />
          <button type="button" class="link" onclick={() => draft.drop(id)}>leave it</button>
        </p>
      {/each}
      {#if missing.length > 0 && screen.may('planning')}
        <p class="py-1">
          Plan it at
          {#each missing as site (site.code)}
            <button
              type="button"
              class="link mr-2"
              onclick={() =>
                draft.add(screen.table('planning') ?? items, { item: sheet.code, site: site.code })}
              >{site.name}</button
            >
          {/each}
        </p>
      {/if}

      <h3 class="section mt-5">Bill of materials</h3>
      <BomOutline
        item={sheet.code}
        rows={detail.components}
        lines={detail.lines}
        table={screen.table('bom_lines') ?? items}
        {draft}
        site={screen.site}
        siteName={sheet.points.find((p) => p.site === screen.site)?.siteName}
        {today}
        currency={screen.currency}
        readonly={!screen.may('bom_lines')}
        cost={detail.materialCost}
      />
      {#if detail.components.length > 0}
        <p class="py-1">
          <button
            type="button"
            class="link"
            aria-expanded={comparing}
            onclick={() => (comparing = !comparing)}
            >{comparing ? 'Compare no more' : 'Compare with another'}</button
          >
        </p>
        {#if comparing}<CompareBills item={sheet.code} />{/if}
      {/if}
      <h3 class="section mt-5">Where used</h3>
      <WhereUsed
        item={sheet.code}
        onreplace={screen.may('bom_lines') ? () => screen.decide('REPLACE') : undefined}
      />
      {#each screen.TABLES as part (part.table)}
        {@const table = screen.table(part.table)}
        {#if table}
          <h3 class="section mt-5">{part.title}</h3>
          <RowsTable
            {table}
            columns={part.columns}
            rows={(sheet.rows[part.table] ?? []) as Cells[]}
            {draft}
            {today}
            readonly={!screen.may(part.table)}
            fixed={{ item: sheet.code }}
            next={part.next}
            names={sheet.names}
            one={part.one}
            empty={part.empty}
          />
        {/if}
      {/each}
      {#if detail.alternatives.some((a) => a.instead)}
        <p class="py-1 text-ink-2" data-testid="alternatives">
          It can take the place of
          {#each detail.alternatives.filter((a) => a.instead) as a, i (i)}{i > 0 ? ', ' : ''}<a
              class="link"
              href={itemHref(a.item)}>{a.item}</a
            >{a.factor === 1 ? '' : ` (${quantity(a.factor)} for one)`}{a.parent
              ? ` in ${a.parent}`
              : ''}{/each}.
        </p>
      {/if}
      <h3 class="section mt-5">Changes</h3>
      <History item={sheet.code} {today} />
    </div>
    <DraftFoot {draft} {today} currency={screen.currency} />
  </article>
{:else}
  <p class="p-5 text-ink-2">Reading the item …</p>
{/if}

<style>
  .code :global(.value) {
    overflow: visible;
  }
  .facts {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
    gap: 2px 14px;
    margin-top: 4px;
  }
  .facts dt {
    color: var(--ink-3);
    font-size: 11px;
  }
  .facts dd :global(.cell.right) {
    justify-content: flex-start;
  }
</style>
