import { createQuery } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { lotHref } from '$lib/links';
import { expiringLots, expiringUsers, planState } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';

export type ExpiringLot = Schemas['ExpiringLot'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'lot', name: 'Lot and item' },
  { code: 'unused', name: 'Left over', width: 96, right: true },
  { code: 'expiry', name: 'Serves until', width: 96, right: true }
];

/** Lots that expire, the soonest first: what the plan uses before, and what would be left over. */
export class ExpiringScreen extends ListScreen<ExpiringLot> {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Expiring', () => COLUMNS);
  readonly everything = $derived(fromAddress('lots') === 'all');
  readonly rows = createQuery(() => expiringLots({ words: this.sought, everything: this.everything }));
  readonly here = $derived(this.all().find((r) => r.key === this.opened));
  readonly users = createQuery(() => ({
    ...expiringUsers(this.here?.key ?? ''),
    enabled: this.here !== undefined
  }));

  constructor() {
    super({ name: 'expiring', row: 'lot', opened: 'lot' });
  }

  get empty(): string {
    if (this.sought) return 'No lot fits.';
    return this.everything ? 'No lot has a day on which it expires.' : 'Every lot is used before it expires.';
  }

  lot(): void {
    if (this.here) void goto(lotHref(this.here.item, this.here.lot, this.here.serial));
  }

  all(): ExpiringLot[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(row: ExpiringLot): string {
    return row.key;
  }

  protected sheetOf(rows: ExpiringLot[]): Sheet {
    return {
      header: [
        'item',
        'name',
        'site',
        'lot',
        'serial',
        'expiry',
        'days',
        'quantity',
        'left_over',
        'unit',
        'value'
      ],
      rows: rows.map((r) => [
        r.item,
        r.itemName,
        r.site,
        r.lot,
        r.serial,
        r.expiry,
        r.days,
        r.quantity,
        r.unused,
        r.unit,
        r.value
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'v', says: 'The lot on one page', run: () => this.lot() },
      {
        keys: 'o',
        says: 'All lots that expire, or only what would be left over',
        run: () => this.filter('lots', this.everything ? undefined : 'all')
      }
    ];
  }
}
