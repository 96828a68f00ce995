import { describe, expect, test } from 'vitest';
import { addDays, exerciseOf, exercises, goalOf, levelName, reasonText } from '$lib/core';
import type { DialInput } from '$lib/contract/exerciseForms';
import { ownExerciseForm, ownExerciseShape, typedExercise } from '$lib/contract/ownExercise';
import { propForm } from '$lib/contract/propForms';
import type { Database } from '../db/db';
import { lanternHallShelf } from '../demo/lanternHall';
import { insertClient } from '../repo/clientRepo';
import { insertLock } from '../repo/lockRepo';
import { insertProp, listProps } from '../repo/propRepo';
import { goalInput, newPerson, passCheck, take as takeTrials } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import { caseMemory } from './caseMemory';
import { saveScreening } from './checking';
import { loadCase, withGoal, type GoalCase } from './clientCase';
import { saveGoal } from './goalSetting';
import { gradeOf, settingOf } from './gradeExercise';
import { blocksBase } from './composing';
import { addToWeek, chooseSchool, missingPieces, noteExercise, takeFromWeek, weekOf } from './week';
import { addExercise, changeExercise, exerciseIn, loadCatalogue, removeExercise } from './library';
import { saveOccasion } from './measuring';
import { barsOf } from './safety';
import { propOf } from './shelf';
import { shelfUse, usersOfProp } from './shelfUse';
import { stationsOf } from './stations';
import { changeClient } from './changing';
import { setDial } from './settingDial';

const store = testDatabase();
const today = '2026-03-02';
const now = new Date(`${today}T17:00:00`);
const refusal = (code: string) => expect.objectContaining({ code });

async function newClient(db: Database, kind: string, leadSide: 'left' | null = null): Promise<number> {
  if ((await listProps(db)).length === 0) for (const prop of lanternHallShelf) await insertProp(db, prop);
  const id = await insertClient(db, {
    name: `Somebody with a ${kind}`,
    birthYear: 1990,
    birthDate: null,
    level: 'intermediate',
    contact: '',
    statureCm: 170,
    leftLegCm: 90,
    rightLegCm: 90,
    lowerLegCm: null,
    hipToBreastboneCm: null,
    bodyMassKg: null,
    sessionsPerWeek: 3,
    minutesPerSession: 45,
    notes: ''
  });
  const goal = goalOf(kind);
  await saveGoal(
    db,
    id,
    null,
    {
      kind,
      leadSide,
      title: '',
      headline: goal.headline,
      target: goal.target,
      targetReason: '',
      stage: 0,
      demands: null,
      targetOn: null,
      eventName: ''
    },
    today
  );
  await passCheck(db, id, today);
  return id;
}

const take = (
  db: Database,
  id: number,
  measureId: string,
  side: 'left' | 'right' | null,
  heightCm: number,
  way: 'tape' = 'tape'
) =>
  saveOccasion(db, id, {
    bodyState: 'warm',
    takenOn: today,
    dayTime: 'evening',
    training: 'before',
    measurer: '',
    note: '',
    trials: [1, 2].map((ordinal) => ({
      measureId,
      side,
      mode: 'passive' as const,
      way,
      support: '',
      ordinal,
      entries: { heightCm }
    }))
  });

const caseOf = async (db: Database, id: number): Promise<GoalCase> => withGoal(await loadCase(db, id, today))!;
const dial = (exerciseId: string, name: string, value: number, more: Partial<DialInput> = {}): DialInput => ({
  exerciseId,
  side: 'left',
  dial: name,
  value,
  sure: false,
  reason: '',
  ...more
});

