import { expect } from '@playwright/test';
import { test } from './alive';
import { axe, baseOf, send, startAhead, watched } from './steps';

test('a session tests itself: the number is asked for before the work, and set beside the one after it', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Reach');
  await page.goto(`${base}/plan`);
  await send(page, 'Make the plan');
  await startAhead(page, base);

  const asked = page.getByRole('heading', { name: 'Toe reach: what does it show?' });
  const clean = page.getByRole('button', { name: /^As planned/ });
  /** With the clock run ahead to the next test, every set on the way as planned. */
  async function runToTest(): Promise<void> {
    for (let i = 0; i < 400 && !(await asked.isVisible()); i++)
      if (await clean.isVisible()) await clean.click();
      else await page.clock.fastForward(20_000);
    await expect(asked).toBeVisible();
  }

  await runToTest();
  await expect(page.getByRole('button', { name: 'Note it' })).toBeDisabled();
  await axe(page);
  await page.getByLabel(/How far the fingertips/).fill('12');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(asked).toBeHidden();

  await runToTest();
  await expect(page.getByRole('term')).toHaveText('Before the work');
  await expect(page.getByRole('definition')).toHaveText('12 cm');
  await page.getByLabel(/How far the fingertips/).fill('9');
  await page.keyboard.press('Enter');
  const done = page.getByRole('heading', { name: 'Done' });
  // The settle.
  for (let i = 0; i < 40 && !(await done.isVisible()); i++) await page.clock.fastForward(20_000);
  await expect(done).toBeVisible();
  await expect(page.getByText(/wait(ing)? for the connection/)).toHaveCount(0);

  await page.goto(`${base}/review`);
  await expect(page.getByText('reached 9 cm')).toBeVisible();
  expect(faults).toEqual([]);
});
