import createClient, { type Middleware } from 'openapi-fetch';
import { Asked, calculates } from '$lib/asked.svelte';
import { isoDay, said } from '$lib/format';
import { formats } from '$lib/formats.svelte';
import { planSeen } from '$lib/plan-seen';
import { trial } from '$lib/trial.svelte';
import { Ahead } from './ahead';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** What the server says when something cannot be done: a problem document (RFC 9457). */
export interface Problem {
  status: number;
  detail: string;
  field?: string;
  changes?: string[];
  keys?: string[];
  /** What the plan has in the place of the keys that are gone. */
  instead?: (string | null)[];
  /** What is wrong with single fields of rows that were sent. */
  faults?: components['schemas']['FaultAt'][];
  /** All that is wrong with a file that was sent. */
  wrong?: string[];
  /** What somebody else changed meanwhile. */
  conflicts?: components['schemas']['Conflict'][];
}

/** A failed request, in the words of the job. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(said(problem.detail));
  }
}

export const asked: Asked = new Asked(
  (name) => void api.DELETE('/api/calculations/{name}', { params: { path: { name } } }).catch(() => undefined)
);

const token: Middleware = {
  onRequest({ request }) {
    const cookie = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
    if (cookie?.[1] && request.method !== 'GET')
      request.headers.set('X-XSRF-TOKEN', decodeURIComponent(cookie[1]));
    if (formats.now.week !== 1) request.headers.set('Week-Starts', String(formats.now.week));
    if (request.method === 'GET') {
      if (trial.whatIf !== undefined) request.headers.set('Plan-What-If', trial.whatIf);
      else if (trial.on) request.headers.set('Plan-Without', trial.without.join(' '));
    }
    if (calculates(request)) asked.begin(request, Date.now());
    return request;
  },
  onError({ request }) {
    asked.over(request);
  },
  onResponse({ request, response }) {
    asked.over(request);
    const version = Number(response.headers.get('Plan-Version') ?? 0);
    if (version > 0) {
      planSeen.answered(version);
      // a plan is named by its day and the company's revision: see PlanVersion
      formats.today = isoDay(Math.floor(version / 2 ** 32));
    }
  }
};

const begun = typeof window === 'undefined' ? undefined : window.askedAhead;

export const api = createClient<paths>({
  fetch: new Ahead(begun ?? new Map<string, Promise<Response>>()).fetch
});
api.use(token);

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** The data of an answer, or {@link Refused}. */
export async function answer<T>(request: Promise<Answer<T>>): Promise<T> {
  let result: Answer<T>;
  try {
    result = await request;
  } catch {
    throw new Refused({
      status: 0,
      detail: 'The server cannot be reached. What you typed is still here; try again.'
    });
  }
  if (result.response.ok) return result.data as T;
  const problem = result.error as Partial<Problem> | undefined;
  throw new Refused({
    ...problem,
    status: result.response.status,
    detail: problem?.detail ?? `The server answered ${result.response.status}.`
  });
}
