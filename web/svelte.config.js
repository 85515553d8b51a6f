import adapter from '@sveltejs/adapter-static';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter({ fallback: 'index.html', precompress: true }),
    // one bundle, in two files: first-place.ts
    output: { bundleStrategy: 'single' },
    version: { pollInterval: 0 }
  }
};
