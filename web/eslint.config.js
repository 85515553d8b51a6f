import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', 'target/', 'src/lib/api/schema.d.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
  // the application is always served from the root
  { rules: { 'svelte/no-navigation-without-resolve': 'off' } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'] } }
  },
  // what a screen derives is made anew, and so are the maps and sets in it; those that stay are SvelteMap and SvelteSet
  { files: ['**/*.svelte.ts'], rules: { 'svelte/prefer-svelte-reactivity': 'off' } }
);
