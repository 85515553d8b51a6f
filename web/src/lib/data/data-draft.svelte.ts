import { createMutation, createQuery, useQueryClient, type CreateQueryResult } from '@tanstack/svelte-query';
import { untrack } from 'svelte';
import { answer, api, Refused, type Schemas } from '$lib/api/client';
import { keepHalfTyped, halfTyped } from '$lib/half-typed.svelte';
import { planSeen } from '$lib/plan-seen';
import { consequence } from '$lib/queries';
import { keyOf, type Cells, type TableView } from './tables';

/** So long after the last letter the consequence is asked for. */
const PAUSE = 150;

/** What is to become of one row. */
export interface Pending {
  table: string;
  /** Its key as it is now, or that of a new row as far as it is typed. */
  key: Cells;
  /** What is otherwise, by column. */
  fields: Cells;
  /** What stood there when it was looked at. */
  seen: Cells;
  gone?: boolean;
  fresh?: boolean;
}

/** What a place keeps of its draft when it is left. */
export interface Typed {
  typed?: Record<string, Pending>;
}

type Conflict = Schemas['Conflict'];

/** Rows that are being changed: what is typed, what follows from it, and keeping all of it as one. Made while its screen comes. */
export class DataDraft {
  readonly #client = useQueryClient();
  /** By table and key, in the order they were touched. */
  rows = $state<Record<string, Pending>>({});
  #count = 0;
  refused = $state<string | undefined>();
  #refusedFaults = $state.raw<Schemas['FaultAt'][]>([]);
  #conflicts = $state.raw<Conflict[]>([]);
  #command = crypto.randomUUID();
  #kept = $state(false);
  #settled = $state.raw<Schemas['PlanCommand'] | undefined>();
  readonly #preview: CreateQueryResult<Schemas['Consequence']>;

