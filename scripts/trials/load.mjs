// Load: two hundred people with three years each; every page beside a bare one, on both databases, and in a browser. No page may take a second,
// and nobody may wait for a bare page for half a second while another works.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer } from 'vite';
import { startPostgres } from './postgres.mjs';
import { firstPages, inTheBrowser, longestWait, measured, memoryOver, peopleOf } from './askPages.mjs';
import { sendForm, startStudio, tell, throwaway, today } from './studio.mjs';
import { courseKinds, fillShelf, fillYears, multiply } from '../years.mjs';

const people = Number(process.env.PEOPLE ?? 200);
const weeksPast = Number(process.env.WEEKS ?? 150);
const loads = Number(process.env.LOADS_A_PAGE ?? 15);
/** Loads over which memory is watched; 0 leaves it out. */
const watched = Number(process.env.LOADS ?? 10_000);
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

async function trial(name, place, env, port) {
  const { id, rows } = await filled(place, { weeksPast, people });
  const studio = await startStudio(place.dataDir, port, { env });
  const figures = await measured(studio.origin, id, loads, named);
  const say = (what, value) => process.stdout.write(`  ${what.padEnd(16)} ${JSON.stringify(value)}\n`);
  process.stdout.write(`${name}: ${JSON.stringify(rows)}\n`);
  for (const [page, f] of Object.entries(figures)) say(page, f);
  if (named) {
    await studio.stop();
    return { figures, waitMs: 0 };
  }
  const others = (await firstPages(studio.origin, ['check', 'plan', 'review'])).map(([page, f]) => say(`first ${page}`, f) ?? f);
  const waits = {
    pages: await longestWait(studio.origin, () => measured(studio.origin, id, 2)),
    // The shelf is another one: what everybody asks of it is worked out anew.
    advice: await longestWait(studio.origin, async () => {
      await sendForm(studio.origin, '/props?/quantity', { propId: '1', quantity: String(2 + Math.floor(Math.random() * 5)) });
      const began = performance.now();
      await (await fetch(`${studio.origin}/props`)).text();
      say('advice anew', `${Math.round(performance.now() - began)} ms`);
    }),
    solving: await longestWait(studio.origin, async () => {
      const began = performance.now();
      await makePlan(studio.origin, (await peopleOf(studio.origin)).at(-1));
      say('a plan', `${Math.round(performance.now() - began)} ms`);
    })
  };
  say('longest wait', waits);
  if (watched > 0) say('memory', await memoryOver(studio, watched));
  for (const [page, f] of Object.entries(await inTheBrowser(studio.origin, id))) say(`seen ${page}`, f);
  await studio.stop();
  return { figures, waitMs: Math.max(...Object.values(waits)), firstMs: Math.max(...others.map((f) => f.medianMs)) };
}

/** Twelve weeks solved anew, on whatever version there is. */
async function makePlan(origin, id) {
  const plan = { schoolId: 'long_hold', weeks: '12', sessionsPerWeek: '3', minutes: '45', startOn: today() };
  for (let version = 0; version < 40; version++) {
    const done = await sendForm(origin, `/people/${id}/plan?/make`, { ...plan, basedOnVersion: String(version) });
    if (done?.type === 'redirect') return;
  }
  throw new Error('no plan was made');
}

const dataDir = process.env.LOAD_DIR ?? throwaway('load');
const trials = [await trial('embedded', { dataDir: join(dataDir, 'studio') }, {}, 5331)];
const server = process.env.NO_SERVER ? null : startPostgres();
if (server)
  trials.push(await trial('server', { dataDir: throwaway('load-server'), url: server.url }, { DATABASE_URL: server.url }, 5332));
await vite.close();
const slowestMs = Math.max(...trials.flatMap(({ figures }) => Object.values(figures).map((page) => page.firstMs)));
const longestWaitMs = Math.max(...trials.map((t) => t.waitMs));
tell({ people, weeksPast, slowestMs, longestWaitMs }, slowestMs < 1000 && longestWaitMs < 500);
