<script lang="ts">
  import uPlot from 'uplot';
  import 'uplot/dist/uPlot.min.css';
  import type { Schemas } from '$lib/api/client';
  import { look } from '$lib/desk.svelte';
  import { date, money } from '$lib/format';

  /** The value of the stock at the end of each week: the live plan in grey, the what-if in ink. */
  interface Props {
    rows: Schemas['StockRow'][];
    today: string;
    currency: string;
  }
  let { rows, today, currency }: Props = $props();
  let box = $state<HTMLDivElement>();
  let width = $state(0);
  const HEIGHT = 190;

  $effect(() => {
    void look.theme;
    if (!box || width === 0) return;
    const style = getComputedStyle(box);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const stepped = uPlot.paths.stepped?.({ align: -1 });
    const axis = {
      stroke: colour('--ink-2'),
      grid: { stroke: colour('--line'), width: 1 },
      ticks: { show: false },
      font: '11px "Archivo Variable", sans-serif'
    };
    const chart = new uPlot(
      {
        width,
        height: HEIGHT,
        legend: { show: false },
        cursor: { show: false },
        scales: { x: { time: false }, y: { range: (_, __, max) => [0, max * 1.08 || 1] } },
        axes: [
          {
            ...axis,
            space: 70,
            values: (_, at) => at.map((i) => (rows[i] ? date(rows[i].week, today) : ''))
          },
          { ...axis, size: 74, values: (_, at) => at.map((v) => money(v, currency).replace(/\.00$/, '')) }
        ],
        series: [
          {},
          { stroke: colour('--ink-3'), width: 1, dash: [4, 3], paths: stepped, points: { show: false } },
          { stroke: colour('--ink'), width: 2, paths: stepped, points: { show: false } }
        ]
      },
      [rows.map((_, i) => i), rows.map((r) => r.live), rows.map((r) => r.other)],
      box
    );
    return () => chart.destroy();
  });
</script>

<figure>
  <figcaption class="title mb-1 text-[13px]">
    Value of the stock <span class="font-normal text-ink-2">this what-if in ink, live dotted, by weeks</span>
  </figcaption>
  <div
    bind:this={box}
    bind:clientWidth={width}
    style:height="{HEIGHT}px"
    role="img"
    aria-label="Value of the stock week by week; the table beside says the same at three moments"
  ></div>
</figure>
