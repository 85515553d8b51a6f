/** A column of a list. */
export interface Column {
  code: string;
  /** What stands over it; nothing over marks. */
  name: string;
  /** In pixels; without one it takes what the others leave. */
  width?: number;
  /** A mark of fixed width, which nobody wants wider. */
  fixed?: boolean;
  /** Its text stands at the right. */
  right?: boolean;
}

const NARROWEST = 36;
const WIDEST = 420;
const STEP = 8;

/** The columns of a list with the widths that somebody gave them in this browser. */
export class Columns {
  #widths = $state<Record<string, number>>({});

  constructor(
    /** What the list is called, under which its widths are kept. */
    private readonly list: string,
    private readonly given: () => readonly Column[]
  ) {
    this.#widths = kept(localStorage.getItem(this.#key));
  }

  readonly all: readonly Column[] = $derived.by(() => this.given());
  /** As the template of a grid's columns. */
  readonly template: string = $derived(
    this.all.map((c) => (c.width === undefined ? 'minmax(0, 1fr)' : `${this.width(c)}px`)).join(' ')
  );
  /** All widths together, but for the column that takes the rest. */
  readonly taken: number = $derived(this.all.reduce((sum, c) => sum + (this.width(c) ?? 0), 0));

  get #key(): string {
    return `columns ${this.list}`;
  }

  /** How wide a column is; undefined for the one that takes the rest. */
  width(column: Column): number | undefined {
    if (column.width === undefined || column.fixed) return column.width;
    return this.#widths[column.code] ?? column.width;
  }

  /** Whether it stands before the column that takes the rest: then it is drawn wider at its right edge. */
  leads(column: Column): boolean {
    const rest = this.all.findIndex((c) => c.width === undefined);
    return this.all.indexOf(column) < rest;
  }

  to(column: Column, pixels: number): void {
    this.#widths = {
      ...this.#widths,
      [column.code]: Math.round(Math.max(NARROWEST, Math.min(WIDEST, pixels)))
    };
    localStorage.setItem(this.#key, JSON.stringify(this.#widths));
  }

  /** Wider or narrower by so many steps. */
  by(column: Column, steps: number): void {
    this.to(column, (this.width(column) ?? 0) + steps * STEP);
  }

  /** As it comes. */
  reset(column: Column): void {
    this.#widths = Object.fromEntries(Object.entries(this.#widths).filter(([code]) => code !== column.code));
    localStorage.setItem(this.#key, JSON.stringify(this.#widths));
  }
}

function kept(text: string | null): Record<string, number> {
  try {
    const said: unknown = JSON.parse(text ?? '{}');
    const entries = Object.entries(said ?? {}) as [string, unknown][];
    return Object.fromEntries(entries.filter((e): e is [string, number] => typeof e[1] === 'number'));
  } catch {
    return {};
  }
}
