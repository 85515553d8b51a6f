import { useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { asTyped, comingDate, parsedDate, parsedNumber } from '$lib/format';
import { keepHalfTyped, halfTyped } from '$lib/half-typed.svelte';
import { chargeableOf } from '$lib/queries';

type Command = Schemas['PlanCommand'];
type Chargeable = Schemas['ChargeableRow'];

/** A line as it is typed: what is left empty is charged as it came and was agreed, or credited as it went back. */
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
  /** The supplier's letter that it came with, which is done when the invoice is entered. */
  letter?: number;
}

const NOTHING: Typed = { supplier: '', number: '', date: '', due: '', note: '', lines: [] };
const FORM = 'invoice';
const HALF_TYPED = 'This invoice is half typed: enter it or leave it first (Esc), then begin the next.';

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
    if (this.#halfTyped()) {
      if (supplier !== this.typed?.supplier) this.refused = HALF_TYPED;
      return;
    }
    this.typed = { ...NOTHING, lines: [] };
    if (supplier) await this.of(supplier);
  }

  #halfTyped(): boolean {
    const { typed } = this;
    return !!typed && !!(typed.number || typed.date || typed.lines.some((l) => l.quantity || l.price));
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
      // what went back stands on a paper of its own, unless nothing else is left
      const credit = rows.every((row) => row.left < 0);
      return rows.map((row) => ({ row, charged: credit || row.left > 0, quantity: '', price: '' }));
    } catch (e) {
      this.refused = (e as Error).message;
      return [];
    } finally {
      this.reading = false;
    }
  }

  /** Fills in what a document for machines says. */
  async read(file: File | undefined): Promise<void> {
    if (file) await this.#fill(() => Promise.resolve(file));
  }

  /** The same of a document that a supplier sent. */
  async readLetter(letter: number): Promise<void> {
    await this.#fill(async () => {
      const response = await fetch(`/api/letters/${letter}/document`);
      if (!response.ok) throw new Error('The letter cannot be read.');
      return response.blob();
    }, letter);
  }

  async #fill(document: () => Promise<Blob>, letter?: number): Promise<void> {
    if (this.#halfTyped()) {
      if (!letter || letter !== this.typed?.letter) this.refused = HALF_TYPED;
      return;
    }
    this.typed = { ...NOTHING, lines: [] };
    this.refused = undefined;
    try {
      const file = await document();
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
        letter,
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
      quantity: one.charged && !Number.isFinite(amount(one.quantity, one.row.left)),
      price: one.charged && !ok(one.price, one.row.agreed)
    }))
  );
  readonly day = $derived.by(() =>
    this.typed?.date ? parsedDate(this.typed.date, this.#today()) : undefined
  );
  readonly dueDay = $derived.by(() =>
    this.typed?.due ? comingDate(this.typed.due, this.#today()) : undefined
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

  /** Nothing but what went back stands on it. */
  readonly credit = $derived.by(() => {
    const lines = (this.typed?.lines ?? []).filter((one) => one.charged);
    return lines.length > 0 && lines.every((one) => amount(one.quantity, one.row.left) < 0);
  });
  readonly keepable = $derived(this.seen !== undefined && this.seen.refusals.length === 0);

  async keep(): Promise<void> {
    const letter = this.typed?.letter;
    if (!this.wish || !this.keepable || !(await this.#keep(this.wish))) return;
    this.leave();
    if (letter === undefined) return;
    await answer(
      api.POST('/api/letters/{id}/state', { params: { path: { id: letter }, query: { to: 'done' } } })
    );
  }
}

function amount(text: string, otherwise: number | null | undefined): number {
  return text.trim() ? parsedNumber(text) : (otherwise ?? Number.NaN);
}

function ok(text: string, otherwise: number | null | undefined): boolean {
  const n = amount(text, otherwise);
  return Number.isFinite(n) && n >= 0;
}
