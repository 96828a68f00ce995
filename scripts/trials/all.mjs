// Runs the trials one after the other, or those named: npm run trials -- kills away. Each can be run by itself too: node scripts/trials/kills.mjs.
import { spawnSync } from 'node:child_process';
import { ensureBuilt, ensureInstalled } from '../setUp.mjs';
import { demoStudio } from './studio.mjs';

const trials = {
  kills: 'kills in mid-write',
  twoProcesses: 'two studios on one directory',
  wrongDatabase: 'one start with the other database',
  databaseServer: 'a database server that is away, restarts, drops connections',
  away: 'the studio killed while somebody types',
  plans: 'plans of many random people',
  doors: 'odd requests over the wire',
  memory: 'what 3,000 pages leave in memory',
  load: 'two hundred people with three years each, on both databases'
};
/** What each may take at most. */
const minutes = 30;

ensureInstalled();
await ensureBuilt();
const named = process.argv.slice(2);
const unknown = named.filter((name) => !(name in trials));
if (unknown.length > 0) {
  process.stdout.write(`No such trial: ${unknown.join(', ')}. There are: ${Object.keys(trials).join(', ')}.\n`);
  process.exit(1);
}
process.env.LOADS ??= '3000';
process.stdout.write('Filling a demo for the trials …\n');
process.env.TRIALS_DEMO ??= await demoStudio('trials', 5320);
for (const name of named.length > 0 ? named : Object.keys(trials)) {
  process.stdout.write(`\n── ${name}: ${trials[name]}\n`);
  const began = Date.now();
  const { status } = spawnSync(process.execPath, [`scripts/trials/${name}.mjs`], { stdio: 'inherit', timeout: minutes * 60_000 });
  process.stdout.write(`${status === 0 ? 'holds' : 'DOES NOT HOLD'}, ${Math.round((Date.now() - began) / 1000)} s\n`);
  if (status !== 0) process.exitCode = 1;
}
