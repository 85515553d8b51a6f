import { createMutation, createQuery, useQueryClient, type CreateQueryResult } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import { answer, api, Refused, type Schemas } from '$lib/api/client';
import { groupsOf } from '$lib/changes/changes';
import { count } from '$lib/format';
import { halfTyped } from '$lib/half-typed.svelte';
import { Once } from '$lib/once';
import { whatIf } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import type { Assumption } from './what-if';
import type { WhatIfsScreen } from './what-ifs-screen.svelte';

/** One what-if beside the live plan: what it assumes, what follows, and its taking over. Made while its pane comes. */
export class WhatIfScreen {
  readonly #client = useQueryClient();
  readonly query: CreateQueryResult<Schemas['WhatIfView']>;
  /** The assumption that is looked at alone, by its place. */
  readonly only = $derived(fromAddress('only'));
  /** An assumption is being written. */
  adding = $state(false);
  refused = $state<string | undefined>();
  /** The place of the difference that keys act on. */
  cursor = $state(0);
  /** The places of what is to be taken over, while it is asked once. */
  asking = $state.raw<number[] | undefined>();
  readonly #once = new Once();

  constructor(
    readonly id: number,
    private readonly all: WhatIfsScreen
  ) {
    this.query = createQuery(() => whatIf(id, this.only === undefined ? undefined : Number(this.only)));
    this.adding = halfTyped('assumption') !== undefined;
  }

  readonly view = $derived.by(() => this.query.data);
  readonly assumptions = $derived(this.view?.assumptions ?? []);
  readonly #fitting = $derived(this.assumptions.flatMap((a, i) => (a.problem ? [] : [i])));
  readonly rows = $derived(
    this.view ? [...this.view.customerOrders, ...groupsOf(this.view.orders).flatMap((g) => g.orders)] : []
  );
  /** What it is, to be made once more. */
  readonly content = $derived(this.view && { name: this.view.name, assumptions: this.#assumed });
  get #assumed(): Assumption[] {
    return this.assumptions.map((a) => a.assumption);
  }

  /** All of it is asked for, or one assumption alone. */
  readonly asksAll = $derived(this.asking?.length === this.#fitting.length);
  /** What follows, in a few words; the whole stands below. */
  readonly consequence = $derived.by(() => {
    if (!this.view) return '';
    const worse = this.view.customerOrders.filter((c) => !c.better).length;
    const better = this.view.customerOrders.length - worse;
    const orders = groupsOf(this.view.orders).reduce((n, g) => n + g.orders.length, 0);
    const parts = [
      worse ? `${count(worse, 'customer order')} later` : '',
      better ? `${count(better, 'customer order')} earlier` : '',
      orders ? `${count(orders, 'planned order')} otherwise` : ''
    ];
    return parts.filter(Boolean).join(', ') || 'no order changes by it';
  });

  readonly keeping = createMutation(() => ({
    mutationFn: ({ name, all }: { name: string; all: Assumption[] }) =>
      answer(
        api.PUT('/api/what-ifs/{id}', {
          params: { path: { id: this.id }, query: { revision: this.view?.revision ?? 0 } },
          body: { name, assumptions: all }
        })
      ),
    onSuccess: () => {
      this.refused = undefined;
      this.adding = false;
      this.#refresh();
    },
    onError: (e) => {
      this.refused = e.message;
      if (e instanceof Refused && e.problem.status === 409) this.#refresh();
    }
  }));

  readonly taking = createMutation(() => ({
    mutationFn: (places: number[]) => {
      const body = { places, revision: this.view?.revision ?? 0 };
      return this.#once.send(body, (header) =>
        answer(api.POST('/api/what-ifs/{id}/taken-over', { params: { path: { id: this.id }, header }, body }))
      );
    },
    onMutate: () => (this.all.told = 'Taking it over …'),
    onSuccess: (decision) => {
      this.refused = undefined;
      this.all.told = undefined;
      this.all.last.keep(decision);
      void toAddress({ only: undefined });
      this.#refresh();
    },
    onError: (e) => {
      this.all.told = undefined;
      const unanswered = e instanceof Refused && e.problem.status === 0;
      this.refused = unanswered
        ? 'No answer came, so it may or may not have been taken over. Press again: nothing is done twice.'
        : e.message;
    }
  }));

  #refresh(): void {
    void this.#client.invalidateQueries({ queryKey: ['plan'] });
    void this.#client.invalidateQueries({ queryKey: ['what-ifs'] });
  }

  #keep(all: Assumption[]): void {
    if (this.view) this.keeping.mutate({ name: this.view.name, all });
  }

  assume(assumption: Assumption): void {
    this.#keep([...this.#assumed, assumption]);
  }

  rename(name: string): void {
    if (this.view && name.trim() && name.trim() !== this.view.name)
      this.keeping.mutate({ name, all: this.#assumed });
  }

  remove(place: number): void {
    void toAddress({ only: undefined });
    this.#keep(this.#assumed.filter((_, i) => i !== place));
  }

  /** One assumption is looked at alone, or all of them again. */
  alone(place: number): void {
    void toAddress({ only: this.only === String(place) ? undefined : String(place) });
  }

  /** Whether something may be done here; whose it is, otherwise, is said. */
  #mine(): boolean {
    if (this.view && !this.view.mine)
      this.all.told = `This is ${this.view.owner}’s what-if. Copy it to assume something else.`;
    return this.view?.mine ?? false;
  }

  add(): void {
    if (this.#mine()) this.adding = true;
  }

  /** Nothing is assumed after all. */
  leave(): void {
    this.adding = false;
    this.refused = undefined;
  }

  /** Says what would follow and asks; the second press does it. */
  takeOver(places: number[] = this.#fitting): void {
    if (!this.#mine() || this.taking.isPending) return;
    if (!rights.may.takeOver) {
      this.all.told = 'Taking over is for planners; copy what it says to one of them.';
    } else if (places.length === 0) {
      this.all.told = 'There is nothing to take over.';
    } else if (this.asking?.join() === places.join()) {
      this.taking.mutate(places);
      this.asking = undefined;
    } else {
      this.asking = places;
      // its own consequence stands below, if it is not all of them
      const alone = places.length === 1 && this.#fitting.length > 1;
      void toAddress({ only: alone ? String(places[0]) : undefined });
    }
  }

  /** The key: goes on with what is asked, or asks for all of it. */
  takeAgain(): void {
    this.takeOver(this.asking ?? this.#fitting);
  }

  look(): void {
    void goto(`/plan?whatif=${this.id}`);
  }

  along(by: number): void {
    this.cursor = Math.max(0, Math.min(this.rows.length - 1, this.cursor + by));
  }
}
