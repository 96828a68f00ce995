import { describe, expect, test } from 'vitest';
import type { ToldPainInput } from '$lib/contract/forms';
import {
  addDays,
  endValues,
  exerciseOf,
  exercises,
  isWithin,
  leftOutTexts,
  screeningRows,
  sides,
  type PainKindId,
  type PainPlaceId,
  type Side,
  whyText,
  longHold
} from '$lib/core';
import type { Database } from '../db/db';
import { lanternHallShelf } from '../demo/lanternHall';
import { listWithdrawnPains } from '../repo/logRepo';
import { insertProp } from '../repo/propRepo';
import { newPerson, passCheck, personWithGoal, take, testDay } from '../testing/people';
import { at, fit, nextSession, play } from '../testing/sessions';
import { getPrescribed } from '../repo/sessionRepo';
import { testDatabase } from '../testing/testDatabase';
import { agesOf, clearLock, isOpenForWork, limitsOf, saveScreening } from './checking';
import { splitWeekIds } from '$lib/core/testing/week';
import { loadCase, loadSplitCase, withGoal, loadLoggedCase, withLog } from './clientCase';
import { gradeOf } from './gradeExercise';
import { painAlertsOf, tellLater, withdrawPain } from './pain';
import { planView } from './composing';
import { makePlan } from './planning';
import { barredSince, startSession, tellPain } from './practising';
import { proposalsOf } from './reviewing';
import { barsOf, gateOf, safetyOf } from './safety';
import { addableTo, addToWeek, weekOf } from './week';
import { changeClient } from './changing';
import { acceptProposals, decideProposal } from './deciding';

const store = testDatabase();
const today = testDay;
const refusal = (code: string) => expect.objectContaining({ code });
const answers = {
  sides: {},
  endStops: [{ motion: 'KF' as const, side: null, deg: 110 }],
  beighton: [],
  effortCapPct: 60,
  sensationCap: 4
};

async function withPlan(db: Database): Promise<number> {
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  const id = await personWithGoal(db, 'front_split');
  await passCheck(db, id, today);
  await take(db, id, 'front_split_gap', 'left', [20, 20], { on: today });
  await take(db, id, 'front_split_gap', 'right', [22, 22], { on: today });
  await makePlan(
    db,
    id,
    { schoolId: longHold.id, weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: today, basedOnVersion: 0 },
    today
  );
  return id;
}

const told = (more: Partial<ToldPainInput> = {}): ToldPainInput => ({
  grade: null,
  kind: 'afterwards',
  place: 'groin',
  side: 'left',
  feltOn: today,
  exerciseId: 'rear_hip_cycle',
  workSide: 'left',
  note: '',
  ...more
});

const inSession = (
  db: Database,
  id: number,
  sessionId: number,
  kind: PainKindId,
  place: PainPlaceId,
  side: Side | null,
  on = today
) =>
  tellPain(
    db,
    id,
    sessionId,
    { id: crypto.randomUUID(), setIndex: 2, exerciseId: 'rear_hip_cycle', workSide: 'left', place, side, kind },
    at(on)
  );

const sessionOf = async (db: Database, id: number, on = today) => {
  const c = await loadSplitCase(db, id, on);
  return planView({ ...c, plan: c.plan! }).at(-1)!.sessions[0]!;
};

