import { createQuery } from '@tanstack/svelte-query';
import { SvelteSet } from 'svelte/reactivity';
import { page } from '$app/state';
import type { Schemas } from '$lib/api/client';
import { shortcuts } from '$lib/desk.svelte';
import { halfTyped, keepHalfTyped } from '$lib/half-typed.svelte';
import { demandHref, orderHref, pickListPaper } from '$lib/links';
import { pickLines, planState } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { Posting, type Line, type Wish } from './posting.svelte';
import { scanning } from './scanning.svelte';

export type Pick = Schemas['Pick'];

/** What is posted together once all of it was fetched: a part of an order, or a line that goes out. */
const wholeOf = (pick: Pick) => [pick.order, pick.line, pick.part ?? ''].join('~');
export const keyOf = (pick: Pick) => [wholeOf(pick), pick.site, pick.item, pick.lot].join('~');

/** A pick list on a screen that is carried along: what was fetched is ticked or scanned, and posted. */
export class PickScreen {
  readonly numbers = $derived(page.url.searchParams.getAll('number'));
  readonly plan = createQuery(planState);
  readonly lines = createQuery(() => pickLines(this.numbers));
  readonly ticked = new SvelteSet<string>(halfTyped<string[]>('fetched') ?? []);
  readonly picks = $derived(this.lines.data?.picks ?? []);
  readonly fetched = $derived(this.picks.filter((pick) => this.ticked.has(keyOf(pick))));
  readonly posting: Posting;

  constructor() {
    keepHalfTyped('fetched', () => [...this.ticked]);
    this.posting = new Posting(
      () => this.#wish,
      () => this.ticked.clear()
    );
    $effect(() => scanning.takenBy((scan) => this.#scanned(scan)));
    $effect(() =>
      shortcuts.register('Pick list', [
        { keys: 'Enter', says: 'Post what was fetched', run: () => void this.posting.post() },
        { keys: 'P', says: 'On paper', run: () => this.print() }
      ])
    );
  }

  /** By where it lies, in the order of the list. */
  readonly zones = $derived.by(() => {
    const zones: { name: string; picks: Pick[] }[] = [];
    for (const pick of this.picks) {
      const name = pick.zone ? `${pick.siteName}, ${pick.zone}` : pick.siteName;
      if (zones.at(-1)?.name !== name) zones.push({ name, picks: [] });
      zones.at(-1)?.picks.push(pick);
    }
    return zones;
  });

  /** What is whole, with the picks that it takes. */
  readonly #wholes = $derived.by(() => {
    const wholes: Record<string, Pick[]> = {};
    for (const pick of this.picks) (wholes[wholeOf(pick)] ??= []).push(pick);
    return Object.values(wholes);
  });
  /** What was fetched wholly, and may be posted by whoever did. */
  readonly ready = $derived(
    this.#wholes
      .filter((picks) => picks.every((pick) => !pick.missing && this.ticked.has(keyOf(pick))))
      .map((picks) => picks[0])
      .filter((pick): pick is Pick => pick !== undefined && rights.posts(pick.act))
  );
  readonly of = $derived(this.#wholes.length);

  readonly #wish = $derived.by((): Wish | undefined => {
    if (this.ready.length === 0) return undefined;
    const lines: Line[] = this.ready.map((pick) => ({
      act: pick.act,
      number: pick.order,
      line: pick.line,
      item: pick.part ?? undefined
    }));
    return { lines };
  });

  /** The page of the order that something is fetched for. */
  hrefOf(number: string): string {
    const forCustomer = this.picks.some((pick) => pick.order === number && pick.act === 'SHIP');
    return forCustomer ? demandHref(number) : orderHref(number);
  }

  tick(pick: Pick): void {
    const key = keyOf(pick);
    if (pick.missing) return;
    if (this.ticked.has(key)) this.ticked.delete(key);
    else this.ticked.add(key);
  }

  /** The first of it that is still to be fetched is. */
  #scanned(scan: Schemas['ScanView']): boolean {
    const number = scan.serial ?? scan.lot;
    const pick = this.picks.find(
      (one) =>
        one.item === scan.item &&
        !one.missing &&
        !this.ticked.has(keyOf(one)) &&
        (!number || !one.lot || one.lot === number)
    );
    if (!pick) return false;
    this.ticked.add(keyOf(pick));
    return true;
  }

  print(): void {
    window.open(pickListPaper(this.numbers), '_blank', 'noopener');
  }
}
