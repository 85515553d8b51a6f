<script lang="ts">
  import { date, quantity } from '$lib/format';
  import { demandHref, lotHref, orderHref } from '$lib/links';
  import { label, placed, type Placed, type Step } from './trace-picture';

  /** Where a lot came from, on the left, and where it went, on the right; the lot itself is the knot between them. */
  interface Props {
    name: string;
    back: Step[];
    forward: Step[];
    today: string;
  }
  let { name, back, forward, today }: Props = $props();
  const ROW = 34;
  const TOP = 20;
  const STEP = 26;
  const KNOT = 64;
  /** What a text takes at most. */
  const TEXT = 196;
  const left = $derived(placed(back));
  const right = $derived(placed(forward));
  const deepest = (steps: Placed[]) => Math.max(-1, ...steps.map((s) => s.depth));
  const side = (steps: Placed[]) => (steps.length === 0 ? 150 : (deepest(steps) + 1) * STEP + TEXT);
  const middle = $derived(side(left) + KNOT / 2);
  const width = $derived(side(left) + KNOT + side(right));
  const height = $derived(Math.max(1, left.length, right.length) * ROW + TOP);
  const y = (row: number) => (row < 0 ? TOP + 6 : TOP + row * ROW + 6);
  const x = (depth: number, way: number) => middle + way * (KNOT / 2 + depth * STEP + (depth < 0 ? STEP : 0));
  const href = (s: Step) => (s.document === 'customer_order' ? demandHref(s.number) : orderHref(s.number));
</script>

{#snippet branch(steps: Placed[], way: number)}
  {#each steps as p (p.row)}
    {@const from = steps[p.from]}
    {@const fromX = from ? x(from.depth, way) : middle}
    {@const at = x(p.depth, way)}
    <path class="vine" d="M{fromX},{y(p.from)} V{y(p.row)} H{at}" />
  {/each}
  {#each steps as p (p.row)}
    {@const s = p.step}
    {@const at = x(p.depth, way)}
    {@const tracked = s.lot ?? s.serial}
    {#if s.kind === 'shipment'}<rect x={at - 4} y={y(p.row) - 4} width="8" height="8" class="out" />
    {:else if s.kind === 'receipt'}<path d="M{at - 5},{y(p.row) - 5} h10 l-5,9 z" class="in" />
    {:else}<circle cx={at} cy={y(p.row)} r="4" class="knot" />{/if}
    <text x={at + way * 10} y={y(p.row) - 1} text-anchor={way < 0 ? 'end' : 'start'}>
      {#if tracked && s.kind !== 'shipment'}<a href={lotHref(s.item, s.lot, s.serial)} class="name"
          >{label(p)}</a
        >{:else}<tspan class="name">{label(p)}</tspan>{/if}
      <tspan class="small"> {quantity(s.quantity)} {s.unit}</tspan>
    </text>
    <text x={at + way * 10} y={y(p.row) + 11} text-anchor={way < 0 ? 'end' : 'start'} class="small"
      ><a href={href(s)}>{s.number}</a>{s.kind === 'receipt' && s.partner ? `, ${s.partner}` : ''}, {date(
        s.date,
        today
      )}</text
    >
  {/each}
{/snippet}

<div class="overflow-x-auto" data-testid="trace-picture">
  <svg {width} {height} role="group" aria-label="Where {name} came from and where it went">
    {#if left.length === 0}<text x={middle - KNOT / 2 - 8} y={TOP + 10} text-anchor="end" class="small"
        >here from the beginning</text
      >{/if}
    {#if right.length === 0}<text x={middle + KNOT / 2 + 8} y={TOP + 10} class="small">all of it is here</text
      >{/if}
    {@render branch(left, -1)}
    {@render branch(right, 1)}
    <circle cx={middle} cy={y(-1)} r="7" class="self" />
    <text x={middle} y="11" text-anchor="middle" class="name">{name}</text>
  </svg>
</div>

<style>
  svg {
    font-size: 12px;
  }
  .vine {
    fill: none;
    stroke: var(--ink-3);
  }
  .knot {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 1.5;
  }
  .self {
    fill: var(--marigold);
    stroke: var(--ink);
  }
  .in {
    fill: var(--moss);
  }
  .out {
    fill: var(--ink);
  }
  text {
    fill: var(--ink);
  }
  .name {
    font-weight: 600;
  }
  .small {
    fill: var(--ink-2);
    font-size: 11px;
  }
  a:hover {
    text-decoration: underline;
  }
</style>
