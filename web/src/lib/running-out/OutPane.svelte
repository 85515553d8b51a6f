<script lang="ts">
  import { goto } from '$app/navigation';
  import { count, date, quantity } from '$lib/format';
  import { itemHref, plannedHref, pointHref, turnHref } from '$lib/links';
  import StockLine from '$lib/plan/StockLine.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { RunningOutScreen } from './running-out-screen.svelte';

  /** When one stock point runs out, as its stock line, and what its supplier also has short. */
  let { screen }: { screen: RunningOutScreen } = $props();
  const here = $derived(screen.here);
</script>

{#if here}
  <article class="px-5 pt-3 pb-6" aria-label="{here.item} at {here.siteName}">
    <header class="flex flex-wrap items-baseline gap-3">
      <h2 class="text-xl"><a class="link" href={itemHref(here.item)}>{here.item}</a></h2>
      <p class="min-w-0 flex-1 truncate">{here.itemName}, {here.siteName}</p>
    </header>
    <p class="mt-1" data-testid="out">
      Without another order nothing is left <b>{date(here.out, screen.today)}</b>
      ({here.days < 1 ? 'today' : `in ${count(here.days, 'day')}`}), and {quantity(here.missing)}
      {here.unit} are short at worst.
      {#if here.order && here.start}
        The <a class="link" href={plannedHref(here.order)}>first order that is planned</a> starts {date(
          here.start,
          screen.today
        )}{#if here.late}<span class="font-semibold text-vermilion"
            >, and comes {count(here.late, 'day')} too late</span
          >{/if}.
      {:else}<b class="text-vermilion">Nothing is planned to bring it.</b>{/if}
    </p>
    {#if screen.point.data}
      <div class="mt-2">
        <StockLine
          point={screen.point.data}
          selected={here.order ?? undefined}
          onask={() => void goto(pointHref(here.item, here.site))}
        />
      </div>
    {/if}
    <p class="no-print mt-2 flex flex-wrap gap-2">
      <button type="button" class="main-action" onclick={() => screen.release([here])}
        >Release what brings it <Key name="r" /></button
      >
      <a class="plain-action" href={turnHref(here.item, here.site)}>Who gets what</a>
    </p>
    {#if here.supplier && screen.others.length > 0}
      <h3 class="mt-5 text-sm text-ink-2">{here.supplierName} also has short here</h3>
      <table class="grid-table w-full" data-testid="others">
        <thead
          ><tr
            ><th class="text-left">Item</th><th class="text-right">Short</th><th class="text-right"
              >Runs out</th
            ></tr
          ></thead
        >
        <tbody>
          {#each screen.others.slice(0, 40) as other (other.key)}
            <tr
              ><td
                ><button type="button" class="link" onclick={() => screen.open(other.key)}
                  >{other.item}</button
                >
                {other.itemName}</td
              ><td class="text-right"
                >{quantity(other.missing)} <small class="text-ink-3">{other.unit}</small></td
              ><td class="text-right">{date(other.out, screen.today)}</td></tr
            >
          {/each}
        </tbody>
      </table>
      <p class="no-print mt-2">
        <button type="button" class="plain-action" onclick={() => screen.releaseAll()}
          >Release it and the other{screen.others.length === 1 ? '' : ` ${screen.others.length}`} with it <Key
            name="R"
          /></button
        >
      </p>
    {/if}
  </article>
{/if}