describe('lists and steps, for every answer of the Check', () => {
  const flags = screeningRows.filter((r) => r.tier === 'limits').map((r) => r.id);
  test.each(['front_split', 'side_split', 'pancake', 'lotus', 'turnout', 'heel_sit', 'lean_back', 'range_KF'])(
    'a week of %s and its steps hold nothing that the gate bars',
    (kind) =>
      store.rolledBack(async (db) => {
        for (const prop of lanternHallShelf) await insertProp(db, prop);
        const id = await personWithGoal(db, kind);
        for (const flag of flags) {
          await changeClient(db, id, (tx) => saveScreening(tx, id, { ...answers, flags: [flag] }, today));
          const c = withGoal(await loadCase(db, id, today))!;
          const week = weekOf(c).map((w) => w.exercise);
          const isOpen = exercises.some((e) => barsOf(c, e).length === 0);
          expect(isOpen, flag).toBe(true);
          // What a split is planned from stays listed, marked, and is left out of its sessions. Where nothing of a goal is open, its
          // own list is shown, every one marked.
          const closed = week.filter((e) => barsOf(c, e).length > 0);
          if (kind !== 'front_split') expect([0, week.length], `${flag} ${closed[0]?.id}`).toContain(closed.length);
          for (const e of week)
            for (const side of sides) {
              const grade = gradeOf(c, e, side);
              for (const { dial, at: stands, harder, end } of grade.dials) {
                const ends = end ? { [dial.id]: end.at } : {};
                if (stands !== null && !dial.stack) expect(isWithin(dial, stands, ends), `${flag} ${e.id} ${dial.id}`).toBe(true);
                if (harder !== null) expect(isWithin(dial, harder, ends), `${flag} ${e.id} ${dial.id}`).toBe(true);
              }
              for (const step of [grade.next.harder, grade.next.easier])
                if (step.kind === 'neighbour')
                  for (const n of step.ids) expect(barsOf(c, exerciseOf(n)), `${flag} ${n}`).toEqual([]);
            }
          const { forGoal, others } = addableTo(c);
          for (const e of [...forGoal, ...others]) expect(barsOf(c, e), `${flag} ${e.id}`).toEqual([]);
          const [barred] = exercises.filter((e) => barsOf(c, e).length > 0);
          if (barred) await expect(addToWeek(db, id, barred.id, today)).rejects.toEqual(refusal('exercise_barred'));
        }
      })
  );

  test('nobody who was not screened is graded, and whom a clinician has to see first neither', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'turnout');
      const all = async () => exercises.every((e) => barsOf(withGoalCase, e).length > 0);
      let withGoalCase = await loadCase(db, id, today);
      expect(await all()).toBe(true);
      await passCheck(db, id, today, ['hernia']);
      withGoalCase = await loadCase(db, id, today);
      expect(await all()).toBe(true);
      await passCheck(db, id, today);
      withGoalCase = await loadCase(db, id, today);
      expect(await all()).toBe(false);
    }));

  // Born in 1966, on 2 March 2026: 59 or 60.
  test('the year of birth alone is read on the cautious side both ways, the day of birth as it is', () => {
    expect(agesOf({ birthYear: 1966, birthDate: null }, today)).toEqual({ ageYears: 59, oldestYears: 60 });
    expect(agesOf({ birthYear: 1966, birthDate: '1966-03-03' }, today)).toEqual({ ageYears: 59, oldestYears: 59 });
    expect(agesOf({ birthYear: 1966, birthDate: '1966-03-02' }, today)).toEqual({ ageYears: 60, oldestYears: 60 });
  });

  test('a birthday brings its limits without a new Check', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'turnout');
      await db.query("update client set birth_year = 1966, birth_date = '1966-03-10' where id = $1", [id]);
      await passCheck(db, id, today);
      const reasons = async (on: string) => limitsOf(await loadCase(db, id, on)).map((l) => l.from);
      expect(await reasons(today)).not.toContain('60 and over');
      expect(await reasons('2026-03-10')).toContain('60 and over');
    }));
});

