<script lang="ts">
  import { label, shown } from '$lib/data/tables';
  import { count, said } from '$lib/format';
  import Key from '$lib/ui/Key.svelte';
  import type { BringScreen } from './bring-screen.svelte';
  import SheetTabs from './SheetTabs.svelte';

  /** What came: what each column is, in which habits it is written, and row by row what would become of it. */
  let { screen }: { screen: BringScreen } = $props();
  const at = $derived(screen.at);
  const view = $derived(at?.view);
  const preview = $derived(at?.taken ? at.preview : undefined);
  const several = $derived(screen.sheets.length > 1);
  const columnAt = $derived(
    (place: number) => Object.entries(at?.columns ?? {}).find(([, at]) => at === place)?.[0]
  );
  const taken = $derived(new Set(Object.keys(at?.columns ?? {})));
  const column = $derived((name: string) => screen.of?.columns.find((c) => c.name === name));
  function value(name: string, text: string | null | undefined): string {
    const found = column(name);
    return found ? shown(found, text, screen.today) : (text ?? '');
  }
</script>

{#if at && view}
  <div class="grid gap-4 px-6 py-4">
    {#if several}<SheetTabs {screen} />{/if}
    <div class="flex flex-wrap items-center gap-2">
      <b>{several ? view.name : screen.brought?.name}</b>
      <span class="text-ink-2">{count(view.rows, 'row')}{view.months ? ', one column a month' : ''}</span>
      <label class="chip"
        >These are <select value={at.table ?? ''} onchange={(e) => screen.as(e.currentTarget.value)}>
          <option value="" disabled>choose</option>
          {#each screen.choices as table (table.name)}<option value={table.name} title={table.meaning}
              >{table.name.replaceAll('_', ' ')}</option
            >{/each}
        </select></label
      >
      <label class="chip"
        >Dates <select bind:value={at.dates}>
          <option value="DAY_FIRST">day first</option>
          <option value="MONTH_FIRST">month first</option>
          <option value="YEAR_FIRST">year first</option>
        </select></label
      >
      <label class="chip"
        >Decimals <select bind:value={at.decimal}>
          <option value=".">after a point</option>
          <option value=",">after a comma</option>
        </select></label
      >
      {#if view.remembered}<span class="text-ink-2">understood as the last time</span>{/if}
    </div>
    <div class="overflow-x-auto">
      <table class="cells" aria-label="What came">
        <thead>
          <tr>
            {#each view.header as name, place (place)}
              <th>
                <span class="block truncate text-ink-2">{name || '(no name)'}</span>
                <select
                  class="field"
                  class:set={columnAt(place) !== undefined}
                  aria-label="{name || `Column ${place + 1}`} is"
                  value={columnAt(place) ?? ''}
                  onchange={(e) => at.map(place, e.currentTarget.value || undefined)}
                >
                  <option value="">left out</option>
                  {#each screen.of?.columns ?? [] as col (col.name)}
                    <option value={col.name} disabled={taken.has(col.name) && columnAt(place) !== col.name}
                      >{label(col.name)}{col.required ? ' *' : ''}</option
                    >
                  {/each}
                </select>
              </th>
            {/each}
          </tr>
        </thead>
        <tbody>
          {#each view.sample.slice(0, 4) as cells, r (r)}
            <tr
              >{#each cells as cell, i (i)}<td class:idle={columnAt(i) === undefined}>{cell}</td>{/each}</tr
            >
          {/each}
        </tbody>
      </table>
    </div>
    {#if screen.missing.length > 0}
      <p class="flex flex-wrap items-center gap-3" data-testid="missing">
        In every row:
        {#each screen.missing as col (col.name)}
          <label class="flex items-center gap-1"
            >{label(col.name)} *
            {#if col.words}
              <select
                class="field"
                bind:value={() => at.fixed[col.name] ?? '', (v) => (at.fixed[col.name] = v)}
              >
                <option value=""></option>
                {#each col.words as word (word)}<option value={word}>{word.replaceAll('_', ' ')}</option
                  >{/each}
              </select>
            {:else}
              <input
                class="field w-[110px]"
                bind:value={() => at.fixed[col.name] ?? '', (v) => (at.fixed[col.name] = v)}
              />
            {/if}
          </label>
        {/each}
      </p>
    {/if}
    {#if screen.refused}<p class="border-l-4 border-vermilion bg-slip px-3 py-1.5" role="alert">
        {screen.refused}
      </p>{/if}
    {#if preview}
      <p data-testid="outcome" class:opacity-60={screen.busy === 'looking'}>
        <b>{count(preview.added, 'row')}</b> new, <b>{preview.changed}</b> changed,
        <b>{preview.same}</b> as they are{#if preview.faulty > 0},
          <b class="text-vermilion">{preview.faulty} with a fault</b>
          <label class="ml-3"
            ><input type="checkbox" bind:checked={at.withoutFaulty} /> leave out what has a fault</label
          >{/if}
        {#if at.leftOut.length > 0}<span class="text-ink-2"
            >; {count(at.leftOut.length, 'row')} left out by you</span
          >{/if}
      </p>
      {#if preview.faults.length > 0}
        <table class="grid-table" data-testid="faults">
          <thead
            ><tr
              ><th class="w-[60px]">Row</th><th class="w-[130px]">Field</th><th class="w-[180px]"
                >Stands there</th
              ><th>What is wrong</th><th></th></tr
            ></thead
          >
          <tbody>
            {#each preview.faults.slice(0, 200) as fault, i (i)}
              <tr>
                <td>{fault.row > 0 ? fault.row : ''}</td>
                <td>{fault.column ? label(fault.column) : ''}</td>
                <td>
                  {#if fault.row > 0 && fault.column}
                    <input
                      class="field w-[160px]"
                      aria-label="{label(fault.column)} of row {fault.row}"
                      value={at.corrections[fault.row]?.[fault.column] ?? fault.value}
                      onchange={(e) => at.correct(fault.row, fault.column, e.currentTarget.value)}
                    />
                  {:else}{fault.value}{/if}
                </td>
                <td class="text-vermilion">{said(fault.sentence)}</td>
                <td
                  >{#if fault.row > 0}<button type="button" class="link" onclick={() => at.leave(fault.row)}
                      >leave row out</button
                    >{/if}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
      {#if preview.rows.length > 0}
        <table class="grid-table" data-testid="changes">
          <thead
            ><tr><th class="w-[60px]">Row</th><th class="w-[190px]">What</th><th>Field by field</th></tr
            ></thead
          >
          <tbody>
            {#each preview.rows as row (row.row)}
              <tr>
                <td>{row.row}</td>
                <td><b>{row.key}</b> <small class="text-ink-3">{row.what === 'added' ? 'new' : ''}</small></td
                >
                <td>
                  {#each row.fields as field (field.column)}
                    <span class="mr-4 whitespace-nowrap"
                      ><span class="text-ink-2">{label(field.column)}</span>
                      {#if row.what === 'changed'}<s class="text-ink-3"
                          >{value(field.column, field.before) || 'nothing'}</s
                        >{/if}
                      <b>{value(field.column, field.after) || 'nothing'}</b></span
                    >
                  {/each}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
        {#if preview.added + preview.changed > preview.rows.length}<p class="text-ink-2">
            The first {preview.rows.length} are shown.
          </p>{/if}
      {/if}
    {/if}
    <p class="sticky bottom-0 flex items-center gap-2 bg-paper py-2">
      <button type="button" class="main-action" disabled={!screen.ready} onclick={() => void screen.bring()}
        >{screen.busy === 'taking' ? 'Bringing in …' : `Bring in ${count(screen.coming, 'row')}`}</button
      >
      <button type="button" class="plain-action" style="height: 30px" onclick={() => void screen.forget()}
        >{screen.busy ? 'End it' : 'Begin again'} <Key name="Esc" /></button
      >
      {#if screen.busy}<span class="text-ink-2" role="status"
          >{screen.progress && screen.progress.done > 0
            ? `${screen.progress.kept ? 'Keeping row' : 'Row'} ${screen.progress.done} of ${screen.progress.rows} …`
            : 'Looking …'}</span
        >{/if}
    </p>
  </div>
{/if}

<style>
  .cells {
    border-collapse: collapse;
  }
  .cells th,
  .cells td {
    max-width: 190px;
    overflow: hidden;
    border: 1px solid var(--line);
    padding: 2px 7px;
    font-weight: 400;
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .cells td {
    background: var(--slip);
  }
  .cells .idle {
    color: var(--ink-3);
    text-decoration: line-through;
  }
  .cells select {
    height: 24px;
    max-width: 150px;
  }
  .cells .set {
    border-color: var(--marigold);
    font-weight: 600;
  }
</style>
