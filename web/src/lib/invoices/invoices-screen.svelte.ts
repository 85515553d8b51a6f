import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { halfTyped, leaveHalfTyped } from '$lib/half-typed.svelte';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { invoice, invoices, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { Doing } from '$lib/doing.svelte';
import { Once } from '$lib/once';
import { Reason } from '$lib/reason.svelte';
import { ListScreen } from '$lib/ui/list-screen.svelte';
import { InvoiceForm } from './invoice-form.svelte';

export type InvoiceRow = Schemas['InvoiceRow'];
type Command = Schemas['PlanCommand'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'number', name: 'Invoice' },
  { code: 'value', name: 'Value', width: 96, right: true },
  { code: 'due', name: 'To be paid', width: 84, right: true }
];

/** Invoices of suppliers: entered, looked at beside what came, approved or sent back. */
export class InvoicesScreen extends ListScreen<InvoiceRow> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly state = $derived(fromAddress('state'));
  readonly columns = new Columns('Invoices', () => COLUMNS);
  readonly rows = createQuery(() => invoices({ state: this.state, words: this.sought }));
  readonly here = $derived(this.rows.data?.rows.find((r) => r.key === this.opened));
  readonly one = createQuery(() => ({
    ...invoice(this.here?.supplier ?? '', this.here?.number ?? '', this.rows.dataUpdatedAt),
    enabled: this.here !== undefined
  }));
  readonly last = new LastDecision(() => this.#changed());
  readonly form = new InvoiceForm(
    () => this.today,
    async (wish) => {
      await this.#keep(wish);
      if (this.doing.refused !== undefined) return false;
      if (wish.kind === 'INVOICE') this.open(`${wish.supplier}~${wish.number}`);
      return true;
    }
  );
  readonly doing = new Doing(() => this.#changed());
  readonly #once = new Once();
  /** Why it goes back, while that is asked. */
  readonly #reason = new Reason('invoice-back', () => this.list.concerned.map((r) => r.key).join(' '));
  chooser = $state<HTMLInputElement>();

  constructor() {
    super({ name: 'invoices', row: 'invoice', opened: 'invoice' });
    const letter = halfTyped<number>('letter');
    if (letter !== undefined) {
      leaveHalfTyped('/orders/invoices', 'letter', undefined);
      void this.form.readLetter(letter);
    }
    const supplier = fromAddress('of');
    if (supplier) {
      void this.form.begin(supplier);
      void toAddress({ of: undefined });
    }
  }

  /** Whether the one in view waits for the person at the desk. */
  get asked(): boolean {
    const asks = this.one.data?.asks;
    return !!asks && (!rights.known || rights.known.role.toLowerCase() === asks);
  }

  get empty(): string {
    return this.sought || this.state
      ? 'No invoice fits these filters.'
      : 'No invoice is here yet. Press n when one comes, or i for a UBL file.';
  }

  begin(): void {
    if (!rights.releases(['buy'])) {
      this.doing.refused = 'Invoices are entered by buyers and planners.';
      return;
    }
    this.doing.refused = undefined;
    void this.form.begin(this.here?.supplier ?? '');
  }

  get reason(): string | undefined {
    return this.#reason.text;
  }

  set reason(text: string | undefined) {
    this.#reason.text = text;
  }

  /** Asks why it goes back. */
  sendBack(): void {
    if (this.asked || this.list.concerned.length > 1) this.reason = '';
    else void this.step('REJECT');
  }

  /** Those that are selected, or the one in view, go on. */
  async step(step: 'APPROVE' | 'REJECT', reason?: string): Promise<void> {
    const rows = this.list.concerned.length > 0 ? this.list.concerned : this.here ? [this.here] : [];
    if (rows.length === 0) return;
    if (rows.length === 1 && !this.asked) {
      this.doing.refused = this.one.data?.asks
        ? `${rows[0]?.number} waits for the ${this.one.data.asks}.`
        : `${rows[0]?.number} waits for nobody.`;
      return;
    }
    await this.#keep({
      kind: 'INVOICES',
      step,
      reason,
      invoices: rows.map((r) => ({ supplier: r.supplier, number: r.number }))
    });
    if (!this.doing.refused) this.reason = undefined;
  }

  async #keep(body: Command): Promise<void> {
    await this.doing.run(async () => {
      this.last.keep(
        await this.#once.send(body, (header) =>
          answer(api.POST('/api/decisions', { params: { header }, body }))
        )
      );
    });
  }

  #changed(): void {
    void this.#client.invalidateQueries({ queryKey: ['plan'] });
  }

  protected all(): InvoiceRow[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(row: InvoiceRow): string {
    return row.key;
  }

  protected sheetOf(rows: InvoiceRow[]): Sheet {
    return {
      header: ['supplier', 'name', 'number', 'date', 'due', 'state', 'orders', 'value', 'entered_by', 'note'],
      rows: rows.map((r) => [
        r.supplier,
        r.supplierName,
        r.number,
        r.date,
        r.due,
        r.state,
        r.orders.join(' '),
        r.value,
        r.enteredBy,
        r.note
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'n', says: 'Enter an invoice', also: 'new', run: () => this.begin() },
      { keys: 'i', says: 'An invoice from a file', also: 'UBL import', run: () => this.chooser?.click() },
      { keys: 'y', says: 'Approve', run: () => void this.step('APPROVE') },
      { keys: 'b', says: 'Send back, with a reason', also: 'reject', run: () => this.sendBack() },
      { keys: 'u', says: 'Take back what was kept last', also: 'undo', run: () => void this.last.takeBack() }
    ];
  }
}
