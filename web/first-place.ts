import type { Plugin } from 'vite';

/** What the first place needs: the way into the application, signing in, and the Plan's list. */
const FIRST = [
  'src/routes/+layout',
  'src/routes/+page.ts',
  'src/routes/+error.svelte',
  'src/routes/signin/+page.svelte',
  'src/routes/(desk)/+layout.svelte',
  'src/routes/(desk)/plan/+layout.svelte',
  'src/routes/(desk)/plan/+page.svelte'
];

interface Module {
  importedIds: readonly string[];
  dynamicallyImportedIds: readonly string[];
}

interface Graph {
  getModuleInfo(id: string): Module | null;
}

/**
 * Makes two files of the program: what the first place needs, and the rest, which comes while somebody reads. Not one file, since
 * the browser reads the whole of it before it draws anything; not many, since each would wait for the one before.
 */
export function firstPlace(): Plugin {
  let first: Set<string> | undefined;
  return {
    name: 'first-place',
    apply: 'build',
    configResolved(config) {
      const output = config.build.rolldownOptions.output;
      // the bundle of the browser; what runs at build time stays as it is
      if (output && !Array.isArray(output) && output.codeSplitting === false)
        output.codeSplitting = {
          groups: [
            {
              name: (id: string, graph: Graph) => {
                first ??= neededFirst(graph, config.root);
                return first.has(id) ? 'first' : 'rest';
              }
            }
          ]
        };
    }
  };
}

function neededFirst(graph: Graph, root: string): Set<string> {
  const entry = `${root}/node_modules/@sveltejs/kit/src/runtime/client/bundle.js`;
  const needed = new Set<string>();
  const need = (id: string) => {
    if (needed.has(id)) return;
    needed.add(id);
    graph.getModuleInfo(id)?.importedIds.forEach(need);
  };
  need(entry);
  const seen = new Set<string>();
  const look = (id: string) => {
    if (seen.has(id)) return;
    seen.add(id);
    const module = graph.getModuleInfo(id);
    // a page comes through a module of its own, which only names it
    if (module?.importedIds.some((page) => FIRST.some((part) => page.includes(part)))) need(id);
    module?.importedIds.forEach(look);
    module?.dynamicallyImportedIds.forEach(look);
  };
  look(entry);
  return needed;
}
