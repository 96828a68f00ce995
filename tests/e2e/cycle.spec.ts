import { expect } from '@playwright/test';
import { test } from './alive';
import { axe, baseOf, send, stamp, watched } from './steps';

test('a cycle is shaped by dragging, by keys and by typing, kept under a name, and done so in the next session', async ({
  page
}) => {
  const { faults } = watched(page);
  const base = baseOf('Shape');
  await page.goto(`${base}/grade?exercise=front_hamstring_cycle`);
  await page.getByRole('link', { name: 'Shape its cycle' }).click();
  await expect(page.getByRole('heading', { name: /^The cycle of/ })).toBeVisible();
  await axe(page);
  const total = page.getByRole('complementary', { name: 'What it comes to' });
  const press = page.getByRole('region', { name: 'Press', exact: true });

  // By keys: one step of its dial more of the first hold, five percent more of the press.
  const hold = page.getByLabel('Hold', { exact: true });
  const longerS = Number(await hold.inputValue()) + Number(await hold.getAttribute('step'));
  await page.getByRole('slider', { name: 'End of the first hold' }).press('ArrowRight');
  await expect(hold).toHaveValue(String(longerS));
  const peak = press.getByLabel('Effort', { exact: true });
  const peakPct = Number(await peak.inputValue());
  await page.getByRole('slider', { name: 'Press is built up' }).press('ArrowUp');
  await expect(peak).toHaveValue(String(peakPct + 5));

  // By hand: the corner to the right, the build-up is longer and the total with it.
  const buildUp = press.getByLabel('Build up');
  const before = Number(await buildUp.inputValue());
  const corner = (await page.getByRole('slider', { name: 'Press is built up' }).boundingBox())!;
  const [x, y] = [corner.x + corner.width / 2, corner.y + corner.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y, { steps: 4 });
  await page.mouse.up();
  expect(Number(await buildUp.inputValue())).toBeGreaterThan(before);
  await expect(peak).toHaveValue(String(peakPct + 5));

  // Past the cap it is told at once, and cannot be kept; inside it can.
  await peak.fill('75');
  await expect(total.getByRole('alert')).toContainText('An effort of 75 % is above 60 %');
  await expect(page.getByRole('button', { name: 'Keep for this exercise' })).toBeDisabled();
  await peak.fill('45');
  await page.getByLabel('Effort climbs').selectOption('in steps of 20 %');
  await page.getByLabel('What resists').selectOption('against the strap');
  // A second round of its own: its press kept longer, and deeper another way.
  await page.getByLabel('Rounds', { exact: true }).fill('2');
  await page.getByText('Round by round', { exact: true }).click();
  const wholeS = await total.innerText();
  await page.getByLabel('Keep the press, round 2').fill('14');
  await expect(total).not.toHaveText(wholeS);
  await page.getByLabel('How it goes deeper, round 2').selectOption('lean in a little further');
  const name = `Strap ${stamp()}`;
  await page.getByLabel('Keep this one under a name').fill(name);
  await send(page, 'Keep under this name');
  await expect(page.getByRole('button', { name, exact: true })).toBeVisible();
  await send(page, 'Keep for this exercise');
  await expect(page.getByText('Its cycle was shaped by hand.')).toBeVisible();

  // On another exercise it shows what it changes before it is taken over.
  await page.goto(`${base}/grade/cycle?exercise=rear_hip_cycle`);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('button', { name, exact: true }).click();
  await expect(page.getByText(`What “${name}” changes`)).toBeVisible();
  await page.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByLabel('Effort climbs')).toHaveValue('20');
  await expect(page.getByText('Nothing: it is the same.')).toBeVisible();
  await send(page, 'Keep for this exercise');

  await page.goto(`${base}/plan`);
  await expect(page.getByText('How it is done was shaped by hand.').first()).toBeVisible();
  expect(faults).toEqual([]);
});
