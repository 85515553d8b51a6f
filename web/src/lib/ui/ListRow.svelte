<script lang="ts" generics="R extends object">
  import type { Snippet } from 'svelte';
  import type { Columns } from './columns.svelte';
  import type { Listing } from './rows.svelte';

  /** A row of a list that can be opened and selected: its mark, and the cells of its columns. */
  interface Props {
    list: Listing<R>;
    key: string;
    /** What rows of this list are called in the page. */
    id: string;
    columns: Columns;
    onopen: () => void;
    children: Snippet;
  }
  let { list, key, id, columns, onopen, children }: Props = $props();
  const selected = $derived(list.selected.has(key));
</script>

<!-- the keys of the list act from anywhere on the page; see the page's shortcuts -->
<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
  id="{id}-{key}"
  class="plan-row"
  class:here={key === list.cursor}
  style:grid-template-columns={columns.template}
  role="option"
  aria-selected={selected}
  tabindex="-1"
  onmousedown={(e) => e.shiftKey && e.preventDefault()}
  onclick={(e) => (e.shiftKey ? list.range(key) : onopen())}
>
  <span
    class="box"
    class:on={selected}
    role="presentation"
    onclick={(e) => {
      e.stopPropagation();
      list.toggle(key);
    }}
  ></span>
  {@render children()}
</div>
