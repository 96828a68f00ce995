// Browser tests by themselves, all or those named: npm run e2e -- plan. What they begin with is made where it is missing, or not of today.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, ensureTypes } from './setUp.mjs';

/** Runs the browser tests of these names; true when all passed. */
export async function browserTests(names) {
  ensureInstalled();
  ensureTypes();
  await ensureBuilt();
  if (!isOfToday()) fill('scripts/fillTestStudio.mjs');
  if (!existsSync('data/tests/demo')) fill('scripts/fillDemo.mjs', { DATA_DIR: 'data/tests/demo' });
  return spawnSync(join('node_modules', '.bin', 'playwright'), ['test', ...names], { stdio: 'inherit' }).status === 0;
}

/** People are at their point on the day they were filled in; data that a change of the sources made old are deleted by hand. */
function isOfToday() {
  const made = 'data/tests/studio/people.json';
  return existsSync(made) && JSON.parse(readFileSync(made, 'utf8')).today === new Date().toLocaleDateString('sv');
}

function fill(script, env = {}) {
  process.stdout.write(`Filling what the browser tests begin with (${script}) …\n`);
  spawnSync(process.execPath, [script], { stdio: 'inherit', env: { ...process.env, ...env } });
}

if (process.argv[1] === import.meta.filename) process.exit((await browserTests(process.argv.slice(2))) ? 0 : 1);
