import { useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { rights } from '$lib/rights.svelte';

type RefusedLine = Schemas['RefusedLine'];

/** What would help where a posting is refused: planned orders that bring what is missing are released in one press. */
export class Cures {
  readonly #client = useQueryClient();
  readonly #lines: () => RefusedLine[];
  readonly doing = new Doing(() => void this.#client.invalidateQueries({ queryKey: ['plan'] }));
  told = $state<{ number: string; line?: string }[]>([]);
  #command = crypto.randomUUID();

  constructor(lines: () => RefusedLine[]) {
    this.#lines = lines;
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
      const plan = await answer(api.GET('/api/plan'));
      const done = await answer(
        api.POST('/api/releases', {
          params: { header: { 'Idempotency-Key': this.#command } },
          body: { seen: plan.version, orders, leaveOut: false }
        })
      );
      this.#command = crypto.randomUUID();
      this.told = done.orders.map((order) => ({ number: order.number }));
    });
  }
}
