<script lang="ts">
  import { count } from '$lib/format';
  import type { BringScreen } from './bring-screen.svelte';

  /** Where a file or pasted cells come in, and everything goes out. */
  let { screen }: { screen: BringScreen } = $props();
  let over = $state(false);

  function paste(event: ClipboardEvent) {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    const file = event.clipboardData?.files[0];
    event.preventDefault();
    if (file) void screen.file(file);
    else void screen.paste(text);
  }
</script>

<div class="grid gap-8 p-6 md:grid-cols-2">
  <section>
    <h2 class="section">Bring in</h2>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div
      class="drop"
      class:over
      role="group"
      tabindex="0"
      aria-label="Drop a file here, or paste cells"
      onpaste={paste}
      ondragover={(e) => {
        e.preventDefault();
        over = true;
      }}
      ondragleave={() => (over = false)}
      ondrop={(e) => {
        e.preventDefault();
        over = false;
        void screen.file(e.dataTransfer?.files[0]);
      }}
    >
      <p><b>Drop a file here</b>, or paste cells of a spreadsheet with Ctrl V, names over them.</p>
      <label class="plain-action mt-2 cursor-pointer"
        >Choose a file<input
          class="sr-only"
          type="file"
          accept=".csv,.txt,.xlsx,.zip"
          onchange={(e) => void screen.file(e.currentTarget.files?.[0])}
        /></label
      >
    </div>
    {#if screen.busy === 'bringing'}<p class="mt-2" role="status">Reading …</p>{/if}
    {#if screen.refused}<p class="mt-2 border-l-4 border-vermilion bg-slip px-3 py-1.5" role="alert">
        {screen.refused}
      </p>{/if}
    <p class="mt-3 text-ink-2">
      CSV with any separator, .xlsx, or a zip of CSV files; items, stock points, bills of materials, stock,
      prices, customer orders, forecasts with a column a month, a week or a day. A file with several tables
      comes in as one. Before anything is taken in you see, field by field, what would become of it, and every
      fault.
    </p>
  </section>
  <section>
    <h2 class="section">Take out</h2>
    <ul class="mt-2 grid gap-1">
      <li>
        <a class="link" href="/api/exports/company.zip" download>The whole company</a>, a zip of CSV files
      </li>
      <li><a class="link" href="/api/exports/company.xlsx" download>The whole company</a>, one workbook</li>
    </ul>
    <p class="mt-2 text-ink-2">It loads into an empty Rescient and gives the same plan.</p>
    <h3 class="section mt-4">One table</h3>
    <ul class="mt-2 columns-2">
      {#each screen.tables.data ?? [] as table (table.name)}
        <li>
          <a class="link" href="/api/exports/tables/{table.name}.xlsx" download title={table.meaning}
            >{table.name.replaceAll('_', ' ')}</a
          >
          <small class="text-ink-3">{count(table.columns.length, 'column')}</small>
        </li>
      {/each}
    </ul>
  </section>
</div>

<style>
  .drop {
    margin-top: 8px;
    border: 1.5px dashed var(--ink-3);
    border-radius: var(--radius-md);
    background: var(--sheet);
    padding: 22px;
  }
  .drop.over,
  .drop:focus-visible {
    border-color: var(--marigold);
    background: var(--marigold-tint);
  }
</style>
