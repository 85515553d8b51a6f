// How dates and numbers are written: each person's own choice. The server keeps it; the browser remembers it for the start.

export interface Formats {
  /** `9 Dec`, `9.12.`, `9/12`, `12/9` or `12-09`. */
  date: 'words' | 'dots' | 'day-first' | 'month-first' | 'iso';
  decimal: '.' | ',';
  thousands: ' ' | '.' | ',' | '';
  /** The first day of the week, 0 for Sunday. */
  week: 0 | 1 | 6;
}

export const STANDARD: Formats = { date: 'words', decimal: '.', thousands: ' ', week: 1 };

class Chosen {
  now = $state<Formats>(STANDARD);
  /** The day of the plan that is shown, by which dates of other years are told. */
  today = $state<string>();
  #login = '';

  /** Somebody is signed in here. */
  of(login: string): void {
    if (login === this.#login) return;
    this.#login = login;
    this.now = STANDARD;
    this.take(localStorage.getItem(`formats ${login}`) ?? undefined);
  }

  /** What was chosen before, as it was kept; nothing if it cannot be read. */
  take(kept: string | undefined): void {
    if (kept === undefined) return;
    try {
      this.now = { ...STANDARD, ...(JSON.parse(kept) as Partial<Formats>) };
    } catch {
      // it stays as it is
    }
  }

  /** Keeps a choice for the person. */
  keep: (choice: string) => void = () => undefined;

  /** The two signs never become the same. */
  choose(change: Partial<Formats>): void {
    const next = { ...this.now, ...change };
    if (next.thousands === next.decimal) {
      if (change.thousands !== undefined) next.decimal = next.thousands === ',' ? '.' : ',';
      else next.thousands = ' ';
    }
    this.now = next;
    const kept = JSON.stringify(next);
    localStorage.setItem(`formats ${this.#login}`, kept);
    this.keep(kept);
  }
}

export const formats = new Chosen();
