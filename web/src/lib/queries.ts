// What the screens ask the server for, each once: its name in the cache and the request. What begins with `plan` is asked
// again with every new plan.
import { queryOptions } from '@tanstack/svelte-query';
import { answer, api, type Schemas } from '$lib/api/client';
import type { operations } from '$lib/api/schema';

type Asked<Name extends keyof operations> = operations[Name]['parameters'] extends { query?: infer Query }
  ? NonNullable<Query>
  : never;

/** What was there stays in sight until the next answer. */
const stays = { placeholderData: <T>(before: T | undefined) => before };

// who is here

export const start = () =>
  queryOptions({ queryKey: ['start'], queryFn: () => answer(api.GET('/api/start')) });

export const session = () =>
  queryOptions({ queryKey: ['session'], queryFn: () => answer(api.GET('/api/session')) });

export const demoPeople = () =>
  queryOptions({ queryKey: ['demo-people'], queryFn: () => answer(api.GET('/api/session/demo')) });

export const preferences = () =>
  queryOptions({
    queryKey: ['preferences'],
    queryFn: () => answer(api.GET('/api/preferences')),
    staleTime: Infinity
  });

export const foundBy = (words: string) =>
  queryOptions({
    queryKey: ['find', words],
    queryFn: () => answer(api.GET('/api/find', { params: { query: { words } } })),
    ...stays
  });

// the plan

export const planState = () =>
  queryOptions({ queryKey: ['plan', 'state'], queryFn: () => answer(api.GET('/api/plan')) });

/** The list of what wants a decision: all of it, or what fits where it is too long to be sent whole. */
export const planList = (asked?: Asked<'orders'>) =>
  queryOptions({
    queryKey: asked ? ['plan', 'orders', asked] : ['plan', 'orders'],
    queryFn: () => answer(api.GET('/api/plan/orders', { params: { query: asked ?? {} } })),
    ...stays
  });

export const plannedOrder = (key: string) =>
  queryOptions({
    queryKey: ['plan', 'order', key],
    queryFn: () => answer(api.GET('/api/plan/order', { params: { query: { key } } }))
  });

export const allSignals = () =>
  queryOptions({ queryKey: ['plan', 'signals'], queryFn: () => answer(api.GET('/api/plan/signals')) });

export const stockPoint = (item: string, site: string) =>
  queryOptions({
    queryKey: ['plan', 'point', item, site],
    queryFn: () => answer(api.GET('/api/plan/stock-point', { params: { query: { item, site } } })),
    ...stays
  });

/** What changed since somebody last looked, or since a moment. */
export const changes = (asked: Asked<'changes'>) =>
  queryOptions({
    queryKey: ['plan', 'changes', asked],
    queryFn: () => answer(api.GET('/api/plan/changes', { params: { query: asked } })),
    ...stays
  });

/**
 * The marks of the list: what changed since the last visit. They tell of what was, and take long where much did, so that they are
 * not asked for with each new plan (see {@link Sparing}).
 */
export const marks = () =>
  queryOptions({
    queryKey: ['marks'],
    staleTime: 0,
    queryFn: () => answer(api.GET('/api/plan/changes', { params: { query: { since: 'visit' } } })),
    ...stays
  });

// slips

export const balanceSlip = (item: string, site: string, date: string) =>
  queryOptions({
    queryKey: ['plan', 'balance', item, site, date],
    queryFn: () => answer(api.GET('/api/plan/balance', { params: { query: { item, site, date } } }))
  });

export const signalSlip = (signal: Schemas['SignalView'] | undefined) =>
  queryOptions({
    queryKey: ['plan', 'signal', signal],
    queryFn: () =>
      answer(
        api.GET('/api/plan/signal', {
          params: {
            query: {
              kind: signal?.kind ?? '',
              item: signal?.item ?? '',
              site: signal?.site ?? '',
              number: signal?.orderNumber ?? undefined,
              date: signal?.date ?? undefined
            }
          }
        })
      )
  });

/** Why the possible date of an order is what it is. */
export const possibleSlip = (key: string) =>
  queryOptions({
    queryKey: ['plan', 'possible', key],
    queryFn: () => answer(api.GET('/api/plan/possible', { params: { query: { key } } })),
    ...stays,
    retry: false
  });

export const cellSlip = (cell: Asked<'cell'>, week: number) =>
  queryOptions({
    queryKey: ['plan', 'cell', cell, week],
    queryFn: () => answer(api.GET('/api/plan/periods/cell', { params: { query: cell } })),
    ...stays
  });

