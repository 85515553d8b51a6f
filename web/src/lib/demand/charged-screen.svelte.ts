import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { Once } from '$lib/once';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { customerInvoice, customerInvoices, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';

export type ChargedRow = Schemas['InvoiceOutRow'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'number', name: 'Invoice or order' },
  { code: 'net', name: 'Net', width: 96, right: true },
  { code: 'due', name: 'To be paid', width: 84, right: true }
];
export const STATES = [
  { code: 'to_charge', name: 'to be charged' },
  { code: 'charged', name: 'charged' }
];

/** What was shipped to customers and is to be charged, and the invoices they got. */
export class ChargedScreen extends ListScreen<ChargedRow> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly state = $derived(fromAddress('state'));
  readonly columns = new Columns('Charged', () => COLUMNS);
  readonly rows = createQuery(() => customerInvoices({ state: this.state, words: this.sought }));
  readonly here = $derived(this.all().find((r) => r.key === this.opened));
  readonly one = createQuery(() => ({
    ...customerInvoice(this.here?.key ?? '', this.rows.dataUpdatedAt),
    enabled: this.here !== undefined
  }));
  readonly last = new LastDecision(() => void this.#left());
  readonly doing = new Doing(() => this.#changed());
  told = $state<string | undefined>();
  readonly #once = new Once();

  constructor() {
    super({ name: 'charged', row: 'invoice', opened: 'invoice' });
  }

  get empty(): string {
    return this.sought || this.state
      ? 'No invoice and no order fits these filters.'
      : 'Nothing was shipped yet: ship what goes out in Stock.';
  }

  /** The orders that are selected, or the one in view. */
  readonly charging = $derived.by(() => {
    const rows = this.list.selected.size > 0 ? this.list.concerned : this.here ? [this.here] : [];
    return rows.filter((r) => !r.number);
  });

  /** Writes an invoice for each order. */
  async charge(): Promise<void> {
    this.told = undefined;
    if (!rights.decides('ENTER')) {
      this.doing.refused = 'Customers are charged by planners and the sales desk.';
      return;
    }
    const orders = this.charging.flatMap((r) => r.orders);
    if (orders.length === 0) {
      this.doing.refused = 'Select orders that are to be charged with x.';
      return;
    }
    await this.doing.run(async () => {
      const body = { kind: 'CHARGE' as const, orders };
      this.last.keep(
        await this.#once.send(body, (header) =>
          answer(api.POST('/api/decisions', { params: { header }, body }))
        )
      );
      this.list.selected.clear();
    });
  }

  /** Sends the invoice in view to its customer. */
  async send(): Promise<void> {
    const { here } = this;
    if (!here?.number) {
      this.doing.refused = 'It is not charged yet.';
      return;
    }
    await this.doing.run(async () => {
      const query = { invoice: here.key };
      const mail = await this.#once.send(query, (header) =>
        answer(api.POST('/api/customer-invoices/sent', { params: { query, header } }))
      );
      this.told = `Sent to ${mail.recipient}.`;
      void this.#client.invalidateQueries({ queryKey: ['mails'] });
    });
  }

  print(): void {
    if (this.here?.number) window.open(documentHref(this.here.key), '_blank', 'noopener');
  }

  /** What was taken back is not there any more to be looked at. */
  async #left(): Promise<void> {
    await toAddress({ invoice: undefined });
    this.#changed();
  }

  #changed(): void {
    void this.#client.invalidateQueries({ queryKey: ['plan'] });
  }

  protected all(): ChargedRow[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(row: ChargedRow): string {
    return row.key;
  }

  protected sheetOf(rows: ChargedRow[]): Sheet {
    return {
      header: ['invoice', 'customer', 'name', 'orders', 'date', 'due', 'net', 'gross', 'by'],
      rows: rows.map((r) => [
        r.number,
        r.customer,
        r.customerName,
        r.orders.join(' '),
        r.date,
        r.due,
        r.net,
        r.gross,
        r.enteredBy
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      {
        keys: 'y',
        says: 'Charge what is selected',
        also: 'invoice bill write',
        run: () => void this.charge()
      },
      { keys: 'm', says: 'Send the invoice to its customer', also: 'mail', run: () => void this.send() },
      { keys: 'P', says: 'Print the invoice', run: () => this.print() },
      { keys: 'u', says: 'Take back what was kept last', also: 'undo', run: () => void this.last.takeBack() }
    ];
  }
}

/** The document of an invoice; with what went into what has a number, if that is wanted. */
export function documentHref(key: string, more: Record<string, string> = {}): string {
  return '/api/customer-invoices/document?' + new URLSearchParams({ key, ...more }).toString();
}
