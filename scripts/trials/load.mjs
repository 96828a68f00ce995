// Load: two hundred people with three years each; every page beside a bare one, on both databases. No page may take a second.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer } from 'vite';
import { startPostgres } from './postgres.mjs';
import { startStudio, tell, throwaway } from './studio.mjs';
import { courseKinds, fillShelf, fillYears, multiply } from '../years.mjs';

const people = Number(process.env.PEOPLE ?? 200);
const weeksPast = Number(process.env.WEEKS ?? 150);
const loads = Number(process.env.LOADS_A_PAGE ?? 15);
/** Pages that are asked; all where none are named. */
const named = process.env.PAGES?.split(',');

const vite = await createServer({ server: { middlewareMode: true }, appType: 'custom', logLevel: 'error' });
const load = (path) => vite.ssrLoadModule(path);
const core = await load('/src/lib/core/index.ts');
const { openStudio } = await load('/src/lib/server/db/openStudio.ts');

/** A studio that LOAD_DIR names is filled once and stays. */
async function filled(place, size) {
  const noted = join(place.dataDir, 'filled.json');
  if (existsSync(noted)) return JSON.parse(readFileSync(noted, 'utf8'));
  const made = await fill(place, size);
  writeFileSync(noted, JSON.stringify(made));
  return made;
}

/** Fills a studio; gives the person of whom the pages are asked, and the rows of the heavy tables. */
async function fill(place, { weeksPast, people }) {
  const studio = await openStudio(place, () => undefined);
  const { db } = studio;
  await fillShelf(db, load);
  const kinds = people < courseKinds.length ? courseKinds.slice(0, people) : courseKinds;
  const made = [];
  for (const kind of kinds) made.push(await fillYears(core, load, db, { kind, weeksPast, sessionsPerWeek: 2, decides: true }));
  const times = Math.round(people / kinds.length) - 1;
  if (times > 0) await multiply(db, times);
  const rows = {};
  for (const table of ['client', 'session', 'set_log', 'decision'])
    rows[table] = (await db.query(`select count(*)::int as n from ${table}`)).rows[0].n;
  await studio.close();
  return { id: made[0].id, rows };
}

const stations = [
  'check',
  'measure',
  'read',
  'grade',
  'plan',
  'plan/change',
  'practise',
  'review',
  'review/progress',
  'edit',
  'photos'
];
const pagesOf = (id) => ({
  bare: '/_app/version.json',
  people: '/people',
  ...Object.fromEntries(stations.map((s) => [s, `/people/${id}/${s}`])),
  library: '/library',
  props: '/props'
});
const at = (values, share) => values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];

/** First byte and end of one page, milliseconds, and its bytes. */
async function ask(origin, path) {
  const began = performance.now();
  const answer = await fetch(origin + path);
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
  const reader = answer.body.getReader();
  let [firstMs, bytes] = [0, 0];
  for (;;) {
    const { done, value } = await reader.read();
    firstMs ||= performance.now() - began;
    if (done) return { firstMs, endMs: performance.now() - began, bytes };
    bytes += value.length;
  }
}

async function measured(studio, id) {
  const figures = {};
  for (const [name, path] of Object.entries(pagesOf(id)).filter(([name]) => !named || named.includes(name))) {
    await ask(studio.origin, path); // warm
    const asked = [];
    for (let i = 0; i < (name === 'props' ? 3 : loads); i++) asked.push(await ask(studio.origin, path));
    const [firsts, ends] = [asked.map((a) => a.firstMs), asked.map((a) => a.endMs)];
    figures[name] = {
      firstMs: Math.round(at(firsts, 0.5)),
      medianMs: Math.round(at(ends, 0.5)),
      p95Ms: Math.round(at(ends, 0.95)),
      kB: Math.round(asked[0].bytes / 1000)
    };
  }
  return figures;
}

async function trial(name, place, env, port) {
  const { id, rows } = await filled(place, { weeksPast, people });
  const studio = await startStudio(place.dataDir, port, { env });
  const figures = await measured(studio, id);
  await studio.stop();
  process.stdout.write(`${name}: ${JSON.stringify(rows)}\n`);
  for (const [page, f] of Object.entries(figures)) process.stdout.write(`  ${page.padEnd(16)} ${JSON.stringify(f)}\n`);
  return figures;
}

const dataDir = process.env.LOAD_DIR ?? throwaway('load');
const figures = [await trial('embedded', { dataDir: join(dataDir, 'studio') }, {}, 5331)];
const server = process.env.NO_SERVER ? null : startPostgres();
if (server)
  figures.push(await trial('server', { dataDir: throwaway('load-server'), url: server.url }, { DATABASE_URL: server.url }, 5332));
await vite.close();
const slowestMs = Math.max(...figures.flatMap((f) => Object.values(f).map((page) => page.firstMs)));
tell({ people, weeksPast, slowestMs }, slowestMs < 1000);
