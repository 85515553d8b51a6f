<script lang="ts">
  import { date, dayNumber, quantity } from '$lib/format';
  import { days } from '$lib/ui/axis';
  import type { Answer } from './entry';

  /** Six weeks of one item: what is free as steps, the wanted day as a stroke, the promise as a flag, whom it would delay. */
  interface Props {
    answer: Answer;
    today: string;
    width: number;
  }
  let { answer, today, width }: Props = $props();
  const WEEKS = 42;
  const TOP = 9;
  const BOTTOM = 27;
  const now = $derived(dayNumber(today));
  const axis = $derived(days(now, now + WEEKS, 3, width - 6));
  const most = $derived(Math.max(answer.quantity ?? 0, ...answer.free.map((f) => f.quantity), 1));
  const y = (amount: number) => BOTTOM - (Math.min(amount, most) / most) * (BOTTOM - TOP);
  const place = (iso: string) => axis.x(Math.max(now, Math.min(now + WEEKS, dayNumber(iso))));
  const beyond = (iso: string) => dayNumber(iso) > now + WEEKS;

  const steps = $derived.by(() => {
    const all = answer.free;
    let path = `M${axis.x(now)},${BOTTOM}`;
    all.forEach((step, i) => {
      const from = place(step.day);
      const to = i + 1 < all.length ? place(all[i + 1]?.day ?? step.day) : axis.x(now + WEEKS);
      path += ` L${from},${y(step.quantity)} L${to},${y(step.quantity)}`;
    });
    return `${path} L${axis.x(now + WEEKS)},${BOTTOM} Z`;
  });
  const told = $derived(
    answer.promised
      ? `Promise ${date(answer.promised, today)}; ${quantity(answer.available ?? 0)} ${answer.unit ?? ''} on the wanted day`
      : 'No promise within the plan'
  );
</script>

<svg {width} height="34" role="img" aria-label={told} data-testid="strip">
  <line x1="3" x2={width - 6} y1={BOTTOM} y2={BOTTOM} stroke="var(--line)" />
  {#each [0, 7, 14, 21, 28, 35, 42] as week (week)}
    <line x1={axis.x(now + week)} x2={axis.x(now + week)} y1={BOTTOM} y2={BOTTOM + 3} stroke="var(--ink-3)" />
  {/each}
  <path d={steps} fill="var(--line)" stroke="var(--ink-2)" stroke-width="1" />
  {#each answer.delayed as late, i (i)}
    {#if late.before}
      <line
        x1={place(late.before)}
        x2={place(late.before)}
        y1={BOTTOM - 6}
        y2={BOTTOM + 5}
        stroke="var(--vermilion)"
        stroke-width="2"><title>{late.line.number ?? 'a line of this order'} would get later</title></line
      >
    {/if}
  {/each}
  {#if answer.day}
    <line
      x1={place(answer.day)}
      x2={place(answer.day)}
      y1="2"
      y2={BOTTOM + 4}
      stroke="var(--slate)"
      stroke-width="1.5"
    >
      <title>wanted {date(answer.day, today)}</title>
    </line>
    {#if !answer.asWanted && (answer.available ?? 0) > 0}
      <path d="M{place(answer.day)},2 h7 l-7,5 z" fill="var(--sheet)" stroke="var(--slate)">
        <title>{quantity(answer.available ?? 0)} {answer.unit} can go then</title>
      </path>
    {/if}
  {/if}
  {#if answer.promised}
    {@const x = place(answer.promised)}
    <line x1={x} x2={x} y1="1" y2={BOTTOM} stroke="var(--ink)" stroke-width="1.5" />
    <path
      d="M{x},1 h{x > width - 18 ? -10 : 10} l{x > width - 18 ? 3 : -3},4 l{x > width - 18 ? -3 : 3},4 H{x} z"
      fill="var(--marigold)"
      stroke="var(--ink)"
      stroke-width="0.8"
    >
      <title
        >promise {date(answer.promised, today)}{beyond(answer.promised) ? ', later than drawn' : ''}</title
      >
    </path>
  {/if}
</svg>
