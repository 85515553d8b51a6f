import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import { Doing } from '$lib/doing.svelte';
import { asTyped, parsedNumber } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { countList, countLists, offered, planState, waitingPosting, waitingPostings } from '$lib/queries';
import { Reason } from '$lib/reason.svelte';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import { saveSheet, type Sheet } from '$lib/ui/export';
import { ListScreen } from '$lib/ui/list-screen.svelte';

/** A count list, or a correction beside them that has to be approved. */
export interface Entry {
  key: string;
  list?: Schemas['CountRow'];
  correction?: Schemas['WaitingRow'];
}
type Wish = Schemas['CountWish'];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'list', name: 'List' },
  { code: 'counted', name: 'Counted', width: 84, right: true },
  { code: 'state', name: 'State', width: 84, right: true }
];

/** Lists of what is to be counted: made, counted line by line, held against the book, approved and posted; and corrections to approve. */
export class CountsScreen extends ListScreen<Entry> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Counts', () => COLUMNS);
  readonly rows = createQuery(countLists);
  readonly corrections = createQuery(waitingPostings);
  readonly entry = $derived(this.all().find((r) => r.key === this.opened));
  readonly here = $derived(this.entry?.list);
  readonly one = createQuery(() => ({ ...countList(this.here?.id ?? 0), enabled: this.here !== undefined }));
  readonly correction = createQuery(() => ({
    ...waitingPosting(this.entry?.correction?.id ?? 0),
    enabled: this.entry?.correction !== undefined
  }));
  /** What waits for approval in view: the list, or a correction. */
  readonly waiting = $derived.by(() => {
    const one = this.here ? this.one.data?.waiting : this.correction.data;
    const id = this.here ? this.one.data?.list.id : this.entry?.correction?.id;
    const shown = this.here ? this.here.id : one?.row.id;
    return one && id === shown ? one : undefined;
  });
  /** Why it goes back, while that is asked. */
  readonly #reason = new Reason('count-back', () => this.waiting && `${this.waiting.row.id}`);
  readonly sites = createQuery(() => offered({ table: 'sites' }));
  readonly groups = createQuery(() => offered({ table: 'item_groups' }));
  /** A list that is to be made, while it is typed. */
  wish = $state<Wish | undefined>();
  /** What was counted and is not kept yet, by list and place. */
  typed = $state<Record<string, string>>(halfTyped('counted') ?? {});
  /** Where it is counted: the first site, unless another is chosen. */
  readonly site = $derived(this.wish?.site || (this.sites.data?.[0]?.code ?? ''));
  #keeping: Promise<void> = Promise.resolve();
  readonly doing = new Doing(() => this.#client.invalidateQueries({ queryKey: ['plan'] }));

  constructor() {
    super({ name: 'counts', row: 'list', opened: 'list' });
    keepHalfTyped('counted', () => $state.snapshot(this.typed));
  }

  get empty(): string {
    return this.sought ? 'No list fits.' : 'Nothing is to be counted. Press n to make a list.';
  }

  begin(): void {
    if (!rights.stocks()) {
      this.doing.refused = rights.noStock();
      return;
    }
    this.wish = { site: '', group: undefined, due: true, blind: true };
  }

  /** What stands in the field of a line. */
  text(place: number, counted: number | null | undefined): string {
    return (
      this.typed[`${this.here?.id}~${place}`] ??
      (counted === null || counted === undefined ? '' : asTyped(counted))
    );
  }

  type(place: number, text: string): void {
    this.typed[`${this.here?.id}~${place}`] = text;
  }

  wrong(place: number): boolean {
    const text = this.typed[`${this.here?.id}~${place}`]?.trim();
    return !!text && !(parsedNumber(text) >= 0);
  }

  /** Keeps one line as it is typed. */
  async keep(place: number): Promise<void> {
    const { here } = this;
    const key = `${here?.id}~${place}`;
    const text = this.typed[key];
    if (!here || text === undefined || this.wrong(place)) return;
    // who counts quickly is some lines ahead of what is kept
    const before = this.#keeping;
    this.#keeping = before.then(() => this.#keep(here.id, place, key, text));
    await this.#keeping;
  }

  async #keep(list: number, place: number, key: string, text: string): Promise<void> {
    if (this.typed[key] !== text) return;
    await this.doing.run(async () => {
      await answer(
        api.PUT('/api/counts/{id}/lines', {
          params: { path: { id: list } },
          body: [{ place, counted: text.trim() ? parsedNumber(text) : undefined }]
        })
      );
      if (this.typed[key] === text) delete this.typed[key];
    });
  }

  async make(): Promise<void> {
    const { wish } = this;
    if (!wish) return;
    await this.doing.run(async () => {
      const made = await answer(
        api.POST('/api/counts', { body: { ...$state.snapshot(wish), site: this.site } })
      );
      this.wish = undefined;
      this.open(`${made.list.id}`);
    });
  }

  /** Approves what waits, or posts what differs. */
  async post(): Promise<void> {
    const { here, waiting } = this;
    if (waiting?.row.state === 'waiting') {
      await this.doing.run(async () => {
        await answer(
          api.POST('/api/stock/waiting/{id}/approval', { params: { path: { id: waiting.row.id } } })
        );
      });
      return;
    }
    if (!here) return;
    await this.doing.run(async () => {
      await answer(api.POST('/api/counts/{id}/posting', { params: { path: { id: here.id } } }));
    });
  }

  get reason(): string | undefined {
    return this.#reason.text;
  }

  set reason(text: string | undefined) {
    this.#reason.text = text;
  }

  sendBack(): void {
    if (this.waiting?.row.state === 'waiting') this.reason = '';
  }

  async reject(): Promise<void> {
    const { waiting } = this;
    const reason = this.reason?.trim();
    if (!waiting || !reason) return;
    await this.doing.run(async () => {
      await answer(
        api.POST('/api/stock/waiting/{id}/rejection', {
          params: { path: { id: waiting.row.id } },
          body: { reason }
        })
      );
      this.reason = undefined;
    });
  }

  async drop(): Promise<void> {
    const { here } = this;
    if (!here) return;
    await this.doing.run(async () => {
      await answer(api.POST('/api/counts/{id}/drop', { params: { path: { id: here.id } } }));
    });
  }

  /** The lines of the list in view. */
  saveLines(): void {
    const view = this.one.data;
    if (!view) return;
    void saveSheet(`count-list-${view.list.id}`, {
      header: [
        'place',
        'item',
        'name',
        'lot',
        'serial',
        'set_aside',
        'book',
        'counted',
        'differs',
        'value',
        'by'
      ],
      rows: view.lines.map((l) => [
        l.place,
        l.item,
        l.itemName,
        l.lot,
        l.serial,
        l.quarantined ? 'true' : '',
        l.book,
        l.counted,
        l.differs,
        l.value,
        l.countedBy
      ])
    });
  }

  all(): Entry[] {
    const words = (this.sought ?? '').toLowerCase();
    // a correction of a list is shown with the list
    const corrections = (this.corrections.data ?? [])
      .filter((c) => c.countList === null || c.countList === undefined)
      .map((correction): Entry => ({ key: `c${correction.id}`, correction }));
    const waits = (e: Entry) => e.correction?.state === 'waiting';
    return [
      ...corrections.filter(waits),
      ...(this.rows.data ?? []).map((list): Entry => ({ key: `${list.id}`, list })),
      ...corrections.filter((e) => !waits(e))
    ].filter(({ list, correction }) =>
      [
        `${list?.id ?? ''}`,
        list?.siteName,
        list?.what,
        list?.madeBy,
        correction?.sentence,
        correction?.madeBy
      ].some((t) => t?.toLowerCase().includes(words))
    );
  }

  protected keyOf(row: Entry): string {
    return row.key;
  }

  protected sheetOf(entries: Entry[]): Sheet {
    const rows = entries.flatMap((e) => e.list ?? []);
    return {
      header: ['list', 'site', 'what', 'blind', 'state', 'made_by', 'made_at', 'lines', 'counted'],
      rows: rows.map((r) => [
        r.id,
        r.site,
        r.what,
        r.blind ? 'true' : '',
        r.state,
        r.madeBy,
        r.madeAt,
        r.lines,
        r.counted
      ])
    };
  }

  protected override keys() {
    return [
      ...super.keys(),
      { keys: 'n', says: 'Make a list', also: 'new count', run: () => this.begin() },
      { keys: 'y', says: 'Approve, or post what differs', run: () => void this.post() },
      { keys: 'b', says: 'Send back what waits for approval', run: () => this.sendBack() },
      { keys: 'V', says: 'Save the lines of the list', run: () => this.saveLines() }
    ];
  }
}
