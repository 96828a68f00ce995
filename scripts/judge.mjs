// Holds the plans that are proposed against reference sessions and prints what each is worth. `--all` varies the minutes and the level as well.
import { createServer } from 'vite';

const vite = await createServer({ server: { middlewareMode: true }, appType: 'custom', logLevel: 'error' });
const load = (path) => vite.ssrLoadModule(path);
const [{ modelSessions }, { judge, planOf, variationsOf }, { solveHere }] = await Promise.all([
  load('/src/lib/core/testing/models.ts'),
  load('/src/lib/core/testing/judge.ts'),
  load('/src/lib/core/testing/solver.ts')
]);
const one = process.argv.find((a) => /^S\d\d$/.test(a));
const models = modelSessions.filter((m) => !one || m.id === one);

const round = (n) => String(Math.round(n)).padStart(3);
async function judged(model) {
  const found = judge(model, await planOf(model, solveHere));
  const parts = Object.entries(found.parts).map(([name, points]) => `${name} ${round(points)}`);
  process.stdout.write(`${found.id.padEnd(18)} ${round(found.total)}   ${parts.join('  ')}   ${found.lacks.join('; ')}\n`);
  return found.total;
}
async function meanOf(list) {
  const totals = [];
  for (const model of list) totals.push(await judged(model));
  const mean = totals.reduce((a, b) => a + b, 0) / totals.length;
  process.stdout.write(`mean ${mean.toFixed(1)}, lowest ${Math.min(...totals)}, of ${totals.length}\n`);
}
await meanOf(models);
if (process.argv.includes('--all')) await meanOf(models.flatMap(variationsOf));
await vite.close();
process.exit(0);
