import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { page } from '$app/state';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import type { Typed } from '$lib/data/data-draft.svelte';
import { cameBack } from '$lib/left.svelte';
import { halfTyped } from '$lib/half-typed.svelte';
import type { Deciding, Kind } from '$lib/plan/command';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { itemRows, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { words } from '$lib/format';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { Views, type View } from '$lib/ui/views.svelte';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';
import { ItemScreen } from './item-screen.svelte';

export type ItemRow = Schemas['ItemRow'];

/** What can stand beside code and name. */
const CHOICES = [
  { code: 'group', name: 'Group', width: 104 },
  { code: 'kind', name: 'Kind', width: 70 },
  { code: 'source', name: 'Source', width: 80 },
  { code: 'rule', name: 'Rule', width: 90 },
  { code: 'supplier', name: 'Supplier', width: 104 },
  { code: 'planner', name: 'Planner', width: 96 },
  { code: 'unit', name: 'Unit', width: 52 },
  { code: 'cost', name: 'Cost', width: 66, right: true },
  { code: 'points', name: 'Points', width: 50, right: true },
  { code: 'on_hand', name: 'On hand', width: 84, right: true }
];
const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'code', name: 'Code', width: 96 },
  { code: 'name', name: 'Name' }
];
const SHOWN = ['group', 'on_hand'];

