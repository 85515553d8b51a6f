import type { Schemas } from '$lib/api/client';

type SheetWish = Schemas['SheetWish'];
type TableView = Schemas['TableView'];

/** One sheet of what was brought: whether it comes in, and how it is understood. */
export class SheetChoice {
  readonly place: number;
  readonly view: Schemas['SheetView'];
  /** Whether it is taken in with the others. */
  taken = $state(true);
  table = $state<string | undefined>();
  columns = $state<Record<string, number>>({});
  fixed = $state<Record<string, string>>({});
  dates = $state<SheetWish['dates']>('DAY_FIRST');
  decimal = $state('.');
  corrections = $state<Record<string, Record<string, string>>>({});
  leftOut = $state<number[]>([]);
  withoutFaulty = $state(false);
  preview = $state.raw<Schemas['SheetPreview'] | undefined>();

  constructor(place: number, view: Schemas['SheetView'], may: boolean) {
    this.place = place;
    this.view = view;
    this.table = view.table ?? undefined;
    this.columns = { ...view.columns };
    this.dates = view.dates as SheetWish['dates'];
    this.decimal = view.decimal;
    this.taken = may && view.table !== undefined && view.table !== null && view.rows > 0;
  }

  readonly wish = $derived.by((): SheetWish | undefined =>
    this.taken && this.table
      ? {
          sheet: this.place,
          table: this.table,
          columns: $state.snapshot(this.columns),
          fixed: $state.snapshot(this.fixed),
          dates: this.dates,
          decimal: this.decimal,
          corrections: $state.snapshot(this.corrections),
          leftOut: $state.snapshot(this.leftOut),
          withoutFaulty: this.withoutFaulty
        }
      : undefined
  );
  /** Rows that would be added or changed. */
  readonly coming = $derived((this.preview?.added ?? 0) + (this.preview?.changed ?? 0));
  /** Whether a fault keeps everything out. */
  readonly stopped = $derived((this.preview?.faulty ?? 0) > 0 && !this.withoutFaulty);

  /** Another table: columns of the same names stay. */
  as(table: TableView): void {
    this.table = table.name;
    const names = table.columns.map((c) => c.name);
    const kept = Object.entries(this.columns).filter(([name]) => names.includes(name));
    this.columns = Object.fromEntries(kept);
    for (const [place, name] of this.view.header.entries()) {
      const plain = name.trim().toLowerCase().replaceAll(' ', '_');
      if (names.includes(plain) && this.columns[plain] === undefined) this.columns[plain] = place;
    }
    this.taken = true;
    this.preview = undefined;
  }

  /** What a column of the sheet is. */
  map(place: number, column: string | undefined): void {
    const kept = Object.entries(this.columns).filter(([name, at]) => at !== place && name !== column);
    this.columns = Object.fromEntries(kept);
    if (column) this.columns[column] = place;
  }

  correct(row: number, column: string, value: string): void {
    this.corrections[row] = { ...this.corrections[row], [column]: value };
  }

  leave(row: number): void {
    this.leftOut = this.leftOut.includes(row)
      ? this.leftOut.filter((r) => r !== row)
      : [...this.leftOut, row];
  }
}
