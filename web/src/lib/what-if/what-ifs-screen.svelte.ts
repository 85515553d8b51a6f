import { savingKeys, type FileKind } from '$lib/ui/export';
import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { cameBack } from '$lib/left.svelte';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { planList, planState, whatIfs } from '$lib/queries';
import { Columns } from '$lib/ui/columns.svelte';
import { FilteredScreen } from '$lib/ui/list-screen.svelte';
import { Listing } from '$lib/ui/rows.svelte';
import type { WhatIfScreen } from './what-if-screen.svelte';

export type WhatIfRow = Schemas['WhatIfRow'];
type Draft = Schemas['WhatIfDraft'];
type Fresh = Schemas['NewWhatIf'];

/** So many are compared when none is selected. */
const COMPARED = 6;
const COLUMNS = [
  { code: 'selected', name: '', width: 15, fixed: true },
  { code: 'name', name: 'Mine' }
];

/** One's what-ifs: which are there, which is opened, which are compared. */
export class WhatIfsScreen extends FilteredScreen {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly orders = createQuery(() => planList());
  readonly all = createQuery(() => whatIfs(this.sought));
  readonly columns = new Columns('What-if', () => COLUMNS);

  readonly list = new Listing<WhatIfRow>(
    () => this.all.data ?? [],
    (w) => String(w.id)
  );
  readonly id = $derived(fromAddress('id') === undefined ? undefined : Number(fromAddress('id')));
  readonly comparing = $derived(fromAddress('compare')?.split(',').map(Number) ?? []);
  readonly here = $derived(this.list.shown[this.list.at]);
  /** What came of the last press, in a sentence. */
  told = $state<string | undefined>();
  /** What was thrown away last, until something else is done. */
  thrown = $state.raw<Draft | undefined>();
  /** What was taken over last; taken back, it is assumed again. */
  readonly last = new LastDecision(() => {
    void this.#client.invalidateQueries({ queryKey: ['plan'] });
    void this.#client.invalidateQueries({ queryKey: ['what-ifs'] });
  });

  // the parts of the page that act on a key
  pane = $state.raw<WhatIfScreen | undefined>();
  compared = $state<{ save: (kind?: FileKind) => void } | undefined>();

  constructor() {
    super('what-if');
    for (const key of cameBack<{ selected: string[] }>()?.selected ?? []) this.list.selected.add(key);
    $effect(() => {
      this.list.cursor = this.id === undefined ? undefined : String(this.id);
    });
  }

  protected override kept(): object {
    return { selected: [...this.list.selected] };
  }

  /** The cursor goes there at once, so that a key pressed right after acts on it. */
  open(id: string | undefined): void {
    if (id === undefined) return;
    this.list.cursor = id;
    void toAddress({ id, only: undefined, compare: undefined });
  }

  readonly adding = createMutation(() => ({
    mutationFn: (draft: Fresh) => answer(api.POST('/api/what-ifs', { body: draft })),
    onMutate: () => (this.told = undefined),
    onSuccess: async (row) => {
      this.thrown = undefined;
      await this.#client.invalidateQueries({ queryKey: ['what-ifs'] });
      this.open(String(row.id));
    },
    onError: (e) => (this.told = e.message)
  }));

  readonly #removing = createMutation(() => ({
    mutationFn: ({ gone }: { gone: number; content: Draft }) =>
      answer(api.DELETE('/api/what-ifs/{id}', { params: { path: { id: gone } } })),
    onSuccess: (_, { gone, content }) => {
      const next = this.list.shown[this.list.at + 1] ?? this.list.shown[this.list.at - 1];
      this.thrown = content;
      this.told = undefined;
      this.list.selected.delete(String(gone));
      void toAddress({ id: next ? String(next.id) : undefined, only: undefined });
      void this.#client.invalidateQueries({ queryKey: ['what-ifs'] });
    },
    onError: (e) => (this.told = e.message)
  }));

  add(): void {
    if (!this.adding.isPending) this.adding.mutate({ assumptions: [] });
  }

  copy(): void {
    const content = this.pane?.content;
    if (content) this.adding.mutate({ ...content, name: `${content.name}, copy` });
  }

  throwAway(): void {
    const content = this.pane?.content;
    if (this.id !== undefined && content && !this.#removing.isPending)
      this.#removing.mutate({ gone: this.id, content });
  }

  bringBack(): void {
    if (this.thrown && !this.adding.isPending) this.adding.mutate(this.thrown);
  }

  #takeBack(): void {
    if (this.thrown) this.bringBack();
    else {
      this.told = undefined;
      void this.last.takeBack();
    }
  }

  compare(): void {
    const chosen = [...this.list.selected];
    const ids = chosen.length > 0 ? chosen : this.list.shown.map((w) => String(w.id)).slice(0, COMPARED);
    if (ids.length > 0) void toAddress({ compare: ids.join(',') }, true);
  }

  /** Back from comparing. */
  stopComparing(): void {
    void toAddress({ compare: undefined, only: undefined });
  }

  protected keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next what-if', run: () => this.open(this.list.step(1)) },
      { keys: 'k, ArrowUp', says: 'What-if before', run: () => this.open(this.list.step(-1)) },
      { keys: 'x', says: 'Select for comparing', run: () => this.list.toggle(this.list.cursor) },
      { keys: 'c', says: 'Compare the selected ones, or all', run: () => this.compare() },
      { keys: 'n', says: 'New what-if', run: () => this.add() },
      { keys: 'a', says: 'Assume something', run: () => this.pane?.add() },
      { keys: 'T', says: 'Take all of it over into the live data', run: () => this.pane?.takeAgain() },
      { keys: 'v', says: 'Look at its plan in the other views', run: () => this.pane?.look() },
      { keys: 'J', says: 'Next difference', run: () => this.pane?.along(1) },
      { keys: 'K', says: 'Difference before', run: () => this.pane?.along(-1) },
      {
        keys: 'u',
        says: 'Take back: what was thrown away, or taken over last',
        also: 'undo',
        run: () => this.#takeBack()
      },
      ...savingKeys('the comparison', (kind) => this.compared?.save(kind)),
      { keys: '/', says: 'Filter', run: () => this.frame?.focusFilter() },
      { keys: 'Escape', says: 'Back', run: () => this.stopComparing() }
    ];
  }
}
