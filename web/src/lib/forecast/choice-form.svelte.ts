import type { Schemas } from '$lib/api/client';
import { parsedNumber, quantity } from '$lib/format';
import { RowKeeping } from './row-keeping.svelte';
import { choiceOf, fieldsOf, type ChoiceFields, type SeriesView } from './series';

interface Of {
  series: () => SeriesView | undefined;
  onkept: (decision: Schemas['Decision']) => void;
}

const NOTHING: ChoiceFields = {
  method: '',
  parameters: '',
  from: '',
  to: '',
  likeItem: '',
  likeSite: '',
  likePercent: '',
  reason: ''
};

/** A number as it is understood, or what was typed, which is then said to be none. */
function sent(typed: string): string {
  const number = parsedNumber(typed);
  return Number.isNaN(number) ? typed.trim() : String(number);
}

/** How the forecast of a series is made: typed or dragged, tried at once, kept or left to itself again. */
export class ChoiceForm {
  open = $state(false);
  fields = $state<ChoiceFields>({ ...NOTHING });

  constructor(private readonly of: Of) {}

  readonly kept = $derived.by(() => this.of.series()?.chosen ?? undefined);
  /** What is tried; undefined: what is kept. */
  readonly choice = $derived.by(() =>
    this.open && JSON.stringify(this.fields) !== JSON.stringify(this.#asKept())
      ? choiceOf(this.fields, parsedNumber)
      : undefined
  );

  #asKept(): ChoiceFields {
    return fieldsOf(this.kept, quantity) ?? { ...NOTHING };
  }

  /** What is typed, so that it survives a reload; null: nothing is. */
  readonly typed = $derived.by((): ChoiceFields | null => (this.open ? { ...this.fields } : null));

  restore(typed: ChoiceFields | null | undefined): void {
    if (!typed) return;
    this.fields = typed;
    this.open = true;
  }

  show(): void {
    const series = this.of.series();
    if (!series || series.by) return;
    if (!this.open) this.fields = this.#asKept();
    this.keeping.refused = undefined;
    this.open = true;
  }

  close(): void {
    this.open = false;
    this.keeping.refused = undefined;
  }

  /** The method that is looked at, with its parameters as they were fitted. */
  take(method: SeriesView['method'], parameters: SeriesView['parameters'], taken: string[]): void {
    this.show();
    this.fields.method = method ?? '';
    this.fields.parameters = parameters
      .filter((p) => taken.includes(p.name))
      .map((p) => `${p.name}=${Number(p.value.toFixed(4))}`)
      .join(' ');
  }

  /** An edge of the window goes to a bucket; at the end of the history the window is open. */
  drag(edge: 'from' | 'to', day: string): void {
    this.show();
    const history = this.of.series()?.history ?? [];
    const open = edge === 'from' ? history[0]?.from === day : history.at(-1)?.from === day;
    this.fields[edge] = open ? '' : day;
  }

  readonly keeping = new RowKeeping({
    row: (back) => this.#row(back),
    kept: (decision) => {
      this.close();
      this.of.onkept(decision);
    }
  });

  #row(back: boolean): Schemas['RowChange'] {
    const series = this.of.series();
    const key = {
      item: series?.item ?? '',
      site: series?.site ?? '',
      bucket: series?.bucket.toLowerCase() ?? ''
    };
    const f = this.fields;
    const like = f.likeItem.trim() !== '';
    return back
      ? { table: 'forecast_choices', key, gone: true }
      : {
          table: 'forecast_choices',
          key,
          fields: {
            method: f.method.toLowerCase(),
            parameters: f.method ? f.parameters.trim() : '',
            from_date: f.from,
            to_date: f.to,
            like_item: f.likeItem.trim(),
            like_site: like ? f.likeSite.trim() : '',
            like_percent: like && f.likePercent.trim() ? sent(f.likePercent) : '',
            reason: f.reason.trim()
          }
        };
  }

  keep(): void {
    if (this.open) this.keeping.keep(false);
  }

  /** It is made as the calculation finds best again. */
  setBack(): void {
    if (this.kept) this.keeping.keep(true);
  }
}
