import { createQuery } from '@tanstack/svelte-query';
import { untrack } from 'svelte';
import { goto } from '$app/navigation';
import { page } from '$app/state';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { marksOf } from '$lib/changes/changes';
import { shortcuts } from '$lib/desk.svelte';
import { SettledWords } from '$lib/filter-words.svelte';
import { halfTyped } from '$lib/half-typed.svelte';
import { cameBack, whenLeft } from '$lib/left.svelte';
import { viewOf } from '$lib/links';
import { marks, plannedOrder, planList, planState, thread } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Sparing } from '$lib/sparing';
import { Columns } from '$lib/ui/columns.svelte';
import { saveSheet, savingKeys, tabbed, type FileKind } from '$lib/ui/export';
import { Opening } from '$lib/ui/opening';
import type { Action } from './actions';
import { columnsOf, listColumns, listWidth } from './columns';
import type { Deciding } from './command';
import { askedOf, filtersFrom, isPlanned, itemOf, keyOf, ordersOf, siteOf } from './filters';
import { LastDecision } from './last-decision.svelte';
import { sheetOf } from './orders-sheet';
import { Panes } from './panes.svelte';
import { ASKED, placeOf, threadOf, type Asked } from './place';
import { PlanList } from './plan.svelte';
import { workingAt } from './presence.svelte';
import { Views } from '$lib/ui/views.svelte';

/** The first view of the Plan: all that wants a decision, and what is decided. Made while its component comes. */
export class DecideScreen {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');