  /**
   * @param name under which what is half typed is kept
   * @param about the stock point whose line shows what happens, if one is chosen
   */
  constructor(
    name: string,
    private readonly onkept: (decision: Schemas['Decision']) => void,
    private readonly about: () => { item?: string; site?: string } = () => ({})
  ) {
    this.rows = halfTyped<Record<string, Pending>>(name) ?? {};
    this.#settled = untrack(() => this.wanted);
    this.#preview = createQuery(() => ({
      ...consequence(this.#settled ?? { kind: 'DATA' }),
      enabled: this.#settled !== undefined && !this.#kept
    }));
    keepHalfTyped(name, () => $state.snapshot(this.rows));
    $effect(() => {
      const next = this.wanted;
      const timer = setTimeout(() => (this.#settled = next), PAUSE);
      return () => clearTimeout(timer);
    });
  }

  readonly all = $derived(Object.values(this.rows));
  readonly keys = $derived(Object.keys(this.rows));
  readonly any = $derived(this.all.length > 0);
  readonly wanted = $derived.by((): Schemas['PlanCommand'] | undefined =>
    this.all.length === 0
      ? undefined
      : {
          kind: 'DATA',
          ...this.about(),
          rows: this.all.map((r) => ({
            table: r.table,
            key: r.key,
            fields: r.fields,
            seen: r.seen,
            gone: r.gone ?? false,
            fresh: r.fresh ?? false
          }))
        }
  );
  readonly asking = $derived.by(() => this.#preview.isFetching);
  readonly old = $derived.by(() => this.#preview.isPlaceholderData);
  readonly consequence = $derived.by(() =>
    this.#settled === undefined || this.#preview.isError ? undefined : this.#preview.data
  );
  readonly fault = $derived.by(() =>
    this.#settled !== undefined && this.#preview.isError ? this.#preview.error.message : undefined
  );
  readonly conflicts = $derived.by(() =>
    this.#conflicts.length > 0 ? this.#conflicts : (this.consequence?.conflicts ?? [])
  );
  readonly ready = $derived.by(
    () =>
      this.wanted !== undefined &&
      this.#settled === this.wanted &&
      this.consequence !== undefined &&
      !this.old &&
      this.consequence.refusals.length === 0
  );

  readonly keeping = createMutation(() => ({
    onMutate: () => {
      this.#kept = true;
      planSeen.deciding();
    },
    onSettled: () => planSeen.answeredDecision(),
    mutationFn: () =>
      answer(
        api.POST('/api/decisions', {
          params: { header: { 'Idempotency-Key': this.#command } },
          body: this.wanted ?? { kind: 'DATA' }
        })
      ),
    onSuccess: (decision) => {
      this.clear();
      this.onkept(decision);
    },
    onError: (e) => {
      this.#kept = false;
      this.refused = e.message;
      if (!(e instanceof Refused) || e.problem.status !== 0) {
        this.#command = crypto.randomUUID();
        if (e instanceof Refused) {
          this.#refusedFaults = e.problem.faults ?? [];
          this.#conflicts = e.problem.conflicts ?? [];
        }
        void this.#client.invalidateQueries({ queryKey: ['plan'] });
      }
    }
  }));

  /** What is typed, for when the place is left. */
  get typed(): Record<string, Pending> {
    return $state.snapshot(this.rows);
  }

  /** What was typed before the place was left is there again. */
  goOn(typed: Record<string, Pending> | undefined): void {
    if (typed && !this.any) this.rows = typed;
  }

  keep(): void {
    if (this.ready && !this.keeping.isPending) this.keeping.mutate();
  }

  /** Nothing is otherwise any more. */
  clear(): void {
    this.rows = {};
    this.#forget();
    this.#kept = false;
    this.#command = crypto.randomUUID();
  }

  #forget(): void {
    this.refused = undefined;
    this.#refusedFaults = [];
    this.#conflicts = [];
  }

  /** Under which a row is known here. */
  static id(table: string, key: Cells): string {
    return `${table}\u0000${Object.entries(key)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => `${k}=${v}`)
      .join('\u0000')}`;
  }

  /** A value of a row is to be another; what is as it was is no change. */
  set(table: TableView, cells: Cells, column: string, value: string): void {
    this.#forget();
    const key = keyOf(table, cells);
    const id = DataDraft.id(table.name, key);
    const row = this.rows[id] ?? { table: table.name, key, fields: {}, seen: {} };
    const before = cells[column] ?? '';
    if (value === before) {
      delete row.fields[column];
      delete row.seen[column];
    } else {
      row.fields[column] = value;
      row.seen[column] = before;
    }
    if (Object.keys(row.fields).length === 0 && !row.gone) delete this.rows[id];
    else this.rows[id] = row;
  }

  /** A row goes, or stays after all. */
  toggleGone(table: TableView, cells: Cells): void {
    this.#forget();
    const key = keyOf(table, cells);
    const id = DataDraft.id(table.name, key);
    if (this.rows[id]?.gone) delete this.rows[id];
    else this.rows[id] = { table: table.name, key, fields: {}, seen: {}, gone: true };
  }

  /** A new row, with what is known of it; returns under what it is known here. */
  add(table: TableView, cells: Cells): string {
    this.#forget();
    const id = `new\u0000${table.name}\u0000${++this.#count}\u0000${crypto.randomUUID()}`;
    this.rows[id] = {
      table: table.name,
      key: keyOf(table, cells),
      fields: { ...cells },
      seen: {},
      fresh: true
    };
    return id;
  }

  /** A value of a new row. */
  setNew(table: TableView, id: string, column: string, value: string): void {
    this.#forget();
    const row = this.rows[id];
    if (!row) return;
    if (value === '') delete row.fields[column];
    else row.fields[column] = value;
    row.key = keyOf(table, row.fields);
  }

  /** What is done to one row is not done. */
  drop(id: string): void {
    this.#forget();
    delete this.rows[id];
  }

  /** What becomes of a row, if anything does. */
  of(table: string, key: Cells): Pending | undefined {
    return this.rows[DataDraft.id(table, key)];
  }

  /** New rows of a table that have these values. */
  fresh(table: string, fixed: Cells = {}): [string, Pending][] {
    return Object.entries(this.rows).filter(
      ([, r]) => r.fresh && r.table === table && Object.entries(fixed).every(([k, v]) => r.fields[k] === v)
    );
  }

  /** What is wrong with a field of a row, by the id under which it is known here. */
  faultOf(id: string, column: string): string | undefined {
    const place = this.keys.indexOf(id);
    const faults = [...this.#refusedFaults, ...(this.old ? [] : (this.consequence?.faults ?? []))];
    return faults.find((f) => f.row === place && f.column === column)?.sentence;
  }

  /** What somebody else made of a field meanwhile. */
  conflictOf(id: string, column: string): Conflict | undefined {
    const place = this.keys.indexOf(id);
    return this.conflicts.find((c) => c.row === place && c.column === column);
  }

  /** Mine holds, now that the other was seen; or theirs does. */
  resolve(id: string, conflict: Conflict, mine: boolean): void {
    const row = this.rows[id];
    if (!row) return;
    this.#forget();
    if (mine) row.seen[conflict.column] = conflict.now;
    else {
      delete row.fields[conflict.column];
      delete row.seen[conflict.column];
      if (Object.keys(row.fields).length === 0) delete this.rows[id];
    }
  }
}
