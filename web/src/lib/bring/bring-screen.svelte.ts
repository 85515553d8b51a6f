import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { planSeen } from '$lib/plan-seen';
import { dataTables, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';

type ImportView = Schemas['ImportView'];
type ImportWish = Schemas['ImportWish'];

/** So long after something was changed the rows are looked at again. */
const PAUSE = 250;
/** How often it is asked how far the work is. */
const TICK = 400;

/** Bringing tables in: what came, how it is understood, what would become of the company, and taking it in. */
export class BringScreen {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly tables = createQuery(dataTables);
  readonly last = new LastDecision();
  brought = $state.raw<ImportView | undefined>();
  sheet = $state(0);
  table = $state<string | undefined>();
  columns = $state<Record<string, number>>({});
  fixed = $state<Record<string, string>>({});
  dates = $state<ImportWish['dates']>('DAY_FIRST');
  decimal = $state('.');
  corrections = $state<Record<string, Record<string, string>>>({});
  leftOut = $state<number[]>([]);
  withoutFaulty = $state(false);
  preview = $state.raw<Schemas['ImportPreview'] | undefined>();
  refused = $state<string | undefined>();
  busy = $state<'bringing' | 'looking' | 'taking' | undefined>();
  progress = $state.raw<Schemas['Progress'] | undefined>();
  #command = crypto.randomUUID();
  #asked = 0;

  constructor() {
    $effect(() =>
      shortcuts.register('bring', [
        {
          keys: 'u',
          says: 'Take back what was brought in last',
          also: 'undo',
          run: () => void this.last.takeBack()
        },
        { keys: 'Escape', says: 'Begin again', run: () => void this.forget() }
      ])
    );
    $effect(() => {
      const wish = this.wish;
      if (!wish) return;
      const timer = setTimeout(() => void this.look(wish), PAUSE);
      return () => clearTimeout(timer);
    });
    $effect(() => {
      const { brought, busy } = this;
      if (!brought || !busy) return;
      const timer = setInterval(() => {
        void api
          .GET('/api/imports/{id}/progress', { params: { path: { id: brought.id } } })
          .then((r) => (this.progress = r.data))
          .catch(() => undefined);
      }, TICK);
      return () => clearInterval(timer);
    });
  }

  readonly view = $derived(this.brought?.sheets[this.sheet]);
  readonly of = $derived.by(() => this.tables.data?.find((t) => t.name === this.table));
  readonly choices = $derived.by(() => (this.tables.data ?? []).filter((t) => rights.changes(t.name)));
  /** Columns of the table that the sheet does not have, and that a row needs. */
  readonly missing = $derived.by(() =>
    (this.of?.columns ?? []).filter((c) => c.required && this.columns[c.name] === undefined)
  );
  readonly wish = $derived.by((): ImportWish | undefined =>
    this.brought && this.table
      ? {
          sheet: this.sheet,
          table: this.table,
          columns: $state.snapshot(this.columns),
          fixed: $state.snapshot(this.fixed),
          dates: this.dates,
          decimal: this.decimal,
          corrections: $state.snapshot(this.corrections),
          leftOut: $state.snapshot(this.leftOut),
          withoutFaulty: this.withoutFaulty
        }
      : undefined
  );
  readonly ready = $derived.by(
    () =>
      this.preview !== undefined &&
      this.busy === undefined &&
      (this.preview.faulty === 0 || this.withoutFaulty) &&
      this.preview.added + this.preview.changed > 0
  );

  async file(file: File | undefined): Promise<void> {
    if (file)
      await this.#bring(() =>
        answer(
          api.POST('/api/imports', {
            params: { query: { name: file.name } },
            // the description of the interface has no name for bytes
            body: file as never,
            bodySerializer: (body: unknown) => body as Blob,
            headers: { 'Content-Type': 'application/octet-stream' }
          })
        )
      );
  }

  async paste(text: string): Promise<void> {
    if (text.trim()) await this.#bring(() => answer(api.POST('/api/imports/pasted', { body: { text } })));
  }

  async #bring(bring: () => Promise<ImportView>): Promise<void> {
    this.refused = undefined;
    this.busy = 'bringing';
    try {
      const brought = await bring();
      this.brought = brought;
      this.take(0);
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.busy = undefined;
    }
  }

  /** Another sheet of what was brought, as it was understood at first. */
  take(sheet: number): void {
    const view = this.brought?.sheets[sheet];
    if (!view) return;
    this.sheet = sheet;
    this.table = view.table ?? undefined;
    this.columns = { ...view.columns };
    this.fixed = {};
    this.dates = view.dates as ImportWish['dates'];
    this.decimal = view.decimal;
    this.corrections = {};
    this.leftOut = [];
    this.withoutFaulty = false;
    this.preview = undefined;
    this.#command = crypto.randomUUID();
  }

  /** Another table: columns of the same names stay. */
  as(table: string): void {
    this.table = table;
    const names = this.of?.columns.map((c) => c.name) ?? [];
    const kept = Object.entries(this.columns).filter(([name]) => names.includes(name));
    this.columns = Object.fromEntries(kept);
    for (const [place, name] of (this.view?.header ?? []).entries()) {
      const plain = name.trim().toLowerCase().replaceAll(' ', '_');
      if (names.includes(plain) && this.columns[plain] === undefined) this.columns[plain] = place;
    }
    this.preview = undefined;
  }

  /** What a column of the sheet is. */
  map(place: number, column: string | undefined): void {
    const kept = Object.entries(this.columns).filter(([name, at]) => at !== place && name !== column);
    this.columns = Object.fromEntries(kept);
    if (column) this.columns[column] = place;
  }

  correct(row: number, column: string, value: string): void {
    this.corrections[row] = { ...this.corrections[row], [column]: value };
  }

  leave(row: number): void {
    this.leftOut = this.leftOut.includes(row)
      ? this.leftOut.filter((r) => r !== row)
      : [...this.leftOut, row];
  }

  async look(wish: ImportWish): Promise<void> {
    const { brought } = this;
    if (!brought) return;
    const asked = ++this.#asked;
    this.busy = 'looking';
    this.refused = undefined;
    try {
      const preview = await answer(
        api.POST('/api/imports/{id}/preview', { params: { path: { id: brought.id } }, body: wish })
      );
      if (asked === this.#asked) this.preview = preview;
    } catch (e) {
      if (asked === this.#asked) {
        this.refused = (e as Error).message;
        this.preview = undefined;
      }
    } finally {
      if (asked === this.#asked) this.busy = undefined;
    }
  }

  async bring(): Promise<void> {
    const { brought, wish } = this;
    if (!brought || !wish || !this.ready) return;
    this.busy = 'taking';
    planSeen.deciding();
    try {
      const decision = await answer(
        api.POST('/api/imports/{id}', {
          params: { path: { id: brought.id }, header: { 'Idempotency-Key': this.#command } },
          body: wish
        })
      );
      this.last.keep(decision);
      this.brought = undefined;
      this.preview = undefined;
      await this.#client.invalidateQueries({ queryKey: ['plan'] });
    } catch (e) {
      this.refused = (e as Error).message;
      this.#command = crypto.randomUUID();
    } finally {
      this.busy = undefined;
      planSeen.answeredDecision();
    }
  }

  /** Ends what is under way and begins again. */
  async forget(): Promise<void> {
    const { brought } = this;
    this.brought = undefined;
    this.preview = undefined;
    this.refused = undefined;
    this.#asked++;
    this.busy = undefined;
    if (brought)
      await api.DELETE('/api/imports/{id}', { params: { path: { id: brought.id } } }).catch(() => undefined);
  }
}
