import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { leaveHalfTyped } from '$lib/half-typed.svelte';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { planSeen } from '$lib/plan-seen';
import { letter, letters, planState, standInSuppliers } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';
import { confirmation, KINDS, receipt, type LetterRow } from './letters';

type Habits = Schemas['SupplierHabits'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'subject', name: 'Letter' },
  { code: 'at', name: 'Came', width: 96, right: true }
];

/** What suppliers wrote, and what is made of it: answers taken over, deliveries received, invoices entered. */
export class LettersScreen extends ListScreen<LetterRow> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Letters', () => COLUMNS);
  readonly state = $derived(fromAddress('state'));
  readonly rows = createQuery(() =>
    letters({ state: this.state === 'all' ? undefined : (this.state ?? 'waiting') })
  );
  readonly here = $derived(this.all().find((r) => `${r.id}` === this.opened));
  readonly one = createQuery(() => ({ ...letter(this.here?.id ?? 0), enabled: this.here !== undefined }));
  readonly standIn = createQuery(standInSuppliers);
  readonly last = new LastDecision(() => this.#changed());
  busy = $state(false);
  refused = $state<string | undefined>();
  told = $state<string | undefined>();
  /** What an answer would do to customers' orders, or what a delivery would move. */
  consequence = $state.raw<Schemas['Consequence'] | undefined>();
  posting = $state.raw<Schemas['PostingView'] | undefined>();
  /** How the simulated suppliers behave, while that is changed. */
  habits = $state<Habits | undefined>(halfTyped('habits'));

  constructor() {
    super({ name: 'letters', row: 'letter', opened: 'letter' });
    keepHalfTyped('habits', () => this.habits);
    $effect(() => {
      const view = this.one.data;
      this.consequence = undefined;
      this.posting = undefined;
      if (!view || view.letter.id !== this.here?.id || view.letter.state !== 'waiting') return;
      const gone = new AbortController();
      void this.#look(view, gone.signal);
      return () => gone.abort();
    });
  }

  async #look(view: Schemas['LetterView'], signal: AbortSignal): Promise<void> {
    const { about, kind } = view.letter;
    if (!about) return;
    try {
      if (kind === 'answer' && rights.releases(['buy'])) {
        const seen = await answer(
          api.POST('/api/decisions/preview', { body: confirmation(about, view.lines), signal })
        );
        if (!signal.aborted) this.consequence = seen;
      }
      const wish = kind === 'dispatch' ? receipt(about, view.lines) : undefined;
      if (wish) {
        const seen = await answer(api.POST('/api/stock/preview', { body: wish, signal }));
        if (!signal.aborted) this.posting = seen;
      }
    } catch (e) {
      if (!signal.aborted) this.refused = (e as Error).message;
    }
  }

  get empty(): string {
    if (this.sought || this.state) return 'No letter fits.';
    return 'No letter waits. What suppliers answer to orders that were sent comes here by itself.';
  }

  /** What its main key does, if the person at the desk may. */
  readonly act = $derived.by((): { name: string; may: boolean } | undefined => {
    const { here } = this;
    if (!here || here.state !== 'waiting') return undefined;
    switch (here.kind) {
      case 'answer':
        return {
          name: 'Take its days over',
          may: rights.releases(['buy']) && this.consequence?.refusals.length === 0
        };
      case 'dispatch':
        return { name: 'Receive it', may: rights.stocks() && this.posting?.refused.length === 0 };
      case 'invoice':
        return { name: 'Enter the invoice', may: rights.releases(['buy']) };
      default:
        return undefined;
    }
  });

  /** Makes of it what it says. */
  async take(): Promise<void> {
    const { here } = this;
    const view = this.one.data;
    if (!here || !view || view.letter.id !== here.id || !this.act) return;
    if (!this.act.may) {
      this.refused =
        this.consequence?.refusals[0] ??
        this.posting?.refused[0]?.sentence ??
        (here.kind === 'dispatch'
          ? rights.noStock()
          : 'Answers and invoices are taken over by buyers and planners.');
      return;
    }
    if (here.kind === 'invoice') {
      await this.#toInvoice(here.id);
      return;
    }
    await this.#do(async () => {
      const header = { 'Idempotency-Key': view.key };
      if (here.kind === 'answer') {
        const decision = await answer(
          api.POST('/api/decisions', { params: { header }, body: confirmation(here.about ?? '', view.lines) })
        );
        this.last.keep(decision);
      } else {
        const wish = receipt(here.about ?? '', view.lines);
        if (!wish) return;
        const posted = await answer(api.POST('/api/stock/postings', { params: { header }, body: wish }));
        this.told = posted.posting.sentence;
      }
      await this.#become(here.id, 'done');
    });
  }

  /** What it charges stands in the form of the invoices, and the letter is done when that is entered. */
  async #toInvoice(id: number): Promise<void> {
    leaveHalfTyped('/orders/invoices', 'letter', id);
    await goto('/orders/invoices');
  }

  /** Those selected, or the one in view: nothing is made of them, or they wait again. */
  async become(state: 'put_aside' | 'waiting' | 'done'): Promise<void> {
    const rows = this.list.selected.size > 0 ? this.list.concerned : this.here ? [this.here] : [];
    if (rows.length === 0) return;
    await this.#do(async () => {
      for (const row of rows) await this.#become(row.id, state);
      this.list.selected.clear();
    });
  }

  async #become(id: number, to: string): Promise<void> {
    await answer(api.POST('/api/letters/{id}/state', { params: { path: { id }, query: { to } } }));
  }

  /** Opens how the simulated suppliers behave. */
  async behave(): Promise<void> {
    const { habits } = await this.#client.ensureQueryData(standInSuppliers());
    this.habits = { ...habits };
  }

  async keepHabits(): Promise<void> {
    const { habits } = this;
    if (!habits) return;
    await this.#do(async () => {
      await answer(api.PUT('/api/stand-ins/suppliers', { body: $state.snapshot(habits) }));
      this.habits = undefined;
      await this.#client.invalidateQueries({ queryKey: ['stand-ins'] });
    });
  }

  async #do(what: () => Promise<void>): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    this.refused = undefined;
    this.told = undefined;
    planSeen.deciding();
    try {
      await what();
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.#changed();
      this.busy = false;
      planSeen.answeredDecision();
    }
  }

  #changed(): void {
    void this.#client.invalidateQueries({ queryKey: ['plan'] });
  }

  all(): LetterRow[] {
    const words = (this.sought ?? '').toLowerCase();
    return (this.rows.data?.rows ?? []).filter((r) =>
      [r.subject, r.about, r.supplierName, r.sender].some((t) => t?.toLowerCase().includes(words))
    );
  }

  protected keyOf(row: LetterRow): string {
    return `${row.id}`;
  }

  protected sheetOf(rows: LetterRow[]): Sheet {
    return {
      header: ['kind', 'supplier', 'order', 'subject', 'came', 'state', 'by'],
      rows: rows.map((r) => [
        KINDS[r.kind],
        r.supplierName ?? r.sender,
        r.about,
        r.subject,
        r.receivedAt,
        r.state,
        r.doneBy
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      {
        keys: 'y',
        says: 'Make of it what it says',
        also: 'take over receive enter',
        run: () => void this.take()
      },
      { keys: 'b', says: 'Put it aside', also: 'ignore', run: () => void this.become('put_aside') },
      { keys: 'w', says: 'Let it wait again', run: () => void this.become('waiting') },
      {
        keys: 'h',
        says: 'How the simulated suppliers behave',
        also: 'stand-in',
        run: () => void this.behave()
      },
      { keys: 'u', says: 'Take back what was kept last', also: 'undo', run: () => void this.last.takeBack() }
    ];
  }
}
