import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import { axe, baseOf, choose, send, startSession, watched } from './steps';

const places = (page: Page) => page.getByRole('list', { name: 'Exercises of this session' });
const order = (page: Page) => places(page).getByRole('heading').allTextContents();

test('a session is arranged by keys and by dragging, kept, and played as it was arranged', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Arrange');
  await page.goto(`${base}/practise`);
  await page.getByRole('link', { name: 'Arrange this session' }).click();
  await expect(page.getByRole('heading', { name: /^Arrange week 1/ })).toBeVisible();
  await axe(page);
  const before = await order(page);

  // By the arrows; and the handle by the keyboard: taken up, moved, let go.
  await page.getByRole('button', { name: `${before[0]} later` }).click();
  await expect.poll(() => order(page)).toEqual([before[1], before[0], ...before.slice(2)]);
  await page.getByLabel(`Drag ${before[0]}`).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect.poll(() => order(page)).toEqual(before);

  // A stretch without its active work is told; the button mends it.
  const lift = before.find((name) => name.startsWith('Straight-leg lift'))!;
  await page.getByRole('button', { name: `Take out ${lift}` }).click();
  const warning = page.getByRole('region', { name: 'Against the usual' });
  await expect(warning).toContainText('no active work follows');
  await warning.getByRole('button', { name: `Do ${lift} after it` }).click();
  await expect(warning).toHaveCount(0);

  // The total follows; too few minutes are told and nothing is kept.
  const total = page.getByRole('complementary', { name: 'What it comes to' });
  await page.getByLabel('Minutes', { exact: true }).fill('7');
  await expect(total.getByText(/need \d+ minutes/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep for this session' })).toBeDisabled();
  await page.getByLabel('Minutes', { exact: true }).fill('40');
  await page.getByLabel('Start from an order').selectOption('Two visits');
  await expect.poll(() => order(page)).toContain('Front split on its stack');
  // Something of the library comes into the week, and stands at the end of what is arranged; the warning about one side is mended.
  await choose(page, 'Add from the library', 'Marching on the spot');
  await send(page, 'Add');
  await expect.poll(async () => (await order(page)).length).toBeGreaterThan(before.length + 1);
  await page.getByLabel(`Sides of ${lift}`).selectOption('left alone');
  const less = warning.filter({ hasText: 'the right side, which comes second' });
  await less.getByRole('button', { name: /more on the right$/ }).click();
  await expect(warning).toHaveCount(0);
  const arranged = await order(page);
  expect(arranged.filter((name) => name === lift)).toHaveLength(2);
  expect(arranged.filter((name) => name === 'Front split on its stack')).toHaveLength(2);
  await page.getByLabel(/^Sides All/).selectOption('Both in every set, without rest between');
  await send(page, 'Keep for this session');

  await expect(page.getByRole('heading', { name: 'Week 1, session 1' })).toBeVisible();
  await startSession(page);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();

  // The next session is as usual, on the phone as well.
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${base}/plan`);
  await expect(page.getByRole('heading', { name: 'Down to the floor' })).toBeVisible();
  expect(faults).toEqual([]);
});
