<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answer, api } from '$lib/api/client';
  import { count, isoDay, dayNumber, longDate } from '$lib/format';
  import { tableRows } from '$lib/queries';
  import { DataDraft } from './data-draft.svelte';
  import type { TableScreen } from './table-screen.svelte';
  import type { Cells } from './tables';

  /** A year of a calendar: which days work; a press turns a day into the other. Holidays come from an iCalendar file. */
  let { screen, row }: { screen: TableScreen; row: Cells } = $props();
  const code = $derived(row['code'] ?? '');
  const draft = $derived(screen.draft);
  const table = $derived(screen.view('calendar_exceptions'));
  const rows = createQuery(() =>
    tableRows({ table: 'calendar_exceptions', column: 'calendar', value: [code] })
  );
  /** The year that somebody went to; at first the present one. */
  let chosen = $state<number | undefined>();
  const year = $derived(chosen ?? Number(screen.today.slice(0, 4)));
  let said = $state<string | undefined>();
  const WEEK = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
  const MONTHS = [
    'January',
    'February',
    'March',
    'April',
    'May',
    'June',
    'July',
    'August',
    'September',
    'October',
    'November',
    'December'
  ];
  const kept = $derived(new Map((rows.data?.rows ?? []).map((r) => [r['date'] ?? '', r as Cells])));
  const pendingWeek = $derived(screen.table ? draft.of('calendars', { code })?.fields : undefined);

  /** Whether the weekday of a day works by itself. */
  function ordinary(day: number): boolean {
    const name = WEEK[(((day + 3) % 7) + 7) % 7] ?? 'mon';
    const value = pendingWeek?.[name] ?? row[name] ?? '';
    return value === '' ? name !== 'sat' && name !== 'sun' : value === 'true';
  }

  const fresh = $derived(
    new Map(
      draft
        .fresh('calendar_exceptions', { calendar: code })
        .map(([id, r]) => [r.fields['date'] ?? '', { id, r }])
    )
  );

  interface DayView {
    iso: string;
    works: boolean;
    except: boolean;
    changed: boolean;
  }

  function view(day: number): DayView {
    const iso = isoDay(day);
    const exception = kept.get(iso);
    const pending = exception ? draft.of('calendar_exceptions', { calendar: code, date: iso }) : undefined;
    const added = fresh.get(iso);
    const holds = added
      ? added.r.fields['working']
      : pending?.gone
        ? undefined
        : (pending?.fields['working'] ?? exception?.['working']);
    const usual = ordinary(day);
    const works = holds === undefined ? usual : holds === 'true';
    return {
      iso,
      works,
      except: works !== usual,
      changed: added !== undefined || pending !== undefined
    };
  }

  const months = $derived(
    MONTHS.map((name, m) => {
      const first = dayNumber(`${year}-${String(m + 1).padStart(2, '0')}-01`);
      const next = dayNumber(m === 11 ? `${year + 1}-01-01` : `${year}-${String(m + 2).padStart(2, '0')}-01`);
      const days = Array.from({ length: next - first }, (_, i) => view(first + i));
      return { name, blank: (((first + 3) % 7) + 7) % 7, days };
    })
  );
  const working = $derived(months.reduce((sum, m) => sum + m.days.filter((d) => d.works).length, 0));

  function turn(day: DayView) {
    if (!table || !screen.may('calendar_exceptions')) return;
    const added = fresh.get(day.iso);
    const exception = kept.get(day.iso);
    if (added) draft.drop(added.id);
    else if (exception) draft.toggleGone(table, exception);
    else draft.add(table, { calendar: code, date: day.iso, working: String(!day.works) });
  }

  async function holidays(file: File | undefined) {
    if (!file || !table) return;
    said = undefined;
    try {
      const days = await answer(
        api.POST('/api/data/holidays', {
          params: { query: { year } },
          body: await file.text(),
          bodySerializer: (body: unknown) => String(body),
          headers: { 'Content-Type': 'text/calendar' }
        })
      );
      const come = days.filter((d) => !kept.has(d.date) && !fresh.has(d.date) && ordinary(dayNumber(d.date)));
      for (const day of come) draft.add(table, { calendar: code, date: day.date, working: 'false' });
      said =
        days.length === 0
          ? `The file has no days in ${year}.`
          : `${count(come.length, 'day')} off: ${come
              .slice(0, 6)
              .map((d) => `${longDate(d.date)} ${d.name}`)
              .join(', ')}${come.length > 6 ? ' …' : ''}`;
    } catch (e) {
      said = (e as Error).message;
    }
  }

  function move(event: KeyboardEvent) {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 7, ArrowUp: -7 }[event.key];
    const from = (event.target as HTMLElement).dataset['day'];
    if (!step || !from) return;
    event.preventDefault();
    event.stopPropagation();
    document.querySelector<HTMLElement>(`[data-day="${isoDay(dayNumber(from) + step)}"]`)?.focus();
  }
