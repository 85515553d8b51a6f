import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { asTyped, parsedDate, parsedNumber } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { planState, stockLedger, stockOnHand } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Columns } from '$lib/ui/columns.svelte';
import type { Sheet } from '$lib/ui/export';
import { WindowedScreen } from '$lib/ui/windowed-screen.svelte';
import { Windows } from '$lib/ui/windows.svelte';
import { PostingFile } from './posting-file.svelte';
import { Posting, type Wish } from './posting.svelte';

export type OnHand = Schemas['OnHand'];
export type Bin = Schemas['BinView'];
export type Entry = Schemas['LedgerEntry'];
export type Act = 'ADJUST' | 'COUNT' | 'QUARANTINE' | 'FREE' | 'RETURN_TO_SUPPLIER';

export const ACTS: { act: Act; name: string; key: string; says: string }[] = [
  { act: 'ADJUST', name: 'Adjust', key: 'a', says: 'Adjust what is there by so much' },
  { act: 'COUNT', name: 'Count', key: 'c', says: 'Say what was counted' },
  {
    act: 'QUARANTINE',
    name: 'Set aside',
    key: 'z',
    says: 'Quarantine it, so that nothing is planned with it'
  },
  { act: 'FREE', name: 'Free', key: 'f', says: 'Free what is quarantined' }
];

export const ONLY = [
  { code: 'short', name: 'runs out within 30 days' },
  { code: 'expiring', name: 'expires within 30 days' },
  { code: 'quarantined', name: 'quarantined' },
  { code: 'idle', name: 'lasts beyond the plan' }
];

const COLUMNS = [
  { code: 'selected', name: '', width: 14, fixed: true },
  { code: 'point', name: 'Item and site' },
  { code: 'free', name: 'Free', width: 92, right: true },
  { code: 'days', name: 'Lasts', width: 66, right: true },
  { code: 'value', name: 'Value', width: 84, right: true }
];
/** So many movements come at once. */
const PAGE = 200;

