import { readFile } from 'node:fs/promises';
import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import ICAL from 'ical.js';
import { formatISO, subDays } from 'date-fns';
import { axe, baseOf, choose, openGoal, send, watched } from './steps';

const solve = (page: Page) => send(page, 'Solve what comes again');
const place = (page: Page, exercise: string, where: string) =>
  page.getByRole('button', { name: new RegExp(`^${exercise}, ${where}`) });

test('a plan is argued with: kept in, kept out, other days and minutes; told, named, taken back', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Argue');
  await page.goto(`${base}/plan`);
  await page.getByRole('link', { name: 'Change what comes' }).click();
  await expect(page.getByRole('heading', { name: 'Change what comes' })).toBeVisible();

  // Turned by tap and by key; the wish is said with the place.
  await place(page, 'Front hamstring, half split', 'every session').click();
  await expect(place(page, 'Front hamstring, half split', 'every session')).toHaveAccessibleName(/kept in/);
  const second = place(page, 'Rear hip, half kneeling', 'session 2');
  await second.focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(second).toHaveAccessibleName(/kept out/);
  await page.getByLabel('Rear-knee lift, long lunge: how often').selectOption('once a week');

  // A session goes to another day by the arrow keys; one is taken out, and added again.
  const days = page.getByRole('group', { name: 'Days with a session' });
  const handles = days.getByRole('button', { name: /Arrow keys move it/ });
  await expect(handles).toHaveCount(3);
  const before = await handles.evaluateAll((all) => all.map((h) => h.getAttribute('aria-label')));
  await handles.nth(1).focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => handles.evaluateAll((all) => all.map((h) => h.getAttribute('aria-label')))).not.toEqual(before);
  await days.getByRole('button', { name: /^Take the session on/ }).first().click(); // prettier-ignore
  await expect(handles).toHaveCount(2);
  await days.getByRole('button', { name: /^Add a session on/ }).first().click(); // prettier-ignore
  await expect(handles).toHaveCount(3);

  // A bad number is told beside its field, and no wish is lost.
  await page.getByLabel('Minutes a session').fill('2');
  await solve(page);
  await expect(page.getByText('Between 5 and 240')).toBeVisible();
  await expect(second).toHaveAccessibleName(/kept out/);
  await page.getByLabel('Minutes a session').fill('30');
  await solve(page);
  const versions = page.getByRole('complementary', { name: 'Versions' });
  await expect(versions.getByText('Version 2', { exact: true })).toBeVisible();
  for (const told of [
    /^30 minutes a session in place of \d+\.$/,
    'Front hamstring, half split is kept in every session.',
    'Rear hip, half kneeling is kept out of session 2 of each week.',
    'Rear-knee lift, long lunge is wished once a week.'
  ])
    await expect(versions.getByText(told)).toBeVisible();
  await expect(second).toHaveAccessibleName(/not in it, kept out/);

  // It is what is played.
  await page.getByRole('link', { name: 'Back to the plan' }).click();
  await expect(page.getByText(/of 30:00 minutes/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'version 2', exact: true })).toBeVisible();

  // Named, held against the plan in force, and taken back.
  await page.getByRole('link', { name: 'version 2', exact: true }).click();
  await page.getByRole('button', { name: 'Name it version 1' }).click();
  await page.getByLabel('Name of version 1').fill('As agreed');
  await send(page, 'Keep the name');
  await expect(versions.getByText('Version 1, As agreed')).toBeVisible();
  await versions.getByRole('link', { name: /^Compare/ }).click();
  await expect(page.getByText('Second, with the wishes of version 1')).toBeVisible();
  await expect(page.getByRole('row', { name: /^Minutes/ })).toContainText('each');
  await page.goBack();
  await versions.getByRole('button', { name: 'Undo: back to version 1' }).click();
  await expect(versions.getByText('As version 1 was.')).toBeVisible();
  await expect(second).toHaveAccessibleName(/as it fits/);
  await expect(page.getByLabel('Minutes a session')).not.toHaveValue('30');
  expect(faults).toEqual([]);
});

