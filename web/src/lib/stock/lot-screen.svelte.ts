import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { Doing } from '$lib/doing.svelte';
import { asTyped, parsedNumber } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { Once } from '$lib/once';
import { planState, stockLot } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { saveSheet } from '$lib/ui/export';
import { Posting, type Wish } from './posting.svelte';

export type LotView = Schemas['LotView'];
export type TestRow = LotView['tests'][number];
type Facts = Pick<LotView, 'supplierLot' | 'document' | 'note'>;

const EMPTY = { name: '', value: '', unit: '', lower: '', upper: '' };

/** One lot or serial number: what is known of it, what tests came to, where it came from and where it went. */
export class LotScreen {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly item = $derived(fromAddress('item') ?? '');
  readonly lot = $derived(fromAddress('lot') ?? '');
  readonly serial = $derived(fromAddress('serial') ?? '');
  readonly name = $derived(this.lot || this.serial);
  readonly one = createQuery(() => ({
    ...stockLot({ item: this.item, lot: this.lot, serial: this.serial }),
    enabled: this.item !== '' && this.name !== ''
  }));
  readonly view = $derived(this.one.data);
  readonly shipped = $derived((this.view?.forward ?? []).filter((s) => s.kind === 'shipment'));

  /** A test that is entered, as it is typed; undefined: none is. */
  test = $state<typeof EMPTY | undefined>(halfTyped('test'));
  /** What is known of it, while that is changed. */
  facts = $state<{ supplierLot: string; document: string; note: string } | undefined>(halfTyped('facts'));
  readonly doing = new Doing(() => void this.#client.invalidateQueries({ queryKey: ['plan'] }));
  readonly #once = new Once();

  readonly wrong = $derived.by((): { value?: string; lower?: string; upper?: string } => {
    const wrong: { value?: string; lower?: string; upper?: string } = {};
    for (const field of ['value', 'lower', 'upper'] as const) {
      const typed = this.test?.[field].trim() ?? '';
      if (typed && Number.isNaN(parsedNumber(typed))) wrong[field] = 'is no number';
    }
    return wrong;
  });
  readonly #wish = $derived.by((): Wish | undefined => {
    const { test } = this;
    if (!test?.name.trim() || !test.value.trim() || Object.keys(this.wrong).length > 0) return undefined;
    const limit = (typed: string) => (typed.trim() ? parsedNumber(typed) : undefined);
    return {
      lines: [],
      test: {
        item: this.item,
        lot: this.lot || undefined,
        serial: this.serial || undefined,
        name: test.name.trim(),
        value: parsedNumber(test.value),
        unit: test.unit.trim() || undefined,
        lower: limit(test.lower),
        upper: limit(test.upper)
      }
    };
  });
  readonly posting = new Posting(
    () => this.#wish,
    () => (this.test = undefined)
  );

  constructor() {
    keepHalfTyped('test', () => this.test);
    keepHalfTyped('facts', () => this.facts);
    $effect(() => shortcuts.register('lot', this.#keys()));
  }

  /** Whether the person at the desk may say anything of it. */
  get may(): boolean {
    return rights.stocks();
  }

  /** A new test, or one that is there once more. */
  begin(again?: TestRow): void {
    if (!this.may) {
      this.doing.refused = rights.noStock();
      return;
    }
    const number = (n: number | null | undefined) => (n === null || n === undefined ? '' : asTyped(n));
    this.test = again
      ? {
          name: again.name,
          value: '',
          unit: again.unit ?? '',
          lower: number(again.lower),
          upper: number(again.upper)
        }
      : { ...EMPTY };
  }

  change(): void {
    if (!this.view) return;
    const { supplierLot, document, note } = this.view;
    this.facts = { supplierLot: supplierLot ?? '', document: document ?? '', note: note ?? '' };
  }

  /** Keeps what is known of it. */
  async keep(): Promise<void> {
    const { facts, view } = this;
    if (!facts || !view) return;
    const row = {
      table: 'lots',
      key: { item: this.item, lot: this.lot, serial: this.serial },
      fields: changed(view, facts),
      fresh: !view.known
    };
    await this.doing.run(async () => {
      const body = { kind: 'DATA' as const, rows: [row] };
      await this.#once.send(body, (header) =>
        answer(api.POST('/api/decisions', { params: { header }, body }))
      );
      this.facts = undefined;
    });
  }

  /** Who would have to be told, and what is still here. */
  saveRecall(): void {
    void saveSheet(`recall-${this.item}-${this.name}`, {
      header: ['where', 'who', 'order', 'date', 'item', 'lot', 'quantity', 'unit'],
      rows: [
        ...this.shipped.map((s) => [
          'customer',
          s.partner,
          s.number,
          s.date,
          s.item,
          s.lot ?? s.serial,
          s.quantity,
          s.unit
        ]),
        ...(this.view?.here ?? []).map((h) => [
          'here',
          h.siteName,
          '',
          '',
          h.item,
          h.lot ?? h.serial,
          h.quantity,
          h.unit
        ])
      ]
    });
  }

  #keys() {
    return [
      { keys: 'n', says: 'Enter a test', also: 'new result', run: () => this.begin() },
      {
        keys: 'e',
        says: 'Change what is known of it',
        also: 'edit note certificate',
        run: () => this.change()
      },
      {
        keys: 'E',
        says: 'Save who would have to be told',
        also: 'recall export csv',
        run: () => this.saveRecall()
      },
      { keys: 'P', says: 'Print', run: () => print() },
      {
        keys: 'u',
        says: 'Take back what was posted last from here',
        also: 'undo',
        run: () => void this.posting.takeBack()
      }
    ];
  }
}

/** The columns that say something else. */
function changed(
  view: Facts,
  facts: { supplierLot: string; document: string; note: string }
): Record<string, string> {
  const columns: [string, string | null | undefined, string][] = [
    ['supplier_lot', view.supplierLot, facts.supplierLot],
    ['document', view.document, facts.document],
    ['note', view.note, facts.note]
  ];
  return Object.fromEntries(
    columns
      .map(([name, was, is]): [string, string, string] => [name, was ?? '', is.trim()])
      .filter(([, was, is]) => was !== is)
      .map(([name, , is]) => [name, is])
  );
}