describe('the week', () => {
  test('begins with the position and one to open and one to own each motion, and is kept once it is changed', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      const names = async () => weekOf(await caseOf(db, id)).map((w) => w.exercise.id);
      const first = await names();
      expect(first[0]).toBe('pancake_on_seat');
      await addToWeek(db, id, 'straddle_leg_lifts', today);
      await addToWeek(db, id, 'straddle_leg_lifts', today);
      expect(await names()).toEqual([...new Set([...first, 'straddle_leg_lifts'])]);
      await takeFromWeek(db, id, 'pancake_on_seat', today);
      expect(await names()).not.toContain('pancake_on_seat');
      for (const rest of (await names()).slice(1)) await takeFromWeek(db, id, rest, today);
      await expect(takeFromWeek(db, id, (await names())[0]!, today)).rejects.toEqual(refusal('week_empty'));
      await expect(addToWeek(db, id, 'no_such', today)).rejects.toEqual(refusal('not_found'));
    }));

  test('a first list takes what the shelf has, and says what it goes without; chosen once, it says nothing more', () =>
    store.rolledBack(async (db) => {
      await insertProp(db, lanternHallShelf[0]!); // blocks alone
      const id = await newClient(db, 'range_SF');
      const names = async () => weekOf(await caseOf(db, id)).map((w) => w.exercise.id);
      expect(await names()).toEqual(expect.arrayContaining(['arm_across_and_over']));
      expect(await names()).not.toContain('arm_overhead_lift');
      const lift = exerciseOf('arm_overhead_lift');
      expect(missingPieces(await caseOf(db, id))).toContainEqual({ name: lift.name, lacks: ['stick'] });
      await insertProp(
        db,
        lanternHallShelf.find((p) => p.kind === 'stick')!
      );
      expect(await names()).toEqual(expect.arrayContaining(['arm_overhead_stick', 'arm_overhead_lift']));
      expect(await names()).not.toContain('arm_across_and_over');
      await takeFromWeek(db, id, 'arm_overhead_lift', today);
      expect(missingPieces(await caseOf(db, id))).toEqual([]);
    }));

  test('a first list goes by the level, and round what is stopped', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'lotus');
      const names = async () => weekOf(await caseOf(db, id)).map((w) => w.exercise.id);
      expect(await names()).toContain('pigeon_engaged');
      await db.query(`update client set level = 'beginner' where id = $1`, [id]);
      expect(await names()).toContain('butterfly_pulses');
      await changeClient(db, id, (tx) =>
        saveScreening(
          tx,
          id,
          {
            flags: ['artificial_knee'],
            sides: {},
            endStops: [{ motion: 'KF' as const, side: null, deg: 120 }],
            beighton: [],
            effortCapPct: 60,
            sensationCap: 4
          },
          today
        )
      );
      const c = await caseOf(db, id);
      for (const e of weekOf(c)
        .map((w) => w.exercise)
        .slice(1))
        expect(barsOf(c, e), e.id).toEqual([]);
    }));
});

