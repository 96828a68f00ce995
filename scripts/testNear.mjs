// The tests that a change touches: of the files named, or of all that differ from the last commit. The daily loop; npm test is the whole.
import { execFileSync, spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { browserTests } from './browserTests.mjs';
import { ensureInstalled, ensureTypes } from './setUp.mjs';

const git = (...args) => execFileSync('git', args, { encoding: 'utf8' }).split('\n').filter(Boolean);
const bin = (name) => join('node_modules', '.bin', name);
const run = (command, args) => spawnSync(command, args, { stdio: 'inherit' }).status === 0;

ensureInstalled();
ensureTypes();
const named = process.argv.slice(2).map(normalize);
const changed =
  named.length > 0 ? named : [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '-o', '--exclude-standard')];
const isUnitPassed =
  named.length > 0
    ? run(bin('vitest'), ['related', '--run', '--passWithNoTests', ...named])
    : run(bin('vitest'), ['run', '--changed', '--passWithNoTests']);

const specs = specsOf(changed);
if (specs.length === 0) process.stdout.write('No browser test opens a page that changed.\n');
const isBrowserPassed = specs.length === 0 || (await browserTests(specs));
process.exit(isUnitPassed && isBrowserPassed ? 0 : 1);

/** Specs that changed, and those that open a page which a changed file of the interface is part of. Everything below is for the unit tests. */
function specsOf(files) {
  const all = readdirSync('tests/e2e').filter((f) => f.endsWith('.spec.ts'));
  const pages = pagesOf(files.filter((f) => /^src\/(routes|lib\/ui)\//.test(f) && !/\.test\.ts$/.test(f)));
  return all.filter((spec) => {
    const path = join('tests/e2e', spec);
    return files.includes(path) || pages.some((page) => readFileSync(path, 'utf8').includes(page));
  });
}

/** The last word of the address of every page that imports one of these files, however far down. */
function pagesOf(files) {
  const importers = new Map();
  for (const file of readdirSync('src', { recursive: true, encoding: 'utf8' }).map((f) => join('src', f)))
    if (/\.(ts|svelte)$/.test(file))
      for (const [, target] of readFileSync(file, 'utf8').matchAll(/(?:from|import)\s*\(?\s*'((?:\.|\$lib)[^']*)'/g)) {
        const path = target.startsWith('$lib') ? join('src/lib', target.slice(4)) : join(dirname(file), target);
        for (const found of [path, `${path}.ts`, join(path, 'index.ts')])
          importers.set(found, [...(importers.get(found) ?? []), file]);
      }
  const reached = new Set(files);
  for (const file of reached) for (const importer of importers.get(file) ?? []) reached.add(importer);
  const words = [...reached].filter((f) => /\/\+(page|layout|server)[.\w]*$/.test(f)).map((f) => dirname(f).split('/'));
  return [
    ...new Set(words.map((parts) => parts.findLast((part) => !part.startsWith('[')) ?? '').filter((w) => w !== 'routes'))
  ].map((word) => `/${word}`);
}
