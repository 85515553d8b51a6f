import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { untrack } from 'svelte';
import { answer, api, type Schemas } from '$lib/api/client';
import { said } from '$lib/format';
import { planSeen } from '$lib/plan-seen';
import { planState } from '$lib/queries';

export type Wish = Schemas['PostingWish'];
export type Line = Schemas['PostingLine'];

/** So long after something was changed it is looked at again. */
const PAUSE = 200;

/** With what goes out of the house or comes into it goes a paper. */
const NOTED = new Set(['shipment', 'transfer_out', 'supplier_return', 'receipt']);
/** What comes in is labelled. */
const LABELLED = new Set(['receipt', 'output', 'transfer_in', 'customer_return']);

/** A posting before it is posted: what it would do, why it cannot be, and the last one with what takes it back. */
export class Posting {
  readonly #client = useQueryClient();
  /** What is to be posted; undefined: nothing yet, or something is missing. */
  readonly #wish: () => Wish | undefined;
  preview = $state.raw<Schemas['PostingView'] | undefined>();
  refused = $state<string | undefined>();
  looking = $state(false);
  busy = $state(false);
  /** What was posted last from here; `charges` is the supplier whose invoice may be at hand. */
  last = $state.raw<
    | { key: string; sentence: string; note?: boolean; labels?: boolean; charges?: string | undefined }
    | undefined
  >();
  /** Its invoice was entered with it. */
  charged = $state(false);
  /** What came of it, where there is nothing to take back. */
  told = $state<string | undefined>();
  /** Of what is to be posted: pressed again after a lost answer, it posts nothing twice. */
  #command = crypto.randomUUID();
  #asked = 0;
  /** Posted as soon as it has been looked at. */
  #wanted = false;

  /** @param after is done when something was posted */
  constructor(
    wish: () => Wish | undefined,
    private readonly after: () => void = () => undefined
  ) {
    this.#wish = wish;
    // what is read anew and says the same is not another wish: whoever has pressed already is not forgotten
    const said = $derived(JSON.stringify(this.#wish() ?? null));
    $effect(() => {
      const now = said === 'null' ? undefined : untrack(this.#wish);
      this.#command = crypto.randomUUID();
      this.#asked++;
      this.#wanted = false;
      // what was looked at before is not what would be posted now
      this.looking = now !== undefined;
      if (!now) {
        this.preview = undefined;
        this.refused = undefined;
        return;
      }
      const timer = setTimeout(() => void this.#look(now), PAUSE);
      return () => clearTimeout(timer);
    });
    // what others do meanwhile may make it something else
    const plan = createQuery(planState);
    let seen: number | undefined;
    $effect(() => {
      const version = plan.data?.version;
      if (seen !== undefined && version !== seen) untrack(this.again);
      seen = version ?? seen;
    });
  }

  readonly ready = $derived.by(
    () => !this.busy && !this.looking && this.preview !== undefined && this.preview.refused.length === 0
  );

  /** What its button says: who has to approve it is asked. */
  verb(name: string): string {
    return this.preview?.asks ? `Ask the ${this.preview.asks}` : name;
  }

  /** Whether it may be pressed: while it is looked at it is posted as soon as that is done. */
  readonly pressable = $derived(this.ready || (this.looking && !this.busy));

  async #look(wish: Wish): Promise<void> {
    const asked = ++this.#asked;
    this.looking = true;
    this.refused = undefined;
    try {
      const preview = await answer(api.POST('/api/stock/preview', { body: wish }));
      if (asked === this.#asked) this.preview = preview;
    } catch (e) {
      if (asked !== this.#asked) return;
      this.preview = undefined;
      this.refused = (e as Error).message;
    } finally {
      if (asked === this.#asked) {
        this.looking = false;
        if (this.#wanted) void this.post();
      }
    }
  }

  /** Looks at it once more: what helps may have come. */
  readonly again = (): void => {
    const now = this.#wish();
    if (now && !this.busy) void this.#look(now);
  };

  async post(): Promise<void> {
    const wish = this.#wish();
    this.#wanted = this.looking;
    if (!wish || !this.ready) return;
    if (this.preview?.asks) await this.#ask(wish, this.#command);
    else await this.#post(wish, this.#command);
  }

  /** Takes a posting back; without a key the last one from here. */
  async takeBack(key = this.last?.key, reason = 'taken back'): Promise<void> {
    if (key === undefined) {
      this.refused = 'Nothing was posted from here that could be taken back.';
      return;
    }
    await this.#post({ reason, lines: [{ act: 'REVERSE', reverses: key }] }, crypto.randomUUID());
  }

  /** Somebody has to approve it before it is posted. */
  #ask(wish: Wish, command: string): Promise<void> {
    return this.#do(async () => {
      const asked = this.preview?.asks;
      await answer(
        api.POST('/api/stock/waiting', { params: { header: { 'Idempotency-Key': command } }, body: wish })
      );
      this.last = undefined;
      this.told = `Asked the ${asked}. Until it is approved it stands in Counts.`;
    });
  }

  #post(wish: Wish, command: string): Promise<void> {
    return this.#do(async () => {
      const posted = await answer(
        api.POST('/api/stock/postings', { params: { header: { 'Idempotency-Key': command } }, body: wish })
      );
      const sentence = said(posted.posting.sentence);
      const back = wish.lines[0]?.act === 'REVERSE';
      const note = posted.posting.movements.some((m) => NOTED.has(m.kind));
      const labels = posted.posting.movements.some((m) => LABELLED.has(m.kind));
      this.last = posted.key && !back ? { key: posted.key, sentence, note, labels } : undefined;
      this.charged = wish.charge != null;
      this.told = this.last ? undefined : sentence;
    });
  }

  async #do(what: () => Promise<void>): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    this.refused = undefined;
    planSeen.deciding();
    try {
      await what();
      this.preview = undefined;
      this.#command = crypto.randomUUID();
      // what was typed is posted: a reload from here on must not offer it again
      this.after();
      await this.#client.invalidateQueries({ queryKey: ['plan'] });
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.busy = false;
      planSeen.answeredDecision();
    }
  }
}
