import { describe, expect, test } from 'vitest';
import { addDays, exerciseOf, leftOutTexts, type Side, whyText, longHold } from '$lib/core';
import type { PainInput, StartInput } from '$lib/contract/forms';
import type { SetLogInput } from '$lib/contract/setForms';
import type { TrialInput } from '$lib/contract/measureForms';
import type { Database } from '../db/db';
import { lanternHallShelf } from '../demo/lanternHall';
import { insertClient } from '../repo/clientRepo';
import { insertProp } from '../repo/propRepo';
import { getPrescribed } from '../repo/sessionRepo';
import { at, fit, nextSession, play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { caseMemory } from './caseMemory';
import { clearLock, saveScreening } from './checking';
import { loadCase, loadSplitCase, loadLoggedCase } from './clientCase';
import { saveGoal } from './goalSetting';
import { gradeOf } from './gradeExercise';
import { settingOf } from './gradeExercise';
import { splitExerciseId, splitGrade } from './gradeSplit';
import { compareSides } from './comparing';
import { weakerSide } from './comparing';
import { takenSplits } from './takenSplit';
import { saveOccasion } from './measuring';
import { planView } from './composing';
import { makePlan } from './planning';
import { finishSession, logSet, startSession, tellPain } from './practising';
import { attendanceOf, pendingResume, proposalsOf } from './reviewing';
import { doneAgainstPlan } from './doneAgainstPlan';
import { tellLater } from './pain';
import { staircasesOf } from './staircase';
import { nextStation, stationsOf } from './stations';
import { acceptProposals, decideProposal } from './deciding';
import { changeClient } from './changing';
import { setDial } from './settingDial';

const store = testDatabase();
const today = '2026-03-02';

async function newClient(db: Database, minutes = 45): Promise<number> {
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  const id = await insertClient(db, {
    name: 'Nell Harrow',
    birthYear: 1990,
    birthDate: null,
    level: 'intermediate',
    contact: '',
    statureCm: 170,
    leftLegCm: 90,
    rightLegCm: null,
    lowerLegCm: null,
    hipToBreastboneCm: null,
    bodyMassKg: null,
    sessionsPerWeek: 3,
    minutesPerSession: minutes,
    notes: ''
  });
  await saveGoal(db, id, null, splitGoal, today);
  return id;
}

/** The split's stack of a side, whatever the step. */
const chooseStack = (db: Database, id: number, side: Side, value: number) =>
  setDial(db, id, { exerciseId: splitExerciseId, side, dial: 'depthCm', value, sure: true, reason: '' }, at(today));

const passCheck = (db: Database, id: number, flags: string[] = []) =>
  changeClient(db, id, (tx) =>
    saveScreening(tx, id, { flags, sides: {}, endStops: [], beighton: [], effortCapPct: 60, sensationCap: 4 }, today)
  );

const splitTrial = (side: 'left' | 'right', ordinal: number, heightCm: number): TrialInput => ({
  measureId: 'front_split_gap',
  side,
  mode: 'passive',
  way: 'tape',
  support: '',
  ordinal,
  entries: { heightCm }
});

async function measure(db: Database, id: number, leftCm: number, rightCm: number, on = today): Promise<void> {
  const trials = [
    splitTrial('left', 1, leftCm),
    splitTrial('left', 2, leftCm),
    splitTrial('right', 1, rightCm),
    splitTrial('right', 2, rightCm)
  ];
  await saveOccasion(db, id, { ...warmOn(on), trials });
}

const splitGoal = {
  kind: 'front_split',
  title: '',
  headline: 'front_split_gap',
  leadSide: 'left',
  target: 0,
  targetReason: '',
  targetOn: null,
  eventName: '',
  stage: 0,
  demands: null
} as const;
const warmOn = (takenOn: string) => ({ bodyState: 'warm', takenOn, dayTime: '', training: '', measurer: '', note: '' }) as const;
const planInput = { schoolId: longHold.id, weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: today, basedOnVersion: 0 };

async function withPlan(db: Database): Promise<number> {
  const id = await newClient(db);
  await passCheck(db, id);
  await measure(db, id, 20, 22);
  await makePlan(db, id, planInput, today);
  return id;
}

const uuid = () => crypto.randomUUID();

const refusal = (code: string) => expect.objectContaining({ code });

describe('the path of the work', () => {
  test('leads a new client from one station to the next', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      const next = async () => nextStation(stationsOf(await loadCase(db, id, today), today));
      expect(await next()).toBe('check');
      await passCheck(db, id);
      expect(await next()).toBe('measure');
      await measure(db, id, 20, 22);
      expect(await next()).toBe('grade');
      for (const side of ['left', 'right'] as const) await chooseStack(db, id, side, 20);
      expect(await next()).toBe('plan');
      await makePlan(db, id, planInput, today);
      expect(await next()).toBe('practise');
      await play(db, id, today);
      expect(await next()).toBe('review');
      await acceptProposals(db, id, today);
      expect(await next()).toBe('practise');
    }));

  test('is shut by a red flag', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      await passCheck(db, id, ['hernia']);
      await measure(db, id, 20, 22);
      await expect(makePlan(db, id, planInput, today)).rejects.toEqual(refusal('not_cleared'));
      const states = Object.fromEntries(stationsOf(await loadCase(db, id, today), today).map((s) => [s.id, s.state]));
      expect(states).toMatchObject({ check: 'blocked', plan: 'blocked', practise: 'blocked' });
    }));
});

