import { expect } from '@playwright/test';
import { test } from './alive';
import { axe, baseOf, send, skipToQuestion, startSession, watched } from './steps';

test('lifts are shaped, played until they are no longer clean, and written with how many were', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Lifts');
  await page.goto(`${base}/grade?exercise=front_leg_lift`);
  await page.getByRole('link', { name: 'Shape its lifts' }).click();
  await expect(page.getByRole('heading', { name: /^The lifts of/ })).toBeVisible();
  const total = page.getByRole('complementary', { name: 'What it comes to' });
  await page.getByLabel('Counted').selectOption({ label: 'from … to' });
  await page.getByLabel('From', { exact: true }).fill('3');
  await page.getByLabel('At most', { exact: true }).fill('6');
  await page.getByLabel('Lift', { exact: true }).fill('1');
  await page.getByLabel('Hold', { exact: true }).fill('3');
  await page.getByLabel('Lower', { exact: true }).fill('1');
  await page.getByLabel('Rest', { exact: true }).fill('2');
  // By hand: 6 × 5 s and 5 rests of 2 s; the last one held for 10 s is 7 s more.
  await expect(total).toContainText('0:40');
  await page.getByLabel('The last one is held longer').check();
  await expect(total).toContainText('0:47');
  await page.getByLabel('Inside the greatest active range').check();
  await expect(page.getByText('left: no active range is measured yet')).toBeVisible();
  await page.getByLabel('An effort against the pull where it is deepest').check();
  await page.getByRole('region', { name: 'Where' }).getByLabel('Effort', { exact: true }).fill('90');
  await expect(total.getByRole('alert')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep for this exercise' })).toBeDisabled();
  await page.getByLabel('An effort against the pull where it is deepest').uncheck();
  await page.getByLabel('The open variant').check();
  await page.getByLabel('Without the help of hands').check();
  await axe(page);
  await send(page, 'Keep for this exercise');
  await expect(page.getByText('Its lifts were shaped by hand.')).toBeVisible();

  await page.goto(`${base}/practise`);
  const block = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Straight-leg lift, sitting tall' }) });
  await expect(block).toContainText('3 to 6 lifts of 3 s, the last 10 s, open: the pelvis may tip');
  await startSession(page);
  const last = page.getByRole('button', { name: 'That was the last' });
  for (let sets = 0; sets < 20 && !(await page.getByRole('heading', { name: /^Straight-leg lift/ }).isVisible()); sets++) {
    await skipToQuestion(page);
    await page.getByRole('button', { name: /^As planned/ }).click();
  }
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  // Past getting ready, and over two whole lifts and a half: lift, hold, lower, rest.
  for (let phase = 0; phase < 1 + 2 * 4 + 1; phase++) await page.getByRole('button', { name: 'Skip', exact: true }).click();
  await expect(last).toBeVisible();
  await last.click();
  await page.getByRole('button', { name: /^Not quite/ }).click();
  await page.getByRole('button', { name: /^Write down/ }).click();
  await expect(page.getByText('of at least 3')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /^2$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'no hands' })).toBeVisible();
  expect(faults).toEqual([]);
});
