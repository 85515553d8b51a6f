<script lang="ts">
  import { page } from '$app/state';
</script>

<main class="grid h-full place-content-center gap-2 p-8">
  <h1 class="text-xl">{page.status === 404 ? 'There is no such page' : 'This page could not be shown'}</h1>
  <p class="text-ink-2">{page.error?.message}</p>
  <p><a class="link" href="/plan">Back to the plan</a></p>
</main>
