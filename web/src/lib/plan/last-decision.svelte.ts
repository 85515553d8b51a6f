import { said } from '$lib/format';
import { answer, api, type Schemas } from '$lib/api/client';
import { planSeen } from '$lib/plan-seen';

type Decision = Schemas['Decision'];

/** What was kept last from a view, and how it is taken back: the view's own, or else the last one of the person. */
export class LastDecision {
  /** Kept here, and standing. */
  kept = $state.raw<Decision | undefined>();
  /** What came of taking back, in a sentence. */
  said = $state<string | undefined>();
  busy = $state(false);

  /** @param after is done when something was taken back */
  constructor(private readonly after: () => void = () => undefined) {}

  keep(decision: Decision): void {
    this.kept = decision;
    this.said = undefined;
  }

  async takeBack(): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    this.said = undefined;
    planSeen.deciding();
    try {
      const last = this.kept ?? (await answer(api.GET('/api/decisions'))).find((d) => d.mine && !d.undoneAt);
      if (!last) {
        this.said = 'There is no decision of yours to take back.';
        return;
      }
      const back = await answer(api.POST('/api/decisions/{id}/undo', { params: { path: { id: last.id } } }));
      this.kept = undefined;
      this.said = `Taken back: ${said(back.sentence)}`;
      this.after();
    } catch (e) {
      this.said = (e as Error).message;
    } finally {
      this.busy = false;
      planSeen.answeredDecision();
    }
  }
}