describe('grading', () => {
  test('the start height comes from the measured reach, and is the same on both sides where both sit on it', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      const seat = async () => gradeOf(await caseOf(db, id), exerciseOf('pancake_on_seat'), 'left').dials[0]!.stack!;
      expect(await seat()).toMatchObject({ measured: null, missing: 'pancake_seat_height', chosen: false });
      await take(db, id, 'pancake_seat_height', null, 14.6);
      expect(await seat()).toMatchObject({ measured: { value: 14.6 }, rung: { heightCm: 15 }, chosen: false });
      await setDial(db, id, dial('pancake_on_seat', 'seatCm', 15), now);
      const c = await caseOf(db, id);
      expect(c.settings.pancake_on_seat).toMatchObject({ left: { seatCm: 15 }, right: { seatCm: 15 } });
      expect(stationsOf(c, today).find((s) => s.id === 'grade')!.state).toBe('ahead'); // no baseline of the headline yet
    }));

  test('a height goes to the nearest the shelf makes, and every change is kept with its day', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'standing_fold');
      await take(db, id, 'fingertip_floor', null, 20);
      await setDial(db, id, dial('standing_fold', 'handsCm', 20), now);
      await setDial(db, id, dial('standing_fold', 'handsCm', 16, { sure: true }), now);
      const grade = gradeOf(await caseOf(db, id), exerciseOf('standing_fold'), 'left');
      expect(grade.history.map((h) => [h.dial, h.from, h.to, h.on])).toEqual([
        ['handsCm', 20, 15, today],
        ['handsCm', null, 20, today]
      ]);
      expect(grade.dials[0]!.stack!.rung.heightCm).toBe(15);
    }));

  test('several steps at once are refused until they are confirmed; easing never is', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      await take(db, id, 'pancake_seat_height', null, 20);
      await expect(setDial(db, id, dial('pancake_on_seat', 'seatCm', 5), now)).rejects.toEqual(refusal('jump_unconfirmed'));
      expect((await caseOf(db, id)).settings).toEqual({});
      await setDial(db, id, dial('pancake_on_seat', 'seatCm', 5, { sure: true }), now);
      await setDial(db, id, dial('pancake_on_seat', 'seatCm', 25), now);
      await setDial(db, id, dial('pancake_press_draw', 'effortPct', 20), now);
      await expect(setDial(db, id, dial('pancake_press_draw', 'effortPct', 40), now)).rejects.toEqual(
        refusal('jump_unconfirmed')
      );
    }));

  test('dials keep their ends and the client’s cap, and a figure nobody gives is ours', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      await changeClient(db, id, (tx) =>
        saveScreening(tx, id, { flags: [], sides: {}, endStops: [], beighton: [], effortCapPct: 40, sensationCap: 4 }, today)
      );
      const at = async (name: string) =>
        gradeOf(await caseOf(db, id), exerciseOf('pancake_press_draw'), 'left').dials.find((d) => d.dial.id === name)!.at;
      // Intermediate, and no school chosen yet.
      expect(await at('rounds')).toBe(2);
      expect(await at('effortPct')).toBe(40);
      await expect(setDial(db, id, dial('pancake_press_draw', 'effortPct', 55, { sure: true }), now)).rejects.toEqual(
        expect.objectContaining({ code: 'past_end', data: expect.objectContaining({ end: '40 %' }) })
      );
      await expect(setDial(db, id, dial('pancake_press_draw', 'rounds', 99), now)).rejects.toEqual(refusal('dial_out_of_range'));
      await setDial(db, id, dial('pancake_press_draw', 'rounds', 3), now);
      expect(await at('rounds')).toBe(3);
      await expect(setDial(db, id, dial('pancake_press_draw', 'nothing', 2), now)).rejects.toEqual(refusal('not_found'));
    }));

  test('what is set on one dial leaves the starts of the others alone: a beginner keeps the shorter hold', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'front_split', 'left');
      await db.query(`update client set level = 'beginner' where id = $1`, [id]);
      const at = async () => settingOf(await caseOf(db, id), exerciseOf('rear_hip_cycle'), 'left');
      const { holdS } = await at();
      expect(holdS).toBeLessThan(exerciseOf('rear_hip_cycle').start.holdS!);
      await setDial(db, id, dial('rear_hip_cycle', 'effortPct', 45), now);
      expect(await at()).toEqual({ holdS, effortPct: 45 });
    }));

  test('two dials tapped at once are both kept', async () => {
    const id = await newClient(store.db, 'front_split', 'left');
    await Promise.all([
      setDial(store.db, id, dial('rear_hip_cycle', 'effortPct', 45), now),
      setDial(store.db, id, dial('rear_hip_cycle', 'holdS', 75), now)
    ]);
    expect((await caseOf(store.db, id)).settings.rear_hip_cycle!.left).toEqual({ effortPct: 45, holdS: 75 });
    await store.db.query('delete from client where id = $1', [id]);
    await store.db.query('delete from prop');
  });

  test('a week changed in several ways at once keeps every change', async () => {
    const id = await newClient(store.db, 'front_split', 'left');
    const [first, second] = weekOf(await caseOf(store.db, id)).map((w) => w.exercise.id);
    await Promise.all([
      addToWeek(store.db, id, 'pancake_floor', today),
      takeFromWeek(store.db, id, first!, today),
      chooseSchool(store.db, id, { exerciseId: second, schoolId: 'breath_counted', policies: {} }, today)
    ]);
    const week = weekOf(await caseOf(store.db, id));
    expect(week.map((w) => w.exercise.id)).toContain('pancake_floor');
    expect(week.map((w) => w.exercise.id)).not.toContain(first);
    expect(week.find((w) => w.exercise.id === second)!.schoolId).toBe('breath_counted');
    await store.db.query('delete from client where id = $1', [id]);
    await store.db.query('delete from prop');
  });

  test('a limit and an open stop rule an exercise out; what is in use may still be made easier', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'heel_sit');
      const stops = [{ motion: 'KF' as const, side: null, deg: 120 }];
      const answers = { flags: ['artificial_knee'], sides: {}, beighton: [], effortCapPct: 60, sensationCap: 4 };
      await expect(changeClient(db, id, (tx) => saveScreening(tx, id, { ...answers, endStops: [] }, today))).rejects.toEqual(
        refusal('end_stop_missing')
      );
      await changeClient(db, id, (tx) => saveScreening(tx, id, { ...answers, endStops: stops }, today));
      const barsOfHeelSit = async () =>
        gradeOf(await caseOf(db, id), exerciseOf('heel_sit'), 'left')
          .gated.bars.map(reasonText)
          .join(' ');
      expect(await barsOfHeelSit()).toMatch(/No heel-sit \(artificial knee/);
      await expect(setDial(db, id, dial('heel_sit', 'holdS', 60), now)).rejects.toEqual(refusal('exercise_barred'));
      await passCheck(db, id, today);
      await setDial(db, id, dial('heel_sit', 'holdS', 60), now);
      await changeClient(db, id, (tx) =>
        insertLock(tx, id, { stop: { joint: 'knee', side: 'left' }, painEventId: null, reason: 'A pop', openedOn: today })
      );
      expect(await barsOfHeelSit()).toMatch(/Left knee is locked/);
      await expect(setDial(db, id, dial('heel_sit', 'holdS', 90), now)).rejects.toEqual(refusal('exercise_barred'));
      await setDial(db, id, dial('heel_sit', 'holdS', 30), now);
      // Nothing that loads it, and nothing else of the person is made harder meanwhile.
      await expect(setDial(db, id, dial('wrist_own_hand', 'holdS', 60, { sure: true }), now)).rejects.toEqual(
        refusal('past_end')
      );
      await expect(addToWeek(db, id, 'turnout_standing', today)).rejects.toEqual(refusal('exercise_barred'));
    }));

  test.each(['pigeon_forward', 'front_hip_90_90', 'figure_four_chair', 'butterfly_seat', 'stacked_shins', 'easy_seat'])(
    'with a knee locked %s is neither graded nor put into a week',
    (exerciseId) =>
      store.rolledBack(async (db) => {
        const id = await newClient(db, 'turnout');
        await changeClient(db, id, (tx) =>
          insertLock(tx, id, { stop: { joint: 'knee', side: 'left' }, painEventId: null, reason: 'A pop', openedOn: today })
        );
        const exercise = exerciseOf(exerciseId);
        const [first] = exercise.dials;
        await expect(setDial(db, id, dial(exerciseId, first!.id, first!.max, { sure: true }), now)).rejects.toEqual(
          refusal('exercise_barred')
        );
        const c = await caseOf(db, id);
        for (const { exercise: e } of weekOf(c))
          expect(e.loads.every((l) => l.joint !== 'knee') || e.sides === 'each', e.id).toBe(true);
        // The other side stays open where it is done on one side and does not load the locked one.
        if (exercise.sides !== 'each')
          await expect(addToWeek(db, id, exerciseId, today)).rejects.toEqual(refusal('exercise_barred'));
      })
  );

  test('a step of the knee waits its fortnight; a written reason goes past it, and is kept', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'heel_sit');
      await setDial(db, id, dial('heel_sit', 'seatCm', 17.5, { sure: true }), now);
      await expect(setDial(db, id, dial('heel_sit', 'seatCm', 15), now)).rejects.toEqual(refusal('wait_not_over'));
      await setDial(db, id, dial('heel_sit', 'seatCm', 15, { reason: 'Set too high by mistake.' }), now);
      const c = await caseOf(db, id);
      expect(c.settingChanges.at(-1)).toMatchObject({ reason: 'Set too high by mistake.' });
      await setDial(db, id, dial('heel_sit', 'seatCm', 20), now); // easier needs none
      const later = new Date(`${addDays(today, 14)}T10:00:00`);
      await setDial(db, id, dial('heel_sit', 'seatCm', 17.5), later);
    }));

  test('a reason is no way past a limit: half way, past flat for the young, an effort above its cap', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'front_split', 'left');
      await take(db, id, 'front_split_gap', 'left', 30);
      await passCheck(db, id, today, ['first_attempt', 'blood_pressure_controlled']);
      const reason = 'I am sure.';
      const stack = () => caseOf(db, id).then((c) => gradeOf(c, exerciseOf('front_split_on_stack'), 'left').dials[0]!.stack!);
      expect((await stack()).rung.depthCm).toBeGreaterThanOrEqual(45); // half again as high as measured
      await expect(setDial(db, id, dial('front_split_on_stack', 'depthCm', 40, { sure: true, reason }), now)).rejects.toEqual(
        refusal('past_end')
      );
      await expect(setDial(db, id, dial('front_split_on_stack', 'depthCm', -5, { sure: true, reason }), now)).rejects.toEqual(
        refusal('past_end')
      );
      await expect(setDial(db, id, dial('rear_hip_cycle', 'effortPct', 45, { sure: true, reason }), now)).rejects.toEqual(
        refusal('past_end')
      );
    }));

  test('a lotus week of somebody at the easy seat has the easy seat', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'lotus');
      const ids = async () => weekOf(await caseOf(db, id)).map((w) => w.exercise.id);
      expect((await ids())[0]).toBe('easy_seat');
      expect(await ids()).not.toContain('half_lotus');
      const { goal } = await caseOf(db, id);
      const moved = (stage: number, on: string, targetReason = '') =>
        saveGoal(db, id, goal.id, { ...goalInput('lotus'), stage, targetReason }, on);
      await expect(moved(2, addDays(today, 60))).rejects.toEqual(refusal('stage_not_open'));
      await expect(moved(1, addDays(today, 13))).rejects.toEqual(refusal('stage_not_open'));
      // Its days alone open nothing, nor does a reason without the range.
      await expect(moved(1, addDays(today, 14))).rejects.toEqual(refusal('stage_not_open'));
      await expect(moved(1, addDays(today, 14), 'She sat so for years.')).rejects.toEqual(refusal('stage_not_open'));
      for (const side of ['left', 'right'] as const)
        await takeTrials(db, id, 'HER90', side, [66, 67], { on: today, way: 'goniometer' });
      await expect(moved(1, addDays(today, 14))).rejects.toEqual(refusal('stage_not_open'));
      await moved(1, addDays(today, 14), 'She sat so for years.');
      expect((await ids())[0]).toBe('half_lotus');
    }));

  test('a start is never harder than what was measured', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'front_split', 'left');
      for (const cm of [21, 11.2, 6]) {
        await take(db, id, 'front_split_gap', 'left', cm);
        const { rung } = gradeOf(await caseOf(db, id), exerciseOf('front_split_on_stack'), 'left').dials[0]!.stack!;
        expect(rung.depthCm).toBeGreaterThanOrEqual(cm);
      }
    }));

  // Source: common practice; whoever is further does not begin with the first level, and nobody sits high unmeasured.
  test('a level that was measured is where it begins; a seat that was not is a usual one', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'switch_90_90', null);
      const handsAt = async () => settingOf(await caseOf(db, id), exerciseOf('switch_90_90'), 'left')['hands'];
      expect(await handsAt()).toBe(0);
      await takeTrials(db, id, 'switch_support', null, [1], { on: today, way: 'level', mode: 'active' });
      expect(levelName(exerciseOf('switch_90_90').dials[0]!, (await handsAt())!)).toBe('one behind');
      const pancake = gradeOf(await caseOf(db, id), exerciseOf('pancake_on_seat'), 'left');
      expect(pancake.dials.find((d) => d.dial.stack?.under === 'seat')!.stack!.rung.depthCm).toBeLessThanOrEqual(20);
      // What is raised does not begin on the floor.
      const raised = gradeOf(await caseOf(db, id), exerciseOf('front_foot_raised_lunge'), 'left');
      expect(raised.dials[0]!.stack!.rung.heightCm).toBeGreaterThanOrEqual(5);
    }));

  test('past flat is no goal for the young', () =>
    store.rolledBack(async (db) => {
      const young = await newPerson(db, 'Wee Lark', 2014);
      await expect(saveGoal(db, young, null, goalInput('front_split', { target: -10 }), today)).rejects.toEqual(
        refusal('goal_barred')
      );
      await saveGoal(db, young, null, goalInput('front_split'), today);
    }));

  test('the school is the exercise’s own, else the one the client prefers', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      await chooseSchool(db, id, { exerciseId: undefined, schoolId: 'drills', policies: { hands: 'none' } }, today);
      await chooseSchool(db, id, { exerciseId: 'pancake_on_seat', schoolId: 'long_hold', policies: {} }, today);
      const c = await caseOf(db, id);
      expect(weekOf(c).map((w) => w.schoolId)).toEqual([
        'long_hold',
        ...weekOf(c)
          .slice(1)
          .map(() => 'drills')
      ]);
      expect(c.client.policies).toEqual({ hands: 'none' });
      // It goes into the sessions; of what the school says anyway nothing.
      await chooseSchool(db, id, { exerciseId: 'pancake_on_seat', schoolId: 'long_hold', policies: { time: 'seconds' } }, today);
      const { week } = blocksBase(await caseOf(db, id), 'long_hold');
      expect(week.find((w) => w.exercise.id === 'pancake_on_seat')!.rules).toEqual({ hands: 'none' });
    }));

  test('what an exercise did for a client is kept, the last word only', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      await noteExercise(db, id, { exerciseId: 'frog', effect: 'worse', note: 'pinches' }, today);
      await noteExercise(db, id, { exerciseId: 'frog', effect: 'works', note: 'knees wider' }, today);
      expect((await caseOf(db, id)).notes).toEqual([
        { exerciseId: 'frog', effect: 'works', note: 'knees wider', notedOn: today }
      ]);
    }));
});

