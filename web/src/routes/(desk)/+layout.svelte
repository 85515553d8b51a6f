<script lang="ts">
  import { afterNavigate, goto, preloadCode } from '$app/navigation';
  import { page } from '$app/state';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answer, api, asked, Refused } from '$lib/api/client';
  import { look, shortcuts } from '$lib/desk.svelte';
  import { clock, duration } from '$lib/format';
  import { formats } from '$lib/formats.svelte';
  import { PLAN_VIEWS, viewHref } from '$lib/links';
  import { left } from '$lib/left.svelte';
  import { askAnew, planSeen } from '$lib/plan-seen';
  import { people, type Somebody } from '$lib/people.svelte';
  import { rights } from '$lib/rights.svelte';
  import { signOut } from '$lib/session';
  import Finder from '$lib/ui/Finder.svelte';
  import Key from '$lib/ui/Key.svelte';
  import FormatsDialog from '$lib/ui/FormatsDialog.svelte';
  import KeysHelp from '$lib/ui/KeysHelp.svelte';
  import PersonMenu from '$lib/ui/PersonMenu.svelte';

  let { children } = $props();
  const client = useQueryClient();
  // whoever was signed in here last very likely still is: the place asks for its data without waiting to hear so
  const LAST = 'signed-in';
  const likely = localStorage.getItem(LAST) !== null;
  formats.of(localStorage.getItem(LAST) ?? '');
  const start = createQuery(() => ({
    queryKey: ['start'],
    queryFn: () => answer(api.GET('/api/start')),
    enabled: !likely
  }));
  const nobody = $derived(start.data?.signedIn === false);
  const session = createQuery(() => ({
    queryKey: ['session'],
    queryFn: () => answer(api.GET('/api/session')),
    enabled: likely || start.data?.signedIn === true
  }));
  const plan = createQuery(() => ({
    queryKey: ['plan', 'state'],
    queryFn: () => answer(api.GET('/api/plan')),
    enabled: likely || session.isSuccess
  }));
  const preferences = createQuery(() => ({
    queryKey: ['preferences'],
    queryFn: () => answer(api.GET('/api/preferences')),
    staleTime: Infinity,
    enabled: session.isSuccess
  }));
  $effect(() => formats.take(preferences.data?.['formats']));
  // lists and periods are grouped by the person's week
  let week = formats.now.week;
  $effect(() => {
    if (formats.now.week === week) return;
    week = formats.now.week;
    void client.invalidateQueries({ queryKey: ['plan'] });
  });
  formats.keep = (value) => {
    if (preferences.data) client.setQueryData(['preferences'], { ...preferences.data, formats: value });
    void api
      .PUT('/api/preferences/{key}', { params: { path: { key: 'formats' } }, body: { value } })
      .catch(() => undefined);
  };
  const PLACES = [
    { href: '/plan', name: 'Plan', key: 'p' },
    { href: '/orders', name: 'Orders', key: 'o' },
    { href: '/items', name: 'Items', key: 'i' }
  ];
  /** Another place comes back as it was left; the one in sight begins anew. */
  const addressOf = $derived((href: string) => (page.url.pathname.startsWith(href) ? href : left.href(href)));
  // whoever signs in finds nothing of who was here before
  left.forget();
  afterNavigate(({ to }) => to && left.at(to.url));
  let finding = $state(false);
  let helping = $state(false);
  let formatting = $state(false);
  let connected = $state(true);
  /** What keeps everybody from working, in words; empty if nothing does. */
  let trouble = $state('');

  $effect(() => {
    const refused = session.error instanceof Refused && session.error.problem.status === 401;
    if (session.data) {
      localStorage.setItem(LAST, session.data.login);
      people.me = session.data.login;
      formats.of(session.data.login);
      rights.known = session.data;
    }
    if (!refused && !(nobody && !session.data)) return;
    localStorage.removeItem(LAST);
    void goto('/signin?' + new URLSearchParams({ back: page.url.pathname + page.url.search }).toString());
  });

  $effect(() =>
    shortcuts.register('frame', [
      ...PLACES.map((p) => ({
        keys: `g ${p.key}`,
        says: `Go to ${p.name}`,
        run: () => void goto(addressOf(p.href))
      })),
      ...PLAN_VIEWS.map((v) => ({
        keys: v.keys,
        says: `Plan: ${v.name}`,
        run: () => void goto(viewHref(v.href))
      })),
      { keys: '?', says: 'Show all keys', also: 'help', run: () => (helping = true) },
      { keys: 'D', says: 'Dark or light', also: 'theme', run: () => look.toggle() },
      {
        keys: 'g f',
        says: 'Dates and numbers',
        also: 'format decimal thousands week settings preferences',
        run: () => (formatting = true)
      },
      { keys: 'g x', says: 'End the calculation under way', also: 'cancel stop', run: () => asked.end() },
      { keys: 'g q', says: 'Sign out', also: 'leave log out quit', run: () => void signOut(client) }
    ])
  );

  // the programs of all places and views come once what was asked for is there
  $effect(() => {
    if (!plan.isSuccess) return;
    const timer = setTimeout(() => {
      for (const { href } of [...PLACES, ...PLAN_VIEWS]) void preloadCode(href).catch(() => undefined);
    }, 1000);
    return () => clearTimeout(timer);
  });

  $effect(() => {
    const timer = setInterval(() => asked.tick(Date.now()), 500);
    return () => clearInterval(timer);
  });

  /** What failed meanwhile is asked for again. */
  function goOn() {
    void client.refetchQueries({ predicate: (query) => query.state.status === 'error' });
  }

  // a new plan anywhere is seen here at once
  $effect(() => {
    if (!session.isSuccess) return;
    planSeen.behind = () => void askAnew(client);
    const news = new EventSource('/api/plan/news');
    news.addEventListener('trouble', (event: MessageEvent<string>) => {
      trouble = event.data;
      if (!trouble) goOn();
    });
    news.addEventListener('plan', (event: MessageEvent<string>) => {
      if (!connected) goOn();
      connected = true;
      planSeen.told(Number(event.data));
    });
    news.addEventListener('people', (event: MessageEvent<string>) => {
      people.all = JSON.parse(event.data) as Somebody[];
    });
    news.onerror = () => {
      connected = false;
      planSeen.lost();
    };
    return () => news.close();
  });

  function keydown(event: KeyboardEvent) {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
      event.preventDefault();
      finding = true;
    } else {
      shortcuts.handle(event);
    }
  }
