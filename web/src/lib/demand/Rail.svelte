<script lang="ts">
  import { date, dayNumber, isoDay, longDate } from '$lib/format';
  import { days } from '$lib/ui/axis';
  import { marks, type OrderLine } from './demand';

  /** The dates of a customer order line from left to right; what is late hatched between the day planned and the real one. */
  interface Props {
    line: OrderLine;
    today: string;
    width: number;
    /** With names and dates under the marks. */
    large?: boolean;
    /** So many days from today on, the same down a list; what lies beyond stands at its edge. Else as many as it takes. */
    span?: number;
  }
  let { line, today, width, large = false, span }: Props = $props();
  const BEFORE = 10;
  const id = $props.id();
  const all = $derived(marks(line, today));
  const now = $derived(dayNumber(today));
  const axis = $derived.by(() => {
    if (span !== undefined) return days(now - BEFORE, now + span, 5, width - 5);
    const numbers = [now, ...all.map((m) => dayNumber(m.day))];
    const from = Math.min(...numbers);
    const to = Math.max(...numbers, from + 7);
    return days(from, to, large ? 44 : 5, width - (large ? 60 : 5));
  });
  const y = $derived(large ? 14 : 8);
  const height = $derived(large ? 62 : 16);
  const at = (iso: string) => axis.x(Math.max(axis.from, Math.min(axis.to, dayNumber(iso))));
  const end = $derived(line.possible && line.late ? line.possible : undefined);
  /** A name is written where it has room, above or below the other. */
  const rows = $derived.by(() => {
    const ends = [-Infinity, -Infinity];
    return all.map((mark) => {
      const x = at(mark.day);
      const row = x - (ends[0] ?? 0) > 78 ? 0 : x - (ends[1] ?? 0) > 78 ? 1 : -1;
      if (row >= 0) ends[row] = x;
      return { mark, x, row };
    });
  });
  const told = $derived(
    all.map((m) => `${m.name} ${date(m.day, today)}`).join(', ') + (line.never ? ', cannot be met' : '')
  );
</script>

{#if today && width > 0}<svg {width} {height} role="img" aria-label={told} data-testid="rail">
    <defs>
      <pattern
        id="late-{id}"
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="2" height="5" fill="var(--vermilion)" />
      </pattern>
    </defs>
    <line x1={axis.x(axis.from)} x2={axis.x(axis.to)} y1={y} y2={y} stroke="var(--ink-3)" stroke-width="1" />
    {#if end}
      <rect
        x={at(line.due)}
        width={Math.max(2, at(end) - at(line.due))}
        y={y - 3}
        height="6"
        fill="url(#late-{id})"
      />
    {/if}
    <line x1={axis.x(now)} x2={axis.x(now)} y1={y - 7} y2={y + 7} stroke="var(--marigold)" stroke-width="2">
      <title>today</title>
    </line>
    {#each rows as { mark, x, row }, i (i)}
      {#if mark.name === 'can go'}
        <path
          d="M{x - 5},{y - 5} l10,0 l-5,9 z"
          fill="var(--vermilion)"
          stroke="var(--sheet)"
          stroke-width="1"><title>{mark.name} {longDate(mark.day)}</title></path
        >
      {:else}
        <circle
          cx={x}
          cy={y}
          r={large ? 5 : 3.5}
          fill={mark.done ? 'var(--ink)' : 'var(--sheet)'}
          stroke={mark.name.includes('promised') ? 'var(--slate)' : 'var(--ink)'}
          stroke-width={mark.name.includes('promised') ? 2.5 : 1.3}
          ><title>{mark.name} {longDate(mark.day)}</title></circle
        >
      {/if}
      {#if large && row >= 0}
        <text {x} y={y + 17 + row * 15} text-anchor="middle" class="says"
          >{mark.name} <tspan font-weight="700">{date(mark.day, today)}</tspan></text
        >
      {/if}
    {/each}
    {#if large && all.every((m) => Math.abs(axis.x(dayNumber(m.day)) - axis.x(now)) > 60)}
      <text x={axis.x(now)} y={y + 17} text-anchor="middle" class="says"
        >{isoDay(now) === today ? 'today' : ''}</text
      >
    {/if}
  </svg>{/if}

<style>
  .says {
    font-size: 11px;
    fill: var(--ink-2);
  }
</style>
