import { createQuery } from '@tanstack/svelte-query';
import { SvelteSet } from 'svelte/reactivity';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import { halfTyped } from '$lib/half-typed.svelte';
import { cameBack } from '$lib/left.svelte';
import { hrefOf } from '$lib/links';
import type { Deciding } from '$lib/plan/command';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { planList, planState, promises, thread, type ThreadOf } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { trial } from '$lib/trial.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import { saveSheet, savingKeys, tabbed, type FileKind, type Sheet } from '$lib/ui/export';
import { FilteredScreen } from '$lib/ui/list-screen.svelte';
import { deepest, lateness, linesOf, nextStep, visible, type Bar, type Line, type Promise } from './threads';

const COLUMNS = [
  { code: 'order', name: 'Customer order' },
  { code: 'wanted', name: 'Wanted', width: 58, right: true },
  { code: 'possible', name: 'Possible', width: 94, right: true }
];

/** Customer orders and the thread of one of them, or of any order or stock point. */
export class ThreadsScreen extends FilteredScreen {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly columns = new Columns('Threads', () => COLUMNS);

  readonly late = $derived(fromAddress('late') !== undefined);
  readonly gathered = $derived(fromAddress('by') === 'culprit');
  readonly promises = createQuery(() =>
    promises({ words: this.sought, onlyLate: this.late || this.gathered || undefined })
  );
  readonly lines = $derived(linesOf(this.promises.data?.rows ?? [], this.gathered));

