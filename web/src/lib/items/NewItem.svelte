<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import Cell from '$lib/data/Cell.svelte';
  import DraftFoot from '$lib/data/DraftFoot.svelte';
  import { DataDraft } from '$lib/data/data-draft.svelte';
  import { label } from '$lib/data/tables';
  import { dataTables } from '$lib/queries';
  import Key from '$lib/ui/Key.svelte';

  /** A new item from nothing; what belongs to it is typed on its sheet. */
  interface Props {
    today: string;
    currency: string;
    onclose: () => void;
    onkept: (decision: Schemas['Decision'], code: string) => void;
  }
  let { today, currency, onclose, onkept }: Props = $props();
  const FACTS = ['code', 'name', 'unit', 'group', 'kind', 'tracking', 'standard_cost', 'price', 'planner'];
  let code = '';
  const tables = createQuery(dataTables);
  const table = $derived(tables.data?.find((t) => t.name === 'items'));
  const draft = new DataDraft('new-item', (decision) => onkept(decision, code));
  const fresh = $derived(draft.fresh('items')[0]);

  $effect(() => {
    if (table && !fresh) draft.add(table, {});
  });
  $effect(() => {
    code = fresh?.[1].fields['code'] ?? code;
  });
</script>

<section class="flex min-h-full flex-col" aria-label="A new item" data-testid="new-item">
  <div class="flex-1 px-5 pt-3 pb-6">
    <h2 class="flex items-baseline gap-3 text-xl">
      A new item
      <button type="button" class="plain-action ml-auto text-base font-normal" onclick={onclose}
        >Back <Key name="Esc" /></button
      >
    </h2>
    {#if table && fresh}
      <dl class="facts">
        {#each FACTS as name (name)}
          {@const column = table.columns.find((c) => c.name === name)}
          {#if column}
            <div>
              <dt title={column.meaning}>{label(name)}{column.required ? ' *' : ''}</dt>
              <dd>
                <Cell
                  {column}
                  value={fresh[1].fields[name] ?? ''}
                  changed
                  otherwise={name === 'kind' ? 'stocked' : name === 'tracking' ? 'none' : 'type it'}
                  fault={draft.faultOf(fresh[0], name)}
                  {today}
                  open={name === 'code'}
                  about="New item"
                  onchange={(to) => draft.setNew(table, fresh[0], name, to)}
                />
              </dd>
            </div>
          {/if}
        {/each}
      </dl>
      <p class="mt-3 text-ink-2">
        Where it is planned, what it is made of and what it costs is typed on its sheet, as soon as it is
        kept.
      </p>
    {/if}
  </div>
  <DraftFoot {draft} {today} {currency} />
</section>

<style>
  .facts {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 8px 14px;
    margin-top: 10px;
  }
  .facts dt {
    color: var(--ink-3);
    font-size: 11px;
  }
  .facts dd :global(.cell.right) {
    justify-content: flex-start;
  }
</style>
