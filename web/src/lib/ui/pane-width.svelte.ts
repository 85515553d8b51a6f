/** How wide somebody made the list of a place in this browser; undefined: as it comes. */
const NARROWEST = 220;
const STEP = 16;

export class PaneWidth {
  width = $state<number | undefined>();

  constructor(private readonly place: string) {
    const kept = Number(localStorage.getItem(this.#key));
    if (kept >= NARROWEST) this.width = kept;
  }

  get #key(): string {
    return `list width ${this.place}`;
  }

  /** Takes a width in pixels, of so many that there are; the pane beside it keeps a third. */
  to(pixels: number, of: number): void {
    this.width = Math.round(Math.max(NARROWEST, Math.min(pixels, (of * 2) / 3)));
    localStorage.setItem(this.#key, String(this.width));
  }

  /** Wider or narrower by a step, from what is seen now. */
  by(steps: number, seen: number, of: number): void {
    this.to((this.width ?? seen) + steps * STEP, of);
  }

  /** As it comes. */
  reset(): void {
    this.width = undefined;
    localStorage.removeItem(this.#key);
  }
}
