import { describe, expect, test } from 'vitest';
import { addDays, hardLinks, isAsked, noPlanWishes, type PlanWishes } from '$lib/core';
import type { Database } from '../db/db';
import { updateCurrentGoal } from '../repo/clientRepo';
import { insertLock } from '../repo/lockRepo';
import { insertProp } from '../repo/propRepo';
import { goalInput, passCheck, personWithGoal, take, testDay } from '../testing/people';
import { at, play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { calendarOf } from './calendar';
import { loadGoalCase, loadLoggedCase } from './clientCase';
import { chosenSession, movedOn, planView, prepareSession, sessionsOfPlan } from './composing';
import { copyPlan } from './copyingPlan';
import { playedSession } from './keeping';
import { saveGoal } from './goalSetting';
import { sharedText } from './goalsServed';
import { versionsOf } from './planVersions';
import { makePlan, planAsk } from './planning';
import { proposalsOf } from './reviewing';
import { revisePlan, swapInPlan } from './revisingPlan';
import { hardYesterday, recordsOf } from './sessionRecords';
import { changeClient } from './changing';
import { openWeek, swapsFor } from './week';

const store = testDatabase('split plan');
const refusal = (code: string) => expect.objectContaining({ code });
async function planOf(db: Database, id: number, on = testDay) {
  const c = await loadGoalCase(db, id, on);
  return { ...c, plan: c.plan! };
}
const revise = (db: Database, id: number, wishes: Partial<PlanWishes>, basedOnVersion = 1) =>
  revisePlan(
    db,
    id,
    {
      basedOnVersion,
      schoolId: 'long_hold',
      sessionsPerWeek: 3,
      minutes: 45,
      missed: 'keep',
      wishes: { ...noPlanWishes, ...wishes }
    },
    testDay
  );
const stop = (exerciseId: string) => ({
  stop: { exerciseId, side: null },
  reason: 'Decided in Review.',
  openedOn: testDay,
  painEventId: null
});

describe('sessions at home', () => {
  const splitIn = (blocks: ReturnType<typeof prepareSession>['blocks']) => blocks.find((b) => b.part === 'position');
  const block = (heightCm: number) => ({
    name: `Home block ${heightCm}`,
    kind: 'block' as const,
    quantity: 1,
    softShare: 0,
    faces: [{ heightCm, widthCm: 40, depthCm: 30 }]
  });

  test('stand on what is at home and no harder; what is done well there is no reason to go deeper', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await db.transaction((tx) => insertProp(tx, block(24), id));
      await revise(db, id, { sessions: { 1: { atHome: true, beginsAt: '07:30' } } });
      const c = await planOf(db, id);
      const [home, studio] = sessionsOfPlan(c);
      expect([home!.place, home!.beginsAt, studio!.place]).toEqual(['home', '07:30', 'studio']);
      const heightOf = (s: typeof home) => splitIn(prepareSession(c, s!).blocks)!.work[0]!.rung!.heightCm;
      expect(heightOf(home)).toBe(24);
      expect(heightOf(studio)).toBeLessThan(24);
      expect((await versionsOf(db, c))[0]!.changed).toContain('Session 1 of each week is at home, begins at 07:30.');
      const played = await play(db, id, testDay);
      const after = await loadLoggedCase(db, id, addDays(testDay, 1));
      // The player shows what stands there, not what stands in the studio.
      expect((await playedSession(db, after, played))!.shelf.map((p) => p.name)).toEqual(['Home block 24']);
      const [record] = recordsOf(after, 'front_split_on_stack', 'left');
      expect(record!.sets.every((set) => !set.clean)).toBe(true);
    }));

  test('with nothing at home nothing stands on a stack there, and the plan says so', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await revise(db, id, { sessions: { 1: { atHome: true } } });
      const c = await planOf(db, id);
      const [home] = sessionsOfPlan(c);
      const { blocks, leftOut } = prepareSession(c, home!);
      expect(blocks.flatMap((b) => b.work).every((w) => w.rung === undefined || w.rung.heightCm === 0)).toBe(true);
      expect(leftOut.map((l) => l.code)).toContain('no prop');
    }));

  test('with nothing at home the recipe’s stand-ins are done there, which a stop takes out; they are logged like anything else', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await revise(db, id, { sessions: { 1: { atHome: true } } });
      const c = await planOf(db, id);
      const idsOf = (of: typeof c, n: number) => prepareSession(of, sessionsOfPlan(of)[n]!).blocks.map((b) => b.exerciseId);
      const week = c.choices.map((w) => w.exerciseId);
      const inStudio = idsOf(c, 1);
      const standIns = idsOf(c, 0).filter((e) => !week.includes(e) && !inStudio.includes(e));
      expect(standIns).toEqual(expect.arrayContaining(['low_lunge', 'prone_kicks']));
      expect(movedOn(c)).toEqual({ came: [], gone: [] });
      await play(db, id, testDay);
      const after = await loadLoggedCase(db, id, addDays(testDay, 1));
      expect(recordsOf(after, 'low_lunge', 'left')).toHaveLength(1);
      expect(proposalsOf(after).map((p) => p.exerciseId)).toContain('low_lunge');
      await changeClient(db, id, (tx) => insertLock(tx, id, stop('low_lunge')));
      const stoppedCase = await planOf(db, id);
      const homeAgain = sessionsOfPlan(stoppedCase).find((s) => s.place === 'home' && s.status === 'planned')!;
      expect(prepareSession(stoppedCase, homeAgain).blocks.map((b) => b.exerciseId)).not.toContain('low_lunge');
    }));

  test('a session that is left with nothing falls out, and the week says so', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      // These would stand in there.
      for (const exerciseId of ['prone_kicks', 'lying_contract_relax'])
        await changeClient(db, id, (tx) => insertLock(tx, id, stop(exerciseId)));
      await revise(db, id, { sessions: { 2: { atHome: true, training: 'before training', only: 'own strength' } } });
      const c = await planOf(db, id);
      expect([...new Set(sessionsOfPlan(c).map((s) => s.ordinal))]).toEqual([1, 3]);
      for (const week of planView(c)) expect(week.notes.map((n) => n.text).join()).toContain('Session 2 holds nothing');
    }));

  test('a calendar has each session at its own time, and says where it is', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await revise(db, id, { sessions: { 2: { atHome: true, beginsAt: '07:30' } } });
      const text = await calendarOf(db, await loadGoalCase(db, id, testDay), at(testDay), { hours: 18, minutes: 0 });
      expect(text.match(/DTSTART:\d{8}T180000/g)).toHaveLength(12);
      expect(text.match(/DTSTART:\d{8}T073000/g)).toHaveLength(6);
      expect(text.replaceAll('\r\n ', '').match(/At home\./g)).toHaveLength(6);
    }));
});

