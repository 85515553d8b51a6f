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

  /** Something was decided here. The news of the plan that knows it comes by itself, if anything is told at all. */
  decided(): void {
    if (this.#told === 0) this.#again();
  }

  /** The connection is lost; a server that comes back may count from the beginning. */
  lost(): void {
    this.#told = 0;
  }

  #again(): void {
    this.#oldest = Infinity;
    this.behind();
  }
}

export const planSeen = new PlanSeen();
