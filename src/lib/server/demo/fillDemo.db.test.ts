import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import type { Database } from '../db/db';
import { photoFiles } from '../photos/photoFiles';
import { insertDemoPerson, listDemoPeople } from '../repo/demoRepo';
import { newPerson } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import { startDemoFill } from './demoFill';
import { fillDemo } from './fillDemo';
import { lanternHall } from './lanternHall';

const store = testDatabase();
const dir = mkdtempSync(join(tmpdir(), 'calm-reach-fill-'));
const files = photoFiles(dir, '00000000-0000-4000-8000-000000000001');
afterAll(() => rmSync(dir, { recursive: true }));

const now = new Date('2026-03-02T17:00:00');
const total = lanternHall.length;
const briefly = { firstMs: 0, betweenMs: 0 };
const lastTwo = ['Jory Lowe', 'Sable Wick'];
const names = async (db: Database) => (await db.query('select name from client order by name')).rows;

/** Everybody was filled but two, whose histories are short; some of the others may have been deleted since. */
async function allButTwo(db: Database): Promise<void> {
  for (const { client } of lanternHall) if (!lastTwo.includes(client.name)) await insertDemoPerson(db, client.name);
}

describe('the fill of the demo', () => {
  test('goes on where it was cut short, and brings back nobody who was deleted', () =>
    store.rolledBack(async (db) => {
      await allButTwo(db);
      const progress = [];
      for await (const p of fillDemo(db, files, now)) progress.push(p.done);
      expect(progress).toEqual([total - 2, total - 1, total]);
      expect(await names(db)).toEqual([{ name: 'Jory Lowe' }, { name: 'Sable Wick' }]);
      for await (const p of fillDemo(db, files, now)) expect(p.done).toBe(total);
      expect(await names(db)).toHaveLength(2);
    }));

  test('keeps whoever is there when it is stopped between two people', () =>
    store.rolledBack(async (db) => {
      await allButTwo(db);
      for await (const { done } of fillDemo(db, files, now)) if (done === total - 1) break;
      expect(await names(db)).toHaveLength(1);
      expect(await listDemoPeople(db)).toHaveLength(total - 1);
    }));

  test('leaves a studio that has people of its own as it is', () =>
    store.rolledBack(async (db) => {
      await newPerson(db);
      for await (const _ of fillDemo(db, files, now)) throw new Error('somebody was filled in');
      expect(await names(db)).toEqual([{ name: 'Nell Harrow' }]);
    }));

  test('beside the server it says how far it is, and has nothing to say once all are there', () =>
    store.rolledBack(async (db) => {
      await allButTwo(db);
      const fill = await startDemoFill(db, files, now, fail, briefly);
      expect(fill.progress).toEqual({ done: total - 2, total });
      await expect.poll(() => fill.progress).toBeNull();
      expect(await names(db)).toHaveLength(2);
    }));

  test('stopped with the server it begins nobody any more', () =>
    store.rolledBack(async (db) => {
      await allButTwo(db);
      const fill = await startDemoFill(db, files, now, fail);
      await fill.stop();
      expect(await names(db)).toEqual([]);
    }));
});

function fail(text: string): never {
  throw new Error(text);
}
