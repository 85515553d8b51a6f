<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { date, longDate, momentAt, quantity, said } from '$lib/format';
  import { orderVersions } from '$lib/queries';

  /** How an order stood after each change of it, side by side: what is otherwise than before is marked. */
  let { number, today }: { number: string; today: string } = $props();
  const versions = createQuery(() => orderVersions(number));
  const all = $derived(versions.data ?? []);
  const lines = $derived([...new Set(all.flatMap((v) => v.lines.map((l) => l.line)))]);

  type Line = Schemas['VersionLine'];
  function of(version: Schemas['VersionView'], line: string): Line | undefined {
    return version.lines.find((l) => l.line === line);
  }
  const FROM: Record<string, string> = {
    taken_back: 'taken back',
    import: 'brought in',
    what_if: 'from a what-if',
    release: 'by a release'
  };
</script>

{#if all.length > 1}
  <h3 class="mt-5 text-sm text-ink-2">Its {all.length} versions</h3>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="versions" role="region" aria-label="Versions of {number}" tabindex="0" data-testid="versions">
    <table class="grid-table">
      <thead>
        <tr>
          <th class="text-left">Line</th>
          {#each all as version, i (i)}
            <th class="text-left" title={version.sentence ? said(version.sentence) : ''}
              >{i + 1}
              <small
                >{version.at ? momentAt(version.at, today) : 'as it came'}
                {version.name ?? ''}
                {FROM[version.kind ?? ''] ?? ''}</small
              ></th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each lines as line (line)}
          <tr>
            <td>{line}</td>
            {#each all as version, i (i)}
              {@const l = of(version, line)}
              <td class:changed={l?.changed}>
                {#if l}
                  {quantity(l.quantity)} <small class="text-ink-3">{l.unit}</small>
                  {l.item}{#if l.changed}<span class="sr-only">(changed)</span>{/if}
                  <br /><small title="wanted {longDate(l.wanted)}, planned to go {longDate(l.due)}"
                    >{l.state === 'open' || l.state === 'quote' ? '' : `${l.state}, `}wanted {date(
                      l.wanted,
                      today
                    )}{l.promised ? `, promised ${date(l.promised, today)}` : ''}{#if l.parts.length > 0}<br
                      />of {#each l.parts as part, p (part.component)}{p > 0 ? ', ' : ''}{quantity(
                          part.quantity
                        )}
                        {part.component}{/each}{/if}</small
                  >
                {/if}
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}

<style>
  .versions {
    position: relative;
    overflow-x: auto;
  }
  td,
  th {
    min-width: 132px;
    vertical-align: top;
    white-space: nowrap;
  }
  td:first-child,
  th:first-child {
    min-width: 34px;
  }
  th small {
    display: block;
    font-weight: 400;
  }
  .changed {
    background: var(--marigold-tint);
    font-weight: 700;
  }
</style>
