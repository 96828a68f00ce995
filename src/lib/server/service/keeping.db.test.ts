import { describe, expect, test } from 'vitest';
import type { StartedAway } from '$lib/contract/played';
import { ownExerciseForm, ownExerciseShape, typedExercise } from '$lib/contract/ownExercise';
import { addDays, exerciseOf, isAsked, timelineOf } from '$lib/core';
import type { Database } from '../db/db';
import { lanternHallShelf } from '../demo/lanternHall';
import { deleteKeptBefore, getKept } from '../repo/keptSessionRepo';
import { insertLock } from '../repo/lockRepo';
import { insertProp } from '../repo/propRepo';
import { getPrescribed } from '../repo/sessionRepo';
import { passCheck, personWithGoal, take, testDay } from '../testing/people';
import { at, fit, nextSession, play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { loadCase, loadGoalCase, loadLoggedCase } from './clientCase';
import { addExercise, removeExercise } from './library';
import { addToWeek, takeFromWeek } from './week';
import { keepSession, playedSession, startAway } from './keeping';
import { makePlan } from './planning';
import { changeClient } from './changing';
import { finishSession, logSet, startSession, tellPain } from './practising';

// A session that a device keeps, plays where no server answers, and brings back.

const store = testDatabase();
const refusal = (code: string) => expect.objectContaining({ code }) as unknown;

async function withPlan(db: Database): Promise<number> {
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  const id = await personWithGoal(db, 'front_split');
  await passCheck(db, id, testDay);
  await take(db, id, 'front_split_gap', 'left', [20, 21], { on: testDay });
  await take(db, id, 'front_split_gap', 'right', [24, 24], { on: testDay });
  await plan(db, id, 0);
  return id;
}
const plan = (db: Database, id: number, basedOnVersion: number) =>
  makePlan(
    db,
    id,
    { schoolId: 'long_hold', weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: testDay, basedOnVersion },
    testDay
  );

const noon = new Date(`${testDay}T12:00:00`);
const said = (copy: string | null, more: Partial<StartedAway> = {}): StartedAway => ({
  ...fit,
  copy: copy!,
  at: noon.toISOString(),
  ...more
});
const sessionOf = async (db: Database, id: number, sessionId: number) =>
  (await loadCase(db, id, testDay)).sessions.find((s) => s.id === sessionId)!;

/** The first worked set of what a device was given, as it says it. */
const setOf = (kept: Awaited<ReturnType<typeof keepSession>>) => {
  const set = timelineOf(kept).sets.find((s) => isAsked(s.work))!;
  const worked = Math.round(set.endS - set.workStartS);
  return {
    id: crypto.randomUUID(),
    setIndex: set.index,
    exerciseId: set.exerciseId,
    side: set.side,
    plannedS: worked,
    actualS: worked,
    clean: true,
    sensation: null,
    felt: null,
    slipped: null,
    setting: set.work.setting
  };
};

describe('a session that a device keeps', () => {
  test('is what a start would have given, for today and tomorrow, and keeping it changes nothing', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      const kept = await keepSession(db, id, sessionId, at(testDay));
      expect(await keepSession(db, id, sessionId, at(testDay))).toEqual(kept);
      expect(kept.days).toEqual([
        { on: testDay, overdueCheck: false, sameDay: false },
        { on: addDays(testDay, 1), overdueCheck: false, sameDay: false }
      ]);
      expect((await sessionOf(db, id, sessionId)).status).toBe('planned');
      await startSession(db, id, sessionId, fit, at(testDay));
      expect((await getPrescribed(db, sessionId)).blocks).toEqual(JSON.parse(JSON.stringify(kept.blocks)));
      const running = await playedSession(db, await loadGoalCase(db, id, testDay), sessionId);
      // The next one has its day while that is to come, and is the next one all the same after it.
      expect(running!.next!.on! > testDay).toBe(true);
      const later = await playedSession(db, await loadGoalCase(db, id, '2026-06-01'), sessionId);
      expect(later!.next).toEqual({ ...running!.next, on: null });
      expect([running!.session.status, running!.blocks.length]).toEqual(['running', kept.blocks.length]);
    }));

  test('comes back as it was played: begun, its sets, its end, each at its moment and once', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      const kept = await keepSession(db, id, sessionId, noon);
      const set = setOf(kept);
      const ended = new Date(noon.getTime() + 40 * 60_000).toISOString();
      const evening = at(testDay);
      for (let times = 0; times < 2; times++) {
        expect(await startAway(db, id, sessionId, said(kept.copy), evening)).toBe(false);
        await logSet(db, id, sessionId, set);
        await finishSession(db, id, sessionId, { status: 'done', at: ended }, evening);
      }
      const c = await loadLoggedCase(db, id, testDay);
      const done = c.sessions.find((s) => s.id === sessionId)!;
      expect([done.status, new Date(done.startedAt!), new Date(done.endedAt!)]).toEqual(['done', noon, new Date(ended)]);
      expect(c.setLogs.map((l) => [l.id, l.setIndex])).toEqual([[set.id, set.setIndex]]);
      expect(done.plannedSets.some((p) => p.exerciseId === set.exerciseId && p.side === set.side)).toBe(true);
    }));

  test('is kept as it was played, though the plan was made anew meanwhile', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      const kept = await keepSession(db, id, sessionId, noon);
      await plan(db, id, 1);
      expect(await startAway(db, id, sessionId, said(kept.copy, { soreness: 5 }), at(testDay))).toBe(false);
      await logSet(db, id, sessionId, setOf(kept));
      await finishSession(db, id, sessionId, { status: 'done' }, at(testDay));
      const c = await loadLoggedCase(db, id, testDay);
      expect(c.sessions.find((s) => s.id === sessionId)).toMatchObject({ status: 'done', readiness: { easier: true } });
      expect([c.setLogs.length, c.plan!.version]).toEqual([1, 2]);
    }));

  test('on two devices is one session, and the second is told so', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      const kept = await keepSession(db, id, sessionId, noon);
      await startSession(db, id, sessionId, fit, at(testDay));
      await logSet(db, id, sessionId, setOf(kept));
      expect(await startAway(db, id, sessionId, said(kept.copy), at(testDay))).toBe(true);
      await logSet(db, id, sessionId, setOf(kept));
      expect((await loadLoggedCase(db, id, testDay)).setLogs).toHaveLength(1);
    }));

  test('waits while another session of the person runs, and comes in after it', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const [first, second] = (await loadCase(db, id, testDay)).sessions.map((s) => s.id);
      const kept = await keepSession(db, id, second!, noon);
      await startSession(db, id, first!, fit, noon);
      await expect(startAway(db, id, second!, said(kept.copy), at(testDay))).rejects.toEqual(refusal('session_already_running'));
      await finishSession(db, id, first!, { status: 'done' }, at(testDay));
      expect(await startAway(db, id, second!, said(kept.copy), at(testDay))).toBe(false);
    }));

  test('of a copy that was never given there is no start', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const [first, second] = (await loadCase(db, id, testDay)).sessions.map((s) => s.id);
      const kept = await keepSession(db, id, first!, noon);
      await expect(startAway(db, id, second!, said('0'.repeat(64)), noon)).rejects.toEqual(refusal('not_found'));
      await expect(startAway(db, id + 1, first!, said(kept.copy), noon)).rejects.toEqual(refusal('not_found'));
    }));

  test('an own exercise that was taken from the library meanwhile is played and written down as it was', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const like = exerciseOf('front_hamstring_cycle');
      const own = await addExercise(db, ownExerciseForm.parse(ownExerciseShape(typedExercise(like))), like.id);
      await addToWeek(db, id, own, testDay);
      const sessionId = await nextSession(db, id);
      const kept = await keepSession(db, id, sessionId, noon);
      expect(kept.blocks.find((b) => b.exerciseId === own)!.own!.name).toBe(like.name);
      await takeFromWeek(db, id, own, testDay);
      await removeExercise(db, own, noon);
      await startAway(db, id, sessionId, said(kept.copy), at(testDay));
      const set = timelineOf(kept).sets.find((s) => s.exerciseId === own)!;
      await logSet(db, id, sessionId, { ...setOf(kept), setIndex: set.index, exerciseId: own, side: set.side });
      const c = await loadLoggedCase(db, id, testDay);
      expect(c.setLogs.map((l) => l.exerciseId)).toEqual([own]);
      expect((await playedSession(db, c, sessionId))!.blocks.some((b) => b.own?.id === own)).toBe(true);
    }));

  test('what nobody starts from any more is dropped', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const [first, second] = (await loadCase(db, id, testDay)).sessions.map((s) => s.id);
      const [one, other] = [await keepSession(db, id, first!, noon), await keepSession(db, id, second!, noon)];
      await startSession(db, id, first!, fit, noon);
      await deleteKeptBefore(db, '2000-01-01T00:00:00Z');
      await expect(getKept(db, first!, one.copy!)).rejects.toEqual(refusal('not_found'));
      expect((await getKept(db, second!, other.copy!)).blocks).toHaveLength(other.blocks.length);
      await deleteKeptBefore(db, '2999-01-01T00:00:00Z');
      await expect(getKept(db, second!, other.copy!)).rejects.toEqual(refusal('not_found'));
    }));
});

