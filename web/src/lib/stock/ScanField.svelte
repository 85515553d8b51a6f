<script lang="ts">
  import { shortcuts } from '$lib/desk.svelte';
  import { escapes } from '$lib/ui/escapes';
  import Key from '$lib/ui/Key.svelte';
  import { scanning } from './scanning.svelte';

  /** Takes what a scanner types, code after code; where there is a camera, it reads them too. */
  let code = $state('');
  let box = $state<HTMLInputElement>();
  let looking = $state(false);
  const camera = typeof navigator !== 'undefined' && 'mediaDevices' in navigator;

  $effect(() =>
    shortcuts.register('scan', [
      { keys: '.', says: 'Scan a label', also: 'barcode qr code camera', run: () => box?.focus() }
    ])
  );

  // what was said of a label goes with the page it was said on
  $effect(() => () => {
    scanning.choices = [];
    scanning.said = undefined;
  });

  function read(text: string) {
    looking = false;
    void scanning.read(text).then(() => {
      code = '';
      box?.focus();
    });
  }
</script>

<form
  class="no-print relative flex items-center gap-1"
  aria-label="Scan"
  onsubmit={(e) => {
    e.preventDefault();
    read(code);
  }}
  {@attach escapes(() => {
    code = '';
    scanning.choices = [];
    scanning.said = undefined;
    looking = false;
    box?.blur();
  })}
>
  <label class="chip scan"
    ><Key name="." />
    <input
      bind:this={box}
      bind:value={code}
      aria-label="Scan a label"
      placeholder="scan a label"
      autocomplete="off"
      spellcheck="false"
    /></label
  >
  <button
    type="button"
    class="chip"
    aria-pressed={looking}
    title="A sheet of codes to try, and the camera where there is one"
    onclick={() => (looking = !looking)}>Codes</button
  >
  {#if scanning.said}<p class="said" role="alert">{scanning.said}</p>
  {:else if scanning.choices.length > 0}
    <ul class="said" aria-label="What it could be">
      {#each scanning.choices as one (one.sentence + one.kind)}
        <li><button type="button" class="link" onclick={() => scanning.use(one)}>{one.sentence}</button></li>
      {/each}
    </ul>
  {:else if looking}
    <div class="said">
      <p class="mb-1 text-sm">
        <a class="link" href="/api/stock/papers/labels" target="_blank" rel="noopener"
          >A sheet of codes to try</a
        >
      </p>
      {#if camera}{#await import('./CameraScan.svelte') then { default: Camera }}<Camera
            onread={read}
          />{/await}{/if}
    </div>
  {/if}
</form>

<style>
  .scan {
    gap: 4px;
  }
  input {
    width: 150px;
    border: 0;
    background: transparent;
    outline: none;
  }
  .scan:focus-within {
    border-color: var(--marigold);
    background: var(--marigold-tint);
  }
  .said {
    position: absolute;
    z-index: 5;
    top: 100%;
    left: 0;
    min-width: 240px;
    padding: 6px 10px;
    border: 1px solid var(--ink-3);
    background: var(--slip);
  }
</style>
