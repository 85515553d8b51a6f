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
        // while the database is away one waits for it; a server that does not answer is told after a moment
        retry: (times, error) =>
          error instanceof Refused &&
          (error.problem.status === 503 || (times < 2 && error.problem.status === 0)),
        retryDelay: (times) => Math.min(2000, 500 * (times + 1))
      }
    }
  });
</script>

<QueryClientProvider {client}>
  {@render children()}
</QueryClientProvider>
