import { expect, type Page } from '@playwright/test';
import { readFileSync, rmSync } from 'node:fs';
import Papa from 'papaparse';
import { allAlive, test } from './alive';
import { copyOfData, killed, startServer } from './server';
import { codeWords } from '../../src/lib/ui/glossary';
import { axe, watched } from './steps';

const stations = [
  'goal',
  'measure',
  'read',
  'grade',
  'plan',
  'practise',
  'review',
  'review/progress',
  'review/report',
  'pain',
  'check'
];
const studioPages = [
  '/people',
  '/people/new',
  '/props',
  '/library',
  '/library?view=rows',
  '/library/notes',
  '/library/schools',
  '/library/new',
  '/library/compare?a=frog&b=pigeon_forward',
  '/forecasts',
  '/help'
];
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

/** The demo as its own command filled it, for all tests of this file. */
let demo: Awaited<ReturnType<typeof startServer>>;
let dataDir: string;
test.beforeAll(async () => {
  dataDir = copyOfData('data/tests/demo');
  demo = await startServer(5197, { DATA_DIR: dataDir });
});
test.afterAll(async () => {
  await killed(demo.server);
  rmSync(dataDir, { recursive: true });
});

test('every page of everybody in the demo opens whole on a phone, and says what is stopped', async ({ browser }) => {
  const { origin } = demo;
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
      expect(text, path).not.toMatch(codeWords);
      if (text.includes('Stopped until cleared')) stopped.push(path);
      // What comes after the page is alive: charts, and the session this device keeps.
      if (inBrowser && /review|practise/.test(station)) await page.waitForLoadState('networkidle');
    }
  for (const path of studioPages) expect(await givesText(page, path), path).not.toMatch(codeWords);
  // Whoever is stopped is so on every page; the Check has it whole.
  const who = new Set(stopped.map((path) => path.split('/')[2]));
  expect(who.size).toBeGreaterThan(0);
  expect(stopped).toHaveLength(who.size * (stations.length - 1));
  expect(faults).toEqual([]);
  await alive.close();
});

test('progress, what is likely, what if, and all of it out again; for a split, a lotus, a turnout, a range', async ({
  browser
}) => {
  const context = allAlive(await browser.newContext({ baseURL: demo.origin, acceptDownloads: true }));
  const page = await context.newPage();
  const { faults } = watched(page);
  const hrefOf = async (name: string) => {
    await page.goto('/people');
    return (await page
      .getByRole('link', { name: new RegExp(name) })
      .first()
      .getAttribute('href'))!;
  };

  for (const name of ['Oda Venn', 'Corvin Haddle', 'Linnet Fray', 'Ferrin Lode']) {
    const base = await hrefOf(name);
    await page.goto(`${base}/review/progress`);
    const likely = page.getByRole('region', { name: 'What is likely' });
    await expect(likely).toContainText(/starting assumption|own figures/);
    await expect(page.getByRole('img', { name: /nine in ten lie between/ })).toBeVisible();
    // Another session a week: told as following from the model, and told in time.
    await likely.getByRole('button', { name: 'A session a week more' }).click();
    await expect(likely.getByRole('status')).toContainText('This follows from the model, not from this person.');
    await page.goto(`${base}/plan`);
    await expect(page.getByText('More on Progress')).toBeVisible();
    await expect(page.getByRole('img', { name: /Staircase.*likely/ })).toBeVisible();
  }

  const base = await hrefOf('Tamsin Quill');
  await page.goto(`${base}/review/progress`);
  await expect(page.getByText('Right leads')).toBeVisible();
  await expect(page.getByRole('img', { name: /19\.3 cm/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Left leads' }).click();
  await expect(page.getByRole('heading', { name: /left leg in front/ })).toBeVisible();

  const saved = async (press: () => Promise<void>) => {
    const [download] = await Promise.all([page.waitForEvent('download'), press()]);
    return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
  };
  const png = await saved(() => page.getByRole('button', { name: 'Save as PNG' }).click());
  expect(png.name).toBe('tamsin-quill-gap-of-the-front-split.png');
  expect([...png.bytes.subarray(1, 4)].map((b) => String.fromCharCode(b)).join('')).toBe('PNG');
  const svg = await saved(() => page.getByRole('button', { name: 'Save as SVG' }).click());
  expect(svg.bytes.toString()).toMatch(/^<svg/);
  expect(svg.bytes.toString()).not.toContain('var(--');

  const csv = await saved(() => page.getByRole('link', { name: 'All measures as CSV' }).click());
  const { data } = Papa.parse<Record<string, string>>(csv.bytes.toString(), { header: true, skipEmptyLines: true });
  expect(data.filter((r) => r.measure === 'Gap of the front split').length).toBeGreaterThan(8);
  expect(data[0]).toMatchObject({ unit: 'cm', way: 'Tape' });

  await page.goto(`${base}/review/report`);
  await expect(page.getByText('A likelihood, never a promise.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'When to stop' })).toContainText('Licensed practice and local rules come first.');
  const json = await saved(() => page.getByRole('link', { name: 'Whole history as JSON' }).click());
  const history = JSON.parse(json.bytes.toString()) as Record<string, unknown[]>;
  expect(history.forecasts!.length).toBeGreaterThan(2);
  expect(history.sets!.length).toBeGreaterThan(100);
  expect(JSON.stringify(history)).not.toContain('@lantern-hall.example');

  await page.goto('/forecasts');
  await expect(page.getByRole('row', { name: /Front split/ })).toContainText('%');
  await expect(page.getByRole('row', { name: /Lotus/ })).toContainText('too few to tell');

  // Two plans side by side; a bad number is told beside its field, and nothing is kept until one is taken.
  const maud = await hrefOf('Maud Tarry');
  await page.goto(`${maud}/plan`);
  const version = Number((await page.getByRole('link', { name: /^version \d+$/ }).innerText()).slice('version '.length));
  await page.getByRole('link', { name: 'Compare before you choose' }).click();
  const second = page.getByRole('group', { name: 'Second' });
  await second.getByLabel('Minutes a session').fill('2');
  await page.getByRole('button', { name: 'Compare these' }).click();
  await expect(second.getByRole('alert')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take the second' })).toHaveCount(0);
  await second.getByLabel('Minutes a session').fill('30');
  await page
    .getByRole('group', { name: 'Second' })
    .getByLabel('Way of working')
    .selectOption({ label: 'Drills, pulses and holds' });
  await page.getByRole('button', { name: 'Compare these' }).click();
  await expect(page.getByRole('row', { name: /^Minutes/ })).toContainText(/30|2\d:\d\d each/);
  await expect(page.getByRole('row', { name: /^What is likely/ })).toContainText('half within');
  await axe(page);
  await page.getByRole('button', { name: 'Take the second' }).click();
  await expect(page.getByText(`version ${version + 1}`, { exact: true })).toBeVisible();
  await expect(page.getByText(/of 30:00 minutes/)).toBeVisible();

  expect(faults).toEqual([]);
  await context.close();
});
