import { createQuery } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { SettledWords } from '$lib/filter-words.svelte';
import { cameBack, whenLeft } from '$lib/left.svelte';
import { items, planState } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import { csv, download, tabbed, type Sheet } from '$lib/ui/export';
import { Listing } from '$lib/ui/rows.svelte';

export type ItemRow = Schemas['ItemRow'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'code', name: 'Code', width: 96 },
  { code: 'name', name: 'Name' },
  { code: 'group', name: 'Group', width: 118 },
  { code: 'on_hand', name: 'On hand', width: 84, right: true }
];

/** Items: which are shown, chosen and opened. Made while its component comes. */
export class ItemsScreen {
  readonly plan = createQuery(planState);
  readonly kind = $derived(fromAddress('kind'));
  readonly columns = new Columns('Items', () => COLUMNS);
  words = $state('');
  readonly #settled = new SettledWords(() => this.words);
  readonly rows = createQuery(() => items({ kind: this.kind, words: this.#settled.now || undefined }));
  readonly list = new Listing<ItemRow>(
    () => this.rows.data ?? [],
    (i) => i.code
  );
  /** The code of the item that is opened. */
  readonly code = $derived(fromAddress('code'));
  frame = $state<{ focusFilter: () => void } | undefined>();

  constructor() {
    const was = cameBack<{ words: string; selected: string[] }>();
    this.words = was?.words ?? fromAddress('words') ?? '';
    this.#settled.now = this.words.trim();
    for (const key of was?.selected ?? []) this.list.selected.add(key);
    whenLeft(() => ({ words: this.words, selected: [...this.list.selected] }));
    $effect(() => {
      this.list.cursor = this.code;
    });
    $effect(() => shortcuts.register('items', this.#keys()));
  }

  /** The cursor goes there at once, so that a key pressed right after acts on it. */
  open(code: string | undefined): void {
    if (code === undefined) return;
    this.list.cursor = code;
    void toAddress({ code });
  }

  /** What is said where there is no item. */
  get empty(): string {
    return this.rows.data?.length === 0 && !this.kind && !this.#settled.now
      ? 'There are no items yet.'
      : 'No item fits these filters.';
  }

  ofKind(kind: string | undefined): void {
    void toAddress({ kind });
  }

  /** What is selected, as a table that a spreadsheet takes. */
  copied(): string | undefined {
    return this.list.concerned.length > 0 ? tabbed(sheetOf(this.list.concerned)) : undefined;
  }

  /** What is selected, or else all that is shown. */
  save(): void {
    const chosen = this.list.selected.size > 0 ? this.list.concerned : this.list.shown;
    download('items.csv', csv(sheetOf(chosen)));
  }

  #keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next item', run: () => this.open(this.list.step(1)) },
      { keys: 'k, ArrowUp', says: 'Item before', run: () => this.open(this.list.step(-1)) },
      { keys: 'J', says: 'Select, and the next item too', run: () => this.open(this.list.extend(1)) },
      { keys: 'K', says: 'Select, and the item before too', run: () => this.open(this.list.extend(-1)) },
      { keys: 'x, \u0020', says: 'Select', run: () => this.list.toggle(this.code) },
      { keys: 'X', says: 'Select all that is shown, or none', run: () => this.list.toggleAll() },
      { keys: 'E', says: 'Save the list as CSV', also: 'export', run: () => this.save() },
      { keys: '/', says: 'Filter the list', run: () => this.frame?.focusFilter() },
      { keys: 'Escape', says: 'Select none', run: () => this.list.selected.clear() }
    ];
  }
}

function sheetOf(rows: ItemRow[]): Sheet {
  return {
    header: ['code', 'name', 'group', 'kind', 'unit', 'planner', 'on_hand'],
    rows: rows.map((i) => [i.code, i.name, i.group, i.kind, i.unit, i.planner, i.onHand])
  };
}
