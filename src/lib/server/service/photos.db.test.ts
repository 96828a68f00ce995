import { existsSync, mkdtempSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { photoLimits } from '$lib/contract/photoForms';
import { drawnPicture, poseFigure } from '$lib/core';
import { photoFiles, type PhotoFiles } from '../photos/photoFiles';
import { updateArchived } from '../repo/clientRepo';
import { updateOccasionRemoved } from '../repo/occasionRepo';
import { findConsent, listPhotoIds, listPhotos, upsertConsent } from '../repo/photoRepo';
import { newPerson, personWithGoal } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import type { Database } from '../db/db';
import { loadCase } from './clientCase';
import { saveOccasion } from './measuring';
import { takenOf } from './taken';
import { deleteForGood, keepPhoto, removePhotos, revokeConsent, sweepPhotos } from './photos';
import { changeBetween, takenWith, photoSeries } from './photoSeries';
import { changeClient } from './changing';
import { hiddenValue, standInAsk } from './standIn';

const given = testDatabase();
const on = '2026-03-02';
let dir: string;
let files: PhotoFiles;
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'calm-reach-photos-'));
  files = photoFiles(dir, uuid(1));
});
afterAll(() => rmSync(dir, { recursive: true }));

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
let lastId = 0;
const figure = poseFigure('leg raise', { side: 'left', value: 80 }, { statureCm: 170, leftLegCm: 90, rightLegCm: 90 });
const picture = drawnPicture(figure, 4);
const svg = new TextEncoder().encode(picture.svg);
/** The head of a JPEG of some size: all that is read of it. */
const jpeg = (widthPx: number, heightPx: number) =>
  new Uint8Array([
    ...[0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, heightPx >> 8, heightPx & 255, widthPx >> 8, widthPx & 255, 3],
    ...[1, 0x22, 0, 2, 0x11, 1, 3, 0x11, 1, 0xff, 0xd9]
  ]);
const input = (id: string) =>
  ({ id, measureId: 'HF-KS', side: 'left', mode: 'passive', takenOn: on, points: picture.points }) as const;
const onDisk = () => readdirSync(join(dir, 'photos', uuid(1))).map((name) => name.split('.')[0]!);

async function withConsent(db: Database): Promise<number> {
  const id = await personWithGoal(db, 'front_split');
  await changeClient(db, id, (tx) => upsertConsent(tx, id, { givenBy: 'Nell Harrow', givenOn: on }));
  return id;
}
async function kept(db: Database, clientId: number): Promise<string> {
  const id = uuid(++lastId);
  await keepPhoto(db, files, clientId, input(id), svg, 'image/svg+xml');
  return id;
}
type Measured = { takenOn?: string; bodyState?: 'cold' | 'warm'; photoDeg?: number };
const measured = (
  db: Database,
  clientId: number,
  photoId: string,
  { takenOn = on, bodyState = 'warm', photoDeg = 80 }: Measured = {}
) =>
  saveOccasion(db, clientId, {
    takenOn,
    bodyState,
    dayTime: '',
    training: '',
    measurer: '',
    note: '',
    trials: [
      {
        measureId: 'HF-KS',
        side: 'left',
        mode: 'passive',
        way: 'photo',
        support: '',
        ordinal: 1,
        entries: { photoDeg },
        photoId
      }
    ]
  });

