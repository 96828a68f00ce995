import { expect, type Page } from '@playwright/test';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from './alive';
import { measureOf, seedOf, standInValue } from '../../src/lib/core';
import { jpeg, look, place, pngHead, turnedByMetadata } from './pictures';
import type { PersonName } from './people';
import { axe, baseOf, send, watched } from './steps';

/** Somebody before one measure, a way of taking it chosen. */
async function atMeasure(page: Page, name: PersonName, measure: string, way: string | RegExp): Promise<string> {
  const base = baseOf(name);
  await openMeasure(page, base, measure, way);
  return base;
}
async function openMeasure(page: Page, base: string, measure: string, way: string | RegExp): Promise<void> {
  await page.goto(`${base}/measure?set=full&m=${measure}`);
  await page.locator('label').filter({ hasText: way }).click();
}
const photo = /^\s*Photo\s*$/;
const board = (page: Page) => page.getByRole('application');
const reached = (trial: number, side = 'left leg') => `Passive reach, ${side}, trial ${trial}, angle in °`;
/** Of a card, the number in large and its error. */
async function stated(page: Page, side: string): Promise<{ value: number; margin: number }> {
  const card = page.getByRole('region', { name: side });
  const numbers = (text: string | null) => Number(text!.replace('−', '-').match(/-?[\d.]+/)![0]);
  return {
    value: numbers(await card.locator('.text-3xl').first().textContent()),
    margin: numbers(
      await card
        .getByText(/^give or take/)
        .first()
        .textContent()
    )
  };
}