// periods and threads

export const periods = (asked: Asked<'periods'>, week: number) =>
  queryOptions({
    queryKey: ['plan', 'periods', asked, week],
    queryFn: () => answer(api.GET('/api/plan/periods', { params: { query: asked } })),
    ...stays
  });

export const periodDetail = (item: string, site: string, scale: string, week: number) =>
  queryOptions({
    queryKey: ['plan', 'period-detail', scale, item, site, week],
    queryFn: () =>
      answer(api.GET('/api/plan/periods/stock-point', { params: { query: { item, site, scale } } })),
    ...stays
  });

export const promises = (asked: Asked<'customerOrders'>) =>
  queryOptions({
    queryKey: ['plan', 'promises', asked],
    queryFn: () => answer(api.GET('/api/plan/threads/customer-orders', { params: { query: asked } })),
    ...stays
  });

/** Whose thread is asked for: a customer order's, an order's or a stock point's. */
export interface ThreadOf {
  number?: string;
  order?: string;
  item?: string;
  site?: string;
}

export const thread = ({ number, order, item, site }: ThreadOf) =>
  queryOptions({
    queryKey: ['plan', 'thread', number, order, item, site],
    queryFn: () =>
      number !== undefined
        ? answer(api.GET('/api/plan/threads/customer-order', { params: { query: { number } } }))
        : order !== undefined
          ? answer(api.GET('/api/plan/threads/order', { params: { query: { key: order } } }))
          : answer(
              api.GET('/api/plan/threads/stock-point', {
                params: { query: { item: item ?? '', site: site ?? '' } }
              })
            ),
    ...stays
  });

// demand

/** Lines of customer orders: part of the list. */
export const orderLines = (asked: Asked<'orderLines'>) => ({
  queryKey: ['plan', 'order-lines', asked],
  queryFn: () => answer(api.GET('/api/demand/lines', { params: { query: asked } }))
});

/** One customer order with all its lines. */
export const customerOrder = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'customer-order', number],
    queryFn: () => answer(api.GET('/api/demand/order', { params: { query: { number } } })),
    ...stays
  });

/** How a customer order stood after each change of it. */
export const orderVersions = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'order-versions', number],
    queryFn: () => answer(api.GET('/api/demand/versions', { params: { query: { number } } })),
    ...stays
  });

/** What a customer usually buys. */
export const usualOf = (customer: string) =>
  queryOptions({
    queryKey: ['plan', 'usual', customer],
    queryFn: () => answer(api.GET('/api/demand/usual', { params: { query: { customer } } }))
  });

/** What was sent by mail, and what waits to be: about one document, or all. */
export const mails = (about?: string) =>
  queryOptions({
    queryKey: ['mails', about ?? ''],
    queryFn: () => answer(api.GET('/api/mails', { params: { query: { about } } })),
    refetchInterval: (query) => (query.state.data?.some((m) => !m.sentAt && !m.failure) ? 2000 : false)
  });

const MINUTE = 60_000;

/** How many promises the plan does not keep: once a minute, not with every plan. */
export const promisesAtRisk = () =>
  queryOptions({
    queryKey: ['at-risk'],
    refetchInterval: MINUTE,
    queryFn: () => answer(api.GET('/api/demand/at-risk'))
  });

/** Who gets what of an item at a site. */
export const allocation = (asked: Asked<'allocation'>) =>
  queryOptions({
    queryKey: ['plan', 'allocation', asked],
    queryFn: () => answer(api.GET('/api/plan/allocation', { params: { query: asked } })),
    ...stays
  });

/** When a customer can have what he asks for: an answer for each line of an order. */
export const promise = (asking: Schemas['Asking']) =>
  queryOptions({
    queryKey: ['plan', 'promise', asking],
    queryFn: ({ signal }) => answer(api.POST('/api/promise', { signal, body: asking })),
    ...stays,
    retry: false
  });

/** What else can be done for one of its lines. */
export const promiseWays = (asking: Schemas['Asking'], at: number) =>
  queryOptions({
    queryKey: ['plan', 'promise-ways', asking, at],
    queryFn: ({ signal }) =>
      answer(api.POST('/api/promise/ways', { signal, body: asking, params: { query: { at } } })),
    retry: false
  });

// decisions and releases

export const decisions = () =>
  queryOptions({ queryKey: ['plan', 'decisions'], queryFn: () => answer(api.GET('/api/decisions')) });

