<script lang="ts">
  import { date, dayNumber, isoDay } from '$lib/format';
  import { days, mondays } from '$lib/ui/axis';
  import { came, type DeliveredRow } from './deliveries';

  /** Each line on the day it was to come: on the line in time, above it late, below it early. */
  let { lines, today, span }: { lines: DeliveredRow[]; today: string; span: number } = $props();
  const WIDTH = 620;
  const HEIGHT = 96;
  const MIDDLE = 58;
  /** What lies further off stands at the edge. */
  const MOST = 21;
  const axis = $derived(days(dayNumber(today) - span, dayNumber(today), 8, WIDTH - 8));
  const rise = (late: number) => MIDDLE - (Math.max(-MOST / 2, Math.min(MOST, late)) / MOST) * (MIDDLE - 10);
  const drawn = $derived(
    lines.flatMap((l) => (l.by && l.turned ? [{ l, x: axis.x(dayNumber(l.by)), y: rise(l.days) }] : []))
  );
</script>

<svg
  viewBox="0 0 {WIDTH} {HEIGHT}"
  class="mt-3 w-full max-w-[760px]"
  role="img"
  aria-label="Lines on the day they were to come, how late or early"
  data-testid="days"
>
  <line x1="8" x2={WIDTH - 8} y1={MIDDLE} y2={MIDDLE} stroke="var(--ink-3)" />
  {#each mondays(axis).filter((m) => axis.x(m) > 30 && axis.x(m) < WIDTH - 30) as monday (monday)}
    <text x={axis.x(monday)} y={HEIGHT - 2} text-anchor="middle" class="day"
      >{date(isoDay(monday), today)}</text
    >
  {/each}
  <text x="8" y="9" class="day">late, up to {MOST} days</text>
  <text x="8" y={HEIGHT - 16} class="day">early</text>
  {#each drawn as { l, x, y } (l.key)}
    <g>
      <line x1={x} x2={x} y1={MIDDLE} y2={y} stroke={l.days > 0 ? 'var(--vermilion)' : 'var(--moss)'} />
      {#if l.turned === 'in_time'}
        <circle cx={x} cy={y} r="3" fill="var(--moss)" />
      {:else}
        <rect
          x={x - 3}
          y={y - 3}
          width="6"
          height="6"
          fill={l.turned === 'late' ? 'var(--vermilion)' : 'var(--paper)'}
          stroke="var(--vermilion)"
        />
      {/if}
      <title>{l.number} {l.line}, {l.item}: {came(l)}</title>
    </g>
  {/each}
</svg>

<style>
  .day {
    fill: var(--ink-2);
    font-size: 10px;
  }
</style>