describe('measuring', () => {
  test('keeps nothing of an occasion with an impossible trial', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      await expect(measure(db, id, 20, 89.95 + 5)).rejects.toEqual(refusal('gap_exceeds_leg'));
      expect((await loadSplitCase(db, id, today)).occasions).toEqual([]);
    }));

  test('compares only the same state, and tells a weaker side beyond the error', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      await measure(db, id, 20, 30, '2026-02-01');
      await saveOccasion(db, id, {
        ...warmOn('2026-02-02'),
        bodyState: 'cold',
        trials: [splitTrial('left', 1, 24)]
      });
      await measure(db, id, 12, 29, '2026-02-20');
      const c = await loadSplitCase(db, id, today);
      const left = takenSplits(c).filter((r) => r.side === 'left');
      expect(left.map((r) => r.change?.verdict ?? null)).toEqual([null, null, 'real gain']);
      expect(left[2]!.change!.difference).toBeCloseTo(-8, 6);
      expect(weakerSide(c)).toBe('right');
      expect(compareSides(takenSplits(c), 'passive')?.takenOn).toBe('2026-02-20');
    }));

  test('past flat is a raise under the heel, and reads below zero', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      await saveOccasion(db, id, {
        ...warmOn(today),
        trials: [{ ...splitTrial('left', 1, 0), way: 'raise', entries: { raiseCm: 6 } }]
      });
      expect(takenSplits(await loadSplitCase(db, id, today))[0]).toMatchObject({ depthCm: -6 });
    }));
});

