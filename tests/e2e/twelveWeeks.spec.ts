import { expect, type Page } from '@playwright/test';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { measureOf, goalOf, simulateClient, wayOf } from '../../src/lib/core';
import { allAlive, test } from './alive';
import type { PersonName } from './people';
import { copyOfData, killed, startServer } from './server';
import { baseOf, readyToStart, send, studioData, watched, writeDown } from './steps';

const weeks = 12;
// Each has a server of its own: the two are walked at once.
test.describe.configure({ mode: 'parallel' });

const dayMs = 24 * 3600 * 1000;

type Walk = Readonly<{
  name: PersonName;
  goal: string;
  port: number;
  /** A made-up person: what the headline is at first, and what all their work would give. */
  start: number;
  gain: number;
  /** An exercise of the week whose verdicts are followed. */
  followed: RegExp;
}>;
const walks: readonly Walk[] = [
  { name: 'Twelve Lotus', goal: 'lotus', port: 5194, start: 24, gain: 14, followed: /easy_seat|lotus/ },
  { name: 'Twelve Turnout', goal: 'turnout', port: 5195, start: 92, gain: 26, followed: /turnout|turned/i }
];

/** Two trials of the headline on every side it has, typed as they were read. */
async function measure(page: Page, base: string, goal: string, value: number): Promise<void> {
  const { id, sides, modes, ways } = measureOf(goalOf(goal).headline);
  await page.goto(`${base}/measure?set=short&m=${id}`);
  await page.getByText('Warmed up', { exact: true }).click();
  const field = wayOf(ways[0]!).fields[0]!.id;
  for (const side of sides === 'each' ? ['left', 'right'] : ['both'])
    for (const n of [1, 2]) await page.locator(`[name="${side}_${modes[0]}_${n}_${field}"]`).fill(value.toFixed(1));
  await send(page, 'Keep this measure');
}

/** The next session, written down after it. */
async function writeNext(page: Page, base: string, isClean: boolean): Promise<void> {
  await page.goto(`${base}/practise`);
  const overdue = page.getByRole('checkbox', { name: /overdue/i });
  if (await overdue.isVisible()) await overdue.check();
  await readyToStart(page);
  await writeDown(page, isClean);
}

for (const { name, goal, port, start, gain, followed } of walks)
  test(`twelve weeks of ${goalOf(goal).name}: logged, decided, planned anew, measured again and foretold`, async ({
    browser
  }) => {
    const dataDir = copyOfData(studioData);
    const clock = join(dataDir, 'clock');
    writeFileSync(clock, '0');
    const env = { DATA_DIR: dataDir, CLOCK_FILE: clock };
    const { origin, server } = await startServer(port, env, ['--import', './tests/e2e/movedClock.mjs']);
    try {
      const page = await allAlive(await browser.newContext({ baseURL: origin })).newPage();
      const { faults } = watched(page);
      const today = Date.now();
      const onDay = async (day: number) => {
        writeFileSync(clock, String(day * dayMs));
        await page.clock.setFixedTime(today + day * dayMs);
      };
      const lowerIsBetter = measureOf(goalOf(goal).headline).betterIs === 'lower';
      // One seed, one life.
      const life = simulateClient(
        { start: 0, gain, rate: 0.12, sem: 0.6, attendance: 1, wanderPerWeek: 0.1 },
        { weeks, sessionsPerWeek: 1, measureEveryWeeks: 2 },
        7
      );
      const valueIn = (week: number) => {
        const reached = life.observations.find((o) => o.week === week)!.value;
        return lowerIsBetter ? start - reached : start + reached;
      };

      const base = baseOf(name);
      await measure(page, base, goal, valueIn(0));
      await page.goto(`${base}/plan`);
      await page.getByLabel('Weeks', { exact: true }).fill(String(weeks));
      await send(page, 'Make the plan');
      await expect(page.getByRole('link', { name: 'version 1', exact: true })).toBeVisible();

      for (let week = 1; week <= weeks; week++) {
        await onDay((week - 1) * 7 + 1);
        await writeNext(page, base, week !== 5);
        const accept = page.getByRole('button', { name: /^Accept (it|all)/ });
        if (await accept.isVisible()) await send(page, /^Accept (it|all)/);
        await expect(page.getByRole('heading', { name: 'Decided' })).toBeVisible();
        if (week % 2 === 0) await measure(page, base, goal, valueIn(week));
        if (week === 6) {
          // Half way through it is argued with: more minutes, and another version.
          await page.goto(`${base}/plan/change`);
          await page.getByLabel('Minutes a session').fill('40');
          await send(page, 'Solve what comes again');
          await expect(page.getByText('40 minutes a session in place of 30.')).toBeVisible();
        }
      }

      // What was done well went deeper, by verdicts that were accepted, and every session is there.
      await page.goto(`${base}/review`);
      await expect(page.getByRole('complementary', { name: 'The last session' })).toContainText(`Week ${weeks}, session 1`);
      const history = (await (await page.request.get(`${base}/review/history.json`)).json()) as {
        decisions: { verdict: string; exerciseId: string; decidedOn: string }[];
      };
      const deepened = history.decisions.filter((d) => d.verdict === 'deepen');
      expect(deepened.length).toBeGreaterThan(3);
      expect(JSON.stringify(deepened)).toMatch(followed);
      expect(new Set(deepened.map((d) => d.decidedOn)).size).toBeGreaterThan(2);

      // What was measured is a gain, and what is likely rests on this person's figures.
      await page.goto(`${base}/review/report`);
      await expect(page.getByText(`${weeks} sessions since`)).toBeVisible();
      await expect(page.getByText(/likely futures/).first()).toBeVisible();
      await page.goto(`${base}/review/progress`);
      await expect(page.getByText(/our starting assumption/).first()).toBeVisible();
      await page.goto('/forecasts');
      await expect(page.getByText(/held|too few/).first()).toBeVisible();
      expect(faults).toEqual([]);
    } finally {
      await killed(server);
      rmSync(dataDir, { recursive: true });
    }
  });
