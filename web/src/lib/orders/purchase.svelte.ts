import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { comingDate, parsedNumber } from '$lib/format';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { Doing } from '$lib/doing.svelte';
import { Once } from '$lib/once';
import { Reason } from '$lib/reason.svelte';
import { purchase } from '$lib/queries';

type Command = Schemas['PlanCommand'];
type Step = 'END_HOLD' | 'APPROVE' | 'REJECT' | 'HOLD' | 'SEND_BACK';

/** What a supplier said of a line: when it comes, and how much of it. */
export interface SaidLine {
  line: string;
  date: string;
  quantity: string;
}

/** A purchase order on its way: what is done with it, looked at before it is kept. */
export class Purchase {
  readonly #client = useQueryClient();
  readonly #number: () => string;
  readonly #today: () => string;
  readonly query;
  readonly last = new LastDecision(() => this.#changed());
  readonly doing = new Doing(() => this.#changed());
  /** Why it is rejected or sent back, while that is asked. */
  readonly #reason = new Reason('purchase-back', () => this.#number());
  /** What the supplier said, while it is typed. */
  said = $state<SaidLine[] | undefined>();
  /** What it would do to customers' orders. */
  consequence = $state.raw<Schemas['Consequence'] | undefined>();
  looking = $state(false);
  readonly #once = new Once();
  #asked = 0;

  constructor(number: () => string, today: () => string, enabled: () => boolean) {
    this.#number = number;
    this.#today = today;
    this.query = createQuery(() => ({ ...purchase(number()), enabled: enabled() }));
    $effect(() => {
      const wish = this.#confirmation;
      this.#asked++;
      this.consequence = undefined;
      this.looking = wish !== undefined;
      if (!wish) return;
      const timer = setTimeout(() => void this.#look(wish), 250);
      return () => clearTimeout(timer);
    });
  }

  readonly state = $derived.by(() => this.query.data?.state);

  /** What is wrong with what is typed, by line. */
  readonly wrong = $derived.by(() =>
    (this.said ?? []).map((one) => ({
      date: one.date.trim() && !comingDate(one.date, this.#today()) ? 'is no day' : undefined,
      quantity: one.quantity.trim() && Number.isNaN(parsedNumber(one.quantity)) ? 'is no number' : undefined
    }))
  );

  readonly #confirmation = $derived.by((): Command | undefined => {
    if (!this.said || this.wrong.some((w) => w.date || w.quantity)) return undefined;
    return {
      kind: 'CONFIRMED',
      number: this.#number(),
      lines: this.said
        .filter((one) => one.date.trim())
        .map((one) => ({
          line: one.line,
          date: comingDate(one.date, this.#today()) ?? '',
          quantity: one.quantity.trim() ? parsedNumber(one.quantity) : undefined
        }))
    };
  });

  async #look(wish: Command): Promise<void> {
    const asked = ++this.#asked;
    try {
      const seen = await answer(api.POST('/api/decisions/preview', { body: wish }));
      if (asked !== this.#asked) return;
      this.consequence = seen;
      this.doing.refused = undefined;
    } catch (e) {
      if (asked === this.#asked) this.doing.refused = (e as Error).message;
    } finally {
      if (asked === this.#asked) this.looking = false;
    }
  }

  readonly confirmable = $derived(
    !this.doing.busy && this.consequence !== undefined && this.consequence.refusals.length === 0
  );

  get reason(): string | undefined {
    return this.#reason.text;
  }

  set reason(text: string | undefined) {
    this.#reason.text = text;
  }

  async step(step: Step, reason?: string): Promise<void> {
    await this.#keep({ kind: 'PURCHASE', numbers: [this.#number()], step, reason });
    if (!this.doing.refused) this.reason = undefined;
  }

  async confirm(): Promise<void> {
    if (!this.#confirmation || !this.confirmable) return;
    await this.#keep(this.#confirmation);
    if (!this.doing.refused) this.said = undefined;
  }

  /** To the supplier, or once more as a reminder. */
  async send(): Promise<void> {
    const query = { number: this.#number() };
    await this.doing.run(async () => {
      await this.#once.send({ send: query }, (header) =>
        answer(api.POST('/api/purchases/sent', { params: { query, header } }))
      );
      void this.#client.invalidateQueries({ queryKey: ['mails'] });
    });
  }

  /** What the plan wants otherwise goes to the supplier. */
  async passOn(): Promise<void> {
    const query = { number: this.#number() };
    await this.doing.run(async () => {
      await this.#once.send({ passOn: query }, (header) =>
        answer(api.POST('/api/purchases/requests', { params: { query, header } }))
      );
      void this.#client.invalidateQueries({ queryKey: ['mails'] });
    });
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
}
