import type { Schemas } from '$lib/api/client';

type May = Schemas['Rights'];

const NOTHING: May = {
  decide: [],
  release: [],
  planningData: false,
  materials: false,
  customerOrders: false,
  forecastSets: false,
  takeOver: false,
  undoOthers: false
};

/** What a decision of a kind wants of whoever takes it. */
type Kind = Schemas['PlanCommand']['kind'];

/** What the person at the desk may do. Until it is known all is offered: the server decides. */
class Rights {
  known = $state.raw<{ may: May; role: string } | undefined>();
  may = $derived(this.known?.may ?? NOTHING);

  /** Whether a decision of this kind on orders of these sources is theirs; without sources, on any. */
  decides(kind: Kind, sources: string[] = []): boolean {
    if (!this.known) return true;
    if (kind === 'PLANNING') return this.may.planningData;
    if (kind === 'BILL') return this.may.materials;
    if (kind === 'ENTER') return this.may.customerOrders;
    return this.may.decide.length > 0 && sources.every((s) => this.may.decide.includes(s));
  }

  releases(sources: string[] = []): boolean {
    if (!this.known) return true;
    return this.may.release.length > 0 && sources.every((s) => this.may.release.includes(s));
  }

  /** Who may, where somebody may not. */
  refusal(kind: Kind): string {
    const role = this.known?.role.toLowerCase() ?? '';
    const who: Partial<Record<Kind, string>> = {
      PLANNING: 'Planning data are for planners to change',
      BILL: 'Bills of materials are for planners and engineers to change',
      ENTER: 'Customer orders are entered by planners and the sales desk'
    };
    return `${who[kind] ?? 'This is for planners to decide, or for buyers if it is bought'}; you are signed in as ${role}.`;
  }
}

export const rights = new Rights();
