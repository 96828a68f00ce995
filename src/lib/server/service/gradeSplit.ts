import type { GradedStack } from '$lib/contract/grade';
import { exerciseOf, planExerciseIds, type Settings, type Side } from '$lib/core';
import type { SplitCase } from './clientCase';
import { settingOf, stackGradeOf } from './gradeExercise';
import { perCase } from './perCase';

export const splitExerciseId = 'front_split_on_stack';

/** How the split itself is graded on a side; null before it was measured there. */
export function splitGrade(c: SplitCase, side: Side): GradedStack | null {
  const grade = stackGradeOf(c, exerciseOf(splitExerciseId), side);
  return grade?.measured ? grade : null;
}

/** Settings of every exercise of the plan on both sides: those in use, and a start for those that have none. */
export const planSettings = perCase((c: SplitCase): Settings =>
  Object.fromEntries(
    planExerciseIds.map((id) => [
      id,
      { left: settingOf(c, exerciseOf(id), 'left'), right: settingOf(c, exerciseOf(id), 'right') }
    ])
  )
);

/** The split's ladder of either side, round the setting in use. */
export const rungsOf = (c: SplitCase) => ({
  left: splitGrade(c, 'left')?.rungs ?? [],
  right: splitGrade(c, 'right')?.rungs ?? []
});
