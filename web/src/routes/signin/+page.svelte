<script lang="ts">
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { answer, api, Refused } from '$lib/api/client';
  import { demoPeople, start } from '$lib/queries';

  const client = useQueryClient();
  const begun = createQuery(start);
  const demo = createQuery(() => ({ ...demoPeople(), enabled: begun.data?.demo === true }));
  let login = $state('');
  let password = $state('');
  let wrong = $state('');
  let busy = $state(false);

  async function signIn(event?: SubmitEvent) {
    event?.preventDefault();
    busy = true;
    wrong = '';
    try {
      const person = await answer(api.POST('/api/session', { body: { login, password } }));
      client.clear();
      client.setQueryData(['session'], person);
      client.setQueryData(['start'], { ...begun.data, signedIn: true });
      const back = page.url.searchParams.get('back');
      await goto(back?.startsWith('/') && !back.startsWith('//') ? back : '/plan');
    } catch (e) {
      wrong = e instanceof Refused ? e.problem.detail : String(e);
    } finally {
      busy = false;
    }
  }
</script>

<svelte:head><title>Sign in · Rescient</title></svelte:head>

<main class="grid h-full place-content-center overflow-auto p-6">
  <div class="w-[380px]">
    <h1 class="flex items-center gap-2 text-xl">
      <img src="/mark.svg" alt="" width="22" height="22" />Rescient
    </h1>
    <p class="mt-1 mb-5 text-ink-2">
      {begun.data?.name ? `The planning desk of ${begun.data.name}.` : 'The desk of a production planner.'}
    </p>
    <form onsubmit={signIn} class="grid gap-3">
      <label class="grid gap-1">
        <span class="text-sm text-ink-2">Name</span>
        <!-- svelte-ignore a11y_autofocus -->
        <input class="field" bind:value={login} autocomplete="username" autofocus required />
      </label>
      <label class="grid gap-1">
        <span class="text-sm text-ink-2">Password</span>
        <input
          class="field"
          type="password"
          bind:value={password}
          autocomplete="current-password"
          required
          aria-describedby="wrong"
          aria-invalid={wrong !== ''}
        />
      </label>
      <p id="wrong" class="min-h-[18px] text-vermilion" role="alert">{wrong}</p>
      <button class="main-action justify-center" disabled={busy}>{busy ? 'Signing in …' : 'Sign in'}</button>
    </form>
    {#if begun.data?.demo}
      <h2 class="mt-7 border-b border-line pb-1 text-base">Demo sign-ins</h2>
      <p class="py-1 text-sm text-ink-2">
        They exist only with the demo company; each has the password <b>clover</b>.
      </p>
      <ul>
        {#each demo.data ?? [] as someone (someone.login)}
          <li class="border-b border-line-2">
            <button
              type="button"
              class="flex w-full justify-between py-1.5 text-left hover:bg-marigold-tint"
              onclick={() => {
                login = someone.login;
                password = 'clover';
                void signIn();
              }}
            >
              <span><b>{someone.login}</b> {someone.name}</span><span class="text-ink-2"
                >{someone.role.toLowerCase()}</span
              >
            </button>
          </li>
        {/each}
      </ul>
    {/if}
  </div>
</main>