  readonly of: ThreadOf = $derived({
    number: fromAddress('number'),
    order: fromAddress('order'),
    item: fromAddress('item'),
    site: fromAddress('site')
  });
  readonly #line = $derived(fromAddress('line'));
  readonly asked = $derived(
    this.of.number !== undefined ||
      this.of.order !== undefined ||
      (this.of.item !== undefined && this.of.site !== undefined)
  );
  readonly thread = createQuery(() => ({ ...thread(this.of), enabled: this.asked }));
  readonly bars = $derived(this.thread.data?.bars ?? []);
  readonly depth = $derived(deepest(this.bars));
  /** Only the chain that decides is shown. */
  readonly deciding = $derived(fromAddress('chain') !== undefined);
  readonly levels = $derived(Number(fromAddress('levels') ?? this.depth));
  readonly folded = new SvelteSet<number>();
  readonly shown = $derived(
    visible(this.bars, { deciding: this.deciding, levels: this.levels, folded: this.folded })
  );
  /** The place of the bar that keys act on. */
  cursor = $state(0);
  readonly here = $derived(this.shown.find((p) => p.at === this.cursor)?.bar);
  // what waits for the order that was asked for stands above it
  readonly #askedAt = $derived(
    Math.max(0, this.of.order ? this.bars.findIndex((b) => b.key === this.of.order) : 0)
  );
  readonly at = $derived(this.lines.findIndex((l) => 'promise' in l && this.isHere(l.promise)));
  readonly promise = $derived.by(() => {
    const found = this.lines[this.at];
    return found && 'promise' in found ? found.promise : undefined;
  });

  change = $state.raw<Deciding | undefined>();
  readonly last = new LastDecision();
  refused = $state<string | undefined>();
  // the parts of the page that act on a key
  pane = $state<{ keep: () => void } | undefined>();

  constructor() {
    super('threads');
    const was = cameBack<{ cursor: number; folded: number[] }>();
    this.cursor = was?.cursor ?? 0;
    for (const place of was?.folded ?? []) this.folded.add(place);
    this.change = halfTyped<Deciding>('decision');
    // asked for early, so that the pane of a decision knows its orders at once
    createQuery(() => ({ ...planList(), enabled: this.asked }));
    let back = was !== undefined;
    $effect(() => {
      // another thread is read from its top, or from the order that was asked for
      const { number, order, item, site } = this.of;
      void [number, order, item, site];
      const top = this.#askedAt;
      if (back) {
        back = false;
        return;
      }
      this.cursor = top;
      this.folded.clear();
    });
  }

  protected override kept(): object {
    return { cursor: this.cursor, folded: [...this.folded] };
  }

  /** What is said where there is no customer order. */
  get empty(): string {
    if (this.sought) return 'No customer order fits this filter.';
    return this.late || this.gathered ? 'No customer order is late.' : 'There are no open customer orders.';
  }

  /** Whether a line of a customer order is the one that is opened. */
  isHere(promise: Promise): boolean {
    return promise.number === this.of.number && (!this.#line || promise.line === this.#line);
  }

  decide(bar: Bar | undefined, due?: string): void {
    if (!bar?.key || (bar.kind !== 'planned' && bar.kind !== 'open')) return;
    if (trial.on || !rights.decides('CHANGE')) {
      this.refused = trial.on ? trial.refusal : rights.refusal('CHANGE');
      return;
    }
    this.refused = undefined;
    this.change = { kind: 'CHANGE', orders: [bar.key], form: due ? { due } : {} };
  }

  enter(): void {
    if (trial.on) this.refused = trial.refusal;
    else if (!rights.decides('ENTER')) this.refused = rights.refusal('ENTER');
    else void goto('/demand/new');
  }

  choose(line: Line | undefined): void {
    if (line && 'promise' in line)
      void toAddress({
        number: line.promise.number,
        line: line.promise.line,
        order: undefined,
        item: undefined,
        site: undefined
      });
  }

  /** With the first that is late, or else the first of all. */
  begin(): void {
    const promised = this.lines.filter((l) => 'promise' in l);
    this.choose(promised.find((l) => l.promise.late) ?? promised[0]);
  }

  #step(by: number): void {
    let next = this.at < 0 ? (by > 0 ? 0 : -1) : this.at + by;
    while (this.lines[next] && !('promise' in (this.lines[next] as Line))) next += by;
    this.choose(this.lines[next]);
  }

  #along(by: number): void {
    const now = this.shown.findIndex((p) => p.at === this.cursor);
    const next = this.shown[Math.max(0, Math.min(this.shown.length - 1, now + by))];
    if (next) this.cursor = next.at;
  }

  fold(place: number): void {
    if (!this.folded.delete(place)) this.folded.add(place);
  }

  deeper(by: number): void {
    const next = Math.max(0, Math.min(this.depth, this.levels + by));
    void toAddress({ levels: next === this.depth ? undefined : String(next) });
  }

  chain(): void {
    void toAddress({ chain: this.deciding ? undefined : 'only' });
  }

  onlyLate(): void {
    void toAddress({ late: this.late ? undefined : 'only' });
  }

  gather(): void {
    void toAddress({ by: this.gathered ? undefined : 'culprit' });
  }

  open(bar: Bar | undefined): void {
    if (bar?.link) void goto(hrefOf(bar.link));
  }

  /** Where the next step of a bar is done: the form of an order, its release, or what goes out. */
  next(bar: Bar | undefined): void {
    const href = bar && nextStep(bar, this.of.number);
    if (href) void goto(href);
  }

  #escape(): void {
    if (this.change) this.change = undefined;
    else {
      this.refused = undefined;
      this.last.forget();
    }
  }

  #sheet(lines: Promise[]): Sheet {
    return {
      header: ['number', 'line', 'customer', 'item', 'name', 'quantity', 'wanted', 'possible', 'because'],
      rows: lines.map((p) => [
        p.number,
        p.line,
        p.customer,
        p.item,
        p.itemName,
        p.quantity,
        p.wanted,
        p.possible,
        p.late ? lateness(p) : ''
      ])
    };
  }

  /** The customer order in view, as a table that a spreadsheet takes. */
  copied(): string | undefined {
    return this.promise && tabbed(this.#sheet([this.promise]));
  }

  save(kind: FileKind = 'csv'): void {
    const all = this.lines.flatMap((l) => ('promise' in l ? [l.promise] : []));
    void saveSheet('customer-orders', this.#sheet(all), kind);
  }

  protected keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next customer order', run: () => this.#step(1) },
      { keys: 'k, ArrowUp', says: 'Customer order before', run: () => this.#step(-1) },
      { keys: 'J', says: 'Next bar of the thread', run: () => this.#along(1) },
      { keys: 'K', says: 'Bar before', run: () => this.#along(-1) },
      { keys: 'o', says: 'Only the chain that decides, or all', run: () => this.chain() },
      { keys: '-', says: 'One level less', run: () => this.deeper(-1) },
      { keys: '+', says: 'One level more', run: () => this.deeper(1) },
      { keys: 'z', says: 'Fold what the bar waits for', run: () => this.fold(this.cursor) },
      {
        keys: 'w, Enter',
        says: 'To the slip of the bar',
        run: () => (this.change ? this.pane?.keep() : this.open(this.here))
      },
      {
        keys: '.',
        says: 'Next step of the bar’s order',
        also: 'post release ship report',
        run: () => this.next(this.here)
      },
      { keys: 'e', says: 'Change the bar’s order', run: () => this.decide(this.here) },
      { keys: 'n', says: 'Take an order', run: () => this.enter() },
      {
        keys: 'u',
        says: 'Take back the last decision',
        also: 'undo',
        run: () => void this.last.takeBack()
      },
      { keys: 'b', says: 'Gather by what makes late', run: () => this.gather() },
      ...savingKeys('the list', (kind) => this.save(kind)),
      { keys: '/', says: 'Filter the list', run: () => this.frame?.focusFilter() },
      { keys: 'Escape', says: 'Back', run: () => this.#escape() }
    ];
  }
}
