/** Of the time, one part in so many is spent on asking. */
const SHARE = 10;

/**
 * Does again what each new plan asks for, but so that it takes a tenth of the time at most: where an answer takes long, the next
 * question waits. The last wish is always fulfilled.
 */
export class Sparing {
  #timer: ReturnType<typeof setTimeout> | undefined;
  #running = false;
  #wanted = false;
  #free = 0;

  constructor(
    private readonly run: () => Promise<unknown>,
    private readonly now: () => number = () => performance.now()
  ) {}

  ask(): void {
    this.#wanted = true;
    if (this.#running || this.#timer !== undefined) return;
    this.#timer = setTimeout(() => void this.#go(), Math.max(0, this.#free - this.now()));
  }

  /** Nobody looks at it any more. */
  stop(): void {
    clearTimeout(this.#timer);
    this.#timer = undefined;
    this.#wanted = false;
  }

  async #go(): Promise<void> {
    this.#timer = undefined;
    this.#wanted = false;
    this.#running = true;
    const begun = this.now();
    try {
      await this.run();
    } finally {
      this.#running = false;
      this.#free = this.now() + SHARE * (this.now() - begun);
      if (this.#wanted) this.ask();
    }
  }
}
