// Long because it is the one list of what a browser test does by name.
import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Locator, type Page, type Request } from '@playwright/test';
import { readFileSync } from 'node:fs';
import type { PersonName } from './people';

/** Collects what a page must never do: log errors, throw, or ask anyone else for anything. */
export function watched(page: Page): { faults: string[] } {
  const faults: string[] = [];
  page.on('console', (m) => m.type() === 'error' && faults.push(`console: ${m.text()}`));
  page.on('pageerror', (e) => faults.push(`page ${page.url()}: ${e.message}`));
  page.on('request', (r) => {
    const { hostname, protocol } = new URL(r.url());
    if (protocol.startsWith('http') && hostname !== 'localhost') faults.push(`third party: ${r.url()}`);
  });
  return { faults };
}

type Studio = Readonly<{ today: string; ids: Readonly<Record<PersonName, number>> }>;
/** The studio the tests begin with, made by scripts/fillTestStudio.mjs. */
const studio = JSON.parse(readFileSync('data/tests/studio/people.json', 'utf8')) as Studio;
export const studioData = 'data/tests/studio/data';

/** The path of somebody in the test studio. */
export const baseOf = (name: PersonName): string => `/people/${studio.ids[name]}`;

export const stamp = (): string => Math.random().toString(36).slice(2, 8);

/** Something a person sent; not the session that the page keeps on the device by itself. */
const isSent = (r: Request): boolean => r.method() === 'POST' && !/practise\/\d+\/keep$/.test(r.url());

/**
 * Presses a button that writes, and waits for the answer: going on at once would leave what is written half-sent. A page that scrolls
 * to its top just then takes the button from under the press: where nothing was sent it is pressed again.
 */
export async function send(
  page: Page,
  button: string | RegExp,
  press = (it: Locator): Promise<void> => it.click()
): Promise<void> {
  for (let times = 0; times < 3; times++) {
    const asked = page.waitForRequest(isSent, { timeout: 8000 }).catch(() => null);
    await press(page.getByRole('button', { name: button }));
    const request = await asked;
    if (!request) continue;
    await request.response();
    return;
  }
  throw new Error(`nothing was sent by "${String(button)}"`);
}

/** One of very many, found by its name. */
export async function choose(page: Page | Locator, label: string, name: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  const wanted = field.page().getByRole('listbox').getByRole('option', { name, exact: true });
  // The list opens once the page is alive.
  await expect(async () => {
    await field.fill(name);
    await wanted.click({ timeout: 2000 });
    await expect(field).toHaveValue(name, { timeout: 500 });
  }).toPass();
}

/** Moves a handle by keyboard, a step a press. */
export async function slideTo(page: Page, label: string, value: number): Promise<void> {
  const handle = page.getByRole('slider', { name: label });
  // The handle moves once the page is alive.
  await expect(async () => {
    await handle.focus();
    const at = Number(await handle.getAttribute('aria-valuenow'));
    for (let i = 0; i < Math.abs(value - at); i++) await page.keyboard.press(value > at ? 'ArrowUp' : 'ArrowDown');
    await expect(handle).toHaveAttribute('aria-valuenow', String(value), { timeout: 500 });
  }).toPass();
}

/** From a path in the address to the client it belongs to. */
export const clientBase = (page: Page): string => /\/people\/\d+/.exec(page.url())![0];

export async function addClient(page: Page, name: string, more: Record<string, string> = {}): Promise<void> {
  await page.goto('/people/new');
  await page.getByText('What can wait').click();
  const fields = {
    Name: name,
    'Year of birth': '1990',
    'Height cm': '170',
    'Left leg cm': '90',
    'Right leg cm': '89,5',
    'Sessions a week': '3',
    'Minutes a session': '45'
  };
  for (const [label, value] of Object.entries({ ...fields, ...more })) await page.getByLabel(label, { exact: true }).fill(value);
  await page.getByText('Intermediate', { exact: true }).click();
  await page.getByRole('button', { name: 'Add, then set the goal' }).click();
  await expect(page.getByRole('heading', { name: /^The goal/ })).toBeVisible();
}

/** Opens the goal of this name among the tiles; a single range stands there by the name of its motion. */
export async function openGoal(page: Page, name: string): Promise<void> {
  const tile = name.replace(/^Range: (.)/, (_, first: string) => first.toUpperCase());
  await page.getByRole('main').getByRole('link', { name: tile, exact: true }).click();
  await expect(page.getByRole('heading', { name: `The goal: ${name.toLowerCase()}` })).toBeVisible();
}

/** Sets a front split from its tile. Returns the number of taps it took. */
export async function setGoal(page: Page, lead: 'Left' | 'Right' = 'Left'): Promise<number> {
  await openGoal(page, 'Front split');
  await page.getByText(`${lead} in front`, { exact: true }).click();
  await page.getByRole('button', { name: 'Set the goal' }).click();
  await expect(page.getByRole('heading', { name: 'Any of these now?' })).toBeVisible();
  return 3;
}

