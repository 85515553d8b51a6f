<script lang="ts">
  import '../app.css';
  import { QueryClient, QueryClientProvider } from '@tanstack/svelte-query';
  import { Refused } from '$lib/api/client';

  let { children } = $props();
  const client = new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: 60_000,
        refetchOnWindowFocus: false,
        retry: (times, error) => times < 2 && error instanceof Refused && error.problem.status === 0
      }
    }
  });
</script>

<QueryClientProvider {client}>
  {@render children()}
</QueryClientProvider>
