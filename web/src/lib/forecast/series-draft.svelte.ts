import { createQuery, type CreateQueryResult } from '@tanstack/svelte-query';
import { forecastDraft } from '$lib/queries';
import type { ChoiceForm } from './choice-form.svelte';
import type { HistoryPoint } from './history-point.svelte';
import type { Method, SeriesView } from './series';

interface Of {
  key: () => string | undefined;
  series: () => SeriesView | undefined;
  method: () => Method | undefined;
  point: HistoryPoint;
  choice: ChoiceForm;
}

/** A series as it would be with what is tried: a point that is moved, another way to make it. Nothing is kept. */
export class SeriesDraft {
  readonly #of: Of;
  readonly #query: CreateQueryResult<SeriesView>;

  constructor(of: Of) {
    this.#of = of;
    this.#query = createQuery(() => ({
      ...forecastDraft({
        key: of.key() ?? '',
        bucket: of.series()?.bucket,
        method: of.choice.choice ? undefined : of.method(),
        corrections: of.point.corrections,
        choice: of.choice.choice
      }),
      enabled: this.#trying(of)
    }));
  }

  #trying(of: Of): boolean {
    return of.key() !== undefined && (of.point.corrections.length > 0 || of.choice.choice !== undefined);
  }

  readonly data = $derived.by(() =>
    this.#trying(this.#of) && !this.#query.isError ? this.#query.data : undefined
  );
  /** Why it cannot be so. */
  readonly fault = $derived.by(() =>
    this.#trying(this.#of) && this.#query.isError ? this.#query.error.message : undefined
  );
}