/** Titles of the cards of the check that are answered with "none of these". */
const tickCards = [
  'Any of these now?',
  'Injury, surgery, strain',
  'The joints of the goal',
  'Joints: hip and knee',
  'Very mobile joints',
  'Pregnancy and after birth',
  'Spine, nerves, bones',
  'Pressure, eyes, medicines'
];

/** Taps on the way here, for the tests that begin further on: a goal from its tile with where it ends; and the whole check. */
export const tapsToGoal = 3;
export const tapsToClearance = tapsToGoal + tickCards.length + 6;

/** Answers the rest of the conversation as one whom nothing ails. Gives the number of taps it took. */
export async function passCheck(page: Page, from = 0): Promise<number> {
  const card = (title: string) => expect(page.getByRole('heading', { name: title })).toBeVisible();
  for (const title of tickCards.slice(from)) {
    await card(title);
    await send(page, 'None of these');
  }
  await card('Touch, teaching, first times');
  for (const [question, answer] of [
    ['Do they consent to hands-on help?', 'Yes'],
    ['Were they taught press and draw, the two-phase isometric?', 'Yes'],
    ['Is it their first attempt at a deep position?', 'No']
  ] as const)
    await page.getByRole('radiogroup', { name: question }).getByText(answer, { exact: true }).click();
  await page.getByRole('button', { name: 'Next' }).click();
  await card('Their week');
  await page.getByRole('button', { name: 'Next' }).click();
  await card('Caps');
  await page.getByRole('button', { name: 'Save answers' }).click();
  await expect(page.getByRole('heading', { name: 'Cleared to train' })).toBeVisible();
  return tickCards.length - from + 3 + 1 + 1 + 1;
}

/** Two trials a side of the gap of the split, what is reached and what is held. */
export async function measure(page: Page, leftCm: [string, string], rightCm: [string, string]): Promise<void> {
  await page.goto(`${clientBase(page)}/measure?set=short`);
  await page.getByText('Warmed up', { exact: true }).click();
  for (const [side, values] of [
    ['left', leftCm],
    ['right', rightCm]
  ] as const)
    for (const [i, value] of values.entries())
      await page.getByLabel(`Passive reach, ${side} leg in front, trial ${i + 1}`, { exact: false }).fill(value);
  await page.getByLabel('Active hold, left leg in front, trial 1').fill('29');
}

export async function chooseStacks(page: Page): Promise<void> {
  for (const side of ['Left', 'Right']) {
    await page.getByRole('radio', { name: `${side} leads` }).click();
    await page.getByRole('button', { name: /^Use .* cm$/ }).click();
    await expect(page.getByRole('button', { name: 'In use', exact: true })).toBeVisible();
  }
}

/** The three taps before a session, all well. */
export async function readyToStart(page: Page): Promise<void> {
  await page.getByRole('radiogroup', { name: 'A new pain, illness or symptom?' }).getByText('No', { exact: true }).click();
  await page
    .getByRole('radiogroup', { name: /How sore is the region/ })
    .getByText('1', { exact: true })
    .click();
}

export async function startSession(page: Page): Promise<void> {
  await readyToStart(page);
  await page.getByRole('button', { name: 'Start the session' }).click();
  await page.waitForURL(/practise\/\d+$/);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
}

/** Starts the next session of somebody, with a clock that is run ahead by the test. */
export async function startAhead(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/practise`);
  await page.clock.install();
  await startSession(page);
}

/** On Practise, all said before it: the session was done already, and is written down; one set was not as planned unless it is clean. */
export async function writeDown(page: Page, isClean = true): Promise<void> {
  await page.getByText('It was done already: write it down').click();
  await page.getByRole('button', { name: 'Everything as planned' }).click();
  if (!isClean) await page.getByText('Not quite', { exact: true }).first().click();
  await page.getByRole('button', { name: 'Keep it as done' }).click();
  await page.waitForURL(/\/review$/);
}

/** Skips through the phases until the set asks how it was, or the session is over. */
export async function skipToQuestion(page: Page): Promise<'question' | 'over'> {
  const question = page.getByRole('button', { name: /^As planned/ });
  const over = page.getByRole('heading', { name: 'Done' });
  const skip = page.getByRole('button', { name: 'Skip', exact: true });
  for (let i = 0; i < 200; i++) {
    if (await over.isVisible()) return 'over';
    if (await question.isVisible()) return 'question';
    if (await skip.isVisible()) await skip.click();
  }
  throw new Error('the set did not end');
}

/** Nothing that the accessibility rules object to. No page holds another: a run in one piece needs no second page to put it together. */
export async function axe(page: Page, rules?: string[]): Promise<void> {
  const builder = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  const { violations } = await (rules ? builder.withRules(rules) : builder).analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
}
