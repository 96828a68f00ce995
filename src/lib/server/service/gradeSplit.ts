import type { GradedStack } from '$lib/contract/grade';
import { exerciseOf, type Side } from '$lib/core';
import type { SplitCase } from './clientCase';
import { stackGradeOf } from './gradeExercise';

export const splitExerciseId = 'front_split_on_stack';

/** How the split itself is graded on a side; null before it was measured there. */
export function splitGrade(c: SplitCase, side: Side): GradedStack | null {
  const grade = stackGradeOf(c, exerciseOf(splitExerciseId), side);
  return grade?.measured ? grade : null;
}