/** What would follow from a decision. */
export const consequence = (command: Schemas['PlanCommand']) =>
  queryOptions({
    queryKey: ['plan', 'preview', JSON.stringify(command)],
    queryFn: ({ signal }) => answer(api.POST('/api/decisions/preview', { signal, body: command })),
    ...stays,
    retry: false
  });

export const offersFor = (key: string) =>
  queryOptions({
    queryKey: ['plan', 'offers', key],
    queryFn: ({ signal }) => answer(api.GET('/api/decisions/offers', { signal, params: { query: { key } } })),
    retry: false
  });

/** What a release would create; `seen` is no part of its name, for the answer says what happened since then anyway. */
export const releasePreview = (asked: Schemas['Chosen']) =>
  queryOptions({
    queryKey: ['plan', 'release', asked.orders, asked.asPossible, asked.weeks],
    queryFn: ({ signal }) => answer(api.POST('/api/releases/preview', { signal, body: asked })),
    ...stays
  });

// what-ifs

export const whatIfs = (words?: string) =>
  queryOptions({
    queryKey: ['what-ifs', 'mine', words],
    queryFn: () => answer(api.GET('/api/what-ifs', { params: { query: { words } } })),
    ...stays
  });

/** One what-if beside the live plan: all that it assumes, or one of it alone. */
export const whatIf = (id: number, only?: number) =>
  queryOptions({
    queryKey: ['plan', 'what-if', id, only],
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/what-ifs/{id}', {
          signal,
          params: { path: { id }, query: only === undefined ? {} : { only: [only] } }
        })
      ),
    ...stays,
    retry: false
  });

export const whatIfsCompared = (ids: number[]) =>
  queryOptions({
    queryKey: ['plan', 'what-if', 'compared', ids],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/what-ifs/compared', { signal, params: { query: { ids } } })),
    ...stays
  });

/** What a what-if is called and assumes, which does not change with the plan. */
export const whatIfSaid = (id: number) =>
  queryOptions({
    queryKey: ['what-ifs', id, 'said'],
    queryFn: () => answer(api.GET('/api/what-ifs/{id}', { params: { path: { id } } }))
  });

export const forecastSets = () =>
  queryOptions({
    queryKey: ['plan', 'forecast-sets'],
    queryFn: () => answer(api.GET('/api/forecast-sets'))
  });

/** The series of the company with their forecasts. */
export const forecastSeries = (asked: Asked<'forecastSeries'>) => ({
  queryKey: ['plan', 'forecast-series', asked],
  queryFn: () => answer(api.GET('/api/forecasts', { params: { query: asked } })),
  // as long as they are being made, how far they are is asked again and again
  refetchInterval: (query: { state: { data?: Schemas['SeriesRows'] } }) =>
    query.state.data?.making ? 400 : (false as const)
});

/** One series with its forecast. */
export const forecastOf = (asked: Asked<'forecastOf'>) =>
  queryOptions({
    queryKey: ['plan', 'forecast-of', asked],
    queryFn: () => answer(api.GET('/api/forecasts/one', { params: { query: asked } })),
    ...stays,
    retry: false
  });

/** What the curve is for any value of a bucket of the history. */
export const movedCurves = (wish: Schemas['MoveWish']) =>
  queryOptions({
    queryKey: ['plan', 'moved-curves', wish],
    queryFn: ({ signal }) => answer(api.POST('/api/forecasts/moved', { signal, body: wish })),
    retry: false
  });

/** What was forecast against what came. */
export const followUp = (asked: Asked<'followUp'>) => ({
  queryKey: ['plan', 'follow-up', asked],
  queryFn: () => answer(api.GET('/api/forecasts/follow-up', { params: { query: asked } }))
});

/** What customers were promised against what was shipped. */
export const keptPromises = (asked: Asked<'kept'>) => ({
  queryKey: ['plan', 'kept', asked],
  queryFn: () => answer(api.GET('/api/demand/kept', { params: { query: asked } }))
});

/** What differs between two forecast sets. */
export const comparedSets = (first: string, second: string) =>
  queryOptions({
    queryKey: ['plan', 'compared-sets', first, second],
    queryFn: () => answer(api.GET('/api/forecast-sets/compared', { params: { query: { first, second } } })),
    ...stays
  });

/** The runs over all series; asked again and again while one is under way. */
export const forecastRuns = () =>
  queryOptions({
    queryKey: ['plan', 'forecast-runs'],
    queryFn: () => answer(api.GET('/api/forecast-runs')),
    refetchInterval: (query) =>
      query.state.data?.runs.some((r) => r.state === 'waiting' || r.state === 'running') ? 500 : false
  });

