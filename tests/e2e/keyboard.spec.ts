import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import { baseOf, skipToQuestion, stamp } from './steps';

/** Presses Tab until the wanted element has the focus, as someone without a mouse does. */
async function tabTo(
  page: Page,
  role: 'link' | 'button' | 'textbox' | 'radio' | 'checkbox',
  name: string | RegExp,
  nth = 0
): Promise<void> {
  const wanted = page.getByRole(role, { name }).nth(nth);
  for (let i = 0; i < 80; i++) {
    if (await wanted.evaluate((el) => el === document.activeElement).catch(() => false)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`the focus never came to ${role} ${name}`);
}

test('a person, a goal and the check without a mouse', async ({ page }) => {
  await page.goto('/people');
  await tabTo(page, 'link', /^Add (a|the first) person$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Add a person' })).toBeVisible();
  for (const [name, value] of [
    ['Name', `Keyboard ${stamp()}`],
    ['Year of birth', '1990'],
    ['Height cm', '168']
  ] as const) {
    await tabTo(page, 'textbox', name);
    await page.keyboard.type(value);
  }
  await tabTo(page, 'radio', 'Beginner');
  await page.keyboard.press('Space');
  await tabTo(page, 'button', 'Add, then set the goal');
  await page.keyboard.press('Enter');

  await expect(page.getByRole('heading', { name: 'The goal', exact: true })).toBeVisible();
  await tabTo(page, 'link', 'Front split');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'The goal: front split' })).toBeVisible();
  await tabTo(page, 'radio', 'Left in front');
  await page.keyboard.press('Space');
  await tabTo(page, 'button', 'Set the goal');
  await page.keyboard.press('Enter');

  for (const title of [
    'Any of these now?',
    'Injury',
    'The joints of the goal',
    'Joints: hip',
    'Very mobile',
    'Pregnancy',
    'Spine',
    'Pressure'
  ]) {
    await expect(page.getByRole('heading', { name: title })).toBeVisible();
    await tabTo(page, 'button', 'None of these');
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('heading', { name: 'Touch' })).toBeVisible();
  for (const nth of [0, 1, 2]) {
    await tabTo(page, 'radio', 'Yes', nth);
    await page.keyboard.press('Space');
  }
  await tabTo(page, 'button', 'Next');
  await page.keyboard.press('Enter');
  for (const [title, button] of [
    ['Their week', 'Next'],
    ['Caps', 'Save answers']
  ] as const) {
    await expect(page.getByRole('heading', { name: title })).toBeVisible();
    await tabTo(page, 'button', button);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('heading', { name: 'Cleared to train' })).toBeVisible();
});

test('a set is played and told without a mouse', async ({ page }) => {
  const base = baseOf('Keyed');
  // Past the strip with name and path; and where a button goes with what it did, the hand stays in its place.
  const isAt = (selector: string) => page.evaluate((s) => document.activeElement?.closest(s) !== null, selector);
  await page.goto(`${base}/grade`);
  await tabTo(page, 'link', 'Skip to the work');
  await page.keyboard.press('Enter');
  expect(await isAt('#station')).toBe(true);
  await page.keyboard.press('Tab');
  expect(await isAt('#station')).toBe(true);
  const list = page.getByRole('navigation', { name: 'Exercises of the week' });
  const rows = await list.getByRole('listitem').count();
  await tabTo(page, 'button', /^Take .* out of the week$/);
  await page.keyboard.press('Enter');
  await expect(list.getByRole('listitem')).toHaveCount(rows - 1);
  await expect.poll(() => isAt('#station')).toBe(true);

  await page.goto(`${base}/practise`);
  await tabTo(page, 'radio', 'No');
  await page.keyboard.press('Space');
  await tabTo(page, 'radio', '0');
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/^One step easier: /)).toBeVisible();
  await page.goto(`${base}/practise`);
  await tabTo(page, 'radio', 'No');
  await page.keyboard.press('Space');
  await tabTo(page, 'radio', '0');
  await page.keyboard.press('Space');
  await tabTo(page, 'button', 'Start the session');
  await page.keyboard.press('Enter');
  await page.waitForURL(/practise\/\d+$/);
  await expect(page.getByText('Paused')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByText('Paused')).toBeHidden();
  await skipToQuestion(page);
  await page.keyboard.press('Enter'); // the focus waits on "As planned"
  await expect(page.getByRole('button', { name: /^As planned/ })).toBeHidden();
  await page.keyboard.press('Escape');
  await tabTo(page, 'button', 'Knee, left');
  await page.keyboard.press('Enter');
  await tabTo(page, 'button', 'Muscle stretch or work');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Fine. Carry on.');
});

test('an empty shelf is told before anyone is put on it', async ({ page }) => {
  const base = baseOf('Bare');
  const quantities = page.getByLabel('how many');
  const setAll = async (values: readonly string[]) => {
    await page.goto('/props');
    for (const [i, value] of values.entries()) {
      if ((await quantities.nth(i).inputValue()) === value) continue;
      const kept = page.waitForResponse((r) => r.url().includes('quantity'));
      await quantities.nth(i).fill(value);
      await quantities.nth(i).press('Tab');
      await kept;
      await page.waitForLoadState('networkidle');
    }
  };
  await setAll(['0', '0']);
  try {
    await page.goto(`${base}/grade`);
    await expect(page.getByRole('alert')).toContainText('Nothing on the shelf comes near this height');
    await page.goto(`${base}/plan`);
    await expect(page.getByText(/no stack near the height in use/).first()).toBeVisible();
  } finally {
    await setAll(['4', '3']);
  }
});
