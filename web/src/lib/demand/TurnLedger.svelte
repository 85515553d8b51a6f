<script lang="ts">
  import { date, longDate, quantity, words } from '$lib/format';
  import { hrefOf, demandHref } from '$lib/links';
  import type { Entry } from './turn';
  import type { TurnScreen } from './turn-screen.svelte';

  /** The days to come as a ledger: what comes, who gets it, what is there then. */
  let { screen }: { screen: TurnScreen } = $props();
  const today = $derived(screen.today);
  const all = $derived(screen.all);

  function name(e: Entry): string {
    if (e.goes) return e.goes.name;
    const { kind, name } = e.comes;
    if (kind === 'stock') return name ? `lot ${name}` : 'in stock';
    return kind === 'planned' ? `planned to ${name}` : name;
  }

  function from(e: Entry): string {
    return (e.goes?.from ?? [])
      .map((f) => {
        const what =
          f.kind === 'stock' ? (f.name ? `lot ${f.name}` : 'stock') : f.kind === 'open' ? f.name : 'planned';
        return `${quantity(f.quantity)} ${what}${f.kind === 'stock' ? '' : `, ${date(f.day, today)}`}`;
      })
      .join(' + ');
  }
</script>

{#if all && screen.by === 'event'}
  <div class="ledger" role="listbox" aria-label="Who gets what" tabindex="-1">
    <div class="entry heads" role="presentation">
      <span>Day</span><span></span><span>What</span><span class="num">Comes</span><span class="num">Goes</span
      ><span class="num">There then</span><span>Gets it from</span><span class="num">Can go</span>
    </div>
    {#each screen.entries as e, i (e.id)}
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <div
        id="entry-{e.id}"
        class="entry"
        class:here={screen.cursor === i}
        role="option"
        aria-selected={screen.cursor === i}
        tabindex="-1"
        onclick={() => (screen.cursor = i)}
      >
        <span title={longDate(e.day)}>{date(e.day, today)}</span>
        <svg width="12" height="12" aria-hidden="true">
          {#if e.comes}<rect
              x="1.5"
              y="1.5"
              width="9"
              height="9"
              fill={e.comes.kind === 'planned' ? 'none' : 'var(--ink)'}
              stroke="var(--ink)"
              stroke-dasharray={e.comes.kind === 'planned' ? '2 2' : undefined}
            />{:else}<path d="M1,2 h10 l-5,8 z" fill="var(--slate)" />{/if}
        </svg>
        <span class="truncate"
          >{#if e.goes?.kind === 'customer_order'}<a class="link" href={demandHref(e.goes.name)}
              >{e.goes.name}</a
            >
            {e.goes.customer ?? ''}{#if e.goes.priority !== 5}<small class="prio" title="priority"
                >{e.goes.priority}</small
              >{/if}
          {:else if e.comes?.link ?? e.goes?.link}<a
              class="link"
              href={hrefOf((e.comes?.link ?? e.goes?.link)!)}>{name(e)}</a
            >{#if e.goes}<small class="text-ink-3"> {words(e.goes.kind)}</small>{/if}
          {:else}{name(e)}{#if e.comes?.expiry}<small class="text-ink-3">
                serves until {date(e.comes.expiry, today)}</small
              >{/if}{/if}</span
        >
        <span class="num">{e.comes ? quantity(e.comes.quantity) : ''}</span>
        <span class="num slate">{e.goes ? quantity(e.goes.quantity) : ''}</span>
        <span class="num" class:short={e.balance < 0}>{quantity(e.balance)}</span>
        <span class="truncate text-sm text-ink-2" title={from(e)}
          >{#if e.goes}{from(e)}{:else if e.comes.left > 0}{quantity(e.comes.left)} free{/if}</span
        >
        <span class="num" class:short={e.goes?.late}
          >{#if e.goes?.late}{e.goes.possible
              ? date(e.goes.possible, today)
              : 'never'}{:else if e.goes}·{/if}</span
        >
      </div>
    {:else}
      <p class="p-3 text-ink-2">Nothing is there, nothing comes, and nobody wants any.</p>
    {/each}
    {#if all.cut}<p class="p-3 text-ink-2">Only the first of all are shown.</p>{/if}
  </div>
{:else if all && screen.by === 'lot'}
  <ul class="lots" aria-label="By lot">
    {#each screen.lots as { lot, takers }, i (i)}
      <li>
        <p class="tag">
          <b>{lot.name || 'without a lot'}</b>
          <span>{quantity(lot.quantity)} {all.unit}</span>
          {#if lot.expiry}<span
              >serves until {date(lot.expiry, today)}{#if lot.left > 0}; <span class="short"
                  >{quantity(lot.left)} expire unused</span
                >{/if}</span
            >{:else if lot.left > 0}<span class="text-ink-2">{quantity(lot.left)} free</span>{/if}
        </p>
        <ul>
          {#each takers as { goes, quantity: taken }, j (j)}
            <li class="taker">
              <span>{date(goes.day, today)}</span>
              <span class="truncate"
                >{#if goes.kind === 'customer_order'}<a class="link" href={demandHref(goes.name)}
                    >{goes.name}</a
                  >
                  {goes.customer ?? ''}{:else if goes.link}<a class="link" href={hrefOf(goes.link)}
                    >{goes.name}</a
                  ><small class="ml-1 text-ink-3">{words(goes.kind)}</small>{:else}{goes.name}{/if}</span
              >
              <span class="num">{quantity(taken)}</span>
            </li>
          {:else}
            <li class="taker text-ink-2"><span></span><span>nobody needs any of it</span></li>
          {/each}
        </ul>
      </li>
    {:else}
      <li class="p-3 text-ink-2">Nothing is there.</li>
    {/each}
  </ul>
{:else if all}
  <table class="grid-table w-full" aria-label="Sums by {screen.by}">
    <thead
      ><tr
        ><th class="text-left">From</th><th class="text-right">Comes</th><th class="text-right">Goes</th><th
          class="text-right">There at its end</th
        ><th class="text-right">Late</th></tr
      ></thead
    >
    <tbody>
      {#each screen.sums as sum (sum.from)}
        <tr>
          <td title={longDate(sum.from)}>{date(sum.from, today)}</td>
          <td class="text-right">{sum.comes ? quantity(sum.comes) : ''}</td>
          <td class="text-right">{sum.goes ? quantity(sum.goes) : ''}</td>
          <td class="text-right" class:short={sum.balance < 0}>{quantity(sum.balance)}</td>
          <td class="text-right" class:short={sum.late > 0}>{sum.late || ''}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}

<style>
  .ledger {
    border-top: 1.5px solid var(--ink);
    background: var(--sheet);
  }
  .entry {
    display: grid;
    grid-template-columns: 74px 14px minmax(120px, 1fr) 66px 66px 74px minmax(90px, 0.8fr) 76px;
    align-items: center;
    column-gap: 8px;
    min-height: 28px;
    padding: 0 8px;
    border-bottom: 1px solid var(--line-2);
    cursor: default;
  }
  .entry.heads {
    min-height: 24px;
    font-size: 11.5px;
    color: var(--ink-3);
  }
  .entry.here {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
  }
  .lots {
    border-top: 1.5px solid var(--ink);
    background: var(--sheet);
  }
  .lots > li {
    padding: 6px 10px 8px;
    border-bottom: 1px solid var(--line);
  }
  .tag {
    display: flex;
    gap: 14px;
  }
  .taker {
    display: grid;
    grid-template-columns: 74px minmax(120px, 1fr) 80px;
    column-gap: 8px;
    padding-left: 14px;
    border-bottom: 1px solid var(--line-2);
  }
  .num {
    text-align: right;
    white-space: nowrap;
  }
  .slate {
    color: var(--slate);
  }
  .short {
    color: var(--vermilion);
    font-weight: 600;
  }
  .prio {
    margin-left: 5px;
    padding: 0 4px;
    border: 1px solid var(--ink-3);
    border-radius: 50%;
  }
</style>
