import { createMutation, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { Once } from '$lib/once';
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
  readonly #once = new Once();

  constructor(private readonly of: Of) {}

  readonly #keeping = createMutation(() => ({
    onMutate: () => planSeen.deciding(),
    onSettled: () => planSeen.answeredDecision(),
    mutationFn: (back: boolean) => {
      const body = { kind: 'DATA' as const, rows: [this.of.row(back)] };
      return this.#once.send(body, (header) =>
        answer(api.POST('/api/decisions', { params: { header }, body }))
      );
    },
    onSuccess: (decision) => {
      this.of.kept(decision);
      void this.#client.invalidateQueries({ queryKey: ['plan'] });
    },
    onError: (e) => (this.refused = e.message)
  }));

  get busy(): boolean {
    return this.#keeping.isPending;
  }

  keep(back: boolean): void {
    if (!this.busy) this.#keeping.mutate(back);
  }
}