describe('stops that stay stopped', () => {
  test.each(['head', 'lower_leg', 'nowhere', 'wrist_hand'] as const)(
    'an urgent sign told at %s closes the person and ends the session',
    (place) =>
      store.rolledBack(async (db) => {
        const id = await withPlan(db);
        const sessionId = await nextSession(db, id);
        await startSession(db, id, sessionId, fit, at(today));
        await inSession(db, id, sessionId, 'urgent_sign', place, null);
        const c = await loadSplitCase(db, id, today);
        expect(c.sessions.find((s) => s.id === sessionId)!.status).toBe('stopped');
        expect(isOpenForWork(c)).toBe(false);
        for (const e of exercises) expect(barsOf(c, e).length, e.id).toBeGreaterThan(0);
        await expect(startSession(db, id, await nextSession(db, id), { ...fit, sameDay: true }, at(today))).rejects.toEqual(
          refusal('not_cleared')
        );
        await clearLock(db, id, c.locks[0]!.id, { clearedBy: 'Dr A. Moss', clearNote: 'Harmless.' }, today);
        expect(isOpenForWork(await loadSplitCase(db, id, today))).toBe(true);
      })
  );

  test('a nerve sign told nowhere in particular locks what its exercise loads and stretches', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      await startSession(db, id, sessionId, fit, at(today));
      await inSession(db, id, sessionId, 'nerve', 'nowhere', null);
      const stops = (await loadSplitCase(db, id, today)).locks.map((l) => l.stop);
      expect(stops).toEqual(
        expect.arrayContaining([
          { joint: 'hip', side: 'left' },
          { line: 'hip flexor', side: 'left' }
        ])
      );
    }));

  test('a stop that came since a session began takes out what it bears on, movements of the warm-up too', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      await startSession(db, id, sessionId, fit, at(today));
      const { blocks } = await getPrescribed(db, sessionId);
      expect(barredSince(await loadSplitCase(db, id, today), blocks)).toEqual([]);
      await inSession(db, id, sessionId, 'nerve', 'nowhere', null);
      const barred = barredSince(await loadSplitCase(db, id, today), blocks).map((b) => `${b.exerciseId}/${b.side}`);
      // Told in work of the left hip: the march loads both hips, the arms nothing.
      expect(barred).toContain('march_on_the_spot/null');
      expect(barred).toContain('leg_swings_forward/left');
      expect(barred).not.toContain('settle/null');
    }));

  test('an accepted stop takes the exercise out of every coming session on that side, until it is cleared', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await play(db, id, today);
      await tellLater(db, id, told({ exerciseId: 'front_leg_lift', place: 'front_of_thigh', kind: 'joint' }), at(today));
      void sessionId;
      await acceptProposals(db, id, today);
      const on = addDays(today, 2);
      await play(db, id, on);
      await tellLater(db, id, told({ exerciseId: 'front_leg_lift', place: 'elbow', kind: 'joint', feltOn: on }), at(on));
      const stop = proposalsOf(await loadLoggedCase(db, id, on)).find(
        (p) => p.exerciseId === 'front_leg_lift' && p.side === 'left'
      )!;
      expect(stop).toMatchObject({ rule: 'sore joint', verdict: 'stop' });
      // Before it is accepted it is out already: told the second time.
      expect(leftOutTexts((await sessionOf(db, id, on)).leftOut).join(' ')).toMatch(
        /Pain was told for the second time.*straight-leg lift, sitting tall, left/
      );
      await acceptProposals(db, id, on);
      const c = await loadSplitCase(db, id, on);
      const taken = c.locks.find((l) => 'exerciseId' in l.stop)!;
      expect(taken.stop).toEqual({ exerciseId: 'front_leg_lift', side: 'left' });
      const works = async () =>
        (await sessionOf(db, id, on)).blocks.find((b) => b.exerciseId === 'front_leg_lift')?.work.map((w) => w.side);
      expect(await works()).toEqual(['right']);
      for (const lock of c.locks) await clearLock(db, id, lock.id, { clearedBy: 'M. Ash', clearNote: 'Quiet.' }, on);
      expect((await works())!.toSorted()).toEqual(['left', 'right']);
    }));

  test('while a stop is open nothing of the person is deepened, and what is overruled is refused', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      await tellLater(db, id, told({ kind: 'sharp_pop', place: 'wrist_hand', exerciseId: null, workSide: null }), at(today));
      const c = await loadSplitCase(db, id, today);
      expect(gateOf(c, exerciseOf('front_leg_lift'), 'left', { reps: 5, holdS: 5 }).ends).toMatchObject({
        reps: { at: 5 },
        holdS: { at: 5 }
      });
      const deepen = {
        exerciseId: 'front_split_on_stack',
        side: 'left',
        verdict: 'deepen',
        overruledBecause: 'I want to.'
      } as const;
      await expect(decideProposal(db, id, deepen, today)).rejects.toEqual(refusal('deepen_against_limit'));
    }));

  test('a pain of one exercise eases the others that load the same joint, and says which', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await play(db, id, today);
      await inSession(db, id, sessionId, 'joint', 'knee', 'left');
      const proposals = proposalsOf(await loadLoggedCase(db, id, today));
      const verdictOf = (exerciseId: string, side: Side) =>
        proposals.find((p) => p.exerciseId === exerciseId && p.side === side)!;
      expect(verdictOf('rear_hip_cycle', 'left').verdict).toBe('ease');
      const split = verdictOf('front_split_on_stack', 'right');
      expect(split).toMatchObject({ verdict: 'ease' });
      expect(whyText(split.because[0]!)).toMatch(/rear hip, half kneeling: pain in the joint, left knee/);
      expect(verdictOf('front_leg_lift', 'right').verdict).toBe('ease'); // the left knee is hugged in
    }));
});

