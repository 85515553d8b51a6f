import { createMutation, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, Refused, type Schemas } from '$lib/api/client';
import { planSeen } from '$lib/plan-seen';

interface Of {
  command: () => Schemas['PlanCommand'] | undefined;
  /** The version of the plan that is shown. */
  version: () => number;
  /** It is kept, and the plan knows it. */
  onknown: (line: string, release: boolean) => void;
}

/** The keeping of an order sheet: once, whatever the connection does, and until the plan knows the order. */
export class OrderKeeping {
  readonly #client = useQueryClient();
  refused = $state<string | undefined>();
  #command = crypto.randomUUID();
  #kept = $state(false);
  /** What the order needs is released right behind it. */
  #release = false;
  /** The first line of what was kept and the plan may not know yet, and the plan that did not know it. */
  #coming = $state.raw<string | undefined>();
  #seen = 0;

  constructor(private readonly of: Of) {
    // what was kept is opened as soon as the plan knows it
    $effect(() => {
      const line = this.#coming;
      if (line === undefined || this.of.version() <= this.#seen) return;
      this.#coming = undefined;
      this.of.onknown(line, this.#release);
    });
  }

  /** It is kept, or about to be. */
  readonly busy = $derived.by(() => this.#kept);

  readonly keeping = createMutation(() => ({
    onMutate: () => {
      this.#kept = true;
      this.#seen = this.of.version();
      planSeen.deciding();
    },
    onSettled: () => planSeen.answeredDecision(),
    mutationFn: () =>
      answer(
        api.POST('/api/decisions', {
          params: { header: { 'Idempotency-Key': this.#command } },
          body: this.of.command() ?? { kind: 'ENTER' }
        })
      ),
    onSuccess: (decision) => {
      this.#coming = decision.orders[0];
    },
    onError: (e) => {
      this.#kept = false;
      if (e instanceof Refused && e.problem.status === 0) {
        this.refused =
          'No answer came, so it may or may not have been kept. Keep it again: nothing is done twice.';
        return;
      }
      this.refused = e.message;
      this.#command = crypto.randomUUID();
      void this.#client.invalidateQueries({ queryKey: ['plan'] });
    }
  }));

  /** @param release what it needs is released right behind it */
  keep(release: boolean): void {
    this.#release = release;
    if (!this.#kept) this.keeping.mutate();
  }
}