test('tape, instrument and photo recover an angle nobody told them', async ({ page }) => {
  const { faults } = watched(page);
  const base = await atMeasure(page, 'Angle Truth', 'HF-KS', photo);

  // By photo: stickers and floor line as the eye finds them.
  await page.getByRole('button', { name: 'Read from a photo' }).click();
  await page.getByRole('button', { name: 'Try a drawn one' }).click();
  await expect(board(page)).toBeVisible();
  const seen = await look(page);
  const [ankle, shoulder] = [...seen.others].sort((a, b) => seen.byRod(b).heightCm - seen.byRod(a).heightCm) as [
    (typeof seen.others)[number],
    (typeof seen.others)[number]
  ];
  for (const point of [seen.vertex, ankle, shoulder, ...seen.floor]) await place(board(page), point);
  await axe(page);
  await page.getByRole('button', { name: /^Take / }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  const byPhoto = await stated(page, 'left leg');

  // By tape, as read off the bands of the rod in the picture.
  await page.getByRole('radio', { name: 'Tape, rise and run' }).click();
  const [hip, heel, head] = [seen.vertex, ankle, shoulder].map(seen.byRod) as [
    ReturnType<typeof seen.byRod>,
    ReturnType<typeof seen.byRod>,
    ReturnType<typeof seen.byRod>
  ];
  const runCm = (heel.alongCm - hip.alongCm) * -Math.sign(head.alongCm - hip.alongCm);
  const half = (cm: number) => String(Math.round(cm * 2) / 2);
  await page
    .getByLabel('Passive reach, left leg, trial 1, rise over the hip joint in cm')
    .fill(half(heel.heightCm - hip.heightCm));
  await page.getByLabel('Passive reach, left leg, trial 1, run along the floor in cm').fill(half(runCm));
  const byTape = await stated(page, 'left leg');

  // By instrument: locked when it is steady, taken with one tap.
  await page.getByRole('radio', { name: 'Inclinometer' }).click();
  await page.getByRole('button', { name: 'Try the simulated one' }).click();
  await expect(page.getByText('Moving')).toBeVisible();
  await expect(page.getByText('Steady: locked')).toBeVisible();
  await axe(page);
  await page.getByRole('button', { name: /^Take \d+°$/ }).click();
  await expect(page.getByText('Left leg, reached, trial 2')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the form' }).click();
  const byInstrument = await stated(page, 'left leg');

  // Only now the truth.
  const now = new Date();
  const today = [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((n) => String(n).padStart(2, '0')).join('-');
  const truth = standInValue(measureOf('HF-KS'), null, seedOf(`${base.split('/').at(-1)}/HF-KS/left/passive/${today}`));
  for (const [way, { value, margin }] of Object.entries({ byPhoto, byTape, byInstrument })) {
    expect(margin, way).toBeGreaterThan(0);
    expect(Math.abs(value - truth), `${way}: ${value} against ${truth}`).toBeLessThanOrEqual(margin);
  }
  expect(faults).toEqual([]);
});

test('a picture is kept with consent, stands beside a later one, and goes when the consent is taken back', async ({ page }) => {
  const { faults } = watched(page);
  const base = await atMeasure(page, 'Angle Consent', 'front_split_gap', photo);
  await page.getByRole('button', { name: 'Read from a photo' }).click();
  await expect(page.getByText('Without consent the number is read and the picture is not kept.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep pictures' }).click();
  await expect(page.getByText(/Pictures are kept on this machine, with the consent of Angle/)).toBeVisible();

  for (const [day, gap] of [
    ['2026-01-05', 0.12],
    ['2026-02-02', 0.06]
  ] as const) {
    if (day !== '2026-01-05') {
      await openMeasure(page, base, 'front_split_gap', photo);
      await page.getByRole('button', { name: 'Read from a photo' }).click();
    }
    await page
      .getByLabel('Choose a picture or film')
      .setInputFiles({ name: 'split.jpg', mimeType: 'image/jpeg', buffer: turnedByMetadata(await jpeg(page, 900, 1200)) });
    await expect(board(page)).toBeVisible();
    for (const point of [
      { x: 0.5, y: 0.8 - gap },
      { x: 0.1, y: 0.8 },
      { x: 0.9, y: 0.8 },
      { x: 0.2, y: 0.8 },
      { x: 0.2, y: 0.7 }
    ])
      await place(board(page), point);
    await expect(page.getByTestId('photo-value')).toContainText(`${gap === 0.12 ? 12 : 6} cm`);
    await page.getByRole('button', { name: /^Take / }).click();
    await expect(page.getByText('Left leg in front, reached, trial 2')).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
    await page.getByText('Day, conditions, support, note').click();
    await page.getByLabel('Day', { exact: true }).fill(day);
    await page.getByRole('button', { name: 'Keep this measure' }).click();
    await page.waitForURL((url) => !url.search.includes('m=front_split_gap'));
  }

  await page.goto(`${base}/photos`);
  await expect(page.getByRole('img', { name: /^Before: 5 Jan 2026/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^After: 2 Feb 2026/ })).toBeVisible();
  await expect(page.getByText(/−6 cm since 5 Jan/)).toBeVisible();
  await axe(page);
  const address = (await page.locator('svg image').first().getAttribute('href'))!;
  const kept = await page.request.get(address);
  expect(kept.headers()['content-type']).toBe('image/jpeg');
  expect((await kept.body()).toString('latin1')).not.toContain('Exif'); // what the camera wrote about itself is gone

  await page.getByRole('button', { name: 'Take it back', exact: true }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Take it back, delete the pictures' }).click();
  await expect(page.getByRole('heading', { name: 'No consent, no pictures' })).toBeVisible();
  expect((await page.request.get(address)).status()).toBe(404);
  await page.goto(`${base}/read`);
  await expect(page.getByText('6 cm', { exact: true }).first()).toBeVisible(); // the measure stays
  expect(faults).toEqual([]);
});

test('points are set and moved with keys alone, under a magnifier', async ({ page }) => {
  await atMeasure(page, 'Angle Keys', 'HF-KS', photo);
  await page.getByRole('button', { name: 'Read from a photo' }).focus();
  await page.keyboard.press('Enter');
  await page
    .getByLabel('Choose a picture or film')
    .setInputFiles({ name: 'leg.jpg', mimeType: 'image/jpeg', buffer: await jpeg(page, 1000, 800) });
  await expect(board(page)).toBeVisible();
  const steps: Record<string, readonly string[]> = {
    'hip joint': ['Shift+ArrowDown'],
    ankle: ['Shift+ArrowLeft', 'Shift+ArrowLeft', 'ArrowLeft'],
    shoulder: ['Shift+ArrowRight', 'Shift+ArrowRight'],
    'floor line, one end': ['Shift+ArrowLeft', 'Shift+ArrowLeft', 'Shift+ArrowDown'],
    'floor line, other end': ['Shift+ArrowRight', 'Shift+ArrowDown']
  };
  for (const name of Object.keys(steps))
    await page.getByRole('button', { name: new RegExp(`${name}\\s*, not set`) }).press('Enter');
  await expect(page.getByText(/lie on one spot/)).toBeVisible(); // all of them in the middle
  for (const [name, keys] of Object.entries(steps)) {
    const handle = board(page).getByRole('button', { name: new RegExp(`^${name}:`) });
    const before = await handle.getAttribute('aria-label');
    for (const key of keys) await handle.press(key);
    expect(await handle.getAttribute('aria-label')).not.toBe(before);
  }
  await expect(page.getByTestId('photo-value')).toBeVisible();
  await page.getByRole('button', { name: /^Take / }).press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.getByLabel(reached(1))).not.toHaveValue('');
});

test('a frame is picked from a short film', async ({ page }) => {
  await atMeasure(page, 'Angle Film', 'HF-KS', photo);
  const film = await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [320, 240];
    const ink = canvas.getContext('2d')!;
    const recorder = new MediaRecorder(canvas.captureStream(25), { mimeType: 'video/webm' });
    const parts: Blob[] = [];
    recorder.ondataavailable = (e) => parts.push(e.data);
    recorder.start();
    for (let i = 0; i < 20; i++) {
      ink.fillStyle = `hsl(${i * 18} 60% 50%)`;
      ink.fillRect(0, 0, 320, 240);
      await new Promise((r) => setTimeout(r, 50));
    }
    await new Promise((done) => ((recorder.onstop = done), recorder.stop()));
    return [...new Uint8Array(await new Blob(parts).arrayBuffer())];
  });
  await page.getByRole('button', { name: 'Read from a photo' }).click();
  await page
    .getByLabel('Choose a picture or film')
    .setInputFiles({ name: 'lift.webm', mimeType: 'video/webm', buffer: Buffer.from(film) });
  await expect(page.getByRole('button', { name: 'Use this frame' })).toBeEnabled();
  await page.getByRole('button', { name: 'One frame on' }).click();
  await page.getByRole('button', { name: 'Use this frame' }).click();
  await expect(board(page)).toBeVisible();
  await expect(page.getByText(/^Tap the/)).toBeVisible();
});

test('pictures that cannot be used are told, and what was taken is kept', async ({ page }) => {
  const { faults } = watched(page);
  await atMeasure(page, 'Angle Broken', 'front_split_gap', photo);
  await page.getByLabel('Active hold, left leg in front, trial 1').fill('31');
  await page.getByRole('button', { name: 'Read from a photo' }).click();
  const open = (name: string, mimeType: string, buffer: Buffer) =>
    page.getByLabel('Choose a picture or film').setInputFiles({ name, mimeType, buffer });

  await open('notes.jpg', 'image/jpeg', Buffer.from('these are only words'));
  await expect(page.getByText('This file is no picture that can be read here.')).toBeVisible();
  await open('huge.png', 'image/png', pngHead(10_000, 10_000));
  await expect(page.getByText('This picture has more than 60 million picture elements.')).toBeVisible();
  const dir = mkdtempSync(join(tmpdir(), 'calm-reach-file-'));
  writeFileSync(join(dir, 'heavy.jpg'), Buffer.alloc(60 * 1024 * 1024));
  await page.getByLabel('Choose a picture or film').setInputFiles(join(dir, 'heavy.jpg'));
  await expect(page.getByText('This file has more than 50 MB.')).toBeVisible();
  rmSync(dir, { recursive: true });

  // Turned by its metadata: shown upright.
  await open('turned.jpg', 'image/jpeg', turnedByMetadata(await jpeg(page, 1200, 800)));
  await expect(board(page)).toBeVisible();
  const image = board(page).locator('img').first();
  expect(await image.evaluate((i: HTMLImageElement) => [i.naturalWidth, i.naturalHeight])).toEqual([800, 1200]);
  // Every point in the middle: bottom and top of the block, then both ends of the line, lie on one spot.
  for (const name of [
    'lowest point of the pelvis',
    'floor line, one end',
    'floor line, other end',
    'block, bottom',
    'block, top'
  ])
    await page.getByRole('button', { name: new RegExp(`${name}\\s*, not set`) }).press('Enter');
  await expect(page.getByText('Bottom and top of the block lie on one spot.')).toBeVisible();
  for (let i = 0; i < 3; i++)
    await board(page)
      .getByRole('button', { name: /^block, top:/ })
      .press('Shift+ArrowUp');
  await expect(page.getByText('Both ends of the line lie on one spot.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Height of the block' }).fill('0');
  await expect(page.getByText('Write how high the block is')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take', exact: true })).toBeDisabled();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByLabel('Active hold, left leg in front, trial 1')).toHaveValue('31');
  expect(faults).toEqual([]);
});

test('an instrument that fails says so, and nothing already measured is lost', async ({ page }) => {
  await atMeasure(page, 'Angle Silent', 'HF-KS', 'Inclinometer');
  await page.getByLabel(reached(2)).fill('77');
  let behaves = 'drops out';
  await page.route('**/stand-in/instrument?*', (route) =>
    route.continue({ url: `${route.request().url()}&behaves=${encodeURIComponent(behaves)}` })
  );
  const angle = page.getByTestId('angle');

  await page.getByRole('button', { name: 'Try the simulated one' }).click();
  await expect(page.getByText('The instrument went silent. What was taken is kept.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take', exact: true })).toBeDisabled();
  for (const [next, said] of [
    ['silent', 'The instrument went silent.'],
    ['nothing to tell', 'The sensor answers without an angle.']
  ] as const) {
    behaves = next;
    await page.getByRole('button', { name: 'Connect again' }).click();
    await expect(page.getByText(said)).toBeVisible();
    await expect(angle).toHaveText('—');
    if (next === 'nothing to tell') await page.getByRole('button', { name: 'Back to the form' }).click();
  }
  behaves = 'flood';
  await page.getByRole('button', { name: 'Try the simulated one' }).click();
  await expect(page.getByText('Steady: locked')).toBeVisible();
  await page.getByRole('button', { name: /^Take \d+°$/ }).click();
  await page.getByRole('button', { name: 'Back to the form' }).click();
  await expect(page.getByLabel(reached(1))).not.toHaveValue('');
  await expect(page.getByLabel(reached(2))).toHaveValue('77');
});

test('the sensor of the device: denied, without an angle, absent, and read', async ({ page }) => {
  await page.addInitScript(() => {
    const asked = window as unknown as { answer: string };
    asked.answer = 'denied';
    Object.assign(DeviceOrientationEvent, { requestPermission: async () => asked.answer });
  });
  await atMeasure(page, 'Angle Device', 'HF-KS', 'Inclinometer');
  const use = () => page.getByRole('button', { name: 'Use the sensor of this device' }).click();
  const tell = (angles: { beta: number | null; gamma: number | null }) =>
    page.evaluate((a) => dispatchEvent(new DeviceOrientationEvent('deviceorientation', a)), angles);
  await use();
  await expect(page.getByText('The browser was not allowed to use the tilt sensor.')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the form' }).click();

  await page.evaluate(() => ((window as unknown as { answer: string }).answer = 'granted'));
  await use();
  await tell({ beta: null, gamma: null });
  await expect(page.getByText('The sensor answers without an angle.')).toBeVisible();
  await page.evaluate(() => {
    let i = 0;
    const timer = setInterval(() => {
      dispatchEvent(new DeviceOrientationEvent('deviceorientation', { beta: 63 + 0.2 * Math.sin(i), gamma: 2 }));
      if (++i > 300) clearInterval(timer);
    }, 20);
  });
  await expect(page.getByText('Steady: locked')).toBeVisible();
  await page.getByRole('button', { name: 'Take 63°' }).click();
  await page.getByRole('button', { name: 'Back to the form' }).click();
  await expect(page.getByLabel(reached(1))).toHaveValue('63');
});

test('a device without the sensor says so and offers the others', async ({ page }) => {
  await page.addInitScript(() => Reflect.deleteProperty(window, 'DeviceOrientationEvent'));
  await atMeasure(page, 'Angle Bare', 'HF-KS', 'Inclinometer');
  await page.getByRole('button', { name: 'Use the sensor of this device' }).click();
  await expect(
    page.getByText('This device has no tilt sensor, or its browser keeps it closed. Use the simulated one')
  ).toBeVisible();
});

test('a zero is taken on the other part of the joint first', async ({ page }) => {
  await atMeasure(page, 'Angle Zero', 'KF', 'Inclinometer');
  await page.getByRole('button', { name: 'Try the simulated one' }).click();
  await expect(page.getByRole('button', { name: 'Zero here' })).toBeEnabled();
  await page.getByRole('button', { name: 'Zero here' }).click();
  await expect(page.getByText('Steady: locked')).toBeVisible();
  await page.getByRole('button', { name: /^Take \d+°$/ }).click();
  await expect(page.getByText('Left knee, reached, trial 2')).toBeVisible();
});

test('who is archived can be deleted for good', async ({ page }) => {
  const name = 'Gone';
  const base = baseOf(name);
  await page.goto('/people');
  await page.getByLabel(`More about ${name}`).click();
  await send(page, `Archive ${name}`);
  await page.goto('/people?show=archived');
  await page.getByLabel(`Delete ${name} for good`).click();
  // Escape leaves it, and so does the button the focus is kept from.
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alertdialog')).toBeHidden();
  await page.getByLabel(`Delete ${name} for good`).click();
  await page
    .getByRole('alertdialog')
    .getByRole('button', { name: `Delete ${name} for good` })
    .click();
  await expect(page.getByText(name)).toHaveCount(0);
  expect((await page.goto(`${base}/goal`))!.status()).toBe(404);
});
