import {
  closeSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openAsBlob,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
  writeSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, inject, test, vi } from 'vitest';
import { openEmbedded, type Database } from './db';
import { migrate, migrations } from './migrate';
import { kept, snapshotsOf, type Snapshot } from './snapshots';
import { openStudio, type Studio } from './openStudio';
import { newPerson } from '../testing/people';

/** A studio with one snapshot, of the time when Nell Harrow alone was in it; Ada Finch came after. */
let made: string;
let dataDir: string;
const said: string[] = [];
const say = (text: string) => void said.push(text);

/** Opens, looks, closes; `until` runs before it is closed. */
async function peopleIn(restore?: string, until: (studio: Studio) => void | Promise<void> = () => undefined): Promise<string[]> {
  const studio = await openStudio({ dataDir, restore }, say);
  const { rows } = await studio.db.query('select name from client order by id');
  await until(studio);
  await studio.close();
  return rows.map((r) => (r as { name: string }).name);
}

beforeAll(async () => {
  made = mkdtempSync(join(tmpdir(), 'calm-reach-made-'));
  const image = await openAsBlob(inject('images').empty.path);
  const db = await openEmbedded({ dataDir: join(made, 'database'), image });
  await newPerson(db, 'Nell Harrow');
  await snapshotsOf(made).take('daily', new Date(), db.whileStill);
  await newPerson(db, 'Ada Finch');
  await db.close();
  dataDir = join(made, '..', `${made.split('/').at(-1)}-used`);
});
afterAll(() => [made, dataDir].forEach((dir) => rmSync(dir, { recursive: true, force: true })));

const anew = () => {
  rmSync(dataDir, { recursive: true, force: true });
  cpSync(made, dataDir, { recursive: true });
  said.length = 0;
};
/** Overwrites a page of a file with what no page is. */
function overwrite(path: string, at: number): void {
  const file = openSync(path, 'r+');
  writeSync(file, Buffer.alloc(8192, 7), 0, 8192, at);
  closeSync(file);
}
const inDatabase = (...path: string[]) => join(dataDir, 'database', ...path);

