import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { parsedDate, parsedNumber } from '$lib/format';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { planSeen } from '$lib/plan-seen';
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
  busy = $state(false);
  refused = $state<string | undefined>();
  /** Why it is rejected or sent back, while that is asked. */
  reason = $state<string | undefined>();
  /** What the supplier said, while it is typed. */
  said = $state<SaidLine[] | undefined>();
  /** What it would do to customers' orders. */
  consequence = $state.raw<Schemas['Consequence'] | undefined>();
  looking = $state(false);
  #sending = crypto.randomUUID();
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
      date: one.date.trim() && !parsedDate(one.date, this.#today()) ? 'is no day' : undefined,
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
          date: parsedDate(one.date, this.#today()) ?? '',
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
      this.refused = undefined;
    } catch (e) {
      if (asked === this.#asked) this.refused = (e as Error).message;
    } finally {
      if (asked === this.#asked) this.looking = false;
    }
  }

  readonly confirmable = $derived(
    !this.busy && this.consequence !== undefined && this.consequence.refusals.length === 0
  );

  async step(step: Step, reason?: string): Promise<void> {
    await this.#keep({ kind: 'PURCHASE', numbers: [this.#number()], step, reason });
    if (!this.refused) this.reason = undefined;
  }

  async confirm(): Promise<void> {
    if (!this.#confirmation || !this.confirmable) return;
    await this.#keep(this.#confirmation);
    if (!this.refused) this.said = undefined;
  }

  /** To the supplier, or once more as a reminder. */
  async send(): Promise<void> {
    await this.#do(async () => {
      await answer(
        api.POST('/api/purchases/sent', {
          params: { query: { number: this.#number() }, header: { 'Idempotency-Key': this.#sending } }
        })
      );
      this.#sending = crypto.randomUUID();
      void this.#client.invalidateQueries({ queryKey: ['mails'] });
    });
  }

  /** What the plan wants otherwise goes to the supplier. */
  async passOn(): Promise<void> {
    await this.#do(async () => {
      await answer(
        api.POST('/api/purchases/requests', {
          params: { query: { number: this.#number() }, header: { 'Idempotency-Key': this.#sending } }
        })
      );
      this.#sending = crypto.randomUUID();
      void this.#client.invalidateQueries({ queryKey: ['mails'] });
    });
  }

  async #keep(body: Command): Promise<void> {
    await this.#do(async () => {
      const decision = await answer(
        api.POST('/api/decisions', {
          params: { header: { 'Idempotency-Key': crypto.randomUUID() } },
          body
        })
      );
      this.last.keep(decision);
    });
  }

  async #do(what: () => Promise<void>): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    this.refused = undefined;
    planSeen.deciding();
    try {
      await what();
      this.#changed();
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.busy = false;
      planSeen.answeredDecision();
    }
  }

  #changed(): void {
    void this.#client.invalidateQueries({ queryKey: ['plan'] });
  }
}
