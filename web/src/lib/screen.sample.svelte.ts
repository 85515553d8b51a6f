// What surrounds a screen, for its tests: an address, and answers instead of requests.
import { flushSync } from 'svelte';
import { SvelteMap } from 'svelte/reactivity';
import { shortcuts } from '$lib/desk.svelte';

let address = $state('http://desk/');
/** What is answered, by the name of the query. */
const answers = new SvelteMap<string, unknown>();
/** Where somebody was sent. */
export const sent: string[] = [];
/** What was asked for, by the name of the query. */
export const asked: string[] = [];

// in the place of $app/state and $app/navigation
export const page = {
  get url(): URL {
    return new URL(address);
  }
};
export const navigating: { to: { url: URL } | null } = { to: null };
export function goto(to: string): Promise<void> {
  sent.push(to);
  address = new URL(to, address).href;
  return Promise.resolve();
}
export const afterNavigate = () => undefined;
export const preloadCode = () => Promise.resolve();

// in the place of @tanstack/svelte-query
interface Options {
  queryKey: unknown[];
  enabled?: boolean;
}
export const queryOptions = (options: Options): Options => options;
export function createQuery(options: () => Options) {
  const name = () =>
    options()
      .queryKey.filter((part) => part !== undefined)
      .map((part) => (typeof part === 'object' ? JSON.stringify(part) : String(part)))
      .join(' ');
  return {
    get data(): unknown {
      const { enabled } = options();
      if (enabled === false) return undefined;
      asked.push(name());
      return answers.get(name());
    },
    get isSuccess(): boolean {
      return answers.has(name());
    },
    isError: false,
    isPlaceholderData: false
  };
}
export function createQueries(options: () => { queries: Options[] }) {
  return {
    flatMap: <T>(f: (query: { data: unknown }) => T[]) =>
      options().queries.flatMap((query) => f(createQuery(() => query)))
  };
}
export const createMutation = (options: () => { mutationFn: (input: unknown) => Promise<unknown> }) => ({
  isPending: false,
  mutate: (input: unknown) => void options().mutationFn(input)
});
export const useQueryClient = () => ({
  invalidateQueries: () => Promise.resolve(),
  setQueryData: () => undefined
});

/** A screen at an address, with what the server answers; gone after the test. */
export function at<Screen>(url: string, said: Record<string, unknown>, make: () => Screen): Screen {
  address = new URL(url, 'http://desk/').href;
  sent.length = 0;
  asked.length = 0;
  answers.clear();
  for (const [name, answer] of Object.entries(said)) answers.set(name, answer);
  let screen: Screen | undefined;
  leave = $effect.root(() => {
    screen = make();
  });
  flushSync();
  return screen as Screen;
}

let leave: () => void = () => undefined;
/** The screen of the test is left. */
export function left(): void {
  leave();
}

/** Another answer of the server. */
export function answered(name: string, answer: unknown): void {
  answers.set(name, answer);
  flushSync();
}

document.body.addEventListener('keydown', (event) => shortcuts.handle(event));

/** Presses a key, and everything that follows from it has happened. */
export function press(key: string): void {
  document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
  flushSync();
}

/** What of the address is asked for. */
export function said(name: string): string | undefined {
  return page.url.searchParams.get(name) ?? undefined;
}
