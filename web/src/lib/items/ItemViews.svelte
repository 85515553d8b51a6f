<script lang="ts">
  import DataViews from '$lib/data/DataViews.svelte';
  import { HealthMark } from '$lib/data/health-mark.svelte';
  import { ITEM_VIEWS } from '$lib/data/views';

  const health = new HealthMark();
</script>

<DataViews views={ITEM_VIEWS} label="Views of the items" marks={{ '/items/health': health.fresh }} />
