import { describe, expect, test } from 'vitest';
import { z } from 'zod';
import type { Database } from '../db/db';
import { deleteClient, updateArchived } from '../repo/clientRepo';
import { listPeople } from '../repo/peopleRepo';
import { updateUnits } from '../repo/studioRepo';
import { newPerson, testDay } from '../testing/people';
import { play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { caseMemory } from './caseMemory';
import { outlooksOf } from './forecasting';
import { changeClient } from './changing';
import { loadCase, loadGoalCase, withGoal, withLog } from './clientCase';

const store = testDatabase('split plan');

/** The database, and every statement that it was asked. */
function overheard(db: Database): { db: Database; asked: string[] } {
  const asked: string[] = [];
  return {
    asked,
    db: {
      ...db,
      query: (text, values) => {
        asked.push(text);
        return db.query(text, values);
      }
    }
  };
}

describe('what is remembered of a person', () => {
  test('every table that a case is read from gives a new mark when rows come, change or go', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const { db: heard, asked } = overheard(db);
      await withLog(heard, await loadGoalCase(heard, id, testDay));
      await outlooksOf(heard, await loadGoalCase(db, id, testDay));
      await listPeople(heard, [id]);
      const Names = z.array(z.object({ name: z.string() }));
      const tables = await db.query(
        "select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'"
      );
      const read = Names.parse(tables.rows)
        .map((t) => t.name)
        .filter((name) => asked.some((text) => new RegExp(`(from|join)\\s+${name}\\b`).test(text)));
      expect(read).toEqual(expect.arrayContaining(['set_log', 'kept_forecast', 'own_exercise']));
      const events = await db.query(
        `select event_object_table || ' ' || event_manipulation as name from information_schema.triggers
          where trigger_name like 'touch_case%' and action_timing = 'AFTER'`
      );
      const marked = new Set(Names.parse(events.rows).map((e) => e.name));
      const unmarked = read.flatMap((t) => ['INSERT', 'UPDATE', 'DELETE'].map((e) => `${t} ${e}`)).filter((e) => !marked.has(e));
      expect(unmarked).toEqual([]);
    }));

  test('asked again it is the same, for one query; a change of one leaves another as it was', () =>
    store.rolledBack(async (db) => {
      const [id, other] = [store.splitPlanId, await newPerson(db, 'Somebody Else')];
      const { db: heard, asked } = overheard(db);
      const memory = caseMemory(heard);
      const [first, theirs] = [await memory.caseOf(id, testDay), await memory.caseOf(other, testDay)];
      const logged = await memory.withLog(withGoal(first)!);
      asked.length = 0;
      expect(await memory.caseOf(id, testDay)).toBe(first);
      expect(await memory.withLog(withGoal(first)!)).toBe(logged);
      expect(asked).toHaveLength(1);

      await play(db, id, testDay, () => ({ clean: true }), { sameDay: true });
      const now = await memory.caseOf(id, testDay);
      expect(now).toEqual(await loadCase(db, id, testDay));
      expect(now.lastSets.length).toBeGreaterThan(first.lastSets.length);
      expect(await memory.caseOf(other, testDay)).toBe(theirs);
      // What all share is read again for nobody of them.
      expect(now.catalogue).toBe(theirs.catalogue);
    }));

  test('a list reads those who changed, and nobody else; so does what the shelf is asked for', () =>
    store.rolledBack(async (db) => {
      const [id, other] = [store.splitPlanId, await newPerson(db, 'Somebody Else')];
      const { db: heard, asked } = overheard(db);
      const memory = caseMemory(heard);
      const first = await memory.people('active');
      expect(first.map((p) => p.id).sort()).toEqual([id, other].sort());
      const [ask] = await memory.shelfAsks(testDay);
      expect(ask!.needs.length).toBeGreaterThan(0);
      asked.length = 0;
      expect(await memory.people('active')).toEqual(first);
      expect((await memory.shelfAsks(testDay))[0]).toBe(ask);
      expect(asked).toHaveLength(2);

      await changeClient(db, other, (tx) => updateArchived(tx, other, `${testDay}T10:00:00Z`));
      expect((await memory.people('active')).map((p) => p.id)).toEqual([id]);
      expect((await memory.people('archived')).map((p) => p.id)).toEqual([other]);
      await play(db, id, testDay, () => ({ clean: true }), { sameDay: true });
      expect(await memory.people('active')).toEqual(await listPeople(db, [id]));
      expect((await memory.people('active'))[0]!.verdictsWait).toBe(true);
    }));

  test('what all people share is new for all; another day is another case', () =>
    store.rolledBack(async (db) => {
      const ids = [await newPerson(db, 'One'), await newPerson(db, 'Another')];
      const memory = caseMemory(db);
      for (const id of ids) expect((await memory.caseOf(id, testDay)).units.length).toBe('cm');
      await updateUnits(db, { length: 'in', mass: 'kg' });
      for (const id of ids) expect((await memory.caseOf(id, testDay)).units.length).toBe('in');
      expect((await memory.caseOf(ids[0]!, '2026-12-24')).today).toBe('2026-12-24');
    }));

  test('what was taken back is not remembered; who is gone is not found', () =>
    store.rolledBack(async (db) => {
      const id = await newPerson(db, 'One');
      const memory = caseMemory(db);
      const before = await memory.caseOf(id, testDay);
      const broken = db.transaction(async (tx) => {
        await tx.query(`update client set notes = 'never' where id = $1`, [id]);
        throw new Error('broken off');
      });
      await expect(broken).rejects.toThrow('broken off');
      expect(await memory.caseOf(id, testDay)).toBe(before);
      await changeClient(db, id, (tx) => updateArchived(tx, id, `${testDay}T10:00:00Z`));
      await changeClient(db, id, (tx) => deleteClient(tx, id));
      await expect(memory.caseOf(id, testDay)).rejects.toMatchObject({ code: 'not_found' });
      expect((await db.query('select from case_mark where client_id = $1', [id])).rows).toEqual([]);
    }));
});