describe('pain told at any time', () => {
  test('told in error it counts no more, in the verdicts nor in the gate; what it stopped stays stopped', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      await acceptProposals(db, id, today);
      await tellLater(db, id, told({}), at(today));
      const known = (await loadLoggedCase(db, id, today)).pains[0]!;
      const taken = { painId: known.id, by: 'M. Ash', why: 'It was the other knee.' };
      const other = await newPerson(db, 'Other');
      await expect(withdrawPain(db, other, taken, at(today))).rejects.toEqual(refusal('not_found'));
      await withdrawPain(db, id, taken, at(today));
      const after = await withLog(db, await loadSplitCase(db, id, today));
      expect([after.pains, proposalsOf(after)]).toEqual([[], []]);
      expect(gateOf(after, exerciseOf('front_split_on_stack'), 'left', { depthCm: 20 }).noHarder).toBeNull();
      expect(await listWithdrawnPains(db, id)).toMatchObject([{ withdrawnBy: 'M. Ash', withdrawnWhy: taken.why }]);
      await expect(withdrawPain(db, id, taken, at(today))).rejects.toEqual(refusal('not_found'));

      await tellLater(db, id, told({ kind: 'sharp_pop', place: 'knee', exerciseId: null, workSide: null }), at(today));
      const { pains } = await loadCase(db, id, today);
      await withdrawPain(db, id, { ...taken, painId: pains[0]!.id }, at(today));
      const { locks } = await loadCase(db, id, today);
      expect(locks.filter((l) => l.clearedOn === null).length).toBeGreaterThan(0);
    }));

  test('after the verdicts were accepted it is decided on anew, and keeps the exercise from going on meanwhile', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      await acceptProposals(db, id, today);
      expect(proposalsOf(await loadLoggedCase(db, id, today))).toEqual([]);
      await tellLater(db, id, told({ note: 'On the stairs.' }), at(today));
      // The same again is one pain still, with what was noted each time.
      for (const note of ['And at night.', 'On the stairs.', '']) await tellLater(db, id, told({ note }), at(today));
      const c = await withLog(db, await loadSplitCase(db, id, today));
      expect(c.pains.map((p) => p.note)).toEqual(['On the stairs.\nAnd at night.']);
      expect(proposalsOf(c)).toMatchObject([
        { exerciseId: 'rear_hip_cycle', side: 'left', moment: 'afterwards', verdict: 'ease' }
      ]);
      expect(gateOf(c, exerciseOf('front_split_on_stack'), 'left', { depthCm: 20 }).noHarder).toMatchObject({
        code: 'told pain'
      });
      await acceptProposals(db, id, today);
      const after = await withLog(db, await loadSplitCase(db, id, today));
      expect([proposalsOf(after), safetyOf(after).told]).toEqual([[], []]);
    }));

  test('joint pain twice running locks its joint, and not a place that was told as fine', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      for (const on of [today, addDays(today, 2)]) {
        await play(db, id, on);
        await tellLater(db, id, told({ feltOn: on }), at(on));
        await tellLater(db, id, told({ kind: 'stretch_or_work', place: 'back_of_thigh', side: 'right', feltOn: on }), at(on));
        await acceptProposals(db, id, on);
      }
      const c = await loadSplitCase(db, id, addDays(today, 2));
      expect(c.locks.map((l) => l.stop)).toEqual(
        expect.arrayContaining([
          { joint: 'hip', side: 'left' },
          { exerciseId: 'rear_hip_cycle', side: 'left' }
        ])
      );
      expect(c.locks).toHaveLength(2);
      expect(painAlertsOf(c)).toMatchObject([{ text: 'left groin', days: [today, addDays(today, 2)] }]);
    }));

  test('without an exercise it is kept with the person, also where there is no session yet', () =>
    store.rolledBack(async (db) => {
      const id = await personWithGoal(db, 'lotus');
      await passCheck(db, id, today);
      await tellLater(db, id, told({ exerciseId: null, workSide: null, place: 'knee', kind: 'joint' }), at(today));
      const c = await loadCase(db, id, today);
      expect(c.pains).toMatchObject([{ sessionId: null, exerciseId: null, place: 'knee' }]);
      expect(gateOf(c, exerciseOf('easy_seat'), null, {}).noHarder).toMatchObject({ code: 'told pain' });
      // It fades: a week later nobody has decided on it, and nobody was hurt again.
      expect(gateOf(await loadCase(db, id, addDays(today, 7)), exerciseOf('easy_seat'), null, {}).noHarder).toBeNull();
    }));
});

