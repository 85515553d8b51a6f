import { createQuery, useQueryClient } from '@tanstack/svelte-query';
import { afterNavigate, goto, preloadCode } from '$app/navigation';
import { page } from '$app/state';
import { answer, api, asked, Refused } from '$lib/api/client';
import { DATA_VIEWS } from '$lib/data/views';
import { DEMAND_VIEWS } from '$lib/demand/views';
import { ORDER_VIEWS } from '$lib/orders/views';
import { STOCK_VIEWS } from '$lib/stock/views';
import { look, shortcuts } from '$lib/desk.svelte';
import { formats } from '$lib/formats.svelte';
import { left } from '$lib/left.svelte';
import { PLAN_VIEWS, viewHref } from '$lib/links';
import { askAnew, planSeen } from '$lib/plan-seen';
import { people, type Somebody } from '$lib/people.svelte';
import { planState, preferences, session, start } from '$lib/queries';
import { rights } from '$lib/rights.svelte';
import { signOut } from '$lib/session';

export const PLACES = [
  { href: '/demand', name: 'Demand', key: 'm' },
  { href: '/plan', name: 'Plan', key: 'p' },
  { href: '/orders', name: 'Orders', key: 'o' },
  { href: '/stock', name: 'Stock', key: 'k' },
  { href: '/items', name: 'Items', key: 'i' },
  { href: '/partners', name: 'Partners', key: 'n' }
];

/** Who was signed in here last. */
const LAST = 'signed-in';
/** So long after what was asked for came, the programs of the other places are fetched. */
const IDLE = 1000;
const TICK = 500;
/** So long after the news were refused they are asked for again. */
const AGAIN = 2000;

