<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import ScanField from './ScanField.svelte';
  import { STOCK_VIEWS } from './views';

  /** The views of the stock, and the field that takes what a scanner types, wherever in it one is. */
</script>

<DataViews views={STOCK_VIEWS} label="Views of the stock" />
<ScanField />