describe('planning', () => {
  test('starts from the stack nearest to the measure, and keeps it with the plan', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const c = await loadSplitCase(db, id, today);
      expect((['left', 'right'] as const).map((side) => splitGrade(c, side)!.rung.depthCm)).toEqual([20, 22.5]);
      expect(settingOf(c, exerciseOf(splitExerciseId), 'right').depthCm).toBe(22.5);
      const view = planView({ ...c, plan: c.plan! });
      expect(view.flatMap((w) => w.sessions)).toHaveLength(12);
      expect(view.flatMap((w) => w.sessions).every((s) => s.durationS <= 45 * 60)).toBe(true);
    }));

  test('refuses an older version, and supersedes only what was not done', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      await expect(makePlan(db, id, planInput, today)).rejects.toEqual(refusal('plan_changed_elsewhere'));
      await makePlan(db, id, { ...planInput, weeks: 6, basedOnVersion: 1 }, today);
      const c = await loadSplitCase(db, id, today);
      expect(c.plan).toMatchObject({ version: 2, weeks: 6 });
      expect(c.sessions.filter((s) => s.status === 'done')).toHaveLength(1);
      expect(c.sessions.filter((s) => s.status === 'planned')).toHaveLength(18);
    }));

  test('refuses more weeks than are left before the date', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      await passCheck(db, id);
      await measure(db, id, 20, 22);
      await db.query('update goal set target_on = $1 where client_id = $2', [addDays(today, 14), id]);
      await expect(makePlan(db, id, planInput, today)).rejects.toEqual(refusal('weeks_past_target'));
      expect((await loadSplitCase(db, id, today)).plan).toBeNull();
    }));

  test('an empty shelf gives no plan: nobody is put on the floor from 20 cm', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      await db.query('delete from prop');
      await passCheck(db, id);
      await measure(db, id, 20, 22);
      await expect(makePlan(db, id, planInput, today)).rejects.toEqual(refusal('no_stack_near'));
      const bare = await loadSplitCase(db, id, today);
      expect((['left', 'right'] as const).every((side) => splitGrade(bare, side)!.tooFar)).toBe(true);
    }));

  test('a shelf emptied later takes the position out of the sessions, and says so', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await db.query('delete from prop');
      const c = await loadSplitCase(db, id, today);
      const session = planView({ ...c, plan: c.plan! })[0]!.sessions[0]!;
      expect(session.blocks.map((b) => b.exerciseId)).not.toContain('front_split_on_stack');
      expect(leftOutTexts(session.leftOut).join()).toContain('no stack near the height in use');
    }));
});

