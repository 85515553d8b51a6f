<script lang="ts">
  import { date, dayNumber, longDate, quantity } from '$lib/format';
  import { plane, type Plane } from '$lib/ui/axis';
  import type { HistoryPoint } from './history-point.svelte';
  import { aheadAt, type MovedCurves } from './moved-curves.svelte';
  import { drawn, nearest, path, shade, type SeriesView } from './series';

  /** One series as a picture: what was, what is expected with its intervals, and what the forecast set says of it. */
  interface Props {
    series: SeriesView;
    today: string;
    width: number;
    height?: number;
    /** The bucket that is worked at. */
    point?: HistoryPoint;
    /** What the curve is while a bucket is moved. */
    moving?: MovedCurves;
    /** An edge of the window is dragged to a bucket. */
    onedge?: (edge: 'from' | 'to', day: string) => void;
    /** A bucket to come is dragged by so much. */
    onahead?: (from: string, change: number) => void;
  }
  let { series, today, width, height = 300, point, moving, onedge, onahead }: Props = $props();
  const LEFT = 46;
  const TOP = 8;
  /** A point that is moved is where the pointer is, whatever has been answered. */
  const history = $derived(
    drawn(series).map((p) =>
      p.from === point?.from && point?.amount !== undefined
        ? { ...p, amount: point.amount, corrected: point.amount !== p.shipped }
        : p
    )
  );
  /** The bucket to come that is dragged, and where it is. */
  let lifted = $state.raw<{ from: string; amount: number } | undefined>();
  /** While a point is moved the axes stand still. */
  let held = $state.raw<Plane | undefined>();
  /** While a bucket is moved the curve does not wait for an answer. */
  const toCome = $derived.by(() => {
    const curves = held && point?.from !== undefined ? moving?.of(point.from) : undefined;
    return curves && point?.amount !== undefined ? aheadAt(series.ahead, curves, point.amount) : series.ahead;
  });
  const ahead = $derived(
    toCome.map((a) => ({
      ...a,
      day: dayNumber(a.from),
      expected: lifted?.from === a.from ? lifted.amount : a.expected
    }))
  );
  /** What was forecast earlier, from the last that was kept back. */
  const earlier = $derived(
    series.before
      .map((b) => ({
        made: b.made,
        points: [...series.history.map((w) => w.from), ...series.ahead.map((a) => a.from)]
          .filter((from) => from >= b.from)
          .slice(0, b.quantities.length)
          .map((from, i) => ({ day: dayNumber(from), amount: b.quantities[i] ?? 0 }))
          .filter((p) => p.day >= (history[0]?.day ?? 0))
      }))
      .filter((b) => b.points.length > 0)
  );
  /** What the method said of the end of the history, bucket by bucket, when it did not know it yet. */
  const fit = $derived(
    series.fit.flatMap((amount, i) => {
      const was = series.history[series.heldOut + i];
      return was && dayNumber(was.from) >= (history[0]?.day ?? 0)
        ? [{ day: dayNumber(was.from), amount }]
        : [];
    })
  );
  const windowFrom = $derived(series.windowFrom ? dayNumber(series.windowFrom) : undefined);
  const windowTo = $derived(series.windowTo ? dayNumber(series.windowTo) : undefined);
  let edge = $state.raw<'from' | 'to' | undefined>();
  const EDGE = 7;
  const kept = $derived(
    ahead.flatMap((a) => (a.kept === null || a.kept === undefined ? [] : [{ day: a.day, amount: a.kept }]))
  );
  const from = $derived(history[0]?.day ?? dayNumber(today));
  const to = $derived(ahead.at(-1)?.day ?? dayNumber(today));
  const fitting = $derived(
    plane({ left: LEFT, right: width - 10, top: TOP, bottom: height - 24 }, from, to, [
      ...history.map((p) => p.amount),
      ...ahead.map((a) => Math.min(a.high95, 2.5 * Math.max(1, ...history.map((p) => p.amount))))
    ])
  );
  const axis = $derived(held ?? fitting);
  const bottom = $derived(height - 24);

  /** The bucket of the history that begins nearest to a place. */
  function bucketAt(x: number): string | undefined {
    const day = axis.dayAt(x);
    return history.reduce<(typeof history)[number] | undefined>(
      (best, p) => (!best || Math.abs(p.day - day) < Math.abs(best.day - day) ? p : best),
      undefined
    )?.from;
  }

  function down(event: PointerEvent) {
    const place = { x: event.offsetX, y: event.offsetY };
    const target = event.currentTarget as Element;
    const byEdge = edges.find((e) => Math.abs(e.x - place.x) <= EDGE && place.y > bottom - 26);
    if (onedge && byEdge) {
      edge = byEdge.edge;
      held = axis;
      target.setPointerCapture(event.pointerId);
      return;
    }
    const lift = onahead
      ? nearest(
          ahead.map((a) => ({ ...a, amount: a.expected, shipped: 0, corrected: false, odd: false })),
          place,
          axis.x,
          axis.y
        )
      : undefined;
    const found = nearest(history, place, axis.x, axis.y);
    if (lift) {
      lifted = { from: lift.from, amount: lift.amount };
    } else if (found && point) {
      point.pick(found.from);
    } else return;
    if (found && !lift) moving?.near(found.from, axis.high);
    held = axis;
    target.setPointerCapture(event.pointerId);
  }

  function moved(event: PointerEvent) {
    // while something is moved its own strip says what it is
    at = held ? undefined : event.offsetX;
    if (!held) {
      const close = moving && nearest(history, { x: event.offsetX, y: event.offsetY }, axis.x, axis.y);
      if (close) moving?.near(close.from, axis.high);
      return;
    }
    const share = (bottom - event.offsetY) / (bottom - TOP);
    const amount = Math.max(0, held.low + share * (held.high - held.low));
    if (edge) {
      const day = bucketAt(event.offsetX);
      if (day) onedge?.(edge, day);
    } else if (lifted) lifted = { from: lifted.from, amount };
    else point?.move(amount);
  }

  function up() {
    if (lifted) {
      const { from, amount } = lifted;
      const was = series.ahead.find((a) => a.from === from);
      const change = was ? Math.round(amount - was.quantity) : 0;
      if (was && Math.abs(amount - was.expected) >= 1) onahead?.(from, change);
    }
    lifted = undefined;
    edge = undefined;
    held = undefined;
  }

  /** The edges of what is forecast from. */
  const edges = $derived.by(() => {
    if (!onedge || windowFrom === undefined || windowTo === undefined) return [];
    const last = history.at(-1);
    return [
      { edge: 'from' as const, x: axis.x(Math.max(windowFrom, history[0]?.day ?? windowFrom)), open: false },
      { edge: 'to' as const, x: axis.x(Math.min(windowTo, last?.day ?? windowTo)), open: false }
    ];
  });
  const clip = $props.id();
  /** The first days of years, or of months where the picture is short. */
  const marks = $derived.by(() => {
    const found: { day: number; text: string }[] = [];
    for (const p of [...history.map((h) => h.day), ...ahead.map((a) => a.day)]) {
      const iso = new Date(p * 86_400_000).toISOString().slice(0, 10);
      if (
        iso.slice(5, 7) === '01' &&
        Number(iso.slice(8)) <= 7 &&
        !found.some((f) => f.text === iso.slice(0, 4))
      )
        found.push({ day: p, text: iso.slice(0, 4) });
    }
    return found;
  });
  const days = $derived(ahead.map((a) => a.day));
  /** The bucket under the pointer. */
  let at = $state<number | undefined>();
  const here = $derived.by(() => {
    if (at === undefined) return undefined;
    const all = [
      ...series.history.map((w) => ({ from: w.from, quantity: w.counts, ahead: undefined })),
      ...series.ahead.map((a) => ({ from: a.from, quantity: a.expected, ahead: a }))
    ];
    const day = axis.dayAt(at);
    return all.reduce((best, one) =>
      Math.abs(dayNumber(one.from) - day) < Math.abs(dayNumber(best.from) - day) ? one : best
    );
  });
  const told = $derived(
    `${series.item} at ${series.siteName}: ${series.history.length} buckets of history, forecast by ${series.methodTitle}`
  );
