import { useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { asTyped, parsedDate, parsedNumber } from '$lib/format';
import { keepHalfTyped, halfTyped } from '$lib/half-typed.svelte';
import { chargeableOf } from '$lib/queries';

type Command = Schemas['PlanCommand'];
type Chargeable = Schemas['ChargeableRow'];

/** A line as it is typed: what is left empty is charged as it came and was agreed. */
export interface ChargeLine {
  row: Chargeable;
  charged: boolean;
  quantity: string;
  price: string;
}

interface Typed {
  supplier: string;
  number: string;
  date: string;
  due: string;
  note: string;
  lines: ChargeLine[];
}

const NOTHING: Typed = { supplier: '', number: '', date: '', due: '', note: '', lines: [] };
const FORM = 'invoice';

/** An invoice while it is typed, looked at before it is kept. */
export class InvoiceForm {
  readonly #client = useQueryClient();
  readonly #today: () => string;
  readonly #keep: (wish: Command) => Promise<boolean>;
  typed = $state<Typed | undefined>();
  reading = $state(false);
  /** What could not be read or looked up. */
  refused = $state<string | undefined>();
  seen = $state.raw<Schemas['Consequence'] | undefined>();
  #asked = 0;

  constructor(today: () => string, keep: (wish: Command) => Promise<boolean>) {
    this.#today = today;
    this.#keep = keep;
    this.typed = halfTyped<Typed>(FORM);
    $effect(() => {
      if (this.typed) keepHalfTyped(FORM, () => $state.snapshot(this.typed));
    });
    $effect(() => {
      const wish = this.wish;
      const asked = ++this.#asked;
      this.seen = undefined;
      if (!wish) return;
      const timer = setTimeout(() => void this.#look(wish, asked), 250);
      return () => clearTimeout(timer);
    });
  }

  async #look(wish: Command, asked: number): Promise<void> {
    try {
      const seen = await answer(api.POST('/api/decisions/preview', { body: wish }));
      if (asked === this.#asked) [this.seen, this.refused] = [seen, undefined];
    } catch (e) {
      if (asked === this.#asked) this.refused = (e as Error).message;
    }
  }

  /** Begins with what came from a supplier and was not charged yet. */
  async begin(supplier = ''): Promise<void> {
    const { typed } = this;
    if (typed && (typed.number || typed.date || typed.lines.some((l) => l.quantity || l.price))) {
      if (supplier !== typed.supplier)
        this.refused = 'This invoice is half typed: enter it or leave it first (Esc), then begin the next.';
      return;
    }
    this.typed = { ...NOTHING, lines: [] };
    if (supplier) await this.of(supplier);
  }

  leave(): void {
    this.typed = undefined;
    this.refused = undefined;
  }

  async of(supplier: string): Promise<void> {
    if (!this.typed) return;
    this.typed.supplier = supplier;
    this.typed.lines = await this.#lines(supplier);
  }

  async #lines(supplier: string): Promise<ChargeLine[]> {
    if (!supplier) return [];
    this.reading = true;
    this.refused = undefined;
    try {
      const rows = await this.#client.fetchQuery(chargeableOf(supplier));
      return rows.map((row) => ({ row, charged: true, quantity: '', price: '' }));
    } catch (e) {
      this.refused = (e as Error).message;
      return [];
    } finally {
      this.reading = false;
    }
  }

  /** Fills in what a document for machines says. */
  async read(file: File | undefined): Promise<void> {
    if (!file) return;
    this.typed = { ...NOTHING, lines: [] };
    this.refused = undefined;
    try {
      const said = await answer(
        api.POST('/api/invoices/read', {
          body: file as unknown as string,
          bodySerializer: (body: unknown) => body as Blob,
          headers: { 'Content-Type': 'application/octet-stream' }
        })
      );
      this.typed = {
        supplier: said.supplier,
        number: said.number,
        date: said.date,
        due: said.due ?? '',
        note: '',
        lines: said.lines.map(({ row, quantity, price }) => ({
          row,
          charged: quantity !== null && quantity !== undefined,
          quantity: quantity === null || quantity === undefined ? '' : asTyped(quantity),
          price: price === null || price === undefined ? '' : asTyped(price)
        }))
      };
      if (said.others.length > 0)
        this.refused = `It also charges ${said.others.join(', ')}, of which nothing came that is not charged yet.`;
    } catch (e) {
      this.refused = (e as Error).message;
    }
  }

  /** What is wrong with what is typed, by line. */
  readonly wrong = $derived.by(() =>
    (this.typed?.lines ?? []).map((one) => ({
      quantity: one.charged && !ok(one.quantity, one.row.left),
      price: one.charged && !ok(one.price, one.row.agreed)
    }))
  );
  readonly day = $derived.by(() =>
    this.typed?.date ? parsedDate(this.typed.date, this.#today()) : undefined
  );
  readonly dueDay = $derived.by(() =>
    this.typed?.due ? parsedDate(this.typed.due, this.#today()) : undefined
  );

  readonly wish = $derived.by((): Command | undefined => {
    const { typed } = this;
    if (!typed || !typed.supplier || !typed.number.trim() || !this.day) return undefined;
    if (typed.due.trim() && !this.dueDay) return undefined;
    if (this.wrong.some((w) => w.quantity || w.price)) return undefined;
    const lines = typed.lines
      .filter((one) => one.charged)
      .map((one) => ({
        order: one.row.order,
        line: one.row.line,
        quantity: amount(one.quantity, one.row.left),
        price: amount(one.price, one.row.agreed)
      }));
    if (lines.length === 0) return undefined;
    return {
      kind: 'INVOICE',
      supplier: typed.supplier,
      number: typed.number.trim(),
      date: this.day,
      due: this.dueDay,
      note: typed.note.trim() || undefined,
      lines
    };
  });

  readonly keepable = $derived(this.seen !== undefined && this.seen.refusals.length === 0);

  async keep(): Promise<void> {
    if (this.wish && this.keepable && (await this.#keep(this.wish))) this.leave();
  }
}

function amount(text: string, otherwise: number | null | undefined): number {
  return text.trim() ? parsedNumber(text) : (otherwise ?? Number.NaN);
}

function ok(text: string, otherwise: number | null | undefined): boolean {
  const n = amount(text, otherwise);
  return Number.isFinite(n) && n >= 0;
}
