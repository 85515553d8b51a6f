<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { answer, api, type Schemas } from '$lib/api/client';
  import Cell from '$lib/data/Cell.svelte';
  import DraftFoot from '$lib/data/DraftFoot.svelte';
  import { DataDraft } from '$lib/data/data-draft.svelte';
  import { label, shown, type Cells } from '$lib/data/tables';
  import { count, quantity } from '$lib/format';
  import { dataTables } from '$lib/queries';
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
  /** Rows of one decision. */
  const MOST = 10_000;
  /** Codes that are asked for at once. */
  const AT_ONCE = 100;
  const tables = createQuery(dataTables);
  const draft = new DataDraft('many', (decision) => onkept(decision));
  let table = $state<'items' | 'planning'>(
    untrack(() => (rights.changes('planning') ? 'planning' : 'items'))
  );
  let field = $state('');
  let value = $state('');
  let come = $state(0);
  const rows = createQuery(() => ({
    queryKey: ['plan', 'many', table, codes],
    queryFn: () => ofAll(table),
    placeholderData: (before: Cells[] | undefined) => before
  }));
  const of = $derived(tables.data?.find((t) => t.name === table));
  const fields = $derived((of?.columns ?? []).filter((c) => !c.key));
  const column = $derived(fields.find((c) => c.name === field));
  const there = $derived(rows.data ?? []);
  const all = $derived(there.slice(0, MOST));

  /** The rows of all items, some at once. */
  async function ofAll(of: 'items' | 'planning'): Promise<Cells[]> {
    const found: Cells[] = [];
    for (come = 0; come < codes.length && found.length <= MOST; come += AT_ONCE) {
      const column = of === 'items' ? 'code' : 'item';
      const value = codes.slice(come, come + AT_ONCE);
      const asked = { table: of, column, value, limit: 1000 };
      found.push(...(await answer(api.GET('/api/data/rows', { params: { query: asked } }))).rows);
    }
    return found;
  }

  /** Something was typed, for all of them, also for those that have yet to come. */
  let given = $state(false);
  $effect(() => {
    const rows = all;
    if (given) untrack(() => apply(rows));
  });

  function give(to: string) {
    value = to;
    given = true;
    apply(all);
  }

  function apply(to: Cells[]) {
    draft.clear();
    if (!of || !field) return;
    for (const row of to) draft.set(of, row, field, value);
  }

  function other(next: string) {
    field = next;
    value = '';
    given = false;
    draft.clear();
  }
</script>

<section class="flex min-h-full flex-col" aria-label="Change several" data-testid="many">
  <div class="flex-1 px-5 pt-3 pb-6">
    <h2 class="text-xl">Change {count(codes.length, 'item')} together</h2>
    {#if rows.isPending}<p class="text-ink-2" role="status">
        Reading them: {quantity(Math.min(come, codes.length))} of {quantity(codes.length)} …
      </p>
    {:else if rows.isError}<p role="alert">{rows.error.message}</p>
    {:else if there.length > MOST}<p class="text-ink-2">
        One decision takes {quantity(MOST)} rows: these are the first.
      </p>{/if}
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
