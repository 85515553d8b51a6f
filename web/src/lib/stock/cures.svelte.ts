import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { untrack } from 'svelte';
import { answer, api, type Schemas } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { Once } from '$lib/once';
import { planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';

type RefusedLine = Schemas['RefusedLine'];

/** What would help where a posting is refused: planned orders that bring what is missing are released in one press. */
export class Cures {
  readonly #client = useQueryClient();
  readonly #lines: () => RefusedLine[];
  readonly doing = new Doing(() => void this.#client.invalidateQueries({ queryKey: ['plan'] }));
  told = $state<{ number: string; line?: string }[]>([]);
  readonly #once = new Once();

  /** The plan when the lines came: what somebody releases after that is told, and not released again. */
  #seen = 0;

  constructor(lines: () => RefusedLine[]) {
    this.#lines = lines;
    const plan = createQuery(planState);
    $effect(() => {
      lines();
      this.#seen = untrack(() => plan.data?.version ?? 0);
    });
  }

  /** Planned orders that whoever looks may release, each once. */
  readonly planned = $derived.by(() => [
    ...new Set(
      this.#lines()
        .flatMap((line) => line.cures)
        .filter((cure) => cure.key && cure.source && rights.releases([cure.source]))
        .map((cure) => cure.key ?? '')
    )
  ]);

  async release(): Promise<void> {
    const orders = this.planned;
    await this.doing.run(async () => {
      const body = { seen: this.#seen, orders, leaveOut: false };
      const done = await this.#once.send(body, (header) =>
        answer(api.POST('/api/releases', { params: { header }, body }))
      );
      this.told = done.orders.map((order) => ({ number: order.number }));
    });
  }
}
