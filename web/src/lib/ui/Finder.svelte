<script lang="ts">
  import { goto } from '$app/navigation';
  import { createQuery } from '@tanstack/svelte-query';
  import { Command, Dialog } from 'bits-ui';
  import { foundBy } from '$lib/queries';
  import { shortcuts } from '$lib/desk.svelte';
  import { foundHref } from '$lib/links';
  import Key from './Key.svelte';

  interface Props {
    open: boolean;
    places: { href: string; name: string; key: string }[];
  }
  let { open = $bindable(), places }: Props = $props();
  let words = $state('');
  const found = createQuery(() => ({ ...foundBy(words.trim()), enabled: open && words.trim().length > 0 }));
  const said = $derived(words.trim().toLowerCase().split(/\s+/));
  /** Whether a text holds all words, in any order. */
  const has = $derived((text: string) => said.every((word) => text.toLowerCase().includes(word)));
  const hrefs = $derived(new Set(places.map((p) => `g ${p.key}`)));
  const actions = $derived(
    shortcuts.all.filter((s) => !hrefs.has(s.keys) && has(`${s.says} ${s.also ?? ''}`))
  );

  const KINDS: Record<string, string> = { order: 'order to us', customer_order: 'customer order' };
  const kindOf = (kind: string) => KINDS[kind] ?? kind;

  /** The first of the keys that do it; two where they are pressed one after the other. */
  function keysOf(action: { keys: string }): string[] {
    const first = action.keys.split(', ')[0] ?? '';
    return first === ' ' ? ['Space'] : first.split(' ');
  }

  function go(href: string) {
    close();
    void goto(href);
  }

  function close() {
    open = false;
    words = '';
  }
</script>

<Dialog.Root bind:open onOpenChange={(now) => !now && close()}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-30 bg-black/30" />
    <Dialog.Content
      class="fixed top-[70px] left-1/2 z-30 w-[560px] max-w-[94vw] -translate-x-1/2 rounded border border-ink bg-slip text-ink"
    >
      <Dialog.Title class="sr-only">Find or do anything</Dialog.Title>
      <Command.Root shouldFilter={false} label="Find or do anything">
        <Command.Input
          bind:value={words}
          placeholder="Codes, names, numbers, places, actions: several words in any order"
          class="h-[44px] w-full border-b border-line bg-transparent px-4 text-lg outline-none"
        />
        <Command.List tabindex={0} class="max-h-[420px] overflow-auto p-1.5">
          <Command.Viewport>
            {#if words.trim() && found.data}
              {#each found.data as hit (hit.kind + hit.code + hit.name)}
                <Command.Item
                  value={hit.kind + hit.code + hit.name}
                  class="row"
                  onSelect={() => go(foundHref(hit))}
                >
                  <b class="flex-none whitespace-nowrap">{hit.code}</b>
                  <span class="truncate text-ink-2">{hit.name}</span>
                  <span class="ml-auto shrink-0 pl-3 text-sm text-ink-3"
                    >{hit.retired ? 'retired ' : ''}{kindOf(hit.kind)}</span
                  >
                </Command.Item>
              {/each}
            {/if}
            {#each places.filter((p) => has(p.name)) as place (place.href)}
              <Command.Item value={place.href} class="row" onSelect={() => go(place.href)}>
                Go to <b>{place.name}</b>
                <span class="ml-auto flex gap-1"><Key name="g" /><Key name={place.key} /></span>
              </Command.Item>
            {/each}
            {#each actions as action (action.keys)}
              <Command.Item
                value={action.says}
                class="row"
                onSelect={() => {
                  close();
                  action.run();
                }}
              >
                {action.says}
                <span class="ml-auto flex gap-1"
                  >{#each keysOf(action) as key (key)}<Key name={key} />{/each}</span
                >
              </Command.Item>
            {/each}
            {#if words.trim() && found.data?.length === 0 && actions.length === 0 && !places.some( (p) => has(p.name) )}
              <p class="px-3 py-2 text-ink-2">Nothing is called “{words.trim()}”.</p>
            {/if}
            {#if found.isError}
              <p class="px-3 py-2 text-vermilion" role="alert">{found.error.message}</p>
            {/if}
          </Command.Viewport>
        </Command.List>
      </Command.Root>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>

<style>
  :global(.row) {
    display: flex;
    align-items: center;
    gap: 6px;
    padding: 5px 10px;
    border-radius: var(--radius);
    cursor: pointer;
  }
  :global(.row[data-selected]) {
    background: var(--marigold-tint);
  }
</style>