describe('before a session', () => {
  test('a second one on the same day asks; after one that was stopped it is refused until that is cleared', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      const second = await nextSession(db, id);
      await expect(startSession(db, id, second, fit, at(today))).rejects.toEqual(refusal('same_day_unconfirmed'));
      await startSession(db, id, second, { ...fit, sameDay: true }, at(today));
      expect((await loadSplitCase(db, id, today)).sessions.find((s) => s.id === second)!.readiness).toMatchObject({
        sameDay: true
      });
      await inSession(db, id, second, 'sharp_pop', 'elbow', 'left');
      const third = await nextSession(db, id);
      await expect(startSession(db, id, third, { ...fit, sameDay: true }, at(today))).rejects.toEqual(refusal('stopped_today'));
      const [lock] = (await loadSplitCase(db, id, today)).locks;
      await clearLock(db, id, lock!.id, { clearedBy: 'M. Ash', clearNote: 'Bruised, fine.' }, today);
      await startSession(db, id, third, { ...fit, sameDay: true }, at(today));
    }));

  test('an overdue Check is confirmed, and that is kept', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const late = addDays(today, 200);
      const next = await nextSession(db, id, late);
      await expect(startSession(db, id, next, fit, at(late))).rejects.toEqual(refusal('check_overdue_unconfirmed'));
      await startSession(db, id, next, { ...fit, overdueCheck: true }, at(late));
      expect((await loadSplitCase(db, id, late)).sessions.find((s) => s.id === next)!.readiness).toMatchObject({
        overdueCheck: true
      });
    }));

  test('a late review and the next start ease once together, not twice', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      const late = addDays(today, 20);
      await acceptProposals(db, id, late);
      expect((await loadSplitCase(db, id, late)).decisions.every((d) => d.verdict === 'stay')).toBe(true);
      await play(db, id, late);
      const eased = (await loadSplitCase(db, id, late)).decisions.filter((d) => d.verdict === 'ease');
      expect(eased).toHaveLength(2 * splitWeekIds.length);
    }));

  test('every exercise of a session tells the limits that bear on it, with its ends kept', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await changeClient(db, id, (tx) =>
        saveScreening(tx, id, { ...answers, flags: ['pregnant_well', 'hip_pinch', 'nerve_history'] }, today)
      );
      const { blocks, leftOut } = await sessionOf(db, id);
      const c = await loadSplitCase(db, id, today);
      const worked = blocks.flatMap((b) => b.work.filter((w) => w.side !== null).map((w) => ({ id: b.exerciseId, ...w })));
      expect(worked.length).toBeGreaterThan(0);
      for (const w of worked) {
        const kinds = w.notes!.flatMap((n) => (n.code === 'limit' ? [n.limit.kind] : []));
        expect(kinds, w.id).toEqual(expect.arrayContaining(['no deepening', 'stay short of the pinch']));
        const ends = endValues(gateOf(c, exerciseOf(w.id), w.side, w.setting));
        for (const dial of exerciseOf(w.id).dials)
          if (w.setting[dial.id] !== undefined && !dial.stack) expect(isWithin(dial, w.setting[dial.id]!, ends)).toBe(true);
      }
      expect(leftOutTexts(leftOut).join(' ')).toMatch(/Done in place of others: .* for settle/);
    }));
});
