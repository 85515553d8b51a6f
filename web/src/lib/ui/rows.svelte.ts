import { SvelteSet } from 'svelte/reactivity';

/** The head of a group of rows. */
export interface Head {
  head: string;
  name: string;
  count: number;
  bad?: boolean;
}

/** Whether a line of a list is the head of a group. */
export function isHead(line: object): line is Head {
  return 'head' in line;
}

/** The rows of a list: which are shown, where the cursor stands, which are selected. */
export abstract class Rows<R extends object> {
  /** The key of the row that is opened. */
  cursor = $state<string | undefined>();
  readonly selected = new SvelteSet<string>();

  readonly entries: (Head | R)[] = $derived(this.lines());
  readonly shown: R[] = $derived(this.entries.filter((e): e is R => !isHead(e)));
  /** The key of the row under the cursor. */
  readonly here: string | undefined = $derived(this.rowUnder(this.cursor));
  readonly at: number = $derived(this.entries.findIndex((e) => !isHead(e) && this.keyOf(e) === this.here));

  /** The place of the cursor among the rows when its row was last there. */
  #last = 0;

  /** What is shown, with a head before each group. */
  protected abstract lines(): (Head | R)[];

  abstract keyOf(row: R): string;

  /** The row in which the cursor stands, by its key. */
  protected rowUnder(cursor: string | undefined): string | undefined {
    return cursor;
  }

  /** The place of the cursor among the rows; negative if its row is not there. */
  protected place(): number {
    return this.shown.findIndex((r) => this.keyOf(r) === this.here);
  }

  /** The rows will be others: where the cursor is, is where it goes on from. */
  protected mark(): void {
    const place = this.place();
    if (place >= 0) this.#last = place;
  }

  /** The key of the row so many places away, or undefined if there is none. What took the place of a lost row is next to it. */
  step(by: number): string | undefined {
    const here = this.place();
    const lost = this.cursor === undefined ? 0 : this.#last;
    const next = here >= 0 ? here + by : by > 0 ? lost + by - 1 : lost + by;
    const row = this.shown[Math.max(0, Math.min(this.shown.length - 1, next))];
    return row && this.keyOf(row);
  }

  toggle(key: string | undefined): void {
    if (key === undefined) return;
    if (!this.selected.delete(key)) this.selected.add(key);
  }

  /** Selects all that is shown, or none if all is. */
  toggleAll(): void {
    this.#toggleThese(this.shown.map((r) => this.keyOf(r)));
  }

  /** Selects the rows of a group, or none of them if all are. */
  toggleGroup(head: string): void {
    const from = this.entries.findIndex((e) => isHead(e) && e.head === head);
    if (from < 0) return;
    const rest = this.entries.slice(from + 1);
    const end = rest.findIndex(isHead);
    const rows = (end < 0 ? rest : rest.slice(0, end)) as R[];
    this.#toggleThese(rows.map((r) => this.keyOf(r)));
  }

  #toggleThese(keys: string[]): void {
    const all = keys.every((k) => this.selected.has(k));
    for (const key of keys) {
      if (all) this.selected.delete(key);
      else this.selected.add(key);
    }
  }

  /** Selects all rows from the one under the cursor to another. */
  range(to: string | undefined): void {
    const from = Math.max(0, this.place());
    const end = this.shown.findIndex((r) => this.keyOf(r) === to);
    if (end < 0) return;
    for (const row of this.shown.slice(Math.min(from, end), Math.max(from, end) + 1))
      this.selected.add(this.keyOf(row));
  }

  /** Selects this row and the one so many places away; returns its key, where the cursor goes. */
  extend(by: number): string | undefined {
    const next = this.step(by);
    this.range(next);
    return next;
  }
}

/** A plain list of rows that somebody else filters, and of which some may not have come yet. */
export class Listing<R extends object> extends Rows<R> {
  constructor(
    private readonly all: () => (R | undefined)[],
    private readonly key: (row: R) => string
  ) {
    super();
  }

  /** The selected rows, or the one under the cursor. */
  readonly concerned: R[] = $derived.by(() => {
    const chosen = this.shown.filter((r) => this.selected.has(this.key(r)));
    return chosen.length > 0 ? chosen : this.shown.filter((r) => this.key(r) === this.cursor);
  });

  /** All rows by their place in the list; undefined: not come yet. */
  readonly places: (R | undefined)[] = $derived.by(() => this.all());
  override readonly at: number = $derived.by(() =>
    this.places.findIndex((r) => r !== undefined && this.key(r) === this.cursor)
  );

  protected lines(): R[] {
    return this.places.filter((r) => r !== undefined);
  }

  /** Also if the row so many places away has not come yet: then it is undefined. */
  override step(by: number): string | undefined {
    if (this.at < 0) return super.step(by);
    const row = this.places[Math.max(0, Math.min(this.places.length - 1, this.at + by))];
    return row && this.key(row);
  }

  keyOf(row: R): string {
    return this.key(row);
  }
}
