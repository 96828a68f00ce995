import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import { baseOf, choose, send, stamp, watched } from './steps';

const aside = (page: Page) => page.getByRole('complementary');
const week = (page: Page) => page.getByRole('navigation', { name: 'Exercises of the week' });

test('a pancake is graded from its measured seat: stacks, dials, an exercise of one’s own in the week', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Fold Grade');
  await page.goto(`${base}/grade`);
  await expect(page.getByText(/measured 17.5 cm/)).toBeVisible();
  await page.getByRole('button', { name: 'Use 17.5 cm' }).click();
  await expect(page.getByRole('button', { name: 'In use', exact: true })).toBeVisible();

  // Several steps at once are asked about first.
  await page.getByRole('button', { name: /^5 cm:/ }).click();
  await expect(page.getByText(/12.5 cm harder than what is in use/)).toBeVisible();
  await page.getByRole('button', { name: /^15 cm:/ }).click();
  await page.getByRole('button', { name: 'Use 15 cm' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: '17.5 cm → 15 cm' })).toBeVisible();

  // No figure is usual for the hold: it begins with ours and says so, until somebody moves it.
  const ours = page.getByText('Our start, low on purpose.');
  await expect(ours.first()).toBeVisible();
  const unmoved = await ours.count();
  await page.getByRole('button', { name: 'hold: harder, 90 s' }).click();
  await expect(page.getByRole('button', { name: 'hold: harder, 120 s' })).toBeVisible();
  await expect(ours).toHaveCount(unmoved - 1);
  await page.getByRole('button', { name: 'hold: harder, 120 s' }).click();
  await expect(week(page).getByText(/seat 15 cm.*120 s/)).toBeVisible();

  // An exercise of one's own, a copy that keeps the stop signs, put into the week and graded.
  await week(page).getByRole('link', { name: 'Add from the library' }).click();
  await page.getByRole('searchbox').fill('uphavista');
  await expect(page.getByText(/of \d+ exercises/)).toBeVisible();
  await page.getByRole('link', { name: /^Pancake on its seat, relaxed/ }).click();
  await page.getByRole('link', { name: 'Copy and change' }).click();
  await expect(page.getByLabel('A harder exercise')).toHaveValue('Pancake on the floor, relaxed');
  const name = `Table pancake ${stamp()}`;
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Set up, a step a line').fill('Sit on the table edge.\nTip the pelvis.');
  await page.getByLabel('Variants, the usual first, a line each').fill('toes to the ceiling\ntoes pointed');
  await page.getByRole('button', { name: /^Put it into the library and try it for Fold/ }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  await expect(page.getByText('Ache at the sit-bone or groin, at the bone: stop this stretch.').first()).toBeVisible();
  await page.getByRole('button', { name: `Put ${name} into the week` }).click();
  await page.getByRole('button', { name: 'Toes pointed' }).click();
  await expect(page.getByRole('button', { name: 'Toes pointed' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Use 17.5 cm' }).click();
  await expect(page.getByRole('button', { name: 'In use', exact: true })).toBeVisible();

  // In use it is not taken out of the library.
  await page.getByRole('link', { name: 'In the library' }).click();
  await page.getByRole('button', { name: 'Take out of the library' }).click();
  await expect(page.getByText(/It stands in the week of Fold/)).toBeVisible();
  expect(faults.filter((f) => !/40[09]/.test(f))).toEqual([]);
});

test('a lotus is graded under seat and knee, with the school it is done by and what it did', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Seat Grade');
  await page.goto(`${base}/grade`);
  await expect(page.getByRole('heading', { name: 'Half lotus' })).toBeVisible();
  await page.getByRole('radio', { name: 'Left foot on the thigh' }).click();
  await expect(page.getByText(/measured 10 cm/)).toBeVisible();
  await page.getByRole('radio', { name: 'height under the knee' }).click();
  await expect(page.getByText(/measured 17.5 cm/)).toBeVisible();
  await page.getByRole('button', { name: 'Use 17.5 cm' }).click();
  await expect(week(page).getByText(/knee 17.5 cm/)).toBeVisible();
  // The other side was not measured there: it says so.
  await page.getByRole('radio', { name: 'Right foot on the thigh' }).click();
  await expect(page.getByText('not measured: the middle height is shown')).toBeVisible();
  // A start height that no goal asks for is measured all the same.
  const here = page.url();
  await page.goto(`${base}/grade?exercise=heels_raised_squat`);
  await page.getByRole('link', { name: 'Measure heel lift of the deep squat' }).click();
  await page.waitForLoadState('networkidle');
  for (const i of [1, 2]) await page.getByLabel(`Passive reach, both together, trial ${i}`).fill('10');
  await send(page, 'Keep this measure');
  await page.goto(`${base}/grade?exercise=heels_raised_squat`);
  await expect(page.getByText(/measured 10 cm/)).toBeVisible();
  await page.goto(here);

  // The school the client prefers, and its figure where nothing was moved.
  const done = page.getByRole('heading', { name: 'How it is done' }).locator('..');
  await done.getByText('Change', { exact: true }).click();
  await done.getByLabel(/^Seat prefers/).selectOption({ label: 'Long hold, press and draw' });
  await done.getByRole('button', { name: 'Keep for Seat' }).click();
  await expect(page.getByText(/as Seat prefers/)).toBeVisible();
  await expect(page.getByText('The usual figure of the way of working.').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'hold: harder, 75 s' })).toBeVisible();

  const note = page.getByRole('heading', { name: 'For this client' }).locator('..');
  await note.getByText('Note what it does').click();
  await note.getByRole('button', { name: 'Keep the note' }).click();
  await expect(note.getByText('Choose what it did')).toBeVisible();
  await note.getByText('Does nothing', { exact: true }).click();
  await note.getByLabel('Note', { exact: true }).fill('Try it after the bath.');
  await note.getByRole('button', { name: 'Keep the note' }).click();
  await expect(note.getByText('Does nothing: Try it after the bath.')).toBeVisible();

  // Take one out of the week and put another in, by keys alone.
  const first = week(page).getByRole('link').first();
  await first.focus();
  await page.keyboard.press('Enter');
  await expect(first).toHaveAttribute('aria-current', 'page');
  await expect(first).toBeFocused();
  await send(page, /out of the week$/, (button) => button.press('Enter'));
  await expect(week(page).getByRole('link', { name: /^Half lotus/ })).toBeHidden();
  expect(faults.filter((f) => !/40[09]/.test(f))).toEqual([]);
});