describe('a picture', () => {
  test('is kept with its points, and belongs to the measure it gave', () =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      const id = await kept(db, client);
      expect(await listPhotos(db, client)).toEqual([]); // its measure is not kept yet
      await measured(db, client, id);
      const [photo] = await listPhotos(db, client);
      expect(photo).toMatchObject({ id, measureId: 'HF-KS', side: 'left', way: 'photo', widthPx: 1600, takenOn: on });
      expect(photo!.points).toEqual(picture.points);
      expect(await files.read(id, 'image/svg+xml')).toEqual(svg);
      expect(takenOf(await loadCase(db, client, on)).at(-1)).toMatchObject({ way: 'photo', value: 80 });
    }));

  test('is not kept without consent', () =>
    given.rolledBack(async (db) => {
      const client = await newPerson(db);
      await expect(keepPhoto(db, files, client, input(uuid(900)), svg, 'image/svg+xml')).rejects.toThrow('consent_missing');
      expect(onDisk()).not.toContain(uuid(900));
    }));

  test.each([
    ['text', new TextEncoder().encode('no picture at all'), 'photo_unreadable'],
    ['a drawing sent as a photo', svg, 'photo_unreadable'],
    ['a picture without an extent', jpeg(0, 900), 'photo_unreadable'],
    ['one of more than 20,000 picture elements a side', jpeg(20_001, 900), 'photo_unreadable'],
    ['nothing', new Uint8Array(), 'photo_unreadable'],
    ['one that is too large', new Uint8Array(photoLimits.keptMb * 1024 * 1024 + 1), 'photo_too_large']
  ])('is refused when it is %s', (_, bytes, code) =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      await expect(keepPhoto(db, files, client, input(uuid(901)), bytes)).rejects.toThrow(code);
      expect(onDisk()).not.toContain(uuid(901));
      expect(await listPhotoIds(db, client)).toEqual([]);
    })
  );

  test('sent again changes nothing, and never overwrites that of someone else', () =>
    given.rolledBack(async (db) => {
      const [one, other] = [await withConsent(db), await withConsent(db)];
      const id = await kept(db, one);
      const another = new TextEncoder().encode(drawnPicture(figure, 77).svg);
      await keepPhoto(db, files, other, input(id), another, 'image/svg+xml');
      expect(await files.read(id, 'image/svg+xml')).toEqual(svg);
      expect(await listPhotoIds(db, other)).toEqual([]);
    }));

  test('is not shown while its measure is taken out, and not claimed by another client', () =>
    given.rolledBack(async (db) => {
      const [client, other] = [await withConsent(db), await withConsent(db)];
      const id = await kept(db, client);
      await measured(db, other, id);
      expect(await listPhotos(db, other)).toEqual([]);
      const occasion = await measured(db, client, id);
      await changeClient(db, client, (tx) => updateOccasionRemoved(tx, client, occasion, '2026-03-03T10:00:00Z'));
      expect(await listPhotos(db, client)).toEqual([]);
      await changeClient(db, client, (tx) => updateOccasionRemoved(tx, client, occasion, null));
      expect(await listPhotos(db, client)).toHaveLength(1);
    }));
});

describe('taking back', () => {
  test('consent revoked deletes every picture and keeps the measures', () =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      const id = await kept(db, client);
      await measured(db, client, id);
      await revokeConsent(db, files, client);
      expect(await findConsent(db, client)).toBeNull();
      expect(await listPhotoIds(db, client)).toEqual([]);
      expect(onDisk()).not.toContain(id);
      expect(takenOf(await loadCase(db, client, on))).toHaveLength(1);
    }));

  test('a picture that comes in while the consent is revoked leaves neither row nor file', () =>
    given.rolledBack(async (db) => {
      const clientId = await withConsent(db);
      const id = uuid(++lastId);
      const revokedMeanwhile: PhotoFiles = {
        ...files,
        write: async (...picture) => {
          await files.write(...picture);
          await revokeConsent(db, files, clientId);
        }
      };
      const sent = keepPhoto(db, revokedMeanwhile, clientId, input(id), svg, 'image/svg+xml');
      await expect(sent).rejects.toMatchObject({ code: 'consent_missing' });
      expect(await listPhotoIds(db, clientId)).toEqual([]);
      expect(onDisk()).not.toContain(id);
    }));

  test('one picture can go alone, and only that of its own client', () =>
    given.rolledBack(async (db) => {
      const [client, other] = [await withConsent(db), await withConsent(db)];
      const [mine, theirs] = [await kept(db, client), await kept(db, other)];
      await removePhotos(db, files, client, [mine, theirs]);
      expect(onDisk()).not.toContain(mine);
      expect(onDisk()).toContain(theirs);
    }));

  test('a client deleted for good takes pictures and everything else along; one who is not archived cannot be', () =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      const id = await kept(db, client);
      await measured(db, client, id);
      await expect(deleteForGood(db, files, client)).rejects.toThrow('not_found');
      expect(onDisk()).toContain(id);
      await changeClient(db, client, (tx) => updateArchived(tx, client, '2026-03-03T10:00:00Z'));
      await deleteForGood(db, files, client);
      expect(onDisk()).not.toContain(id);
      await expect(loadCase(db, client, on)).rejects.toThrow('not_found');
      for (const table of ['photo', 'photo_consent', 'occasion', 'goal'])
        expect((await db.query(`select 1 from ${table} where client_id = $1`, [client])).rows).toEqual([]);
    }));

  test('at the start, what was never claimed goes after a day, and files without a row are put aside for a month', () =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      const [waiting, claimed] = [await kept(db, client), await kept(db, client)];
      await measured(db, client, claimed);
      await sweepPhotos(db, files, new Date());
      for (const name of [`${uuid(950)}.jpg`, `${uuid(951)}.x.half`])
        writeFileSync(join(dir, 'photos', uuid(1), name), 'left over');
      expect(await sweepPhotos(db, files, new Date())).toBe(1); // only now: what tests before left is aside already
      expect(onDisk()).toContain(waiting);
      expect(onDisk()).not.toContain(uuid(950));
      expect(onDisk()).not.toContain(uuid(951));
      const aside = () => readdirSync(join(dir, 'photos', uuid(1), 'aside'));
      expect(aside()).toContain(`${uuid(950)}.jpg`);
      await sweepPhotos(db, files, new Date(Date.now() + 25 * 3600 * 1000));
      expect(onDisk()).not.toContain(waiting);
      expect(onDisk()).toContain(claimed);
      await sweepPhotos(db, files, new Date(Date.now() + 57 * 24 * 3600 * 1000));
      expect(aside()).not.toContain(`${uuid(950)}.jpg`);
    }));

  test('a start with another database, or an older copy of this one, deletes no picture', () =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      const id = await kept(db, client);
      await measured(db, client, id);
      // Another studio on the same data directory knows none of them, and has no way to them.
      const other = photoFiles(dir, uuid(2));
      expect(await other.sweep(new Set(), new Date())).toBe(0);
      expect(await files.read(id, 'image/svg+xml')).toEqual(svg);
      // An older copy of this one: put aside, and back with the newer one.
      await files.sweep(new Set(), new Date());
      expect(await files.read(id, 'image/svg+xml')).toBeNull();
      await sweepPhotos(db, files, new Date());
      expect(await files.read(id, 'image/svg+xml')).toEqual(svg);
    }));

  test('pictures from before each studio had a folder are taken in by the one that knows them', () =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      const id = await kept(db, client);
      const stranger = join(dir, 'photos', `${uuid(970)}.svg`);
      renameSync(join(dir, 'photos', uuid(1), `${id}.svg`), join(dir, 'photos', `${id}.svg`));
      writeFileSync(stranger, 'of another studio');
      await sweepPhotos(db, files, new Date());
      expect(await files.read(id, 'image/svg+xml')).toEqual(svg);
      expect(existsSync(stranger)).toBe(true);
    }));

  test('the same picture sent three times at once is kept once', () =>
    given.rolledBack(async (db) => {
      const client = await withConsent(db);
      const id = uuid(++lastId);
      await Promise.all([1, 2, 3].map(() => keepPhoto(db, files, client, input(id), svg, 'image/svg+xml')));
      expect(await listPhotoIds(db, client)).toEqual([id]);
      expect(onDisk().filter((name) => name === id)).toHaveLength(1);
    }));
});

