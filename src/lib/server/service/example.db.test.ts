import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { lanternHallShelf } from '../demo/lanternHall';
import { photoFiles } from '../photos/photoFiles';
import { listPersonMarks } from '../repo/caseMarkRepo';
import { insertProp, listProps } from '../repo/propRepo';
import { newPerson } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import { loadGoalCase } from './clientCase';
import { showExample, takeExampleAway } from './example';

const store = testDatabase();
const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-example-'));
const files = photoFiles(dataDir, '00000000-0000-4000-8000-000000000002');
afterAll(() => rmSync(dataDir, { recursive: true }));
const now = new Date('2026-03-02T17:00:00');
const today = '2026-03-02';

describe('the example person', () => {
  test('comes into an empty studio with weeks of work and a shelf, and goes again without a trace', () =>
    store.rolledBack(async (db) => {
      const id = (await showExample(db, files, now))!;
      const c = await loadGoalCase(db, id, today);
      expect(c.client.isExample).toBe(true);
      expect(c.sessions.filter((s) => s.status === 'done').length).toBeGreaterThan(10);
      expect(await listProps(db)).toHaveLength(lanternHallShelf.length);
      // Asked for again, there is somebody already.
      expect(await showExample(db, files, now)).toBeNull();

      const real = await newPerson(db, 'Somebody Real');
      const own = await db.transaction((tx) => insertProp(tx, { ...lanternHallShelf[0]!, name: 'Own block' }));
      await takeExampleAway(db, files, now);
      expect((await listPersonMarks(db, 'active')).people.map((p) => p.id)).toEqual([real]);
      expect((await listPersonMarks(db, 'archived')).people).toEqual([]);
      expect((await listProps(db)).map((p) => p.id)).toEqual([String(own)]);
    }));

  test('is not put among people who are there', () =>
    store.rolledBack(async (db) => {
      await newPerson(db, 'Somebody Real');
      expect(await showExample(db, files, now)).toBeNull();
      expect(await listProps(db)).toEqual([]);
    }));

  test('uses the shelf that stands there, and leaves it', () =>
    store.rolledBack(async (db) => {
      const own = await db.transaction((tx) => insertProp(tx, { ...lanternHallShelf[0]!, name: 'Own block' }));
      expect(await showExample(db, files, now)).not.toBeNull();
      await takeExampleAway(db, files, now);
      expect((await listProps(db)).map((p) => p.id)).toEqual([String(own)]);
    }));
});
