<script lang="ts">
  import { date, quantity } from '$lib/format';
  import { demandHref } from '$lib/links';
  import type { Allocation } from './turn';

  /** The forecast bucket by bucket: what orders and shipments took of it, what is left, and who took it. */
  let { all }: { all: Allocation } = $props();
  let open = $state<string | undefined>();
  const most = $derived(Math.max(1, ...all.forecast.map((b) => b.quantity)));
</script>

{#if all.forecast.length > 0}
  <h2 class="title mt-5 text-lg">Forecast {all.forecast[0]?.set}, and who takes of it</h2>
  <table class="grid-table mt-1" data-testid="forecast-taken">
    <thead
      ><tr
        ><th class="text-left">Bucket</th><th class="text-right">Forecast</th><th class="text-right">Taken</th
        ><th class="text-right">Left</th><th></th></tr
      ></thead
    >
    <tbody>
      {#each all.forecast.slice(0, 40) as b (b.from)}
        {@const key = b.from}
        <tr>
          <td
            >{#if b.taken.length > 0}<button
                type="button"
                class="link"
                aria-expanded={open === key}
                onclick={() => (open = open === key ? undefined : key)}
                >{date(b.from, all.today)} – {date(b.to, all.today)}</button
              >{:else}{date(b.from, all.today)} – {date(b.to, all.today)}{/if}</td
          >
          <td class="text-right">{quantity(b.quantity)}</td>
          <td class="text-right">{b.quantity > b.left ? quantity(b.quantity - b.left) : ''}</td>
          <td class="text-right"
            ><b>{quantity(b.left)}</b>{#if b.fenced}<small> before the fence</small>{/if}</td
          >
          <td
            ><svg width="160" height="10" aria-hidden="true"
              ><rect width={(b.quantity / most) * 158} height="9" fill="none" stroke="var(--slate)" /><rect
                width={((b.quantity - b.left) / most) * 158}
                height="9"
                fill="var(--slate)"
              /></svg
            ></td
          >
        </tr>
        {#if open === key}
          <tr>
            <td colspan="5">
              <div class="taken">
                <p>{quantity(b.quantity)} forecast</p>
                {#each b.taken as t, i (i)}
                  <p>
                    − {quantity(t.quantity)}
                    {#if t.shipped}shipped with {t.number}{:else}<a class="link" href={demandHref(t.number)}
                        >{t.number}</a
                      >
                      {t.customer ?? ''}{/if}, {date(t.day, all.today)}
                  </p>
                {/each}
                <p class="result">= {quantity(b.left)} left</p>
              </div>
            </td>
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
{/if}

<style>
  .taken {
    margin: 4px 0 10px;
    padding: 8px 14px;
    width: fit-content;
    background: var(--slip);
    font-family: var(--font-mono);
    font-size: 12px;
  }
  .result {
    margin-top: 3px;
    border-top: 1px dotted var(--ink-3);
    background: var(--marigold-tint);
    font-weight: 600;
  }
</style>
