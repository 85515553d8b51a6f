import { QueryClient } from '@tanstack/svelte-query';
import { Refused } from '$lib/api/client';
import { planList, planState, session } from '$lib/queries';

export const ssr = false;
export const prerender = false;

/** So many milliseconds the first place waits for what was asked for ahead of it. */
const LONGEST_WAIT = 300;

export async function load(): Promise<{ client: QueryClient }> {
  const client = new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: 60_000,
        refetchOnWindowFocus: false,
        // while the database is away one waits for it; a server that does not answer is told after a moment
        retry: (times, error) =>
          error instanceof Refused &&
          (error.problem.status === 503 || (times < 2 && error.problem.status === 0)),
        retryDelay: (times) => Math.min(2000, 500 * (times + 1))
      }
    }
  });
  if (window.askedAhead) await Promise.race([takenAhead(client), after(LONGEST_WAIT)]);
  return { client };
}

/** What the page asked for ahead (`app.html`) is there before the first place is drawn: it is drawn once, with its rows. */
const takenAhead = (client: QueryClient) =>
  Promise.all([
    client.prefetchQuery(session()),
    client.prefetchQuery(planState()),
    client.prefetchQuery(planList())
  ]);

const after = (wait: number) => new Promise((done) => setTimeout(done, wait));
