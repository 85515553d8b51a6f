<script lang="ts">
  import { dayNumber } from '$lib/format';
  import SourceTile from '$lib/ui/SourceTile.svelte';
  import PeriodCells from './PeriodCells.svelte';
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
  /** What a row's name stands beside: the mark, the site and what opens it. */
  const BESIDE = 106;
  const LETTER = 6.7;
  const NARROWEST = 250;
  const WIDTH = 66;
  const ROW = 27;
  const HEAD = 30;
  /** Rows that are drawn and put together at once; a block moves as one picture while it is scrolled. */
  const BLOCK = 4;
  /** Drawn beyond what is seen, so that scrolling shows no blank. */
  const MORE_ROWS = 10;
  const MORE_COLUMNS = 3;

  let box = $state<HTMLDivElement>();
  let top = $state(0);
  let left = $state(0);
  let height = $state(600);
  let width = $state(1280);
  /** How many rows are drawn above and below those that are seen: none at first and after a jump, for a frame. */
  let more = $state(0);
  /** The click that ends a drag asks nothing. */
  let dragged = false;
  let drag = $state.raw<{ row: number; from: number; to: number } | undefined>();

  const first = $derived(Math.max(0, Math.floor((top / ROW - more) / BLOCK)));
  const last = $derived(Math.ceil(((top + height) / ROW + more) / BLOCK));
  /** As wide as the longest name asks for, and never more than two fifths of what there is. */
  const label = $derived(
    Math.max(
      NARROWEST,
      Math.min(
        width * 0.4,
        rows.reduce((most, { point, depth }) => Math.max(most, needed(point, depth)), 0)
      )
    )
  );
  const from = $derived(Math.max(0, Math.floor(left / WIDTH) - MORE_COLUMNS));
  const to = $derived(Math.min(periods.length, Math.ceil((left + width - label) / WIDTH) + MORE_COLUMNS));
  /** Made once for all rows, so that those that stay when others come are not looked at again. */
  const blocks = $derived(
    Array.from({ length: Math.ceil(rows.length / BLOCK) }, (_, n) => ({
      n,
      rows: rows
        .slice(n * BLOCK, (n + 1) * BLOCK)
        .map((row, i) => ({ row, r: n * BLOCK + i, main: isMain(row) }))
    }))
  );
  function needed(point: GridRow['point'], depth: number): number {
    const letters = point.item.length + 1 + point.itemName.length + point.site.length;
    return Math.ceil(BESIDE + depth * 14 + letters * LETTER);
  }
  const drawn = $derived(blocks.slice(first, last));
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
    else if (x + WIDTH > box.scrollLeft + box.clientWidth - label)
      box.scrollLeft = x + WIDTH - box.clientWidth + label;
  });

  $effect(() => {
    if (more === MORE_ROWS) return;
    const frame = requestAnimationFrame(() => (more = MORE_ROWS));
    return () => cancelAnimationFrame(frame);
  });

  $effect(() => {
    // told to the one cell instead of asked by each
    if (drawn.length === 0 || from > to) return;
    const cell = document.getElementById(`cell-${at}-${column}`);
    cell?.setAttribute('aria-selected', 'true');
    return () => cell?.removeAttribute('aria-selected');
  });

  function scrolled() {
    if (!box) return;
    if (Math.abs(box.scrollTop - top) > height) more = 0;
    top = box.scrollTop;
    left = box.scrollLeft;
  }

  /** The row and the column of the cell that an event came from. */
  function cellOf(event: Event): [number, number] | undefined {
    const cell = (event.target as Element).closest('[role=gridcell]');
    const [, r, c] = cell?.id.split('-') ?? [];
    return r === undefined || c === undefined ? undefined : [Number(r), Number(c)];
  }

  function clicked(event: MouseEvent) {
    const cell = cellOf(event);
    if (cell && !dragged) {
      onpoint(...cell);
      onwhy();
    }
    dragged = false;
  }

  function columnOf(event: PointerEvent): number {
    const edge = box?.getBoundingClientRect().left ?? 0;
    const place = Math.floor((event.clientX - edge - label + (box?.scrollLeft ?? 0)) / WIDTH);
    return Math.max(0, Math.min(periods.length - 1, place));
  }

  function grab(event: PointerEvent) {
    const [row = -1, from = -1] = cellOf(event) ?? [];
    if (event.button !== 0 || !rows[row]?.orders?.[from]?.length) return;
    (event.target as Element).setPointerCapture(event.pointerId);
    drag = { row, from, to: from };
  }

  function drop() {
    const done = drag;
    drag = undefined;
    const row = done && rows[done.row];
    dragged = done !== undefined && done.to !== done.from;
    if (done && row && dragged) onmove(row, done.from, done.to);
  }
