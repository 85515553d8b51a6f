import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import { firstPlace } from './first-place.ts';

export default defineConfig({
  plugins: [tailwindcss(), sveltekit(), firstPlace()],
  // the tests run the browser's half of Svelte
  resolve: process.env.VITEST ? { conditions: ['browser'] } : undefined,
  server: { proxy: { '/api': 'http://127.0.0.1:8420' } },
  // a page to test on takes longer to make than all tests take: those that need one say so in their first line
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.svelte.ts'],
    environment: 'node',
    // what the tests are about is read once for all of them, not once for each file
    isolate: false
  }
});
