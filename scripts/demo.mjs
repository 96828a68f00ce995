// The demo: Lantern Hall, all invented, in a data directory of its own, filled once; later starts keep what was changed.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { ensureBuilt, ensureInstalled } from './setUp.mjs';

process.env.CALM_REACH_DEMO = '1';
process.env.DATA_DIR ??= 'data/demo';
ensureInstalled();
// Filling takes about as long as building, on a core of its own. What is not filled here, on a database server say, the first start fills.
if (!process.env.DATABASE_URL && !existsSync(process.env.DATA_DIR)) {
  process.stdout.write('Lantern Hall is told from its beginning: sixteen people, up to a year each, one to two minutes …\n');
  const filling = spawn(process.execPath, ['scripts/fillDemo.mjs'], { stdio: 'inherit' });
  const filled = new Promise((done) => filling.once('exit', done));
  ensureBuilt();
  await filled;
}
await import('./start.mjs');
