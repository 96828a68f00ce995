import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import { goalOf, measureOf, schoolOf, wayOf, type SchoolId } from '../../src/lib/core';
import {
  addClient,
  axe,
  chooseGoal,
  clientBase,
  fillShelf,
  passCheck,
  readyToStart,
  send,
  setAsked,
  stamp,
  watched
} from './steps';

/** Two trials of the headline in the middle of what is usual, on every side it has. */
async function measureHeadline(page: Page, base: string, goalId: string): Promise<void> {
  const { id, sides, modes, usual, ways } = measureOf(goalOf(goalId).headline);
  const middle = String(Math.round((usual[0] + usual[1]) / 2));
  const field = wayOf(ways[0]!).fields[0]!.id;
  const places = sides === 'each' ? ['left', 'right'] : ['both'];
  const trials = places.flatMap((side) => [1, 2].map((n) => [`${side}_${modes[0]}_${n}_${field}`, middle]));
  const answer = await page.request.post(`${base}/measure?/save&set=short&m=${id}`, {
    form: { takenOn: new Date().toISOString().slice(0, 10), bodyState: 'warm', way: ways[0]!, ...Object.fromEntries(trials) },
    headers: { origin: new URL(page.url()).origin, accept: 'text/html' },
    maxRedirects: 0
  });
  expect(answer.status()).toBe(303);
}

/** Plays the session with the clock run ahead, every set as planned; gives how many sets were asked about. */
async function playAhead(page: Page): Promise<number> {
  const clean = page.getByRole('button', { name: /^As planned/ });
  const over = page.getByRole('heading', { name: 'Done' });
  let sets = 0;
  for (let i = 0; i < 400; i++) {
    if (await over.isVisible()) return sets;
    if (await clean.isVisible()) {
      await clean.click();
      sets++;
    } else await page.clock.fastForward(20_000);
  }
  throw new Error('the session did not end');
}

const walks: readonly (readonly [goal: string, school: SchoolId])[] = [
  ['lotus', 'long_hold'],
  ['pancake', 'contract_relax'],
  ['side_split', 'drills'],
  ['turnout', 'breath_counted'],
  ['range_WE', 'short_holds']
];

for (const [goalId, school] of walks)
  test(`${goalOf(goalId).name} by ${schoolOf(school).name}: planned, played, logged, decided, and carried into the next session`, async ({
    page
  }) => {
    test.setTimeout(180_000);
    const { faults } = watched(page);
    const { name: goalName } = goalOf(goalId);
    await fillShelf(page);
    await addClient(page, `${goalName} ${stamp()}`, { 'Minutes a session': '25' });
    const base = clientBase(page);
    await chooseGoal(page, goalName);
    await passCheck(page);
    await measureHeadline(page, base, goalId);

    await page.goto(`${base}/plan`);
    await page.getByLabel('Way of working').selectOption(school);
    await send(page, 'Make the plan');
    await expect(page.getByRole('heading', { name: /^(The way to the goal|Down to the floor|The weeks)$/ })).toBeVisible();
    await axe(page);

    await page.goto(`${base}/practise`);
    await setAsked(page);
    await axe(page);
    await page.clock.install();
    await readyToStart(page);
    await page.getByRole('button', { name: 'Start the session' }).click();
    await page.waitForURL(/practise\/\d+$/);
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await axe(page);
    const sets = await playAhead(page);
    expect(sets).toBeGreaterThan(1);
    await expect(page.getByText(`${sets} of ${sets} sets kept.`)).toBeVisible();

    await expect(page.getByText(/wait(ing)? for the connection/)).toHaveCount(0);
    await page.getByRole('link', { name: 'To the review' }).click();
    await expect(page.getByRole('heading', { name: 'What to do next' })).toBeVisible();
    await axe(page);
    await send(page, 'Accept all');
    await expect(page.getByText('After the first session')).toBeHidden();
    await page.goto(`${base}/practise`);
    await expect(page.getByRole('heading', { name: 'Week 1, session 2' })).toBeVisible();
    expect(faults).toEqual([]);
  });
