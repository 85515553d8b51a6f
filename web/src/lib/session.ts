import type { QueryClient } from '@tanstack/svelte-query';
import { goto } from '$app/navigation';
import { answer, api } from './api/client';

/** Goes, and leaves nothing of oneself in the browser. */
export async function signOut(client: QueryClient): Promise<void> {
  await answer(api.DELETE('/api/session'));
  localStorage.removeItem('signed-in');
  sessionStorage.clear();
  client.clear();
  await goto('/signin');
}
