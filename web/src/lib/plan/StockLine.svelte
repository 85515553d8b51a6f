<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Schemas } from '$lib/api/client';
  import { date, dayNumber, isoDay, longDate, quantity } from '$lib/format';
  import { hrefOf } from '$lib/links';
  import { mondays, plane } from '$lib/ui/axis';
  import { levelOn, lineBoxes, placeLabels, shortages, steps, textWidth, type Label } from './stock-line';

  interface Props {
    point: Schemas['StockPointView'];
    /** The line as it was before a change, drawn behind. */
    before?: Schemas['Level'][];
    /** The planned order in view, to be marked. */
    selected?: string;
    onask: (date: string) => void;
    /** An order was dragged along the line to another due date. */
    onmove?: (key: string, due: string) => void;
  }
  let { point, before, selected, onask, onmove }: Props = $props();
  /** The order that is dragged, and by how many days. */
  let drag = $state.raw<{ key: string; from: number; days: number } | undefined>();
  let dragged = false;

  let width = $state(640);
  const height = 226;
  const frame = $derived({ left: 44, right: width - 8, top: 6, bottom: height - 22 });
  const from = $derived(dayNumber(point.today));
  const chosen = $derived(point.events.find((e) => selected !== undefined && e.link.key === selected));
  const to = $derived.by(() => {
    const wanted = [from + 63, dayNumber(point.earliest) + 21];
    if (chosen) wanted.push(dayNumber(chosen.date) + 28);
    return Math.min(dayNumber(point.horizonEnd), Math.max(...wanted));
  });
  const seen = $derived((levels: Schemas['Level'][]) =>
    levels.filter((l) => dayNumber(l.date) <= to).map((l) => l.balance)
  );
  const s = $derived(
    plane(frame, from, to, [
      ...seen(point.line),
      ...seen(point.without),
      ...seen(before ?? []),
      point.safetyStock
    ])
  );
  const events = $derived(point.events.filter((e) => dayNumber(e.date) <= to));
  const leadEnd = $derived(Math.min(s.x(dayNumber(point.earliest)), frame.right));

  function markY(event: Schemas['Event']): number {
    const day = dayNumber(event.date);
    return s.y(levelOn(point.line, day)) + (event.supply ? -9 : 10);
  }

  /** The words in the shaded days, at the foot where the line leaves room. */
  const note = $derived.by(() => {
    const room = leadEnd - frame.left - 8;
    const long = `inside lead time, ${point.leadTimeDays} working days`;
    const text = textWidth(long) < room ? long : 'inside lead time';
    if (textWidth(text) > room) return undefined;
    const inTheWay = (at: number) =>
      events.some((e) => {
        const x = s.x(dayNumber(e.date));
        return x < frame.left + textWidth(text) + 14 && Math.abs(markY(e) - at + 4) < 14;
      });
    const y = [frame.bottom - 6, frame.top + 12].find(
      (at) => !inTheWay(at) && (at < s.y(0) || frame.bottom - s.y(0) > 26)
    );
    if (y === undefined) return undefined;
    return {
      text,
      y,
      box: { left: frame.left, right: frame.left + textWidth(text) + 8, top: y - 11, bottom: y + 2 }
    };
  });

  const labels = $derived.by(() => {
    const all: Label[] = [];
    for (const event of events) {
      const mine = event === chosen;
      all.push({
        x: s.x(dayNumber(event.date)),
        y: markY(event),
        text:
          event.stage === 'planned'
            ? `${quantity(event.quantity)} planned`
            : `${event.text.replace(/^new \d+$/, 'new')} · ${quantity(event.quantity)}`,
        short: quantity(event.quantity),
        weight: (mine ? 1000 : event.supply ? 100 : 10) - (dayNumber(event.date) - from) / 1000
      });
    }
    const axis = { left: frame.left, right: frame.right, top: s.y(0) - 2, bottom: s.y(0) + 2 };
    const taken = [axis, ...lineBoxes(point.line, s), ...lineBoxes(point.without, s)];
    return placeLabels(all, frame, note ? [note.box, ...taken] : taken);
  });

  function grab(event: PointerEvent, key: string | null | undefined) {
    if (!onmove || !key || event.button !== 0) return;
    event.preventDefault();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    drag = { key, from: event.clientX, days: 0 };
  }

  function drop(event: Schemas['Event']) {
    const done = drag;
    drag = undefined;
    dragged = done !== undefined && done.days !== 0;
    if (done && dragged) onmove?.(done.key, isoDay(Math.max(from, dayNumber(event.date) + done.days)));
  }

  function ask(event: MouseEvent) {
    const box = (event.currentTarget as SVGElement).getBoundingClientRect();
    onask(isoDay(s.dayAt(frame.left + event.clientX - box.left)));
  }
</script>

