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
  undoOthers: false,
  stock: false,
  production: false,
  tables: []
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
    if (kind === 'BILL' || kind === 'REPLACE') return this.may.materials;
    if (kind === 'COPY') return this.may.tables.includes('items');
    if (kind === 'DATA') return this.may.tables.length > 0;
    if (kind === 'ENTER' || kind === 'AMEND') return this.may.customerOrders;
    if (kind === 'FORECAST' || kind === 'ADJUST' || kind === 'SETS') return this.may.forecastSets;
    return this.may.decide.length > 0 && sources.every((s) => this.may.decide.includes(s));
  }

  /** Whether rows of a table are theirs to change. */
  changes(table: string): boolean {
    return !this.known || this.may.tables.includes(table);
  }

  /** Whether stock is theirs to post. */
  stocks(): boolean {
    return !this.known || this.may.stock;
  }

  /** Whether this posting is theirs: who makes something takes his parts and reports it. */
  posts(act: Schemas['PostingLine']['act'], straight = false): boolean {
    if (!this.known) return true;
    const { stock, production } = this.may;
    // what never comes to a site is posted by whoever bought it, too
    if (act === 'RECEIVE' && straight) return stock || this.releases(['buy']);
    if (act === 'OUTPUT') return production;
    return act === 'ISSUE' || act === 'FINISH' || act === 'REVERSE' ? stock || production : stock;
  }

  noStock(): string {
    return `Stock is posted by stores and planners; you are signed in as ${this.known?.role.toLowerCase() ?? ''}.`;
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
      REPLACE: 'Bills of materials are for planners and engineers to change',
      COPY: 'Items are for planners and engineers to keep',
      DATA: 'This is for those who keep it to change',
      ENTER: 'Customer orders are entered by planners and the sales desk',
      AMEND: 'Customer orders are changed by planners and the sales desk',
      FORECAST: 'Forecasts are for planners to keep',
      ADJUST: 'Forecasts are for planners to keep',
      SETS: 'Forecasts are for planners to keep'
    };
    return `${who[kind] ?? 'This is for planners to decide, or for buyers if it is bought'}; you are signed in as ${role}.`;
  }
}

export const rights = new Rights();