describe('an exercise in the place of another', () => {
  test('takes its place and what was wished of it, in one step; what is not open is neither offered nor taken', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      await revise(db, id, { pins: [{ exerciseId: 'rear_hip_cycle', session: 2 }] });
      const offered = swapsFor(await planOf(db, id), 'rear_hip_cycle').map((o) => o.id);
      const [first, second] = offered;
      await changeClient(db, id, (tx) => insertLock(tx, id, stop(first!)));
      const before = await planOf(db, id);
      expect(swapsFor(before, 'rear_hip_cycle').map((o) => o.id)).not.toContain(first);
      const swap = (by: string, exerciseId = 'rear_hip_cycle') =>
        swapInPlan(db, id, { basedOnVersion: 2, exerciseId, by }, testDay);
      await expect(swap(first!)).rejects.toEqual(refusal('exercise_barred'));
      await expect(swap(second!, first)).rejects.toEqual(refusal('not_found'));
      await swap(second!);
      const c = await planOf(db, id);
      const placeOf = (of: typeof c, exerciseId: string) => of.choices.findIndex((w) => w.exerciseId === exerciseId);
      expect(placeOf(c, second!)).toBe(placeOf(before, 'rear_hip_cycle'));
      expect(placeOf(c, 'rear_hip_cycle')).toBe(-1);
      expect(c.plan.wishes.pins).toEqual([{ exerciseId: second, session: 2 }]);
      expect((await versionsOf(db, c))[0]!.changed[0]).toMatch(/ in place of Rear hip, half kneeling\.$/);
      for (const s of sessionsOfPlan(c)) expect(s.allotment!.map((a) => a.exerciseId)).not.toContain('rear_hip_cycle');
    }));
});