describe('what a stop forbids is in no kept session', () => {
  const hip = { stop: { joint: 'hip', side: 'left' }, reason: 'A sharp pain.', openedOn: testDay, painEventId: null } as const;

  test('it holds nothing that is locked; one that was kept before says what is not played any more', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      const before = await keepSession(db, id, sessionId, noon);
      await changeClient(db, id, (tx) => insertLock(tx, id, hip));
      const after = await keepSession(db, id, sessionId, noon);
      const worked = (kept: typeof before) =>
        kept.blocks.flatMap((b) => b.work.filter(isAsked).map((w) => `${b.exerciseId}/${w.side}`));
      expect(worked(before)).toContain('front_hamstring_cycle/left');
      expect(worked(after)).not.toContain('front_hamstring_cycle/left');
      expect([after.copy === before.copy, after.without.length > before.without.length, after.barred]).toEqual([false, true, []]);
      // Begun from the old copy: whoever looks at it where the studio answers is told what is barred by now.
      await startAway(db, id, sessionId, said(before.copy), noon);
      const running = await playedSession(db, await loadGoalCase(db, id, testDay), sessionId);
      expect(running!.barred.map((b) => `${b.exerciseId}/${b.side}`)).toContain('front_hamstring_cycle/left');
    }));

  test('a new symptom told on the device opens its stop, and nothing has begun', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      const { copy } = await keepSession(db, id, sessionId, noon);
      const symptom = { kind: 'sharp_pop', place: 'groin', side: 'left' } as const;
      const told = said(copy, { newSymptom: true, symptom });
      await expect(startAway(db, id, sessionId, told, noon)).rejects.toEqual(refusal('not_ready'));
      const c = await loadCase(db, id, testDay);
      expect([c.locks.length > 0, c.sessions.find((s) => s.id === sessionId)!.status]).toEqual([true, 'planned']);
    }));

  test('a pain locks though the start of its session never arrived', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      const pain = { setIndex: 2, exerciseId: 'rear_hip_cycle', workSide: 'left', place: 'knee', side: 'left' } as const;
      await tellPain(
        db,
        id,
        sessionId,
        { id: crypto.randomUUID(), ...pain, kind: 'locking', at: noon.toISOString() },
        at('2026-03-05')
      );
      const c = await loadCase(db, id, testDay);
      expect(c.locks.map((l) => l.stop)).toEqual([{ joint: 'knee', side: 'left' }]);
      expect(c.pains.map((p) => [p.sessionId, p.setIndex, p.feltOn])).toEqual([[null, null, testDay]]);
    }));

  test('what holds up a start holds this up: begun, somebody else’s, stopped today', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await play(db, id, testDay);
      await expect(keepSession(db, id, sessionId, noon)).rejects.toEqual(refusal('session_not_planned'));
      const second = await nextSession(db, id);
      expect((await keepSession(db, id, second, noon)).days[0]!.sameDay).toBe(true);
      await expect(keepSession(db, id + 1, second, noon)).rejects.toEqual(refusal('not_found'));
      await startSession(db, id, second, { ...fit, sameDay: true }, noon);
      await changeClient(db, id, (tx) => insertLock(tx, id, hip));
      await finishSession(db, id, second, { status: 'stopped' }, at(testDay));
      const third = await nextSession(db, id);
      await expect(keepSession(db, id, third, at(testDay))).rejects.toEqual(refusal('stopped_today'));
    }));
});

describe('the moments a device tells', () => {
  test.each([
    ['later than now, it is now', '2026-03-09T00:00:00Z', at(testDay)],
    ['in the first year of all, its clock is wrong and it is now', '0001-01-01T00:00:00Z', at(testDay)],
    ['before the session began, it is now', '2020-01-01T00:00:00Z', at(testDay)]
  ])('%s', (_, told, ended) =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      await startSession(db, id, sessionId, fit, noon);
      await finishSession(db, id, sessionId, { status: 'done', at: told }, at(testDay));
      expect(new Date((await sessionOf(db, id, sessionId)).endedAt!)).toEqual(ended);
    })
  );
});
