import type { Database } from '../db/db';
import {
  CoreError,
  limitOfCap,
  reasonText,
  schoolOf,
  sides,
  type Exercise,
  type Gated,
  type OverCap,
  type Setting,
  type Side
} from '$lib/core';
import { replaceChoices, type ExerciseChoice } from '../repo/choiceRepo';
import { changeClient } from './changing';
import { breathOf, dateOf, loadGoalCase, type GoalCase } from './clientCase';
import { isPerSide, settingOf, sideState } from './gradeExercise';
import { gateOf, measuredOf, safetyOf } from './safety';
import { moveDial } from './settingDial';
import { weekOf, type WeekExercise } from './week';

// What the shapes of a cycle and of lifts have in common: they are held against the gate, kept with the week, and move the dials.

export const gatedFor = (c: GoalCase, exercise: Exercise, side: Side | null): Gated =>
  gateOf(c, exercise, side, settingOf(c, exercise, side ?? 'left'), measuredOf(c, exercise, side));

/** What a form is made from for one side of an exercise of the week as it stands now; a school where it has one. */
export function formAskOf(
  c: GoalCase,
  { exercise, schoolId }: WeekExercise,
  side: Side | null,
  usualSchool: Parameters<typeof schoolOf>[0]
) {
  const gated = gatedFor(c, exercise, side);
  return {
    exercise,
    setting: settingOf(c, exercise, side ?? 'left'),
    level: c.client.level,
    moreRounds: false,
    gated,
    capPct: gated.caps.effortPct,
    breathS: breathOf(c),
    school: schoolOf(schoolId ?? c.plan?.schoolId ?? usualSchool)
  };
}

/** What of the gate a shape is held against while it is shaped. */
export const capsFor = ({ caps, longestHoldS, noHarder }: Gated) => ({
  caps,
  longestHoldS,
  noHarder: noHarder && reasonText(noHarder)
});

/** Why an exercise is not done now, on either side. */
export function barOf(c: GoalCase, exercise: Exercise): string | null {
  const bar = placesOf(exercise)
    .map((side) => gatedFor(c, exercise, side).bars[0])
    .find((b) => b !== undefined);
  return bar ? reasonText(bar) : null;
}

/** The sides a shape is kept for; null for what is done with both together. */
export const placesOf = (exercise: Exercise): readonly (Side | null)[] => (isPerSide(exercise) ? sides : [null]);

/** Refuses a shape that the gate does not let through. Throws: CoreError 'exercise_barred', 'cycle_over_cap', 'nothing_harder'. */
export function requireAllowed(
  c: GoalCase,
  gated: Gated,
  { over, asksMore }: Readonly<{ over: OverCap | null; asksMore: () => boolean }>
): void {
  const [bar] = gated.bars;
  if (bar) throw new CoreError('exercise_barred', { why: reasonText(bar) });
  if (over) {
    const limit = limitOfCap(safetyOf(c).limits, over.what, over.most);
    throw new CoreError('cycle_over_cap', { ...over, why: limit ? reasonText({ code: 'limit', limit }) : '' });
  }
  if (gated.noHarder && asksMore()) throw new CoreError('nothing_harder', { why: reasonText(gated.noHarder) });
}

type Shape = Readonly<{
  exerciseId: string;
  /** What an exercise has to be for this shape. */
  takes: (exercise: Exercise) => boolean;
  /** Throws where a side of it may not be kept. */
  require: (c: GoalCase, found: WeekExercise, side: Side | null) => void;
  choose: (choice: ExerciseChoice) => ExerciseChoice;
  /** Figures of a side that the exercise may have a dial for; none where the school's way comes back. */
  figures: (side: Side, exercise: Exercise) => Setting;
  reason: string;
}>;

/**
 * Keeps a shape for an exercise of the week on each side. Where the exercise has a dial for a figure the dial is moved with it.
 *
 * Throws: CoreError 'not_found' for what is not in the week or takes no such shape; those of `require` and of `setDial`: all or nothing.
 */
export const keepShape = (db: Database, clientId: number, shape: Shape, now: Date): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const c = await loadGoalCase(tx, clientId, dateOf(now));
    const { exerciseId, reason } = shape;
    const found = weekOf(c).find((w) => w.exercise.id === exerciseId && shape.takes(w.exercise));
    if (!found) throw new CoreError('not_found', { what: 'exercise' });
    const { exercise } = found;
    for (const side of placesOf(exercise)) shape.require(c, found, side);
    await replaceChoices(
      tx,
      c.goal.id,
      weekOf(c).map(({ choice }) => (choice.exerciseId === exerciseId ? shape.choose(choice) : choice))
    );
    for (const place of placesOf(exercise)) {
      const side = place ?? 'left';
      for (const [dial, value] of Object.entries(shape.figures(side, exercise))) {
        if (value === undefined || value === settingOf(c, exercise, side)[dial]) continue;
        if (!exercise.dials.some((d) => d.id === dial)) continue;
        await moveDial(tx, clientId, { exerciseId, side, dial, value, sure: true, reason }, now);
      }
    }
  });

/** Degrees the first motion of an exercise is moved by own strength. */
export const activeDegOf = (c: GoalCase, exercise: Exercise, side: Side | null): number | null =>
  sideState(c, exercise, side ?? 'left').activeDeg ?? null;
