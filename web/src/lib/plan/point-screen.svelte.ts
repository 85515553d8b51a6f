import { createQuery, type CreateQueryResult } from '@tanstack/svelte-query';
import { toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { asTyped, quantity, words } from '$lib/format';
import { balanceSlip, plannedOrder, possibleSlip, signalSlip, stockPoint } from '$lib/queries';
import { trial } from '$lib/trial.svelte';
import type { Deciding } from './command';
import type { Asked, PointInView } from './place';

type Signal = Schemas['SignalView'];

/** One stock point, with the order of it that is in view and what is asked about them. Made while its pane comes. */
export class PointScreen {
  readonly point: CreateQueryResult<Schemas['StockPointView']>;
  readonly #order: CreateQueryResult<Schemas['PlannedOrderInView']>;
  readonly #balance: CreateQueryResult<Schemas['Slip']>;
  readonly #signal: CreateQueryResult<Schemas['Slip']>;
  readonly #possible: CreateQueryResult<Schemas['PossibleInView']>;
  /** The day whose balance is asked for. */
  day = $state<string | undefined>();
  /** The signal whose slip is asked for. */
  doubted = $state.raw<Signal | undefined>();

  constructor(
    private readonly inView: () => PointInView,
    private readonly why: () => Asked
  ) {
    this.point = createQuery(() => stockPoint(inView().item, inView().site));
    this.#order = createQuery(() => {
      const { order } = inView();
      return {
        ...plannedOrder(order ?? ''),
        enabled: order !== undefined,
        placeholderData: (before) => (order === undefined ? undefined : before)
      };
    });
    this.#balance = createQuery(() => ({
      ...balanceSlip(inView().item, inView().site, this.day ?? ''),
      enabled: this.day !== undefined
    }));
    this.#signal = createQuery(() => ({ ...signalSlip(this.doubted), enabled: this.doubted !== undefined }));
    // also of a firmed order, which has no slip of its quantity: somebody wanted it
    this.#possible = createQuery(() => {
      const { order, line } = inView();
      return {
        ...possibleSlip(order ?? line ?? ''),
        enabled: (order !== undefined && why() === 'possible') || line !== undefined
      };
    });
    $effect(() => {
      // another order or point: the question about a day or a signal is over
      const { item, site, order } = inView();
      void [item, site, order];
      this.back();
    });
  }

  readonly today = $derived.by(() => this.point.data?.today ?? '');
  readonly detail = $derived.by(() => this.#order.data?.detail);
  /** Why the order in view is not there any more, or cannot be shown. */
  readonly gone = $derived.by(() => this.#order.data?.gone);
  readonly failure = $derived.by(() => this.#order.error?.message);
  /** Something else than the order in view is asked about. */
  readonly aside = $derived(this.day !== undefined || this.doubted !== undefined);
  readonly slip = $derived.by(() => {
    if (this.doubted !== undefined) return this.#signal.data;
    if (this.day !== undefined) return this.#balance.data;
    if (this.inView().line !== undefined && this.#possible.data?.slip) return this.#possible.data.slip;
    if (this.why() === 'dates') return this.detail?.dates;
    return this.why() === 'possible' ? this.#possible.data?.slip : this.detail?.quantity;
  });
  /** The planning rule, with its levels where it has them. */
  readonly rule = $derived.by(() => {
    const p = this.point.data;
    if (!p) return '';
    const levels =
      p.reorderPoint !== undefined && p.reorderPoint !== null && p.orderUpTo
        ? ` ${quantity(p.reorderPoint)} / ${quantity(p.orderUpTo)}`
        : '';
    return words(p.rule) + levels;
  });

  /** Asks why the balance of a day is what it is. */
  ask(day: string): void {
    this.doubted = undefined;
    this.day = day;
  }

  /** Asks why a signal is there, or no longer. */
  doubt(signal: Signal): void {
    this.doubted = this.doubted === signal ? undefined : signal;
  }

  /** Back to the order. */
  back(): void {
    this.day = undefined;
    this.doubted = undefined;
  }

  /** Looks at the plan as if a customer order line were not there. */
  leaveOut(line: string): void {
    void toAddress({ without: [...trial.without, line].join(' ') });
  }

  /** What taking an offer decides: this once, or from now on. */
  taking(offer: Schemas['Offer'], always: boolean): Deciding | undefined {
    const { item, site, order } = this.inView();
    if (order === undefined) return undefined;
    if (offer.item) return { kind: 'SUBSTITUTE', orders: [order], item: offer.item };
    if (!always) {
      const form = {
        quantity: asTyped(offer.quantity),
        source: offer.source,
        supplier: offer.supplier ?? undefined
      };
      return { kind: 'CHANGE', orders: [order], form };
    }
    const fields = { source: offer.source, supplier: offer.supplier ?? '' };
    return { kind: 'PLANNING', orders: [], item, site, fields: ['supplier'], form: { fields } };
  }
}