describe('the shelf', () => {
  const units = { length: 'cm', mass: 'kg' } as const;
  const typed = (over: Record<string, unknown>) =>
    propForm(units).safeParse({
      kind: 'block',
      name: 'Thing',
      quantity: '2',
      softPct: '0',
      turns: 'on',
      lengthsCm: ['10', '15', '23'],
      ...over
    });
  const messages = (over: Record<string, unknown>) =>
    typed(over).error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`) ?? [];

  test.each([
    ['a height of zero', { lengthsCm: ['0', '15', '23'] }, ['lengthsCm.0: Between 0.2 and 150 cm']],
    ['a negative height', { lengthsCm: ['-10', '15', '23'] }, ['lengthsCm.0: Between 0.2 and 150 cm']],
    ['a band without tension', { kind: 'band' }, ['pullKg: How strong is it? Its pull when stretched to twice its length']],
    ['a band of no tension', { kind: 'band', pullKg: '0' }, ['pullKg: Between 0.1 and 100 kg']],
    ['a weight without mass', { kind: 'weight' }, ['massKg: How heavy is one?']],
    ['a kind that is none', { kind: 'cloud' }, ['kind: Choose what it is']],
    [
      'everything wrong at once',
      { name: '', quantity: 'many', lengthsCm: ['x', '', '23'] },
      [
        'name: What is it called?',
        'quantity: Write a number, for example 12.5',
        'lengthsCm.0: Write a number, for example 12.5',
        'lengthsCm.1: Fill this in'
      ]
    ]
  ])('refuses %s beside its field', (_, over, expected) => expect(messages(over)).toEqual(expected));

  test('keeps bands by pull, stairs by steps, and what one has at home apart', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      const add = (over: Record<string, unknown>, home: number | null) => insertProp(db, propOf(typed(over).data!), home);
      await add({ kind: 'band', name: 'Green band', pullKg: '12,5' }, null);
      await add({ kind: 'stairs', name: 'Back stairs', stepCm: '17.5', steps: '4', quantity: '1' }, id);
      const studio = await listProps(db);
      expect(studio.at(-1)).toMatchObject({ kind: 'band', pullKg: 12.5, faces: [] });
      const [stairs] = await listProps(db, id);
      expect(stairs).toMatchObject({ fixed: true, faces: [17.5, 35, 52.5, 70].map((heightCm) => ({ heightCm })) });
      expect((await caseOf(db, id)).homeShelf).toHaveLength(1);
    }));

  test('a new prop changes the ladder, and the best one to buy is no worse than any other', () =>
    store.rolledBack(async (db) => {
      await insertProp(db, lanternHallShelf[0]!);
      const id = await newClient(db, 'pancake');
      await take(db, id, 'pancake_seat_height', null, 15);
      const rungs = async () =>
        gradeOf(await caseOf(db, id), exerciseOf('pancake_on_seat'), 'left').dials[0]!.stack!.rungs.map((r) => r.depthCm);
      const before = await rungs();
      const { addition, ladders } = await shelfUse(await listProps(db), await caseMemory(db).shelfAsks(today));
      expect(ladders).toBeGreaterThan(0);
      expect(addition!.after.faults).toBeLessThan(addition!.before.faults);
      await insertProp(db, { ...lanternHallShelf[2]!, quantity: 2 });
      expect((await rungs()).length).toBeGreaterThan(before.length);
    }));

  test('a shelf that is only tried changes nothing of the studio’s own', () =>
    store.rolledBack(async (db) => {
      for (const prop of lanternHallShelf) await insertProp(db, prop);
      const id = await newClient(db, 'pancake');
      await take(db, id, 'pancake_seat_height', null, 15);
      const c = await caseOf(db, id);
      const heights = (shelf = c.shelf) =>
        gradeOf(c, exerciseOf('pancake_on_seat'), 'left', shelf).dials[0]!.stack!.rungs.map((r) => r.depthCm);
      expect(heights([])).toEqual([0]);
      expect(heights().length).toBeGreaterThan(3);
      expect(heights([])).toEqual([0]);
    }));

  test('says what is missing and what else will do', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'lotus');
      await addToWeek(db, id, 'leaning_back_kneel', today);
      await addToWeek(db, id, 'strap_reps_middle', today);
      const { missing } = await shelfUse(await listProps(db), await caseMemory(db).shelfAsks(today));
      expect(missing.find((m) => m.kind === 'strap')).toMatchObject({
        name: 'Strap',
        neededBy: expect.arrayContaining(['Knee straightened on the strap, middle'])
      });
      expect(missing.find((m) => m.kind === 'rings')!.substitutes[0]).toMatchObject({ kind: 'band', onShelf: true });
    }));

  test('tells in whose stack a prop stands', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'pancake');
      await setDial(db, id, dial('pancake_on_seat', 'seatCm', 10), now);
      const shelf = await listProps(db);
      const users = usersOfProp(await caseMemory(db).shelfAsks(today), shelf.find((p) => p.name === 'Cork block')!.id);
      expect(users).toEqual(['Somebody with a pancake: Pancake on its seat, relaxed, 10 cm']);
      expect(usersOfProp(await caseMemory(db).shelfAsks(today), shelf.find((p) => p.name === 'Stage box')!.id)).toEqual([]);
    }));
});

describe('own exercises', () => {
  const written = (over: Record<string, unknown> = {}) =>
    ownExerciseForm.parse({
      name: 'Lantern lunge',
      aliases: '',
      position: 'lunge',
      phases: ['hold'],
      kinds: ['passive'],
      links: ['HE'],
      also: '',
      sides: 'each',
      sideWords: 'knee on the mat',
      setup: 'Lunge beside the lantern.\nSink.',
      checks: 'hips square',
      felt: 'front of the hip',
      notFelt: '',
      why: 'For the pageant.',
      cautions: '',
      mistakes: 'The back arches: tuck the pelvis.',
      padding: '',
      clothing: '',
      dials: [
        { kind: 'hold', min: '20', max: '60', step: '10' },
        { kind: 'height', name: 'height under the hands', min: '0', max: '40', step: '2.5', harder: 'down', under: 'hands' },
        { kind: 'levels', levels: 'near\nfar' },
        { kind: '' }
      ],
      ...over
    });

  test('are written, used in a week, graded, changed; and not removed while they are used', () =>
    store.rolledBack(async (db) => {
      const id = await newClient(db, 'front_split', 'left');
      const own = await addExercise(db, written({ easier: ['low_lunge'] }), null);
      await addToWeek(db, id, own, today);
      await setDial(db, id, dial(own, 'height1', 10), now);
      const c = await caseOf(db, id);
      const exercise = exerciseIn(c.catalogue, own);
      expect(exercise).toMatchObject({
        family: 'Own exercises',
        mistakes: [{ mistake: 'The back arches', fix: 'tuck the pelvis.' }]
      });
      expect(exercise.stops.length).toBeGreaterThan(1);
      expect(settingOf(c, exercise, 'left')).toEqual({ holdS: 50, levels1: 0, height1: 10 });
      await changeExercise(db, own, written({ name: 'Lantern lunge, long' }));
      await expect(removeExercise(db, own, now)).rejects.toEqual(refusal('exercise_in_use'));
      await takeFromWeek(db, id, own, today);
      await removeExercise(db, own, now);
      expect((await caseOf(db, id)).catalogue.some((e) => e.id === own)).toBe(false);
    }));

  test('a name, a motion and a setting are enough: it counts as stretching, so that every limit reaches it', () =>
    store.rolledBack(async (db) => {
      const least = {
        name: 'Doorway lean',
        links: ['HF-KS'],
        dial0_kind: 'hold',
        dial0_min: '10',
        dial0_max: '60',
        dial0_step: '10'
      };
      const blank = Object.fromEntries(
        [
          'aliases',
          'also',
          'sideWords',
          'setup',
          'checks',
          'felt',
          'notFelt',
          'why',
          'cautions',
          'mistakes',
          'padding',
          'clothing'
        ].map((field) => [field, ''])
      );
      const own = await addExercise(db, ownExerciseForm.parse(ownExerciseShape({ ...blank, ...least })), null);
      const exercise = exerciseIn(await loadCatalogue(db), own);
      expect(exercise).toMatchObject({ phases: ['hold'], kinds: ['passive'], felt: 'muscles around the hip', setup: [] });
      expect(exercise.lines).toEqual([{ line: 'hamstring', on: 'same' }]);
      const id = await newClient(db, 'front_split', 'left');
      await addToWeek(db, id, own, today);
      await setDial(db, id, dial(own, 'holdS', 20), now);
      await changeClient(db, id, (tx) =>
        insertLock(tx, id, {
          stop: { line: 'hamstring', side: 'left' },
          reason: 'An ache at the sit-bone.',
          openedOn: today,
          painEventId: null
        })
      );
      const { gated } = gradeOf(await caseOf(db, id), exercise, 'left');
      expect(gated.verdict).toBe('barred');
    }));

  test('doses, stops, what it loads, words for press and draw, and its figure are its own, and can be taken out again', () =>
    store.rolledBack(async (db) => {
      const full = written({
        press: 'the knee into the mat',
        stops: 'Stop when the lantern falls.',
        loads: ['ankle'],
        otherLoads: ['wrist'],
        pose: 'half kneeling',
        doses: { drills: { holdS: '10–30', sets: '3' }, long_hold: { holdS: '120' } }
      });
      const own = await addExercise(db, full, null);
      const asWritten = exerciseIn(await loadCatalogue(db), own);
      expect(asWritten).toMatchObject({
        press: 'the knee into the mat',
        pose: 'half kneeling',
        doses: [
          { school: 'long_hold', holdS: 120 },
          { school: 'drills', holdS: [10, 30], sets: 3 }
        ]
      });
      expect(asWritten.stops[0]).toBe('Stop when the lantern falls.');
      expect(asWritten.loads).toEqual(
        expect.arrayContaining([
          { joint: 'ankle', on: 'same' },
          { joint: 'wrist', on: 'other' }
        ])
      );
      const typed = typedExercise(asWritten);
      expect(typed).toMatchObject({ stops: 'Stop when the lantern falls.', loads: ['ankle'], dose_drills_holdS: '10 to 30' });
      const bare = {
        ...typed,
        stops: '',
        loads: [],
        otherLoads: [],
        pose: '',
        press: '',
        dose_drills_holdS: '',
        dose_drills_sets: ''
      };
      await changeExercise(db, own, ownExerciseForm.parse(ownExerciseShape(bare)));
      const changed = exerciseIn(await loadCatalogue(db), own);
      expect(changed.stops).not.toContain('Stop when the lantern falls.');
      expect(changed.loads).not.toContainEqual({ joint: 'ankle', on: 'same' });
      expect(changed.doses).toEqual([{ school: 'long_hold', holdS: 120 }]);
      expect([changed.pose, changed.press]).toEqual([undefined, undefined]);
    }));

  test('a copy keeps what it loads and is stopped for; what ships is not changed', () =>
    store.rolledBack(async (db) => {
      const own = await addExercise(db, written({ name: 'My half lotus', links: ['HER90'] }), 'half_lotus');
      const id = await newClient(db, 'lotus');
      const copy = exerciseIn((await caseOf(db, id)).catalogue, own);
      const shipped = exerciseOf('half_lotus');
      for (const stop of shipped.stops) expect(copy.stops).toContain(stop);
      for (const load of shipped.loads) expect(copy.loads).toContainEqual(load);
      expect(copy.traits).toEqual(expect.arrayContaining([...shipped.traits]));
      expect(exerciseOf('half_lotus')).toBe(shipped);
      await changeExercise(db, own, written({ name: 'My half lotus', links: ['HER90'] }));
      const changed = exerciseIn(await loadCatalogue(db), own);
      for (const stop of shipped.stops) expect(changed.stops).toContain(stop);
      for (const load of shipped.loads) expect(changed.loads).toContainEqual(load);
      await expect(changeExercise(db, 'half_lotus', written())).rejects.toEqual(refusal('not_found'));
    }));

  test('each that ships comes out of the form as it went in', async () => {
    for (const shipped of exercises)
      await store.rolledBack(async (db) => {
        const input = ownExerciseForm.parse(ownExerciseShape(typedExercise(shipped)));
        const own = await addExercise(db, input, shipped.id);
        // Its id, and where it stands in its row and among others, are the copy's own.
        const ofItsOwn = ['id', 'family', 'harder', 'harderInferred', 'mirrors', 'added'];
        const same = Object.fromEntries(Object.entries(shipped).filter(([field]) => !ofItsOwn.includes(field)));
        expect(exerciseIn(await loadCatalogue(db), own), shipped.id).toMatchObject(same);
      });
  });

  test('dials keep their ids when others go, come or change their kind', () =>
    store.rolledBack(async (db) => {
      const rows = [
        { kind: 'distance', name: 'to the wall', min: '0', max: '40', step: '5' },
        { kind: 'hold', min: '20', max: '60', step: '10' },
        { kind: 'distance', name: 'between the feet', min: '0', max: '90', step: '5' }
      ];
      const own = await addExercise(db, written({ dials: rows }), null);
      const ids = async () => exerciseIn(await loadCatalogue(db), own).dials.map((d) => [d.id, d.name]);
      expect(await ids()).toEqual([
        ['distance1', 'to the wall'],
        ['holdS', 'hold'],
        ['distance2', 'between the feet']
      ]);
      const changed = [
        { ...rows[0], id: '' },
        { ...rows[2], id: 'distance2' },
        { ...rows[1], id: 'distance1', kind: 'reps' }
      ];
      await changeExercise(db, own, written({ dials: changed }));
      expect(await ids()).toEqual([
        ['distance1', 'to the wall'],
        ['distance2', 'between the feet'],
        ['reps', 'repetitions']
      ]);
    }));

  test('none is its own neighbour, at once or through others', () =>
    store.rolledBack(async (db) => {
      const own = await addExercise(db, written({ harder: ['half_split_hold'] }), null);
      await expect(changeExercise(db, own, written({ harder: [own] }))).rejects.toEqual(refusal('own_neighbour'));
      await expect(changeExercise(db, own, written({ harder: ['low_lunge'], easier: ['half_split_hold'] }))).rejects.toEqual(
        refusal('neighbour_ring')
      );
      await expect(addExercise(db, written({ harder: ['no_such'] }), null)).rejects.toEqual(refusal('not_found'));
    }));

  test('a dial that cannot be is told beside its field', () => {
    const typed = ownExerciseShape({
      ...typedExercise(exerciseOf('half_lotus')),
      mistakes: ': tuck',
      links: [],
      dose_drills_holdS: '30 to 20',
      dose_drills_reps: '101',
      dose_long_hold_rounds: '1 2'
    });
    const bad = ownExerciseForm.safeParse({
      ...(typed as object),
      dials: [
        { kind: 'hold', min: '60', max: '20', step: '0' },
        { kind: 'levels', levels: 'one' },
        { kind: 'levels', levels: 'abcdefghijklm'.split('').join('\n') },
        { kind: 'load', min: '0', max: '100', step: '0,0001' }
      ]
    });
    expect(bad.error!.issues.map((i) => i.path.join('.')).sort()).toEqual(
      [
        'doses.drills.holdS',
        'doses.drills.reps',
        'doses.long_hold.rounds',
        'mistakes',
        'links',
        'dials.0.max',
        'dials.0.step',
        'dials.1.levels',
        'dials.2.levels',
        'dials.3.step'
      ].sort()
    );
    const nothing = ownExerciseForm.safeParse(ownExerciseShape({}));
    expect(nothing.error!.issues.map((i) => i.path.join('.'))).toEqual(expect.arrayContaining(['name', 'links']));
    const hold = { kind: 'hold', min: '20', max: '60', step: '10' };
    const twice = ownExerciseForm.safeParse({
      ...(ownExerciseShape(typedExercise(exerciseOf('half_lotus'))) as object),
      dials: [hold, { kind: '' }, hold]
    });
    expect(twice.error!.issues.map((i) => i.path.join('.'))).toEqual(['dials.2.kind']);
  });
});
