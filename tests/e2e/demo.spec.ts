import { expect } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { allAlive, test } from './alive';
import { startDemo } from '../../scripts/browser.mjs';
import { watched } from './steps';

const stations = ['goal', 'measure', 'read', 'grade', 'plan', 'practise', 'review', 'pain', 'check'];

test('every page of everybody in the demo opens whole on a phone, and says what is stopped', async ({ browser }) => {
  test.setTimeout(600_000);
  const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-demo-'));
  const { origin, stop } = await startDemo(dataDir, 5197);
  const context = allAlive(await browser.newContext({ baseURL: origin, viewport: { width: 390, height: 844 } }));
  const page = await context.newPage();
  const { faults } = watched(page);
  await page.goto('/people');
  const links = await page.locator('main a[href^="/people/"]').evaluateAll((as) => as.map((a) => a.getAttribute('href') ?? ''));
  const people = [...new Set(links)].filter((href) => /^\/people\/\d+$/.test(href));
  expect(people.length).toBeGreaterThan(10);
  const stopped: string[] = [];
  for (const person of people)
    for (const station of stations) {
      const path = `${person}/${station}`;
      expect((await page.goto(path))?.status(), path).toBe(200);
      await page.waitForLoadState('networkidle');
      const seen = await page.evaluate(() => ({
        text: document.body.innerText,
        width: document.documentElement.scrollWidth
      }));
      expect(seen.width, path).toBeLessThanOrEqual(390);
      expect(seen.text, path).not.toMatch(/undefined|NaN|\[object/);
      if (seen.text.includes('Stopped until cleared')) stopped.push(path);
    }
  // Whoever is stopped is so on every page; the Check has it whole.
  const who = new Set(stopped.map((path) => path.split('/')[2]));
  expect(who.size).toBeGreaterThan(0);
  expect(stopped).toHaveLength(who.size * (stations.length - 1));
  expect(faults).toEqual([]);
  await context.close();
  await stop();
  rmSync(dataDir, { recursive: true });
});
