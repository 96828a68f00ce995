// Makes docs/screenshots anew from demo data: one current picture of each main view.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launchBrowser, startDemo } from './browser.mjs';
import { ensureBuilt, ensureInstalled } from './setUp.mjs';

ensureInstalled();
await ensureBuilt();
const out = 'docs/screenshots';
mkdirSync(out, { recursive: true });
const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-shots-'));
process.stdout.write('Filling the demo data …\n');
const { origin, stop } = await startDemo(dataDir, 5195);
const browser = await launchBrowser();

const open = async ({ dark = false } = {}) => {
  const context = await browser.newContext({
    baseURL: origin,
    viewport: { width: 1280, height: 800 },
    colorScheme: dark ? 'dark' : 'light',
    reducedMotion: 'reduce'
  });
  // Hints are for the first visit.
  await context.addCookies([{ name: 'hints', value: 'off', url: origin }]);
  return context.newPage();
};
const idOf = async (page, name) => {
  await page.goto('/people');
  return (await page.getByRole('link', { name }).getAttribute('href')) ?? '';
};
const shoot = async (page, name) => {
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: join(out, `${name}.png`) });
  process.stdout.write(`  ${name}\n`);
};
const skip = async (page, times) => {
  for (let i = 0; i < times; i++) await page.getByRole('button', { name: 'Skip', exact: true }).click();
};

const page = await open();
await page.goto('/people');
await shoot(page, 'people');
const [oda, tamsin, jory] = [await idOf(page, 'Oda Venn'), await idOf(page, 'Tamsin Quill'), await idOf(page, 'Jory Lowe')];
const wren = await idOf(page, 'Wren Tolliver');
const [corvin, maud, linnet] = [
  await idOf(page, 'Corvin Haddle'),
  await idOf(page, 'Maud Tarry'),
  await idOf(page, 'Linnet Fray')
];
for (const [path, name] of [
  [`${jory}/check?topic=injury`, 'check'],
  [`${corvin}/measure?set=full&m=HER90`, 'measure-lotus'],
  [`${linnet}/goal?goal=new`, 'goal'],
  [`${oda}/read`, 'read'],
  [`${oda}/grade`, 'grade'],
  [`${corvin}/plan/change`, 'plan-change'],
  [`${oda}/plan`, 'plan'],
  [`${tamsin}/review`, 'review'],
  [`${tamsin}/review/progress`, 'progress'],
  ['/props', 'props'],
  ['/library', 'library'],
  [`/library/front_hamstring_cycle?client=${oda.split('/').at(-1)}`, 'exercise'],
  [`${maud}/grade/cycle?exercise=pancake_press_draw`, 'cycle']
]) {
  await page.goto(path);
  await shoot(page, name);
}

await page.goto(`${maud}/practise`);
await page.getByRole('link', { name: 'Arrange this session' }).click();
await page.getByRole('heading', { name: /^Arrange/ }).waitFor();
await shoot(page, 'arrange');

const dark = await open({ dark: true });
await dark.goto(`${corvin}/measure?set=full&m=HER90`);
await dark.waitForLoadState('networkidle');
await dark.getByRole('radio', { name: 'Inclinometer' }).click();
await dark.getByRole('button', { name: 'Try the simulated one' }).click();
await dark.getByText('Steady: locked').waitFor();
await shoot(dark, 'instrument-dark');

await page.goto(`${oda}/measure?set=full&m=HF-KS`);
await page.waitForLoadState('networkidle');
await page
  .locator('label')
  .filter({ hasText: /^\s*Photo\s*$/ })
  .click();
await page.getByRole('button', { name: 'Read from a photo' }).click();
await page.getByRole('button', { name: 'Try a drawn one' }).click();
const board = page.getByRole('application');
await board.waitFor();
const { x, y, width, height } = await board.boundingBox();
for (const [across, down] of [
  [0.55, 0.7],
  [0.79, 0.315],
  [0.76, 0.7],
  [0.15, 0.738],
  [0.95, 0.737]
]) {
  await page.mouse.move(x + across * width, y + down * height);
  await page.mouse.down();
  if (across !== 0.95) await page.mouse.up();
}
await shoot(page, 'photo');
await page.mouse.up();

// What this device can play by itself, with one session begun and something that waits.
for (const person of [maud, corvin, oda]) {
  await page.goto(`${person}/practise`);
  await page.waitForLoadState('networkidle');
}
await page.goto('/kept');
await page.getByRole('heading', { name: 'Kept on this device' }).waitFor();
await shoot(page, 'kept');

await page.goto(`${wren}/practise`); // with limits in view
await page.getByRole('radiogroup', { name: 'A new pain, illness or symptom?' }).getByText('No', { exact: true }).click();
await page
  .getByRole('radiogroup', { name: /How sore/ })
  .getByText('1', { exact: true })
  .click();
await page.getByRole('button', { name: 'Start the session' }).click();
await page.getByRole('button', { name: 'Start', exact: true }).click();
await skip(page, 11);
await page.waitForTimeout(7000); // into the ramp of the press
await shoot(page, 'player');

await browser.close();
await stop();
rmSync(dataDir, { recursive: true, force: true });