/** What stands around every place: who is here, whether the plan is current, the keys that act everywhere. */
export class Frame {
  readonly #client = useQueryClient();
  // whoever was signed in here last very likely still is: the place asks for its data without waiting to hear so
  readonly #likely = localStorage.getItem(LAST) !== null;
  readonly #start = createQuery(() => ({ ...start(), enabled: !this.#likely }));
  readonly session = createQuery(() => ({
    ...session(),
    enabled: this.#likely || this.#start.data?.signedIn === true
  }));
  readonly plan = createQuery(() => ({ ...planState(), enabled: this.#likely || this.session.isSuccess }));
  readonly #preferences = createQuery(() => ({ ...preferences(), enabled: this.session.isSuccess }));

  finding = $state(false);
  helping = $state(false);
  formatting = $state(false);
  connected = $state(true);
  /** What keeps everybody from working, in words; empty if nothing does. */
  trouble = $state('');

  /** The session has ended, or there never was one. */
  readonly #refused = $derived(
    this.session.error instanceof Refused && this.session.error.problem.status === 401
  );
  /** Somebody is here, or very likely is. */
  readonly there = $derived(this.session.data !== undefined || (this.#likely && this.session.isPending));
  /** Why nobody can be told from anybody. */
  readonly failure = $derived(
    this.session.isError && !this.#refused ? this.session.error.message : undefined
  );

  constructor() {
    formats.of(localStorage.getItem(LAST) ?? '');
    // whoever signs in finds nothing of who was here before
    left.forget();
    afterNavigate(({ to }) => to && left.at(to.url));
    this.#knowThePerson();
    this.#followFormats();
    $effect(() => shortcuts.register('frame', this.#keys()));
    this.#listen();
    // the programs of all places and views come once what was asked for is there
    $effect(() => {
      if (!this.plan.isSuccess) return;
      const timer = setTimeout(() => {
        for (const { href } of [...PLACES, ...PLAN_VIEWS]) void preloadCode(href).catch(() => undefined);
      }, IDLE);
      return () => clearTimeout(timer);
    });
    $effect(() => {
      const timer = setInterval(() => asked.tick(Date.now()), TICK);
      return () => clearInterval(timer);
    });
  }

  /** Another place comes back as it was left; the one in sight begins anew. */
  addressOf(href: string): string {
    return this.isHere(href) ? href : left.href(href);
  }

  isHere(href: string): boolean {
    return page.url.pathname.startsWith(href);
  }

  #knowThePerson(): void {
    $effect(() => {
      const { data } = this.session;
      if (data) {
        localStorage.setItem(LAST, data.login);
        people.me = data.login;
        formats.of(data.login);
        rights.known = data;
      }
      const nobody = this.#start.data?.signedIn === false && !data;
      if (!this.#refused && !nobody) return;
      localStorage.removeItem(LAST);
      const back = page.url.pathname + page.url.search;
      void goto('/signin?' + new URLSearchParams({ back }).toString());
    });
  }

  #followFormats(): void {
    $effect(() => formats.take(this.#preferences.data?.['formats']));
    // lists and periods are grouped by the person's week
    let week = formats.now.week;
    $effect(() => {
      if (formats.now.week === week) return;
      week = formats.now.week;
      void this.#client.invalidateQueries({ queryKey: ['plan'] });
    });
    formats.keep = (value) => {
      const { data } = this.#preferences;
      if (data) this.#client.setQueryData(['preferences'], { ...data, formats: value });
      void api
        .PUT('/api/preferences/{key}', { params: { path: { key: 'formats' } }, body: { value } })
        .catch(() => undefined);
    };
  }

  /** What failed meanwhile is asked for again. */
  #goOn(): void {
    void this.#client.refetchQueries({ predicate: (query) => query.state.status === 'error' });
  }

  /** Whether the server is there, and only its database is not. */
  async #why(): Promise<void> {
    this.trouble = await answer(api.GET('/api/session')).then(
      () => '',
      (e: Error) => (e instanceof Refused && e.problem.status === 503 ? e.message : '')
    );
  }

  /** A new plan anywhere is seen here at once. */
  #listen(): void {
    $effect(() => {
      if (!this.session.isSuccess) return;
      planSeen.behind = () => void askAnew(this.#client);
      let news: EventSource;
      let again: ReturnType<typeof setTimeout> | undefined;
      const open = () => {
        news = new EventSource('/api/plan/news');
        news.onopen = () => (this.trouble = '');
        news.addEventListener('trouble', (event: MessageEvent<string>) => {
          this.trouble = event.data;
          if (!this.trouble) this.#goOn();
        });
        news.addEventListener('plan', (event: MessageEvent<string>) => {
          if (!this.connected) this.#goOn();
          this.connected = true;
          planSeen.told(Number(event.data));
        });
        news.addEventListener('people', (event: MessageEvent<string>) => {
          people.all = JSON.parse(event.data) as Somebody[];
        });
        news.onerror = () => {
          this.connected = false;
          planSeen.lost();
          // what was refused, and not lost, no browser tries again by itself
          if (news.readyState !== EventSource.CLOSED) return;
          void this.#why();
          again = setTimeout(open, AGAIN);
        };
      };
      open();
      return () => {
        clearTimeout(again);
        news.close();
      };
    });
  }

  keydown(event: KeyboardEvent): void {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
      event.preventDefault();
      this.finding = true;
    } else {
      shortcuts.handle(event);
    }
  }

  #keys() {
    return [
      ...PLACES.map((p) => ({
        keys: `g ${p.key}`,
        says: `Go to ${p.name}`,
        run: () => void goto(this.addressOf(p.href))
      })),
      ...[...DEMAND_VIEWS, ...ORDER_VIEWS, ...STOCK_VIEWS, ...DATA_VIEWS]
        .filter((v) => !PLACES.some((p) => v.href === p.href))
        .map((v) => ({
          keys: v.keys,
          says: `${v.name}: ${v.says.charAt(0).toLowerCase()}${v.says.slice(1)}`,
          run: () => void goto(left.view(v.href))
        })),
      ...PLAN_VIEWS.map((v) => ({
        keys: v.keys,
        says: `Plan: ${v.name}`,
        run: () => void goto(viewHref(v.href))
      })),
      { keys: '?', says: 'Show all keys', also: 'help', run: () => (this.helping = true) },
      { keys: 'D', says: 'Dark or light', also: 'theme', run: () => look.toggle() },
      {
        keys: 'g f',
        says: 'Dates and numbers',
        also: 'format decimal thousands week settings preferences',
        run: () => (this.formatting = true)
      },
      { keys: 'g x', says: 'End the calculation under way', also: 'cancel stop', run: () => asked.end() },
      {
        keys: 'g q',
        says: 'Sign out',
        also: 'leave log out quit',
        run: () => void signOut(this.#client)
      }
    ];
  }
}
