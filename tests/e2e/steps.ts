// Long because it is the one list of what a browser test does by name.
import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Locator, type Page, type Request } from '@playwright/test';

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

/** Sets a goal by its name, at a stage of it; gives the taps it took. */
export async function chooseGoal(page: Page, name: string, stage?: string): Promise<number> {
  await openGoal(page, name);
  let taps = 2;
  if (stage) {
    await page.locator('select[name=stage]').selectOption({ label: stage });
    taps++;
  }
  if (await page.getByText('Flat', { exact: true }).isVisible()) {
    await page.getByText('Flat', { exact: true }).click();
    taps++;
  }
  await page.getByRole('button', { name: 'Set the goal' }).click();
  await expect(page.getByRole('heading', { name: 'Any of these now?' })).toBeVisible();
  return taps;
}

export async function setGoal(page: Page, lead: 'Left' | 'Right' = 'Left'): Promise<void> {
  await openGoal(page, 'Front split');
  await page.getByText(`${lead} in front`, { exact: true }).click();
  await page.getByRole('button', { name: 'Set the goal' }).click();
  await expect(page.getByRole('heading', { name: 'Any of these now?' })).toBeVisible();
}

/** Titles of the cards of the check that are answered with "none of these". */
const tickCards = [
  'Any of these now?',
  'Injury, surgery, strain',
  'Joints: hip and knee',
  'Very mobile joints',
  'Pregnancy and after birth',
  'Spine, nerves, bones',
  'Pressure, eyes, medicines'
];

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

/** The shelf of the tests, put in once by the first test that needs it. */
export async function fillShelf(page: Page): Promise<void> {
  await page.goto('/props');
  if (await page.getByRole('heading', { name: 'Test book' }).isVisible()) return;
  for (const [name, height, depth, width, count] of [
    ['Test block', '10', '15', '23', '4'],
    ['Test book', '2,5', '16', '23', '3']
  ] as const) {
    if (await page.getByRole('heading', { name }).isVisible()) continue;
    const form = page.getByRole('complementary');
    await form.getByLabel('Name').fill(name);
    await form.getByLabel('Height cm').fill(height);
    await form.getByLabel('Depth cm').fill(depth);
    await form.getByLabel('Width cm').fill(width);
    await form.getByLabel('How many').fill(count);
    if (name === 'Test book') await form.getByLabel('It may stand any way up').uncheck();
    await form.getByRole('button', { name: 'Put it on the shelf' }).click();
    await expect(page.getByRole('heading', { name })).toBeVisible();
    await expect(form.getByLabel('Name')).toHaveValue('');
  }
}

/** Sends a form as its page would, without the page: for what is only the way to what a test is about. Gives where it leads. */
async function post(page: Page, path: string, form: Record<string, string>): Promise<string> {
  const { origin } = new URL(page.url());
  const headers = { origin, accept: 'application/json', 'x-sveltekit-action': 'true' };
  const answer = await page.request.post(path, { form, headers });
  const { type, location, data } = (await answer.json()) as { type: string; location?: string; data?: string };
  expect(type, `${path}: ${data ?? ''}`).not.toMatch(/failure|error/);
  return location ?? '';
}

/** Cards of the check that are answered by ticking, in their order. */
const tickTopics = ['now', 'injury', 'joints', 'mobility', 'stops', 'birth', 'back', 'heart', 'age'];

/** A client with a plan, ready to practise. The forms are sent without their pages: the first path is walked whole in a test of its own. */
export async function readyToPractise(
  page: Page,
  name: string,
  more: Partial<Record<'minutesPerSession' | 'birthYear' | 'leftLegCm' | 'rightLegCm', string>> = {}
): Promise<string> {
  await fillShelf(page);
  const person = {
    ...{ name, birthDate: '', birthYear: '1990', level: 'intermediate', contact: '', statureCm: '170' },
    ...{ leftLegCm: '90', rightLegCm: '89,5', sessionsPerWeek: '3', minutesPerSession: '45', notes: '' }
  };
  const base = /\/people\/\d+/.exec(await post(page, '/people/new', { ...person, ...more }))![0];
  await post(page, `${base}/goal?/save`, { kind: 'front_split', leadSide: 'left', aim: 'flat' });
  for (const topic of tickTopics) await post(page, `${base}/check?/topic`, { topic, none: 'on' });
  const touch = { answer_no_touch: 'yes', answer_untaught: 'yes', answer_first_attempt: 'no' };
  await post(page, `${base}/check?/topic`, { topic: 'touch', ...touch });
  await post(page, `${base}/check?/topic`, { topic: 'week' });
  await post(page, `${base}/check?/topic`, { topic: 'caps', effortCapPct: '60', sensationCap: '4' });
  const cm = { left_passive_1_heightCm: '22', left_passive_2_heightCm: '21', left_held_1_heightCm: '29' };
  await post(page, `${base}/measure?/save&m=front_split_gap&set=short`, {
    ...{ takenOn: new Date().toLocaleDateString('sv'), bodyState: 'warm', way: 'tape', ...cm },
    ...{ right_passive_1_heightCm: '24', right_passive_2_heightCm: '25' }
  });
  await page.goto(`${base}/plan`);
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Down to the floor' })).toBeVisible();
  return base;
}

/** The three taps before a session, all well. */
export async function readyToStart(page: Page): Promise<void> {
  await page.getByRole('radiogroup', { name: 'A new pain, illness or symptom?' }).getByText('No', { exact: true }).click();
  await page
    .getByRole('radiogroup', { name: /How sore is the region/ })
    .getByText('1', { exact: true })
    .click();
}

/** Every number that neither exercise nor school gives, set to the least its dial has. */
export async function setAsked(page: Page): Promise<void> {
  const asked = page.getByRole('region', { name: 'Numbers to set first' });
  for (let i = 0; i < 20 && (await asked.isVisible()); i++) {
    const form = asked.locator('form').first();
    const [least] = /\d+/.exec((await form.getByText(/\d+ to \d+/).textContent())!)!;
    const before = await asked.locator('form').count();
    await form.getByRole('textbox').fill(least);
    await form.getByRole('button', { name: 'Set' }).click();
    await expect(asked.locator('form')).toHaveCount(before - 1);
  }
}

export async function startSession(page: Page): Promise<void> {
  await readyToStart(page);
  await page.getByRole('button', { name: 'Start the session' }).click();
  await page.waitForURL(/practise\/\d+$/);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
}

/** Skips through the phases until the set asks how it was, or the session is over. */
export async function skipToQuestion(page: Page): Promise<'question' | 'over'> {
  const question = page.getByRole('button', { name: /^As planned/ });
  const over = page.getByRole('heading', { name: 'Done' });
  const skip = page.getByRole('button', { name: 'Skip' });
  for (let i = 0; i < 200; i++) {
    if (await over.isVisible()) return 'over';
    if (await question.isVisible()) return 'question';
    if (await skip.isVisible()) await skip.click();
  }
  throw new Error('the set did not end');
}

/** Nothing that the accessibility rules object to. */
export const axe = async (page: Page, rules?: string[]) =>
  expect(
    (await (rules ? new AxeBuilder({ page }).withRules(rules) : new AxeBuilder({ page })).analyze()).violations.map(
      (v) => `${v.id}: ${v.nodes[0]?.html}`
    )
  ).toEqual([]);
