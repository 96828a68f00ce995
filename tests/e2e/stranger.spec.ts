import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import { axe, passCheck, readyToStart, send, skipToQuestion, stamp, watched } from './steps';

// Somebody who was never here finishes the main job with what the pages say: one address is typed, the first.

/** The way the page itself offers on from here. */
async function goOn(page: Page, to: string): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Next step' })
    .getByRole('link', { name: `Next: ${to}` })
    .click();
  await expect(page.getByRole('navigation', { name: 'Path of the work' }).locator('[aria-current=step]')).toContainText(to);
}

/** Whatever trials the open measure asks for, with a number each that its list or its kind allows; then kept. */
async function keepMeasure(page: Page, values: readonly string[]): Promise<void> {
  const trials = page.getByLabel(/trial [12]/);
  const sides = await trials.count();
  for (let i = 0; i < sides; i++) {
    const field = trials.nth(i);
    const value = values[i % values.length]!;
    if (await field.evaluate((el) => el.tagName === 'SELECT')) await field.selectOption({ label: value });
    else await field.fill(value);
  }
  await send(page, 'Keep this measure');
}

/** What a lotus is measured by, in the order in which it is offered, and what is read of it. */
const lotus = [
  ['Knee height in the stage of the lotus', '26', '25'],
  ['Stage of the lotus without pain', 'cross-legged'],
  ['Seat that keeps the back long', '14'],
  ['Outward turn (hip bent)', '40', '41'],
  ['Knee out (hip bent)', '62', '63'],
  ['Knee bend', '138', '139'],
  ['Pointing the foot', '52', '53']
] as const;

for (const [size, viewport] of [
  ['laptop', { width: 1280, height: 800 }],
  ['phone', { width: 390, height: 844 }]
] as const)
  test.describe(size, () => {
    test.use({ viewport, storageState: { cookies: [], origins: [] } });

    test('a new person with a lotus goes along all seven stations', async ({ page }) => {
      const { faults } = watched(page);
      // Every kind of page is looked at on a laptop by accessible.spec.ts.
      const accessible = async () => void (size === 'phone' && (await axe(page)));
      const name = `Juna ${stamp()}`;

      await test.step('the shelf', async () => {
        await page.goto('/people');
        await page.getByRole('link', { name: 'Props', exact: true }).click();
        const form = page.getByRole('complementary');
        const block = { Name: `Block ${name}`, 'Height cm': '5', 'Depth cm': '20', 'Width cm': '30', 'How many': '4' };
        for (const [label, value] of Object.entries(block)) await form.getByLabel(label).fill(value);
        await form.getByRole('button', { name: 'Put it on the shelf' }).click();
        await expect(page.getByRole('heading', { name: block.Name })).toBeVisible();
        await page.getByRole('link', { name: 'People', exact: true }).click();
      });

      await test.step('a person and their goal', async () => {
        await page.getByRole('link', { name: /^Add (a|the first) person$/ }).click();
        await page.getByLabel('Name', { exact: true }).fill(name);
        await page.getByLabel('Year of birth').fill('1991');
        await page.getByLabel('Height cm').fill('168');
        await page.getByText('Intermediate', { exact: true }).click();
        await page.getByRole('button', { name: 'Add, then set the goal' }).click();
        await expect(page.getByRole('heading', { name: 'The goal' })).toBeVisible();
        await accessible();
        await page.getByLabel('Find a goal').fill('lotus');
        await page.getByRole('link', { name: 'Lotus', exact: true }).click();
        await page.getByRole('button', { name: 'Set the goal' }).click();
      });

      await test.step('check', async () => {
        const hint = page.getByRole('complementary', { name: 'What this station is for' });
        await expect(hint).toContainText('Ask about health');
        await hint.getByRole('button', { name: 'Got it' }).click();
        await expect(hint).toHaveCount(0);
        await passCheck(page);
        await goOn(page, 'Measure');
      });

      await test.step('measure', async () => {
        await expect(page.getByRole('complementary', { name: 'What this station is for' })).toContainText('tape');
        await page.getByRole('button', { name: 'No more hints' }).click();
        for (const [heading, ...values] of lotus) {
          await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
          await keepMeasure(page, values);
        }
        await expect(page.getByRole('heading', { name: /limit it alike/ })).toBeVisible();
        await accessible();
        await goOn(page, 'Grade');
      });

      await test.step('grade', async () => {
        await page.getByRole('button', { name: /^Use .* cm$/ }).click();
        await expect(page.getByRole('button', { name: 'In use', exact: true })).toBeVisible();
        await accessible();
        await goOn(page, 'Plan');
      });

      await test.step('plan', async () => {
        await page.getByRole('button', { name: 'Make the plan' }).click();
        await expect(page.getByText('week 4', { exact: true })).toBeVisible();
        await accessible();
        await goOn(page, 'Practise');
      });

      await test.step('practise', async () => {
        await expect(page.getByRole('heading', { name: 'Stop signs' })).toBeVisible();
        await accessible();
        await readyToStart(page);
        await page.getByRole('button', { name: 'Start the session' }).click();
        await page.getByRole('button', { name: 'Start', exact: true }).click();
        while ((await skipToQuestion(page)) === 'question') await page.getByRole('button', { name: /^As planned/ }).click();
        await expect(page.getByRole('list', { name: 'What was done' })).toContainText('Easy seat, then fold');
        await expect(page.getByText(/^Next: week 1, session 2, on/)).toBeVisible();
        await accessible();
        await page.getByRole('link', { name: 'To the review' }).click();
      });

      await test.step('review', async () => {
        await expect(page.getByRole('heading', { name: 'What to do next' })).toBeVisible();
        await page.getByRole('button', { name: /^Accept all/ }).click();
        await expect(page.getByRole('heading', { name: 'Decided' })).toBeVisible();
        await accessible();
        await goOn(page, 'Practise');
        await expect(page.getByRole('heading', { name: 'Week 1, session 2' })).toBeVisible();
      });
      expect(faults).toEqual([]);
    });
  });
