// One person with two years behind them: what Plan and Review cost, in the server, on the way and in the page.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchBrowser, startServer } from './browser.mjs';

const port = 5198;
const weeksPast = 102;
const kB = (bytes) => `${Math.round(bytes / 1000)} kB`;

/** Two plans of a year, three sessions a week, every one of them done; a measure every second week. Gives the person and the counts. */
async function fill(core, load, dataDir) {
  const { openStudio } = await load('/src/lib/server/db/openStudio.ts');
  const { newPerson, passCheck, take, goalInput } = await load('/src/lib/server/testing/people.ts');
  const { saveGoal } = await load('/src/lib/server/service/goalSetting.ts');
  const { makePlan } = await load('/src/lib/server/service/planning.ts');
  const { loadGoalCase } = await load('/src/lib/server/service/clientCase.ts');
  const { prepareSession } = await load('/src/lib/server/service/composing.ts');
  const { insertProp } = await load('/src/lib/server/repo/propRepo.ts');
  const { updateStarted, updateEnded } = await load('/src/lib/server/repo/sessionRepo.ts');
  const { upsertSetLog } = await load('/src/lib/server/repo/logRepo.ts');
  const { lanternHallShelf } = await load('/src/lib/server/demo/lanternHall.ts');
  const studio = await openStudio({ dataDir }, () => undefined);
  const { db } = studio;
  const today = new Date().toLocaleDateString('sv');
  const start = core.addDays(today, -7 * weeksPast);
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  const id = await newPerson(db);
  await saveGoal(db, id, null, goalInput('front_split'), start);
  await passCheck(db, id, start);
  for (let week = 0; week < weeksPast; week += 2)
    for (const side of core.sides)
      await take(db, id, 'front_split_gap', side, [28 - week / 5, 28.5 - week / 5], { on: core.addDays(start, week * 7) });
  let sets = 0;
  let sessions = 0;
  for (const [year, startOn] of [start, core.addDays(start, 52 * 7)].entries()) {
    const plan = { schoolId: 'long_hold', weeks: 52, sessionsPerWeek: 3, minutes: 45, startOn, basedOnVersion: year };
    await makePlan(db, id, plan, startOn);
    const c = await loadGoalCase(db, id, startOn);
    const prepared = new Map();
    for (const s of c.sessions.filter((s) => s.status === 'planned' && s.plannedOn < today)) {
      const key = JSON.stringify([s.phase, s.easy, s.allotment]);
      if (!prepared.has(key)) prepared.set(key, prepareSession(c, s));
      const { blocks, cuts, leftOut } = prepared.get(key);
      const at = `${s.plannedOn}T17:00:00Z`;
      await db.transaction(async (tx) => {
        await updateStarted(tx, s.id, { blocks, cuts, leftOut }, { easier: false, limits: [] }, at);
        for (const set of core.timelineOf({ blocks }).sets.filter((x) => core.isAsked(x.work))) {
          const plannedS = Math.round(set.endS - set.workStartS);
          const said = { clean: true, sensation: null, felt: null, slipped: null };
          const of = { setIndex: set.index, exerciseId: set.exerciseId, side: set.side, setting: set.work.setting };
          await upsertSetLog(tx, s.id, 'long_hold', { id: crypto.randomUUID(), plannedS, actualS: plannedS, ...of, ...said });
          sets++;
        }
        await updateEnded(tx, s.id, 'done', `${s.plannedOn}T17:45:00Z`);
      });
      sessions++;
    }
  }
  await studio.close();
  return { id, sessions, sets };
}

export async function benchHistory(core, { say, load }) {
  const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-history-'));
  const { id, sessions, sets } = await fill(core, load, dataDir);
  const { origin, stop } = await startServer(dataDir, port);
  const browser = await launchBrowser();
  for (const name of ['plan', 'plan/change', 'review', 'review/progress']) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    await page.addInitScript(() => {
      window.longTasks = [];
      new PerformanceObserver((list) => window.longTasks.push(...list.getEntries().map((e) => e.duration))).observe({
        type: 'longtask',
        buffered: true
      });
    });
    const address = `${origin}/people/${id}/${name}`;
    await page.goto(address); // warm
    const began = performance.now();
    await page.goto(address, { waitUntil: 'commit' });
    const answered = performance.now() - began;
    await page.locator('html[data-alive]').waitFor({ state: 'attached' });
    const usable = performance.now() - began;
    await page.waitForTimeout(1500);
    const { bytes, longest } = await page.evaluate(() => ({
      bytes: performance.getEntriesByType('navigation')[0].encodedBodySize,
      longest: Math.max(0, ...window.longTasks)
    }));
    const figures = [`answered ${Math.round(answered)} ms`, `usable ${Math.round(usable)} ms`, kB(bytes)];
    say(`${name}, after ${sessions} sessions and ${sets} sets`, `${figures.join(', ')}, longest task ${Math.round(longest)} ms`);
    await page.context().close();
  }
  await browser.close();
  await stop();
  rmSync(dataDir, { recursive: true });
}