</script>

<h3 class="section mt-5 flex items-baseline gap-3">
  <button
    type="button"
    class="link font-normal"
    aria-label="The year before"
    onclick={() => (chosen = year - 1)}>←</button
  >
  {year}
  <button
    type="button"
    class="link font-normal"
    aria-label="The next year"
    onclick={() => (chosen = year + 1)}>→</button
  >
  <span class="font-normal text-ink-3">{count(working, 'working day')}</span>
  {#if screen.may('calendar_exceptions')}
    <label class="link ml-auto cursor-pointer font-normal"
      >Holidays from a file<input
        class="sr-only"
        type="file"
        accept=".ics,text/calendar"
        onchange={(e) => {
          void holidays(e.currentTarget.files?.[0]);
          e.currentTarget.value = '';
        }}
      /></label
    >
  {/if}
</h3>
{#if said}<p class="mt-1 border-l-4 border-marigold bg-slip px-3 py-1" role="status">{said}</p>{/if}
<!-- svelte-ignore a11y_no_static_element_interactions -->
<div class="year" data-testid="year" onkeydown={move}>
  {#each months as month (month.name)}
    <section aria-label="{month.name} {year}">
      <h4>{month.name}</h4>
      <div class="month">
        {#each [...Array(month.blank).keys()] as i (i)}<span></span>{/each}
        {#each month.days as day, i (day.iso)}
          <button
            type="button"
            class="day"
            class:off={!day.works}
            class:except={day.except}
            class:changed={day.changed}
            class:today={day.iso === screen.today}
            data-day={day.iso}
            tabindex={month.name === 'January' && i === 0 ? 0 : -1}
            aria-label="{longDate(day.iso)}: {day.works ? 'works' : 'off'}{day.except
              ? ', an exception'
              : ''}"
            onclick={() => turn(day)}>{i + 1}</button
          >
        {/each}
      </div>
    </section>
  {/each}
</div>
{#each [...fresh.values()].filter((f) => draft.faultOf(f.id, 'date')) as bad (bad.id)}
  <p class="text-vermilion" role="alert">{draft.faultOf(bad.id, 'date')}</p>
{/each}
<p class="mt-2 text-sm text-ink-2">
  Days on a tile work, the others do not; a ring marks what is otherwise than its weekday. Press a day to turn
  it.
  {#if Object.keys(draft.rows).some((id) => id === DataDraft.id('calendars', { code }))}The weekdays are
    changed too.{/if}
</p>

<style>
  .year {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(158px, 1fr));
    gap: 10px 18px;
    margin-top: 8px;
  }
  h4 {
    color: var(--ink-2);
    font-size: 11.5px;
  }
  .month {
    display: grid;
    grid-template-columns: repeat(7, 1fr);
    gap: 1px;
  }
  .day {
    height: 20px;
    border-radius: var(--radius);
    background: var(--slip);
    font-size: 11px;
    font-weight: 600;
  }
  /* tiles work; where there is none, nobody does */
  .off {
    background: none;
    color: var(--ink-3);
    font-weight: 400;
  }
  .except {
    box-shadow: inset 0 0 0 1.5px var(--ink-2);
  }
  .changed {
    background: var(--marigold-tint);
    box-shadow: inset 0 0 0 1.5px var(--marigold);
  }
  .today {
    font-weight: 700;
    text-decoration: underline;
  }
</style>
