<script lang="ts">
  import { date, dayNumber, isoDay, longDate, quantity } from '$lib/format';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import VirtualList from '$lib/ui/VirtualList.svelte';
  import { axisOf, marksOf, type Bar, type Placed } from './threads';

  interface Props {
    bars: Bar[];
    shown: Placed[];
    today: string;
    /** The place of the bar under the cursor. */
    cursor: number;
    folded: ReadonlySet<number>;
    onpoint: (at: number) => void;
    onopen: (bar: Bar) => void;
    onfold: (at: number) => void;
    /** A bar was dragged to another due date. */
    onmove: (bar: Bar, due: string) => void;
  }
  let { bars, shown, today, cursor, folded, onpoint, onopen, onfold, onmove }: Props = $props();
  const LABEL = 268;
  const ROW = 27;
  /** What is written behind the last bar. */
  const NOTE = 104;

  let width = $state(800);
  const axis = $derived(axisOf(bars, today, Math.max(200, width - LABEL - NOTE)));
  const x = $derived((iso: string) => axis.x(dayNumber(iso)));
  const marks = $derived(marksOf(axis, dayNumber(today)));
  let drag = $state.raw<{ at: number; from: number; days: number } | undefined>();

  function movable(bar: Bar): boolean {
    return bar.key !== undefined && bar.key !== null && (bar.kind === 'planned' || bar.kind === 'open');
  }

  function grab(event: PointerEvent, placed: Placed) {
    if (!movable(placed.bar) || event.button !== 0) return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    drag = { at: placed.at, from: event.clientX, days: 0 };
  }

  function pull(event: PointerEvent) {
    if (drag) drag = { ...drag, days: Math.round((event.clientX - drag.from) / axis.perDay) };
  }

  function drop(placed: Placed) {
    const days = drag?.days ?? 0;
    drag = undefined;
    if (days !== 0) onmove(placed.bar, isoDay(dayNumber(placed.bar.due) + days));
    else onpoint(placed.at);
  }

  function says(bar: Bar): string {
    const parts = [`${bar.item} ${bar.itemName}`];
    if (bar.kind === 'customer_order') parts.push(`wanted ${longDate(bar.due)}`);
    else if (bar.kind === 'stock') parts.push(`${quantity(bar.pegged)} ${bar.unit} from stock`);
    else if (bar.kind === 'missing') parts.push(`${quantity(bar.pegged)} ${bar.unit} have no supply`);
    else {
      parts.push(`${quantity(bar.quantity)} ${bar.unit}, ${bar.stage}`);
      if (bar.start) parts.push(`start ${longDate(bar.start)}`);
      parts.push(`due ${longDate(bar.due)}`);
      if (bar.depth > 0) parts.push(`needed ${longDate(bar.needed)}`);
    }
    if (bar.kind !== 'stock' && bar.possible && bar.possible > bar.due)
      parts.push(`possible ${longDate(bar.possible)}`);
    if (bar.alsoFor.length > 0) parts.push(`${bar.alsoFor.length} others here wait for it too`);
    return parts.join(', ');
  }
</script>

