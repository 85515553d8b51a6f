import { createMutation, createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { page } from '$app/state';
import { fromAddress, toAddress } from '$lib/address';
import { answer, api, type Schemas } from '$lib/api/client';
import { halfTyped } from '$lib/half-typed.svelte';
import { needsHref, threadHref } from '$lib/links';
import type { Deciding, Form } from '$lib/plan/command';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { customerOrder, orderLines, planState, tableRows } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { Views, type View } from '$lib/ui/views.svelte';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';
import { standing, type OrderLine } from './demand';

/** What can stand beside number, item and the day. */
const CHOICES = [
  { code: 'reference', name: 'Reference', width: 84 },
  { code: 'site', name: 'Site', width: 84 },
  { code: 'wanted', name: 'Wanted', width: 58, right: true },
  { code: 'entered', name: 'Came in', width: 58, right: true },
  { code: 'value', name: 'Value', width: 74, right: true },
  { code: 'rail', name: 'Dates', width: 116 }
];
const SHOWN = ['rail'];
const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'number', name: 'Customer order' },
  { code: 'quantity', name: 'Quantity', width: 68, right: true }
];
const DATES = [
  { code: 'due', name: 'Due', width: 66, right: true },
  { code: 'possible', name: 'Can go', width: 92, right: true }
];

function yes(name: string): boolean | undefined {
  return fromAddress(name) === undefined ? undefined : true;
}

