<script lang="ts">
  import { date, quantity } from '$lib/format';
  import { isMain, NAMES, type GridRow } from './periods';

  /** The rows that are seen, for paper: so many periods side by side as fit, then the next ones. */
  interface Props {
    rows: GridRow[];
    periods: { start: string; end: string }[];
    today: string;
  }
  let { rows, periods, today }: Props = $props();
  const SIDE_BY_SIDE = 10;
  const sheets = $derived(
    Array.from({ length: Math.ceil(periods.length / SIDE_BY_SIDE) }, (_, i) => i * SIDE_BY_SIDE)
  );
</script>

<div class="print-only" data-testid="period-sheets">
  {#each sheets as from (from)}
    <table class="grid-table" style:break-after="page">
      <thead>
        <tr>
          <th>Balance at the end of</th>
          {#each periods.slice(from, from + SIDE_BY_SIDE) as period (period.start)}
            <th class="num">{date(period.start, today)}</th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each rows as row (row.key)}
          <tr>
            <td
              >{#if isMain(row)}<b>{row.point.item}</b>
                {row.point.itemName} <small>{row.point.site}</small>{:else}{NAMES[row.kind]}{/if}</td
            >
            {#each row.cells.slice(from, from + SIDE_BY_SIDE) as value, c (c)}
              {@const mark = row.kind === 'BALANCE' ? row.point.marks[from + c] : '.'}
              <td class="num"
                >{#if row.kind === 'BALANCE' && row.point.late[from + c] === 'l'}<small class="pr-1"
                    >late</small
                  >
                {/if}{#if mark === 'z'}<b>{quantity(value)}</b>{:else if mark === 's'}<u>{quantity(value)}</u
                  >{:else}{quantity(value)}{/if}</td
              >
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/each}
  <p>
    <b>bold</b>: below zero; <u>underlined</u>: below safety stock; <small>late</small>: supplies come later
  </p>
</div>
