// One step of the build, run only when what it depends on has changed: node scripts/step.mjs build|check
import { createHash } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const packages = ['package.json', 'package-lock.json', '.npmrc'];
const sources = [
  ...packages,
  'src',
  'static',
  'openapi.json',
  'svelte.config.js',
  'vite.config.ts',
  'first-place.ts',
  'tsconfig.json',
  'eslint.config.js',
  '.prettierrc'
];

function hash(paths) {
  const sum = createHash('sha256').update(process.version);
  const add = (path) => {
    if (!existsSync(path) || path.endsWith('schema.d.ts')) return;
    if (statSync(path).isDirectory())
      readdirSync(path)
        .sort()
        .forEach((name) => add(join(path, name)));
    else sum.update(path).update(readFileSync(path));
  };
  paths.forEach(add);
  return sum.digest('hex');
}

function once(name, paths, product, work) {
  const mark = join('target', `${name}.hash`);
  const now = hash(paths);
  if (existsSync(product) && existsSync(mark) && readFileSync(mark, 'utf8') === now) {
    console.log(`web: ${name} is up to date`);
    return;
  }
  work();
  mkdirSync('target', { recursive: true });
  writeFileSync(mark, now);
}

const npm = (...words) => execFileSync('npm', words, { stdio: 'inherit' });

const step = process.argv[2];
once('packages', packages, 'node_modules', () => npm('ci'));
if (step === 'build') {
  once('build', sources, 'build/index.html', () => {
    npm('run', 'build');
    // what was built before has other names, and would be packed too
    rmSync(join('target', 'classes', 'web'), { recursive: true, force: true });
  });
} else {
  once('check', sources, 'node_modules', () => {
    npm('run', 'types');
    npm('exec', '--', 'svelte-kit', 'sync');
    npm('run', 'check');
    npm('run', 'test');
  });
}
