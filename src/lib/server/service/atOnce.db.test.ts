// What comes several times at once, each on a connection or in a turn of its own: nothing is doubled, lost or a fault.
import { addDays, longHold } from '$lib/core';
import { beforeAll, describe, expect, test } from 'vitest';
import { randomUUID } from 'node:crypto';
import { lanternHallShelf } from '../demo/lanternHall';
import type { Database } from '../db/db';
import { insertProp } from '../repo/propRepo';
import { solverFor } from '../solver';
import { at, fit, play } from '../testing/sessions';
import { passCheck, personWithGoal, take, testDay } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import { loadGoalCase, loadSplitCase, loadLoggedCase } from './clientCase';
import { acceptProposals } from './deciding';
import { makePlan } from './planning';
import { logSet, startSession } from './practising';
import { setDial } from './settingDial';
import { addToWeek, weekOf } from './week';

const store = testDatabase('split plan');
let id: number;
const times = (n: number) => Array.from({ length: n }, (_, i) => i);
/** How each of them ended: done, or the code it was refused with. A fault has none. */
const ends = async (all: readonly Promise<unknown>[]) =>
  (await Promise.allSettled(all)).map((r) => (r.status === 'fulfilled' ? 'done' : (r.reason as { code?: string }).code));

beforeAll(async () => {
  const { db } = store;
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  id = await personWithGoal(db, 'front_split');
  await passCheck(db, id, testDay);
  for (const side of ['left', 'right'] as const) await take(db, id, 'front_split_gap', side, [20, 21], { on: testDay });
  await makePlan(
    db,
    id,
    { schoolId: longHold.id, weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: testDay, basedOnVersion: 0 },
    testDay
  );
});
const sessionIds = async () => (await loadSplitCase(store.db, id, testDay)).sessions.map((s) => s.id);

test('six exercises put into the week at once are all in it', async () => {
  const added = ['frog', 'low_lunge', 'standing_fold', 'heel_sit', 'butterfly_on_blocks', 'pancake_on_seat'];
  const known = (await loadGoalCase(store.db, id, testDay)).catalogue.map((e) => e.id);
  const tried = added.filter((e) => known.includes(e));
  expect(tried.length).toBeGreaterThan(3);
  expect(await ends(tried.map((e) => addToWeek(store.db, id, e, testDay)))).toEqual(tried.map(() => 'done'));
  const week = weekOf(await loadGoalCase(store.db, id, testDay)).map((w) => w.exercise.id);
  for (const e of tried) expect(week).toContain(e);
});

test('of four sessions started at once one runs; started twice it is found running', async () => {
  const four = (await sessionIds()).slice(0, 4);
  const ended = await ends(four.map((s) => startSession(store.db, id, s, fit, at(testDay))));
  expect(ended.toSorted()).toEqual(['done', 'session_already_running', 'session_already_running', 'session_already_running']);
  const { sessions } = await loadSplitCase(store.db, id, testDay);
  const running = sessions.filter((s) => s.status === 'running');
  expect(running).toHaveLength(1);
  expect(await ends(times(2).map(() => startSession(store.db, id, running[0]!.id, fit, at(testDay))))).toEqual(['done', 'done']);
});

test('a set sent six times at once is kept once; its id for another set is refused, not a fault', async () => {
  const { sessions } = await loadSplitCase(store.db, id, testDay);
  const running = sessions.find((s) => s.status === 'running')!;
  const [planned] = running.plannedSets;
  const log = {
    id: randomUUID(),
    setIndex: 1,
    exerciseId: planned!.exerciseId,
    side: planned!.side,
    plannedS: 60,
    actualS: 58,
    clean: true,
    sensation: null,
    felt: null,
    slipped: null,
    setting: {}
  };
  expect(await ends(times(6).map(() => logSet(store.db, id, running.id, log)))).toEqual(times(6).map(() => 'done'));
  expect((await loadLoggedCase(store.db, id, testDay)).setLogs).toHaveLength(1);
  expect(await ends([logSet(store.db, id, running.id, { ...log, setIndex: 2 })])).toEqual(['conflict']);
  // Done over, the later one stands, and a late copy of the first does not come back over it.
  const over = { ...log, id: randomUUID(), actualS: 40 };
  for (const sent of [over, log, over]) await logSet(store.db, id, running.id, sent);
  expect((await loadLoggedCase(store.db, id, testDay)).setLogs.map((l) => l.actualS)).toEqual([40]);
});

describe('two changes of one person, each decided on what stood before', () => {
  const hold = { exerciseId: 'front_hamstring_cycle', side: 'left', dial: 'effortPct', reason: '' } as const;
  const effortOf = async (db: Database, person: number) =>
    (await loadGoalCase(db, person, testDay)).settings.front_hamstring_cycle?.left.effortPct;

  test('a dial that is eased while a plan is solved stays eased', () =>
    store.rolledBack(async (db) => {
      const person = store.splitPlanId;
      const before = (await effortOf(db, person))!;
      const solve = solverFor();
      let isEased = false;
      const easeFirst: typeof solve = async (...asked) => {
        if (!isEased) await setDial(db, person, { ...hold, value: before - 5, sure: true }, at(testDay));
        isEased = true;
        return solve(...asked);
      };
      const plan = { schoolId: longHold.id, weeks: 4, sessionsPerWeek: 3, minutes: 20, startOn: testDay, basedOnVersion: 1 };
      await makePlan(db, person, plan, testDay, { solve: easeFirst });
      expect(isEased).toBe(true);
      expect(await effortOf(db, person)).toBe(before - 5);
    }));

  test('a dial that is eased while verdicts are accepted stays eased', async () => {
    const { db, splitPlanId: person } = store;
    for (const days of times(4)) {
      const on = addDays(testDay, days * 2);
      await play(db, person, on);
      const to = (await effortOf(db, person))! - 5;
      // Whichever of the two comes first, it is not undone.
      await Promise.all([acceptProposals(db, person, on), setDial(db, person, { ...hold, value: to, sure: true }, at(on))]);
      expect(await effortOf(db, person), on).toBeLessThanOrEqual(to);
    }
  });
});
