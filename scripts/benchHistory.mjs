// One person with two years behind them: what Plan and Review cost, in the server, on the way and in the page.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchBrowser, startServer } from './browser.mjs';
import { fillShelf, fillYears } from './years.mjs';

const port = 5198;
const kB = (bytes) => `${Math.round(bytes / 1000)} kB`;

export async function benchHistory(core, { say, load }) {
  const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-history-'));
  const { openStudio } = await load('/src/lib/server/db/openStudio.ts');
  const studio = await openStudio({ dataDir }, () => undefined);
  await fillShelf(studio.db, load);
  const years = { kind: 'front_split', weeksPast: 102, sessionsPerWeek: 3 };
  const { id, sessions, sets } = await fillYears(core, load, studio.db, years);
  await studio.close();
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
