<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import { date, dayNumber, isoDay, money } from '$lib/format';
  import { steps } from '$lib/plan/stock-line';
  import { mondays, plane } from '$lib/ui/axis';

  /** The value of the stock at the end of each week: the live plan dotted, the what-if in ink. */
  interface Props {
    rows: Schemas['StockRow'][];
    today: string;
    currency: string;
  }
  let { rows, today, currency }: Props = $props();
  const HEIGHT = 190;
  const WEEK = 7;
  let width = $state(640);

  const frame = $derived({ left: 72, right: width - 8, top: 6, bottom: HEIGHT - 22 });
  const from = $derived(dayNumber(rows[0]?.week ?? today) - WEEK + 1);
  const to = $derived(dayNumber(rows.at(-1)?.week ?? today) + 1);
  const s = $derived(
    plane(
      frame,
      from,
      to,
      rows.flatMap((r) => [r.live, r.other])
    )
  );
  /** A week's value is drawn over its days. */
  const line = $derived((value: (row: Schemas['StockRow']) => number) =>
    steps(
      rows.map((r) => ({ date: isoDay(dayNumber(r.week) - WEEK + 1), balance: value(r) })),
      s
    )
  );
</script>

<figure>
  <figcaption class="title mb-1 text-[13px]">
    Value of the stock <span class="font-normal text-ink-2">this what-if in ink, live dotted, by weeks</span>
  </figcaption>
  <div bind:clientWidth={width} style:height="{HEIGHT}px">
    <svg
      {width}
      height={HEIGHT}
      role="img"
      aria-label="Value of the stock week by week; the table beside says the same at three moments"
    >
      {#each mondays(s) as day (day)}
        <line x1={s.x(day)} x2={s.x(day)} y1={frame.top} y2={frame.bottom} stroke="var(--line)" />
        <text x={s.x(day) + 2} y={HEIGHT - 7}>{date(isoDay(day), today)}</text>
      {/each}
      {#each s.rounds as value (value)}
        <line
          x1={frame.left}
          x2={frame.right}
          y1={s.y(value)}
          y2={s.y(value)}
          stroke={value === 0 ? 'var(--ink)' : 'var(--line)'}
          stroke-width={value === 0 ? 0.8 : 1}
        />
        <text x={frame.left - 5} y={s.y(value) + 4} text-anchor="end"
          >{money(value, currency).replace(/[.,]00$/, '')}</text
        >
      {/each}
      <path
        d={line((r) => r.live)}
        fill="none"
        stroke="var(--ink-3)"
        stroke-width="1.2"
        stroke-dasharray="4 3"
      />
      <path d={line((r) => r.other)} fill="none" stroke="var(--ink)" stroke-width="2" />
    </svg>
  </div>
</figure>

<style>
  svg {
    display: block;
  }
  text {
    font-size: 11px;
    fill: var(--ink-3);
  }
</style>
