import { describe, expect, test } from 'vitest';
import { levels, type Level } from '../level';
import { schoolOf, schools } from '../school/schools';
import type { SchoolId } from '../school/school';
import { taughtToward } from '../recipe/fillRecipe';
import type { Setting } from './dial';
import { exerciseOf, exercises } from './exercises';
import { startDose, startSetting } from './startDose';

const start = (id: string, dialId: string, level: Level, school: SchoolId | null = null) => {
  const exercise = exerciseOf(id);
  return startDose(
    exercise,
    exercise.dials.find((d) => d.id === dialId)!,
    { level, school: school && schoolOf(school) }
  );
};

// Source: first sessions and fourth weeks as they are commonly taught, common practice; the figures of ours are our judgement.
describe('where a dial begins', () => {
  test('nothing that says how long, how often or how hard is without a figure, in no school and at no level; inside its ends, on its steps', () => {
    const units = new Set(['s', 'reps', 'breaths', 'rounds', '%']);
    for (const exercise of exercises)
      for (const dial of exercise.dials.filter((d) => units.has(d.unit)))
        for (const level of levels)
          for (const school of [null, ...schools]) {
            const dose = startDose(exercise, dial, { level, school })!;
            expect(dose, `${exercise.id} ${dial.id}`).not.toBeNull();
            expect(dose.value >= dial.min && dose.value <= dial.max, `${exercise.id} ${dial.id}: ${dose.value}`).toBe(true);
            const steps = (dose.value - dial.min) / dial.step;
            if (exercise.start[dial.id] !== dose.value)
              expect(steps, `${exercise.id} ${dial.id}`).toBeCloseTo(Math.round(steps), 6);
          }
  });

  test('nobody who is further begins with less', () => {
    for (const exercise of exercises)
      for (const school of [null, ...schools]) {
        const [beginner, intermediate, advanced] = levels.map((level) => startSetting(exercise, { level, school }));
        for (const dial of exercise.dials.filter((d) => startDose(exercise, d, { level: 'beginner', school }))) {
          const at = [beginner, intermediate, advanced].map((s) => s![dial.id]!);
          expect(at[0]! <= at[1]! && at[1]! <= at[2]!, `${exercise.id} ${dial.id} ${school?.id}: ${at.join()}`).toBe(true);
        }
      }
  });

  test('a beginner presses at 20 %, who is further at what the school does', () => {
    expect(start('frog_press_draw', 'effortPct', 'beginner', 'long_hold')).toEqual({ value: 20, origin: 'ours' });
    expect(start('front_hamstring_cycle', 'effortPct', 'intermediate', 'contract_relax')!.value).toBe(40);
    expect(start('front_hamstring_cycle', 'holdS', 'beginner')!.value).toBe(30);
  });

  test('what no school gives a figure for is ours, low, and says so', () => {
    expect(start('half_split_hold', 'holdS', 'beginner', 'contract_relax')).toEqual({ value: 30, origin: 'ours' });
    expect(start('side_lying_abduction', 'reps', 'beginner', 'long_hold')).toEqual({ value: 5, origin: 'ours' });
    expect(start('side_lying_abduction', 'holdS', 'beginner', 'long_hold')).toEqual({ value: 3, origin: 'ours' });
  });

  test('the hold of a school is that of a stretch, and none of a lift', () =>
    expect(start('front_leg_lift', 'holdS', 'intermediate', 'long_hold')!.value).toBe(5));

  test('a move of a second or two is counted higher than a lift', () => {
    // Every third on its dial.
    expect(start('half_butterfly_circles', 'reps', 'beginner')!.value).toBeGreaterThanOrEqual(8);
    expect(start('knee_circles_sitting', 'reps', 'intermediate')!.value).toBe(10);
  });

  test('what is taught for it in the school is taken, also by a beginner where nothing is usual', () => {
    expect(start('frog', 'holdS', 'beginner', 'drills')).toEqual({ value: 20, origin: 'taught' });
    expect(start('front_leg_lift', 'reps', 'beginner', 'drills')).toEqual({ value: 6, origin: 'taught' });
  });

  test('a height or a way is no dose, nor a load that may be left away; what needs a weight begins with a light one', () => {
    expect(start('front_split_on_stack', 'depthCm', 'beginner')).toBeNull();
    expect(start('butterfly_reclined', 'loadKg', 'beginner')).toBeNull();
    expect(start('butterfly_weighted', 'loadKg', 'beginner')).toEqual({ value: 1, origin: 'ours' });
    expect(start('weighted_roll_down', 'loadKg', 'beginner')).toEqual({ value: 2, origin: 'ours' });
  });

  // Source: reference sessions, common practice.
  test('what is taught toward a goal comes before what is usual, inside the dial', () => {
    const exercise = exerciseOf('stacked_shins');
    const hold = exercise.dials.find((d) => d.id === 'holdS')!;
    const begins = (taught: Setting) => startDose(exercise, hold, { school: null, level: 'beginner', taught });
    expect(begins(taughtToward({ goal: 'lotus', stage: 0, school: null }, 'stacked_shins'))).toEqual({
      value: 30,
      origin: 'taught'
    });
    expect(begins({ holdS: 9000 })!.value).toBe(hold.max);
    expect(taughtToward({ goal: 'pancake', stage: 0, school: null }, 'stacked_shins')).toEqual({});
  });
});
