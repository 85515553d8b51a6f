<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '$lib/api/client';
  import { money, quantity } from '$lib/format';
  import { itemHref } from '$lib/links';
  import { orderCosts } from '$lib/queries';

  /** What an order cost against what was expected of it, with the sum behind each figure. */
  let { number, currency }: { number: string; currency: string } = $props();
  const costs = createQuery(() => orderCosts(number));
  let asked = $state<string | undefined>();
  type Line = Schemas['CostLine'];
  const price = (n: number) => money(n, currency);
  const signed = (n: number) => (n === 0 ? '' : `${n > 0 ? '+' : ''}${price(n)}`);
  const each = (l: Line) => (l.kind === 'work' ? 'an hour' : `a ${l.unit}`);

  /** How a line comes about, as on a till's slip. */
  function slip(l: Line, units: number): { text: string; value: string }[] {
    const per = l.kind === 'work' ? ` ÷ 60 × ${price(l.price)}` : ` × ${price(l.price)}`;
    return [
      {
        text: `expected for ${quantity(units)}: ${quantity(l.expectedQuantity)} ${l.unit}${per}`,
        value: price(l.expected)
      },
      { text: `${quantity(l.actualQuantity)} ${l.unit} it was`, value: price(l.actual) },
      {
        text: `used otherwise: ${quantity(l.actualQuantity - l.expectedQuantity, true)} ${l.unit}${per}`,
        value: signed(l.quantityVariance) || price(0)
      },
      { text: `dearer or cheaper, what is left`, value: signed(l.priceVariance) || price(0) }
    ];
  }
</script>

{#each costs.data ?? [] as c (c.line)}
  <section class="mt-4" aria-label="What it cost" data-testid="costs">
    <h3 class="section">
      Cost <span class="font-normal text-ink-2"
        >for {quantity(c.reported)}
        {c.unit}{#if c.scrapped}
          and {quantity(c.scrapped)} spoiled{/if}</span
      >
    </h3>
    <table class="grid-table mt-1 w-full">
      <thead
        ><tr
          ><th class="text-left">What</th><th class="text-right">Expected</th><th class="text-right">Was</th
          ><th class="text-right">Used</th><th class="text-right">Price</th></tr
        ></thead
      >
      <tbody>
        {#each c.lines as l (l.kind + l.name)}
          {@const key = `${c.line} ${l.kind} ${l.name}`}
          <tr>
            <td class="max-w-[200px] truncate"
              >{#if l.kind === 'material'}<a class="link" href={itemHref(l.name)}>{l.name}</a>
                {l.itemName}{:else if l.kind === 'work'}Step {l.name}{l.itemName
                  ? `, ${l.itemName}`
                  : ''}{:else}Subcontractor{/if}</td
            >
            <td class="text-right">{price(l.expected)}</td>
            <td class="text-right"
              ><button
                type="button"
                class="link"
                aria-expanded={asked === key}
                title="How it comes about"
                onclick={() => (asked = asked === key ? undefined : key)}>{price(l.actual)}</button
              ></td
            >
            <td class="text-right">{signed(l.quantityVariance)}</td>
            <td class="text-right">{signed(l.priceVariance)}</td>
          </tr>
          {#if asked === key}
            <tr
              ><td colspan="5"
                ><dl class="slip" data-testid="cost-slip">
                  <dt class="head">{l.name || 'Subcontractor'}, {price(l.price)} {each(l)}</dt>
                  {#each slip(l, c.reported + c.scrapped) as s (s.text)}<dt>{s.text}</dt>
                    <dd>{s.value}</dd>{/each}
                </dl></td
              ></tr
            >
          {/if}
        {/each}
      </tbody>
      <tfoot
        ><tr
          ><td>In all</td><td class="text-right">{price(c.expected)}</td><td class="text-right font-bold"
            >{price(c.actual)}</td
          ><td class="text-right" colspan="2">{signed(c.actual - c.expected)}</td></tr
        ></tfoot
      >
    </table>
    <p class="mt-1 text-sm text-ink-2">
      Came in at {price(c.putOut)}{#if c.inProcess}, {price(c.inProcess)} lie in the order{/if}{#if c.variance},
        <b>{signed(c.variance)} left over</b>{/if}.
    </p>
  </section>
{/each}

<style>
  .slip {
    display: grid;
    max-width: 520px;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 14px;
    border: 1px solid var(--line);
    border-bottom-style: dashed;
    background: var(--slip);
    padding: 8px 12px;
    font-family: 'IBM Plex Mono', monospace;
    font-size: 12px;
  }
  .head {
    grid-column: 1 / -1;
    font-weight: 600;
  }
  dd {
    text-align: right;
  }
</style>
