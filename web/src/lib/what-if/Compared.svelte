<script lang="ts">
  import { said } from '$lib/format';
  import { createQuery } from '@tanstack/svelte-query';
  import { whatIfsCompared } from '$lib/queries';
  import { saveSheet, type FileKind } from '$lib/ui/export';
  import { FIGURES, figureText } from './what-if';

  /** Several what-ifs beside the live plan, a column each. */
  interface Props {
    ids: number[];
    currency: string;
  }
  let { ids, currency }: Props = $props();
  const compared = createQuery(() => whatIfsCompared(ids));
  const columns = $derived(compared.data ?? []);

  export function save(kind: FileKind = 'csv') {
    const sheet = {
      header: ['figure', ...columns.map((c) => c.name)],
      rows: FIGURES.map((f) => [f.name, ...columns.map((c) => f.of(c.figures))])
    };
    void saveSheet('what-ifs', sheet, kind);
  }
</script>

{#if compared.isPending}
  <p class="p-4 text-ink-2">Calculating {ids.length} plans …</p>
{:else if compared.isError}
  <div class="p-4" role="alert">
    <p>{compared.error.message}</p>
    <button class="plain-action mt-2" onclick={() => compared.refetch()}>Try again</button>
  </div>
{:else}
  <div class="overflow-x-auto px-3 py-2">
    <table aria-label="What-ifs compared">
      <thead>
        <tr>
          <th></th>
          {#each columns as c (c.id ?? 'live')}
            <th class="num align-bottom">
              {#if c.id}<a class="link" href="/plan/what-if?id={c.id}">{c.name}</a>{:else}{c.name}{/if}
            </th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each FIGURES as f (f.code)}
          <tr>
            <td>{f.name}</td>
            {#each columns as c (c.id ?? 'live')}
              <td class="num" class:bad={!f.neutral && f.of(c.figures) > f.of((columns[0] ?? c).figures)}
                >{figureText(f, f.of(c.figures), currency)}</td
              >
            {/each}
          </tr>
        {/each}
        <tr>
          <td>Otherwise</td>
          {#each columns as c (c.id ?? 'live')}
            <td class="max-w-[190px] text-sm whitespace-normal text-ink-2"
              >{#each c.sentences as s, i (i)}<span class="block">{said(s)}</span>{/each}</td
            >
          {/each}
        </tr>
      </tbody>
    </table>
  </div>
{/if}

<style>
  td,
  th {
    padding: 4px 18px 4px 0;
    text-align: left;
    vertical-align: top;
  }
  tr {
    border-bottom: 1px solid var(--line-2);
  }
  .num {
    text-align: right;
    white-space: nowrap;
  }
  .bad {
    color: var(--vermilion);
    font-weight: 600;
  }
</style>
