<script lang="ts">
  import { dayNumber, quantity } from '$lib/format';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import { isMain, leaves, NAMES, nameOf, type GridRow, type Period } from './periods';

  interface Props {
    rows: GridRow[];
    periods: Period[];
    today: string;
    /** Place of the row and the column under the cursor. */
    at: number;
    column: number;
    open: ReadonlySet<string>;
    components: ReadonlySet<string>;
    onpoint: (at: number, column: number) => void;
    onwhy: () => void;
    onopen: (row: GridRow) => void;
    oncomponents: (row: GridRow) => void;
    /** The orders of a period were dragged into another. */
    onmove: (row: GridRow, from: number, to: number) => void;
  }
  let {
    rows,
    periods,
    today,
    at,
    column,
    open,
    components,
    onpoint,
    onwhy,
    onopen,
    oncomponents,
    onmove
  }: Props = $props();
  const LABEL = 292;
  const WIDTH = 66;
  const ROW = 27;
  const HEAD = 30;
  /** Drawn beyond what is seen, so that scrolling shows no blank. */
  const MORE_ROWS = 14;
  const MORE_COLUMNS = 5;

  let box = $state<HTMLDivElement>();
  let top = $state(0);
  let left = $state(0);
  let height = $state(600);
  let width = $state(1280);
  /** The click that ends a drag asks nothing. */
  let dragged = false;
  let drag = $state.raw<{ row: number; from: number; to: number } | undefined>();

  const first = $derived(Math.max(0, Math.floor(top / ROW) - MORE_ROWS));
  const last = $derived(Math.min(rows.length, Math.ceil((top + height) / ROW) + MORE_ROWS));
  const from = $derived(Math.max(0, Math.floor(left / WIDTH) - MORE_COLUMNS));
  const to = $derived(Math.min(periods.length, Math.ceil((left + width - LABEL) / WIDTH) + MORE_COLUMNS));
  const drawn = $derived(rows.slice(first, last));
  const heads = $derived(periods.map((p) => nameOf(p, today)));
  /** Where weeks begin after days and months after weeks. */
  const breaks = $derived(
    periods.map((p, i) => {
      const before = periods[i - 1];
      const days = (x: Period) => dayNumber(x.end) - dayNumber(x.start);
      return before !== undefined && days(p) > days(before) + 3 && days(before) < 27;
    })
  );

  $effect(() => {
    // the cursor stays in view
    if (!box || at < 0) return;
    const y = at * ROW;
    if (y < box.scrollTop) box.scrollTop = y;
    else if (y + ROW > box.scrollTop + box.clientHeight - HEAD)
      box.scrollTop = y + ROW - box.clientHeight + HEAD;
    const x = column * WIDTH;
    if (x < box.scrollLeft) box.scrollLeft = x;
    else if (x + WIDTH > box.scrollLeft + box.clientWidth - LABEL)
      box.scrollLeft = x + WIDTH - box.clientWidth + LABEL;
  });

  function scrolled() {
    top = box?.scrollTop ?? 0;
    left = box?.scrollLeft ?? 0;
  }

  function columnOf(event: PointerEvent): number {
    const edge = box?.getBoundingClientRect().left ?? 0;
    const place = Math.floor((event.clientX - edge - LABEL + (box?.scrollLeft ?? 0)) / WIDTH);
    return Math.max(0, Math.min(periods.length - 1, place));
  }

  function grab(event: PointerEvent, row: number, from: number) {
    if (event.button !== 0 || !rows[row]?.orders?.[from]?.length) return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    drag = { row, from, to: from };
  }

  function drop() {
    const done = drag;
    drag = undefined;
    const row = done && rows[done.row];
    dragged = done !== undefined && done.to !== done.from;
    if (done && row && dragged) onmove(row, done.from, done.to);
  }

  function says(row: GridRow, c: number): string {
    const name = row.kind === 'BALANCE' ? 'balance' : NAMES[row.kind].toLowerCase();
    const mark = row.kind === 'BALANCE' ? row.point.marks[c] : '.';
    const short = mark === 'z' ? ', falls below zero' : mark === 's' ? ', falls below the safety stock' : '';
    return `${row.point.item}, ${heads[c]?.long}: ${name} ${quantity(row.cells[c] ?? 0)} ${row.point.unit}${short}`;
  }
