// The figures of the player; part of npm run bench.
import { spawn } from 'node:child_process';

/** Starts the session of `oda` and watches it run; then one of `corvin` without a connection. */
export async function benchPlayer({ browser, page, origin, oda, corvin, say, ms, bySize, scriptKb }) {
  await page.goto(`${oda}/practise`);
  await page.getByRole('radiogroup', { name: 'A new pain, illness or symptom?' }).getByText('No', { exact: true }).click();
  await page
    .getByRole('radiogroup', { name: /How sore/ })
    .getByText('1', { exact: true })
    .click();
  // What is asked of a set waits for the end, so that time runs on.
  await page.evaluate((id) => localStorage.setItem(`calm-reach/ask/${id}`, JSON.stringify('the session')), oda.split('/').at(-1));
  await page.getByRole('button', { name: 'Start the session' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  const playerUrl = page.url();
  say('client JavaScript of the player', await scriptKb((p) => p.goto(playerUrl)));

  // Frames of the player while time runs, effort curve and clock moving.
  const played = bySize(
    await page.evaluate(
      () =>
        new Promise((resolve) => {
          const spans = [];
          let last = performance.now();
          const tick = (now) => {
            spans.push(now - last);
            last = now;
            if (spans.length < 600) requestAnimationFrame(tick);
            else resolve(spans);
          };
          requestAnimationFrame(tick);
        })
    )
  );
  say(
    'player: a frame while it plays, median and 99 of 100',
    `${ms(played[Math.floor(played.length / 2)])}, ${ms(played[Math.floor(played.length * 0.99)])}`
  );

  // The player against schedule, with two other processes busy all the while: when each second of the session is shown, over half an hour of
  // one whose questions wait for its end.
  const minutes = Number(process.env.CUE_MINUTES ?? 30);
  const busy = [1, 2].map(() => spawn(process.execPath, ['-e', 'for (;;) Math.sqrt(Math.random());'], { stdio: 'ignore' }));
  const late = await page.evaluate(
    (forMs) =>
      new Promise((resolve) => {
        const header = document.querySelector('header p.text-right');
        const secondShown = () => /(\d+):(\d\d) of/.exec(header.textContent)?.slice(1).map(Number);
        const marks = [];
        new MutationObserver(() => {
          const [min, s] = secondShown() ?? [];
          if (min === undefined) return;
          const at = 60 * min + s;
          if (at !== marks.at(-1)?.at) marks.push({ at, shown: performance.now() });
        }).observe(header, { childList: true, characterData: true, subtree: true });
        // Late against the earliest of all, so that a late first one is not what the others are held against.
        setTimeout(() => {
          const offsets = marks.map(({ at, shown }) => shown - 1000 * at);
          const earliest = Math.min(...offsets);
          resolve(offsets.map((o) => o - earliest));
        }, forMs);
      }),
    minutes * 60_000
  );
  for (const child of busy) child.kill();
  const byLate = bySize(late);
  say(
    `player: seconds of the session shown late over ${minutes} minutes, median, 99 of 100 and worst`,
    `${ms(byLate[Math.floor(byLate.length / 2)])}, ${ms(byLate[Math.floor(byLate.length * 0.99)])}, ${ms(byLate.at(-1))} of ${byLate.length}`
  );

  // A session that this device keeps, opened and begun where no server answers.
  const away = await browser.newContext({ baseURL: origin, viewport: { width: 1280, height: 800 } });
  const awayPage = await away.newPage();
  await awayPage.goto(`${corvin}/practise`);
  await awayPage.getByText('Kept on this device').waitFor({ timeout: 60_000 });
  await awayPage.evaluate(async () => void (await navigator.serviceWorker.ready));
  await away.setOffline(true);
  const asked = performance.now();
  await awayPage.goto(`${corvin}/practise`);
  await awayPage.getByRole('link', { name: 'Open' }).click();
  await awayPage.getByRole('button', { name: 'Start the session' }).waitFor();
  say('without a connection: from the address to what is asked before a session', ms(performance.now() - asked));
  await awayPage.getByRole('radiogroup', { name: 'A new pain, illness or symptom?' }).getByText('No', { exact: true }).click();
  await awayPage
    .getByRole('radiogroup', { name: /How sore/ })
    .getByText('1', { exact: true })
    .click();
  const begun = performance.now();
  await awayPage.getByRole('button', { name: 'Start the session' }).click();
  await awayPage.getByRole('button', { name: 'Start', exact: true }).waitFor();
  say('without a connection: from the start to the player', ms(performance.now() - begun));
}
