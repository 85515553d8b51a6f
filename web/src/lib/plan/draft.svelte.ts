import { createMutation, createQuery, useQueryClient, type CreateQueryResult } from '@tanstack/svelte-query';
import { untrack } from 'svelte';
import { answer, api, Refused, type Schemas } from '$lib/api/client';
import { keepHalfTyped } from '$lib/half-typed.svelte';
import { planSeen } from '$lib/plan-seen';
import { consequence } from '$lib/queries';
import { commandOf, type Deciding, type Form, type Kind } from './command';
import type { PlannedOrder } from './plan.svelte';

/** So long after the last letter the consequence is asked for. */
const PAUSE = 120;

interface Asked {
  deciding: Deciding;
  /** The orders it is about, as far as the list has them. */
  orders: () => PlannedOrder[];
  onkept: (decision: Schemas['Decision'], deciding: Deciding) => void;
  /** The same with what the plan has instead. */
  onagain: (deciding: Deciding) => void;
}

/** A decision that is being made: what is typed, what follows from it, and its keeping. Made while its pane comes. */
export class Draft {
  readonly #client = useQueryClient();
  form = $state<Form>({});
  refused = $state<string | undefined>();
  /** What the plan has in the place of what a refusal says is gone. */
  #instead = $state<string[]>([]);
  #command = crypto.randomUUID();
  /** It is being kept, so what comes of it need not be tried any more. */
  #kept = $state(false);
  /** What was typed, once the typing has stopped for a moment. */
  #settled = $state.raw<Schemas['PlanCommand'] | undefined>();
  readonly #preview: CreateQueryResult<Schemas['Consequence']>;

  constructor(private readonly asked: Asked) {
    const { deciding } = asked;
    this.form = { ...deciding.form, fields: { ...deciding.form?.fields } };
    this.#settled = untrack(() => this.wanted);
    this.#preview = createQuery(() => ({
      ...consequence(this.#settled ?? bare(deciding.kind)),
      enabled: this.#settled !== undefined && !this.#kept
    }));
    keepHalfTyped('decision', () => ({ ...deciding, form: $state.snapshot(this.form) }));
    $effect(() => {
      const next = this.wanted;
      const timer = setTimeout(() => (this.#settled = next), PAUSE);
      return () => clearTimeout(timer);
    });
  }

  get deciding(): Deciding {
    return this.asked.deciding;
  }

  readonly many = $derived.by(() => this.deciding.orders.length > 1);
  /** The order it is about, if it is one. */
  readonly one = $derived.by(() => (this.many ? undefined : this.asked.orders()[0]));
  readonly wanted = $derived.by(() => commandOf(this.deciding, this.form));
  readonly asking = $derived.by(() => this.#preview.isFetching);
  /** Another consequence is on its way. */
  readonly old = $derived.by(() => this.#preview.isPlaceholderData);
  readonly consequence = $derived.by(() =>
    this.#settled === undefined || this.#preview.isError ? undefined : this.#preview.data
  );
  readonly gone = $derived(this.#kept ? [] : (this.consequence?.gone ?? []));
  /** Why it cannot be kept, by the server's answer to what is typed. */
  readonly fault = $derived.by(() =>
    this.#settled !== undefined && this.#preview.isError ? this.#preview.error.message : undefined
  );
  readonly ready = $derived.by(
    () =>
      this.wanted !== undefined &&
      this.#settled === this.wanted &&
      this.consequence !== undefined &&
      !this.old &&
      this.consequence.refusals.length === 0 &&
      this.gone.length === 0
  );
  /** What the plan has in the place of what is gone: one key does the same to that. */
  readonly replacement = $derived.by(() => {
    if (this.#instead.length > 0) return this.#instead;
    return this.gone.length > 0 ? there(this.consequence?.instead) : [];
  });

  readonly keeping = createMutation(() => ({
    onMutate: () => {
      this.#kept = true;
      planSeen.deciding();
    },
    onSettled: () => planSeen.answeredDecision(),
    mutationFn: () =>
      answer(
        api.POST('/api/decisions', {
          params: { header: { 'Idempotency-Key': this.#command } },
          body: this.wanted ?? bare(this.deciding.kind)
        })
      ),
    onSuccess: (decision) =>
      this.asked.onkept(decision, { ...this.deciding, form: $state.snapshot(this.form) }),
    onError: (e) => {
      this.#kept = false;
      if (!(e instanceof Refused) || e.problem.status !== 0) {
        this.refused = e.message;
        this.#command = crypto.randomUUID();
        this.#instead = there(e instanceof Refused ? e.problem.instead : undefined);
        void this.#client.invalidateQueries({ queryKey: ['plan'] });
      } else
        this.refused =
          'No answer came, so it may or may not have been kept. Keep it again: nothing is done twice.';
    }
  }));

  /** What the server says against one field stands at that field. */
  faultOf(field: string): string | undefined {
    const problem = this.#preview.error instanceof Refused ? this.#preview.error.problem : undefined;
    return this.#settled !== undefined && problem?.field === field ? problem.detail : undefined;
  }

  keep(): void {
    if (this.replacement.length > 0) this.again();
    else if (this.ready && !this.keeping.isPending) this.keeping.mutate();
  }

  /** The order is dated with the day on which it can be there. */
  dateIt(key: string | undefined, day: string): void {
    if (this.deciding.kind === 'FIRM' && key)
      this.asked.onagain({ kind: 'CHANGE', orders: [key], form: { ...this.form, due: day } });
    else this.form.due = day;
  }

  /** The same with what the plan has now. */
  again(): void {
    const { orders } = this.deciding;
    const missing = this.gone.length > 0 ? this.gone : orders;
    const left = orders.filter((k) => !missing.includes(k));
    this.asked.onagain({
      ...this.deciding,
      orders: [...new Set([...left, ...this.replacement])],
      form: this.form
    });
  }

  /** Writes a field of planning data; nothing written leaves it as it is. */
  put(name: string, value: string): void {
    const fields = { ...this.form.fields };
    if (value.trim() === '') delete fields[name];
    else fields[name] = value;
    this.form.fields = fields;
  }
}

function there(keys: (string | null)[] | null | undefined): string[] {
  return (keys ?? []).filter((k): k is string => Boolean(k));
}

/** A decision of which nothing is said yet. */
function bare(kind: Kind): Schemas['PlanCommand'] {
  return { kind } as Schemas['PlanCommand'];
}
