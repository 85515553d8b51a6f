import { createQuery } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { monthName, parsedDate } from '$lib/format';
import { planState, stockVariances, stockWorth } from '$lib/queries';
import { saveSheet, savingKeys, type FileKind } from '$lib/ui/export';

export type WorthView = Schemas['WorthView'];
export const BY = [
  { code: 'item', name: 'item' },
  { code: 'site', name: 'site' }
];

/** What differences are added up by. */
export const DIFFER_BY = [
  { code: 'cause', name: 'cause' },
  { code: 'item', name: 'item' },
  { code: 'center', name: 'work center' },
  { code: 'month', name: 'month' }
] as const;

/** What causes differences; in the order of the job's words. */
export const CAUSES: Record<string, string> = {
  buy: 'Bought at another price than it is valued at',
  make: 'Made for more, or less, than it came in at',
  assemble: 'Assembled for more, or less, than it came in at',
  subcontract: 'Subcontracted for more, or less',
  transfer: 'Lost on the way',
  invoice: 'Charged otherwise than agreed',
  count: 'Counted otherwise',
  adjustment: 'Adjusted',
  revaluation: 'Valued anew'
};

/** What stock is worth, was worth at the end of a day, and what its differences came from. */
export class WorthScreen {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly by = $derived(fromAddress('by') ?? 'group');
  readonly day = $derived(fromAddress('day'));
  typed = $state(fromAddress('day') ?? '');
  readonly wrong = $derived(this.typed.trim() !== '' && !parsedDate(this.typed, this.today));
  readonly worth = createQuery(() => stockWorth({ day: this.day, by: this.by }));
  readonly differBy = $derived(DIFFER_BY.find((b) => b.code === fromAddress('differ'))?.code ?? 'cause');
  readonly variances = createQuery(() =>
    stockVariances({ to: undefined, from: this.day, by: this.differBy })
  );
  /** The group whose lines are shown. */
  readonly group = $derived(fromAddress('group'));

  constructor() {
    $effect(() =>
      shortcuts.register('worth', [
        ...savingKeys('the values', (kind) => this.save(kind)),
        {
          keys: 'V',
          says: 'Save the differences',
          also: 'variances export',
          run: () => this.saveVariances()
        },
        { keys: '[', says: 'A month earlier', run: () => this.step(-30) },
        { keys: ']', says: 'A month later', run: () => this.step(30) }
      ])
    );
  }

  /** Another day, as it is typed. */
  ask(): void {
    const day = this.typed.trim() ? parsedDate(this.typed, this.today) : undefined;
    if (!this.wrong) void toAddress({ day });
  }

  step(days: number): void {
    const from = new Date(`${this.day ?? this.today}T00:00:00Z`);
    from.setUTCDate(from.getUTCDate() + days);
    const day = from.toISOString().slice(0, 10);
    this.typed = day < this.today ? day : '';
    void toAddress({ day: this.typed || undefined });
  }

  open(group: string): void {
    void toAddress({ group: this.group === group ? undefined : group });
  }

  differ(by: string): void {
    void toAddress({ differ: by === 'cause' ? undefined : by, group: undefined });
  }

  /** What the differences of a group have in common, in words. */
  said(group: Schemas['VarianceGroup']): string {
    if (this.differBy === 'cause') return CAUSES[group.code] ?? group.code;
    return this.differBy === 'month' ? monthName(group.code) : group.name;
  }

  save(kind: FileKind = 'csv'): void {
    const view = this.worth.data;
    if (!view) return;
    void saveSheet(
      `stock-value-${view.day}`,
      {
        header: [this.by, 'name', 'quantity', 'unit', 'value', 'now'],
        rows: view.rows.map((r) => [r.code, r.name, r.quantity, r.unit, r.value, r.now])
      },
      kind
    );
  }

  saveVariances(): void {
    void saveSheet('stock-differences', {
      header: [this.differBy, 'name', 'cause', 'order', 'line', 'item', 'day', 'value'],
      rows: (this.variances.data ?? []).flatMap((g) =>
        g.first.map((l) => [g.code, this.said(g), l.cause, l.number, l.line, l.item, l.day, l.value])
      )
    });
  }
}
