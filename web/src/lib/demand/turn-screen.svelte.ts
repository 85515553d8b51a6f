import { createQuery } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { fromAddress, toAddress } from '$lib/address';
import type { Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { halfTyped } from '$lib/half-typed.svelte';
import { quantity } from '$lib/format';
import { hrefOf } from '$lib/links';
import type { Deciding } from '$lib/plan/command';
import { LastDecision } from '$lib/plan/last-decision.svelte';
import { allocation, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { savingKeys, saveSheet, type FileKind } from '$lib/ui/export';
import { GROUPINGS, ledger, lots, sums, type Entry, type Grouping } from './turn';

/** Who gets what of one item at a site, and what is done about it. Made while its component comes. */
export class TurnScreen {
  readonly plan = createQuery(planState);
  readonly today = $derived(this.plan.data?.today ?? '');
  readonly currency = $derived(this.plan.data?.currency ?? 'EUR');
  readonly item = $derived(fromAddress('item'));
  readonly site = $derived(fromAddress('site'));
  readonly by = $derived((fromAddress('by') as Grouping | undefined) ?? 'event');
  readonly query = createQuery(() => ({
    ...allocation({ item: this.item ?? '', site: this.site }),
    enabled: this.item !== undefined
  }));
  readonly all = $derived(this.item === undefined ? undefined : this.query.data);
  readonly entries = $derived(this.all ? ledger(this.all) : []);
  readonly sums = $derived(this.by === 'event' || this.by === 'lot' ? [] : sums(this.entries, this.by));
  readonly lots = $derived(this.by === 'lot' && this.all ? lots(this.all) : []);
  /** The place of the entry that keys act on. */
  cursor = $state(0);
  readonly here: Entry | undefined = $derived(this.entries[this.cursor]);
  deciding = $state.raw<Deciding | undefined>();
  readonly last = new LastDecision();
  refused = $state<string | undefined>();
  pane = $state<{ keep: () => void } | undefined>();

  constructor() {
    this.deciding = halfTyped<Deciding>('decision');
    $effect(() => shortcuts.register('turn', this.#keys()));
    $effect(() => {
      void [this.item, this.site];
      this.cursor = 0;
    });
  }

  choose(item: string, site?: string): void {
    void toAddress({ item: item || undefined, site }, true);
  }

  group(by: Grouping): void {
    void toAddress({ by: by === 'event' ? undefined : by });
  }

  /** The lines of customer orders that keys act on: those under the cursor. */
  first(entry = this.here): void {
    const key = entry?.goes?.key;
    if (!key) this.refused = 'Only customer orders have a priority.';
    else if (!rights.decides('AMEND')) this.refused = rights.refusal('AMEND');
    else this.#decide({ kind: 'AMEND', orders: [key], form: { priority: '1' } });
  }

  /** One press brings what is short: an order for the demand under the cursor, for the day on which it is wanted. */
  bring(entry = this.here): void {
    const goes = entry?.goes;
    if (!goes || !this.all) return;
    if (!rights.decides('ADD')) {
      this.refused = rights.refusal('ADD');
      return;
    }
    this.#decide({
      kind: 'ADD',
      orders: [],
      item: this.all.item,
      site: this.all.site,
      form: { quantity: quantity(goes.quantity), due: goes.day }
    });
  }

  #decide(deciding: Deciding): void {
    this.refused = undefined;
    this.deciding = deciding;
  }

  wasKept(decision: Schemas['Decision']): void {
    this.deciding = undefined;
    this.last.keep(decision);
  }

  open(entry = this.here): void {
    const link = entry?.comes?.link ?? entry?.goes?.link;
    if (link) void goto(hrefOf(link));
  }

  save(kind: FileKind = 'csv'): void {
    const sheet = {
      header: ['day', 'comes', 'goes', 'balance', 'what', 'customer', 'priority', 'possible'],
      rows: this.entries.map((e) => [
        e.day,
        e.comes?.quantity,
        e.goes?.quantity,
        e.balance,
        e.comes ? `${e.comes.kind} ${e.comes.name}`.trim() : e.goes.name,
        e.goes?.customer,
        e.goes?.priority,
        e.goes?.possible
      ])
    };
    void saveSheet(`${this.item ?? 'item'}-who-gets-what`, sheet, kind);
  }

  #move(by: number): void {
    this.cursor = Math.max(0, Math.min(this.entries.length - 1, this.cursor + by));
  }

  #keys() {
    return [
      { keys: 'j, ArrowDown', says: 'Next entry', run: () => this.#move(1) },
      { keys: 'k, ArrowUp', says: 'Entry before', run: () => this.#move(-1) },
      { keys: 'p', says: 'Put the order before others', run: () => this.first() },
      { keys: 'a', says: 'Bring what is short', also: 'add', run: () => this.bring() },
      {
        keys: 'z',
        says: 'By event, day, week or month',
        run: () => this.group(GROUPINGS[(GROUPINGS.indexOf(this.by) + 1) % GROUPINGS.length] ?? 'event')
      },
      { keys: 'Enter', says: 'Open it', run: () => (this.deciding ? this.pane?.keep() : this.open()) },
      { keys: 'u', says: 'Take back the last decision', also: 'undo', run: () => void this.last.takeBack() },
      ...savingKeys('the list', (kind) => this.save(kind)),
      { keys: 'Escape', says: 'Back', run: () => (this.deciding = undefined) }
    ];
  }
}
