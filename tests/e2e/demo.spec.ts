import { expect, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { allAlive, test } from './alive';
import { startDemo } from '../../scripts/browser.mjs';
import { watched } from './steps';

const stations = ['goal', 'measure', 'read', 'grade', 'plan', 'practise', 'review', 'pain', 'check'];
const phone = { width: 390, height: 844 };

/** A page of the demo opens whole, and no wider than the phone. Gives what it reads. */
async function opens(page: Page, path: string): Promise<string> {
  expect((await page.goto(path))?.status(), path).toBe(200);
  const seen = await page.evaluate(() => ({ text: document.body.innerText, width: document.documentElement.scrollWidth }));
  expect(seen.width, path).toBeLessThanOrEqual(phone.width);
  return seen.text;
}

/** What the server gives for a page, as it would be read without a browser. */
async function givesText(page: Page, path: string): Promise<string> {
  const answer = await page.request.get(path);
  expect(answer.status(), path).toBe(200);
  const html = (await answer.text()).replace(/<(script|style)[^]*?<\/\1>/g, '');
  return html.replace(/<[^>]*>/g, ' ');
}

test('every page of everybody in the demo opens whole on a phone, and says what is stopped', async ({ browser }) => {
  test.setTimeout(600_000);
  const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-demo-'));
  const { origin, stop } = await startDemo(dataDir, 5197);
  const alive = allAlive(await browser.newContext({ baseURL: origin, viewport: phone }));
  const page = await alive.newPage();
  const { faults } = watched(page);
  await page.goto('/people');
  const links = await page.locator('main a[href^="/people/"]').evaluateAll((as) => as.map((a) => a.getAttribute('href') ?? ''));
  const people = [...new Set(links)].filter((href) => /^\/people\/\d+$/.test(href));
  expect(people.length).toBeGreaterThan(10);
  const stopped: string[] = [];
  for (const [i, person] of people.entries())
    for (const station of stations) {
      const path = `${person}/${station}`;
      // What the server gives differs from person to person; that it is laid out and alive is seen of every third one.
      const inBrowser = i % 3 === 0;
      const text = inBrowser ? await opens(page, path) : await givesText(page, path);
      expect(text, path).not.toMatch(/undefined|NaN|\[object/);
      if (text.includes('Stopped until cleared')) stopped.push(path);
      // What comes after the page is alive: charts, and the session this device keeps.
      if (inBrowser && ['review', 'practise'].includes(station)) await page.waitForLoadState('networkidle');
    }
  // Whoever is stopped is so on every page; the Check has it whole.
  const who = new Set(stopped.map((path) => path.split('/')[2]));
  expect(who.size).toBeGreaterThan(0);
  expect(stopped).toHaveLength(who.size * (stations.length - 1));
  expect(faults).toEqual([]);
  await alive.close();
  await stop();
  rmSync(dataDir, { recursive: true });
});
