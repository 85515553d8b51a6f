<script lang="ts" generics="T">
  import type { Snippet } from 'svelte';
  import type { Columns } from './columns.svelte';
  import Heads from './Heads.svelte';
  import Key from './Key.svelte';
  import { wordsInAddress } from '$lib/filter-words.svelte';
  import { whenPainted } from './painted';
  import { PaneWidth } from './pane-width.svelte';
  import VirtualList from './VirtualList.svelte';

  /** A place: filters above, a list on the left, what is opened on the right, actions below. */
  interface Props {
    title: string;
    /** What the words of the filter are looked for in. */
    filters: string;
    words: string;
    /** The list's query, for its loading and failed states. */
    query: { isPending: boolean; isError: boolean; error: Error | null; refetch: () => unknown };
    reading: string;
    /** What is said when no row is there. */
    empty: string;
    /** Undefined: a row that has not come yet. */
    rows: (T | undefined)[];
    size: (row: T) => number;
    key: (row: T) => string;
    follow: number;
    active?: string;
    /** Opens a row: the first one, when nothing is open as the list comes. */
    open?: (row: T) => void;
    /** Width of the list. */
    list: string;
    columns: Columns;
    /** The column by which the list is sorted, with a minus before it if downwards. */
    sort?: string;
    onsort?: (sort: string | undefined) => void;
    /** These rows are in sight, by place. */
    onsight?: (first: number, last: number) => void;
    /** What is selected, as a table that a spreadsheet takes. */
    copied?: () => string | undefined;
    /** The views of the place, in the place of its title. */
    views?: Snippet;
    chips?: Snippet;
    aside?: Snippet;
    /** What is said besides where no row is there. */
    nothing?: Snippet;
    row: Snippet<[T, number]>;
    detail: Snippet;
    actions: Snippet;
  }
  let {
    title,
    filters,
    words = $bindable(),
    query,
    reading,
    empty,
    rows,
    size,
    key,
    follow,
    active,
    open,
    list,
    columns,
    sort,
    onsort,
    onsight,
    copied,
    views,
    chips,
    aside,
    nothing,
    row,
    detail,
    actions
  }: Props = $props();
  wordsInAddress(
    () => words,
    (said) => (words = said)
  );
  let box = $state<HTMLInputElement>();
  let body = $state<HTMLElement>();
  let left = $state<HTMLElement>();
  const width = $derived(new PaneWidth(title));
  let dragging = $state(false);

  function drag(event: PointerEvent) {
    if (dragging && body) width.to(event.clientX - body.getBoundingClientRect().left, body.clientWidth);
  }

  function divide(event: KeyboardEvent) {
    const steps = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (steps !== 0 && body && left) width.by(steps, left.clientWidth, body.clientWidth);
    else if (event.key === 'Home') width.reset();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  /** The list is looked for first, what is opened then. */
  let listed = $state(false);
  $effect(() => whenPainted(() => (listed = true)));

  let begun = false;
  $effect(() => {
    const [first] = rows;
    if (begun || first === undefined) return;
    begun = true;
    if (active === undefined) open?.(first);
  });

  /** A text that is marked goes as it is. */
  function copy(event: ClipboardEvent) {
    const marked = getSelection()?.isCollapsed === false;
    const typing = (event.target as HTMLElement | null)?.closest?.('input, textarea');
    const table = marked || typing ? undefined : copied?.();
    if (table === undefined) return;
    event.preventDefault();
    event.clipboardData?.setData('text/plain', table);
  }

  export function focusFilter() {
    box?.focus();
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'Escape') words = '';
    if (event.key === 'Escape' || event.key === 'Enter') box?.blur();
  }
</script>

<svelte:document oncopy={copy} />

<div class="place print-flow grid h-full grid-rows-[42px_minmax(0,1fr)_44px]">
  <div class="wraps no-print flex items-center gap-2 border-b border-line px-4">
    {#if views}
      <h1 class="sr-only">{title}</h1>
      {@render views()}
    {:else}
      <h1 class="mr-2 text-lg">{title}</h1>
    {/if}
    {@render chips?.()}
    <label class="chip">
      <span class="sr-only">Filter by {filters}</span>
      <input
        bind:this={box}
        bind:value={words}
        class="w-[124px] bg-transparent outline-none"
        placeholder="filter"
        onkeydown={keydown}
      />
      <Key name="/" />
    </label>
    {@render aside?.()}
  </div>
  <div
    class="place-body print-flow grid min-h-0"
    bind:this={body}
    style:grid-template-columns="{width.width === undefined ? list : `${width.width}px`} minmax(0, 1fr)"
  >
    <section
      bind:this={left}
      class="place-list no-print relative grid min-h-0 grid-rows-[27px_minmax(0,1fr)] border-r border-line bg-sheet"
      aria-label={title}
    >
      <div class="border-b border-line text-sm text-ink-3"><Heads {columns} {sort} {onsort} /></div>
      {#if query.isPending}
        <p class="p-4 text-ink-2">{reading}</p>
      {:else if query.isError}
        <div class="p-4" role="alert">
          <p>{query.error?.message}</p>
          <button class="plain-action mt-2" onclick={() => query.refetch()}>Try again</button>
        </div>
      {:else if rows.length === 0}
        <p class="p-4 text-ink-2">{empty}</p>
        {@render nothing?.()}
      {:else}
        <VirtualList {rows} {size} {key} label={title} {follow} {active} {onsight} {row} />
      {/if}
      <!-- a separator that is moved is a control, as the ARIA practices have it -->
      <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
      <div
        class="divider no-print"
        class:dragging
        role="separator"
        tabindex="0"
        aria-orientation="vertical"
        aria-label="Width of the list"
        aria-valuenow={width.width ?? 0}
        title="Drag, or with the arrow keys; double-click or Home: as it comes"
        onpointerdown={(e) => {
          dragging = true;
          e.currentTarget.setPointerCapture(e.pointerId);
        }}
        onpointermove={drag}
        onpointerup={() => (dragging = false)}
        ondblclick={() => width.reset()}
        onkeydown={divide}
      ></div>
    </section>
    <div class="place-detail print-flow min-h-0 overflow-auto">
      {#if listed}{@render detail()}{/if}
    </div>
  </div>
  <div
    role="toolbar"
    tabindex="-1"
    aria-label="Actions"
    class="place-actions wraps no-print flex items-center gap-5 bg-bar px-4 text-bar-text"
  >
    {@render actions()}
  </div>
</div>

<style>
  .divider {
    position: absolute;
    top: 0;
    bottom: 0;
    right: -4px;
    width: 7px;
    cursor: col-resize;
    touch-action: none;
    z-index: 2;
  }

  .divider:hover,
  .divider:focus-visible,
  .divider.dragging {
    background: var(--color-marigold);
    opacity: 0.6;
  }

  /* one under the other there is nothing to divide */
  @media (max-width: 900px) {
    .divider {
      display: none;
    }
  }
</style>
