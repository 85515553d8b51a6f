import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { isRows, pasted } from '$lib/demand/pasted';
import { shortcuts } from '$lib/desk.svelte';
import { asTyped, date, comingDate, parsedNumber } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { Once } from '$lib/once';
import { planSeen } from '$lib/plan-seen';
import { boughtBefore, offered, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';

export type Before = Schemas['BeforeRow'];
type Command = Schemas['PlanCommand'];

/** What is typed of one item; what is left empty is as usual. */
export interface BoughtLine {
  item: string;
  quantity: string;
  price: string;
  due: string;
}

interface Typed {
  supplier: string;
  site: string;
  due: string;
  note: string;
  lines: BoughtLine[];
}

const FORM = 'purchase';
const PAUSE = 250;

/** A purchase order while it is entered by hand, beside what was bought before and what the plan needs. */
export class BuyingForm {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly sites = createQuery(() => offered({ table: 'sites' }));
  typed = $state<Typed>(
    halfTyped<Typed>(FORM) ?? {
      supplier: fromAddress('supplier') ?? '',
      site: '',
      due: '',
      note: '',
      lines: []
    }
  );
  seen = $state.raw<Schemas['Consequence'] | undefined>();
  refused = $state<string | undefined>();
  busy = $state(false);
  looking = $state(false);
  #asked = 0;
  readonly #once = new Once();

  readonly site = $derived(this.typed.site || (this.sites.data?.[0]?.code ?? ''));
  readonly before = createQuery(() => ({
    ...boughtBefore({ supplier: this.typed.supplier, site: this.site }),
    enabled: this.typed.supplier !== '' && this.site !== ''
  }));

  constructor() {
    keepHalfTyped(FORM, () => $state.snapshot(this.typed));
    $effect(() => {
      const { wish } = this;
      const asked = ++this.#asked;
      this.looking = wish !== undefined;
      if (!wish) {
        this.seen = undefined;
        return;
      }
      const timer = setTimeout(() => void this.#look(wish, asked), PAUSE);
      return () => clearTimeout(timer);
    });
    $effect(() =>
      shortcuts.register('buying', [
        { keys: 'n', says: 'Take what the plan needs', also: 'fill', run: () => this.takeNeeds() },
        { keys: 'A', says: 'Leave all quantities empty', run: () => (this.typed.lines = []) }
      ])
    );
  }

  async #look(wish: Command, asked: number): Promise<void> {
    try {
      const seen = await answer(api.POST('/api/decisions/preview', { body: wish }));
      if (asked === this.#asked) [this.seen, this.refused] = [seen, undefined];
    } catch (e) {
      if (asked === this.#asked) [this.seen, this.refused] = [undefined, (e as Error).message];
    } finally {
      if (asked === this.#asked) this.looking = false;
    }
  }

  line(item: string): BoughtLine | undefined {
    return this.typed.lines.find((l) => l.item === item);
  }

  /** What is typed into a field of an item. */
  set(item: string, field: 'quantity' | 'price' | 'due', text: string): void {
    const line = this.line(item);
    if (line) line[field] = text;
    else this.typed.lines.push({ item, quantity: '', price: '', due: '', [field]: text });
  }

  /** As much of everything as the plan needs of him. */
  takeNeeds(): void {
    for (const row of this.before.data ?? [])
      if (row.needs) {
        this.set(row.item, 'quantity', asTyped(row.needs));
        if (row.needed && row.needed > this.today) this.set(row.item, 'due', date(row.needed));
      }
  }

  /** Rows of a spreadsheet: item and quantity. Answers whether it was more than one cell. */
  paste(text: string): boolean {
    if (!isRows(text)) return false;
    for (const row of pasted(text, [], this.today)) {
      if (!row.item) continue;
      this.set(row.item, 'quantity', row.quantity);
      if (row.wanted) this.set(row.item, 'due', row.wanted);
    }
    return true;
  }

  /** Items that were typed or pasted and stand in no row of what was bought before. */
  readonly others = $derived(
    this.typed.lines.filter((l) => !(this.before.data ?? []).some((b) => b.item === l.item))
  );
  readonly due = $derived(this.typed.due.trim() ? comingDate(this.typed.due, this.today) : undefined);
  readonly lines = $derived(this.typed.lines.filter((l) => l.quantity.trim() !== ''));

  /** What is wrong with what is typed of an item. */
  wrong(item: string): { quantity?: boolean; price?: boolean; due?: boolean } {
    const line = this.line(item);
    if (!line) return {};
    const number = (text: string) => text.trim() !== '' && !(parsedNumber(text) >= 0);
    return {
      quantity: number(line.quantity),
      price: number(line.price),
      due: line.due.trim() !== '' && !comingDate(line.due, this.today)
    };
  }

  readonly wish = $derived.by((): Command | undefined => {
    const { supplier, due, note } = this.typed;
    if (!supplier || !this.site || this.lines.length === 0 || (due.trim() && !this.due)) return undefined;
    if (this.lines.some((l) => Object.values(this.wrong(l.item)).some(Boolean))) return undefined;
    return {
      kind: 'BUY',
      supplier,
      site: this.site,
      due: this.due,
      note: note.trim() || undefined,
      lines: this.lines.map((l) => ({
        item: l.item,
        quantity: parsedNumber(l.quantity),
        price: l.price.trim() ? parsedNumber(l.price) : undefined,
        due: l.due.trim() ? comingDate(l.due, this.today) : undefined
      }))
    };
  });

  readonly keepable = $derived(
    !this.busy && !this.looking && this.seen !== undefined && this.seen.refusals.length === 0
  );

  async keep(): Promise<void> {
    const { wish } = this;
    if (!wish || !this.keepable) return;
    if (!rights.releases(['buy'])) {
      this.refused = 'Purchase orders are entered by buyers and planners.';
      return;
    }
    this.busy = true;
    planSeen.deciding();
    try {
      const decision = await this.#once.send(wish, (header) =>
        answer(api.POST('/api/decisions', { params: { header }, body: wish }))
      );
      this.typed = { supplier: '', site: '', due: '', note: '', lines: [] };
      await this.#client.invalidateQueries({ queryKey: ['plan'] });
      const number = decision.orders[0]?.split('~')[0];
      await goto(number ? '/orders?' + new URLSearchParams({ number }).toString() : '/orders');
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.busy = false;
      planSeen.answeredDecision();
    }
  }
}
