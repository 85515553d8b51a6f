import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { Once } from '$lib/once';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { planSeen } from '$lib/plan-seen';
import { dataTables, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { SheetChoice } from './sheet-choice.svelte';

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
  sheets = $state.raw<SheetChoice[]>([]);
  place = $state(0);
  refused = $state<string | undefined>();
  busy = $state<'bringing' | 'looking' | 'taking' | undefined>();
  progress = $state.raw<Schemas['Progress'] | undefined>();
  readonly #once = new Once();
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
        { keys: ']', says: 'The next sheet', run: () => this.look(this.place + 1) },
        { keys: '[', says: 'The sheet before', run: () => this.look(this.place - 1) },
        { keys: 'Escape', says: 'Begin again', run: () => void this.forget() }
      ])
    );
    $effect(() => {
      const wish = this.wish;
      if (!wish) return;
      const timer = setTimeout(() => void this.#preview(wish), PAUSE);
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

  /** The sheet in view. */
  readonly at = $derived<SheetChoice | undefined>(this.sheets[this.place]);
  readonly of = $derived.by(() => this.tables.data?.find((t) => t.name === this.at?.table));
  readonly choices = $derived.by(() => (this.tables.data ?? []).filter((t) => rights.changes(t.name)));
  /** Columns of the table that the sheet does not have, and that a row needs. */
  readonly missing = $derived.by(() =>
    (this.of?.columns ?? []).filter((c) => c.required && this.at?.columns[c.name] === undefined)
  );
  readonly #taken = $derived(this.sheets.filter((s) => s.taken));
  readonly wish = $derived.by((): ImportWish | undefined => {
    const sheets = this.sheets.map((s) => s.wish).filter((w) => w !== undefined);
    return this.brought && sheets.length > 0 ? { sheets } : undefined;
  });
  readonly coming = $derived(this.#taken.reduce((sum, s) => sum + s.coming, 0));
  readonly ready = $derived(
    this.busy === undefined &&
      this.coming > 0 &&
      this.#taken.every((s) => s.preview !== undefined && !s.stopped)
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
      this.sheets = brought.sheets.map(
        (view, place) => new SheetChoice(place, view, !view.table || rights.changes(view.table))
      );
      this.place = Math.max(
        0,
        this.sheets.findIndex((s) => s.taken)
      );
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.busy = undefined;
    }
  }

  /** Another sheet comes into view. */
  look(place: number): void {
    if (this.sheets[place]) this.place = place;
  }

  /** What the sheet in view is taken for. */
  as(name: string): void {
    const table = this.tables.data?.find((t) => t.name === name);
    if (table) this.at?.as(table);
  }

  async #preview(wish: ImportWish): Promise<void> {
    const { brought } = this;
    if (!brought) return;
    const asked = ++this.#asked;
    this.busy = 'looking';
    this.refused = undefined;
    try {
      const preview = await answer(
        api.POST('/api/imports/{id}/preview', { params: { path: { id: brought.id } }, body: wish })
      );
      if (asked === this.#asked)
        for (const one of this.sheets) one.preview = preview.sheets.find((p) => p.sheet === one.place);
    } catch (e) {
      if (asked === this.#asked) {
        this.refused = (e as Error).message;
        for (const one of this.sheets) one.preview = undefined;
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
      const path = { id: brought.id };
      this.last.keep(
        await this.#once.send({ ...path, wish }, (header) =>
          answer(api.POST('/api/imports/{id}', { params: { path, header }, body: wish }))
        )
      );
      this.#empty();
      await this.#client.invalidateQueries({ queryKey: ['plan'] });
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.busy = undefined;
      planSeen.answeredDecision();
    }
  }

  /** Ends what is under way and begins again. */
  async forget(): Promise<void> {
    const { brought } = this;
    this.#empty();
    this.refused = undefined;
    this.#asked++;
    this.busy = undefined;
    if (brought)
      await api.DELETE('/api/imports/{id}', { params: { path: { id: brought.id } } }).catch(() => undefined);
  }

  #empty(): void {
    this.brought = undefined;
    this.sheets = [];
  }
}
