<script lang="ts">
  import { goto } from '$app/navigation';
  import { createQuery } from '@tanstack/svelte-query';
  import { Command, Dialog } from 'bits-ui';
  import { answer, api } from '$lib/api/client';
  import { shortcuts } from '$lib/desk.svelte';
  import { itemHref, orderHref } from '$lib/links';
  import Key from './Key.svelte';

  interface Props {
    open: boolean;
    places: { href: string; name: string; key: string }[];
  }
  let { open = $bindable(), places }: Props = $props();
  let words = $state('');
  const found = createQuery(() => ({
    queryKey: ['find', words.trim()],
    queryFn: () => answer(api.GET('/api/find', { params: { query: { words: words.trim() } } })),
    enabled: open && words.trim().length > 0,
    placeholderData: (before) => before
  }));
  const has = $derived((text: string) => text.toLowerCase().includes(words.trim().toLowerCase()));
  const actions = $derived(shortcuts.all.filter((s) => !s.keys.startsWith('g ') && has(s.says)));

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
          placeholder="Code, name, number, place or action"
          class="h-[44px] w-full border-b border-line bg-transparent px-4 text-lg outline-none"
        />
        <Command.List class="max-h-[420px] overflow-auto p-1.5">
          <Command.Viewport>
            {#if words.trim() && found.data}
              {#each found.data as hit (hit.kind + hit.code + hit.name)}
                <Command.Item
                  value={hit.kind + hit.code + hit.name}
                  class="row"
                  onSelect={() => go(hit.kind === 'item' ? itemHref(hit.code) : orderHref(hit.code))}
                >
                  <b>{hit.code}</b> <span class="truncate text-ink-2">{hit.name}</span>
                  <span class="ml-auto text-sm text-ink-3">{hit.kind}</span>
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
                {action.says} <span class="ml-auto"><Key name={action.keys.split(', ')[0] ?? ''} /></span>
              </Command.Item>
            {/each}
            {#if words.trim() && found.data?.length === 0 && actions.length === 0}
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
