// The demo: Lantern Hall, all invented, in a data directory of its own, filled once; later starts keep what was changed.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
import { build, ensureInstalled, ensureTypes, needsBuild } from './setUp.mjs';

const say = (text) => process.stdout.write(`${text}\n`);

process.env.CALM_REACH_DEMO = '1';
process.env.DATA_DIR ??= 'data/demo';
ensureInstalled();
// The demo is filled beside the build, which goes first, or before a first start without one; what is left the server fills while it runs.
const isBuildNeeded = needsBuild();
if (isBuildNeeded || !existsSync(process.env.DATA_DIR)) {
  if (!isBuildNeeded) ensureTypes();
  const built = isBuildNeeded ? build() : Promise.resolve();
  if (!process.env.DATABASE_URL) {
    await untilTypes(built);
    say('Filling Lantern Hall: sixteen made-up people, up to a year of training each …');
    const filling = spawn(process.execPath, ['scripts/fillDemo.mjs'], { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
    setPriority(filling.pid, constants.priority.PRIORITY_BELOW_NORMAL);
    const filled = new Promise((done) => filling.once('exit', done));
    await built;
    if (filling.connected) filling.send('enough');
    await filled;
  }
  await built;
}
await import('./start.mjs');

/** The build begins with the files that tsconfig.json extends: nothing that reads TypeScript runs beside it before they are there. */
async function untilTypes(built) {
  let isBuilt = false;
  void built.then(() => (isBuilt = true));
  while (!isBuilt && !existsSync('.svelte-kit/tsconfig.json')) await new Promise((done) => setTimeout(done, 50));
}