describe('data that are damaged', () => {
  const damages: readonly [what: string, run: () => void][] = [
    ['without the file that says where to begin', () => truncateSync(inDatabase('global', 'pg_control'), 0)],
    ['without their version, which PGlite would take for a new directory', () => rmSync(inDatabase('PG_VERSION'))],
    ['without their log of changes', () => rmSync(inDatabase('pg_wal'), { recursive: true })],
    ['gone altogether', () => rmSync(inDatabase(), { recursive: true })],
    [
      'overwritten inside',
      () => {
        const folder = inDatabase('base', '5');
        const tables = readdirSync(folder).filter((name) => Number(name) > 16384);
        for (const name of tables) writeFileSync(join(folder, name), Buffer.alloc(8192, 9));
      }
    ]
  ];

  test.each(damages)('%s: the newest snapshot stands in, and that is said', async (_, damage) => {
    anew();
    damage();
    const names = await peopleIn(undefined, ({ restored }) => expect(restored?.damagedDir).toMatch(/database-damaged-/));
    expect(names).toEqual(['Nell Harrow']);
    expect(said.join()).toMatch(/could not be opened .+ stands in for them/);
  });

  const tableFile = async (name: string): Promise<string> => {
    const db = await openEmbedded({ dataDir: inDatabase() });
    const { rows } = await db.query('select pg_relation_filepath($1::regclass) as path', [name]);
    await db.close();
    return inDatabase((rows[0] as { path: string }).path);
  };

  // What counting rows does not notice: found by reading every table by its keys, after an end without a close.
  test.each([
    ['a table that is cut at a page', 'client', (path: string) => truncateSync(path, 0)],
    ['a page of an index that is overwritten', 'client_pkey', (path: string) => overwrite(path, 8192)]
  ])('%s stands out after a kill, and a snapshot stands in', async (_, name, damage) => {
    anew();
    damage(await tableFile(name));
    expect(await peopleIn()).toEqual(['Nell Harrow']);
    expect(said.join()).toMatch(/could not be opened .+ stands in for them/);
  });

  test('what was closed well is not read through by every key at the next start', async () => {
    anew();
    await peopleIn();
    expect(existsSync(join(dataDir, 'closed'))).toBe(true);
    const { db, close } = await openStudio({ dataDir }, say);
    expect(existsSync(join(dataDir, 'closed'))).toBe(false);
    const { rows } = await db.query(`select 1 from pg_extension where extname = 'amcheck'`);
    expect(rows).toEqual([]);
    await close();
  });

  test('who stood still while another took the data writes and confirms nothing more', async () => {
    anew();
    const end = vi.fn();
    const studio = await openStudio({ dataDir, end }, say);
    const lockPath = join(dataDir, 'calm-reach.lock');
    writeFileSync(lockPath, readFileSync(lockPath, 'utf8').replace(/"token":"[^"]+"/, '"token":"other"'));
    await vi.waitFor(() => expect(end).toHaveBeenCalled(), 3000);
    vi.useFakeTimers({ now: Date.now() + 10_000, toFake: ['Date'] });
    await expect(newPerson(studio.db, 'Too Late')).rejects.toThrow(/held by another process/);
    vi.useRealTimers();
    expect(said.join()).toMatch(/taken over by another Calm Reach while this one stood still/);
    await studio.close().catch(() => undefined);
  });

  test('it is told again at each start until somebody has read it', async () => {
    anew();
    writeFileSync(join(dataDir, 'restored.json'), JSON.stringify({ takenAt: '2026-03-02T21:04:00.000Z', damagedDir: 'there' }));
    await peopleIn(undefined, ({ restored }) => expect(restored?.damagedDir).toBe('there'));
    await peopleIn(undefined, async (studio) => {
      await studio.restoredRead();
      expect(studio.restored).toBeNull();
    });
    await peopleIn(undefined, ({ restored }) => expect(restored).toBeNull());
  });

  test('without a snapshot that opens nothing is changed, and it says so', async () => {
    anew();
    for (const name of readdirSync(join(dataDir, 'snapshots'))) writeFileSync(join(dataDir, 'snapshots', name), 'no archive');
    truncateSync(inDatabase('global', 'pg_control'), 0);
    await expect(openStudio({ dataDir }, say)).rejects.toThrow(/no snapshot that opens\. Nothing was changed/);
    expect(readdirSync(dataDir).sort()).toEqual(['database', 'snapshots']);
  });
});

describe('going back', () => {
  test('by command the snapshot is there again, and going back can be taken back', async () => {
    anew();
    expect(await peopleIn()).toEqual(['Nell Harrow', 'Ada Finch']);
    const [daily] = await snapshotsOf(dataDir).list();
    expect(await peopleIn(daily!.name)).toEqual(['Nell Harrow']);
    const before = (await snapshotsOf(dataDir).list()).find((s) => s.occasion === 'restore');
    expect(await peopleIn(before!.name)).toEqual(['Nell Harrow', 'Ada Finch']);
  });

  test('cut off by a kill it is done whole at the next start', async () => {
    anew();
    const [daily] = await snapshotsOf(dataDir).list();
    // As a kill leaves it: the old data are gone, those of the snapshot half unpacked.
    writeFileSync(join(dataDir, 'restoring'), daily!.name);
    rmSync(inDatabase(), { recursive: true });
    mkdirSync(join(dataDir, 'database-trial', 'base'), { recursive: true });
    expect(await peopleIn(undefined, ({ restored }) => expect(restored).toBeNull())).toEqual(['Nell Harrow']);
    expect(said.join()).toMatch(/cut off; it is done again/);
    expect(readdirSync(dataDir).filter((f) => /trial|restoring/.test(f))).toEqual([]);
  });

  test('where the data are gone altogether', async () => {
    anew();
    rmSync(inDatabase(), { recursive: true });
    expect(await peopleIn('newest', ({ restored }) => expect(restored).toBeNull())).toEqual(['Nell Harrow']);
  });

  test('to one that is not there: the ones that are there are named, and nothing is changed', async () => {
    anew();
    await expect(openStudio({ dataDir, restore: 'yesterday' }, say)).rejects.toThrow(
      /no snapshot "yesterday" .+ There are: .+-daily\.tar\.gz/
    );
    expect(await peopleIn()).toEqual(['Nell Harrow', 'Ada Finch']);
  });
});

test('a change of the schema is preceded by a snapshot, unless there was nothing yet', async () => {
  anew();
  const fresh = await openStudio({ dataDir: join(dataDir, 'fresh') }, say);
  await fresh.close();
  expect(existsSync(join(dataDir, 'fresh', 'snapshots'))).toBe(false);

  const db = await openEmbedded({ dataDir: inDatabase() });
  for (const step of ['drop schema public cascade', 'create schema public']) await db.query(step);
  await migrate(db, migrations.slice(0, 1));
  await db.close();
  await (await openStudio({ dataDir }, say)).close();
  expect((await snapshotsOf(dataDir).list()).map((s) => s.occasion)).toContain('migration');
  expect(said).toContain(`database: ${migrations.length - 1} migrations applied`);
});

test('of the files as they were when it was opened, and the log alone since then, everything confirmed is there', async () => {
  anew();
  const disk = join(dataDir, 'disk');
  const db = await openEmbedded({ dataDir: inDatabase() });
  cpSync(inDatabase(), disk, { recursive: true });
  for (let i = 0; i < 40; i++) await newPerson(db, `Person ${i}`);
  await db.transaction(async (tx) => void (await tx.query(`update client set notes = 'kept' where name = 'Person 39'`)));
  // What a power cut leaves: only what was forced to the disk.
  cpSync(inDatabase('pg_wal'), join(disk, 'pg_wal'), { recursive: true });
  await db.close();
  const again = await openEmbedded({ dataDir: disk });
  const { rows } = await again.query(`select count(*) as n, max(notes) as notes from client where name like 'Person %'`);
  await again.close();
  expect(rows).toEqual([{ n: 40, notes: 'kept' }]);
});

test('a snapshot that is taken while people are written in pairs has whole pairs', async () => {
  anew();
  const snapshots = snapshotsOf(dataDir);
  const db = await openEmbedded({ dataDir: inDatabase() });
  const pairs = Array.from({ length: 60 }, (_, i) => `Pair ${i}`);
  const writing = (async () => {
    for (const name of pairs)
      await db.transaction(async (tx) => {
        for (const end of ['left', 'right']) await newPerson(tx as Database, `${name} ${end}`);
      });
  })();
  const taken = await snapshots.take('daily', new Date(Date.now() + 1000), db.whileStill);
  await writing;
  await db.close();
  await snapshots.unpack(taken, inDatabase('..', 'again'));
  const again = await openEmbedded({ dataDir: inDatabase('..', 'again') });
  const { rows } = await again.query(`select count(*) as n, mod(count(*), 2) as odd from client where name like 'Pair %'`);
  await again.close();
  expect(rows).toMatchObject([{ odd: 0 }]);
  // It was taken in the middle, and the writing went on.
  expect((rows[0] as { n: number }).n).toBeLessThan(2 * pairs.length);
});

test('at a clean stop what has changed is in a snapshot; an empty studio has none, nor one in which nothing changed', async () => {
  rmSync(dataDir, { recursive: true, force: true });
  const taken = async () => (await snapshotsOf(dataDir).list()).length;
  await peopleIn();
  expect(await taken()).toBe(0);
  await peopleIn(undefined, async ({ db }) => void (await newPerson(db, 'Ada Finch')));
  expect(await taken()).toBe(1);
  await peopleIn();
  expect(await taken()).toBe(1);
  rmSync(join(dataDir, 'database'), { recursive: true });
  expect(await peopleIn()).toEqual(['Ada Finch']);
});

describe('which snapshots stay', () => {
  const now = new Date('2026-03-31T12:00:00Z');
  const daysAgo = (days: number, occasion: Snapshot['occasion'] = 'daily'): Snapshot => ({
    name: `${days} ${occasion}`,
    occasion,
    takenAt: new Date(now.getTime() - days * 24 * 3600 * 1000)
  });

  test('each of seven days, the last of each of five weeks, those before a change for as long', () => {
    const all = Array.from({ length: 60 }, (_, i) => daysAgo(i));
    const daily = kept(all, now).map((s) => s.name.split(' ')[0]);
    // 31 March 2026 is a Tuesday: the last days of the weeks before are 2, 9, 16, 23 and 30 days ago.
    expect(daily).toEqual(['0', '1', '2', '3', '4', '5', '6', '9', '16', '23', '30']);
    const before = [daysAgo(3, 'migration'), daysAgo(34, 'restore'), daysAgo(40, 'migration')];
    expect(kept([...all, ...before], now).filter((s) => s.occasion !== 'daily')).toEqual(before.slice(0, 2));
  });

  test('of seven days the last, however long ago, and of one day one', () => {
    const old = Array.from({ length: 9 }, (_, i) => daysAgo(400 + i));
    expect(kept(old, now)).toEqual(old.slice(0, 7));
    const sameDay = [0.1, 0.2, 0.3].map((days) => daysAgo(days));
    expect(kept([...sameDay, ...old], now)).toEqual([sameDay[0], ...old.slice(0, 6)]);
  });

  test('a start with the clock ahead costs none of a week; what it took stays once the clock is right again', () => {
    const all = Array.from({ length: 7 }, (_, i) => daysAgo(i));
    const ahead = daysAgo(-400);
    const then = kept([...all, ahead], ahead.takenAt);
    expect(then).toHaveLength(7);
    expect(then).toEqual([ahead, ...all.slice(0, 6)]);
    expect(kept([...all, ahead], now)).toEqual([ahead, ...all]);
  });
});
