<script lang="ts">
  import type { Column, Columns } from './columns.svelte';

  /** What stands over the columns of a list: sorts by them, and makes them wider. */
  interface Props {
    columns: Columns;
    /** The column by which the list is sorted, with a minus before it if downwards. */
    sort?: string;
    onsort?: (sort: string | undefined) => void;
  }
  let { columns, sort, onsort }: Props = $props();
  let drag = $state.raw<{ column: Column; from: number; width: number } | undefined>();

  function sortBy(code: string) {
    onsort?.(sort === code ? `-${code}` : sort === `-${code}` ? undefined : code);
  }

  function arrow(code: string): string {
    return sort === code ? ' ↑' : sort === `-${code}` ? ' ↓' : '';
  }

  function pull(event: PointerEvent) {
    if (!drag) return;
    const by = event.clientX - drag.from;
    columns.to(drag.column, drag.width + (columns.leads(drag.column) ? by : -by));
  }

  function keydown(event: KeyboardEvent, column: Column) {
    const way = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (way !== 0) columns.by(column, columns.leads(column) ? way : -way);
    else if (event.key === 'Home') columns.reset(column);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<div class="heads" style:grid-template-columns={columns.template}>
  {#each columns.all as column (column.code)}
    <span class="head" class:right={column.right}>
      {#if column.name === ''}<span></span>
      {:else if onsort && !column.fixed}
        <button type="button" tabindex="-1" onclick={() => sortBy(column.code)}
          >{column.name}{arrow(column.code)}</button
        >
      {:else}<span class="truncate">{column.name}</span>{/if}
      {#if column.width !== undefined && !column.fixed}
        <!-- a separator that is moved is a control, as the ARIA practices have it -->
        <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
        <span
          class="edge"
          class:leads={columns.leads(column)}
          class:dragging={drag?.column.code === column.code}
          role="separator"
          tabindex="0"
          aria-orientation="vertical"
          aria-label="Width of {column.name}"
          aria-valuenow={columns.width(column)}
          title="Drag, or with the arrow keys; double-click or Home: as it comes"
          onpointerdown={(e) => {
            drag = { column, from: e.clientX, width: columns.width(column) ?? 0 };
            e.currentTarget.setPointerCapture(e.pointerId);
          }}
          onpointermove={pull}
          onpointerup={() => (drag = undefined)}
          onpointercancel={() => (drag = undefined)}
          ondblclick={() => columns.reset(column)}
          onkeydown={(e) => keydown(e, column)}
        ></span>
      {/if}
    </span>
  {/each}
</div>

<style>
  .heads {
    display: grid;
    column-gap: var(--column-gap, 8px);
    align-items: center;
    height: 100%;
    padding: 0 12px;
  }
  .head {
    position: relative;
    display: flex;
    align-items: center;
    min-width: 0;
    height: 100%;
    white-space: nowrap;
  }
  .head.right {
    justify-content: flex-end;
  }
  .edge {
    position: absolute;
    top: 4px;
    bottom: 4px;
    left: -7px;
    width: 6px;
    cursor: col-resize;
    touch-action: none;
    border-right: 1px solid transparent;
  }
  .edge.leads {
    left: auto;
    right: -6px;
  }
  .head:hover .edge {
    border-right-color: var(--line);
  }
  .edge:hover,
  .edge:focus-visible,
  .edge.dragging {
    border-right-color: var(--marigold);
    background: var(--marigold);
    opacity: 0.6;
  }
</style>
