import { goto } from '$app/navigation';
import { createQuery } from '@tanstack/svelte-query';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { dayNumber, isoDay } from '$lib/format';
import { pickListHref } from '$lib/links';
import { planState, stockOut } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';
import { Posting, type Wish } from './posting.svelte';

export type Out = Schemas['OutLine'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'number', name: 'Order', width: 104 },
  { code: 'item', name: 'Item and customer' },
  { code: 'open', name: 'To go', width: 104, right: true },
  { code: 'due', name: 'Due', width: 96, right: true }
];
/** How far ahead is looked, in days. */
export const UNTIL = [
  { code: '0', name: 'today' },
  { code: '7', name: 'in a week' },
  { code: '31', name: 'in a month' }
];
export const STATES = [
  { code: 'whole', name: 'all of it is there' },
  { code: 'part', name: 'some is there' },
  { code: 'waits', name: 'waits' }
];

/** What customers are to get: one line shipped with its lots, or all that is ready in one posting. */
export class OutScreen extends ListScreen<Out> {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Going out', () => COLUMNS);
  readonly filters = $derived({
    customer: fromAddress('customer'),
    state: fromAddress('state'),
    within: fromAddress('within')
  });
  readonly #until = $derived.by(() => {
    const { within } = this.filters;
    return within === undefined || !this.today ? undefined : isoDay(dayNumber(this.today) + Number(within));
  });
  readonly rows = createQuery(() =>
    stockOut({
      words: this.sought,
      customer: this.filters.customer,
      state: this.filters.state,
      until: this.#until
    })
  );
  readonly here = $derived.by(() => this.all().find((r) => r.key === this.opened));
  readonly chosen = $derived.by(() => this.all().filter((r) => this.list.selected.has(r.key)));
  /** Those of which something can go. */
  readonly going = $derived(this.chosen.filter((r) => r.ready > 0));
  readonly wish = $derived.by((): Wish | undefined =>
    this.going.length > 0
      ? {
          lines: this.going.map((r) => ({ act: 'SHIP', number: r.number, line: r.line, quantity: r.ready }))
        }
      : undefined
  );
  readonly posting = new Posting(
    () => this.wish,
    () => this.list.selected.clear()
  );

  constructor() {
    super({ name: 'going-out', row: 'line', opened: 'line' });
  }

  get empty(): string {
    const { customer, state, within } = this.filters;
    return this.sought || customer || state || within
      ? 'Nothing that goes out fits these filters.'
      : 'No customer waits for anything: enter orders in Demand.';
  }

  /** All that is selected, as far as it is there. */
  ship(): void {
    if (!rights.stocks()) this.posting.refused = rights.noStock();
    else if (this.chosen.length === 0) this.posting.refused = 'Select what goes with x, or all with X.';
    else if (this.going.length === 0) this.posting.refused = 'Nothing of what is selected is there.';
    else void this.posting.post();
  }

  /** What is to be fetched for those that are selected, or the one in view. */
  pickList(): void {
    const rows = this.chosen.length > 0 ? this.chosen : this.here ? [this.here] : [];
    if (rows.length > 0) void goto(pickListHref([...new Set(rows.map((r) => r.number))]));
  }

  protected all(): Out[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(row: Out): string {
    return row.key;
  }

  protected sheetOf(rows: Out[]): Sheet {
    return {
      header: [
        'number',
        'line',
        'customer',
        'name',
        'item',
        'item_name',
        'site',
        'open',
        'can_go',
        'unit',
        'due',
        'days_late',
        'possible'
      ],
      rows: rows.map((r) => [
        r.number,
        r.line,
        r.customer,
        r.customerName,
        r.item,
        r.itemName,
        r.site,
        r.open,
        r.ready,
        r.unit,
        r.due,
        r.late,
        r.possible
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 's', says: 'Ship all that is selected', run: () => this.ship() },
      {
        keys: 'L',
        says: 'Pick list of the selected orders',
        also: 'print fetch',
        run: () => this.pickList()
      },
      {
        keys: 'u',
        says: 'Take back what was shipped last from here',
        also: 'undo',
        run: () => void this.posting.takeBack()
      }
    ];
  }
}
