<script lang="ts">
  import { date, money } from '$lib/format';
  import type { FollowedMonth } from './follow-up-screen.svelte';

  /** All series month by month in money: what was missed, and what a look at last year would have missed. */
  let { months, today, currency }: { months: FollowedMonth[]; today: string; currency: string } = $props();
  const HEIGHT = 74;
  const most = $derived(Math.max(1, ...months.flatMap((m) => [m.missed, m.byMethod, m.byNaive])));
  const tall = (amount: number) => (amount / most) * HEIGHT;
</script>

<table class="months" data-testid="months">
  <caption class="text-left text-sm text-ink-2"
    >Missed in all, in {currency}: <span class="key expected"></span> what was expected,
    <span class="key method"></span> the method alone, <span class="key naive"></span> a season before</caption
  >
  <tbody>
    <tr>
      {#each months as m (m.from)}
        <td>
          <div
            class="bars"
            style="height: {HEIGHT}px"
            title="{m.series} series came to {money(m.came, currency)}"
          >
            <span class="expected" style="height: {tall(m.missed)}px"></span>
            <span class="method" style="height: {tall(m.byMethod)}px"></span>
            <span class="naive" style="height: {tall(m.byNaive)}px"></span>
          </div>
          <div>{date(m.from, today).replace(/^1 /, '')}</div>
          <div class="text-ink-2">{money(m.missed, currency)}</div>
          <div class="text-sm text-ink-3" title="what came less what was expected">
            {m.bias > 0 ? '+' : '−'}{money(Math.abs(m.bias), currency)}
          </div>
        </td>
      {/each}
    </tr>
  </tbody>
</table>

<style>
  .months td {
    padding: 4px 14px 0 0;
    text-align: left;
    vertical-align: bottom;
    white-space: nowrap;
  }
  .bars {
    display: flex;
    align-items: flex-end;
    gap: 3px;
    border-bottom: 1px solid var(--ink-3);
  }
  .bars span {
    width: 13px;
  }
  .key {
    display: inline-block;
    width: 10px;
    height: 10px;
  }
  .expected {
    background: var(--ink);
  }
  .method {
    background: var(--slate);
  }
  .naive {
    background: repeating-linear-gradient(45deg, var(--ink-3) 0 1px, transparent 1px 4px);
    outline: 1px solid var(--ink-3);
    outline-offset: -1px;
  }
</style>
