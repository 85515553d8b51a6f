import { createQueries, useQueryClient, type CreateQueryResult, type QueryKey } from '@tanstack/svelte-query';

/** So many rows come at once. */
export const WINDOW = 100;
/** So many when all of them are wanted for a file. */
const MANY = 1000;

/** Part of a long list, as the server sends it. */
export interface Part<R> {
  rows: R[];
  /** How many rows the whole list has. */
  total: number;
}

/** How a part is asked for. */
export interface Asked<P> {
  queryKey: QueryKey;
  queryFn: () => Promise<P>;
}

/** Which windows are wanted, of which list. */
interface Wanted {
  list: string;
  windows: number[];
}

/** Which windows hold these rows. */
export function windowsOf(first: number, last: number): number[] {
  const from = Math.floor(Math.max(0, first) / WINDOW);
  const to = Math.floor(Math.max(first, last, 0) / WINDOW);
  return Array.from({ length: to - from + 1 }, (_, i) => from + i);
}

/** The rows of a list of which only some windows are there; the others are holes. */
export function spread<R>(total: number, parts: [number, R[]][]): (R | undefined)[] {
  const rows = new Array<R | undefined>(total).fill(undefined);
  for (const [window, some] of parts) some.forEach((row, i) => (rows[window * WINDOW + i] = row));
  return rows;
}

/** A long list of which the server sends the windows that are in sight, wherever one goes in it. Made while its component comes. */
export class Windows<R, P extends Part<R>> {
  readonly #client = useQueryClient();
  readonly #list: () => string;
  readonly #ask: (offset: number, limit: number) => Asked<P>;
  #wanted = $state.raw<Wanted>({ list: '', windows: [0] });
  /** The list as it was while the windows of another one come. */
  #last: P | undefined;
  #lastRows: (R | undefined)[] = [];
  readonly #windows = $derived.by(() => (this.#wanted.list === this.#list() ? this.#wanted.windows : [0]));
  readonly #queries: CreateQueryResult<P>[];

  /**
   * @param list tells one list from another: what is filtered and how it is sorted
   * @param ask for so many rows from a place on
   */
  constructor(list: () => string, ask: (offset: number, limit: number) => Asked<P>) {
    this.#list = list;
    this.#ask = ask;
    this.#queries = createQueries(() => ({
      queries: this.#windows.map((n) => this.#ask(n * WINDOW, WINDOW))
    })) as CreateQueryResult<P>[];
  }

  /** One of the windows that are there, for what is said of the list as a whole. */
  readonly any = $derived.by((): P | undefined => {
    const there = this.#queries.find((q) => q.data !== undefined)?.data;
    if (there) this.#last = there;
    return there ?? this.#last;
  });
  readonly rows = $derived.by((): (R | undefined)[] => {
    const parts = this.#windows
      .map((n, i) => [n, this.#queries[i]?.data?.rows] as const)
      .filter((part): part is [number, R[]] => part[1] !== undefined);
    if (parts.length > 0 && this.any) this.#lastRows = spread(this.any.total, parts);
    return this.#lastRows;
  });
  readonly total = $derived.by(() => this.any?.total ?? 0);
  /** For a list's loading and failed states. */
  readonly query = $derived.by(() => {
    const failed = this.#queries.find((q) => q.isError);
    return {
      isPending: this.any === undefined && failed === undefined,
      isError: this.any === undefined && failed !== undefined,
      error: failed?.error ?? null,
      refetch: () => failed?.refetch()
    };
  });

  /** These rows are in sight: their windows come. */
  see(first: number, last: number): void {
    const windows = windowsOf(first - 20, last + 40).filter((n) => n * WINDOW < Math.max(1, this.total));
    const list = this.#list();
    if (this.#wanted.list !== list || windows.join() !== this.#windows.join())
      this.#wanted = { list, windows };
  }

  /** The row at a place, wherever it is. */
  async at(place: number): Promise<R | undefined> {
    const within = Math.max(0, Math.min(this.total - 1, place));
    const window = Math.floor(within / WINDOW);
    const part = await this.#part(window * WINDOW, WINDOW);
    return part.rows[within - window * WINDOW];
  }

  /** All rows, for a file. */
  async everything(): Promise<R[]> {
    const rows: R[] = [];
    for (let total = 1; rows.length < total;) {
      const part = await this.#part(rows.length, MANY);
      total = part.rows.length === 0 ? 0 : part.total;
      rows.push(...part.rows);
    }
    return rows;
  }

  #part(offset: number, limit: number): Promise<P> {
    return this.#client.fetchQuery<P>(this.#ask(offset, limit));
  }
}
