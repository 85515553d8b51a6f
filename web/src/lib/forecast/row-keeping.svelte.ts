import { createMutation, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, Refused, type Schemas } from '$lib/api/client';
import { planSeen } from '$lib/plan-seen';

interface Of {
  /** The row as it is to be; true: it is to be gone. */
  row: (back: boolean) => Schemas['RowChange'];
  /** What follows once it is kept. */
  kept: (decision: Schemas['Decision']) => void;
}

/** One row of a table that is kept as a decision, or taken away; once, however often it is asked. */
export class RowKeeping {
  readonly #client = useQueryClient();
  refused = $state<string | undefined>();
  #command = crypto.randomUUID();

  constructor(private readonly of: Of) {}

  readonly #keeping = createMutation(() => ({
    onMutate: () => planSeen.deciding(),
    onSettled: () => planSeen.answeredDecision(),
    mutationFn: (back: boolean) =>
      answer(
        api.POST('/api/decisions', {
          params: { header: { 'Idempotency-Key': this.#command } },
          body: { kind: 'DATA', rows: [this.of.row(back)] }
        })
      ),
    onSuccess: (decision) => {
      this.#command = crypto.randomUUID();
      this.of.kept(decision);
      void this.#client.invalidateQueries({ queryKey: ['plan'] });
    },
    onError: (e) => {
      this.refused = e.message;
      if (!(e instanceof Refused) || e.problem.status !== 0) this.#command = crypto.randomUUID();
    }
  }));

  get busy(): boolean {
    return this.#keeping.isPending;
  }

  keep(back: boolean): void {
    if (!this.busy) this.#keeping.mutate(back);
  }
}
