<script lang="ts">
  // The figures of one row. There are a thousand of them on a screen, so each is one plain element: the table hears
  // what is done with them and draws the cursor under them.
  import { quantity } from '$lib/format';
  import { leaves, NAMES, type GridRow } from './periods';

  interface Props {
    row: GridRow;
    /** Its place in the table. */
    r: number;
    /** The periods that are drawn, from one on and below another. */
    from: number;
    to: number;
    heads: { long: string }[];
    breaks: boolean[];
  }
  let { row, r, from, to, heads, breaks }: Props = $props();
  /** More characters may be wider than a cell. */
  const WIDE = 8;
  const LATE = 'late: what is needed then comes later';

  function shown(value: number): string {
    if (value === 0 && row.kind !== 'BALANCE') return '·';
    return quantity(leaves(row.kind) ? -value : value);
  }

  /** Something waits in this period although the balance looks well. */
  function waits(c: number): boolean {
    return row.kind === 'BALANCE' && row.point.late[c] === 'l';
  }

  function look(c: number, value: number, text: string, late: boolean): string {
    const mark = row.kind === 'BALANCE' ? row.point.marks[c] : '.';
    let look = 'cell';
    if (mark === 'z') look += ' below';
    else if (mark === 's') look += ' safety';
    if (late) look += ' waits';
    if (breaks[c]) look += ' break';
    if (row.orders?.[c]?.length) look += ' full';
    if (text.length > WIDE) look += ' wide';
    if (row.kind !== 'BALANCE' && value === 0) return look + ' nothing';
    return leaves(row.kind) ? look + ' demand' : look;
  }

  function says(c: number, value: number, late: boolean): string {
    const name = row.kind === 'BALANCE' ? 'balance' : NAMES[row.kind].toLowerCase();
    const mark = row.kind === 'BALANCE' ? row.point.marks[c] : '.';
    const short = mark === 'z' ? ', falls below zero' : mark === 's' ? ', falls below the safety stock' : '';
    return `${row.point.item}, ${heads[c]?.long}: ${name} ${quantity(value)} ${row.point.unit}${short}${late ? `, ${LATE}` : ''}`;
  }
</script>

{#each row.cells.slice(from, to) as value, k (from + k)}
  {@const c = from + k}
  {@const text = shown(value)}
  {@const late = waits(c)}
  <span
    class={look(c, value, text, late)}
    role="gridcell"
    tabindex="-1"
    id="cell-{r}-{c}"
    aria-label={says(c, value, late)}
    title={late ? LATE : undefined}>{text}</span
  >
{/each}

<style>
  /* no element of its own: one more in each of a thousand cells would be felt while scrolling */
  .waits::before {
    content: 'late';
    margin-right: 4px;
    font-size: 9.5px;
    font-style: normal;
    font-weight: 600;
    color: var(--vermilion);
  }
  /* side by side without places of their own, which the browser would keep and paint one by one */
  .cell {
    flex: none;
    width: 66px;
    height: 100%;
    padding: 5px 7px 0 0;
    text-align: right;
    white-space: nowrap;
    cursor: default;
  }
  .wide {
    overflow: hidden;
  }
  .demand {
    color: var(--slate);
  }
  .nothing {
    color: var(--line);
  }
  .below {
    color: var(--vermilion);
    font-weight: 700;
    /* a small tile: a gradient over each cell is slow to draw */
    --stripe: color-mix(in srgb, var(--vermilion) 24%, transparent);
    background: linear-gradient(
        -45deg,
        var(--stripe) 0 10%,
        transparent 10% 50%,
        var(--stripe) 50% 60%,
        transparent 60%
      )
      0 0 / 7px 7px;
  }
  .safety {
    border-bottom: 2px solid color-mix(in srgb, var(--vermilion) 65%, transparent);
  }
  .break {
    border-left: 1px solid var(--line);
  }
  .full {
    cursor: grab;
    font-weight: 600;
    outline: 1.3px dashed var(--ink-3);
    outline-offset: -4px;
    padding-right: 9px;
    touch-action: none;
  }
</style>
