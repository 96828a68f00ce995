import { isHarder, neighboursOf, sides, type Exercise } from '$lib/core';
import type { GoalCase } from './clientCase';
import { gradeOf } from './gradeExercise';
import { exerciseIn } from './library';
import { weekOf } from './week';

export type NextExercise = Readonly<{ id: string; name: string }>;

/**
 * The next exercise of a progression: the harder neighbour of one that stands at its hardest setting on every side, practised as a step. Open by
 * the gate and not in the week; null where there is none, where a side has a step left, or a limit holds it where it is.
 */
export function nextExercise(c: GoalCase, exercise: Exercise): NextExercise | null {
  const places = exercise.sides === 'each' ? sides : (['left'] as const);
  const open = places.map((side) => {
    const { next, dials } = gradeOf(c, exercise, side);
    // What only a cap or a limit ends has its next step where that is raised.
    const isHeld = dials.some((d) => d.end !== null && d.at !== null && !isHarder(d.dial, d.end.at, d.at));
    return next.harder.kind === 'neighbour' && !isHeld ? next.harder.ids : [];
  });
  const steps = new Set(neighboursOf(exercise, c.catalogue).harder.flatMap((n) => (n.inferred ? [] : [n.id])));
  const inWeek = new Set(weekOf(c).map((w) => w.exercise.id));
  const id = open[0]!.find((one) => steps.has(one) && !inWeek.has(one) && open.every((ids) => ids.includes(one)));
  return id === undefined ? null : { id, name: exerciseIn(c.catalogue, id).name };
}

/** Exercises of the week that were found at their end when they were decided on last, each with the next one. */
export const exchangesOf = (c: GoalCase): Readonly<{ exercise: Exercise; next: NextExercise }>[] =>
  weekOf(c).flatMap(({ exercise }) => {
    const last = c.decisions.findLast((d) => d.exerciseId === exercise.id);
    const next = last?.because.some((why) => why.code === 'all at their end') ? nextExercise(c, exercise) : null;
    return next ? [{ exercise, next }] : [];
  });