/** Customer orders, line by line: which are shown and opened, and what is changed of them. */
export class DemandScreen extends WindowedScreen<OrderLine, Schemas['OrderLineRows']> {
  /** What can be posted on the line in view. */
  acts = $state<{ begin: () => void } | undefined>();
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly filters = $derived({
    customer: fromAddress('customer'),
    item: fromAddress('item'),
    site: fromAddress('site'),
    state: fromAddress('state'),
    day: fromAddress('day'),
    from: fromAddress('from'),
    to: fromAddress('to'),
    promised: fromAddress('promised') === undefined ? undefined : fromAddress('promised') === 'yes',
    late: yes('late'),
    broken: yes('broken'),
    kit: yes('kit')
  });
  readonly sort = $derived(fromAddress('sort'));
  readonly choices = CHOICES;
  readonly chosen = $derived((fromAddress('columns') ?? SHOWN.join(',')).split(',').filter(Boolean));
  readonly columns = new Columns('Demand', () => [
    ...COLUMNS,
    ...CHOICES.filter((c) => this.chosen.includes(c.code)),
    ...DATES
  ]);
  readonly #asked = $derived.by(() => ({
    ...this.filters,
    words: this.sought,
    sort: this.sort?.replace('-', ''),
    desc: this.sort?.startsWith('-') || undefined
  }));
  readonly windows = new Windows<OrderLine, Schemas['OrderLineRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => orderLines({ ...this.#asked, offset, limit })
  );
  readonly views = new Views('demand');
  readonly sites = createQuery(() => tableRows({ table: 'sites' }));
  /** The number of the order of which a line is opened. */
  readonly number = $derived(decodeURIComponent((this.opened ?? '').split('~')[0] ?? ''));
  readonly order = createQuery(() => ({ ...customerOrder(this.number), enabled: this.number !== '' }));
  readonly line = $derived(
    this.order.data?.lines.find((l) => l.key === this.opened) ?? this.order.data?.lines[0]
  );
  deciding = $state.raw<Deciding | undefined>();
  readonly last = new LastDecision();
  refused = $state<string | undefined>();
  pane = $state<{ keep: () => void } | undefined>();

  constructor() {
    super({ name: 'customer-orders', row: 'line', opened: 'line' });
    this.deciding = halfTyped<Deciding>('decision');
  }

  get empty(): string {
    const filtered = Object.values(this.filters).some((f) => f !== undefined) || this.sought;
    return filtered
      ? 'No line of a customer order fits these filters.'
      : 'There are no open customer orders. Press n.';
  }

  saveView(name: string): void {
    const view = new URLSearchParams(page.url.searchParams);
    view.delete('line');
    if (this.words.trim()) view.set('words', this.words.trim());
    this.views.save(name, view.toString());
  }

  openView(view: View): void {
    const params = new URLSearchParams(view.address);
    this.words = params.get('words') ?? '';
    void goto(`/demand?${params}`);
  }

  toggleColumn(code: string): void {
    const next = this.chosen.includes(code) ? this.chosen.filter((c) => c !== code) : [...this.chosen, code];
    void toAddress({ columns: next.join(',') });
  }

  toggle(name: 'late' | 'broken' | 'kit'): void {
    this.filter(name, this.filters[name] ? undefined : 'only');
  }

  /** The selected lines, or the one that is opened. */
  get #chosen(): string[] {
    const { selected } = this.list;
    if (selected.size > 0) return [...selected];
    return this.line ? [this.line.key] : [];
  }

  /** What becomes of the lines is shown first. */
  amend(form: Form = {}, keys = this.#chosen): void {
    if (keys.length === 0) return;
    if (!rights.decides('AMEND')) {
      this.refused = rights.refusal('AMEND');
      return;
    }
    this.refused = undefined;
    this.deciding = { kind: 'AMEND', orders: keys, form };
  }

  cancel(keys?: string[]): void {
    this.amend({ state: 'cancelled' }, keys);
  }

  /** Before all others of its item. */
  first(): void {
    this.amend({ priority: '1' });
  }

  enter(): void {
    if (!rights.decides('ENTER')) this.refused = rights.refusal('ENTER');
    else void goto('/demand/new');
  }

  /** The same order again, on a new sheet. */
  repeat(): void {
    if (!rights.decides('ENTER')) this.refused = rights.refusal('ENTER');
    else if (this.number) void goto('/demand/new?' + new URLSearchParams({ like: this.number }).toString());
  }

  thread(): void {
    if (this.number) void goto(threadHref(this.number));
  }

  /** What the order needs and nobody gave out yet goes to its release. */
  release(): void {
    if (this.number) void goto(needsHref(this.number));
  }

  /** Why the order was not confirmed. */
  unconfirmed = $state<string | undefined>();
  /** One key for one order as it is: asked again after a lost connection, nothing is sent twice. */
  #confirmation = { of: '', key: '' };

  readonly confirming = createMutation(() => ({
    mutationFn: (number: string) => {
      const of = `${number} ${this.plan.data?.version ?? 0}`;
      if (this.#confirmation.of !== of) this.#confirmation = { of, key: crypto.randomUUID() };
      return answer(
        api.POST('/api/demand/confirmation', {
          params: { query: { number }, header: { 'Idempotency-Key': this.#confirmation.key } }
        })
      );
    },
    onMutate: () => (this.unconfirmed = undefined),
    onSuccess: () => void this.#client.invalidateQueries({ queryKey: ['mails'] }),
    onError: (e) => (this.unconfirmed = e.message)
  }));

  /** What was promised goes to the customer by mail. */
  confirm(): void {
    if (!rights.decides('AMEND')) this.refused = rights.refusal('AMEND');
    else if (this.number && !this.confirming.isPending) this.confirming.mutate(this.number);
  }

  close(): void {
    this.deciding = undefined;
  }

  wasKept(decision: Schemas['Decision']): void {
    this.deciding = undefined;
    this.list.selected.clear();
    this.last.keep(decision);
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(orderLines({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(line: OrderLine): string {
    return line.key;
  }

  protected sheetOf(rows: OrderLine[]): Sheet {
    return {
      header: [
        'number',
        'line',
        'customer',
        'reference',
        'item',
        'name',
        'site',
        'quantity',
        'unit',
        'wanted',
        'promised',
        'due',
        'possible',
        'state',
        'standing',
        'value'
      ],
      rows: rows.map((l) => [
        l.number,
        l.line,
        l.customerName,
        l.reference,
        l.item,
        l.itemName,
        l.site,
        l.quantity,
        l.unit,
        l.wanted,
        l.promised,
        l.due,
        l.possible,
        l.state,
        standing(l),
        l.value
      ])
    };
  }

  #escape(): void {
    if (this.deciding) this.close();
    else {
      this.refused = undefined;
      this.last.forget();
      this.list.selected.clear();
    }
  }

  protected override keys() {
    return [
      ...super.keys().filter((k) => k.keys !== 'Escape'),
      { keys: 'n', says: 'Take an order', also: 'new enter', run: () => this.enter() },
      { keys: 'c', says: 'The same order again', also: 'repeat copy', run: () => this.repeat() },
      { keys: 'e', says: 'Change the lines', run: () => this.amend() },
      { keys: 'd', says: 'Cancel the lines', also: 'delete', run: () => this.cancel() },
      { keys: 'p', says: 'Put the lines before others', also: 'priority first', run: () => this.first() },
      { keys: 't', says: 'Thread of the order', run: () => this.thread() },
      { keys: 's', says: 'Ship the line', also: 'next step goods', run: () => this.acts?.begin() },
      { keys: 'm', says: 'Confirm the order by mail', also: 'send confirmation', run: () => this.confirm() },
      { keys: 'r', says: 'Release what the order needs', run: () => this.release() },
      { keys: 'l', says: 'Late lines only', run: () => this.toggle('late') },
      { keys: 'Enter', says: 'Keep the change', run: () => this.pane?.keep() },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => void this.last.takeBack() },
      { keys: 'Escape', says: 'Back', run: () => this.#escape() }
    ];
  }
}