/** What a run found. */
export const runChanges = (id: number) =>
  queryOptions({
    queryKey: ['forecast-run', id],
    queryFn: () => answer(api.GET('/api/forecast-runs/{id}/changes', { params: { path: { id } } }))
  });

/** What runs out if nothing more is ordered. */
export const runningOut = (asked: Asked<'runningOut'>) => ({
  queryKey: ['plan', 'running-out', asked],
  queryFn: () => answer(api.GET('/api/plan/running-out', { params: { query: asked } }))
});

/** A series while a point of its history is moved. */
export const forecastDraft = (draft: Schemas['ForecastDraft']) =>
  queryOptions({
    queryKey: ['plan', 'forecast-draft', draft],
    queryFn: ({ signal }) => answer(api.POST('/api/forecasts/draft', { signal, body: draft })),
    ...stays,
    gcTime: 0,
    retry: false
  });

// stock

/** What lies where. */
export const stockOnHand = (asked: Asked<'onHand'>) => ({
  queryKey: ['plan', 'stock', asked],
  queryFn: () => answer(api.GET('/api/stock', { params: { query: asked } }))
});

/** What suppliers are to bring. */
export const stockDue = (asked: Asked<'due'>) =>
  queryOptions({
    queryKey: ['plan', 'due', asked],
    queryFn: () => answer(api.GET('/api/stock/due', { params: { query: asked } })),
    ...stays
  });

/** What is to be fetched for orders. */
export const pickLines = (numbers: string[]) =>
  queryOptions({
    queryKey: ['plan', 'pick', numbers],
    queryFn: () =>
      answer(api.GET('/api/stock/papers/pick-list/lines', { params: { query: { number: numbers } } })),
    ...stays
  });

/** What customers are to get, and what of it can go. */
export const stockOut = (asked: Asked<'goingOut'>) =>
  queryOptions({
    queryKey: ['plan', 'out', asked],
    queryFn: () => answer(api.GET('/api/stock/out', { params: { query: asked } })),
    ...stays
  });

/** Lists of what is to be counted, the last first. */
export const countLists = () =>
  queryOptions({
    queryKey: ['plan', 'counts'],
    queryFn: () => answer(api.GET('/api/counts')),
    ...stays
  });

export const countList = (id: number) =>
  queryOptions({
    queryKey: ['plan', 'count', id],
    queryFn: () => answer(api.GET('/api/counts/{id}', { params: { path: { id } } })),
    ...stays
  });

/** Corrections of stock that wait, or waited, for approval. */
export const waitingPostings = () =>
  queryOptions({
    queryKey: ['plan', 'waiting'],
    queryFn: () => answer(api.GET('/api/stock/waiting')),
    ...stays
  });

export const waitingPosting = (id: number) =>
  queryOptions({
    queryKey: ['plan', 'waiting', id],
    queryFn: () => answer(api.GET('/api/stock/waiting/{id}', { params: { path: { id } } })),
    ...stays
  });

/** What stock was worth at the end of a day. */
export const stockWorth = (filter: Asked<'worth'>) =>
  queryOptions({
    queryKey: ['plan', 'worth', filter],
    queryFn: () => answer(api.GET('/api/stock/worth', { params: { query: filter } })),
    ...stays
  });

/** What differed from what was expected, by cause. */
export const stockVariances = (filter: Asked<'variances'>) =>
  queryOptions({
    queryKey: ['plan', 'variances', filter],
    queryFn: () => answer(api.GET('/api/stock/variances', { params: { query: filter } })),
    ...stays
  });

/** Lots that expire before they are used. */
export const expiringLots = (filter: Asked<'expiring'>) =>
  queryOptions({
    queryKey: ['plan', 'expiring', filter],
    queryFn: () => answer(api.GET('/api/stock/expiring', { params: { query: filter } })),
    ...stays
  });

/** What would use one of them. */
export const expiringUsers = (key: string) =>
  queryOptions({
    queryKey: ['plan', 'expiring-users', key],
    queryFn: () => answer(api.GET('/api/stock/expiring/users', { params: { query: { key } } }))
  });

/** One item at a site with its lots and movements. */
/** One lot or serial number with its trace both ways. */
export const stockLot = (asked: Asked<'lot'>) =>
  queryOptions({
    queryKey: ['plan', 'lot', asked],
    queryFn: () => answer(api.GET('/api/stock/lot', { params: { query: asked } }))
  });

