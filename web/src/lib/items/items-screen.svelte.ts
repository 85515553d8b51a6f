import { createQuery } from '@tanstack/svelte-query';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { items, planState } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';

export type ItemRow = Schemas['ItemRow'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'code', name: 'Code', width: 96 },
  { code: 'name', name: 'Name' },
  { code: 'group', name: 'Group', width: 118 },
  { code: 'on_hand', name: 'On hand', width: 84, right: true }
];

/** Items: which are shown, chosen and opened. */
export class ItemsScreen extends ListScreen<ItemRow> {
  readonly plan = createQuery(planState);
  readonly kind = $derived(fromAddress('kind'));
  readonly columns = new Columns('Items', () => COLUMNS);
  readonly rows = createQuery(() => items({ kind: this.kind, words: this.sought }));

  constructor() {
    super({ name: 'items', row: 'item', opened: 'code' });
  }

  /** What is said where there is no item. */
  get empty(): string {
    return this.rows.data?.total === 0 && !this.kind && !this.sought
      ? 'There are no items yet.'
      : 'No item fits these filters.';
  }

  protected all(): ItemRow[] {
    return this.rows.data?.rows ?? [];
  }

  protected keyOf(item: ItemRow): string {
    return item.code;
  }

  protected sheetOf(rows: ItemRow[]): Sheet {
    return {
      header: ['code', 'name', 'group', 'kind', 'unit', 'planner', 'on_hand'],
      rows: rows.map((i) => [i.code, i.name, i.group, i.kind, i.unit, i.planner, i.onHand])
    };
  }
}