  readonly list = new PlanList();
  readonly filters = $derived(filtersFrom(fromAddress));
  readonly #words = new SettledWords(() => this.list.words);
  /** The list without a filter: all rows, or the most urgent if they are too many. */
  readonly all = createQuery(() => planList());
  readonly #asked = $derived(askedOf(this.filters, this.#words.now, this.all.data?.whole ?? true));
  /** What of it fits, where something is asked for. */
  readonly #fitting = createQuery(() => ({
    ...planList(this.#asked),
    enabled: this.#asked !== undefined
  }));
  readonly rows = $derived(this.#asked ? this.#fitting : this.all);
  /** For what is said where there is no list: what fits is waited for with the whole list in view. */
  readonly query = $derived(this.#asked && this.#fitting.isError ? this.#fitting : this.all);
  /** What fits is on its way; what did before stays in view. */
  readonly filtering = $derived(this.rows.isPlaceholderData || this.list.words.trim() !== this.#words.now);
  // an order that is opened by its address need not be among the most urgent
  readonly #opened = createQuery(() => {
    const key = this.list.cursor ?? '';
    const listed = !isPlanned(key) || this.list.rows.some((r) => keyOf(r) === key);
    return { ...plannedOrder(key), enabled: this.all.isSuccess && !listed };
  });

  readonly #changes = createQuery(marks);
  /** What is not as it was at the last visit, by key. */
  readonly marks = $derived(marksOf(this.#changes.data));

  readonly views = new Views('plan');
  readonly chosenColumns = $derived(columnsOf(fromAddress('columns')));
  readonly columns = new Columns('Decide', () => listColumns(this.chosenColumns));
  readonly width = $derived(listWidth(this.columns.all.length, this.columns.taken));

  readonly last = new LastDecision((back) => {
    const to = this.panes.undone(back);
    if (to) void this.#go(to, back.orders);
  });
  readonly #opening = new Opening();
  readonly panes = new Panes(this.list, this.last, () => this.decidePane?.keep());
  /** Which slip of the order is shown. */
  why = $state<Asked>('quantity');
  readonly signals = $derived(fromAddress('signals') !== undefined);
  readonly place = $derived(
    placeOf(fromAddress('order'), fromAddress('item'), fromAddress('site'), this.list.byKey)
  );

  // the parts of the page that act on a key
  releasePane = $state<{ press: () => void } | undefined>();
  decidePane = $state<{ keep: () => void } | undefined>();
  frame = $state<{ focusFilter: () => void } | undefined>();

  constructor() {
    const was = cameBack<{ words: string; why: Asked; selected: string[] }>();
    this.list.comeBack(was?.words ?? fromAddress('words'), was?.selected);
    this.why = was?.why ?? 'quantity';
    this.#words.now = this.list.words.trim();
    this.panes.deciding = halfTyped<Deciding>('decision');
    this.panes.releasing = halfTyped<{ keys: string[] } | null>('release')?.keys;
    whenLeft(() => ({ words: this.list.words, why: this.why, selected: [...this.list.selected] }));
    this.#takeNeeds();
    this.#takeRows();
    this.#moveOnceFiltered();
    this.#markAnew();
    this.#followAddress();
    $effect(() => () => this.#opening.stop());
    workingAt(() => this.place);
    $effect(() => shortcuts.register('plan', this.#keys()));
  }

  /** All planned orders that a customer order needs, on all levels, are looked at for their release. */
  #takeNeeds(): void {
    const number = fromAddress('needs');
    const needed = createQuery(() => ({ ...thread({ number }), enabled: number !== undefined }));
    let taken = number === undefined;
    $effect(() => {
      const bars = needed.data?.bars;
      if (taken || !bars || needed.isPlaceholderData) return;
      taken = true;
      const keys = bars.flatMap((b) => (b.kind === 'planned' && b.key ? [b.key] : []));
      if (keys.length > 0) this.panes.releasing = [...new Set(keys)];
      else this.panes.refused = `${number} needs no planned order: all of it is there or on its way.`;
      void toAddress({ needs: undefined });
    });
  }

  #takeRows(): void {
    $effect(() => {
      this.list.filters = this.filters;
    });
    $effect(() => {
      const all = this.all.data;
      const asked = this.#asked !== undefined;
      const fit = asked ? this.#fitting.data : undefined;
      if (!all || (asked && (!fit || this.#fitting.isPlaceholderData))) return;
      // neither selecting nor typing is a reason to take them again
      untrack(() => {
        // of a list that is there as a whole, what does not fit is only not shown
        const shown = fit && !all.whole ? fit : all;
        this.list.fitting = fit && all.whole ? new Set(keysOf(fit)) : undefined;
        this.list.take(shown.orders, shown.signals);
      });
    });
    $effect(() => {
      this.list.opened = this.#opened.data?.detail?.order;
    });
  }

  #markAnew(): void {
    const sparing = new Sparing(() => this.#changes.refetch({ cancelRefetch: false }));
    let seen = untrack(() => this.plan.dataUpdatedAt);
    $effect(() => {
      const told = this.plan.dataUpdatedAt;
      if (told !== seen) sparing.ask();
      seen = told;
    });
    $effect(() => () => sparing.stop());
  }

  #followAddress(): void {
    $effect(() => {
      const opened = fromAddress('order');
      // where the cursor has moved on, the address follows it
      if (!this.#opening.pending) this.list.cursor = opened;
    });
    // the last view comes back when the place is entered without one
    let entered = false;
    $effect(() => {
      if (this.views.last === undefined) return;
      const now = viewOf(page.url.searchParams);
      if (!entered && now === '' && this.views.last !== '' && page.url.search === '')
        void goto(`/plan?${this.views.last}`, { replaceState: true, keepFocus: true });
      else this.views.remember(now);
      entered = true;
    });
    // whoever comes without something in mind begins with what is most urgent
    let begun: string | undefined;
    $effect(() => {
      // what fits comes first
      if (this.filtering || this.rows.isPending) return;
      const first = this.list.shown[0];
      const nothing = ['order', 'item', 'signals'].every((name) => fromAddress(name) === undefined);
      // the last view comes first
      const there = page.url.search !== '' || this.views.last === '';
      if (!first || !nothing || !there) return;
      untrack(() => {
        // somebody may have gone elsewhere meanwhile; of a list that is another by now it is another row
        if (this.#opening.pending && this.list.cursor !== begun) return;
        begun = keyOf(first);
        void this.#go(begun);
      });
      // what is about to change the list changes what it begins with
      return () => {
        if (this.list.cursor === begun) this.#opening.stop();
      };
    });
  }

  /** What was typed into the filter counts before a key that was pressed after it. */
  #waiting = $state(0);

  #moveOnceFiltered(): void {
    $effect(() => {
      if (this.filtering || this.#waiting === 0) return;
      untrack(() => {
        const by = this.#waiting;
        this.#waiting = 0;
        this.#move(by);
      });
    });
  }

  #move(by: number): void {
    if (this.filtering) {
      this.#waiting += by;
      return;
    }
    const key = this.list.step(by);
    if (key) this.open(key, false);
  }

  open(key: string, closing = true): void {
    if (closing) this.panes.close();
    void this.#go(key);
  }

  /** The cursor goes there at once, so that a key pressed right after acts on it; what it stands on is opened behind it. */
  #go(key: string, inPlaceOf?: string[]): Promise<void> {
    const before = inPlaceOf?.flatMap((k) => this.list.byKey.get(k) ?? [])[0];
    this.list.send(key, inPlaceOf);
    // a firmed order that does not stand in the list is known by its stock point
    const known = before && !isPlanned(key) ? { item: itemOf(before), site: siteOf(before) } : {};
    return this.#opening.later(() =>
      toAddress({ order: key, item: undefined, site: undefined, signals: undefined, ...known })
    );
  }

  release(): void {
    if (this.panes.curing) return;
    if (this.panes.releasing) this.releasePane?.press();
    else this.panes.release();
  }

  /** Only when the cursor is elsewhere is the pane of what is gone closed. */
  async kept(decision: Schemas['Decision'], done: Deciding): Promise<void> {
    this.last.keep(decision);
    const next = this.panes.next(decision, done);
    if (next) await this.#go(next, done.orders);
    this.panes.close();
  }

  #takeBack(): void {
    this.panes.refused = undefined;
    void this.last.takeBack();
  }

  showSignals(): void {
    this.panes.close();
    void toAddress({ signals: this.signals ? undefined : 'all' }, true);
  }

  #escape(): void {
    if (this.panes.escape()) return;
    if (this.signals) this.showSignals();
    else {
      this.list.selected.clear();
      this.panes.refused = undefined;
      this.last.forget();
    }
  }

  #thread(): void {
    const row = this.list.cursor === undefined ? undefined : this.list.byKey.get(this.list.cursor);
    if (row) void goto(threadOf(row));
  }

  sort(column: string | undefined): void {
    void toAddress({ sort: column });
  }

  #extend(by: number): void {
    const next = this.list.extend(by);
    if (next !== undefined) this.open(next, false);
  }

  /** What is selected, as a table that a spreadsheet takes. */
  copied(): string | undefined {
    return this.list.orders.length > 0 ? tabbed(sheetOf(this.list.orders)) : undefined;
  }

  save(kind: FileKind = 'csv'): void {
    void saveSheet('planned-orders', sheetOf(ordersOf(this.list.shown)), kind);
  }

  readonly #does = {
    select: { key: 'x', name: 'Select', run: () => this.list.toggle(this.list.cursor) },
    why: {
      key: 'w',
      name: 'Why',
      run: () => (this.why = ASKED[(ASKED.indexOf(this.why) + 1) % ASKED.length] ?? 'quantity')
    },
    change: { key: 'e', name: 'Change', run: () => this.panes.about('CHANGE') },
    firm: { key: 'f', name: 'Firm', run: () => this.panes.about('FIRM') },
    merge: { key: 'm', name: 'Merge', run: () => this.panes.about('MERGE') },
    split: { key: 'p', name: 'Split', run: () => this.panes.about('SPLIT', { into: '2' }) },
    hold: { key: 'h', name: 'Hold', run: () => this.panes.hold(this.today) },
    obey: { key: 'a', name: 'Do what it asks', run: () => this.panes.accept(this.today) },
    decisions: { key: 'd', name: 'Decisions', run: () => this.panes.showDecisions() }
  } satisfies Record<string, Action>;

  /** What stands in the bar. What somebody's role may not do is not offered. */
  readonly actions: Action[] = $derived.by(() => {
    const does = this.#does;
    const among =
      this.list.signals.length > 0 ? does.obey : this.list.chosen.length > 1 ? does.merge : does.split;
    const deciding = rights.decides('CHANGE') ? [does.change, does.firm, does.hold, among] : [];
    return [does.select, does.why, ...deciding, does.decisions];
  });

  #keys() {
    const does = this.#does;
    const deciding = [
      { keys: 'e', says: 'Change', run: does.change.run },
      { keys: 'f', says: 'Firm', run: does.firm.run },
      { keys: 'm', says: 'Merge the selected ones', run: does.merge.run },
      { keys: 'p', says: 'Split', run: does.split.run },
      { keys: 'h', says: 'Hold, or let go', run: does.hold.run },
      { keys: 'a', says: 'Do what the signal asks', run: does.obey.run },
      { keys: 'c', says: 'Cancel an open order', run: () => this.panes.about('CANCEL') }
    ];
    return [
      { keys: 'j, ArrowDown', says: 'Next row', run: () => this.#move(1) },
      { keys: 'k, ArrowUp', says: 'Row before', run: () => this.#move(-1) },
      { keys: 'J', says: 'Select, and the next row too', run: () => this.#extend(1) },
      { keys: 'K', says: 'Select, and the row before too', run: () => this.#extend(-1) },
      { keys: 'x, \u0020', says: 'Select', run: does.select.run },
      { keys: 'X', says: 'Select all that is shown, or none', run: () => this.list.toggleAll() },
      { keys: 'w', says: 'Why: quantity or dates', run: does.why.run },
      ...(rights.decides('CHANGE') ? deciding : []),
      { keys: 'Enter', says: 'Keep it', run: () => this.decidePane?.keep() },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => this.#takeBack() },
      { keys: 'd', says: 'Decisions', run: does.decisions.run },
      { keys: 't', says: 'Thread: what it waits for', run: () => this.#thread() },
      { keys: 's', says: 'Signals', run: () => this.showSignals() },
      ...savingKeys('the list', (kind) => this.save(kind)),
      ...(rights.releases() ? [{ keys: 'r', says: 'Release', run: () => this.release() }] : []),
      { keys: '/', says: 'Filter the list', run: () => this.frame?.focusFilter() },
      { keys: 'Escape', says: 'Back, or select none', run: () => this.#escape() }
    ];
  }
}

function keysOf(list: Schemas['PlannedOrderList']): string[] {
  return [...list.orders, ...list.signals].map((row) => row.key);
}