describe('practising', () => {
  test('a set sent twice is kept once, and a set done over replaces the one before', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      await startSession(db, id, sessionId, fit, at(today));
      const log: SetLogInput = {
        id: uuid(),
        setIndex: 1,
        exerciseId: 'rear_hip_cycle',
        side: 'left',
        plannedS: 200,
        actualS: 150,
        clean: true,
        sensation: null,
        felt: null,
        slipped: null,
        setting: { holdS: 60 }
      };
      await logSet(db, id, sessionId, log);
      await logSet(db, id, sessionId, { ...log, actualS: 10 });
      expect((await loadLoggedCase(db, id, today)).setLogs.map((l) => l.actualS)).toEqual([150]);
      await logSet(db, id, sessionId, { ...log, id: uuid(), actualS: 200 });
      expect((await loadLoggedCase(db, id, today)).setLogs.map((l) => l.actualS)).toEqual([200]);
    }));

  test('only one session runs, and sets go only to one that was started', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const [first, second] = (await loadSplitCase(db, id, today)).sessions.map((s) => s.id);
      await startSession(db, id, first!, fit, at(today));
      await startSession(db, id, first!, fit, at(today)); // finds it running
      await expect(startSession(db, id, second!, fit, at(today))).rejects.toEqual(refusal('session_already_running'));
      await expect(finishSession(db, id + 1000, first!, { status: 'done' }, at(today))).rejects.toEqual(refusal('not_found'));
    }));

  test('a stop sign locks and ends the session; of a split nothing is left without that knee, and all is back once it is cleared', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      await startSession(db, id, sessionId, fit, at(today));
      const pain: PainInput = {
        id: uuid(),
        setIndex: 2,
        exerciseId: 'rear_hip_cycle',
        workSide: 'left',
        place: 'knee',
        side: 'left',
        kind: 'locking'
      };
      await tellPain(db, id, sessionId, pain, at(today));
      await tellPain(db, id, sessionId, pain, at(today)); // a repeated send opens no second lock
      const c = await loadSplitCase(db, id, today);
      expect(c.locks.map((l) => [l.stop, l.clearedOn])).toEqual([[{ joint: 'knee', side: 'left' }, null]]);
      expect(c.sessions.find((s) => s.id === sessionId)!.status).toBe('stopped');
      expect(() => planView({ ...c, plan: c.plan! })).toThrow(expect.objectContaining({ code: 'everything_locked' }));
      expect((await caseMemory(db).people('active'))[0]).toMatchObject({ openStops: 1 });

      await clearLock(db, id, c.locks[0]!.id, { clearedBy: 'A. Clinician', clearNote: 'Quiet.' }, today);
      const after = await loadSplitCase(db, id, today);
      expect(
        planView({ ...after, plan: after.plan! })
          .at(-1)!
          .sessions[0]!.blocks.map((b) => b.exerciseId)
      ).toContain('front_split_on_stack');
    }));

  test('a pain is graded after it was told, once: severe, it stops the joint and ends the session', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      await startSession(db, id, sessionId, fit, at(today));
      const pain: PainInput = {
        id: uuid(),
        setIndex: 2,
        exerciseId: 'rear_hip_cycle',
        workSide: 'left',
        place: 'knee',
        side: 'left',
        kind: 'joint'
      };
      await tellPain(db, id, sessionId, pain, at(today));
      expect((await loadSplitCase(db, id, today)).locks).toEqual([]);
      await tellPain(db, id, sessionId, { ...pain, grade: 'severe' }, at(today));
      await tellPain(db, id, sessionId, { ...pain, grade: 'mild' }, at(today)); // said too late
      const c = await loadSplitCase(db, id, today);
      expect(c.pains.map((p) => p.grade)).toEqual(['severe']);
      expect(c.locks.map((l) => l.stop)).toEqual([{ joint: 'knee', side: 'left' }]);
      expect(c.sessions.find((s) => s.id === sessionId)!.status).toBe('stopped');
    }));

  test('an ache at the bone rests that line and nothing else', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await nextSession(db, id);
      await startSession(db, id, sessionId, fit, at(today));
      const pain = {
        setIndex: 2,
        exerciseId: 'front_hamstring_cycle',
        workSide: 'left',
        place: 'sit_bone',
        side: 'left',
        kind: 'bone_attachment'
      } as const;
      await tellPain(db, id, sessionId, { id: uuid(), ...pain }, at(today));
      await finishSession(db, id, sessionId, { status: 'done' }, at(today));
      const c = await loadSplitCase(db, id, today);
      const cycle = planView({ ...c, plan: c.plan! })
        .at(-1)!
        .sessions[0]!.blocks.find((b) => b.exerciseId === 'front_hamstring_cycle')!;
      expect(cycle.work.map((w) => w.side)).toEqual(['right']);
    }));
});

describe('the three taps before a session', () => {
  const start = async (db: Database, id: number, answers: Partial<StartInput>) => {
    const sessionId = await nextSession(db, id);
    await startSession(db, id, sessionId, { ...fit, ...answers }, at(today));
    return sessionId;
  };

  test('a sore day is one step easier, and says nothing about the setting in use', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const depth = settingOf(await loadSplitCase(db, id, today), exerciseOf(splitExerciseId), 'left').depthCm;
      for (const on of ['2026-03-02', '2026-03-04', '2026-03-06']) {
        await play(db, id, on, undefined, { soreness: 5 });
        await acceptProposals(db, id, on);
      }
      const c = await loadLoggedCase(db, id, today);
      expect(c.sessions.at(0)!.readiness).toMatchObject({ soreness: 5, easier: true });
      const split = (await getPrescribed(db, c.sessions[0]!.id)).blocks.find((b) => b.exerciseId === splitExerciseId)!;
      expect(split.work.find((w) => w.side === 'left')!.setting.depthCm).toBeGreaterThan(depth!);
      expect(c.decisions.every((d) => d.verdict === 'stay')).toBe(true);
    }));

  test('with painkillers nothing is deepened, also not by overruling', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, '2026-03-02');
      await acceptProposals(db, id, '2026-03-02');
      await play(db, id, '2026-03-04', undefined, { today: ['painkillers'] });
      const proposal = proposalsOf(await loadLoggedCase(db, id, '2026-03-04')).find((p) => p.exerciseId === splitExerciseId)!;
      expect(proposal.verdict).toBe('stay');
      const overruled = {
        exerciseId: splitExerciseId,
        side: proposal.side,
        verdict: 'deepen',
        overruledBecause: 'Feels fine.'
      } as const;
      await expect(decideProposal(db, id, overruled, '2026-03-04')).rejects.toEqual(refusal('deepen_against_limit'));
    }));

  test('a new symptom keeps it from starting; a stop sign locks at once', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const symptom = (kind: 'joint' | 'nerve') => ({
        newSymptom: true,
        symptom: { kind, place: 'groin', side: 'right' } as const
      });
      await expect(start(db, id, { newSymptom: true })).rejects.toEqual(refusal('not_ready'));
      await expect(start(db, id, symptom('joint'))).rejects.toEqual(refusal('not_ready'));
      expect((await loadSplitCase(db, id, today)).locks).toEqual([]);
      await expect(start(db, id, symptom('nerve'))).rejects.toEqual(refusal('not_ready'));
      expect((await loadSplitCase(db, id, today)).locks.map((l) => l.stop)).toEqual([
        { line: 'hip flexor', side: 'right' },
        { line: 'inner thigh', side: 'right' },
        { joint: 'hip', side: 'right' }
      ]);
    }));
});

