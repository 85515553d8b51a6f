<script lang="ts" generics="T">
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { untrack, type Snippet } from 'svelte';
  import { whenPainted } from './painted';

  /** A long list of which only what is in view is drawn. */
  interface Props {
    rows: T[];
    size: (row: T) => number;
    key: (row: T) => string;
    label: string;
    /** The row that must stay in view, by position. */
    follow?: number;
    /** The id of the row under the cursor. */
    active?: string;
    /** The last rows come into sight. */
    onend?: () => void;
    row: Snippet<[T, number]>;
  }
  let { rows, size, key, label, follow, active, onend, row }: Props = $props();
  let box = $state<HTMLDivElement | null>(null);

  /** Rows that are drawn beyond what is seen, so that scrolling shows no blank; a list that has just come has time for them. */
  let beyond = $state(1);
  $effect(() => whenPainted(() => (beyond = 12)));

  const virtualizer = createVirtualizer<HTMLDivElement, HTMLDivElement>({
    count: 0,
    getScrollElement: () => null,
    estimateSize: () => 37
  });

  $effect(() => {
    const now = rows;
    const element = box;
    const overscan = beyond;
    untrack(() => {
      $virtualizer.setOptions({
        count: now.length,
        getScrollElement: () => element,
        estimateSize: (i) => size(now[i] as T),
        getItemKey: (i) => (now[i] ? key(now[i] as T) : i),
        overscan
      });
      $virtualizer.measure();
    });
  });

  /** A row is named as the active one as soon as it is drawn, not before. */
  const drawn = $derived(
    active !== undefined &&
      follow !== undefined &&
      $virtualizer.getVirtualItems().some((item) => item.index === follow)
  );

  /** So many rows before the end it is told that the end comes into sight. */
  const NEAR = 60;
  $effect(() => {
    const seen = $virtualizer.getVirtualItems().at(-1)?.index ?? 0;
    if (rows.length > 0 && seen > rows.length - NEAR) untrack(() => onend?.());
  });

  $effect(() => {
    const at = follow;
    if (at !== undefined && at >= 0 && box) untrack(() => $virtualizer.scrollToIndex(at, { align: 'auto' }));
  });
</script>

<div
  bind:this={box}
  class="h-full overflow-auto -outline-offset-2"
  role="listbox"
  aria-label={label}
  aria-multiselectable="true"
  tabindex="0"
  aria-activedescendant={drawn ? active : undefined}
>
  <div class="relative w-full" style:height="{$virtualizer.getTotalSize()}px" role="presentation">
    {#each $virtualizer.getVirtualItems() as item (item.key)}
      {@const data = rows[item.index]}
      {#if data !== undefined}
        <div
          class="absolute top-0 left-0 w-full"
          style:height="{item.size}px"
          style:transform="translateY({item.start}px)"
          role="presentation"
        >
          {@render row(data, item.index)}
        </div>
      {/if}
    {/each}
  </div>
</div>