/** Items: which are shown, chosen and opened, and what is done with them. */
export class ItemsScreen extends WindowedScreen<ItemRow, Schemas['ItemRows']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly filters = $derived({
    kind: fromAddress('kind'),
    group: fromAddress('group'),
    source: fromAddress('source'),
    rule: fromAddress('rule'),
    supplier: fromAddress('supplier'),
    planner: fromAddress('planner'),
    tracking: fromAddress('tracking'),
    without: fromAddress('without'),
    moved: fromAddress('moved') === undefined ? undefined : fromAddress('moved') === 'true',
    since: fromAddress('since'),
    retired: fromAddress('retired') === undefined ? undefined : fromAddress('retired') === 'true'
  });
  readonly sort = $derived(fromAddress('sort'));
  readonly chosen = $derived((fromAddress('columns') ?? SHOWN.join(',')).split(',').filter(Boolean));
  readonly columns = new Columns('Items', () => [
    ...COLUMNS,
    ...CHOICES.filter((c) => this.chosen.includes(c.code))
  ]);
  readonly #asked = $derived.by(() => ({
    ...this.filters,
    words: this.sought,
    sort: this.sort?.replace('-', ''),
    desc: this.sort?.startsWith('-') || undefined
  }));
  readonly windows = new Windows<ItemRow, Schemas['ItemRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => itemRows({ ...this.#asked, offset, limit })
  );
  readonly views = new Views('items');
  readonly last = new LastDecision();
  refused = $state<string | undefined>();
  deciding = $state.raw<Deciding | undefined>();
  pane = $state<{ keep: () => void } | undefined>();
  /** The item that was added and is not known yet, and the plan that did not know it. */
  #coming = $state.raw<string | undefined>();
  #seen = 0;
  /** The field that is given to all selected items. */
  many = $state.raw<string[] | undefined>();
  /** A new item is being typed. */
  adding = $state(false);
  readonly item = new ItemScreen(
    () => this.opened ?? '',
    (decision) => this.wasKept(decision),
    (kind) => this.decide(kind)
  );
  readonly choices = CHOICES;

  constructor() {
    super({ name: 'items', row: 'item', opened: 'code' });
    this.deciding = halfTyped<Deciding>('decision');
    this.item.draft.goOn(cameBack<Typed>()?.typed);
    // what was added is opened as soon as the plan knows it
    $effect(() => {
      const code = this.#coming;
      if (code === undefined || this.plan.data === undefined || this.plan.data.version <= this.#seen) return;
      this.#coming = undefined;
      this.open(code);
    });
  }

  protected override kept(): object {
    return { ...super.kept(), typed: this.item.draft.typed };
  }

  /** What is said where there is no item. */
  get empty(): string {
    const filtered = Object.values(this.filters).some((f) => f !== undefined) || this.sought;
    return filtered ? 'No item fits these filters.' : 'There are no items yet. Bring some in, or press n.';
  }

  text(item: ItemRow, column: string): string {
    switch (column) {
      case 'group':
        return item.group ?? (item.kind === 'stocked' ? '' : item.kind);
      case 'kind':
        return item.kind;
      case 'source':
        return item.source ?? (item.stockPoints > 1 ? 'several' : '');
      case 'rule':
        return item.rule ? words(item.rule) : '';
      case 'supplier':
        return item.supplier ?? '';
      case 'planner':
        return item.planner ?? '';
      default:
        return item.unit;
    }
  }

  /** How the list looks now: filters, sort and columns, not what is opened. */
  saveView(name: string): void {
    const view = new URLSearchParams(page.url.searchParams);
    view.delete('code');
    if (this.words.trim()) view.set('words', this.words.trim());
    this.views.save(name, view.toString());
  }

  openView(view: View): void {
    const params = new URLSearchParams(view.address);
    this.words = params.get('words') ?? '';
    void goto(`/items?${params}`);
  }

  toggleColumn(code: string): void {
    const next = this.chosen.includes(code) ? this.chosen.filter((c) => c !== code) : [...this.chosen, code];
    void toAddress({ columns: next.join(',') || undefined });
  }

  decide(kind: Kind): void {
    if (!this.opened) return;
    if (!rights.decides(kind)) this.refused = rights.refusal(kind);
    else if (this.deciding?.kind === kind) this.pane?.keep();
    else {
      this.refused = undefined;
      this.#seen = this.plan.data?.version ?? 0;
      this.deciding = { kind, orders: [], item: this.opened };
    }
  }

  close(): void {
    this.deciding = undefined;
  }

  /** @param done what was typed, if it was a decision of its own */
  wasKept(decision: Schemas['Decision'], done?: Deciding): void {
    this.deciding = undefined;
    this.many = undefined;
    this.last.keep(decision);
    if (done?.kind === 'COPY') this.#coming = done.form?.code?.trim();
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(itemRows({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(item: ItemRow): string {
    return item.code;
  }

  protected sheetOf(rows: ItemRow[]): Sheet {
    return {
      header: [
        'code',
        'name',
        'group',
        'kind',
        'unit',
        'planner',
        'source',
        'supplier',
        'standard_cost',
        'on_hand'
      ],
      rows: rows.map((i) => [
        i.code,
        i.name,
        i.group,
        i.kind,
        i.unit,
        i.planner,
        i.source,
        i.supplier,
        i.standardCost,
        i.onHand
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys().filter((k) => k.keys !== 'Escape'),
      {
        keys: 'Escape',
        says: 'Back, or select none',
        run: () => {
          if (this.deciding) this.close();
          else if (this.many) this.many = undefined;
          else if (this.adding) this.adding = false;
          else if (this.item.draft.any) this.item.draft.clear();
          else this.list.selected.clear();
        }
      },
      { keys: 'Enter', says: 'Keep what was changed', run: () => this.item.draft.keep() },
      { keys: 'c', says: 'A new item like this one', also: 'copy variant', run: () => this.decide('COPY') },
      { keys: 'n', says: 'A new item', also: 'add create', run: () => this.add() },
      { keys: 'R', says: 'Replace this component everywhere', run: () => this.decide('REPLACE') },
      { keys: 'e', says: 'Change the selected items together', run: () => this.changeMany() },
      {
        keys: 'u',
        says: 'Take back what was kept last',
        also: 'undo',
        run: () => void this.last.takeBack()
      }
    ];
  }

  add(): void {
    this.refused = rights.changes('items') ? undefined : rights.refusal('COPY');
    this.adding = this.refused === undefined;
    this.#seen = this.plan.data?.version ?? 0;
  }

  /** It is opened as soon as the plan knows it. */
  added(decision: Schemas['Decision'], code: string): void {
    this.adding = false;
    this.last.keep(decision);
    this.#coming = code;
  }

  changeMany(): void {
    if (this.fetching) {
      void this.selecting.then(() => this.changeMany());
      return;
    }
    const chosen = [...this.list.selected];
    const codes = chosen.length > 0 ? chosen : this.opened === undefined ? [] : [this.opened];
    if (codes.length > 0) this.many = codes;
  }
}
