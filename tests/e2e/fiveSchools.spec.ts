import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import { schoolOf, type SchoolId } from '../../src/lib/core';
import type { PersonName } from './people';
import { axe, baseOf, send, startAhead, watched } from './steps';

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

const walks: readonly (readonly [name: PersonName, school: SchoolId])[] = [
  ['Walk Lotus', 'long_hold'],
  ['Walk Pancake', 'contract_relax'],
  ['Walk Side Split', 'drills'],
  ['Walk Turnout', 'breath_counted'],
  ['Walk Wrist', 'short_holds']
];

for (const [name, school] of walks)
  test(`${name} by ${schoolOf(school).name}: planned, played, logged, decided, and carried into the next session`, async ({
    page
  }) => {
    const { faults } = watched(page);
    const base = baseOf(name);
    await page.goto(`${base}/plan`);
    await page.getByLabel('Way of working').selectOption(school);
    await send(page, 'Make the plan');
    await expect(page.getByRole('heading', { name: /^(The way to the goal|Down to the floor|The weeks)$/ })).toBeVisible();

    await startAhead(page, base);
    await axe(page);
    const sets = await playAhead(page);
    expect(sets).toBeGreaterThan(1);
    await expect(page.getByText(`${sets} of ${sets} sets kept.`)).toBeVisible();

    await expect(page.getByText(/wait(ing)? for the connection/)).toHaveCount(0);
    await page.getByRole('link', { name: 'To the review' }).click();
    await expect(page.getByRole('heading', { name: 'What to do next' })).toBeVisible();
    await send(page, 'Accept all');
    await expect(page.getByText('After the first session')).toBeHidden();
    await page.goto(`${base}/practise`);
    await expect(page.getByRole('heading', { name: 'Week 1, session 2' })).toBeVisible();
    expect(faults).toEqual([]);
  });