</script>

<div
  bind:this={box}
  bind:clientHeight={height}
  bind:clientWidth={width}
  class="period-grid"
  role="grid"
  aria-label="Periods"
  aria-rowcount={rows.length}
  aria-colcount={periods.length + 1}
  aria-activedescendant={at >= 0 ? `cell-${at}-${column}` : undefined}
  tabindex="0"
  onscroll={scrolled}
>
  <div class="heads" role="row" style:width="{LABEL + periods.length * WIDTH}px" style:height="{HEAD}px">
    <span class="corner" role="columnheader" style:width="{LABEL}px">Balance at the end of</span>
    {#each heads.slice(from, to) as head, i (from + i)}
      <span
        class="head"
        class:break={breaks[from + i]}
        role="columnheader"
        style:left="{LABEL + (from + i) * WIDTH}px"
        style:width="{WIDTH}px"
        title={head.long}>{head.text}</span
      >
    {/each}
  </div>
  <div
    role="presentation"
    style:position="relative"
    style:width="{LABEL + periods.length * WIDTH}px"
    style:height="{rows.length * ROW}px"
  >
    {#each drawn as row, i (row.key)}
      {@const r = first + i}
      {@const main = isMain(row)}
      <div
        class="line"
        class:main
        class:here={r === at}
        role="row"
        aria-rowindex={r + 1}
        style:top="{r * ROW}px"
        style:height="{ROW}px"
      >
        <span
          class="label"
          role="rowheader"
          style:width="{LABEL}px"
          style:padding-left="{10 + row.depth * 14 + (main ? 0 : 44)}px"
          title="{row.point.item} {row.point.itemName}, {row.point.siteName}"
        >
          {#if main}
            <button
              type="button"
              class="fold"
              tabindex="-1"
              aria-label="Open {row.point.item}"
              onclick={() => onopen(row)}>{open.has(row.key) ? '▾' : '▸'}</button
            >
            <SourceTile source={row.point.source} stage={null} />
            <span class="truncate"><b>{row.point.item}</b> {row.point.itemName}</span>
            <span class="ml-auto flex items-center gap-1.5 pr-2">
              <small>{row.point.site}</small>
              {#if row.point.source !== 'buy' && row.point.source !== 'none'}
                <button
                  type="button"
                  class="fold"
                  tabindex="-1"
                  title="Its components under it (c)"
                  aria-label="Components of {row.point.item}"
                  onclick={() => oncomponents(row)}>{components.has(row.key) ? '▴' : '⋮'}</button
                >
              {/if}
            </span>
          {:else}
            <span class="truncate" class:demand={leaves(row.kind)}>{NAMES[row.kind]}</span>
          {/if}
        </span>
        {#each row.cells.slice(from, to) as value, k (from + k)}
          {@const c = from + k}
          {@const mark = row.kind === 'BALANCE' ? row.point.marks[c] : '.'}
          {@const full = (row.orders?.[c]?.length ?? 0) > 0}
          <!-- the keyboard moves the cursor from anywhere on the page and asks with w -->
          <!-- svelte-ignore a11y_click_events_have_key_events -->
          <span
            class="cell"
            class:below={mark === 'z'}
            class:safety={mark === 's'}
            class:demand={leaves(row.kind)}
            class:break={breaks[c]}
            class:on={r === at && c === column}
            class:full
            class:target={drag?.row === r && drag.to === c && drag.to !== drag.from}
            role="gridcell"
            tabindex="-1"
            id="cell-{r}-{c}"
            aria-label={says(row, c)}
            aria-selected={r === at && c === column}
            style:left="{LABEL + c * WIDTH}px"
            style:width="{WIDTH}px"
            onclick={() => {
              if (!dragged) {
                onpoint(r, c);
                onwhy();
              }
              dragged = false;
            }}
            onpointerdown={(e) => grab(e, r, c)}
            onpointermove={(e) => drag && (drag = { ...drag, to: columnOf(e) })}
            onpointerup={drop}
            onpointercancel={() => (drag = undefined)}
            >{#if value === 0 && row.kind !== 'BALANCE'}<i>·</i>{:else if leaves(row.kind)}{quantity(
                -value
              )}{:else}{quantity(value)}{/if}</span
          >
        {/each}
      </div>
    {/each}
  </div>
</div>

<style>
  .period-grid {
    height: 100%;
    overflow: auto;
    background: var(--sheet);
    outline-offset: -2px;
  }
  .heads {
    position: sticky;
    top: 0;
    z-index: 3;
    background: var(--paper);
    border-bottom: 1px solid var(--line);
  }
  .corner {
    position: sticky;
    left: 0;
    z-index: 1;
    display: inline-block;
    height: 100%;
    padding: 8px 12px 0;
    background: var(--paper);
    border-right: 1px solid var(--line);
    font-size: 11px;
    color: var(--ink-3);
  }
  .head {
    position: absolute;
    top: 8px;
    padding-right: 7px;
    text-align: right;
    font-size: 11px;
    color: var(--ink-2);
    white-space: nowrap;
  }
  .line {
    position: absolute;
    left: 0;
    width: 100%;
    border-bottom: 1px solid var(--line-2);
  }
  .label {
    position: sticky;
    left: 0;
    z-index: 2;
    display: inline-flex;
    align-items: center;
    gap: 5px;
    height: 100%;
    overflow: hidden;
    white-space: nowrap;
    background: var(--sheet);
    border-right: 1px solid var(--line);
    font-size: 12px;
    color: var(--ink-2);
  }
  .main .label {
    font-size: 13px;
    color: var(--ink);
  }
  .here .label {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
  }
  .label :global(.tile) {
    flex: none;
  }
  .fold {
    width: 14px;
    flex: none;
    color: var(--ink-3);
  }
  small {
    font-size: 11px;
    color: var(--ink-3);
  }
  .cell {
    position: absolute;
    top: 0;
    height: 100%;
    padding: 5px 7px 0 0;
    overflow: hidden;
    text-align: right;
    font-size: 12px;
    color: var(--ink-2);
    white-space: nowrap;
    cursor: default;
  }
  .main .cell {
    font-size: 13px;
    color: var(--ink);
  }
  .cell.demand,
  .label .demand {
    color: var(--slate);
  }
  .cell.below {
    color: var(--vermilion);
    font-weight: 700;
    background: repeating-linear-gradient(
      45deg,
      color-mix(in srgb, var(--vermilion) 24%, transparent) 0 1px,
      transparent 1px 5px
    );
  }
  .cell.safety {
    box-shadow: inset 0 -2px 0 color-mix(in srgb, var(--vermilion) 65%, transparent);
  }
  .cell.break,
  .head.break {
    border-left: 1px solid var(--line);
  }
  .cell.full {
    cursor: grab;
    font-weight: 600;
    outline: 1.3px dashed var(--ink-3);
    outline-offset: -4px;
    padding-right: 9px;
    touch-action: none;
  }
  .cell.on {
    background: var(--marigold-tint);
    outline: 2px solid var(--marigold);
    outline-offset: -2px;
  }
  .cell.target {
    background: var(--marigold-tint);
    outline: 2px dashed var(--marigold);
    outline-offset: -3px;
  }
  i {
    color: var(--line);
    font-style: normal;
  }
</style>
