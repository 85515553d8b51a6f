<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import type { Schemas } from '$lib/api/client';
  import Cell from '$lib/data/Cell.svelte';
  import DraftFoot from '$lib/data/DraftFoot.svelte';
  import { DataDraft } from '$lib/data/data-draft.svelte';
  import { label, shown, type Cells } from '$lib/data/tables';
  import { count } from '$lib/format';
  import { dataTables, tableRows } from '$lib/queries';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';

  /** One field of many items, or of all their stock points, gets the same value; first what follows. */
  interface Props {
    codes: string[];
    today: string;
    currency: string;
    onclose: () => void;
    onkept: (decision: Schemas['Decision']) => void;
  }
  let { codes, today, currency, onclose, onkept }: Props = $props();
  const MOST = 300;
  const tables = createQuery(dataTables);
  const draft = new DataDraft('many', (decision) => onkept(decision));
  let table = $state<'items' | 'planning'>(
    untrack(() => (rights.changes('planning') ? 'planning' : 'items'))
  );
  let field = $state('');
  let value = $state('');
  const few = $derived(codes.slice(0, MOST));
  const rows = createQuery(() =>
    tableRows({ table, column: table === 'items' ? 'code' : 'item', value: few, limit: 1000 })
  );
  const of = $derived(tables.data?.find((t) => t.name === table));
  const fields = $derived((of?.columns ?? []).filter((c) => !c.key));
  const column = $derived(fields.find((c) => c.name === field));
  const all = $derived((rows.data?.rows ?? []) as Cells[]);

  function give(to: string) {
    value = to;
    draft.clear();
    if (!of || !field) return;
    for (const row of all) draft.set(of, row, field, to);
  }

  function other(next: string) {
    field = next;
    value = '';
    draft.clear();
  }
</script>

<section class="flex min-h-full flex-col" aria-label="Change several" data-testid="many">
  <div class="flex-1 px-5 pt-3 pb-6">
    <h2 class="text-xl">Change {count(few.length, 'item')} together</h2>
    {#if codes.length > MOST}<p class="text-ink-2">The first {MOST} of those selected.</p>{/if}
    <div class="mt-3 flex flex-wrap items-end gap-3">
      <label class="grid gap-0.5"
        ><span class="text-sm text-ink-2">Of</span>
        <select
          class="field"
          value={table}
          onchange={(e) => {
            table = e.currentTarget.value as 'items' | 'planning';
            other('');
          }}
        >
          <option value="planning" disabled={!rights.changes('planning')}>all their stock points</option>
          <option value="items" disabled={!rights.changes('items')}>the items themselves</option>
        </select></label
      >
      <label class="grid gap-0.5"
        ><span class="text-sm text-ink-2">Field</span>
        <select class="field" value={field} onchange={(e) => other(e.currentTarget.value)}>
          <option value=""></option>
          {#each fields as f (f.name)}<option value={f.name} title={f.meaning}>{label(f.name)}</option>{/each}
        </select></label
      >
      {#if column}
        <div class="grid min-w-[140px] gap-0.5">
          <span class="text-sm text-ink-2">Becomes</span>
          {#key field}<Cell
              {column}
              {value}
              otherwise="nothing"
              {today}
              open
              about="All of them"
              onchange={give}
            />{/key}
        </div>
        <button type="button" class="plain-action" onclick={() => give('')}>Empty it</button>
      {/if}
      <button type="button" class="plain-action" onclick={onclose}>Back <Key name="Esc" /></button>
    </div>
    {#if column && all.length > 0}
      <table class="grid-table mt-4">
        <tbody>
          {#each all.slice(0, 100) as row (row['code'] ?? `${row['item']} ${row['site']}`)}
            <tr>
              <td class="w-[260px]"><b>{row['code'] ?? row['item']}</b> {row['site'] ?? ''}</td>
              <td>
                {#if draft.any}<s class="text-ink-3">{shown(column, row[field], today) || 'nothing'}</s>
                  <b>{shown(column, value, today) || 'nothing'}</b>{:else}{shown(column, row[field], today) ||
                    'nothing'}{/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
      {#if all.length > 100}<p class="text-ink-2">and {all.length - 100} more</p>{/if}
    {/if}
  </div>
  <DraftFoot {draft} {today} {currency} />
</section>
