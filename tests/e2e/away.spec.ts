import { expect, type Page } from '@playwright/test';
import { test } from './alive';
import { axe, baseOf, clientBase, readyToStart, skipToQuestion } from './steps';

// What a device does where no server answers. The application's own worker is let in here.
test.use({ serviceWorkers: 'allow' });

/** Opens Practise until the session is kept on this device and the application with it. */
async function keepSession(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/practise`);
  await expect(page.getByText('Kept on this device for today and tomorrow')).toBeVisible();
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
}

/** Letters that this device still has. */
const waiting = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((tell, fail) => {
        const opening = indexedDB.open('calm-reach');
        opening.onerror = () => fail(new Error('no database'));
        opening.onsuccess = () => {
          const counting = opening.result.transaction('letters').objectStore('letters').count();
          counting.onsuccess = () => {
            opening.result.close();
            tell(counting.result);
          };
        };
      })
  );
const allArrived = (page: Page) => expect.poll(() => waiting(page)).toBe(0);

test('a session that was opened once starts, is played and ends without a server; all of it arrives once', async ({
  page,
  context
}) => {
  const base = baseOf('Away Whole');
  await keepSession(page, base);
  await context.setOffline(true);

  // Whatever is opened leads to what this device holds.
  await page.goto(`${base}/practise`);
  await expect(page.getByRole('heading', { name: 'Kept on this device' })).toBeVisible();
  await axe(page);
  await page.getByRole('link', { name: 'Open' }).click();
  await expect(page.getByRole('heading', { name: 'Stop signs' })).toBeVisible();
  await page.getByRole('button', { name: 'Start the session' }).click();
  await expect(page.getByText('Answer this first')).toBeVisible();
  await axe(page);
  await readyToStart(page);
  await page.getByRole('button', { name: 'Start the session' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await skipToQuestion(page);
  await page.getByRole('button', { name: /^As planned/ }).click();
  await skipToQuestion(page);
  const second = await page.getByRole('heading', { level: 1 }).textContent();

  // The browser is closed and opened again: the place and the question are still there.
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(second!);
  await page.getByRole('button', { name: /^As planned/ }).click();
  await expect(page.getByText(/kept here, waiting for the connection/)).toBeVisible();
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('button', { name: 'End here' }).click();
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.getByRole('heading', { name: 'Done' })).toBeVisible();
  await page.goto('/people');
  await expect(page.getByText(/week 1, session 1: 1 start, \d+ sets, 1 end/)).toBeVisible();
  await expect(page.getByText('None. A session is kept here')).toBeVisible();

  await context.setOffline(false);
  await page.getByRole('link', { name: 'Try the studio again' }).click();
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
  await allArrived(page);
  await page.goto(`${base}/review`);
  await expect(page.getByText(/week 1, session 1/i).first()).toBeVisible();
  await page.goto(`${base}/practise`);
  await expect(page.getByRole('heading', { name: 'Week 1, session 2' })).toBeVisible();
});

test('a pain told without a server keeps what it stops out of the session, and locks once it arrives', async ({
  page,
  context
}) => {
  const base = baseOf('Away Pain');
  await keepSession(page, base);
  await context.setOffline(true);
  await page.getByRole('link', { name: 'Start it without a connection' }).click();
  await readyToStart(page);
  await page.getByRole('button', { name: 'Start the session' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await skipToQuestion(page);
  const hurt = await page.getByRole('heading', { level: 1 }).textContent();
  await page.getByRole('button', { name: 'Pain' }).click();
  await page.getByRole('button', { name: 'Knee, left', exact: true }).click();
  await page.getByRole('button', { name: 'Pain in the joint' }).click();
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(hurt!);
  const next = await page.getByRole('heading', { level: 1 }).textContent();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(next!);
  await context.setOffline(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByText(/waiting for the connection/)).toBeHidden();
  await allArrived(page);
  await page.goto(`${base}/pain`);
  await expect(page.getByRole('listitem').filter({ hasText: /pain in the joint/i })).toBeVisible();
});

test('a new symptom holds the session up without a server as well, for good', async ({ page, context }) => {
  const base = baseOf('Away Symptom');
  await keepSession(page, base);
  await context.setOffline(true);
  await page.getByRole('link', { name: 'Start it without a connection' }).click();
  await page.getByRole('radiogroup', { name: 'A new pain, illness or symptom?' }).getByText('Yes', { exact: true }).click();
  await page.getByLabel('Where').selectOption({ label: 'Groin' });
  await page.getByRole('radiogroup', { name: 'Which side' }).getByText('Left', { exact: true }).click();
  await page.getByLabel('What kind').selectOption({ label: 'Sharp or sudden, a pop' });
  await page
    .getByRole('radiogroup', { name: /How sore is the region/ })
    .getByText('1', { exact: true })
    .click();
  await page.getByRole('button', { name: 'Start the session' }).click();
  await expect(page.getByRole('alert').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start the session' })).toBeHidden();
  await page.reload();
  await expect(page.getByText('may not start today')).toBeVisible();
  await context.setOffline(false);
  await page.goto('/people');
  await allArrived(page);
  await page.goto(`${base}/check`);
  await expect(page.getByRole('heading', { name: 'Left hip is locked' })).toBeVisible();
  expect(clientBase(page)).toBe(base);
});
