<script lang="ts">
  import { date, longDate, quantity } from '$lib/format';
  import type { Bin } from './stock-screen.svelte';

  /** A lot or serial number as a tag with a punched hole; tied shut when it is quarantined, with what is left of its life. */
  interface Props {
    bin: Bin;
    unit: string;
    today: string;
    chosen: boolean;
    onchoose: () => void;
  }
  let { bin, unit, today, chosen, onchoose }: Props = $props();
  const name = $derived(bin.lot ?? bin.serial ?? 'without lot');
  /** Days are drawn up to a year. */
  const YEAR = 365;
  const DAY = 86_400_000;
  const days = $derived(bin.expiry ? (Date.parse(bin.expiry) - Date.parse(today)) / DAY : undefined);
</script>

<button
  type="button"
  class="tag"
  class:shut={bin.quarantined}
  class:chosen
  aria-pressed={chosen}
  onclick={onchoose}
>
  <span class="hole" aria-hidden="true"></span>
  <b>{name}</b>
  <span>{quantity(bin.quantity)} <small>{unit}</small></span>
  {#if bin.quarantined}<i>set aside</i>{/if}
  {#if bin.forOrder}<i>for {bin.forOrder} line {bin.forLine}</i>{/if}
  {#if bin.expiry}
    <span class="life" class:over={bin.expired} title="serves until before {longDate(bin.expiry)}">
      <span style:width="{Math.max(0, Math.min(1, (days ?? 0) / YEAR)) * 100}%"></span>
    </span>
    <small class:text-vermilion={bin.expired}
      >{bin.expired ? 'expired' : 'until'} {date(bin.expiry, today)}</small
    >
  {/if}
</button>

<style>
  .tag {
    position: relative;
    display: flex;
    align-items: baseline;
    gap: 8px;
    border: 1px solid var(--ink-3);
    background: var(--slip);
    padding: 3px 12px 3px 24px;
    clip-path: polygon(9px 0, 100% 0, 100% 100%, 9px 100%, 0 50%);
  }
  .tag::after {
    position: absolute;
    inset: 0;
    background: linear-gradient(to bottom right, transparent 49%, var(--ink-3) 49% 51%, transparent 51%) 0 0 /
      9px 50% no-repeat;
    content: '';
    pointer-events: none;
    transform: scaleX(1);
  }
  .tag.shut {
    background: repeating-linear-gradient(135deg, var(--slip) 0 7px, var(--line-2) 7px 9px);
    border-style: dashed;
  }
  .tag.chosen {
    border-color: var(--marigold);
    background: var(--marigold-tint);
  }
  .hole {
    position: absolute;
    top: 50%;
    left: 11px;
    width: 7px;
    height: 7px;
    border: 1px solid var(--ink-3);
    border-radius: 50%;
    background: var(--paper);
    transform: translateY(-50%);
  }
  .shut .hole {
    background: var(--ink);
  }
  .life {
    align-self: center;
    width: 54px;
    height: 5px;
    border: 1px solid var(--ink-3);
  }
  .life > span {
    display: block;
    height: 100%;
    background: var(--ink-3);
  }
  .life.over {
    border-color: var(--vermilion);
  }
  i {
    color: var(--ink-2);
  }
</style>
