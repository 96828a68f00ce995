import { expect, test } from 'vitest';
import { exerciseOf } from '$lib/core';
import type { Database } from '../db/db';
import { lanternHallShelf } from '../demo/lanternHall';
import { changeClient } from '../service/changing';
import { newPerson } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import { insertOwnExercise, listRemovedExercises, updateOwnExerciseRemoved } from './exerciseRepo';
import { insertJudgement, listRemovedJudgements, updateJudgementRemoved } from './judgementRepo';
import { insertProp, listRemovedProps, updatePropRemoved } from './propRepo';
import { takenOutSince } from './takenOut';

const store = testDatabase();
const now = new Date('2026-03-31T12:00:00Z');
const daysAgo = (days: number) => new Date(now.getTime() - days * 86_400_000).toISOString();

/** Something put into a list, taken out of it and looked for again. */
type List = Readonly<{
  add: () => Promise<number | string>;
  remove: (id: number | string, at: string | null) => Promise<unknown>;
  list: () => Promise<readonly Readonly<{ id: number | string; text: string }>[]>;
}>;
const lists: Readonly<Record<string, (db: Database) => List>> = {
  'a prop of the studio': (db) => ({
    add: () => insertProp(db, lanternHallShelf[0]!),
    remove: (id, at) => updatePropRemoved(db, Number(id), at),
    list: () => listRemovedProps(db, null, takenOutSince(now))
  }),
  'an own exercise': (db) => ({
    add: () => insertOwnExercise(db, { ...exerciseOf('frog'), name: 'Frog on the mat' }, 'frog'),
    remove: (id, at) => updateOwnExerciseRemoved(db, String(id), at),
    list: () => listRemovedExercises(db, takenOutSince(now))
  }),
  'a judgement': (db) => {
    const person = newPerson(db);
    return {
      add: async () => {
        const id = await person;
        return changeClient(db, id, (tx) =>
          insertJudgement(tx, id, { exerciseId: null, judgement: 'Ready', judgedOn: '2026-03-01' })
        );
      },
      remove: async (n, at) => {
        const id = await person;
        return changeClient(db, id, (tx) => updateJudgementRemoved(tx, id, Number(n), at));
      },
      list: async () => listRemovedJudgements(db, await person, takenOutSince(now))
    };
  }
};

test.each(Object.keys(lists))('%s that was taken out is listed for 30 days, and no more once it is back', (name) =>
  store.rolledBack(async (db) => {
    const { add, remove, list } = lists[name]!(db as Database);
    const id = await add();
    expect(await list()).toEqual([]);
    await remove(id, daysAgo(29));
    expect(await list()).toEqual([expect.objectContaining({ id })]);
    expect((await list())[0]!.text.length).toBeGreaterThan(3);
    await remove(id, daysAgo(31));
    expect(await list()).toEqual([]);
    await remove(id, daysAgo(1));
    await remove(id, null);
    expect(await list()).toEqual([]);
  })
);
