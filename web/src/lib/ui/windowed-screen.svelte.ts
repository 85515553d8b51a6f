import type { FileKind } from './export';
import { ListScreen, type About } from './list-screen.svelte';
import type { Part, Windows } from './windows.svelte';

/** A list so long that only what is in sight comes from the server. Made while its component comes. */
export abstract class WindowedScreen<R extends object, P extends Part<R>> extends ListScreen<R> {
  abstract readonly windows: Windows<R, P>;
  /** What takes a while: all rows are fetched. */
  fetching = $state(false);
  /** Why they could not be. */
  failed = $state<string | undefined>();
  /** Ends when all that is to be selected is. */
  protected selecting: Promise<void> = Promise.resolve();
  /** What was looked for in the list last. */
  #sought: string | undefined;

  constructor(about: About) {
    super(about);
    // what is opened from elsewhere is gone to, wherever it stands in the list
    $effect(() => {
      const key = this.opened;
      if (key === undefined || key === this.#sought || this.windows.total === 0) return;
      this.#sought = key;
      if (this.list.at < 0)
        void this.placeOf(key)
          .then((place) => {
            if (place !== undefined && place !== null) this.windows.see(place, place);
          })
          .catch(() => undefined); // the list says itself what is wrong
    });
  }

  /** At which place of the list a row stands, if it is in it. */
  protected abstract placeOf(key: string): Promise<number | null | undefined>;

  protected override all(): (R | undefined)[] {
    return this.windows.rows;
  }

  /** Goes to the row so many places away, also where it has yet to come. */
  protected override go(by: number): void {
    const next = this.list.step(by);
    if (next !== undefined) this.open(next);
    else void this.goTo(this.list.at + by);
  }

  /** Opens the row at a place of the list. */
  async goTo(place: number): Promise<void> {
    const row = await this.windows.at(place).catch((e: Error) => {
      this.failed = e.message;
    });
    if (!row) return;
    this.windows.see(place, place);
    this.open(this.keyOf(row));
  }

  /** All rows, or those of them that are selected. */
  override save(kind: FileKind = 'csv'): void {
    void this.whole().then((rows) => {
      const { selected } = this.list;
      if (rows) this.saved(selected.size > 0 ? rows.filter((r) => selected.has(this.keyOf(r))) : rows, kind);
    });
  }

  protected override selectAll(): void {
    const { selected } = this.list;
    if (this.list.shown.length === this.windows.total) this.list.toggleAll();
    else if (selected.size > 0 && selected.size === this.windows.total) selected.clear();
    else
      this.selecting = this.whole().then((rows) => {
        rows?.forEach((r) => selected.add(this.keyOf(r)));
      });
  }

  /** Every row, if it can be had. */
  private async whole(): Promise<R[] | undefined> {
    this.fetching = true;
    this.failed = undefined;
    try {
      return await this.windows.everything();
    } catch (e) {
      this.failed = (e as Error).message;
      return undefined;
    } finally {
      this.fetching = false;
    }
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'Home', says: 'The first of the list', run: () => void this.goTo(0) },
      { keys: 'End', says: 'The last of the list', run: () => void this.goTo(this.windows.total - 1) }
    ];
  }
}
