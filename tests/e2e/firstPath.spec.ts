import { expect } from '@playwright/test';
import { test } from './alive';
import {
  addClient,
  axe,
  chooseStacks,
  clientBase,
  measure,
  passCheck,
  setGoal,
  skipToQuestion,
  stamp,
  startSession,
  tapsToClearance,
  watched
} from './steps';

test('one client from the tape measure to the next verdict', async ({ page }) => {
  const { faults } = watched(page);

  await test.step('a person, a goal, the check', async () => {
    await addClient(page, `Nell Harrow ${stamp()}`);
    const taps = (await setGoal(page)) + (await passCheck(page));
    expect(taps).toBe(tapsToClearance);
  });

  await test.step('a plan is refused before the baseline', async () => {
    await page.goto(`${clientBase(page)}/plan`);
    await expect(page.getByRole('heading', { name: 'A baseline first' })).toBeVisible();
  });

  await test.step('measure, and be told at once', async () => {
    await measure(page, ['22,5', '21.5'], ['27', '28']);
    const left = page.getByRole('region', { name: 'left leg in front' });
    await expect(left.getByText('22 cm', { exact: true })).toBeVisible();
    await expect(left.getByText('spread 0.7 cm')).toBeVisible();
    await expect(left.getByText(/152° open/)).toBeVisible(); // 180 − asin(22/90) − asin(22/89.5), by hand
    await expect(left.getByText(/The active hold is\s+7 cm\s+short of the passive reach/)).toBeVisible();
    await expect(page.getByText(/Right trails by 5.5 cm|differ by 5.5 cm/)).toBeVisible();
    await page.getByRole('button', { name: 'Keep this measure' }).click();
  });

  await test.step('read and grade', async () => {
    await expect(page.getByText('First measure taken this way in this state').first()).toBeVisible();
    await page.getByRole('link', { name: 'Next: Grade' }).click();
    await expect(page.getByRole('list', { name: 'Steps, from easier to the goal' })).toBeVisible();
    await chooseStacks(page);
  });

  await test.step('a four-week plan inside 45 minutes', async () => {
    await page.getByRole('link', { name: 'To the plan' }).click();
    await page.getByRole('button', { name: 'Make the plan' }).click();
    await expect(page.getByText('week 4', { exact: true })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Week 1, session/ })).toHaveCount(3);
    const time = await page
      .getByRole('complementary', { name: 'The chosen session' })
      .getByText(/of 45:00 minutes/)
      .textContent();
    const [minutes, seconds] = /(\d+):(\d\d) of/.exec(time!)!.slice(1).map(Number);
    expect(minutes! * 60 + seconds!).toBeLessThanOrEqual(45 * 60);
  });

  await test.step('play the session', async () => {
    await page.getByRole('link', { name: 'Play it' }).click();
    await expect(page.getByRole('heading', { name: 'Stop signs' })).toBeVisible();
    await startSession(page);
    await expect(page.getByText('Stop signs')).toBeVisible();
    await axe(page);
    let sets = 0;
    while ((await skipToQuestion(page)) === 'question') {
      if (sets === 0) {
        await axe(page);
        await page.getByRole('button', { name: /^Not quite/ }).click();
        await expect(page.getByRole('radio', { checked: true })).toHaveCount(0); // nothing is filled in
        await axe(page);
        await page.getByRole('radio', { name: '3', exact: true }).click();
        await page.getByRole('radio', { name: 'Nothing', exact: true }).click();
        await page.getByRole('button', { name: 'Keep', exact: true }).click();
      } else await page.getByRole('button', { name: /^As planned/ }).click();
      sets++;
    }
    expect(sets).toBeGreaterThanOrEqual(10);
    await page.getByRole('link', { name: 'To the review' }).click();
  });

  await test.step('review: accept one, overrule one with a reason, accept the rest', async () => {
    await expect(page.getByRole('heading', { name: 'What to do next' })).toBeVisible();
    const split = page.getByRole('region', { name: 'Front split on its stack' });
    await split.getByRole('button', { name: 'Overrule' }).first().click();
    await split.getByText('Harder', { exact: true }).click();
    await split.getByRole('button', { name: 'Save this decision' }).click();
    await expect(split.getByText('Write down why', { exact: true })).toBeVisible();
    await split.getByLabel('Because').fill('A calm, low sensation; she has been lower before.');
    await split.getByRole('button', { name: 'Save this decision' }).click();
    await expect(split.getByRole('button', { name: 'Accept' })).toHaveCount(1);
    await page.getByRole('button', { name: /^Accept all/ }).click();
    await expect(page.getByRole('heading', { name: 'Decided' })).toBeVisible();
    await expect(page.getByText(/overruled: A calm, low sensation/)).toBeVisible();
  });

  await test.step('the next session carries it out', async () => {
    await page.getByRole('link', { name: 'To the next session' }).click();
    await expect(page.getByRole('heading', { name: 'Week 1, session 2' })).toBeVisible();
    await expect(page.getByText(/20 cm under the pelvis/).first()).toBeVisible(); // 22.5 was the stack; one rung of the ladder down
  });

  expect(faults).toEqual([]);
});
