import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import { date, dayNumber, isoDay, momentAt, parsedMoment } from '$lib/format';
import { cameBack } from '$lib/left.svelte';
import { orderHref, plannedHref, pointHref, threadHref } from '$lib/links';
import { changes, planState } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import { saveSheet, savingKeys, tabbed, type FileKind, type Sheet } from '$lib/ui/export';
import { FilteredScreen } from '$lib/ui/list-screen.svelte';
import {
  causedBy,
  groupsOf,
  happened,
  SINCE,
  told,
  type Cause,
  type OrderChange,
  type PromiseChange
} from './changes';

const COLUMNS = [
  { code: 'at', name: '', width: 44, fixed: true },
  { code: 'what', name: 'What happened' },
  { code: 'changed', name: 'Changed', width: 74, right: true }
];
const HEADER = [
  'what',
  'number',
  'item',
  'site',
  'happened',
  'quantity before',
  'quantity',
  'due before',
  'due',
  'cause'
];

/** So many changed orders go into a file. */
const MOST_SAVED = 200_000;

/** All causes together, or one of them. */
export type CauseLine = { all: true } | Cause;

/** What changed, since when, and what caused it. */
export class ChangesScreen extends FilteredScreen {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly columns = new Columns('Changes', () => COLUMNS);
  readonly since = $derived(fromAddress('since') ?? 'visit');
  readonly #chosen = $derived(fromAddress('cause') === undefined ? undefined : Number(fromAddress('cause')));
  readonly #asked = $derived({ since: this.since, words: this.sought, cause: this.#chosen });
  readonly changes = createQuery(() => changes(this.#asked));
  readonly causes = $derived(new Map((this.changes.data?.causes ?? []).map((c) => [c.id, c])));

  /** The place of the change that keys act on. */
  cursor = $state(0);
  readonly lines: CauseLine[] = $derived([
    { all: true },
    ...(this.changes.data?.found ?? []).flatMap((id) => this.causes.get(id) ?? [])
  ]);
  readonly at = $derived(
    Math.max(
      0,
      this.lines.findIndex((l) => 'id' in l && l.id === this.#chosen)
    )
  );
  readonly cause = $derived(this.#chosen === undefined ? undefined : this.causes.get(this.#chosen));
  readonly promises = $derived(causedBy(this.changes.data?.customerOrders ?? [], this.cause?.id));
  readonly orders = $derived(causedBy(this.changes.data?.orders ?? [], this.cause?.id));
  /** How many planned orders there are, of which very many are not all shown. */
  readonly orderCount = $derived(this.cause?.orders ?? this.changes.data?.orderCount ?? 0);
  readonly rows: (PromiseChange | OrderChange)[] = $derived([
    ...this.promises,
    ...groupsOf(this.orders).flatMap((g) => g.orders)
  ]);

  /** The moment that was typed; undefined if it is one of the ordinary ones. */
  readonly #moment = $derived(SINCE.some((s) => s.code === this.since) ? undefined : this.since);
  readonly typed = $derived(this.#moment ? momentAt(this.#moment, this.today) : undefined);
  /** What was typed is no moment. */
  unread = $state(false);
  /** How one may be typed. */
  readonly example = $derived(`${date(isoDay(dayNumber(this.today || '1970-01-01') - 3), this.today)} 14:30`);
  readonly begun = $derived(this.changes.data?.since ? momentAt(this.changes.data.since, this.today) : '');

  constructor() {
    super('changes');
    this.cursor = cameBack<{ cursor: number }>()?.cursor ?? 0;
  }

  protected override kept(): object {
    return { cursor: this.cursor };
  }

  isHere(line: CauseLine): boolean {
    return 'id' in line ? line.id === this.#chosen : this.cause === undefined;
  }

  choose(line: CauseLine | undefined): void {
    if (!line) return;
    this.cursor = 0;
    void toAddress({ cause: 'id' in line ? String(line.id) : undefined });
  }

  sinceCode(code: string): void {
    void toAddress({ since: code, cause: undefined });
  }

  /** Since a moment typed into the box, which is of here; the server is asked in world time. */
  sinceTyped(typed: string): void {
    const instant = parsedMoment(typed, this.today);
    this.unread = typed.trim() !== '' && instant === undefined;
    if (instant) this.sinceCode(instant);
  }

  #along(by: number): void {
    this.cursor = Math.max(0, Math.min(this.rows.length - 1, this.cursor + by));
  }

  open(): void {
    const row = this.rows[this.cursor];
    if (!row) return;
    if ('wanted' in row) void goto(threadHref(row.number));
    else if (!row.key) void goto(pointHref(row.item, row.site));
    else void goto(row.kind === 'released' ? orderHref(row.number ?? '') : plannedHref(row.key));
  }

  #sheet(rows: (PromiseChange | OrderChange)[]): Sheet {
    const cells = rows.map((r) =>
      'wanted' in r
        ? ['customer order', r.number, r.item, '', '', '', '', r.before ?? '', r.after ?? '']
        : [
            'planned order',
            r.number,
            r.item,
            r.site,
            happened(r),
            r.before?.quantity,
            r.after?.quantity,
            r.before?.due,
            r.after?.due
          ]
    );
    return { header: HEADER, rows: cells.map((c, i) => [...c, this.#why(rows[i]?.causes ?? [])]) };
  }

  #why(ids: number[]): string {
    return ids
      .flatMap((id) => this.causes.get(id) ?? [])
      .map(told)
      .join('; ');
  }

  async save(kind: FileKind = 'csv'): Promise<void> {
    const all =
      this.orders.length < this.orderCount
        ? await this.#client.fetchQuery(changes({ ...this.#asked, most: MOST_SAVED }))
        : undefined;
    const rows = all ? [...this.promises, ...causedBy(all.orders, this.cause?.id)] : this.rows;
    await saveSheet('changes', this.#sheet(rows), kind);
  }

  /** What changed by the cause in view, as a table that a spreadsheet takes. */
  copied(): string | undefined {
    return this.rows.length > 0 ? tabbed(this.#sheet(this.rows)) : undefined;
  }

  protected keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next cause', run: () => this.choose(this.lines[this.at + 1]) },
      {
        keys: 'k, ArrowUp',
        says: 'Cause before',
        run: () => this.choose(this.lines[Math.max(0, this.at - 1)])
      },
      { keys: 'J', says: 'Next change', run: () => this.#along(1) },
      { keys: 'K', says: 'Change before', run: () => this.#along(-1) },
      { keys: 'w, Enter', says: 'To what changed', run: () => this.open() },
      { keys: 'P', says: 'Print the morning sheet', run: () => window.print() },
      ...savingKeys('the changes', (kind) => void this.save(kind)),
      { keys: '/', says: 'Filter the causes', run: () => this.frame?.focusFilter() }
    ];
  }
}
