<script lang="ts">
  import { date, dayNumber, longDate, quantity } from '$lib/format';
  import { plane, type Plane } from '$lib/ui/axis';
  import type { HistoryPoint } from './history-point.svelte';
  import { drawn, nearest, path, shade, type SeriesView } from './series';

  /** One series as a picture: what was, what is expected with its intervals, and what the forecast set says of it. */
  interface Props {
    series: SeriesView;
    today: string;
    width: number;
    height?: number;
    /** The bucket that is worked at. */
    point?: HistoryPoint;
  }
  let { series, today, width, height = 300, point }: Props = $props();
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
  const ahead = $derived(series.ahead.map((a) => ({ ...a, day: dayNumber(a.from) })));
  const kept = $derived(
    ahead.flatMap((a) => (a.kept === null || a.kept === undefined ? [] : [{ day: a.day, amount: a.kept }]))
  );
  const from = $derived(history[0]?.day ?? dayNumber(today));
  const to = $derived(ahead.at(-1)?.day ?? dayNumber(today));
  /** While a point is moved the axes stand still. */
  let held = $state.raw<Plane | undefined>();
  const fitting = $derived(
    plane({ left: LEFT, right: width - 10, top: TOP, bottom: height - 24 }, from, to, [
      ...history.map((p) => p.amount),
      ...ahead.map((a) => Math.min(a.high95, 2.5 * Math.max(1, ...history.map((p) => p.amount))))
    ])
  );
  const axis = $derived(held ?? fitting);
  const bottom = $derived(height - 24);

  function down(event: PointerEvent) {
    const found = nearest(history, { x: event.offsetX, y: event.offsetY }, axis.x, axis.y);
    if (!found || !point) return;
    point.pick(found.from);
    held = axis;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }

  function moved(event: PointerEvent) {
    at = event.offsetX;
    if (!held || !point) return;
    const share = (bottom - event.offsetY) / (bottom - TOP);
    point.move(Math.max(0, held.low + share * (held.high - held.low)));
  }
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
      ...series.ahead.map((a) => ({ from: a.from, quantity: a.quantity, ahead: a }))
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
  onpointerup={() => (held = undefined)}
  onpointercancel={() => (held = undefined)}
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
        [...history.slice(-1), ...ahead.map((a) => ({ day: a.day, amount: a.quantity }))],
        axis.x,
        axis.y
      )}
      fill="none"
      stroke="var(--slate)"
      stroke-width="2"
    />
  </g>
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
