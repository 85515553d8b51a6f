<script lang="ts">
  import '../app.css';
  import { QueryClientProvider } from '@tanstack/svelte-query';

  let { children, data } = $props();
</script>

<QueryClientProvider client={data.client}>
  {@render children()}
</QueryClientProvider>