test('each session has its place, its hour and its work; one exercise is swapped for another; five minutes are enough for a little', async ({
  page
}) => {
  const { faults } = watched(page);
  const base = baseOf('Where');
  await page.goto(`${base}/plan/change`);
  const wish = (what: string, session = 2) =>
    page.getByRole('region', { name: 'Each session' }).getByLabel(new RegExp(`^Session ${session}, \\w+: ${what}`));
  await wish('where').selectOption('home');
  await wish('begins at').fill('07:30');
  await wish('other training', 1).selectOption('before training');
  await expect(page.getByText(/Nothing stands on the home shelf/)).toBeVisible();
  await page.getByLabel('Sessions with hard work').selectOption('1');
  await page.getByLabel('One motion a session').check();
  await axe(page);
  await solve(page);
  const versions = page.getByRole('complementary', { name: 'Versions' });
  for (const told of [
    'Session 1 of each week has nothing hard in it, since other training follows.',
    'Session 2 of each week is at home, begins at 07:30.',
    'At most 1 session a week with hard work.',
    'Each session is about one motion; they take turns.'
  ])
    await expect(versions.getByText(told)).toBeVisible();

  // It is what the plan shows.
  await page.goto(`${base}/plan`);
  await page.getByRole('button', { name: /session 2, planned, at home/ }).first().click(); // prettier-ignore
  const session = page.getByRole('complementary', { name: 'The chosen session' });
  await expect(session.getByText(/07:30 · at home/)).toBeVisible();
  await expect(session.getByText(/^Its theme: /)).toBeVisible();
  await page.goto(`${base}/plan/change`);

  // Another exercise in its place, in one step.
  await page.getByRole('button', { name: 'Swap Rear-knee lift, long lunge for another' }).click();
  const dialog = page.getByRole('dialog');
  const first = await dialog.getByRole('listitem').first().textContent(); // prettier-ignore
  await dialog.getByRole('listitem').first().getByRole('button').click(); // prettier-ignore
  await expect(dialog).toBeHidden();
  await expect(versions.getByText('Version 3', { exact: true })).toBeVisible();
  await expect(versions.getByText(/ in place of Rear-knee lift, long lunge\.$/)).toBeVisible();
  expect(first).toContain(/^(.*) in place of /.exec((await versions.getByText(/ in place of Rear-knee/).textContent())!)![1]!);

  // Five minutes hold something too: a warm-up of less than one, and one exercise.
  await page.getByLabel('Minutes a session').fill('5');
  await solve(page);
  await expect(versions.getByText('Version 4', { exact: true })).toBeVisible();
  await expect(versions.getByText(/^5 minutes a session in place of \d+\.$/)).toBeVisible();

  expect(faults).toEqual([]);
});

test('two goals share one plan; what was missed is merged into what comes', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Share');
  await page.goto(`${base}/goal?goal=new`);
  await openGoal(page, 'Pancake');
  await send(page, 'Set the goal');
  await page.goto(`${base}/plan`);
  await page.getByLabel('Goal in work').selectOption({ label: 'Front split' });
  await expect(page.getByRole('heading', { name: 'Down to the floor' })).toBeVisible();
  await page.goto(`${base}/plan/change`);
  const shares = page.getByRole('region', { name: 'Goals that share the minutes' });
  await shares.getByLabel('Pancake').selectOption({ label: 'counts half as much as “Front split”' });
  await solve(page);
  const versions = page.getByRole('complementary', { name: 'Versions' });
  await expect(versions.getByText('The plan serves “Pancake” too; its minutes count half as much.')).toBeVisible();
  // Its exercises have come into the week; one of them is pinned like any other.
  const week = page.getByRole('region', { name: 'The exercises of a week' });
  await week.getByRole('button', { name: /^Pancake.*, every session/ }).first().click(); // prettier-ignore
  await solve(page);
  await expect(versions.getByText(/^Pancake.* is kept in every session\.$/)).toBeVisible();
  await page.goto(`${base}/plan`);
  await expect(page.getByRole('region', { name: 'The plan also serves Pancake' })).toBeVisible();

  // The same plan, begun five days ago: sessions have gone by.
  await page.getByRole('button', { name: 'New plan' }).click();
  await page.getByLabel('From', { exact: true }).fill(formatISO(subDays(new Date(), 5), { representation: 'date' }));
  await send(page, 'Make a new version');
  await page.goto(`${base}/plan/change`);
  const missed = page.getByRole('radiogroup', { name: /^\d sessions? whose day has gone by$/ });
  await missed.getByText('Merge into the next what only they held').click();
  await solve(page);
  await expect(versions.getByText(/^\d missed sessions? merged into /)).toBeVisible();
  await expect(missed).toBeHidden();
  expect(faults).toEqual([]);
});

