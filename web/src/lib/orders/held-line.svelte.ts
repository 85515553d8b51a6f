import { answer, api, type Schemas } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { comingDate, parsedNumber } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { Once } from '$lib/once';

type Command = Schemas['PlanCommand'];

interface Typed {
  quantity: string;
  due: string;
  supplier: string;
  off: string;
}

const nothing = (): Typed => ({ quantity: '', due: '', supplier: '', off: '' });
const PAUSE = 250;

/** A line of a purchase that has not been sent: changed, or a part of it split off, looked at before it is kept. */
export class HeldLine {
  typed = $state<Typed>(nothing());
  open = $state(false);
  consequence = $state.raw<Schemas['Consequence'] | undefined>();
  readonly doing = new Doing(() => undefined);
  readonly #key: string;
  readonly #today: () => string;
  readonly #kept: (decision: Schemas['Decision']) => void;
  #asked = 0;
  readonly #once = new Once();

  /** @param kept is told what was kept */
  constructor(key: string, today: () => string, kept: (decision: Schemas['Decision']) => void) {
    this.#key = key;
    this.#today = today;
    this.#kept = kept;
    const form = `held ${key}`;
    const before = halfTyped<Typed & { open: boolean }>(form);
    if (before) {
      this.open = before.open;
      this.typed = { quantity: before.quantity, due: before.due, supplier: before.supplier, off: before.off };
    }
    keepHalfTyped(form, () => ({ ...this.typed, open: this.open }));
    $effect(() => {
      const { wish } = this;
      this.consequence = undefined;
      const asked = ++this.#asked;
      if (!wish) return;
      const timer = setTimeout(() => void this.#look(wish, asked), PAUSE);
      return () => clearTimeout(timer);
    });
  }

  async keep(): Promise<void> {
    const wish = this.wish;
    if (!wish || !this.ready) return;
    await this.doing.run(async () => {
      this.#kept(
        await this.#once.send(wish, (header) =>
          answer(api.POST('/api/decisions', { params: { header }, body: wish }))
        )
      );
      this.leave();
    });
  }

  readonly wrong = $derived.by(() => ({
    quantity: noNumber(this.typed.quantity),
    off: noNumber(this.typed.off),
    due: this.typed.due.trim() !== '' && !comingDate(this.typed.due, this.#today()) ? 'is no day' : undefined
  }));

  /** What is typed, as a decision; undefined: nothing yet, or something is wrong. */
  readonly wish = $derived.by((): Command | undefined => {
    const { quantity, due, supplier, off } = this.typed;
    if (!this.open || this.wrong.quantity || this.wrong.off || this.wrong.due) return undefined;
    const day = due.trim() ? comingDate(due, this.#today()) : undefined;
    if (off.trim())
      return { kind: 'SPLIT', orders: [this.#key], parts: [{ quantity: parsedNumber(off), due: day }] };
    if (!quantity.trim() && !day && !supplier) return undefined;
    return {
      kind: 'CHANGE',
      orders: [this.#key],
      quantity: quantity.trim() ? parsedNumber(quantity) : undefined,
      due: day,
      supplier: supplier || undefined
    };
  });

  readonly ready = $derived(
    !this.doing.busy && this.consequence !== undefined && this.consequence.refusals.length === 0
  );

  async #look(wish: Command, asked: number): Promise<void> {
    try {
      const seen = await answer(api.POST('/api/decisions/preview', { body: wish }));
      if (asked !== this.#asked) return;
      this.consequence = seen;
      this.doing.refused = undefined;
    } catch (e) {
      if (asked === this.#asked) this.doing.refused = (e as Error).message;
    }
  }

  leave(): void {
    this.open = false;
    this.typed = nothing();
    this.doing.refused = undefined;
  }
}

function noNumber(text: string): string | undefined {
  if (!text.trim()) return undefined;
  const number = parsedNumber(text);
  return Number.isNaN(number) || number <= 0 ? 'is no quantity' : undefined;
}
