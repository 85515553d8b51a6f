<script lang="ts">
  import { SvelteSet } from 'svelte/reactivity';
  import { monthsShown, type MonthRow } from './what-if';

  /** A figure by month, opened into suppliers or work centers. */
  interface Props {
    name: string;
    rows: MonthRow[];
    text: (value: number, signed?: boolean) => string;
  }
  let { name, rows, text }: Props = $props();
  const opened = new SvelteSet<string>();
  const shown = $derived(monthsShown(rows, opened));
  const month = (iso: string) =>
    new Date(iso + 'T00:00:00Z').toLocaleDateString('en', {
      month: 'short',
      year: 'numeric',
      timeZone: 'UTC'
    });

  function toggle(iso: string) {
    if (!opened.delete(iso)) opened.add(iso);
  }
</script>

<table class="w-full" aria-label={name}>
  <thead>
    <tr
      ><th class="title text-[13px]">{name}</th><th class="num">Live</th><th class="num">What-if</th><th
        class="num">Difference</th
      ></tr
    >
  </thead>
  <tbody>
    {#each shown as r (r.month + (r.code ?? '~'))}
      <tr class:part={r.name}>
        <td>
          {#if r.name}{r.name}
          {:else}<button type="button" aria-expanded={opened.has(r.month)} onclick={() => toggle(r.month)}
              >{opened.has(r.month) ? '▾' : '▸'} {month(r.month)}</button
            >{/if}
        </td>
        <td class="num">{text(r.live)}</td>
        <td class="num">{text(r.other)}</td>
        <td class="num" class:font-semibold={r.difference !== 0}
          >{r.difference === 0 ? '·' : text(r.difference, true)}</td
        >
      </tr>
    {/each}
  </tbody>
</table>

<style>
  td,
  th {
    padding: 2px 8px 2px 0;
    text-align: left;
  }
  th:not(:first-child) {
    font-weight: 400;
    color: var(--ink-3);
    font-size: 11px;
  }
  .num {
    text-align: right;
    white-space: nowrap;
  }
  tr {
    border-bottom: 1px solid var(--line-2);
  }
  .part td:first-child {
    padding-left: 16px;
    color: var(--ink-2);
  }
</style>
