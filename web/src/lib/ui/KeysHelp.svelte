<script lang="ts">
  import { Dialog } from 'bits-ui';
  import { shortcuts } from '$lib/desk.svelte';
  import Key from './Key.svelte';

  let { open = $bindable() }: { open: boolean } = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-30 bg-black/30" />
    <Dialog.Content
      class="fixed top-[80px] left-1/2 z-30 w-[440px] max-w-[94vw] -translate-x-1/2 rounded border border-ink bg-slip p-4 text-ink"
    >
      <Dialog.Title class="mb-2 text-lg font-bold">Keys that act here</Dialog.Title>
      <ul>
        <li class="flex justify-between border-b border-line-2 py-1">
          Find or do anything <Key name="Ctrl K" />
        </li>
        {#each shortcuts.all as shortcut (shortcut.keys)}
          <li class="flex justify-between border-b border-line-2 py-1">
            {shortcut.says}
            <span class="flex gap-1"
              >{#each shortcut.keys.split(', ') as key (key)}<Key
                  name={key === ' ' ? 'Space' : key}
                />{/each}</span
            >
          </li>
        {/each}
      </ul>
      <Dialog.Close class="plain-action mt-3">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