<div class="grid h-full grid-rows-[24px_minmax(0,1fr)]" bind:clientWidth={width}>
  <div class="relative border-b border-line text-sm text-ink-3" aria-hidden="true">
    <span class="absolute left-3">Waits for</span>
    {#each marks as mark (mark.day)}
      <span
        class="absolute whitespace-nowrap"
        style:left="{LABEL + axis.x(mark.day) + 3}px"
        class:font-bold={mark.text === 'today'}
        class:text-ink={mark.text === 'today'}>{mark.text}</span
      >
    {/each}
  </div>
  <div class="relative min-h-0">
    <div class="pointer-events-none absolute inset-0" aria-hidden="true">
      {#each marks as mark (mark.day)}
        <span class="rule" style:left="{LABEL + axis.x(mark.day)}px"></span>
      {/each}
      <span class="rule today" style:left="{LABEL + x(today)}px"></span>
    </div>
    <VirtualList
      rows={shown}
      size={() => ROW}
      key={(p) => String(p.at)}
      label="Thread"
      follow={shown.findIndex((p) => p.at === cursor)}
      active="bar-{cursor}"
    >
      {#snippet row(placed: Placed)}
        {@const bar = placed.bar}
        {@const end = bar.kind !== 'stock' && bar.possible && bar.possible > bar.due ? bar.possible : bar.due}
        {@const moved = drag?.at === placed.at ? drag.days * axis.perDay : 0}
        <!-- svelte-ignore a11y_click_events_have_key_events -->
        <div
          class="thread-row"
          class:here={placed.at === cursor}
          class:deciding={bar.deciding}
          role="option"
          aria-selected={placed.at === cursor}
          aria-label={says(bar)}
          tabindex="-1"
          id="bar-{placed.at}"
          title={says(bar)}
          onclick={() => onpoint(placed.at)}
          ondblclick={() => onopen(bar)}
        >
          <span
            class="label"
            style:width="{LABEL}px"
            style:padding-left="{10 + Math.min(bar.depth, 8) * 13}px"
          >
            {#if placed.opens}
              <!-- the keyboard folds with Left and Right -->
              <span
                class="fold"
                role="presentation"
                onclick={(e) => {
                  e.stopPropagation();
                  onfold(placed.at);
                }}>{folded.has(placed.at) ? '▸' : '▾'}</span
              >
            {:else}<span class="fold"></span>{/if}
            {#if bar.source}<SourceTile source={bar.source} stage={bar.stage ?? 'planned'} />{/if}
            {#if bar.kind === 'customer_order'}<b class="demand">{bar.number}</b>{/if}
            <span class="truncate"><b>{bar.item}</b> {bar.itemName}</span>
            <small class="ml-auto pr-2">{quantity(bar.pegged)}</small>
          </span>
          <span class="time">
            {#if bar.kind === 'stock'}
              <span class="stock" style:left="{x(today)}px"></span>
              <span class="note" style:left="{x(today) + 10}px">from stock</span>
            {:else if bar.kind === 'missing'}
              <span class="note short" style:left="{x(bar.needed) + 4}px">no supply</span>
            {:else}
              {#if bar.depth > 0 && bar.needed > end}
                <span class="slack" style:left="{x(end)}px" style:width="{x(bar.needed) - x(end)}px"></span>
              {/if}
              {#if end > bar.due}
                <span
                  class="slip-part"
                  style:left="{x(bar.due) + moved}px"
                  style:width="{x(end) - x(bar.due)}px"
                ></span>
              {/if}
              {#if bar.kind === 'customer_order'}
                <span class="wanted" style:left="{x(bar.due) - 6}px"></span>
              {:else}
                <span
                  class="bar {bar.stage}"
                  class:movable={movable(bar)}
                  style:left="{x(bar.start && bar.start < bar.due ? bar.start : bar.due) + moved}px"
                  style:width="{bar.start && bar.start < bar.due
                    ? Math.max(5, x(bar.due) - x(bar.start))
                    : 5}px"
                  role="presentation"
                  onpointerdown={(e) => grab(e, placed)}
                  onpointermove={pull}
                  onpointerup={() => drop(placed)}
                  onpointercancel={() => (drag = undefined)}
                ></span>
              {/if}
              <span
                class="note"
                class:short={bar.late}
                style:left="{Math.max(x(end), bar.depth > 0 ? x(bar.needed) : 0) + moved + 8}px"
              >
                {#if moved !== 0}{date(isoDay(dayNumber(bar.due) + (drag?.days ?? 0)))}
                {:else if !bar.possible}never
                {:else}{date(end)}{/if}
                {#if bar.deciding && bar.adds}<b
                    >{bar.adds > 0 ? '+' : '−'}{Math.abs(bar.adds)}
                    {Math.abs(bar.adds) === 1 ? 'day' : 'days'}</b
                  >{/if}
              </span>
            {/if}
          </span>
        </div>
      {/snippet}
    </VirtualList>
  </div>
</div>

<style>
  .rule {
    position: absolute;
    top: 0;
    bottom: 0;
    border-left: 1px solid var(--line-2);
  }
  .rule.today {
    border-left: 1.5px solid var(--ink);
  }
  .thread-row {
    display: flex;
    align-items: center;
    height: 100%;
    cursor: default;
  }
  .thread-row:hover .label {
    background: var(--slip);
  }
  .thread-row.here .label {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
  }
  .label {
    display: flex;
    align-items: center;
    gap: 5px;
    flex: none;
    height: 100%;
    overflow: hidden;
    white-space: nowrap;
    color: var(--ink-2);
    background: var(--paper);
  }
  .deciding .label {
    color: var(--ink);
  }
  .demand {
    color: var(--slate);
  }
  small {
    font-size: 11px;
    color: var(--ink-3);
  }
  .fold {
    width: 12px;
    flex: none;
    color: var(--ink-3);
    cursor: pointer;
  }
  .time {
    position: relative;
    flex: 1;
    height: 100%;
  }
  .time > span {
    position: absolute;
  }
  .bar {
    top: 9px;
    height: 9px;
    border: 1.4px dashed var(--ink);
    background: var(--sheet);
    border-radius: 1px;
  }
  .bar.movable {
    cursor: ew-resize;
    touch-action: none;
  }
  .deciding .bar {
    top: 6px;
    height: 15px;
    border-width: 2.6px;
  }
  .bar.firmed,
  .bar.released {
    border-style: solid;
  }
  .bar.released {
    background: var(--ink);
  }
  .slack {
    top: 13px;
    border-top: 1px solid var(--ink-3);
    height: 4px;
    border-right: 1px solid var(--ink-3);
  }
  .slip-part {
    top: 9px;
    height: 9px;
    background: repeating-linear-gradient(45deg, var(--vermilion) 0 1.2px, transparent 1.2px 4.5px);
    border-right: 2px solid var(--vermilion);
  }
  .deciding .slip-part {
    top: 6px;
    height: 15px;
  }
  .wanted {
    top: 9px;
    border: 6px solid transparent;
    border-top: 9px solid var(--slate);
    border-bottom: 0;
  }
  .stock {
    top: 10px;
    width: 8px;
    height: 8px;
    margin-left: -4px;
    background: var(--ink);
    border-radius: 50%;
  }
  .note {
    top: 5px;
    font-size: 11px;
    white-space: nowrap;
    color: var(--ink-3);
    pointer-events: none;
  }
  .note.short {
    color: var(--vermilion);
  }
  .deciding .note {
    font-weight: 600;
  }
</style>
