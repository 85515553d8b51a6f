<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { date, longDate, quantity, said } from '$lib/format';
  import { hrefOf } from '$lib/links';

  interface Props {
    slip: Schemas['Slip'];
    today: string;
  }
  let { slip, today }: Props = $props();
  /** Longer sums are folded in the middle. */
  const SHOWN = 14;
  let open = $state(false);
  const adding = $derived(slip.lines.filter((l) => l.adds));
  const folded = $derived(!open && adding.length > SHOWN ? adding.slice(2, adding.length - SHOWN + 3) : []);
  const first = $derived(folded[0]);
  const hidden = $derived(new Set(folded));
  const foldedSum = $derived(folded.length);

  async function copy() {
    const lines = slip.lines.map((l) => [l.text, l.date ?? '', l.quantity ?? l.days ?? ''].join('\t'));
    await navigator.clipboard.writeText([said(slip.question), said(slip.sentence), ...lines].join('\n'));
  }
</script>

<section class="slip" aria-label={said(slip.question)}>
  <header>
    <h3>{said(slip.question)}</h3>
    <span class="no-print">
      <button type="button" class="copy" onclick={copy} title="Copy this sum as a table">copy</button>
      <button type="button" class="copy" onclick={() => window.print()} title="Print this page">print</button>
    </span>
  </header>
  <p>{said(slip.sentence)}</p>
  <ol>
    {#each slip.lines as line, i (i)}
      {#if line === first}
        <li>
          <button type="button" class="fold" onclick={() => (open = true)}
            >… {foldedSum} lines in between</button
          >
        </li>
      {/if}
      {#if !hidden.has(line)}
        <li class={line.weight.toLowerCase()}>
          <span class="what">
            {#if line.link}<a class="link" href={hrefOf(line.link)}>{said(line.text)}</a>{:else}{said(
                line.text
              )}{/if}
            {#if line.date && (line.quantity !== undefined || line.days !== undefined)}
              <span title={longDate(line.date)}>{date(line.date, today)}</span>
            {/if}
          </span>
          <span class="dots"></span>
          <span class="amount" class:short={line.weight === 'SUBTOTAL' && (line.quantity ?? 0) < 0}>
            {#if line.quantity !== undefined && line.quantity !== null}
              {quantity(line.quantity, line.adds)}
            {:else if line.days !== undefined && line.days !== null}
              {line.days} {line.days === 1 ? 'working day' : 'working days'}
            {:else if line.date}
              <span title={longDate(line.date)}>{date(line.date, today)}</span>
            {/if}
          </span>
        </li>
      {/if}
    {/each}
  </ol>
</section>

<style>
  .slip {
    position: relative;
    background: var(--slip);
    font-family: var(--font-mono);
    font-size: 12px;
    font-stretch: 100%;
    padding: 10px 10px 14px;
    filter: drop-shadow(0 1px 2px rgb(0 0 0 / 0.16));
    clip-path: polygon(
      0 0,
      100% 0,
      100% calc(100% - 5px),
      96% 100%,
      92% calc(100% - 5px),
      88% 100%,
      84% calc(100% - 5px),
      80% 100%,
      76% calc(100% - 5px),
      72% 100%,
      68% calc(100% - 5px),
      64% 100%,
      60% calc(100% - 5px),
      56% 100%,
      52% calc(100% - 5px),
      48% 100%,
      44% calc(100% - 5px),
      40% 100%,
      36% calc(100% - 5px),
      32% 100%,
      28% calc(100% - 5px),
      24% 100%,
      20% calc(100% - 5px),
      16% 100%,
      12% calc(100% - 5px),
      8% 100%,
      4% calc(100% - 5px),
      0 100%
    );
  }
  header {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    padding: 0 4px;
  }
  h3 {
    font: 700 13px var(--font-sans);
    font-stretch: 100%;
  }
  p {
    font: 12px/1.35 var(--font-sans);
    color: var(--ink-2);
    padding: 2px 4px 6px;
  }
  .copy {
    font: 11px var(--font-sans);
    color: var(--ink-3);
    text-decoration: underline;
  }
  ol {
    list-style: none;
  }
  li {
    display: flex;
    align-items: baseline;
    gap: 5px;
    padding: 1.5px 4px;
  }
  .dots {
    flex: 1;
    border-bottom: 1px dotted var(--ink-3);
    opacity: 0.55;
    min-width: 12px;
  }
  .amount {
    white-space: nowrap;
  }
  .subtotal {
    border-top: 1px solid var(--ink);
    font-weight: 600;
    margin-top: 2px;
  }
  .result {
    background: var(--marigold-tint);
    font-weight: 600;
    margin-top: 2px;
    padding-block: 3px;
  }
  .short {
    color: var(--vermilion);
  }
  .fold {
    color: var(--ink-3);
    text-decoration: underline;
  }
</style>
