import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { parsedDate, quantity } from '$lib/format';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { cameBack, whenLeft } from '$lib/left.svelte';
import { needsHref } from '$lib/links';
import {
  consequence,
  customerOrder,
  planState,
  promise,
  promiseWays,
  tableRows,
  usualOf
} from '$lib/queries';
import {
  asked,
  blank,
  decided,
  isBlank,
  linesLike,
  nextId,
  nextSupply,
  type Answer,
  type EntryLine,
  type Typed
} from './entry';
import { waysOut } from './entry-ways';
import { codeOf } from './item-code';
import { OrderKeeping } from './order-keeping.svelte';
import { pasted } from './pasted';

/** So long after the last letter the promises are asked for. */
const PAUSE = 50;

/** The order sheet: what is typed, what can be promised for each line, and its keeping. Made while its component comes. */
export class EntryScreen {
  readonly #client = useQueryClient();
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly sites = createQuery(() => tableRows({ table: 'sites' }));
  readonly units = createQuery(() => tableRows({ table: 'units' }));

  customer = $state('');
  reference = $state('');
  wanted = $state('');
  site = $state('');
  quote = $state(false);
  complete = $state(false);
  lines = $state<EntryLine[]>([blank()]);
  /** The line that the cursor is in. */
  at = $state(0);
  /** What became of what was pasted, or why nothing was kept. */
  said = $state<string | undefined>();
  /** What was typed, once the typing has stopped for a moment. */
  #settled = $state.raw<Schemas['Asking']>({ lines: [] });

