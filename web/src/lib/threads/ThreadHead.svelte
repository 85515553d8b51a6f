<script lang="ts">
  import { count } from '$lib/format';
  import { threadHref } from '$lib/links';
  import Key from '$lib/ui/Key.svelte';
  import type { ThreadsScreen } from './threads-screen.svelte';
  import { lateness } from './threads';

  /** Over the picture of a thread: whose it is, what it serves, how much of it is shown. */
  let { screen }: { screen: ThreadsScreen } = $props();
  const thread = $derived(screen.thread.data);
  const promise = $derived(screen.promise);
</script>

{#if thread}
  <header class="flex items-baseline gap-3 px-3 py-2">
    <h2 class="text-xl whitespace-nowrap">{thread.title}</h2>
    {#if promise}
      <p class="min-w-0 flex-1 truncate">
        {promise.customer ? `${promise.customer}, ` : ''}{promise.itemName}:
        <span class={promise.late ? 'font-semibold text-vermilion' : ''}>{lateness(promise)}</span>
      </p>
    {/if}
    {#if thread.serves.length > 0}
      <p class="min-w-0 flex-1 truncate" data-testid="serves">
        serves
        {#each thread.serves.slice(0, 6) as end (end.number + end.line)}<a
            class="link mr-2"
            title="{end.customer ?? ''} {end.item}, wanted {end.due}"
            href={threadHref(end.number)}>{end.number}</a
          >{/each}{#if thread.serves.length > 6}and {thread.serves.length - 6} more{/if}
      </p>
    {/if}
    <span class="ml-auto flex items-center gap-2 whitespace-nowrap text-sm text-ink-2">
      {#if thread.cut}<b>cut off after 3 000 rows</b>{/if}
      <button
        type="button"
        class="chip"
        aria-pressed={screen.deciding}
        class:font-bold={screen.deciding}
        onclick={() => screen.chain()}>what decides <Key name="o" /></button
      >
      <button type="button" class="chip" aria-label="One level less" onclick={() => screen.deeper(-1)}
        >−</button
      >
      {Math.min(screen.levels, screen.depth)} of {count(screen.depth, 'level')}
      <button type="button" class="chip" aria-label="One level more" onclick={() => screen.deeper(1)}
        >+</button
      >
    </span>
  </header>
{/if}
