import { execFileSync } from 'node:child_process';
import { expect } from '@playwright/test';
import { test } from './alive';
import { axe, baseOf } from './steps';

test('a measure typed while the server is away stays, and is kept once when it is back', async ({ page }) => {
  const base = baseOf('Away Typed');
  await page.goto(`${base}/measure?set=short`);
  await page.getByRole('radio', { name: 'Warmed up' }).click();
  const first = page.getByLabel('Passive reach, left leg in front, trial 1');
  await first.fill('21,5');

  await page.route('**/measure?/save**', (route) => route.abort());
  await page.getByRole('button', { name: 'Keep this measure' }).click();
  await expect(page.getByText(/The studio does not answer. What you typed is still here/)).toBeVisible();
  await expect(first).toHaveValue('21,5');
  await expect(page.getByRole('radio', { name: 'Warmed up' })).toBeChecked();
  await axe(page);

  // Back, and slow: pressed twice, it is sent once.
  let sent = 0;
  await page.unroute('**/measure?/save**');
  await page.route('**/measure?/save**', async (route) => {
    sent++;
    await new Promise((done) => setTimeout(done, 400));
    await route.continue();
  });
  const kept = page.waitForResponse((r) => r.request().method() === 'POST');
  await page.getByRole('button', { name: 'Keep this measure' }).dblclick();
  await kept;
  await page.goto(`${base}/measure?set=short&m=front_split_gap`);
  await expect(page.getByText(/21\.5 cm/).first()).toBeVisible();
  expect(sent).toBe(1);
});

test('a fault of the server is told in the form, which stays', async ({ page }) => {
  await page.goto('/people/new');
  await page.getByLabel('Name', { exact: true }).fill('Nell Harrow');
  await page.route('**/people/new', (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({ status: 413, contentType: 'text/plain', body: 'Payload Too Large' })
      : route.continue()
  );
  await page.getByRole('button', { name: 'Add, then set the goal' }).click();
  await expect(page.getByText(/What you typed is still here/)).toBeVisible();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Nell Harrow');
});

test('another name that leads here, and a page elsewhere, are refused; the machine’s own names work alike', async ({
  request,
  baseURL
}) => {
  const { port, host } = new URL(baseURL!);
  const people = (name: string) => request.get('/people', { headers: { host: name }, failOnStatusCode: false });
  expect((await people('evil.example')).status()).toBe(421);
  expect((await people(host)).headers()).toMatchObject({ 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' });
  expect((await request.get('/favicon.svg')).headers()).toMatchObject({ 'x-content-type-options': 'nosniff' });
  const finish = (origin: string) =>
    request.post('/people/1/practise/1/finish', { headers: { origin }, data: {}, failOnStatusCode: false });
  expect((await finish('http://evil.example')).status()).toBe(403);
  expect((await finish(`http://127.0.0.1:${port}`)).status()).not.toBe(403);
});

test('a body that is no form is the sender’s fault, and a choice that was never offered is shown as none', async ({
  request,
  baseURL
}) => {
  const base = baseOf('Odd');
  const post = (path: string, more: object) =>
    request.post(path, { headers: { origin: baseURL!, accept: 'text/html' }, failOnStatusCode: false, ...more });
  const forms = [
    ['/people/new', 'level'],
    [`${base}/goal?/save&goal=new`, 'kind'],
    [`${base}/goal?/save&goal=new`, 'headline'],
    [`${base}/measure?/save&m=front_split_gap`, 'way'],
    [`${base}/measure?/save&m=front_split_gap`, 'bodyState'],
    [`${base}/check?/topic`, 'stop_0_motion'],
    [`${base}/pain?/tell`, 'kind'],
    [`${base}/pain?/tell`, 'exerciseId'],
    [`${base}/practise?/start`, 'soreness'],
    [`${base}/practise?/start`, 'place'],
    ['/props?/add', 'kind'],
    ['/library/new', 'dial0_kind'],
    ['/library/new', 'position']
  ] as const;
  const ends: string[] = [];
  for (const [path, field] of forms)
    for (const value of ['__proto__', 'no such thing', 'constructor', '']) {
      const form = { topic: 'stops', sessionId: '1', newSymptom: 'yes', [field]: value };
      ends.push(`${path} ${field}=${value}: ${(await post(path, { form })).status()}`);
    }
  const bodies = [
    { data: 'no form at all', headers: { origin: baseURL!, 'content-type': 'text/plain' } },
    { data: '--x\r\nhalf a part', headers: { origin: baseURL!, 'content-type': 'multipart/form-data; boundary=y' } },
    { data: '{"name":', headers: { origin: baseURL!, 'content-type': 'application/json' } }
  ];
  for (const path of [...new Set(forms.map(([p]) => p))])
    for (const body of bodies) {
      const answer = await request.post(path, { ...body, failOnStatusCode: false });
      ends.push(`${path} ${body.headers['content-type']}: ${answer.status()}`);
    }
  expect(ends.filter((end) => / 5\d\d$/.test(end))).toEqual([]);
  expect(ends.filter((end) => end.endsWith(': 400')).length).toBeGreaterThan(bodies.length);
});

test('a page that was shown leaves nothing in the server’s memory', () => {
  const printed = execFileSync(process.execPath, ['scripts/trials/memory.mjs'], {
    env: { ...process.env, WARM: '30', LOADS: '45', PORT: '5312' }
  });
  const { perLoadKb } = JSON.parse(printed.toString().trim().split('\n').at(-1)!) as { perLoadKb: number };
  // A tween that was made on the server held some 700 kB a load; what is left now is the noise of a heap.
  expect(perLoadKb).toBeLessThan(60);
});
