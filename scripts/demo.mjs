// The demo: Lantern Hall, all invented, in a data directory of its own, filled once; later starts keep what was changed.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
import { build, ensureInstalled, needsBuild } from './setUp.mjs';

const say = (text) => process.stdout.write(`${text}\n`);

process.env.CALM_REACH_DEMO = '1';
process.env.DATA_DIR ??= 'data/demo';
ensureInstalled();
// The demo is filled beside the build, which goes first; what is left the server fills while it runs.
if (needsBuild()) {
  const built = build();
  if (!process.env.DATABASE_URL) {
    await untilTypes(built);
    say('Filling Lantern Hall beside it: sixteen made-up people, up to a year of training each …');
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
