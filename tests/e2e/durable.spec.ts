import { PGlite } from '@electric-sql/pglite';
import { expect, type Page } from '@playwright/test';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { allAlive, test } from './alive';
import { copyOfData, killed, startServer } from './server';
import { baseOf, startSession, studioData } from './steps';

const port = 5193;

/** Sends sets without pause until the server is gone; gives back the ids it confirmed. */
async function sendSets(page: Page, confirmed: string[]): Promise<void> {
  const url = `${page.url()}/sets`;
  for (let n = 0; ; n++) {
    const id = crypto.randomUUID();
    const side = n % 2 === 0 ? 'left' : 'right';
    const log = {
      id,
      setIndex: n % 200,
      exerciseId: 'front_split_on_stack',
      side,
      plannedS: 30,
      actualS: 30,
      clean: true,
      sensation: null,
      felt: null,
      slipped: null,
      setting: {}
    };
    const answer = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: new URL(url).origin },
      body: JSON.stringify(log)
    }).catch(() => null);
    if (!answer) return;
    const result = (await answer.json().catch(() => null)) as { ok: boolean } | null;
    if (!result) return;
    if (result.ok) confirmed.push(id);
    if (confirmed.length >= 200) return; // each place once: nothing was replaced
  }
}

test('a server killed in the middle of logging has lost nothing that it confirmed, and starts again', async ({ browser }) => {
  const dataDir = copyOfData(studioData);
  const { origin, server: first } = await startServer(port, { DATA_DIR: dataDir });
  let server = first;
  try {
    const page = await allAlive(await browser.newContext({ baseURL: origin })).newPage();
    const base = baseOf('Durable');
    await page.goto(`${base}/practise`);
    await startSession(page);

    const confirmed: string[] = [];
    const sending = sendSets(page, confirmed);
    await expect.poll(() => confirmed.length, { intervals: [5] }).toBeGreaterThan(25);
    await killed(server);
    await sending;

    const db = await PGlite.create({ dataDir: join(dataDir, 'database') });
    const { rows } = await db.query<{ id: string }>('select id from set_log');
    await db.close();
    const kept = new Set(rows.map((r) => r.id));
    expect(confirmed.filter((id) => !kept.has(id))).toEqual([]);

    ({ server } = await startServer(port, { DATA_DIR: dataDir })); // takes over the lock of the process that is gone
    await page.goto(`${base}/practise`);
    await expect(page.getByRole('link', { name: 'Go on' })).toBeVisible();
    await page.close();
  } finally {
    await killed(server);
    rmSync(dataDir, { recursive: true, force: true });
  }
});
