import adapter from '@sveltejs/adapter-static';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter({ fallback: 'index.html', precompress: true }),
    // one file: a desk is opened once a day, and a second round trip for the parts of a page costs more than their size
    output: { bundleStrategy: 'single' },
    version: { pollInterval: 0 }
  }
};
