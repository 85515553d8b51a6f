import { createQueries, createQuery } from '@tanstack/svelte-query';
import { SvelteSet } from 'svelte/reactivity';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import { api } from '$lib/api/client';
import { wordsInAddress } from '$lib/filter-words.svelte';
import { formats } from '$lib/formats.svelte';
import { halfTyped } from '$lib/half-typed.svelte';
import { cameBack } from '$lib/left.svelte';
import { pointThreadHref } from '$lib/links';
import type { Deciding } from '$lib/plan/command';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { cellSlip, periodDetail, periods, planList, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { trial } from '$lib/trial.svelte';
import { save } from '$lib/ui/export';
import { FilteredScreen } from '$lib/ui/list-screen.svelte';
import { isMain, moving, pointKey, pointOf, rowsOf, type GridRow } from './periods';

interface Left {
  cursor: string | undefined;
  column: number;
  open: string[];
  components: string[];
}

/** Balances in periods: which rows and periods are shown, where the cursor is, what is asked and decided there. */
export class PeriodsScreen extends FilteredScreen {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly scale = $derived(fromAddress('scale') ?? 'mixed');
  readonly short = $derived(fromAddress('short') !== undefined);
  readonly goodsFirst = $derived(fromAddress('goods') !== 'last');
  readonly grid = createQuery(() =>
    periods(
      {
        scale: this.scale,
        words: this.sought,
        onlyShort: this.short || undefined,
        goodsLast: !this.goodsFirst || undefined
      },
      formats.now.week
    )
  );

  /** Rows that are open, and those whose components stand under them. */
  readonly open = new SvelteSet<string>();
  readonly components = new SvelteSet<string>();
  readonly #wanted = $derived([
    ...new Set([...this.open, ...this.components].map((key) => pointKey(pointOf(key))))
  ]);
  readonly #details = createQueries(() => ({
    queries: this.#wanted.map((key) => {
      const { item, site } = pointOf(key);
      return periodDetail(item, site, this.scale, formats.now.week);
    })
  }));
  readonly #known = $derived(
    new Map(this.#details.flatMap((d) => (d.data ? [[pointKey(d.data.row), d.data] as const] : [])))
  );
  readonly rows = $derived(
    rowsOf(this.grid.data?.rows ?? [], this.#known, { open: this.open, components: this.components })
  );
  readonly periods = $derived(this.grid.data?.periods ?? []);

  cursor = $state<string | undefined>();
  column = $state(0);
  readonly at = $derived(this.cursor === undefined ? -1 : this.rows.findIndex((r) => r.key === this.cursor));
  readonly here = $derived(this.rows[this.at]);
  /** The first day of the period under the cursor. */
  readonly day = $derived(this.periods[this.column]?.start);
  /** Its components are asked for, and it has none. */
  readonly bare = $derived(
    this.here !== undefined &&
      this.components.has(this.here.of) &&
      this.#known.get(pointKey(this.here.point))?.components.length === 0
  );
  /** The slip of the figure under the cursor is shown. */
  asking = $state(false);
  readonly slip = createQuery(() => ({
    ...cellSlip(
      {
        item: this.here?.point.item ?? '',
        site: this.here?.point.site ?? '',
        date: this.day ?? '',
        kind: this.here?.kind ?? 'BALANCE',
        scale: this.scale
      },
      formats.now.week
    ),
    enabled: this.asking && this.here !== undefined && this.day !== undefined
  }));

  change = $state.raw<Deciding | undefined>();
  readonly last = new LastDecision();
  refused = $state<string | undefined>();
  // the parts of the page that act on a key
  pane = $state<{ keep: () => void } | undefined>();

  constructor() {
    super('periods');
    const was = cameBack<Left>();
    this.cursor = was?.cursor;
    this.column = was?.column ?? 0;
    for (const key of was?.open ?? []) this.open.add(key);
    for (const key of was?.components ?? []) this.components.add(key);
    this.change = halfTyped<Deciding>('decision');
    wordsInAddress(
      () => this.words,
      (said) => (this.words = said)
    );
    // asked for early, so that the pane of a decision knows its orders at once
    createQuery(() => ({ ...planList(), enabled: this.grid.isSuccess }));
    // the first row is the one that keys act on until another is chosen
    $effect(() => {
      if (this.cursor === undefined && this.rows[0]) this.cursor = this.rows[0].key;
    });
  }

  protected override kept(): Left {
    return {
      cursor: this.cursor,
      column: this.column,
      open: [...this.open],
      components: [...this.components]
    };
  }

  /** What is said where there is no row. */
  get empty(): string {
    if (this.grid.data?.total === 0 && !this.sought && !this.short) return 'There are no stock points yet.';
    return this.short
      ? 'Nothing here falls below zero or its safety stock.'
      : 'No stock point fits this filter.';
  }

  scaleTo(scale: string): void {
    void toAddress({ scale: scale === 'mixed' ? undefined : scale });
  }

  turn(): void {
    void toAddress({ goods: this.goodsFirst ? 'last' : undefined });
  }

  onlyShort(): void {
    void toAddress({ short: this.short ? undefined : 'only' });
  }

  #decide(next: Deciding | undefined): void {
    if (!next) return;
    if (trial.on || !rights.decides(next.kind)) {
      this.refused = trial.on ? trial.refusal : rights.refusal(next.kind);
      return;
    }
    this.refused = undefined;
    this.asking = false;
    this.change = next;
  }

  /** The orders of a period were dragged into another. */
  move(row: GridRow, from: number, to: number): void {
    const a = this.periods[from];
    const b = this.periods[to];
    if (a && b) this.#decide(moving(row.orders?.[from] ?? [], a, b, this.today));
  }

  point(row: number, column: number): void {
    this.cursor = this.rows[row]?.key;
    this.column = column;
    this.change = undefined;
  }

  #step(by: number): void {
    const next = this.at < 0 ? 0 : Math.max(0, Math.min(this.rows.length - 1, this.at + by));
    if (this.rows[next]) this.point(next, this.column);
  }

  #sideways(by: number): void {
    this.column = Math.max(0, Math.min(this.periods.length - 1, this.column + by));
  }

  #toggle(set: SvelteSet<string>, row: GridRow | undefined): void {
    const key = row?.of;
    if (key === undefined) return;
    if (!set.delete(key)) set.add(key);
    this.cursor = key;
  }

  openRow(row: GridRow | undefined): void {
    this.#toggle(this.open, row);
  }

  showComponents(row: GridRow | undefined): void {
    this.#toggle(this.components, row);
  }

  /** The orders of the figure under the cursor, to be changed. */
  readonly #mine = $derived(this.here?.orders?.[this.column] ?? []);
  readonly changeable = $derived(this.#mine.length > 0);

  changeHere(): void {
    if (this.changeable) this.#decide({ kind: 'CHANGE', orders: this.#mine });
    else if (this.here)
      this.refused = isMain(this.here)
        ? 'Orders are changed in the rows of their receipts: o opens this one.'
        : 'No order that can be changed is received in this row and period.';
  }

  why(): void {
    this.change = undefined;
    this.asking = this.here !== undefined;
  }

  escape(): void {
    if (this.change) this.change = undefined;
    else if (this.asking) this.asking = false;
    else {
      this.refused = undefined;
      this.last.forget();
    }
  }

  thread(): void {
    if (this.here) void goto(pointThreadHref(this.here.point.item, this.here.point.site));
  }

  async sheet(): Promise<void> {
    const rows = this.rows
      .filter(isMain)
      .map((r) => ({ item: r.point.item, site: r.point.site, open: this.open.has(r.key) }));
    const { data } = await api.POST('/api/plan/periods/sheet', {
      body: { scale: this.scale, rows },
      parseAs: 'blob'
    });
    if (data) save('periods.xlsx', data as unknown as Blob);
    else this.refused = 'The sheet could not be made; try again.';
  }

  protected keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next row', run: () => this.#step(1) },
      { keys: 'k, ArrowUp', says: 'Row before', run: () => this.#step(-1) },
      { keys: 'ArrowRight', says: 'Next period', run: () => this.#sideways(1) },
      { keys: 'ArrowLeft', says: 'Period before', run: () => this.#sideways(-1) },
      { keys: 'o', says: 'Open the row: what flows', run: () => this.openRow(this.here) },
      { keys: 'c', says: 'Its components under it', run: () => this.showComponents(this.here) },
      {
        keys: 'w, Enter',
        says: 'Why this figure',
        run: () => (this.change ? this.pane?.keep() : this.why())
      },
      { keys: 'e', says: 'Change the planned orders of this period', run: () => this.changeHere() },
      { keys: 't', says: 'Thread of the stock point', run: () => this.thread() },
      {
        keys: 'u',
        says: 'Take back the last decision',
        also: 'undo',
        run: () => void this.last.takeBack()
      },
      { keys: 'E', says: 'Save the table as XLSX', also: 'export', run: () => void this.sheet() },
      { keys: '/', says: 'Filter the rows', run: () => this.frame?.focusFilter() },
      { keys: 'Escape', says: 'Back', run: () => this.escape() }
    ];
  }
}
