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
  /** Why nothing was taken back. */
  refused = $state<string | undefined>();

  /** @param after is done when something was taken back */
  constructor(private readonly after: (back: Decision) => void = () => undefined) {}

  keep(decision: Decision): void {
    this.kept = decision;
    this.forget();
  }

  /** What was said is over. */
  forget(): void {
    this.said = undefined;
    this.refused = undefined;
  }

  /** Takes back a decision: the one of this number, or else the last one of one's own that stands, also after a reload. */
  async takeBack(id?: number): Promise<void> {
    if (this.busy) return;
    this.busy = true;
    this.forget();
    planSeen.deciding();
    try {
      const number = id ?? this.kept?.id ?? (await lastOfMine());
      if (number === undefined) {
        this.refused = 'There is no decision of yours to take back.';
        return;
      }
      const back = await answer(api.POST('/api/decisions/{id}/undo', { params: { path: { id: number } } }));
      if (this.kept?.id === number) this.kept = undefined;
      this.said = `Taken back: ${said(back.sentence)}`;
      this.after(back);
    } catch (e) {
      this.refused = (e as Error).message;
    } finally {
      this.busy = false;
      planSeen.answeredDecision();
    }
  }
}

async function lastOfMine(): Promise<number | undefined> {
  const all = await answer(api.GET('/api/decisions'));
  return all.find((d) => d.mine && !d.undoneAt)?.id;
}
