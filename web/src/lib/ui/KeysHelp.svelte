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
      class="fixed top-[5vh] left-1/2 z-30 grid max-h-[90vh] w-[1120px] max-w-[94vw] -translate-x-1/2 grid-rows-[auto_minmax(0,1fr)_auto] rounded border border-ink bg-slip p-4 text-ink"
    >
      <Dialog.Title class="mb-2 text-lg font-bold">Keys that act here</Dialog.Title>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <ul
        class="columns-3 gap-8 overflow-auto max-[1100px]:columns-2 max-[700px]:columns-1"
        tabindex="0"
        aria-label="Keys"
      >
        <li
          class="flex break-inside-avoid items-center justify-between gap-3 border-b border-line-2 py-[3px]"
        >
          Find or do anything <Key name="Ctrl K" />
        </li>
        {#each shortcuts.all as shortcut (shortcut.keys)}
          <li
            class="flex break-inside-avoid items-center justify-between gap-3 border-b border-line-2 py-[3px]"
          >
            {shortcut.says}
            <span class="flex gap-1"
              >{#each shortcut.keys.split(', ') as key (key)}<Key
                  name={key === ' ' ? 'Space' : key}
                />{/each}</span
            >
          </li>
        {/each}
      </ul>
      <Dialog.Close class="plain-action mt-3 justify-self-start">Close</Dialog.Close>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