export const stockLedger = (asked: Asked<'ledger'> & { item: string; site: string }) =>
  queryOptions({
    queryKey: ['plan', 'ledger', asked],
    queryFn: () => answer(api.GET('/api/stock/ledger', { params: { query: asked } })),
    ...stays
  });

export const orderPostings = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'order-postings', number],
    queryFn: () => answer(api.GET('/api/orders/postings', { params: { query: { number } } })),
    ...stays
  });

// orders and items

export const supplyOrders = (filter: Asked<'list'>) =>
  queryOptions({
    queryKey: ['plan', 'supply-orders', filter],
    queryFn: () => answer(api.GET('/api/orders', { params: { query: filter } })),
    ...stays
  });

export const supplyOrder = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'supply-order', number],
    queryFn: () => answer(api.GET('/api/orders/one', { params: { query: { number } } })),
    ...stays
  });

/** Where the parts of an order come from. */
export const orderParts = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'order-parts', number],
    queryFn: () => answer(api.GET('/api/orders/parts', { params: { query: { number } } })),
    ...stays
  });

/** What was bought of a supplier before, and what the plan needs of him. */
export const boughtBefore = (asked: Asked<'before'>) =>
  queryOptions({
    queryKey: ['plan', 'bought-before', asked],
    queryFn: () => answer(api.GET('/api/purchases/before', { params: { query: asked } })),
    ...stays
  });

/** How far a purchase order is on its way. */
export const purchase = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'purchase', number],
    queryFn: () => answer(api.GET('/api/purchases', { params: { query: { number } } }))
  });

/** How suppliers deliver, those of whom most was bought first. */
export const suppliersDelivering = (filter: Asked<'suppliers'>) =>
  queryOptions({
    queryKey: ['plan', 'deliveries', filter],
    queryFn: () => answer(api.GET('/api/suppliers', { params: { query: filter } })),
    ...stays
  });

/** How one delivers, with the lines behind a figure. */
export const supplierRecord = (filter: Asked<'record'>) =>
  queryOptions({
    queryKey: ['plan', 'supplier-record', filter],
    queryFn: () => answer(api.GET('/api/suppliers/record', { params: { query: filter } })),
    ...stays
  });

/** What suppliers wrote; looked for again while it is in sight. */
export const letters = (filter: Asked<'letters'>) =>
  queryOptions({
    queryKey: ['plan', 'letters', filter],
    queryFn: () => answer(api.GET('/api/letters', { params: { query: filter } })),
    refetchInterval: 2000,
    ...stays
  });

export const letter = (id: number) =>
  queryOptions({
    queryKey: ['plan', 'letter', id],
    queryFn: () => answer(api.GET('/api/letters/{id}', { params: { path: { id } } })),
    ...stays
  });

/** How the simulated suppliers behave, and what they are about to write. */
export const standInSuppliers = () =>
  queryOptions({
    queryKey: ['stand-ins'],
    queryFn: () => answer(api.GET('/api/stand-ins/suppliers')),
    refetchInterval: 2000
  });

/** Invoices of suppliers, by the day they are due. */
export const invoices = (filter: Asked<'invoices'>) =>
  queryOptions({
    queryKey: ['plan', 'invoices', filter],
    queryFn: () => answer(api.GET('/api/invoices', { params: { query: filter } })),
    ...stays
  });

/** @param listed when the list was read that has it: it is asked for after that, for it may be taken back */
export const invoice = (supplier: string, number: string, listed: number) =>
  queryOptions({
    queryKey: ['invoice', supplier, number, listed],
    queryFn: () => answer(api.GET('/api/invoices/invoice', { params: { query: { supplier, number } } })),
    ...stays
  });

/** What an order costs, against what it was expected to. */
export const orderCosts = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'order-costs', number],
    queryFn: () => answer(api.GET('/api/orders/costs', { params: { query: { number } } })),
    ...stays
  });

/** What can be worked on now, by work center. */
export const benches = (asked: Asked<'bench'>) =>
  queryOptions({
    queryKey: ['plan', 'bench', asked],
    queryFn: () => answer(api.GET('/api/bench', { params: { query: asked } })),
    ...stays
  });

/** What customers are to be charged, and were. */
export const customerInvoices = (filter: Asked<'customerInvoices'>) =>
  queryOptions({
    queryKey: ['plan', 'customer-invoices', filter],
    queryFn: () => answer(api.GET('/api/customer-invoices', { params: { query: filter } })),
    ...stays
  });

