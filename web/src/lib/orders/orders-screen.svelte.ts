import { createQuery } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { SettledWords } from '$lib/filter-words.svelte';
import { cameBack, whenLeft } from '$lib/left.svelte';
import { planState, supplyOrders } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import { csv, download, tabbed, type Sheet } from '$lib/ui/export';
import { Listing } from '$lib/ui/rows.svelte';

export type OrderRow = Schemas['OrderRow'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'kind', name: '', width: 19, fixed: true },
  { code: 'number', name: 'Order', width: 122 },
  { code: 'item', name: 'Item' },
  { code: 'value', name: 'Value', width: 86, right: true },
  { code: 'due', name: 'Due', width: 84, right: true }
];

/** Firmed and released orders: which are shown, chosen and opened. Made while its component comes. */
export class OrdersScreen {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly filters = $derived({ kind: fromAddress('kind'), stage: fromAddress('stage') });
  readonly columns = new Columns('Orders', () => COLUMNS);
  words = $state('');
  readonly #settled = new SettledWords(() => this.words);
  readonly rows = createQuery(() => supplyOrders({ ...this.filters, words: this.#settled.now || undefined }));
  readonly list = new Listing<OrderRow>(
    () => this.rows.data ?? [],
    (o) => o.number
  );
  /** The number of the order that is opened. */
  readonly number = $derived(fromAddress('number'));
  frame = $state<{ focusFilter: () => void } | undefined>();

  constructor() {
    const was = cameBack<{ words: string; selected: string[] }>();
    this.words = was?.words ?? fromAddress('words') ?? '';
    this.#settled.now = this.words.trim();
    for (const key of was?.selected ?? []) this.list.selected.add(key);
    whenLeft(() => ({ words: this.words, selected: [...this.list.selected] }));
    $effect(() => {
      this.list.cursor = this.number;
    });
    $effect(() => shortcuts.register('orders', this.#keys()));
  }

  /** What is said where there is no order. */
  get empty(): string {
    const { kind, stage } = this.filters;
    return this.rows.data?.length === 0 && !kind && !stage && !this.#settled.now
      ? 'Nothing has been released yet. Choose planned orders in the Plan and press r.'
      : 'No order fits these filters.';
  }

  /** The cursor goes there at once, so that a key pressed right after acts on it. */
  open(number: string | undefined): void {
    if (number === undefined) return;
    this.list.cursor = number;
    void toAddress({ number });
  }

  filter(name: 'kind' | 'stage', value: string | undefined): void {
    void toAddress({ [name]: value });
  }

  /** What is selected, as a table that a spreadsheet takes. */
  copied(): string | undefined {
    return this.list.concerned.length > 0 ? tabbed(sheetOf(this.list.concerned)) : undefined;
  }

  /** What is selected, or else all that is shown. */
  save(): void {
    const chosen = this.list.selected.size > 0 ? this.list.concerned : this.list.shown;
    download('orders.csv', csv(sheetOf(chosen)));
  }

  print(): void {
    if (this.number) window.print();
  }

  #keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next order', run: () => this.open(this.list.step(1)) },
      { keys: 'k, ArrowUp', says: 'Order before', run: () => this.open(this.list.step(-1)) },
      { keys: 'J', says: 'Select, and the next order too', run: () => this.open(this.list.extend(1)) },
      { keys: 'K', says: 'Select, and the order before too', run: () => this.open(this.list.extend(-1)) },
      { keys: 'x, \u0020', says: 'Select', run: () => this.list.toggle(this.number) },
      { keys: 'X', says: 'Select all that is shown, or none', run: () => this.list.toggleAll() },
      { keys: 'E', says: 'Save the list as CSV', also: 'export', run: () => this.save() },
      { keys: 'P', says: 'Print the order', run: () => this.print() },
      { keys: '/', says: 'Filter the list', run: () => this.frame?.focusFilter() },
      { keys: 'Escape', says: 'Select none', run: () => this.list.selected.clear() }
    ];
  }
}

function sheetOf(orders: OrderRow[]): Sheet {
  return {
    header: ['number', 'kind', 'stage', 'with', 'site', 'lines', 'first', 'due', 'value'],
    rows: orders.map((o) => [
      o.number,
      o.kind,
      o.stage,
      o.partner,
      o.siteName,
      o.lines,
      o.first,
      o.due,
      o.value
    ])
  };
}
