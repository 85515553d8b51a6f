import { createQuery } from '@tanstack/svelte-query';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { planState, stockDue } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';
import { chargeOf, NO_PAPER, wrongPaper, type Paper } from './paper';
import { Posting, type Wish } from './posting.svelte';
import { scanning, type Scan } from './scanning.svelte';

export type Due = Schemas['DueLine'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'number', name: 'Order', width: 104 },
  { code: 'item', name: 'Item and supplier' },
  { code: 'open', name: 'To come', width: 88, right: true },
  { code: 'due', name: 'Due', width: 96, right: true }
];

/** What suppliers are to bring: one line received with what it needs, or many at once in one posting. */
export class DueScreen extends ListScreen<Due> {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Coming in', () => COLUMNS);
  readonly supplier = $derived(fromAddress('supplier'));
  readonly rows = createQuery(() => stockDue({ words: this.sought, supplier: this.supplier }));
  readonly here = $derived.by(() => this.all().find((r) => r.key === this.opened));
  readonly chosen = $derived.by(() => this.all().filter((r) => this.list.selected.has(r.key)));
  /** Those that cannot come without a lot or serial number of their own. */
  readonly single = $derived(this.chosen.filter((r) => r.tracking !== 'none'));
  readonly together = $derived(this.chosen.filter((r) => r.tracking === 'none'));
  /** The invoice that lies with what was selected; it is of one supplier. */
  paper = $state<Paper>({ ...NO_PAPER });
  readonly charges = $derived.by(
    () => rights.releases(['buy']) && new Set(this.together.map((r) => r.supplier)).size === 1
  );
  readonly paperWrong = $derived.by(() => (this.charges ? wrongPaper(this.paper, this.today) : undefined));
  readonly wish = $derived.by((): Wish | undefined =>
    this.together.length > 0 && !this.paperWrong
      ? {
          charge: this.charges ? chargeOf(this.paper, this.today, []) : undefined,
          lines: this.together.map((r) => ({ act: 'RECEIVE', number: r.number, line: r.line }))
        }
      : undefined
  );
  readonly posting = new Posting(
    () => this.wish,
    () => {
      const [one, ...others] = new Set(this.together.map((r) => r.supplier));
      this.received(this.posting.last, others.length === 0 ? one : undefined);
      this.list.selected.clear();
      this.paper = { ...NO_PAPER };
    }
  );

  constructor() {
    super({ name: 'coming-in', row: 'line', opened: 'line' });
    $effect(() => scanning.takenBy((scan) => this.scanned(scan)));
  }

  get empty(): string {
    return this.sought || this.supplier
      ? 'Nothing that is to come fits these filters.'
      : 'No supplier has anything to bring: release purchase orders in the Plan.';
  }

  /** What was received, and whose invoice may have come with it. */
  received(last: Posting['last'], supplier: string | null | undefined): void {
    this.posting.last = last && {
      ...last,
      charges: rights.releases(['buy']) ? (supplier ?? undefined) : undefined
    };
  }

  /** A scanned order is opened, and a label is typed into the receipt of the line that is to bring its item. */
  private scanned(scan: Scan): boolean {
    const brings = (r: Due) => (scan.kind === 'order' ? r.number === scan.number : r.item === scan.item);
    const line = this.here && brings(this.here) ? this.here : this.all().find(brings);
    if (!line) return false;
    if (scan.kind !== 'order') scanning.wait(scan);
    this.list.selected.clear();
    this.open(line.key);
    return true;
  }

  /** All that is selected, whole. */
  receive(): void {
    if (!rights.stocks()) this.posting.refused = rights.noStock();
    else if (this.chosen.length === 0) this.posting.refused = 'Select what has come with x.';
    else if (this.together.length === 0)
      this.posting.refused = 'What has lots or serial numbers is received one by one.';
    else void this.posting.post();
  }

  protected all(): Due[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(row: Due): string {
    return row.key;
  }

  protected sheetOf(rows: Due[]): Sheet {
    return {
      header: ['number', 'line', 'item', 'name', 'site', 'supplier', 'to_come', 'unit', 'due', 'days_late'],
      rows: rows.map((r) => [
        r.number,
        r.line,
        r.item,
        r.itemName,
        r.site,
        r.supplierName,
        r.open,
        r.unit,
        r.due,
        r.late
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'r', says: 'Receive all that is selected, whole', run: () => this.receive() },
      {
        keys: 'u',
        says: 'Take back what was received last from here',
        also: 'undo',
        run: () => void this.posting.takeBack()
      }
    ];
  }
}