  readonly keeping = new OrderKeeping({
    command: () => this.command,
    version: () => this.plan.data?.version ?? 0,
    onknown: (line, release) => this.#known(line, release)
  });
  readonly usual = createQuery(() => ({ ...usualOf(this.customer), enabled: this.customer !== '' }));
  readonly #like = fromAddress('like');
  readonly #again = createQuery(() => ({
    ...customerOrder(this.#like ?? ''),
    enabled: this.#like !== undefined
  }));

  constructor() {
    // whoever follows a link of the sheet, or reloads it, finds it as it was
    const left = halfTyped<Typed>('order') ?? cameBack<Typed>();
    const was = left?.lines.some((l) => !isBlank(l)) ? left : undefined;
    if (was) {
      Object.assign(this, { ...was, lines: was.lines.map((l) => ({ ...l, id: nextId() })) });
    } else {
      this.customer = fromAddress('customer') ?? '';
      const item = fromAddress('item');
      if (item) this.lines = [{ ...blank(), item, site: fromAddress('site') ?? '' }, blank()];
    }
    keepHalfTyped('order', () => this.typed);
    whenLeft(() => this.typed);
    let repeated = was !== undefined;
    $effect(() => {
      const order = this.#again.data;
      if (repeated || !order) return;
      repeated = true;
      this.#repeat(order);
    });
    // the first works is what most orders go from
    $effect(() => {
      const all = this.sites.data?.rows ?? [];
      if (!this.site && all.length > 0)
        this.site = (all.find((r) => r['kind'] === 'works') ?? all[0])?.['code'] ?? '';
    });
    $effect(() => {
      const next = this.asking;
      const timer = setTimeout(() => (this.#settled = next), PAUSE);
      return () => clearTimeout(timer);
    });
    $effect(() => shortcuts.register('order-sheet', this.#keys()));
  }

  get typed(): Typed {
    const { customer, reference, wanted, site, quote, complete } = this;
    return { customer, reference, wanted, site, quote, complete, lines: $state.snapshot(this.lines) };
  }

  #repeat(order: Schemas['OrderView']): void {
    this.customer = order.customer ?? '';
    this.complete = order.complete;
    this.lines = [...linesLike(order), blank()];
    this.said = `As ${order.number}; say when it is wanted.`;
  }

  /** The day on which a line is wanted; undefined while that is no day. */
  dayOf(line: EntryLine): string | undefined {
    const text = line.wanted.trim() || this.wanted.trim();
    return text && this.today ? parsedDate(text, this.today) : undefined;
  }

  #asked(line: EntryLine): Schemas['EnteredLine'] {
    return asked(line, this.site, this.dayOf(line));
  }

  /** The lines that something stands in. */
  readonly filled = $derived.by(() => {
    let last = this.lines.length;
    while (last > 0 && isBlank(this.lines[last - 1] as EntryLine)) last--;
    return this.lines.slice(0, last);
  });
  readonly asking = $derived.by((): Schemas['Asking'] => ({ lines: this.filled.map((l) => this.#asked(l)) }));
  readonly #promises = createQuery(() => ({
    ...promise(this.#settled),
    enabled: this.#settled.lines.length > 0 && !this.keeping.busy
  }));
  /** Another answer is on its way. */
  readonly old = $derived.by(
    () =>
      this.#promises.isPlaceholderData ||
      this.#promises.isFetching ||
      JSON.stringify(this.#settled) !== JSON.stringify(this.asking)
  );
  readonly fault = $derived.by(() => (this.#promises.isError ? this.#promises.error.message : undefined));
  readonly answers = $derived.by((): (Answer | undefined)[] => {
    const all = this.#promises.data ?? [];
    return this.filled.map((_, i) => all[i]);
  });

  readonly open = $derived.by(
    () => this.filled.filter((l, i) => !decided(l, this.answers[i], this.today)).length
  );
  readonly #dayOfOrder = $derived.by(() => {
    const days = this.answers.map((a) => a?.promised ?? undefined);
    return this.complete && days.every((d) => d !== undefined) ? days.sort().at(-1) : undefined;
  });
  /** The order as it would be kept; undefined while something is missing. */
  readonly command = $derived.by((): Schemas['PlanCommand'] | undefined => {
    if (this.filled.length === 0 || this.open > 0 || this.old) return undefined;
    return {
      kind: 'ENTER',
      customer: this.customer.trim() || undefined,
      reference: this.reference.trim() || undefined,
      quote: this.quote || undefined,
      complete: this.complete || undefined,
      lines: this.filled.map((line, i) => {
        const asked = this.#asked(line);
        const answered = this.answers[i];
        if (line.kept) return { ...asked, due: answered?.day ?? asked.wanted };
        return { ...asked, due: undefined, promised: answered?.promised ?? undefined };
      })
    };
  });
  /** Of an order that goes complete: the day of its last line. */
  readonly completeOn = $derived(this.#dayOfOrder);
  readonly #preview = createQuery(() => ({
    ...consequence(this.command ?? { kind: 'ENTER' }),
    enabled: this.command !== undefined && !this.keeping.busy
  }));
  readonly consequence = $derived.by(() =>
    this.command === undefined || this.#preview.isError ? undefined : this.#preview.data
  );
  readonly unfit = $derived.by(() =>
    this.command !== undefined && this.#preview.isError ? this.#preview.error.message : undefined
  );
  readonly ready = $derived.by(
    () =>
      this.command !== undefined &&
      this.consequence !== undefined &&
      !this.#preview.isPlaceholderData &&
      this.consequence.refusals.length === 0
  );

  readonly ways = createQuery(() => {
    const answered = this.answers[this.at];
    return {
      ...promiseWays(this.#settled, this.at),
      enabled: Boolean(answered?.day) && !answered?.asWanted && !this.old && !this.keeping.busy
    };
  });

  /** What is sooner than the promise of the line that the cursor is in. */
  readonly waysOut = $derived.by(() =>
    waysOut(this.ways.isError ? undefined : this.ways.data, this.answers[this.at])
  );

  /** @param release what the order needs is released right behind it */
  keep(release = false): void {
    this.keeping.refused = undefined;
    if (this.ready && !this.keeping.busy) this.keeping.keep(release);
    else if (this.open > 0) this.said = 'Each line that cannot go as it is wanted waits for your choice.';
  }

  /** The plan knows what was kept: it is opened, or what it needs is. */
  #known(line: string, release: boolean): void {
    this.clear();
    const number = decodeURIComponent(line.split('~')[0] ?? '');
    void goto(release ? needsHref(number) : '/demand?' + new URLSearchParams({ line }).toString());
  }

  clear(): void {
    Object.assign(this, {
      customer: '',
      reference: '',
      wanted: '',
      quote: false,
      complete: false,
      lines: [blank()],
      at: 0
    });
    this.said = undefined;
  }

  /** A line is typed in: what was chosen for it is over, and there is always one more to type in. */
  type(
    at: number,
    field: 'item' | 'quantity' | 'unit' | 'wanted' | 'site' | 'supplier',
    value: string
  ): void {
    const line = this.lines[at];
    if (!line) return;
    line[field] = value;
    if (field === 'item') Object.assign(line, { parts: undefined, supplier: undefined });
    if (field === 'item' || field === 'site') line.transferFrom = undefined;
    line.taken = undefined;
    line.kept = undefined;
    this.keeping.refused = undefined;
    this.#roomBelow();
  }

  #roomBelow(): void {
    const last = this.lines.at(-1);
    if (!last || !isBlank(last)) this.lines.push(blank());
  }

  remove(at = this.at): void {
    this.lines.splice(at, 1);
    this.#roomBelow();
    this.at = Math.min(at, this.lines.length - 1);
  }

  /** The promise is what the customer is told. */
  take(at = this.at): void {
    const line = this.lines[at];
    const day = this.answers[at]?.promised;
    if (!line || !day || this.old) return;
    line.taken = day;
    line.kept = undefined;
  }

  takeAll(): void {
    this.filled.forEach((line, i) => {
      if (!decided(line, this.answers[i], this.today)) this.take(i);
    });
  }

  /** The wanted day stays, and whoever gets later by it gets later. */
  keepDay(at = this.at): void {
    const line = this.lines[at];
    const answered = this.answers[at];
    if (!line || !answered || answered.fault || answered.asWanted) return;
    line.kept = !line.kept || undefined;
    line.taken = undefined;
  }

  /** What can go on the wanted day goes, the rest with its own promise. */
  split(at = this.at): void {
    const line = this.lines[at];
    const answered = this.answers[at];
    if (!line || !answered?.available || !answered.quantity || answered.asWanted || this.old) return;
    const rest = answered.quantity - answered.available;
    Object.assign(line, {
      quantity: quantity(answered.available),
      unit: '',
      taken: undefined,
      kept: undefined
    });
    this.lines.splice(at + 1, 0, {
      ...$state.snapshot(line),
      id: nextId(),
      quantity: quantity(Number(rest.toFixed(6)))
    });
  }

  /** From stock, bought for it, straight from the supplier, and from stock again; or as it is said. */
  supplied(at = this.at, supply?: { supply: EntryLine['supply'] }): void {
    const line = this.lines[at];
    if (!line || (this.answers[at]?.parts.length ?? 0) > 0) return;
    line.supply = supply ? supply.supply : nextSupply(line.supply);
    line.transferFrom = undefined;
    line.taken = undefined;
    line.kept = undefined;
  }

  /** What a kit consists of for this order alone; undefined: the usual parts. */
  ofParts(at: number, parts: EntryLine['parts']): void {
    const line = this.lines[at];
    if (line) Object.assign(line, { parts, taken: undefined, kept: undefined });
  }

  /** From another site; the one that is soonest, if none is named. */
  from(site = this.waysOut.sites[0]?.site, at = this.at): void {
    if (site) this.type(at, 'site', site);
  }

  /** Brought from another site by a transfer of its own; by none, if that is what it is already. */
  bring(site = this.waysOut.bringing[0]?.site, at = this.at): void {
    const line = this.lines[at];
    if (!line || (!site && !line.transferFrom)) return;
    Object.assign(line, {
      transferFrom: line.transferFrom ? undefined : site,
      supply: undefined,
      taken: undefined,
      kept: undefined
    });
  }

  /** Another item instead; the one that is soonest, if none is named. */
  instead(
    other: { item: string; quantity: number } | undefined = this.waysOut.alternatives[0],
    at = this.at
  ): void {
    if (!other) return;
    this.type(at, 'item', other.item);
    this.type(at, 'quantity', quantity(other.quantity));
    this.type(at, 'unit', '');
  }

  /** One more line of what the customer usually buys. */
  add(item: string, amount?: number): void {
    const place = Math.max(0, this.lines.length - 1);
    this.lines.splice(place, 0, { ...blank(), item, quantity: amount === undefined ? '' : quantity(amount) });
    this.at = place;
  }

  /** Rows of a spreadsheet or a mail become lines; names are looked up. */
  async paste(at: number, text: string): Promise<void> {
    const units = (this.units.data?.rows ?? []).map((r) => r['code'] ?? '');
    const rows = pasted(text, units, this.today);
    if (rows.length === 0) return;
    const lines = rows.map((row) => ({ ...blank(), ...row }));
    const here = this.lines[at];
    this.lines.splice(at, here && isBlank(here) ? 1 : 0, ...lines);
    this.#roomBelow();
    this.said = `${rows.length === 1 ? '1 line' : `${rows.length} lines`} pasted.`;
    for (const { id, item } of lines) {
      const code = item ? await codeOf(this.#client, item) : undefined;
      const line = this.lines.find((l) => l.id === id);
      if (code && line && line.item === item) line.item = code;
    }
  }

  /** A name that was typed becomes the code that it means. */
  async settle(at: number): Promise<void> {
    const line = this.lines[at];
    const text = line?.item.trim();
    if (!line || !text) return;
    const code = await codeOf(this.#client, text);
    if (code && code !== line.item && line.item.trim() === text) this.type(at, 'item', code);
  }

  #keys() {
    return [
      { keys: 'p', says: 'Take the promise of the line', run: () => this.take() },
      { keys: 'P', says: 'Take the promises of all lines', run: () => this.takeAll() },
      { keys: 'k', says: 'Keep the wanted day of the line', run: () => this.keepDay() },
      {
        keys: 'o',
        says: 'From stock, bought for the line alone, or straight from the supplier',
        run: () => this.supplied()
      },
      { keys: 's', says: 'Split the line: what can go, and the rest', run: () => this.split() },
      { keys: 'b', says: 'Bring the line from another site by a transfer', run: () => this.bring() },
      { keys: 'w', says: 'The line from another site', run: () => this.from() },
      { keys: 'a', says: 'Another item instead', run: () => this.instead() },
      { keys: 'Enter', says: 'Keep the order', run: () => this.keep() },
      { keys: 'r', says: 'Keep the order and release what it needs', run: () => this.keep(true) }
    ];
  }
}
