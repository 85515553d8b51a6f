// How dates and numbers are written: each person's own choice, kept in the browser.

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
  #login = '';

  /** Somebody is signed in here. */
  of(login: string): void {
    if (login === this.#login) return;
    this.#login = login;
    try {
      const kept = JSON.parse(localStorage.getItem(`formats ${login}`) ?? '{}') as Partial<Formats>;
      this.now = { ...STANDARD, ...kept };
    } catch {
      this.now = STANDARD;
    }
  }

  /** The two signs never become the same. */
  choose(change: Partial<Formats>): void {
    const next = { ...this.now, ...change };
    if (next.thousands === next.decimal) {
      if (change.thousands !== undefined) next.decimal = next.thousands === ',' ? '.' : ',';
      else next.thousands = ' ';
    }
    this.now = next;
    localStorage.setItem(`formats ${this.#login}`, JSON.stringify(next));
  }
}

export const formats = new Chosen();