</script>

<svg
  {width}
  {height}
  role="img"
  aria-label={told}
  data-testid="curve"
  onpointerdown={down}
  onpointermove={moved}
  onpointerup={up}
  onpointercancel={up}
  onpointerleave={() => (at = undefined)}
>
  <clipPath id={clip}><rect x={LEFT} y="0" width={Math.max(0, width - LEFT)} {height} /></clipPath>
  {#each axis.rounds as round (round)}
    <line x1={LEFT} x2={width - 10} y1={axis.y(round)} y2={axis.y(round)} stroke="var(--line-2)" />
    <text x={LEFT - 6} y={axis.y(round) + 4} text-anchor="end" class="note">{quantity(round)}</text>
  {/each}
  {#each marks as mark (mark.day)}
    <line x1={axis.x(mark.day)} x2={axis.x(mark.day)} y1="8" y2={bottom} stroke="var(--line)" />
    <text x={axis.x(mark.day) + 4} y={height - 8} class="note">{mark.text}</text>
  {/each}
  <g clip-path="url(#{clip})">
    <path
      d={shade(
        days,
        ahead.map((a) => a.low95),
        ahead.map((a) => a.high95),
        axis.x,
        axis.y
      )}
      fill="var(--slate)"
      opacity="0.12"
    />
    <path
      d={shade(
        days,
        ahead.map((a) => a.low80),
        ahead.map((a) => a.high80),
        axis.x,
        axis.y
      )}
      fill="var(--slate)"
      opacity="0.18"
    />
    {#if windowFrom !== undefined && windowTo !== undefined && edges.length > 0}
      <rect
        x={LEFT}
        y={TOP}
        width={Math.max(0, (edges[0]?.x ?? LEFT) - LEFT)}
        height={bottom - TOP}
        fill="var(--line-2)"
        opacity="0.8"
      />
      {#if windowTo < dayNumber(series.ahead[0]?.from ?? today)}
        <rect
          x={edges[1]?.x}
          y={TOP}
          width={Math.max(0, axis.x(dayNumber(today)) - (edges[1]?.x ?? 0))}
          height={bottom - TOP}
          fill="var(--line-2)"
          opacity="0.8"
        />
      {/if}
    {/if}
    {#if fit.length > 1}
      <path
        d={path(fit, axis.x, axis.y)}
        fill="none"
        stroke="var(--slate)"
        stroke-width="1"
        opacity="0.8"
        data-testid="fit"><title>what the method said one bucket before</title></path
      >
    {/if}
    {#each earlier as e, i (e.made)}
      <path
        d={path(e.points, axis.x, axis.y)}
        fill="none"
        stroke="var(--moss)"
        stroke-width={e.points.length > 1 ? 1 : 0}
        opacity={Math.max(0.25, 0.9 - i * 0.18)}><title>forecast on {longDate(e.made)}</title></path
      >
      {#if e.points.length === 1 && e.points[0]}
        <line
          x1={axis.x(e.points[0].day) - 5}
          x2={axis.x(e.points[0].day) + 5}
          y1={axis.y(e.points[0].amount)}
          y2={axis.y(e.points[0].amount)}
          stroke="var(--moss)"
          stroke-width="2"><title>forecast on {longDate(e.made)}</title></line
        >
      {/if}
    {/each}
    <path d={path(history, axis.x, axis.y)} fill="none" stroke="var(--ink)" stroke-width="1.4" />
    {#each history as p (p.day)}
      {#if p.corrected}
        <line
          x1={axis.x(p.day)}
          x2={axis.x(p.day)}
          y1={axis.y(p.shipped)}
          y2={axis.y(p.amount)}
          stroke="var(--ink-3)"
          stroke-dasharray="2 2"
        />
        <circle cx={axis.x(p.day)} cy={axis.y(p.shipped)} r="2.6" fill="var(--sheet)" stroke="var(--ink-3)" />
      {:else if p.odd}
        <circle cx={axis.x(p.day)} cy={axis.y(p.amount)} r="6" fill="none" stroke="var(--ink-2)" />
      {/if}
      <circle
        cx={axis.x(p.day)}
        cy={axis.y(p.amount)}
        r={p.from === point?.from ? 5 : 2.2}
        fill={p.from === point?.from ? 'var(--marigold)' : 'var(--ink)'}
        stroke={p.from === point?.from ? 'var(--ink)' : 'none'}
      />
    {/each}
    {#if kept.length > 0}
      <path
        d={path(kept, axis.x, axis.y)}
        fill="none"
        stroke="var(--ink-3)"
        stroke-width="1.4"
        stroke-dasharray="4 3"
      />
    {/if}
    <path
      d={path(
        [...history.slice(-1), ...ahead.map((a) => ({ day: a.day, amount: a.expected }))],
        axis.x,
        axis.y
      )}
      fill="none"
      stroke="var(--slate)"
      stroke-width="2"
    />
    {#if series.bottomUp.length > 0}
      <path
        d={path(
          ahead.map((a, i) => ({ day: a.day, amount: series.bottomUp[i] ?? 0 })),
          axis.x,
          axis.y
        )}
        fill="none"
        stroke="var(--ink)"
        stroke-width="1.2"
        stroke-dasharray="1 3"
      />
    {/if}
    {#each ahead as a (a.from)}
      {#if a.known}
        <line
          x1={axis.x(a.day)}
          x2={axis.x(a.day)}
          y1={axis.y(a.quantity)}
          y2={axis.y(a.expected)}
          stroke="var(--marigold)"
          stroke-width="3"
        />
      {/if}
      {#if onahead}
        <circle
          cx={axis.x(a.day)}
          cy={axis.y(a.expected)}
          r={lifted?.from === a.from ? 5 : 2.6}
          fill={lifted?.from === a.from || a.known ? 'var(--marigold)' : 'var(--slate)'}
        />
      {/if}
    {/each}
  </g>
  {#each edges as e (e.edge)}
    <g class="edge" data-edge={e.edge}>
      <line x1={e.x} x2={e.x} y1={TOP} y2={bottom} stroke="var(--ink-3)" stroke-dasharray="3 3" />
      <path
        d={e.edge === 'from'
          ? `M${e.x},${bottom} v-22 h9 l-4,11 4,11 z`
          : `M${e.x},${bottom} v-22 h-9 l4,11 -4,11 z`}
        fill="var(--sheet)"
        stroke="var(--ink-2)"
        ><title>{e.edge === 'from' ? 'the history counts from here' : 'the history counts to here'}</title
        ></path
      >
    </g>
  {/each}
  <line
    x1={axis.x(dayNumber(today))}
    x2={axis.x(dayNumber(today))}
    y1="4"
    y2={bottom}
    stroke="var(--marigold)"
    stroke-width="1.5"
  />
  {#if here}
    {@const x = axis.x(dayNumber(here.from))}
    <line x1={x} x2={x} y1="8" y2={bottom} stroke="var(--ink-3)" stroke-dasharray="2 3" />
    <text x={Math.min(x + 6, width - 190)} y="18" class="told"
      >{date(here.from, today)}: {quantity(here.quantity)}
      {series.unit}{#if here.ahead}, 80 % within {quantity(Math.round(here.ahead.low80))} – {quantity(
          Math.round(here.ahead.high80)
        )}{/if}</text
    >
    <title>{longDate(here.from)}</title>
  {/if}
</svg>

<style>
  .edge {
    cursor: ew-resize;
  }
  .note {
    fill: var(--ink-3);
    font-size: 11px;
  }
  .told {
    fill: var(--ink);
    font-size: 12px;
    font-weight: 600;
  }
</style>