test('the stand-in hides one value a day for every instrument and picture, near the last one', () =>
  given.rolledBack(async (db) => {
    const client = await withConsent(db);
    await measured(db, client, uuid(999));
    const c = await loadCase(db, client, on);
    const ask = (trial: number, measure = 'HF-KS') =>
      standInAsk.parse({ measure, side: 'left', mode: 'passive', trial: String(trial) });
    const [first, second] = [hiddenValue(c, ask(1), on), hiddenValue(c, ask(2), on)];
    expect(first.value).toBe(second.value);
    expect(first.seed).not.toBe(second.seed);
    expect(Math.abs(first.value - 80)).toBeLessThan(20);
    expect(hiddenValue(c, ask(1), '2026-03-03').value).not.toBe(first.value);
  }));

describe('pictures beside each other', () => {
  const two = async (db: Database, later: Measured) => {
    const client = await withConsent(db);
    await measured(db, client, await kept(db, client));
    await measured(db, client, await kept(db, client), { takenOn: '2026-04-20', photoDeg: 80, ...later });
    const photos = await listPhotos(db, client);
    return { c: await loadCase(db, client, on), photos };
  };

  test('are those of one measure, side and mode, oldest first', () =>
    given.rolledBack(async (db) => {
      const { photos } = await two(db, {});
      const [series, ...others] = photoSeries(photos);
      expect(others).toEqual([]);
      expect(series).toMatchObject({ key: 'HF-KS/left/passive', measureId: 'HF-KS', side: 'left', mode: 'passive' });
      expect(series!.photos.map((p) => p.takenOn)).toEqual([on, '2026-04-20']);
    }));

  test('tell the change of their readings, held against the measuring error', () =>
    given.rolledBack(async (db) => {
      const far = await two(db, { photoDeg: 100 });
      expect(changeBetween(far.c, far.photos[0]!, far.photos[1]!)).toMatchObject({ difference: 20, verdict: 'real gain' });
      const near = await two(db, { photoDeg: 81 });
      expect(changeBetween(near.c, near.photos[0]!, near.photos[1]!)!.verdict).not.toMatch(/real/);
    }));

  test('taken cold and warm are not held against each other', () =>
    given.rolledBack(async (db) => {
      const { c, photos } = await two(db, { bodyState: 'cold', photoDeg: 100 });
      expect(changeBetween(c, photos[0]!, photos[1]!)).toBeNull();
      expect(photos.map((p) => takenWith(c, p)?.value)).toEqual([80, 100]);
    }));
});
