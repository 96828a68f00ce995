// Memory: what a load of the pages that draw figures leaves behind after a full collection. LOADS says how many; the figure is printed as JSON.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc');
const loads = Number(process.env.LOADS ?? 150);
const port = process.env.PORT ?? '5311';
const origin = `http://127.0.0.1:${port}`;
const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-memory-'));
// A studio of its own, whatever the environment names.
Object.assign(process.env, {
  PORT: port,
  HOST: '127.0.0.1',
  ORIGIN: origin,
  DATA_DIR: dataDir,
  DATABASE_URL: '',
  CALM_REACH_DEMO: ''
});
await import('../../build/index.js');

const send = async (path, fields) => {
  const headers = { origin, accept: 'application/json', 'x-sveltekit-action': 'true' };
  const answer = await fetch(origin + path, { method: 'POST', headers, body: new URLSearchParams(fields) });
  const { type, location } = await answer.json();
  if (type !== 'redirect') throw new Error(`${path} was not taken: ${type}`);
  return location;
};
const lengths = { statureCm: '170', leftLegCm: '90', rightLegCm: '90', lowerLegCm: '', hipToBreastboneCm: '', bodyMassKg: '' };
const person = { name: 'Nell Harrow', birthDate: '', birthYear: '1990', level: 'beginner', contact: '', notes: '', ...lengths };
const goal = await send('/people/new', { ...person, sessionsPerWeek: '3', minutesPerSession: '45' });
await send(`${goal}?/save`, { kind: 'front_split', aim: 'flat', leadSide: 'left' });
const base = goal.replace(/\/goal$/, '');
const now = new Date();
const today = new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10); // of the clock on the wall
const taken = { bodyState: 'warm', way: 'tape', takenOn: today };
await send(`${base}/measure?/save&set=short&m=front_split_gap`, {
  ...taken,
  left_passive_1_heightCm: '20',
  right_passive_1_heightCm: '24'
});

const pages = ['measure', 'read', 'grade'];
const open = async (times) => {
  for (let i = 0; i < times; i++) {
    const answer = await fetch(`${origin}${base}/${pages[i % pages.length]}`);
    if (!answer.ok) throw new Error(`${answer.url} answered ${answer.status}`);
    await answer.text();
  }
};
const heapKb = async () => {
  await new Promise((done) => setTimeout(done, 200));
  collect();
  collect();
  return process.memoryUsage().heapUsed / 1024;
};
await open(Number(process.env.WARM ?? 60)); // what is made once is made
const before = await heapKb();
await open(loads);
const leftKb = (await heapKb()) - before;
process.stdout.write(
  `${JSON.stringify({ loads, leftKb: Math.round(leftKb), perLoadKb: Math.round((leftKb / loads) * 10) / 10 })}\n`
);
process.on('exit', () => rmSync(dataDir, { recursive: true, force: true }));
process.exit(0);