test('a prop that is added changes the ladder; what is missing, too much or in use is told', async ({ page }) => {
  const { faults } = watched(page);
  const base = baseOf('Aaron Adder');
  await page.goto(`${base}/grade`);
  await page.getByRole('button', { name: /^Use .* cm$/ }).click();
  await expect(page.getByRole('button', { name: 'In use', exact: true })).toBeVisible();
  await page.getByRole('radio', { name: 'height under the hands' }).click();
  await expect(page.getByText(/the shelf has no height between/).first()).toBeVisible();

  await page.goto('/props');
  const form = aside(page);
  await form.getByLabel('What it is').selectOption({ label: 'Elastic band' });
  await form.getByLabel('Name', { exact: true }).fill('Loose band');
  await form.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(form.getByText('How strong is it? Its pull when stretched to twice its length')).toBeVisible();
  await expect(form.getByLabel('Name', { exact: true })).toHaveValue('Loose band');
  await form.getByLabel('What it is').selectOption({ label: 'Book' });
  await form.getByLabel('Name', { exact: true }).fill('Flat board');
  for (const [label, value] of [
    ['Height cm', '0'],
    ['Depth cm', '17'],
    ['Width cm', '24'],
    ['How many', '6']
  ] as const)
    await form.getByLabel(label).fill(value);
  await form.getByLabel('It may stand any way up').uncheck();
  await form.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(form.getByText('Between 0.2 and 150 cm')).toBeVisible();
  await form.getByLabel('Height cm').fill('1,5');
  await form.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Flat board' })).toBeVisible();
  await expect(form.getByRole('heading', { name: 'What would help most' })).toBeVisible();

  await page.goto(`${base}/grade`);
  await page.getByRole('radio', { name: 'height under the hands' }).click();
  const rungs = page.getByRole('list', { name: 'Steps, from easier to the goal' });
  await rungs
    .getByRole('button', { name: /flat board/ })
    .first()
    .click();
  await page.getByRole('button', { name: /^Use .* cm$/ }).click();
  await expect(page.getByRole('button', { name: 'In use', exact: true })).toBeVisible();
  await expect(page.getByText(/the shelf has no height between/)).toBeHidden();

  // A thing an exercise needs and nobody has: what will do instead.
  await page.goto(`/library/strap_reps_middle?client=${base.split('/').at(-1)}`);
  await expect(page.getByText(/not on the shelf; instead/)).toContainText('trousers or a belt');
  await page.getByRole('button', { name: /^Into the week of Aaron/ }).click();
  await expect(page.getByRole('heading', { name: 'Knee straightened on the strap, middle' })).toBeVisible();
  await page.goto('/props');
  await expect(page.getByText(/Knee straightened on the strap, middle/)).toBeVisible();

  // A thousand of one, and one that somebody stands on.
  const board = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Flat board' }) });
  await page.waitForLoadState('networkidle');
  await board.getByLabel('how many').fill('1000');
  await board.getByLabel('how many').blur();
  await expect(board.getByLabel('how many')).toHaveValue('1000');
  await board.getByRole('button', { name: /off the shelf$/ }).click();
  await expect(page.getByText(/In use by .*Adder/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(board).toBeVisible();
  await board.getByRole('button', { name: /off the shelf$/ }).click();
  await expect(board).toBeHidden();
  expect(faults.filter((f) => !/40[09]/.test(f))).toEqual([]);
});

test('the library is found in, laid side by side, and written in', async ({ page }) => {
  const { faults } = watched(page);
  await page.goto('/library');
  await page.keyboard.press('/');
  await page.keyboard.type('pigoen');
  await expect(page.getByRole('link', { name: /^Pigeon, leaning forward/ })).toBeVisible();
  await page.getByRole('searchbox').fill('');
  await page.getByLabel('Trains').selectOption('HIR90');
  await page.getByLabel('Used for').selectOption('active end');
  await expect(page.getByRole('link', { name: /^Heel lift lying on the front/ })).toBeVisible();
  await page.getByRole('link', { name: 'Easier to harder' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Knee and heel lift lying on the front' }).first()).toBeVisible();
  await page.getByLabel('Position', { exact: true }).selectOption('in the split');
  await expect(page.getByText('No exercise matches all of this.')).toBeVisible();

  await page.goto('/library/frog');
  await choose(page, 'Compare with', 'Side split on its stack');
  await page.getByRole('button', { name: 'Compare the two' }).click();
  await expect(page.getByRole('columnheader', { name: 'Frog on its stack' })).toBeVisible();
  await expect(page.getByRole('cell', { name: /passive \(both\)/i })).toBeVisible();

  await page.goto('/library/schools?exercise=lying_contract_relax');
  // By hand: 5 s in, three rounds of 1 + 5 + 1 and 5 s further, then 10 s.
  await expect(page.getByRole('row', { name: /^Short contract-relax/ }).first()).toContainText('0:51');
  await expect(page.getByText('says nothing: yours to set').first()).toBeVisible();

  await page.goto('/library/new');
  await page.getByRole('button', { name: 'Put it into the library' }).click();
  for (const message of ['What is it called?', 'What does it train?']) await expect(page.getByText(message)).toBeVisible();
  const name = `Lantern lunge ${stamp()}`;
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('front of the hip', { exact: true }).check();
  await page.getByText('How it is done', { exact: true }).click();
  await page.getByLabel('hold', { exact: true }).check();
  await page.getByLabel('gravity, a partner or a prop').check();
  await page.getByText('How much of it', { exact: true }).click();
  await page.getByRole('group', { name: 'Drills, pulses and holds' }).getByLabel('Hold').fill('30 to 20');
  await page.getByText('Its figure', { exact: true }).click();
  await choose(page, 'Figure', 'Half kneeling');
  await expect(page.getByRole('img', { name: 'Half kneeling, as it is drawn' })).toBeVisible();
  await page.getByText('Easier and harder', { exact: true }).click();
  await page.getByText('Words beside the mat', { exact: true }).click();
  await page.getByLabel('Set up, a step a line').fill('Lunge.');
  await page.getByLabel('Felt', { exact: true }).fill('front of the hip');
  await page.getByLabel('Why, in one line').fill('For the pageant.');
  await page.getByLabel('Setting 1').selectOption({ label: 'hold' });
  await expect(page.getByLabel('Most')).toHaveValue('60');
  await page.getByLabel('Least').fill('60');
  await page.getByLabel('Most').fill('20');
  await page.getByLabel('Step', { exact: true }).fill('10');
  await choose(page, 'A harder exercise', 'Front split on its stack');
  await page.getByRole('button', { name: 'Put it into the library' }).click();
  await expect(page.getByText('More than the least')).toBeVisible();
  await expect(page.getByLabel('front of the hip', { exact: true })).toBeChecked();
  await expect(page.getByText('The second is more than the first')).toBeVisible();
  await page.getByRole('group', { name: 'Drills, pulses and holds' }).getByLabel('Hold').fill('20 to 30');
  await page.getByLabel('Least').fill('10');
  await page.getByRole('button', { name: 'Put it into the library' }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  await expect(page.getByText('10 s → 20 s')).toBeVisible();
  await expect(
    page
      .getByRole('row', { name: /^Drills, pulses and holds/ })
      .or(page.getByText(/20 to 30 s/))
      .first()
  ).toBeVisible();
  await expect(page.getByRole('region', { name: 'Easier to harder' }).getByRole('link')).toHaveText([
    new RegExp(name),
    /Front split/,
    /Raised split/
  ]);

  // Harder than itself it cannot be.
  await page.getByRole('link', { name: 'Edit' }).click();
  await page.waitForLoadState('networkidle');
  await choose(page, 'A harder exercise', name);
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('An exercise cannot be easier or harder than itself. Choose another one, or none.')).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue(name);
  await choose(page, 'A harder exercise', 'none');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('button', { name: 'Take out of the library' }).click();
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible();
  await page.getByRole('searchbox').fill(name);
  await expect(page.getByText('No exercise matches all of this.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: new RegExp(name) })).toBeVisible();
  expect(faults.filter((f) => !/40[09]/.test(f))).toEqual([]);
});
