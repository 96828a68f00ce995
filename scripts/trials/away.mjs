// The studio is killed while somebody types: a measure, a pain, and a set in the player. It comes back, and each is kept once.
// Pictures of what the person sees go to test-results/away.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { launchBrowser } from '../browser.mjs';
import { demoStudio, readRows, sendForm, startStudio, tell, today } from './studio.mjs';

const port = 5328;
const out = 'test-results/away';
mkdirSync(out, { recursive: true });
const dataDir = await demoStudio('typing', port);
const { sessions } = await readRows(dataDir, {
  sessions: `select s.id, g.client_id as "clientId" from session s join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id
             where s.status = 'planned' and g.kind = 'front_split' order by s.planned_on, s.id`
});
let studio = await startStudio(dataDir, port);
const browser = await launchBrowser();
const page = await browser.newPage({ baseURL: studio.origin, viewport: { width: 390, height: 844 }, reducedMotion: 'reduce' });
const open = async (path) => {
  await page.goto(path);
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
};
const shoot = (name) => page.screenshot({ path: join(out, `${name}.png`) });
const back = async () => (studio = await startStudio(dataDir, port));
const isTold = (text) =>
  page
    .getByText(text)
    .first()
    .waitFor({ timeout: 10_000 })
    .then(
      () => true,
      () => false
    );
const answered = (path) =>
  page.waitForResponse((r) => r.request().method() === 'POST' && r.url().includes(path) && r.status() < 400);

// Whoever may practise today.
let session;
for (session of sessions) {
  const taps = { newSymptom: 'no', soreness: '0', answer: 'accept', reason: '', overdueCheck: 'on', sameDay: 'on' };
  const begun = await sendForm(studio.origin, `/people/${session.clientId}/practise?/start`, {
    sessionId: String(session.id),
    ...taps
  });
  if (begun.type === 'redirect') break;
}
const base = `/people/${session.clientId}`;
const seen = {};

await open(`${base}/measure?set=short&m=front_split_gap`);
await page.locator('label').filter({ hasText: 'Warmed up' }).click();
const typed = page.getByLabel('Passive reach, left leg in front, trial 1');
await typed.fill('21,5');
await studio.kill();
await page.getByRole('button', { name: 'Keep this measure' }).click();
seen.measureTold = await isTold(/What you typed is still here/);
seen.measureStays = (await typed.inputValue()) === '21,5';
await shoot('measure');
await back();
await Promise.all([answered('/measure'), page.getByRole('button', { name: 'Keep this measure' }).click()]);

await open(`${base}/pain`);
await page.getByLabel('What kind').selectOption({ label: 'Stretch too strong' });
await page.getByLabel('In their words').fill('trial typing');
await studio.kill();
await page.getByRole('button', { name: 'Keep it' }).click();
seen.painTold = await isTold(/What you typed is still here/);
seen.painStays = (await page.getByLabel('In their words').inputValue()) === 'trial typing';
await shoot('pain');
await back();

await open(`${base}/practise/${session.id}`);
await page.getByRole('button', { name: 'Start', exact: true }).click();
const clean = page.getByRole('button', { name: /^Clean/ });
for (const skip = page.getByRole('button', { name: 'Skip' }); !(await clean.isVisible());)
  if (await skip.isVisible()) await skip.click();
await studio.kill();
await clean.click();
seen.setWaits = await isTold(/1 kept here, waiting for the connection/);
await shoot('player');
await back();
seen.setArrived = await page
  .getByText(/waiting for the connection/)
  .waitFor({ state: 'hidden' })
  .then(
    () => true,
    () => false
  );
await browser.close();
await studio.stop();
const kept = await readRows(dataDir, {
  occasions: `select o.id from occasion o join trial t on t.occasion_id = o.id where t.entries->>'heightCm' = '21.5'
              and o.client_id = ${session.clientId} and o.taken_on = '${today()}'`,
  sets: `select id from set_log where session_id = ${session.id} and clean`
});
const [measures, sets] = [kept.occasions.length, kept.sets.length];
tell({ ...seen, measures, sets }, Object.values(seen).every(Boolean) && measures === 1 && sets === 1);
