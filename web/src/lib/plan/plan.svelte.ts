import { Rows, type Head } from '$lib/ui/rows.svelte';
import {
  byKey,
  entriesOf,
  keyOf,
  type Filters,
  type PlannedOrder,
  type Row,
  type SignalRow
} from './filters';

export type { Filters, PlannedOrder, Row, SignalRow };

/** The list of all that wants a decision. */
export class PlanList extends Rows<Row> {
  rows = $state.raw<Row[]>([]);
  words = $state('');
  filters = $state.raw<Filters>({});
  /** The keys of the rows that fit what is asked for; undefined if nothing is. */
  fitting = $state.raw<ReadonlySet<string> | undefined>();
  /** The order that is opened and does not stand among the rows, because the list is not whole. */
  opened = $state.raw<PlannedOrder | undefined>();
  byKey = $derived(byKey(this.opened ? [{ order: this.opened }, ...this.rows] : this.rows));
  chosen = $derived(this.rows.filter((r) => this.selected.has(keyOf(r))));

  /** Those that an action concerns: the selected ones, or the one under the cursor. */
  concerned = $derived.by(() => {
    if (this.chosen.length > 0) return this.chosen;
    const here = this.cursor === undefined ? undefined : this.byKey.get(this.cursor);
    return here ? [here] : [];
  });
  orders = $derived(this.concerned.flatMap((r) => ('order' in r ? [r.order] : [])));
  signals = $derived(this.concerned.flatMap((r) => ('signal' in r ? [r.signal] : [])));

  /** The keys in whose rows the cursor stands until the list has the row that it was sent to. */
  #until = $state.raw<{ cursor: string; rows: string[] } | undefined>();

  protected lines(): (Head | Row)[] {
    const { fitting } = this;
    const rows = fitting ? this.rows.filter((row) => fitting.has(keyOf(row))) : this.rows;
    return entriesOf(rows, this.filters);
  }

  keyOf(row: Row): string {
    return keyOf(row);
  }

  protected override rowUnder(cursor: string | undefined): string | undefined {
    if (cursor === undefined || this.shown.some((r) => keyOf(r) === cursor)) return cursor;
    const rows = this.#until?.cursor === cursor ? this.#until.rows : [];
    return rows.find((key) => this.byKey.has(key));
  }

  /** The list is as it was left; rows that have gone meanwhile are found out when rows are taken. */
  comeBack(words = '', selected: string[] = []): void {
    this.words = words;
    for (const key of selected) this.selected.add(key);
  }

  /** Sends the cursor to a row that comes in the place of others. */
  send(cursor: string, inPlaceOf: string[] = []): void {
    this.#until = { cursor, rows: inPlaceOf };
    this.cursor = cursor;
  }

  /** New rows from the server; what is gone is no longer selected. */
  take(orders: PlannedOrder[], signals: SignalRow[]): void {
    this.mark();
    this.rows = [...orders.map((order) => ({ order })), ...signals.map((signal) => ({ signal }))];
    for (const key of this.selected) if (!this.byKey.has(key)) this.selected.delete(key);
  }

  /** The row that takes the place of the cursor's when that goes: the next one, or the one before. */
  after(keys: string[]): string | undefined {
    const here = Math.max(0, this.place());
    const left = (r: Row) => !keys.includes(keyOf(r));
    const next = this.shown.slice(here).find(left) ?? this.shown.slice(0, here).reverse().find(left);
    return next && keyOf(next);
  }
}