/** @param listed when the list was read that has it: it is asked for after that, for it may be taken back */
export const customerInvoice = (key: string, listed: number) =>
  queryOptions({
    queryKey: ['customer-invoice', key, listed],
    queryFn: () => answer(api.GET('/api/customer-invoices/one', { params: { query: { key } } })),
    ...stays
  });

/** What an order is charged for. */
export const invoicesOfOrder = (number: string) =>
  queryOptions({
    queryKey: ['plan', 'invoices-of', number],
    queryFn: () => answer(api.GET('/api/invoices/of-order', { params: { query: { number } } }))
  });

/** What came from a supplier and was not charged yet; asked anew each time. */
export const chargeableOf = (supplier: string) =>
  queryOptions({
    queryKey: ['plan', 'chargeable', supplier],
    queryFn: () => answer(api.GET('/api/invoices/chargeable', { params: { query: { supplier } } })),
    staleTime: 0
  });

/** A part of the list of items. */
export const itemRows = (filter: Asked<'list_1'>) => ({
  queryKey: ['plan', 'items', filter],
  queryFn: () => answer(api.GET('/api/items', { params: { query: filter } }))
});

/** One item; of its bill of materials what lies at a site, or else at the first at which it is planned. */
export const item = (code: string, site?: string) =>
  queryOptions({
    queryKey: ['plan', 'item', code, site],
    queryFn: () => answer(api.GET('/api/items/one', { params: { query: { code, site } } })),
    ...stays
  });

export const itemSheet = (code: string) =>
  queryOptions({
    queryKey: ['plan', 'item-sheet', code],
    queryFn: () => answer(api.GET('/api/items/sheet', { params: { query: { code } } })),
    ...stays
  });

/** How many could be built at a site of what lies there. */
export const buildable = (item: string, site: string) =>
  queryOptions({
    queryKey: ['plan', 'buildable', item, site],
    queryFn: () => answer(api.GET('/api/bills/buildable', { params: { query: { item, site } } })),
    ...stays
  });

export const whereUsed = (item: string, all: boolean) =>
  queryOptions({
    queryKey: ['plan', 'where-used', item, all],
    queryFn: () => answer(api.GET('/api/bills/where-used', { params: { query: { item, all } } })),
    ...stays
  });

export const billsCompared = (left: string, right: string) =>
  queryOptions({
    queryKey: ['plan', 'bills-compared', left, right],
    queryFn: () => answer(api.GET('/api/bills/compare', { params: { query: { left, right } } })),
    ...stays,
    retry: false
  });

// the company's data

/** What every table holds, which does not change while the server runs. */
export const dataTables = () =>
  queryOptions({
    queryKey: ['data-tables'],
    queryFn: () => answer(api.GET('/api/data/tables')),
    staleTime: Infinity
  });

/** A part of the rows of a table. */
export const tablePart = (asked: Asked<'rows'>) => ({
  queryKey: ['plan', 'data', asked],
  queryFn: () => answer(api.GET('/api/data/rows', { params: { query: asked } }))
});

export const tableRows = (asked: Asked<'rows'>) => queryOptions({ ...tablePart(asked), ...stays });

/** What can be chosen from a table, by code or name. */
export const offered = (asked: Asked<'offered'>) =>
  queryOptions({
    queryKey: ['plan', 'data-offered', asked],
    queryFn: () => answer(api.GET('/api/data/offered', { params: { query: asked } })),
    ...stays
  });

/** What became of an item, or of a row of a table. */
export const dataHistory = (asked: Asked<'history'>) =>
  queryOptions({
    queryKey: ['plan', 'data-history', asked],
    queryFn: () => answer(api.GET('/api/data/history', { params: { query: asked } })),
    ...stays
  });

export const dataHealth = (asked: Asked<'findings'>) =>
  queryOptions({
    queryKey: ['plan', 'data-health', asked],
    queryFn: () => answer(api.GET('/api/data/health', { params: { query: asked } })),
    ...stays
  });

/** What came to the health of the data since somebody looked: asked now and then, not with every plan. */
export const healthMark = (since: string | undefined) =>
  queryOptions({
    queryKey: ['health-mark', since],
    queryFn: () => answer(api.GET('/api/data/health/mark', { params: { query: { since } } })),
    staleTime: 60_000,
    refetchInterval: 120_000
  });
