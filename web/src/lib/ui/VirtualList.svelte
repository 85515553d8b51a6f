<script lang="ts" generics="T">
  import { createVirtualizer } from '@tanstack/svelte-virtual';
  import { untrack, type Snippet } from 'svelte';
  import { whenPainted } from './painted';

  /** A long list of which only what is in view is drawn. */
  interface Props {
    /** Undefined: a row that has not come yet. */
    rows: (T | undefined)[];
    size: (row: T) => number;
    key: (row: T) => string;
    label: string;
    /** The row that must stay in view, by position. */
    follow?: number;
    /** The id of the row under the cursor. */
    active?: string;
    /** These rows are in sight, by place. */
    onsight?: (first: number, last: number) => void;
    row: Snippet<[T, number]>;
  }
  let { rows, size, key, label, follow, active, onsight, row }: Props = $props();
  let box = $state<HTMLDivElement | null>(null);
  /** Height of a row that has not come yet. */
  const UNKNOWN = 29;

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
        estimateSize: (i) => (now[i] === undefined ? UNKNOWN : size(now[i])),
        getItemKey: (i) => (now[i] === undefined ? i : key(now[i])),
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

  $effect(() => {
    const seen = $virtualizer.getVirtualItems();
    const first = seen[0]?.index ?? 0;
    const last = seen.at(-1)?.index ?? 0;
    if (rows.length > 0) untrack(() => onsight?.(first, last));
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
      {#if data === undefined}
        <div
          class="absolute top-0 left-0 w-full border-b border-line bg-paper opacity-50"
          style:height="{item.size}px"
          style:transform="translateY({item.start}px)"
          role="presentation"
        ></div>
      {:else}
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
