import { whenPainted } from './painted';

/** Opens what the cursor stands on once the cursor itself is painted there; of several that it passed meanwhile only the last. */
export class Opening {
  #waiting: (() => void) | undefined;
  #under = 0;

  /** Something is still to be opened, or is just being: where the cursor is, is newer than what is open. */
  get pending(): boolean {
    return this.#waiting !== undefined || this.#under > 0;
  }

  /** @returns when it is opened, or given up for another */
  later(open: () => Promise<void>): Promise<void> {
    this.stop();
    return new Promise((done) => {
      const giveUp = whenPainted(() => {
        this.#waiting = undefined;
        this.#under++;
        void open().finally(() => {
          this.#under--;
          done();
        });
      });
      this.#waiting = () => {
        giveUp();
        done();
      };
    });
  }

  /** Nobody looks at it any more. */
  stop(): void {
    this.#waiting?.();
    this.#waiting = undefined;
  }
}
