import { goto } from '$app/navigation';
import { answer, api, type Schemas } from '$lib/api/client';
import { demandHref, lotHref, orderHref } from '$lib/links';

export type Scan = Schemas['ScanView'];

/** Where a scanned code leads to, where the page has no better use for it. */
export function leadsTo(scan: Scan): string | undefined {
  switch (scan.kind) {
    case 'lot':
    case 'serial':
      return lotHref(scan.item ?? '', scan.lot, scan.serial);
    case 'item':
      return '/stock?' + new URLSearchParams({ words: scan.item ?? '' }).toString();
    case 'order':
      return orderHref(scan.number ?? '');
    case 'customer_order':
      return demandHref(scan.number ?? '');
    default:
      return undefined;
  }
}

/** What was scanned last, and who makes use of it. */
class Scanning {
  /** All that was meant by it, where it is not plain. */
  choices = $state.raw<Scan[]>([]);
  said = $state<string | undefined>();
  busy = $state(false);
  /** For the form of a line of its item, until it is taken there. */
  #waiting = $state.raw<Scan | undefined>();
  /** What the page in sight does with it; answers whether it did. */
  #page: ((scan: Scan) => boolean) | undefined;

  /** The page in sight takes codes first, until it goes. */
  takenBy(page: (scan: Scan) => boolean): () => void {
    this.#page = page;
    return () => {
      if (this.#page === page) this.#page = undefined;
    };
  }

  async read(code: string): Promise<void> {
    if (!code.trim() || this.busy) return;
    this.busy = true;
    this.said = undefined;
    this.choices = [];
    try {
      const found = await answer(api.GET('/api/stock/scan', { params: { query: { code: code.trim() } } }));
      if (found.length > 1) this.choices = found;
      else if (found[0]) this.use(found[0]);
    } catch (e) {
      this.said = (e as Error).message;
    } finally {
      this.busy = false;
    }
  }

  use(scan: Scan): void {
    this.choices = [];
    this.said = scan.kind === 'nothing' ? scan.sentence : undefined;
    if (scan.kind === 'nothing' || this.#page?.(scan)) return;
    const href = leadsTo(scan);
    if (href) void goto(href);
  }

  /** It waits for the form of a line of its item. */
  wait(scan: Scan): void {
    this.#waiting = scan;
  }

  /** What waits for a line of this item; it is taken by that. */
  take(item: string): Scan | undefined {
    const scan = this.#waiting;
    if (scan?.item !== item) return undefined;
    this.#waiting = undefined;
    return scan;
  }
}

export const scanning = new Scanning();
