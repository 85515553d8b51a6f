import { planSeen } from '$lib/plan-seen';

/** What is being done on a screen: one thing at a time, and what was said when it could not be. */
export class Doing {
  busy = $state(false);
  refused = $state<string | undefined>();

  /** @param after is done whether it could be or not: what is shown may be otherwise now */
  constructor(private readonly after: () => void | Promise<void>) {}

  /** @returns whether it was done */
  async run(what: () => Promise<void>): Promise<boolean> {
    if (this.busy) return false;
    this.busy = true;
    this.refused = undefined;
    planSeen.deciding();
    try {
      await what();
      return true;
    } catch (e) {
      this.refused = (e as Error).message;
      return false;
    } finally {
      await this.after();
      this.busy = false;
      planSeen.answeredDecision();
    }
  }
}