</script>

<svelte:window onkeydown={keydown} />

{#if session.data || (likely && session.isPending)}
  <div class="desk print-flow grid h-full grid-rows-[45px_minmax(0,1fr)]">
    <header class="wraps no-print flex items-center gap-6 border-b border-ink bg-sheet px-4">
      <a href="/plan" class="title flex items-center gap-1.5 text-lg"
        ><img src="/mark.svg" alt="" width="20" height="20" />Rescient</a
      >
      <nav class="flex h-full" aria-label="Places">
        {#each PLACES as place (place.href)}
          {@const here = page.url.pathname.startsWith(place.href)}
          <a
            href={addressOf(place.href)}
            class="grid place-items-center border-b-[3px] px-3 {here
              ? 'border-marigold font-bold'
              : 'border-transparent'}"
            aria-current={here ? 'page' : undefined}
            title="{place.name} (g {place.key})">{place.name}</a
          >
        {/each}
      </nav>
      <button
        type="button"
        class="ml-auto flex h-[29px] w-[218px] items-center justify-between rounded border border-line bg-slip px-2 text-ink-3"
        onclick={() => (finding = true)}
      >
        Find or do anything <Key name="Ctrl K" />
      </button>
      <div class="w-[124px] leading-tight" role="status" data-testid="freshness">
        {#if !connected}
          <b class="text-vermilion">Not connected</b><br /><span class="text-sm text-ink-2">trying again</span
          >
        {:else if trouble}
          <b class="text-vermilion" title={trouble}>No database</b><br /><span class="text-sm text-ink-2"
            >trying again</span
          >
        {:else if asked.long}
          <b>Calculating …</b><br /><button class="link text-sm" title="g x" onclick={() => asked.end()}
            >End it</button
          >
        {:else if plan.data?.failure}
          <b class="text-vermilion">Plan is behind</b><br /><span
            class="text-sm text-ink-2"
            title={plan.data.failure}>could not calculate</span
          >
        {:else if plan.data}
          <b>Plan is current</b><br /><span class="text-sm text-ink-2"
            >{clock(plan.data.madeAt)}, took {duration(plan.data.tookMillis)}</span
          >
        {:else}
          <span class="text-ink-2">Planning …</span>
        {/if}
      </div>
      {#if session.data}<PersonMenu
          onformats={() => (formatting = true)}
          person={session.data}
          company={plan.data?.company ?? ''}
        />{/if}
    </header>
    <main class="print-flow min-h-0">{@render children()}</main>
  </div>
  <Finder bind:open={finding} places={PLACES} />
  <KeysHelp bind:open={helping} />
  <FormatsDialog bind:open={formatting} />
{:else if session.isError && !(session.error instanceof Refused && session.error.problem.status === 401)}
  <main class="grid h-full place-content-center gap-3">
    <p>{session.error.message}</p>
    <button class="plain-action justify-center" onclick={() => session.refetch()}>Try again</button>
  </main>
{/if}
