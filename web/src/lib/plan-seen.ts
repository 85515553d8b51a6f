import type { QueryClient } from '@tanstack/svelte-query';

/**
 * Asks for all of the plan that is in view anew. What is still under way for the first time is given up before: it would
 * not be asked for again, and what it brings may be of an older plan.
 */
export async function askAnew(client: QueryClient): Promise<void> {
  await client.cancelQueries({ queryKey: ['plan'] });
  await client.invalidateQueries({ queryKey: ['plan'] });
}

/**
 * Whether what is shown is of the plan that the server told of last. Answers and news come on different ways and may
 * overtake each other.
 */
export class PlanSeen {
  /** The oldest plan that an answer was about since all were asked for anew. */
  #oldest = Infinity;
  /** The plan told of last; 0 while there is no connection. */
  #told = 0;
  /** Decisions of this browser that have no answer yet. */
  #deciding = 0;
  /** There is something newer, which waits for the answer to a decision. */
  #waiting = false;
  /** Asks for everything anew. */
  behind: () => void = () => undefined;

  answered(version: number): void {
    this.#oldest = Math.min(this.#oldest, version);
    if (version < this.#told) this.#again();
  }

  told(version: number): void {
    this.#told = version;
    if (this.#oldest !== Infinity && this.#oldest !== version) this.#again();
  }

  /**
   * Something is being decided here. The plan that knows it may be told of before the decision is answered; it is asked
   * for after that, so that nothing holds up the answer.
   */
  deciding(): void {
    this.#deciding++;
  }

  /** The decision is answered. The news of its plan comes by itself, if anything is told at all. */
  answeredDecision(): void {
    this.#deciding--;
    if (this.#waiting || this.#told === 0) this.#again();
  }

  /** The connection is lost; a server that comes back may count from the beginning. */
  lost(): void {
    this.#told = 0;
  }

  #again(): void {
    this.#waiting = this.#deciding > 0;
    if (this.#waiting) return;
    this.#oldest = Infinity;
    this.behind();
  }
}

export const planSeen = new PlanSeen();
