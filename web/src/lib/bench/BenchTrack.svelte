<script lang="ts">
  import { count, date, longDate, quantity } from '$lib/format';
  import type { BenchScreen } from './bench-screen.svelte';
  import { hours, tickOf, widthOf, type Bench, type Job } from './cards';

  /** One work center: its orders as cards in their sequence, as wide as their work is long. */
  let { screen, bench }: { screen: BenchScreen; bench: Bench } = $props();
  const MOST_TICKS = 14;
  let over = $state<number | undefined>();

  /** A day stands above the first card that begins on it. */
  const flag = (i: number) =>
    bench.jobs[i]?.begins && bench.jobs[i]?.begins !== bench.jobs[i - 1]?.begins
      ? bench.jobs[i]?.begins
      : undefined;

  function reason(job: Job): string {
    if (job.state === 'runs') return 'runs';
    if (job.state === 'can_start') return 'can start';
    return job.until
      ? `until ${date(job.until, screen.today)}: ${job.waitsFor}`
      : `nobody knows when: ${job.waitsFor}`;
  }

  function drop(e: DragEvent, i: number) {
    e.preventDefault();
    over = undefined;
    const key = screen.dragged;
    screen.dragged = undefined;
    if (key && bench.jobs.some((j) => j.key === key)) void screen.move(key, i);
  }
</script>

<section class="bench" aria-label={bench.name}>
  <header>
    <h2 title={bench.code ?? ''}>{bench.name}</h2>
    <p>{bench.minutes ? `${hours(bench.minutes)}, ` : ''}{count(bench.total, 'order')}</p>
    {#if bench.total > bench.jobs.length && bench.code}<button
        type="button"
        class="link"
        onclick={() => screen.filter('center', bench.code ?? undefined)}>all of them</button
      >{/if}
  </header>
  <ol>
    {#each bench.jobs as job, i (job.key)}
      <li
        class:over={over === i && screen.dragged !== undefined}
        ondragover={(e) => {
          if (!screen.dragged) return;
          e.preventDefault();
          over = i;
        }}
        ondragleave={() => (over = undefined)}
        ondrop={(e) => drop(e, i)}
      >
        <span class="flag"
          >{#if flag(i)}{date(flag(i) ?? '', screen.today)}{/if}</span
        >
        <button
          type="button"
          class="card {job.state}"
          class:late={job.late}
          class:here={screen.opened === job.key}
          style:width="{widthOf(job)}px"
          draggable="true"
          aria-pressed={screen.opened === job.key}
          title="{job.number}: {quantity(job.open)} {job.unit} {job.itemName}, due {longDate(job.due)}"
          onclick={() => screen.open(job.key)}
          ondragstart={(e) => {
            screen.dragged = job.key;
            e.dataTransfer?.setData('text/plain', job.number);
          }}
          ondragend={() => (screen.dragged = undefined)}
        >
          <span class="top"><b>{job.number}</b> <span>{job.minutes ? hours(job.minutes) : ''}</span></span>
          <span class="what">{quantity(job.open)} {job.item}</span>
          <span
            class="ticks"
            aria-label="{job.parts.filter((p) => tickOf(p) === 'there').length} of {count(
              job.parts.length,
              'part'
            )} there"
          >
            {#each job.parts.slice(0, MOST_TICKS) as part (part.item)}<i
                class={tickOf(part)}
                title="{part.item}: {quantity(part.there)} of {quantity(
                  part.wanted
                )} {part.unit} there{tickOf(part) !== 'there'
                  ? part.comes
                    ? `, all of it ${date(part.comes, screen.today)}`
                    : ', nobody knows when'
                  : ''}"
              ></i>{/each}{#if job.parts.length > MOST_TICKS}…{/if}
          </span>
          <span class="why">{reason(job)}</span>
          <span class="due" class:text-vermilion={job.late}
            >due {date(job.due, screen.today)}{#if job.late && job.ends && job.ends > job.due}, done {date(
                job.ends,
                screen.today
              )}{/if}</span
          >
        </button>
      </li>
    {/each}
  </ol>
</section>

<style>
  .bench {
    display: grid;
    grid-template-columns: 116px minmax(0, 1fr);
    border-bottom: 1px solid var(--line);
  }
  header {
    padding: 16px 8px 8px 16px;
    font-size: 12px;
    color: var(--ink-2);
  }
  h2 {
    color: var(--ink);
    font-size: 13px;
    font-weight: 650;
  }
  ol {
    display: flex;
    overflow-x: auto;
    gap: 4px;
    padding: 2px 8px 8px 0;
  }
  li {
    flex: none;
    border-left: 3px solid transparent;
  }
  li.over {
    border-left-color: var(--marigold);
  }
  .flag {
    display: block;
    height: 15px;
    font-size: 11px;
    color: var(--ink-3);
  }
  .card {
    display: grid;
    gap: 1px;
    padding: 4px 7px;
    border: 1.5px solid var(--ink);
    border-radius: 2px;
    background: var(--sheet);
    font-size: 12px;
    line-height: 1.3;
    text-align: left;
    cursor: grab;
  }
  .card > span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .card.waits {
    border-style: dotted;
    color: var(--ink-2);
  }
  .card.runs {
    border-left-width: 7px;
  }
  .card.late {
    border-right: 6px solid transparent;
    border-image: none;
    background:
      repeating-linear-gradient(135deg, var(--vermilion) 0 2px, transparent 2px 5px) right / 5px 100%
        no-repeat,
      var(--sheet);
  }
  .card.here {
    background-color: var(--marigold-tint);
    outline: 2px solid var(--marigold);
    outline-offset: 1px;
  }
  .top {
    display: flex;
    justify-content: space-between;
    gap: 8px;
  }
  .ticks {
    display: flex;
    height: 11px;
    gap: 2px;
    align-items: center;
    color: var(--ink-3);
  }
  .ticks i {
    width: 8px;
    height: 8px;
    border: 1px solid var(--ink-2);
  }
  .ticks .there {
    background: var(--ink-2);
  }
  .ticks .some {
    background: linear-gradient(to top, var(--ink-2) 50%, transparent 50%);
  }
  .why {
    font-weight: 600;
  }
  .due {
    color: var(--ink-2);
    font-size: 11px;
  }
</style>