describe('several goals of one person', () => {
  async function withLotus(db: Database) {
    const id = store.splitPlanId;
    const lotus = await saveGoal(db, id, null, goalInput('lotus'), testDay);
    const split = (await loadGoalCase(db, id, testDay)).goals.find((g) => g.kind === 'front_split')!.id;
    await changeClient(db, id, (tx) => updateCurrentGoal(tx, id, split));
    return { id, lotus, split };
  }

  test('share one plan: the other’s exercises that are open join the week, both its motions are worked, and it is told', () =>
    store.rolledBack(async (db) => {
      const { id, lotus } = await withLotus(db);
      const alone = await planOf(db, id);
      // What a stop forbids joins no week.
      const theirs = await (async () => {
        await changeClient(db, id, (tx) => updateCurrentGoal(tx, id, lotus));
        const ids = openWeek(await loadGoalCase(db, id, testDay)).map((e) => e.id);
        await changeClient(db, id, (tx) => updateCurrentGoal(tx, id, alone.goal.id));
        return ids;
      })();
      const barred = theirs.find((e) => alone.choices.every((w) => w.exerciseId !== e))!;
      await changeClient(db, id, (tx) => insertLock(tx, id, stop(barred)));
      await revise(db, id, { also: [{ goalId: lotus, weight: 'half as much' }] });
      const c = await planOf(db, id);
      const ids = c.choices.map((w) => w.exerciseId);
      expect(ids).toEqual(
        expect.arrayContaining([...alone.choices.map((w) => w.exerciseId), ...theirs.filter((e) => e !== barred)])
      );
      expect(ids).not.toContain(barred);
      const ask = planAsk(c, c.plan);
      expect(ask.demands).toEqual(expect.arrayContaining(['HF-KS', 'HER90']));
      // One person's limit stands first: the other goal counts half.
      expect(Math.max(...Object.values(ask.priority))).toBe(1);
      expect(ask.priority['HER90']!).toBeLessThan(1);
      expect((await versionsOf(db, c))[0]!.changed).toContain('The plan serves “Lotus” too; its minutes count half as much.');
      // A goal that goes again takes what only it needed with it.
      await revise(db, id, {}, 2);
      const again = (await planOf(db, id)).choices.map((w) => w.exerciseId);
      expect(again).toEqual(alone.choices.map((w) => w.exerciseId));
    }));

  test('what they have in common is said, and what nobody ended goal has is not served', () =>
    store.rolledBack(async (db) => {
      const { id, lotus } = await withLotus(db);
      const c = await planOf(db, id);
      expect(
        sharedText(
          c,
          c.goals.find((g) => g.id === lotus)!
        )
      ).toMatch(/^“Front split” and “Lotus” need no motion in common/);
      await saveGoal(db, id, null, goalInput('standing_split'), testDay);
      const other = (await loadGoalCase(db, id, testDay)).goal;
      expect(sharedText(c, other)).toMatch(/ both need hamstring length, front of the hip: /);
      await changeClient(db, id, (tx) => updateCurrentGoal(tx, id, c.goal.id));
      await expect(revise(db, id, { also: [{ goalId: 999_999, weight: 'as much' }] })).rejects.toEqual(refusal('not_found'));
    }));

  test('hard work of yesterday toward another goal counts for recovery', () =>
    store.rolledBack(async (db) => {
      const { id, split } = await withLotus(db);
      const played = await play(db, id, testDay, undefined, { overdueCheck: true });
      const c = await loadGoalCase(db, id, addDays(testDay, 1));
      const hard = hardYesterday(c);
      expect(hard.length).toBeGreaterThan(0);
      const lotusCase = c.goals.find((g) => g.id !== split)!;
      await changeClient(db, id, (tx) => updateCurrentGoal(tx, id, lotusCase.id));
      const other = await loadGoalCase(db, id, addDays(testDay, 1));
      expect(other.sessions.every((s) => s.id !== played)).toBe(true);
      expect(hardYesterday(other)).toEqual(hard);
    }));
});

