import { goto } from '$app/navigation';
import { createQuery } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { answer, api } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { pickListHref } from '$lib/links';
import { Once } from '$lib/once';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { planState, supplyOrders } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';

export type OrderRow = Schemas['OrderRow'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'kind', name: '', width: 19, fixed: true },
  { code: 'number', name: 'Order', width: 122 },
  { code: 'item', name: 'Item' },
  { code: 'value', name: 'Value', width: 86, right: true },
  { code: 'due', name: 'Due', width: 84, right: true }
];

/** Firmed and released orders: which are shown, chosen and opened. */
export class OrdersScreen extends ListScreen<OrderRow> {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly filters = $derived({
    kind: fromAddress('kind'),
    stage: fromAddress('stage'),
    way: fromAddress('way')
  });
  readonly columns = new Columns('Orders', () => COLUMNS);
  readonly rows = createQuery(() => supplyOrders({ ...this.filters, words: this.sought }));

  constructor() {
    super({ name: 'orders', row: 'order', opened: 'number' });
  }

  /** What is said where there is no order. */
  get empty(): string {
    const { kind, stage, way } = this.filters;
    return this.rows.data?.total === 0 && !kind && !stage && !way && !this.sought
      ? 'Nothing has been released yet. Choose planned orders in the Plan and press r.'
      : 'No order fits these filters.';
  }

  /** The order in view, which knows what comes next. */
  pane = $state<{ next: () => void } | undefined>();

  /** Somebody came to do the next step of the order in view. */
  readonly begins = $derived(fromAddress('step') === 'next');

  begun(): void {
    void toAddress({ step: undefined });
  }

  /** Of those that are selected, or else the one in view, what takes something out of stock. */
  get fetchable(): string[] {
    const { concerned } = this.list;
    const rows = concerned.length > 0 ? concerned : this.all().filter((o) => o.number === this.opened);
    return rows
      .filter((o) => o.kind !== 'buy' && o.kind !== 'subcontract' && o.stage === 'released')
      .map((o) => o.number);
  }

  /** What is to be fetched for those that are selected, or the one in view, on paper. */
  pickList(): void {
    const numbers = this.fetchable;
    if (numbers.length > 0) void goto(pickListHref(numbers));
  }

  readonly last = new LastDecision();
  readonly doing = new Doing(() => undefined);
  readonly #once = new Once();

  /** Held orders that are selected; several of them, to one supplier, become one. */
  readonly combinable = $derived.by(() =>
    this.list.selected.size > 1 && rights.releases(['buy'])
      ? this.list.concerned.filter((o) => o.kind === 'buy' && o.way === 'held').map((o) => o.number)
      : []
  );

  async combine(): Promise<void> {
    const numbers = this.combinable;
    if (numbers.length < 2) return;
    await this.doing.run(async () => {
      const body = { kind: 'COMBINE' as const, numbers };
      this.last.keep(
        await this.#once.send(body, (header) =>
          answer(api.POST('/api/decisions', { params: { header }, body }))
        )
      );
      this.list.selected.clear();
      this.open(numbers[0]);
    });
  }

  print(): void {
    if (this.opened) window.print();
  }

  protected all(): OrderRow[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(order: OrderRow): string {
    return order.number;
  }

  protected sheetOf(orders: OrderRow[]): Sheet {
    return {
      header: ['number', 'kind', 'stage', 'way', 'with', 'site', 'lines', 'first', 'due', 'value'],
      rows: orders.map((o) => [
        o.number,
        o.kind,
        o.stage,
        o.way,
        o.partner,
        o.siteName,
        o.lines,
        o.first,
        o.due,
        o.value
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'n', says: 'Next step of the order', run: () => this.pane?.next() },
      {
        keys: 'L',
        says: 'Pick list of the selected orders',
        also: 'print fetch',
        run: () => this.pickList()
      },
      { keys: 'u', says: 'Take back the last decision', run: () => void this.last.takeBack() },
      { keys: 'm', says: 'Combine the selected held orders', run: () => void this.combine() },
      { keys: 'P', says: 'Print the order', run: () => this.print() }
    ];
  }
}
