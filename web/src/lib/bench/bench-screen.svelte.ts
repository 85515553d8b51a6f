import { goto } from '$app/navigation';
import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress, toAddress } from '$lib/address';
import { answer, api } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { pickListHref } from '$lib/links';
import { Once } from '$lib/once';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { benches, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { saveSheet, savingKeys, type FileKind } from '$lib/ui/export';
import { FilteredScreen } from '$lib/ui/list-screen.svelte';
import { between, near, type Bench } from './cards';

export const STATES = [
  { code: 'can_start', name: 'can start' },
  { code: 'runs', name: 'run' },
  { code: 'waits', name: 'wait' },
  { code: 'late', name: 'are late' }
];

/** The workbench: what lies at each work center in its sequence, which is changed here. */
export class BenchScreen extends FilteredScreen {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly state = $derived(fromAddress('state'));
  readonly center = $derived(fromAddress('center'));
  readonly query = createQuery(() => benches({ words: this.sought, state: this.state, center: this.center }));
  readonly benches: Bench[] = $derived(this.query.data?.benches ?? []);
  readonly opened = $derived(fromAddress('order'));
  readonly here = $derived(this.benches.flatMap((b) => b.jobs).find((j) => j.key === this.opened));
  readonly last = new LastDecision(() => this.#changed());
  readonly doing = new Doing(() => this.#changed());
  readonly #once = new Once();
  /** The order in view, which knows what comes next. */
  pane = $state<{ next: () => void } | undefined>();
  /** The card that is dragged. */
  dragged = $state<string | undefined>();

  constructor() {
    super('bench');
  }

  open(key: string | undefined): void {
    if (key !== undefined) void toAddress({ order: key });
  }

  filter(name: string, value: string | undefined): void {
    void toAddress({ [name]: value });
  }

  #go(rows: number, places: number): void {
    this.open(near(this.benches, this.opened, rows, places)?.key);
  }

  /** Puts a card to another place of its bench. */
  async move(key: string, to: number): Promise<void> {
    const bench = this.benches.find((b) => b.jobs.some((j) => j.key === key));
    if (!bench) return;
    if (!rights.posts('OUTPUT')) {
      this.doing.refused = 'The sequence is for the foreman and planners to change.';
      return;
    }
    const at = bench.jobs.findIndex((j) => j.key === key);
    const wanted = Math.min(bench.jobs.length - 1, Math.max(0, to));
    if (at === wanted) return;
    await this.doing.run(async () => {
      const body = { kind: 'SEQUENCE' as const, order: key, ...between(bench.jobs, key, wanted) };
      this.last.keep(
        await this.#once.send(body, (header) =>
          answer(api.POST('/api/decisions', { params: { header }, body }))
        )
      );
    });
  }

  #by(places: number): void {
    const { here } = this;
    const jobs = this.benches.find((b) => b.jobs.some((j) => j.key === here?.key))?.jobs ?? [];
    if (here) void this.move(here.key, jobs.findIndex((j) => j.key === here.key) + places);
  }

  pickList(): void {
    if (this.here) void goto(pickListHref([this.here.number]));
  }

  #changed(): void {
    void this.#client.invalidateQueries({ queryKey: ['plan'] });
  }

  save(kind: FileKind = 'csv'): void {
    void saveSheet(
      'workbench',
      {
        header: [
          'work_center',
          'number',
          'line',
          'item',
          'open',
          'state',
          'step',
          'minutes',
          'begins',
          'ends',
          'due',
          'waits_for',
          'until'
        ],
        rows: this.benches.flatMap((b) =>
          b.jobs.map((j) => [
            b.code,
            j.number,
            j.line,
            j.item,
            j.open,
            j.state,
            j.step,
            j.minutes,
            j.begins,
            j.ends,
            j.due,
            j.waitsFor,
            j.until
          ])
        )
      },
      kind
    );
  }

  protected override keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next work center', run: () => this.#go(1, 0) },
      { keys: 'k, ArrowUp', says: 'Work center before', run: () => this.#go(-1, 0) },
      { keys: 'l, ArrowRight', says: 'Next order', run: () => this.#go(0, 1) },
      { keys: 'h, ArrowLeft', says: 'Order before', run: () => this.#go(0, -1) },
      { keys: '<', says: 'Earlier in the sequence', run: () => this.#by(-1) },
      { keys: '>', says: 'Later in the sequence', run: () => this.#by(1) },
      { keys: 'n', says: 'Next step of the order', run: () => this.pane?.next() },
      { keys: 'L', says: 'Pick list of the order', also: 'print fetch', run: () => this.pickList() },
      {
        keys: 'u',
        says: 'Take back what was moved last',
        also: 'undo',
        run: () => void this.last.takeBack()
      },
      ...savingKeys('the workbench', (kind) => this.save(kind)),
      { keys: '/', says: 'Filter the workbench', run: () => this.frame?.focusFilter() }
    ];
  }
}