describe('who joins a plan that runs', () => {
  test('trains on their days in the week they are in, settles in first, and begins every exercise as anybody would', () =>
    store.rolledBack(async (db) => {
      const from = store.splitPlanId;
      const later = addDays(testDay, 16);
      const id = await personWithGoal(db, 'front_split');
      await passCheck(db, id, testDay);
      for (const side of ['left', 'right'] as const) await take(db, id, 'front_split_gap', side, [30, 30.5], { on: later });
      await copyPlan(db, id, { fromClientId: from, basedOnVersion: 0, step: 'with them' }, later);
      const c = await planOf(db, id, later);
      const theirs = await planOf(db, from, later);
      expect(c.plan).toMatchObject({ startOn: testDay, weeks: 6 });
      const days = sessionsOfPlan(c).map((s) => s.plannedOn);
      expect(days).toEqual(sessionsOfPlan(theirs).flatMap((s) => (s.plannedOn >= later ? [s.plannedOn] : [])));
      expect(sessionsOfPlan(c)[0]).toMatchObject({ week: 3, phase: 'settle in' });
      expect(planView(c)[2]!.phase).toBe('settle in');
      expect((await versionsOf(db, c))[0]!.changed[0]).toBe('Joined the plan of another person in week 3, settling in first.');
      expect(c.choices.every((w) => w.cycles === null && w.lifts === null)).toBe(true);
      await expect(
        copyPlan(db, id, { fromClientId: from, basedOnVersion: 1, step: 'with them' }, addDays(testDay, 60))
      ).rejects.toEqual(refusal('plan_over'));
    }));
});

test('a session before other training is not hard, and one of stretch alone has no effort', () =>
  store.rolledBack(async (db) => {
    const id = store.splitPlanId;
    await revise(db, id, {
      sessions: { 1: { training: 'before training' }, 2: { only: 'stretch' } },
      hardSessions: 2,
      themes: true
    });
    const c = await planOf(db, id);
    for (const s of sessionsOfPlan(c)) {
      const { blocks } = prepareSession(c, s);
      if (s.ordinal < 3) expect([...hardLinks(blocks)]).toEqual([]);
      if (s.ordinal === 2)
        for (const w of blocks.flatMap((b) => b.work.filter(isAsked))) expect(['hold', 'flow']).toContain(w.form.kind);
    }
    expect(new Set(sessionsOfPlan(c).map((s) => s.theme)).size).toBeGreaterThan(1);
    await makePlan(db, id, { schoolId: 'long_hold', weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: testDay, basedOnVersion: 2 }, testDay); // prettier-ignore
    expect((await planOf(db, id)).plan.wishes).toMatchObject({ themes: true, hardSessions: 2 });
  }));

describe('a plan of many sessions', () => {
  test('shows of what was done how long it took and its course; all of it comes with the session that is chosen', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const played = await play(db, id, testDay);
      const c = await planOf(db, id, addDays(testDay, 1));
      const brief = planView(c)[0]!.sessions.find((s) => s.id === played)!;
      expect(brief.blocks).toEqual([]);
      expect(brief.durationS).toBeGreaterThan(600);
      const chosen = (await chosenSession(db, c, played))!;
      expect(chosen.session.blocks.length).toBeGreaterThan(3);
      expect({ durationS: chosen.session.durationS, curve: chosen.session.curve }).toEqual({
        durationS: brief.durationS,
        curve: brief.curve
      });
      expect(chosen.doses.length).toBeGreaterThan(0);
      // Unless somebody asks for one, it is the next that is to come; what is not of this plan is not found.
      expect((await chosenSession(db, c, null))!.session).toMatchObject({ status: 'planned', week: 1, ordinal: 2 });
      await expect(chosenSession(db, c, 999_999)).rejects.toEqual(refusal('not_found'));
    }));
});
