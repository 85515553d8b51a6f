<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A row of a list that can be opened: the cells of its columns. */
  interface Props {
    id: string;
    here: boolean;
    /** The widths of the columns, as the template of a grid. */
    template: string;
    onopen: () => void;
    children: Snippet;
  }
  let { id, here, template, onopen, children }: Props = $props();
</script>

<!-- the keys of the list act from anywhere on the page; see the page's shortcuts -->
<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
  {id}
  class="plan-row"
  class:here
  style:grid-template-columns={template}
  role="option"
  aria-selected={here}
  tabindex="-1"
  onclick={onopen}
>
  {@render children()}
</div>
