<script lang="ts">
  import { date, dayNumber, isoDay, money } from '$lib/format';
  import { mondays, plane } from '$lib/ui/axis';
  import type { WorthView } from './worth-screen.svelte';

  /** The value at the end of each day, as steps; the chosen day is marked. */
  let { view, today, currency }: { view: WorthView; today: string; currency: string } = $props();
  const WIDTH = 900;
  const HEIGHT = 150;
  const frame = { left: 70, right: WIDTH - 12, top: 8, bottom: HEIGHT - 22 };
  const axis = $derived(
    plane(
      frame,
      dayNumber(view.days[0]?.day ?? view.day),
      dayNumber(today || view.day),
      view.days.map((d) => d.value)
    )
  );
  const line = $derived(
    view.days
      .map((d, i) => {
        const x = axis.x(dayNumber(d.day)).toFixed(1);
        return i === 0 ? `M${x},${axis.y(d.value).toFixed(1)}` : `H${x} V${axis.y(d.value).toFixed(1)}`;
      })
      .join(' ')
  );
</script>

<svg
  viewBox="0 0 {WIDTH} {HEIGHT}"
  class="w-full max-w-[1000px]"
  role="img"
  aria-label="Value of the stock by day, now {money(view.now, currency)}"
  data-testid="worth-chart"
>
  {#each axis.rounds as amount (amount)}
    <line x1={frame.left} x2={frame.right} y1={axis.y(amount)} y2={axis.y(amount)} stroke="var(--line)" />
    <text x={frame.left - 6} y={axis.y(amount) + 3} text-anchor="end">{money(amount, currency)}</text>
  {/each}
  {#each mondays(axis).filter((m) => axis.x(m) > frame.left + 20 && axis.x(m) < frame.right - 20) as monday (monday)}
    <text x={axis.x(monday)} y={HEIGHT - 6} text-anchor="middle">{date(isoDay(monday), today)}</text>
  {/each}
  <path d={line} fill="none" stroke="var(--ink)" stroke-width="1.5" />
  <line
    x1={axis.x(dayNumber(view.day))}
    x2={axis.x(dayNumber(view.day))}
    y1={frame.top}
    y2={frame.bottom}
    stroke="var(--marigold)"
    stroke-width="2"
  />
</svg>

<style>
  text {
    fill: var(--ink-2);
    font-size: 10px;
  }
</style>