</script>

<!-- the keyboard moves the cursor from anywhere on the page and asks with w -->
<!-- svelte-ignore a11y_click_events_have_key_events -->
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
  onclick={clicked}
  onpointerdown={grab}
  onpointermove={(e) => drag && (drag = { ...drag, to: columnOf(e) })}
  onpointerup={drop}
  onpointercancel={() => (drag = undefined)}
>
  <div class="heads" role="row" style:width="{label + periods.length * WIDTH}px" style:height="{HEAD}px">
    <span class="corner" role="columnheader" style:width="{label}px">Balance at the end of</span>
    {#each heads.slice(from, to) as head, i (from + i)}
      <span
        class="head"
        class:break={breaks[from + i]}
        role="columnheader"
        style:left="{label + (from + i) * WIDTH}px"
        style:width="{WIDTH}px"
        title={head.long}>{head.text}</span
      >
    {/each}
  </div>
  <div
    class="sheet"
    role="presentation"
    style:width="{label + periods.length * WIDTH}px"
    style:height="{rows.length * ROW}px"
  >
    {#each drawn as block (block.n)}
      <div class="block" role="presentation" style="top:{block.n * BLOCK * ROW}px">
        {#each block.rows as { row, r, main } (row.key)}
          <div
            class="line"
            class:main
            role="row"
            aria-rowindex={r + 1}
            style="padding-left:{label + from * WIDTH}px"
          >
            <PeriodCells {row} {r} {from} {to} {heads} {breaks} />
          </div>
        {/each}
      </div>
    {/each}
    {#if at >= 0}
      <div class="cursor" style="left:{label + column * WIDTH}px;top:{at * ROW}px"></div>
    {/if}
    {#if drag && drag.to !== drag.from}
      <div class="cursor target" style="left:{label + drag.to * WIDTH}px;top:{drag.row * ROW}px"></div>
    {/if}
    <!-- one layer that stays at the left, instead of one for each row; the rows go on in it -->
    <div class="labels" role="presentation" style:width="{label}px">
      {#each drawn as block (block.n)}
        <div class="labelled" role="presentation" style="top:{block.n * BLOCK * ROW}px">
          {#each block.rows as { row, r, main } (row.key)}
            <div role="row" aria-rowindex={r + 1}>
              <span
                class="label"
                class:main
                class:here={r === at}
                role="rowheader"
                style="padding-left:{10 + row.depth * 14 + (main ? 0 : 44)}px"
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
            </div>
          {/each}
        </div>
      {/each}
    </div>
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
  .sheet {
    position: relative;
  }
  .block {
    position: absolute;
    left: 0;
    width: 100%;
    background: var(--sheet);
    will-change: transform;
  }
  .line {
    display: flex;
    height: 27px;
    border-bottom: 1px solid var(--line-2);
    font-size: 12px;
    color: var(--ink-2);
  }
  .line.main {
    font-size: 13px;
    color: var(--ink);
  }
  .labels {
    position: sticky;
    left: 0;
    z-index: 2;
    height: 100%;
    background: var(--sheet);
    border-right: 1px solid var(--line);
  }
  .labelled {
    position: absolute;
    left: 0;
    width: 100%;
  }
  .label {
    height: 27px;
    display: flex;
    align-items: center;
    gap: 5px;
    overflow: hidden;
    white-space: nowrap;
    border-bottom: 1px solid var(--line-2);
    font-size: 12px;
    color: var(--ink-2);
  }
  .label.main {
    font-size: 13px;
    color: var(--ink);
  }
  .label.here {
    background: var(--marigold-tint);
    box-shadow: inset 4px 0 0 var(--marigold);
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
  .demand {
    color: var(--slate);
  }
  .break {
    border-left: 1px solid var(--line);
  }
  .cursor {
    position: absolute;
    width: 66px;
    height: 27px;
    background: color-mix(in srgb, var(--marigold) 16%, transparent);
    pointer-events: none;
    outline: 2px solid var(--marigold);
    outline-offset: -2px;
  }
  .target {
    outline-style: dashed;
    outline-offset: -3px;
  }
</style>
