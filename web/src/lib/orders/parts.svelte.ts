import { createQuery, useQueryClient, type CreateQueryResult } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { Once } from '$lib/once';
import { orderParts, stockOnHand } from '$lib/queries';
import { rights } from '$lib/rights.svelte';

/** The parts of an order: where they come from, and the release of the transfers that are only planned. */
export class OrderParts {
  readonly #client = useQueryClient();
  readonly parts: CreateQueryResult<Schemas['OrderParts']>;
  /** What lies at the subcontractor's in all. */
  readonly lying: CreateQueryResult<Schemas['OnHandRows']>;
  readonly doing = new Doing(() => void this.#client.invalidateQueries({ queryKey: ['plan'] }));
  /** What was released. */
  told = $state<string | undefined>();
  readonly #once = new Once();

  constructor(number: () => string) {
    // what was said of one order is not said of the next
    $effect(() => {
      number();
      this.told = undefined;
      this.doing.refused = undefined;
    });
    this.parts = createQuery(() => orderParts(number()));
    this.lying = createQuery(() => ({
      ...stockOnHand({ site: this.parts.data?.site ?? undefined, limit: 0 }),
      enabled: this.parts.data?.premises === true && !!this.parts.data.site
    }));
  }

  readonly transfers = $derived.by(() =>
    rights.releases(['transfer']) ? (this.parts.data?.transfers ?? []) : []
  );

  of(line: string, item: string): Schemas['PartRow'] | undefined {
    return this.parts.data?.parts.find((part) => part.line === line && part.item === item);
  }

  /** Releases what is planned to bring the parts. */
  async release(): Promise<void> {
    this.told = undefined;
    await this.doing.run(async () => {
      const body = { seen: this.parts.data?.version ?? 0, orders: this.transfers, leaveOut: false };
      const done = await this.#once.send(body, (header) =>
        answer(api.POST('/api/releases', { params: { header }, body }))
      );
      this.told = `Released ${done.orders.map((order) => order.number).join(', ')}.`;
    });
  }
}
