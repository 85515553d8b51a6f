import { fromAddress, toAddress } from '$lib/address';
import { shortcuts, type Shortcut } from '$lib/desk.svelte';
import { SettledWords } from '$lib/filter-words.svelte';
import { cameBack, whenLeft } from '$lib/left.svelte';
import { savingKeys, saveSheet, tabbed, type FileKind, type Sheet } from './export';
import { Listing } from './rows.svelte';

/** A screen with a filter: its words and keys, and that it comes back as it was left. Made while its component comes. */
export abstract class FilteredScreen {
  words = $state('');
  readonly #settled = new SettledWords(() => this.words);
  /** The part of the page that holds the filter. */
  frame = $state<{ focusFilter: () => void } | undefined>();

  constructor(name: string) {
    this.words = cameBack<{ words: string }>()?.words ?? fromAddress('words') ?? '';
    this.#settled.now = this.words.trim();
    whenLeft(() => ({ words: this.words, ...this.kept() }));
    $effect(() => shortcuts.register(name, this.keys()));
  }

  /** What the server is asked for: the words, once the typing has stopped for a moment. */
  get sought(): string | undefined {
    return this.#settled.now || undefined;
  }

  /** What it is left with, besides the words and what stands in the address. */
  protected kept(): object {
    return {};
  }

  protected abstract keys(): Shortcut[];
}

/**
 * @param name of the screen
 * @param row what one row is called
 * @param opened the part of the address that says which row is opened
 */
export interface About {
  name: string;
  row: string;
  opened: string;
}

/** A list of which some can be selected, one is opened, and all can be copied and saved. */
export abstract class ListScreen<R extends object> extends FilteredScreen {
  readonly list = new Listing<R>(
    () => this.all(),
    (row) => this.keyOf(row)
  );

  constructor(private readonly about: About) {
    super(about.name);
    for (const key of cameBack<{ selected: string[] }>()?.selected ?? []) this.list.selected.add(key);
    $effect(() => {
      this.list.cursor = this.opened;
    });
  }

  /** Undefined: a row that has not come yet. */
  protected abstract all(): (R | undefined)[];
  protected abstract keyOf(row: R): string;
  protected abstract sheetOf(rows: R[]): Sheet;

  /** The key of the row that is opened. */
  get opened(): string | undefined {
    return fromAddress(this.about.opened);
  }

  protected override kept(): object {
    return { selected: [...this.list.selected] };
  }

  /** The cursor goes there at once, so that a key pressed right after acts on it. */
  open(key: string | undefined): void {
    if (key === undefined) return;
    this.list.cursor = key;
    void toAddress({ [this.about.opened]: key });
  }

  /** Which rows are asked for. */
  filter(name: string, value: string | undefined): void {
    void toAddress({ [name]: value });
  }

  /** What is selected, as a table that a spreadsheet takes. */
  copied(): string | undefined {
    return this.list.concerned.length > 0 ? tabbed(this.sheetOf(this.list.concerned)) : undefined;
  }

  /** What is selected, or else all that is listed. */
  save(kind: FileKind = 'csv'): void {
    const chosen = this.list.selected.size > 0 ? this.list.concerned : this.list.shown;
    this.saved(chosen, kind);
  }

  protected saved(rows: R[], kind: FileKind): void {
    void saveSheet(this.about.name, this.sheetOf(rows), kind);
  }

  protected go(by: number): void {
    this.open(this.list.step(by));
  }

  protected selectAll(): void {
    this.list.toggleAll();
  }

  protected override keys(): Shortcut[] {
    const { row } = this.about;
    const first = row.charAt(0).toUpperCase() + row.slice(1);
    return [
      { keys: 'j, ArrowDown', says: `Next ${row}`, run: () => this.go(1) },
      { keys: 'k, ArrowUp', says: `${first} before`, run: () => this.go(-1) },
      { keys: 'J', says: `Select, and the next ${row} too`, run: () => this.open(this.list.extend(1)) },
      { keys: 'K', says: `Select, and the ${row} before too`, run: () => this.open(this.list.extend(-1)) },
      { keys: 'x, \u0020', says: 'Select', run: () => this.list.toggle(this.list.cursor) },
      { keys: 'X', says: 'Select all that is listed, or none', run: () => this.selectAll() },
      ...savingKeys('the list', (kind) => this.save(kind)),
      { keys: '/', says: 'Filter the list', run: () => this.frame?.focusFilter() },
      { keys: 'Escape', says: 'Select none', run: () => this.list.selected.clear() }
    ];
  }
}