test('a judgement is dated, found by exercise and person, and taken out with a way back', async ({ page }) => {
  const { faults } = watched(page);
  const name = 'Judged';
  const base = baseOf(name);
  await page.goto(`${base}/review`);
  await send(page, 'Keep it');
  await expect(page.getByText('Write what you think of it')).toBeVisible();
  await page.getByLabel('What you think of it, and why').fill('Squared hips before depth.');
  await page.getByLabel('About').selectOption({ label: 'Front split on its stack' });
  await send(page, 'Keep it');
  await expect(page.getByText('Squared hips before depth.', { exact: true })).toBeVisible();

  await page.getByRole('link', { name: 'Find notes by exercise and person' }).click();
  await expect(page.getByRole('heading', { name: 'What was noted' })).toBeVisible();
  await choose(page, 'Exercise', 'Front split on its stack');
  await expect(page.getByRole('listitem').filter({ hasText: name })).toContainText('Squared hips before depth.');
  await page.getByLabel('Words in it').fill('knees');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await expect(page.getByText('Nothing was noted of this.')).toBeVisible();

  await page.goto(`${base}/review`);
  await send(page, /^Take it out/);
  await expect(page.getByText('Squared hips before depth.', { exact: true })).toBeHidden();
  await send(page, 'Undo');
  await expect(page.getByText('Squared hips before depth.', { exact: true })).toBeVisible();
  expect(faults).toEqual([]);
});

test('a session is dragged to another day, and the page serves a phone', async ({ page }) => {
  const base = baseOf('Drag');
  await page.goto(`${base}/plan/change`);
  const days = page.getByRole('group', { name: 'Days with a session' });
  const from = days.getByRole('button', { name: /Arrow keys move it/ }).first();
  const day = /on (\w+)\./.exec((await from.getAttribute('aria-label'))!)![1]!;
  const to = days.getByRole('button', { name: /^Add a session on/ }).first();
  const free = /on (\w+)$/.exec((await to.getAttribute('aria-label'))!)![1]!;
  const [a, b] = [(await from.boundingBox())!, (await to.boundingBox())!];
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(b.x + b.width / 2, b.y - 30, { steps: 12 });
  await page.waitForTimeout(400); // the hand rests over the day
  await page.mouse.up();
  await expect(days.getByRole('button', { name: `Session on ${free}. Arrow keys move it to another day` })).toBeVisible();
  await expect(days.getByRole('button', { name: `Add a session on ${day}` })).toBeVisible();

  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const [left, wide] = await place(page, 'Front hamstring, half split', 'session 1').evaluate((el) => {
    const box = el.getBoundingClientRect();
    return [box.left, box.right];
  });
  expect(left! >= 0 && wide! <= 390).toBe(true);
  await solve(page);
  await expect(page.getByText('Version 2', { exact: true })).toBeVisible();
});

test('busy hours come in from a calendar file, and the plan goes out as one', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Busy');
  await page.goto(`${base}/plan/change`);
  const file = page.getByLabel('Calendar file (.ics)');
  await page.getByLabel('Sessions begin at').fill('18:00');
  await file.setInputFiles({ name: 'notes.ics', mimeType: 'text/calendar', buffer: Buffer.from('no calendar at all') });
  await expect(page.getByRole('alert').filter({ hasText: 'This is no calendar file' })).toBeVisible();

  // Every evening of the first session's weekday is taken, but for the hours before it.
  const firstDay = (await page.getByRole('columnheader', { name: /^Session 1/ }).innerText()).slice(-3).toUpperCase().slice(0, 2); // prettier-ignore
  const lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//made up//EN', 'BEGIN:VEVENT', 'UID:choir', 'DTSTAMP:20200101T000000Z', 'DTSTART:20200101T180000', 'DURATION:PT2H', `RRULE:FREQ=WEEKLY;BYDAY=${firstDay}`, 'END:VEVENT', 'END:VCALENDAR', '']; // prettier-ignore
  await file.setInputFiles({ name: 'choir.ics', mimeType: 'text/calendar', buffer: Buffer.from(lines.join('\r\n')) });
  await expect(page.getByText(/\d busy days: a session on one goes to the nearest free day/)).toBeVisible();
  await solve(page);
  const versions = page.getByRole('complementary', { name: 'Versions' });
  await expect(versions.getByText(/busy days are kept free/)).toBeVisible();

  await page.getByRole('link', { name: 'Back to the plan' }).click();
  await expect(page.getByLabel('Sessions begin at')).toHaveValue('18:00');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a calendar file' }).click()
  ]);
  const calendar = new ICAL.Component(ICAL.parse(await readFile(await download.path(), 'utf8')) as unknown[]);
  const planned = calendar
    .getAllSubcomponents('vevent')
    .filter((e) => e.getFirstPropertyValue('status') === 'CONFIRMED')
    .map((e) => new ICAL.Event(e).startDate);
  expect(planned.length).toBeGreaterThan(3);
  const days = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'];
  for (const at of planned) {
    expect(days[at.toJSDate().getDay()]).not.toBe(firstDay);
    expect([at.hour, at.minute]).toEqual([18, 0]);
  }
  expect(faults).toEqual([]);
});
