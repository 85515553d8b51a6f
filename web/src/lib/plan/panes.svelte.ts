import type { Schemas } from '$lib/api/client';
import { date, dayNumber, isoDay } from '$lib/format';
import { rights } from '$lib/rights.svelte';
import { trial } from '$lib/trial.svelte';
import { isPlanned } from './filters';
import type { PlanList, PlannedOrder } from './plan.svelte';
import type { LastDecision } from './last-decision.svelte';
import { repairsOf } from './repairs';
import type { Deciding, Form, Kind } from './command';

type Decision = Schemas['Decision'];

/** What is done with the rows of the list: which pane stands beside it, what was kept last, what was refused. */
export class Panes {
  /** The keys of what would be released. */
  releasing = $state<string[] | undefined>();
  /** What was chosen has gone out, and its numbers are in view. */
  released = $state(false);
  /** Decided over the release, which stays as it is and goes on afterwards: a cure for what keeps a line from going. */
  curing = $state.raw<Deciding | undefined>();
  deciding = $state.raw<Deciding | undefined>();
  history = $state(false);
  refused = $state<string | undefined>();

  constructor(
    private readonly list: PlanList,
    /** What was kept last, offered to be taken back. */
    private readonly last: LastDecision,
    /** Keeps what stands in the pane of the decision. */
    private readonly keep: () => void
  ) {}

  close(): void {
    this.releasing = undefined;
    this.curing = undefined;
    this.deciding = undefined;
    this.history = false;
    this.refused = undefined;
  }

  /** Opens the preview of the release. */
  release(): void {
    if (this.list.orders.length === 0) return;
    this.close();
    this.releasing = this.list.orders.map((o) => o.key);
    this.released = false;
  }

  /** Opens the pane of a decision; the key that opened it keeps it when pressed again. */
  decide(next: Deciding): void {
    const sources = next.orders.flatMap((key) => {
      const row = this.list.byKey.get(key);
      return row && 'order' in row ? [row.order.source] : [];
    });
    if (trial.on) this.refused = trial.refusal;
    else if (!rights.decides(next.kind, sources)) this.refused = rights.refusal(next.kind);
    else if (this.releasing && !this.released) this.curing ??= next;
    else {
      this.close();
      this.deciding = next;
    }
  }

  /** Decides something about the orders that are concerned, those that signals speak of among them. */
  about(kind: Kind, form: Form = {}): void {
    if ((this.curing ?? this.deciding)?.kind === kind) {
      this.keep();
      return;
    }
    const keys = [
      ...this.list.orders.map((o) => o.key),
      ...this.list.signals.flatMap((s) => (s.signal.order ? [s.signal.order] : []))
    ];
    if (keys.length > 0) this.decide({ kind, orders: keys, form });
    else if (this.list.signals.length > 0)
      this.refused = 'This signal speaks of no order that could be changed.';
  }

  /** Holds for a week, or lets go what is held. */
  hold(today: string): void {
    if (this.list.orders[0]?.hold) this.about('RESUME');
    else this.about('HOLD', { until: today ? isoDay(dayNumber(today) + 7) : '' });
  }

  /** Does what the signal asks; several proposals of one kind together. */
  accept(today: string): void {
    if (this.curing ?? this.deciding) {
      this.keep();
      return;
    }
    const first = this.list.signals[0];
    const repair = first && repairsOf(first.signal, (d) => date(d, today))[0];
    if (!repair) return;
    const same = this.list.signals.filter((s) => s.signal.kind === first.signal.kind && s.signal.order);
    this.decide(
      repair.deciding.kind === 'CANCEL' && same.length > 1
        ? { ...repair.deciding, orders: same.flatMap((s) => (s.signal.order ? [s.signal.order] : [])) }
        : repair.deciding
    );
  }

  /** What the release showed is firmed instead. */
  firm(keys: string[]): void {
    this.close();
    this.decide({ kind: 'FIRM', orders: keys.filter(isPlanned) });
  }

  /** The orders that a decision is about, as far as they are in the list. */
  rowsOf(about: Deciding): PlannedOrder[] {
    return about.orders.flatMap((key) => {
      const row = this.list.byKey.get(key);
      return row && 'order' in row ? [row.order] : [];
    });
  }

  /**
   * A decision was kept. Where the cursor goes: to what came out, or to the next row; undefined if it stays.
   */
  next(decision: Decision, done: Deciding): string | undefined {
    const stays = done.kind === 'HOLD' || done.kind === 'RESUME' || done.kind === 'PLANNING';
    const next = stays ? undefined : (decision.orders[0] ?? this.list.after(done.orders));
    for (const key of done.orders) this.list.selected.delete(key);
    return next;
  }

  /** The orders that were chosen stay so, or what came of them is; and the release shows what can go now. */
  cured(decision: Decision, done: Deciding): void {
    this.curing = undefined;
    this.last.keep(decision);
    if (decision.orders.length === 0) return;
    for (const key of done.orders) this.list.selected.delete(key);
    for (const key of decision.orders) this.list.selected.add(key);
    this.releasing = [
      ...(this.releasing ?? []).filter((key) => !done.orders.includes(key)),
      ...decision.orders
    ];
  }

  /** More orders go out with those of the release. */
  add(keys: string[]): void {
    this.releasing = [...(this.releasing ?? []), ...keys];
  }

  /** One order goes out instead of another. */
  swap(key: string, instead: string): void {
    this.releasing = this.releasing?.map((k) => (k === key ? instead : k));
  }

  /** Those that the plan no longer asks for leave the choice; the rest can be released. */
  takeOut(gone: string[]): void {
    for (const key of gone) this.list.selected.delete(key);
    const left = this.releasing?.filter((key) => !gone.includes(key));
    this.releasing = left?.length === 0 ? undefined : left;
  }

  /** What was chosen is out. */
  out(keys: string[]): void {
    this.released = true;
    this.last.kept = undefined;
    for (const key of keys) this.list.selected.delete(key);
  }

  /**
   * A decision was taken back. Where the cursor goes if it stood on what came of it: to what it was about; undefined if
   * it stays.
   */
  undone(decision: Decision): string | undefined {
    this.refused = undefined;
    const stood = this.list.cursor !== undefined && decision.orders.includes(this.list.cursor);
    return stood ? decision.about.find(isPlanned) : undefined;
  }

  showDecisions(): void {
    const showing = this.history;
    this.close();
    this.history = !showing;
  }

  /** Goes back a step; false if there was no pane to leave. */
  escape(): boolean {
    if (this.curing) this.curing = undefined;
    else if (this.releasing || this.deciding || this.history) this.close();
    else return false;
    return true;
  }
}
