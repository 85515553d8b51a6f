<script lang="ts">
  // a program of its own: whoever scans with a scanner never fetches it
  import reader from '@zxing/browser/umd/zxing-browser.min.js?url';
  import type { BrowserMultiFormatReader } from '@zxing/browser';

  /** Reads a code with the camera of this device, the first that it sees. */
  let { onread }: { onread: (code: string) => void } = $props();
  let video = $state<HTMLVideoElement>();
  let failed = $state<string | undefined>();

  type Reader = { BrowserMultiFormatReader: typeof BrowserMultiFormatReader };

  /** The reader of codes, fetched once. */
  function fetched(): Promise<Reader> {
    const there = () => (globalThis as unknown as { ZXingBrowser?: Reader }).ZXingBrowser;
    return new Promise((done, fail) => {
      const known = there();
      if (known) return done(known);
      const script = document.createElement('script');
      script.src = reader;
      script.onload = () => {
        const come = there();
        if (come) done(come);
        else fail(new Error('no reader'));
      };
      script.onerror = () => fail(new Error('no reader'));
      document.head.append(script);
    });
  }

  $effect(() => {
    if (!video) return;
    const seen = video;
    let stop: (() => void) | undefined;
    let gone = false;
    fetched()
      .then((zxing) => new zxing.BrowserMultiFormatReader())
      .then((codes) =>
        codes.decodeFromVideoDevice(undefined, seen, (found, _error, controls) => {
          stop = () => controls.stop();
          if (gone) controls.stop();
          else if (found) {
            controls.stop();
            onread(found.getText());
          }
        })
      )
      .then((controls) => {
        if (gone) controls.stop();
        else stop = () => controls.stop();
      })
      .catch(() => (failed = 'There is no camera here, or it may not be used.'));
    return () => {
      gone = true;
      stop?.();
    };
  });
</script>

{#if failed}<p role="alert">{failed}</p>{:else}
  <video bind:this={video} class="w-[280px]"></video>
  <p class="text-sm text-ink-2">Hold the label in front of the camera.</p>
{/if}
