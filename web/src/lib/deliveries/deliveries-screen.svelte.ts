import { createQuery } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import { planState, supplierRecord, suppliersDelivering } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';
import { SPANS, YEAR, type DeliverySum } from './deliveries';

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'name', name: 'Supplier' },
  { code: 'time', name: 'In time', width: 104, right: true },
  { code: 'lead', name: 'Takes', width: 60, right: true }
];

/** How suppliers deliver: all of them beside each other, and one with the lines behind each figure. */
export class DeliveriesScreen extends ListScreen<DeliverySum> {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Deliveries', () => COLUMNS);
  readonly span = $derived(fromAddress('span'));
  readonly days = $derived(Number(SPANS.find((s) => s.code === this.span)?.code ?? YEAR));
  /** Of which figure, and of which item, the lines are shown. */
  readonly figure = $derived(fromAddress('figure'));
  readonly item = $derived(fromAddress('item'));
  readonly rows = createQuery(() => suppliersDelivering({ words: this.sought, days: this.days }));
  readonly here = $derived(this.rows.data?.find((r) => r.code === this.opened));
  readonly one = createQuery(() => ({
    ...supplierRecord({
      supplier: this.here?.code ?? '',
      days: this.days,
      figure: this.figure,
      item: this.item
    }),
    enabled: this.here !== undefined
  }));

  constructor() {
    super({ name: 'deliveries', row: 'supplier', opened: 'supplier' });
  }

  get empty(): string {
    return this.sought ? 'No supplier fits.' : 'There are no suppliers yet.';
  }

  /** The lines of one figure; once more: all again. */
  show(figure: string): void {
    void toAddress({ figure: this.figure === figure ? undefined : figure });
  }

  /** The lines of one item; once more: all again. */
  choose(item: string): void {
    void toAddress({ item: this.item === item ? undefined : item });
  }

  all(): DeliverySum[] {
    return this.rows.data ?? [];
  }

  data(): void {
    if (this.here) void goto(`/partners?code=${encodeURIComponent(this.here.code)}`);
  }

  override open(key: string | undefined): void {
    if (key !== undefined && key !== this.opened) void toAddress({ item: undefined });
    super.open(key);
  }

  protected keyOf(row: DeliverySum): string {
    return row.code;
  }

  protected sheetOf(rows: DeliverySum[]): Sheet {
    return {
      header: [
        'supplier',
        'name',
        'orders',
        'lines',
        'value',
        'judged',
        'in_time',
        'late',
        'overdue',
        'closed_with_less',
        'percent_in_time',
        'quantity_in_time',
        'days_late_median',
        'days_late_90',
        'lead_median',
        'lead_mean',
        'lead_deviation',
        'receipts',
        'over',
        'returned',
        'quarantined',
        'agreed',
        'list'
      ],
      rows: rows.map((r) => [
        r.code,
        r.name,
        r.orders,
        r.lines,
        r.value,
        r.judged,
        r.inTime,
        r.late,
        r.overdue,
        r.cut,
        r.percent,
        r.quantityInTime,
        r.days.median,
        r.days.ninety,
        r.lead.median,
        r.lead.mean,
        r.lead.deviation,
        r.lead.count,
        r.over,
        r.returned,
        r.doubtful,
        r.agreed,
        r.list
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'v', says: 'The supplier and his prices', run: () => this.data() },
      { keys: 'o', says: 'Only what was late', also: 'overdue', run: () => this.show('late') },
      {
        keys: 'A',
        says: 'All lines again',
        run: () => void toAddress({ figure: undefined, item: undefined })
      }
    ];
  }
}