<div bind:clientWidth={width} class="w-full">
  <svg {width} {height} role="group" aria-label="Stock line of {point.item}, {point.siteName}">
    <defs>
      <pattern id="short" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--vermilion)" stroke-width="1.1" opacity="0.55" />
      </pattern>
    </defs>
    {#if leadEnd > frame.left}
      <rect
        x={frame.left}
        y={frame.top}
        width={leadEnd - frame.left}
        height={frame.bottom - frame.top}
        fill="var(--line-2)"
      />
    {/if}
    {#each mondays(s) as tick (tick)}
      <line x1={s.x(tick)} x2={s.x(tick)} y1={frame.top} y2={frame.bottom} stroke="var(--line)" />
      <text x={s.x(tick) + 2} y={height - 7} class="axis">{date(isoDay(tick))}</text>
    {/each}
    {#each s.rounds as q (q)}
      <text x={frame.left - 5} y={s.y(q) + 4} class="axis" text-anchor="end">{quantity(q)}</text>
    {/each}
    {#if point.safetyStock > 0}
      <rect
        x={frame.left}
        y={s.y(point.safetyStock)}
        width={frame.right - frame.left}
        height={s.y(0) - s.y(point.safetyStock)}
        fill="var(--marigold)"
        opacity="0.18"
      />
      <text x={frame.right - 4} y={s.y(0) - 4} class="note" text-anchor="end"
        >safety stock {quantity(point.safetyStock)}</text
      >
    {/if}
    <path d={shortages(point.without, s)} fill="url(#short)" />
    <path d={shortages(point.line, s)} fill="url(#short)" />
    <line x1={frame.left} x2={frame.right} y1={s.y(0)} y2={s.y(0)} stroke="var(--ink)" stroke-width="0.8" />
    <path
      d={steps(point.without, s)}
      fill="none"
      stroke="var(--vermilion)"
      stroke-width="1.4"
      stroke-dasharray="1.5 3"
    />
    {#if before}
      <path d={steps(before, s)} fill="none" stroke="var(--ink-3)" stroke-width="3" opacity="0.45" />
    {/if}
    <path d={steps(point.line, s)} fill="none" stroke="var(--ink)" stroke-width="1.7" />
    {#if note}
      <text x={frame.left + 5} y={note.y} class="note">{note.text}</text>
    {/if}
    <!-- a click anywhere asks why the balance of that day is what it is; the keyboard does it with w -->
    <rect
      x={frame.left}
      y={frame.top}
      width={Math.max(0, frame.right - frame.left)}
      height={frame.bottom - frame.top}
      fill="transparent"
      role="presentation"
      onclick={ask}
    />
    {#each events as event, i (i)}
      {@const moved = drag !== undefined && drag.key === event.link.key ? drag.days : 0}
      {@const x = s.x(dayNumber(event.date) + moved)}
      {@const y = markY(event)}
      {@const key = event.supply && event.stage === 'planned' ? event.link.key : undefined}
      <a
        href={hrefOf(event.link)}
        draggable="false"
        style:cursor={key && onmove ? 'ew-resize' : undefined}
        style:touch-action={key && onmove ? 'none' : undefined}
        onpointerdown={(e) => grab(e, key)}
        onpointermove={(e) =>
          drag && (drag = { ...drag, days: Math.round((e.clientX - drag.from) / s.perDay) })}
        onpointerup={() => drop(event)}
        onpointercancel={() => (drag = undefined)}
        onclick={(e) => {
          e.preventDefault();
          if (dragged) {
            dragged = false;
            return;
          }
          goto(hrefOf(event.link), { keepFocus: true, noScroll: true });
        }}
        aria-label="{event.text}, {quantity(event.quantity, false)} {point.unit}, {longDate(event.date)}"
        tabindex="-1"
      >
        <title>{event.text}, {quantity(event.quantity)} {point.unit}, {longDate(event.date)}</title>
        {#if event.supply}
          <rect
            x={x - 4.5}
            y={y - 4.5}
            width="9"
            height="9"
            fill={event.stage === 'released'
              ? 'var(--ink)'
              : event === chosen
                ? 'var(--marigold)'
                : 'var(--sheet)'}
            stroke="var(--ink)"
            stroke-width="1.4"
            stroke-dasharray={event.stage === 'planned' ? '2.5 1.8' : undefined}
          />
        {:else}
          <path d="M{x - 4.5} {y - 4}h9l-4.5 8z" fill="var(--slate)" />
        {/if}
      </a>
    {/each}
    {#if drag && drag.days !== 0}
      {@const event = events.find((e) => e.link.key === drag?.key)}
      {#if event}
        <text
          x={s.x(dayNumber(event.date) + drag.days)}
          y={frame.top + 10}
          class="mark strong"
          text-anchor="middle">{date(isoDay(dayNumber(event.date) + drag.days))}</text
        >
      {/if}
    {/if}
    {#each labels as label, i (i)}
      <text
        x={label.anchor === 'start' ? label.x + 8 : label.x - 8}
        y={label.y + 4}
        text-anchor={label.anchor}
        class={label.weight > 500 ? 'mark strong' : label.weight > 50 ? 'mark' : 'mark demand'}
        >{label.text}</text
      >
    {/each}
  </svg>
</div>

<style>
  svg {
    display: block;
  }
  text {
    font-size: 11px;
    fill: var(--ink);
    pointer-events: none;
  }
  .axis {
    fill: var(--ink-3);
  }
  .note {
    fill: var(--marigold-text);
  }
  .mark {
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 3px;
  }
  .strong {
    font-weight: 700;
  }
  .demand {
    fill: var(--slate);
  }
</style>
