<script lang="ts">
  import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answer, api } from '$lib/api/client';
  import { Once } from '$lib/once';
  import { count, momentAt, money, quantity } from '$lib/format';
  import { forecastRuns, runChanges } from '$lib/queries';
  import { rights } from '$lib/rights.svelte';
  import Key from '$lib/ui/Key.svelte';
  import type { ForecastScreen } from './forecast-screen.svelte';
  import { signed } from './series';

  /** All series forecast in the background: begun, watched, ended, and what would change. */
  let { screen }: { screen: ForecastScreen } = $props();
  const client = useQueryClient();
  const runs = createQuery(forecastRuns);
  const last = $derived(runs.data?.runs[0]);
  const underWay = $derived(last?.state === 'waiting' || last?.state === 'running');
  const changes = createQuery(() => ({ ...runChanges(last?.id ?? 0), enabled: last?.state === 'done' }));
  const again = () => client.invalidateQueries({ queryKey: ['plan', 'forecast-runs'] });
  const beginning = createMutation(() => ({
    mutationFn: () => answer(api.POST('/api/forecast-runs')),
    onSettled: again
  }));
  const ending = createMutation(() => ({
    mutationFn: (id: number) => answer(api.POST('/api/forecast-runs/{id}/end', { params: { path: { id } } })),
    onSettled: again
  }));
  const once = new Once();
  const scheduling = createMutation(() => ({
    mutationFn: (schedule: string) => {
      const of = { table: 'settings', key: { key: 'forecast_run' } };
      const row = schedule ? { ...of, fields: { value: schedule } } : { ...of, gone: true };
      const body = { kind: 'DATA' as const, rows: [row] };
      return once.send(body, (header) => answer(api.POST('/api/decisions', { params: { header }, body })));
    },
    onSuccess: (decision) => {
      screen.last.keep(decision);
      return client.invalidateQueries({ queryKey: ['plan'] });
    }
  }));
  // what was chosen stands there until it is kept: taken back before the list came anew, it goes back too
  const schedule = $derived(scheduling.isPending ? scheduling.variables : (runs.data?.schedule ?? ''));
  const STATES: Record<string, string> = {
    waiting: 'begins',
    running: 'is under way',
    done: 'is done',
    cancelled: 'was ended; nothing of it was kept',
    failed: 'failed'
  };
  const failure = $derived(beginning.error ?? ending.error ?? scheduling.error);
  const rows = $derived(changes.data?.rows ?? []);
</script>

<article class="px-5 pt-3 pb-6" aria-label="All series in the background">
  <h2 class="text-xl">All series in the background</h2>
  <p class="mt-2 flex flex-wrap items-center gap-3">
    <button
      type="button"
      class="main-action"
      disabled={underWay || beginning.isPending || !rights.may.forecastSets}
      onclick={() => beginning.mutate()}>Forecast all</button
    >
    <label
      >by itself <select
        class="field"
        disabled={!rights.may.forecastSets || scheduling.isPending}
        value={schedule}
        onchange={(e) => scheduling.mutate(e.currentTarget.value)}
      >
        <option value="">never</option>
        <option value="daily">every day</option>
        <option value="weekly">every Monday</option>
        <option value="monthly">on the first of the month</option>
      </select></label
    >
  </p>
  {#if failure}<p class="mt-2 text-vermilion" role="alert">{failure.message}</p>{/if}
  {#if last}
    <p class="mt-3" data-testid="run">
      What {last.begunBy} began {momentAt(last.begunAt, screen.today)}
      {STATES[last.state]}{#if last.failure}: {last.failure}{/if}.
      {#if underWay}
        <progress max={Math.max(1, last.total)} value={last.done} aria-label="Series forecast"></progress>
        {quantity(last.done)} of {quantity(last.total)}
        <button
          type="button"
          class="plain-action"
          disabled={last.ending || ending.isPending}
          onclick={() => ending.mutate(last.id)}>{last.ending ? 'Ending …' : 'End it'}</button
        >
      {/if}
    </p>
  {:else if runs.data}
    <p class="mt-3 text-ink-2">
      No run yet: it forecasts all series and says which come to something else than is kept.
    </p>
  {/if}
  {#if last?.state === 'done' && changes.data}
    <p class="mt-1">
      {count(changes.data.total, 'series comes', 'series come')} to something else than {last.set ??
        'is kept'} says.
      {#if changes.data.total > 0}
        <button type="button" class="plain-action" onclick={() => screen.keepSeries(rows.map((r) => r.key))}
          >Keep {rows.length < changes.data.total ? `the first ${rows.length}` : 'all of them'}</button
        >
      {/if}
    </p>
    <table class="grid-table mt-2 w-full" data-testid="changes">
      <thead
        ><tr
          ><th class="text-left">Item and site</th><th class="text-right">Kept</th><th class="text-right"
            >Forecast</th
          ><th class="text-right">In money</th><th class="text-left">Why</th></tr
        ></thead
      >
      <tbody>
        {#each rows as row (row.key)}
          <tr>
            <td
              ><button type="button" class="link" onclick={() => screen.openOne(row.key)}>{row.item}</button>
              <small class="text-ink-3">{row.siteName}</small></td
            >
            <td class="text-right"
              >{row.kept === null || row.kept === undefined ? '–' : quantity(row.kept)}</td
            >
            <td class="text-right">{quantity(row.forecast)} <small>{row.unit}</small></td>
            <td class="text-right"
              >{row.money === null || row.money === undefined
                ? '–'
                : signed(row.money, (n) => money(n, screen.currency))}</td
            >
            <td class="text-ink-2">{row.why}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <p class="no-print mt-4">
    <button type="button" class="plain-action" onclick={() => screen.beside('runs')}
      >Back <Key name="Esc" /></button
    >
  </p>
</article>