/** Stock: what lies where, one item's ledger, and what is posted on it. */
export class StockScreen extends WindowedScreen<OnHand, Schemas['OnHandRows']> {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly columns = new Columns('Stock', () => COLUMNS);
  readonly only = $derived(fromAddress('only'));
  readonly site = $derived(fromAddress('site'));
  readonly sort = $derived(fromAddress('sort'));
  readonly #asked = $derived.by(() => ({
    words: this.sought,
    site: this.site,
    only: this.only,
    sort: this.sort?.replace('-', ''),
    desc: this.sort?.startsWith('-') ?? false
  }));
  readonly windows = new Windows<OnHand, Schemas['OnHandRows']>(
    () => JSON.stringify(this.#asked),
    (offset, limit) => stockOnHand({ ...this.#asked, offset, limit })
  );
  readonly worth = createQuery(() => stockOnHand({ ...this.#asked, limit: 0 }));
  /** The same as long as it is, whatever else stands in the address. */
  readonly #point = $derived(this.opened);
  /** Item and site that are opened, also when the list does not have them. */
  readonly here = $derived.by(() => {
    const [item, site] = (this.#point ?? '').split('~').map(decodeURIComponent);
    return item && site ? { item, site } : undefined;
  });
  readonly ledger = createQuery(() => ({
    ...stockLedger({ ...(this.here ?? { item: '', site: '' }), limit: PAGE }),
    enabled: this.here !== undefined
  }));

  readonly file = new PostingFile();
  /** Opens the choice of a file. */
  chooser = $state<HTMLInputElement | undefined>();

  act = $state<Act | undefined>();
  amount = $state('');
  lot = $state('');
  quarantined = $state(false);
  reason = $state('');
  day = $state('');
  /** The receipt that something is sent back of. */
  of = $state.raw<Entry | undefined>();

  constructor() {
    super({ name: 'stock', row: 'point', opened: 'point' });
    const typed = halfTyped<ReturnType<StockScreen['typed']>>('posting');
    if (typed && typed.point === this.opened) this.#again(typed);
    keepHalfTyped('posting', () => this.typed());
    // what is half typed belongs to the item that it was typed at
    let at = this.opened;
    $effect(() => {
      if (this.#point === at) return;
      at = this.#point;
      this.act = undefined;
    });
  }

  /** Of lots or serial numbers, or of neither. */
  readonly tracked = $derived(this.ledger.data?.tracking ?? 'none');
  /** What is wrong with what is typed, at its field. */
  readonly wrong = $derived.by((): { amount?: string; day?: string; lot?: string } => {
    const wrong: { amount?: string; day?: string; lot?: string } = {};
    if (this.amount.trim() && Number.isNaN(parsedNumber(this.amount))) wrong.amount = 'is no number';
    if (this.day.trim() && !parsedDate(this.day, this.today)) wrong.day = 'is no day';
    return wrong;
  });
  readonly wish = $derived.by((): Wish | undefined => {
    const { act, here } = this;
    const counted = act === 'ADJUST' || act === 'COUNT';
    const needed = counted || act === 'RETURN_TO_SUPPLIER';
    if (!act || !here || this.wrong.amount || this.wrong.day || (needed && !this.amount.trim()))
      return undefined;
    if (this.tracked !== 'none' && !this.lot.trim()) return undefined;
    const lot = this.lot.trim() || undefined;
    return {
      date: this.day.trim() ? parsedDate(this.day, this.today) : undefined,
      reason: this.reason.trim() || undefined,
      lines: [
        {
          act,
          ...here,
          number: this.of?.orderNumber ?? undefined,
          line: this.of?.orderLine ?? undefined,
          lot: this.tracked === 'lot' ? lot : undefined,
          serial: this.tracked === 'serial' ? lot : undefined,
          quantity: this.amount.trim() ? parsedNumber(this.amount) : undefined,
          quarantined: counted ? this.quarantined : undefined
        }
      ]
    };
  });
  readonly posting = new Posting(
    () => this.wish,
    () => (this.act = undefined)
  );

  #again(typed: ReturnType<StockScreen['typed']>): void {
    this.act = typed.act;
    this.amount = typed.amount;
    this.lot = typed.lot;
    this.quarantined = typed.quarantined;
    this.reason = typed.reason;
    this.day = typed.day;
    this.of = typed.of;
  }

  /** What is half typed, and where. */
  private typed() {
    const { act, amount, lot, quarantined, reason, day, of } = this;
    return { point: this.opened, act, amount, lot, quarantined, reason, day, of };
  }

  get empty(): string {
    return this.sought || this.only || this.site
      ? 'Nothing in stock fits these filters.'
      : 'Nothing lies in stock yet: receive a purchase order, or bring your stock in.';
  }

  /** Begins something with what lies there, of one bin or of all. */
  begin(act: Act, bin?: Bin): void {
    if (!rights.stocks()) {
      this.posting.refused = rights.noStock();
      return;
    }
    if (!this.here) return;
    const bins = this.ledger.data?.bins ?? [];
    const of = bin ?? (bins.length === 1 ? bins[0] : undefined);
    this.act = act;
    this.of = undefined;
    this.lot = of ? (of.lot ?? of.serial ?? '') : '';
    this.quarantined = of?.quarantined ?? false;
    this.amount =
      act === 'QUARANTINE' || act === 'FREE' || this.tracked === 'serial'
        ? of
          ? asTyped(of.quantity)
          : ''
        : '';
    this.reason = '';
    this.day = '';
  }

  /** Something of a receipt goes back to its supplier. */
  sendBack(entry: Entry): void {
    this.begin('RETURN_TO_SUPPLIER');
    if (this.act !== 'RETURN_TO_SUPPLIER') return;
    this.of = entry;
    this.lot = entry.lot ?? entry.serial ?? '';
    this.amount = asTyped(entry.quantity);
  }

  end(): void {
    this.act = undefined;
  }

  protected async placeOf(place: string): Promise<number | null | undefined> {
    return (await this.#client.fetchQuery(stockOnHand({ ...this.#asked, place, limit: 0 }))).place;
  }

  protected keyOf(row: OnHand): string {
    return row.key;
  }

  protected sheetOf(rows: OnHand[]): Sheet {
    return {
      header: [
        'item',
        'name',
        'site',
        'free',
        'quarantined',
        'unit',
        'lots',
        'expires',
        'runs_out',
        'days',
        'value',
        'last_moved'
      ],
      rows: rows.map((r) => [
        r.item,
        r.itemName,
        r.site,
        r.free,
        r.quarantined,
        r.unit,
        r.lots,
        r.expires,
        r.out,
        r.days,
        r.value,
        r.last
      ])
    };
  }

  protected override keys() {
    const keys = super.keys();
    const escape = keys.find((k) => k.keys === 'Escape');
    return [
      ...keys.filter((k) => k !== escape),
      {
        keys: 'Escape',
        says: escape?.says ?? 'Back',
        run: () => (this.file.name ? this.file.leave() : escape?.run())
      },
      {
        keys: 'i',
        says: 'Postings from a file',
        also: 'import scans csv',
        run: () => this.chooser?.click()
      },
      ...ACTS.map(({ act, key, says }) => ({ keys: key, says, run: () => this.begin(act) })),
      {
        keys: 'u',
        says: 'Take back what was posted last from here',
        also: 'undo',
        run: () => void this.posting.takeBack()
      }
    ];
  }
}
