import { SvelteSet } from 'svelte/reactivity';
import type { Schemas } from '$lib/api/client';

export type PlannedOrder = Schemas['PlannedOrderRow'];
export type Group = PlannedOrder['group'];

export const GROUP_NAMES: Record<Group, string> = {
  START_OVERDUE: 'Start overdue',
  START_TODAY: 'Start today',
  START_THIS_WEEK: 'Start this week',
  START_LATER: 'Start later'
};

/** A line of the list: the head of a group, or a planned order. */
export type Entry = { head: Group; count: number } | { order: PlannedOrder };

/** The list of planned orders: what is shown, where the cursor is, what is selected. */
export class PlanList {
  orders = $state.raw<PlannedOrder[]>([]);
  words = $state('');
  cursor = $state<string | undefined>();
  selected = new SvelteSet<string>();

  shown = $derived.by(() => {
    const words = this.words.trim().toLowerCase();
    if (!words) return this.orders;
    return this.orders.filter((o) =>
      [o.item, o.itemName, o.siteName, o.partner, o.obstacle].some((t) => t?.toLowerCase().includes(words))
    );
  });

  entries = $derived.by(() => {
    const entries: Entry[] = [];
    let group: Group | undefined;
    for (const order of this.shown) {
      if (order.group !== group) {
        group = order.group;
        entries.push({ head: group, count: this.shown.filter((o) => o.group === group).length });
      }
      entries.push({ order });
    }
    return entries;
  });

  chosen = $derived(this.orders.filter((o) => this.selected.has(o.key)));

  /** Those that an action concerns: the selected ones, or the one under the cursor. */
  concerned = $derived(
    this.chosen.length > 0 ? this.chosen : this.orders.filter((o) => o.key === this.cursor)
  );

  at = $derived(this.entries.findIndex((e) => 'order' in e && e.order.key === this.cursor));

  /** New rows from the server; what is gone is no longer selected. */
  take(orders: PlannedOrder[]): void {
    this.orders = orders;
    const there = orders.map((o) => o.key);
    for (const key of this.selected) if (!there.includes(key)) this.selected.delete(key);
  }

  /** The key of the planned order so many places away, or undefined at the ends. */
  step(by: number): string | undefined {
    const here = this.shown.findIndex((o) => o.key === this.cursor);
    const next = here < 0 ? 0 : Math.min(this.shown.length - 1, Math.max(0, here + by));
    return this.shown[next]?.key;
  }

  toggle(key: string | undefined): void {
    if (key === undefined) return;
    if (!this.selected.delete(key)) this.selected.add(key);
  }
}
