import { SvelteSet } from 'svelte/reactivity';
import {
  byKey,
  entriesOf,
  keyOf,
  type Entry,
  type Filters,
  type PlannedOrder,
  type Row,
  type SignalRow
} from './filters';

export type { Entry, Filters, PlannedOrder, Row, SignalRow };

/** The list of all that wants a decision: what is shown, where the cursor is, what is selected. */
export class PlanList {
  rows = $state.raw<Row[]>([]);
  words = $state('');
  filters = $state.raw<Filters>({});
  /**
   * What the server has filtered a list by that is too long to be sent whole: until its next answer the rows that are
   * there stay in view. Undefined if the list is whole and filtered here.
   */
  answered = $state.raw<Filters | undefined>();
  cursor = $state<string | undefined>();
  selected = new SvelteSet<string>();

  entries = $derived.by<Entry[]>(() => {
    const { by, sort, changed } = this.filters;
    const filters = this.answered
      ? { ...this.answered, by, sort, changed }
      : { ...this.filters, words: this.words };
    return entriesOf(this.rows, filters);
  });
  shown = $derived(this.entries.filter((e): e is Row => !('head' in e)));
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
  /** The place of the cursor when its row was last there. */
  #last = 0;

  /** The key of the row under the cursor. */
  here = $derived.by(() => {
    const { cursor } = this;
    if (cursor === undefined || this.shown.some((r) => keyOf(r) === cursor)) return cursor;
    const rows = this.#until?.cursor === cursor ? this.#until.rows : [];
    return rows.find((key) => this.byKey.has(key));
  });
  at = $derived(this.entries.findIndex((e) => !('head' in e) && keyOf(e) === this.here));

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
    const place = this.#place();
    if (place >= 0) this.#last = place;
    this.rows = [...orders.map((order) => ({ order })), ...signals.map((signal) => ({ signal }))];
    for (const key of this.selected) if (!this.byKey.has(key)) this.selected.delete(key);
  }

  /** The key of the row so many places away, or undefined if there is none. What took the place of a lost row is next to it. */
  step(by: number): string | undefined {
    const here = this.#place();
    const lost = this.cursor === undefined ? 0 : this.#last;
    const next = here >= 0 ? here + by : by > 0 ? lost + by - 1 : lost + by;
    const row = this.shown[Math.max(0, Math.min(this.shown.length - 1, next))];
    return row && keyOf(row);
  }

  #place(): number {
    return this.shown.findIndex((r) => keyOf(r) === this.here);
  }

  /** The row that takes the place of the cursor's when that goes: the next one, or the one before. */
  after(keys: string[]): string | undefined {
    const here = Math.max(0, this.#place());
    const left = (r: Row) => !keys.includes(keyOf(r));
    const next = this.shown.slice(here).find(left) ?? this.shown.slice(0, here).reverse().find(left);
    return next && keyOf(next);
  }

  toggle(key: string | undefined): void {
    if (key === undefined) return;
    if (!this.selected.delete(key)) this.selected.add(key);
  }

  /** Selects all that is shown, or none if all is. */
  toggleAll(): void {
    this.#toggleThese(this.shown.map(keyOf));
  }

  /** Selects the rows of a group, or none of them if all are. */
  toggleGroup(head: string): void {
    const from = this.entries.findIndex((e) => 'head' in e && e.head === head);
    if (from < 0) return;
    const rest = this.entries.slice(from + 1);
    const end = rest.findIndex((e) => 'head' in e);
    const rows = (end < 0 ? rest : rest.slice(0, end)) as Row[];
    this.#toggleThese(rows.map(keyOf));
  }

  #toggleThese(keys: string[]): void {
    const all = keys.every((k) => this.selected.has(k));
    for (const key of keys) {
      if (all) this.selected.delete(key);
      else this.selected.add(key);
    }
  }

  /** Selects all rows from the one under the cursor to another. */
  range(to: string): void {
    const from = Math.max(0, this.#place());
    const end = this.shown.findIndex((r) => keyOf(r) === to);
    if (end < 0) return;
    for (const row of this.shown.slice(Math.min(from, end), Math.max(from, end) + 1))
      this.selected.add(keyOf(row));
  }
}