describe('end stops', () => {
  test('no stack, rung or choice goes past the end stops of the two hips', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db);
      const endStops = [
        { motion: 'HF-KS', side: null, deg: 120 },
        { motion: 'HE', side: null, deg: 30 }
      ] as const;
      const answers = { flags: [], sides: {}, endStops: [...endStops], beighton: [], effortCapPct: 60, sensationCap: 4 };
      await changeClient(db, id, (tx) => saveScreening(tx, id, answers, today));
      await measure(db, id, 15, 15); // deeper than the stops allow
      const endCm = 90 * Math.sin((15 * Math.PI) / 180) - 0.5; // 150° open on two legs of about 90 cm
      const c = await loadSplitCase(db, id, today);
      const left = splitGrade(c, 'left')!;
      expect(left.rung.depthCm).toBeGreaterThanOrEqual(endCm);
      const { stack } = gradeOf(c, exerciseOf(splitExerciseId), 'left').dials[0]!;
      for (const r of [...left.rungs, ...stack!.rungs, ...stack!.near]) expect(r.depthCm).toBeGreaterThanOrEqual(endCm);
      await expect(chooseStack(db, id, 'left', 10)).rejects.toEqual(refusal('past_end'));
    }));
});

describe('reviewing', () => {
  test('two clean sessions deepen the split by one rung, and the next session stands on it', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, '2026-03-02');
      await acceptProposals(db, id, '2026-03-02');
      await play(db, id, '2026-03-04');
      const proposals = proposalsOf(await loadLoggedCase(db, id, '2026-03-04'));
      expect(proposals.find((p) => p.exerciseId === splitExerciseId && p.side === 'left')).toMatchObject({
        verdict: 'deepen',
        from: 20,
        to: 17.5
      });
      await acceptProposals(db, id, '2026-03-04');
      const next = await nextSession(db, id);
      await startSession(db, id, next, fit, at('2026-03-06'));
      const work = (await getPrescribed(db, next)).blocks.find((b) => b.exerciseId === splitExerciseId)!.work;
      expect(work.map((w) => w.rung?.depthCm)).toEqual([17.5, 20]);
      const treads = staircasesOf(await loadSplitCase(db, id, '2026-03-06')).find((s) => s.side === 'left')!.treads;
      expect(treads.filter((t) => !t.ahead).map((t) => t.value)).toEqual([20, 17.5]);
    }));

  test('a sensation above the cap eases, and the reason says so', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const strong = { clean: false, sensation: 7, felt: 'expected', slipped: 'nothing' } as const;
      await play(db, id, today, (set) => (set.exerciseId === splitExerciseId ? strong : {}));
      const split = proposalsOf(await loadLoggedCase(db, id, today)).find((p) => p.exerciseId === splitExerciseId)!;
      expect(split).toMatchObject({ verdict: 'ease', rule: 'sensation', dial: 'depthCm' });
      expect(whyText(split.because[0]!)).toContain('7 of 10, above the cap of 4');
    }));

  test('an overruling needs its reason, and both are kept', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      const input = { exerciseId: splitExerciseId, side: 'left', verdict: 'deepen', overruledBecause: '' } as const;
      await expect(decideProposal(db, id, input, today)).rejects.toEqual(refusal('reason_missing'));
      await decideProposal(db, id, { ...input, overruledBecause: 'Was lower last spring.' }, today);
      expect((await loadSplitCase(db, id, today)).decisions).toMatchObject([
        { proposedVerdict: 'stay', verdict: 'deepen', from: 20, to: 17.5, overruledBecause: 'Was lower last spring.' }
      ]);
    }));

  test('while a stop is open nothing is deepened, also not by overruling', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const sessionId = await play(db, id, today);
      await tellPain(
        db,
        id,
        sessionId,
        {
          id: uuid(),
          setIndex: 1,
          exerciseId: 'rear_knee_lift',
          workSide: 'left',
          place: 'elbow',
          side: 'right',
          kind: 'locking'
        },
        at(today)
      );
      const input = { exerciseId: splitExerciseId, side: 'left', verdict: 'deepen', overruledBecause: 'I want to.' } as const;
      await expect(decideProposal(db, id, input, today)).rejects.toEqual(refusal('deepen_against_limit'));
    }));

  test('pain afterwards eases, and twice running stops and locks', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      const hurt = {
        kind: 'afterwards',
        place: 'groin',
        side: 'left',
        exerciseId: splitExerciseId,
        workSide: 'left',
        note: ''
      } as const;
      for (const [i, on] of ['2026-03-02', '2026-03-04'].entries()) {
        await play(db, id, on);
        await tellLater(db, id, { ...hurt, feltOn: on }, at(on));
        const split = proposalsOf(await loadLoggedCase(db, id, today)).find(
          (p) => p.exerciseId === splitExerciseId && p.side === 'left'
        )!;
        expect(split.verdict).toBe(i === 0 ? 'ease' : 'stop');
        await acceptProposals(db, id, on);
      }
      expect((await loadSplitCase(db, id, today)).locks.map((l) => l.stop)).toEqual([
        { exerciseId: splitExerciseId, side: 'left' },
        { joint: 'hip', side: 'left' }
      ]);
    }));

  test('after a pause the session waits for an answer: a step back, or a reason', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      await acceptProposals(db, id, today);
      const later = addDays(today, 14);
      const next = await nextSession(db, id);
      expect((await pendingResume(db, await loadSplitCase(db, id, later))).length).toBeGreaterThan(0);
      await expect(startSession(db, id, next, fit, at(later))).rejects.toEqual(refusal('resume_undecided'));
      await expect(startSession(db, id, next, { ...fit, answer: 'as before', reason: ' ' }, at(later))).rejects.toEqual(
        refusal('reason_missing')
      );
      await startSession(db, id, next, { ...fit, answer: 'accept' }, at(later));
      const work = (await getPrescribed(db, next)).blocks.find((b) => b.exerciseId === splitExerciseId)!.work;
      expect(work.map((w) => w.rung!.depthCm)).toEqual([22.5, 25]);
      expect(await pendingResume(db, await loadSplitCase(db, id, later))).toEqual([]);
    }));

  test('says what was done against what was prescribed', () =>
    store.rolledBack(async (db) => {
      const id = await withPlan(db);
      await play(db, id, today);
      const c = await loadSplitCase(db, id, today);
      const done = doneAgainstPlan(c)!;
      expect(done.exercises.every((e) => e.doneSets === e.plannedSets && e.actualS === e.plannedS)).toBe(true);
      expect(attendanceOf({ ...c, today: addDays(today, 3) })).toEqual({ done: 1, due: 2 });
    }));
});
