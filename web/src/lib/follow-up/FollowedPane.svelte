<script lang="ts">
  import { date, money, quantity } from '$lib/format';
  import { signed } from '$lib/forecast/series';
  import { itemHref } from '$lib/links';
  import Key from '$lib/ui/Key.svelte';
  import type { Followed, FollowUpScreen } from './follow-up-screen.svelte';

  /** One series: bucket by bucket what was expected and what came, and who made it better or worse. */
  let { screen, row }: { screen: FollowUpScreen; row: Followed } = $props();
  const round = (n: number) => quantity(Number(n.toFixed(Math.abs(n) < 10 ? 1 : 0)));
  const most = $derived(Math.max(1, ...row.lines.flatMap((l) => [l.came, l.expected])));
  const WIDTH = 170;
  const place = (amount: number) => 5 + (amount / most) * (WIDTH - 10);
  function won(amount: number | null | undefined, by: string): string {
    if (amount === null || amount === undefined)
      return `Whether ${by} was better than last year is not known.`;
    if (Math.abs(amount) < 0.05) return `${by} made no difference.`;
    return amount > 0
      ? `${by} made the error smaller by ${round(amount)} ${row.unit} a bucket.`
      : `${by} made the error greater by ${round(-amount)} ${row.unit} a bucket.`;
  }
</script>

<article class="px-5 pt-3 pb-6" aria-label="Follow-up of {row.item} at {row.siteName}">
  <header class="flex flex-wrap items-baseline gap-3">
    <h2 class="text-xl"><a class="link" href={itemHref(row.item)}>{row.item}</a></h2>
    <p class="min-w-0 flex-1 truncate">{row.itemName}, {row.siteName}</p>
  </header>
  <div class="slip mt-3" data-testid="followed">
    <p>
      {row.bias > 0 ? 'Too little' : 'Too much'} was expected, by
      <b>{round(Math.abs(row.bias))} {row.unit}</b>
      a bucket in the mean; the error was <b>{round(row.error)} {row.unit}</b>, {row.mase.toFixed(2)} of the usual
      difference to a season before.
    </p>
    <p>{won(row.byHand, 'What was changed by hand')} {won(row.byMethod, 'The method')}</p>
    <p class:text-vermilion={row.look}>
      Tracking signal {signed(row.signal, (n) => n.toFixed(1))}{row.look
        ? ': it runs away to one side and wants a look.'
        : ': within 4, nothing to do.'}
    </p>
    {#if row.missed}<p>In money {money(row.missed, screen.currency)} a bucket were missed.</p>{/if}
  </div>
  <table class="grid-table mt-4 w-full max-w-[720px]" data-testid="lines">
    <thead
      ><tr
        ><th class="text-left">Bucket</th><th class="text-right">Came</th><th class="text-right">Expected</th
        ><th class="text-right" title="as the method said, before it was changed by hand">Method</th><th
          class="text-right">Off by</th
        ><th class="text-left">Came and expected</th></tr
      ></thead
    >
    <tbody>
      {#each [...row.lines].reverse() as l (l.from)}
        <tr>
          <td
            >{date(l.from, screen.today)}
            <small class="text-ink-3">{l.lag === 0 ? 'within it' : `${l.lag} before`}</small></td
          >
          <td class="text-right">{quantity(l.came)}</td>
          <td class="text-right">{quantity(l.expected)}</td>
          <td class="text-right text-ink-2">{quantity(l.forecast)}</td>
          <td class="text-right">{signed(l.came - l.expected, round)}</td>
          <td
            ><svg width={WIDTH} height="14" aria-hidden="true"
              ><line x1={place(l.expected)} x2={place(l.came)} y1="7" y2="7" stroke="var(--ink-3)" /><circle
                cx={place(l.expected)}
                cy="7"
                r="3.5"
                fill="var(--sheet)"
                stroke="var(--slate)"
                stroke-width="1.6"
              /><circle cx={place(l.came)} cy="7" r="3.5" fill="var(--ink)" /></svg
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  <p class="no-print mt-3">
    <button type="button" class="main-action" onclick={() => screen.curve()}
      >Its curve <Key name="v" /></button
    >
  </p>
</article>

<style>
  .slip {
    max-width: 720px;
    padding: 8px 12px;
    background: var(--slip);
    border-left: 4px solid var(--line);
  }
</style>
