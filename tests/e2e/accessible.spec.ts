import { expect, type Page } from '@playwright/test';
import { rmSync } from 'node:fs';
import { allAlive, test } from './alive';
import { copyOfData, killed, startServer } from './server';
import { axe, watched } from './steps';

// Every kind of page once, in the light and in the dark, with people of the demo who have a history; then errors shown and menus open.
// What only comes up on the way, in the player or without a connection, is looked at where it comes up.

let demo: Awaited<ReturnType<typeof startServer>>;
let dataDir: string;
test.beforeAll(async () => {
  dataDir = copyOfData('data/tests/demo');
  demo = await startServer(5198, { DATA_DIR: dataDir });
});
test.afterAll(async () => {
  await killed(demo.server);
  rmSync(dataDir, { recursive: true });
});

const stations = [
  'goal',
  'goal?goal=new',
  'check',
  'check?topic=mobility',
  'check?topic=stops',
  'measure?set=full',
  'measure/agreement',
  'read',
  'grade',
  'plan',
  'plan/change',
  'plan/compare',
  'practise',
  'review',
  'review/progress',
  'review/report',
  'pain',
  'photos',
  'edit'
];
const studioPages = [
  '/people',
  '/people/new',
  '/props',
  '/library?q=frog',
  '/library?view=rows&q=frog',
  '/library/notes',
  '/library/schools?exercise=lying_contract_relax',
  '/library/new',
  '/library/compare?a=frog&b=pigeon_forward',
  '/library/frog',
  '/forecasts',
  '/help'
];

/** In the light by every rule; the dark changes colours and nothing else. */
async function inBothLights(page: Page): Promise<void> {
  const light = (theme: 'light' | 'dark') => page.evaluate((t) => (document.documentElement.dataset.theme = t), theme);
  await light('light');
  await axe(page);
  await light('dark');
  await axe(page, ['color-contrast']);
}

/** A page of the demo, and the ids of somebody with a split and somebody with a lotus. */
async function open(browser: Parameters<Parameters<typeof test>[2]>[0]['browser']) {
  const context = allAlive(await browser.newContext({ baseURL: demo.origin, reducedMotion: 'reduce' }));
  const page = await context.newPage();
  await page.goto('/people');
  const idOf = async (name: string) => (await page.getByRole('link', { name }).first().getAttribute('href'))!.split('/')[2]!;
  return { context, page, split: await idOf('Tamsin Quill'), lotus: await idOf('Corvin Haddle'), faults: watched(page).faults };
}

test('every kind of page keeps the rules in both lights', async ({ browser }) => {
  const { context, page, lotus, faults } = await open(browser);
  for (const path of [...stations.map((station) => `/people/${lotus}/${station}`), ...studioPages]) {
    expect((await page.goto(path))?.status(), path).toBe(200);
    await inBothLights(page);
  }
  await page.goto(`/people/${lotus}/measure?m=HER90`);
  const numbers = page.locator('a[href*="/numbers?"]').first();
  await page.goto((await numbers.getAttribute('href'))!);
  await expect(page.getByRole('button', { name: /^Keep: / }).first()).toBeVisible();
  await inBothLights(page);
  expect(faults).toEqual([]);
  await context.close();
});

test('so does what is refused, and what is opened', async ({ browser }) => {
  const { context, page, split, lotus, faults } = await open(browser);
  const refused: readonly (readonly [path: string, press: string | RegExp])[] = [
    ['/people/new', /^Add/],
    ['/library/new', 'Put it into the library'],
    [`/people/${split}/goal?goal=new&kind=lotus`, 'Set the goal'],
    ['/props', /^(Add|Put)/],
    [`/people/${lotus}/pain`, /^(Keep|Tell)/]
  ];
  const opened: readonly (readonly [path: string, press: () => Promise<void>])[] = [
    [
      '/people',
      () =>
        page
          .getByLabel(/^More about/)
          .first()
          .click()
    ],
    ['/people', () => page.getByRole('button', { name: 'Units and light' }).click()],
    [
      `/people/${split}/goal?goal=new&kind=lotus`,
      () =>
        page
          .getByRole('button', { name: /calendar/i })
          .first()
          .click()
    ],
    ['/library/frog', () => page.getByLabel('Compare with').click()],
    [
      `/people/${split}/grade`,
      () =>
        page
          .getByRole('button', { name: /^Where this comes from/ })
          .first()
          .click()
    ]
  ];
  for (const [path, press] of refused) {
    await page.goto(path);
    if (path.includes('lotus')) await page.getByLabel('Target').first().fill('none');
    await page.locator('main').getByRole('button', { name: press }).last().click();
    await expect(page.locator('[aria-invalid=true], [role=alert]').first(), path).toBeVisible();
    await inBothLights(page);
  }
  for (const [path, press] of opened) {
    await page.goto(path);
    await press();
    await inBothLights(page);
  }
  expect(faults.filter((f) => !/40[09]/.test(f))).toEqual([]);
  await context.close();
});
