import { mostReps, type KeepLiftsInput, type LiftsDesk, type SideLift } from '$lib/contract/liftForm';
import {
  formOf,
  holdsLastOnly,
  liftsAskMore,
  liftsOverCap,
  takesLifts,
  type Bound,
  type Exercise,
  type LiftShape,
  type RepsSpec,
  type Side
} from '$lib/core';
import type { Database } from '../db/db';
import { legOf, type GoalCase } from './clientCase';
import { isPerSide } from './gradeExercise';
import { activeDegOf, barOf, capsFor, formAskOf, gatedFor, keepShape, requireAllowed } from './shaping';
import { weekOf, type WeekExercise } from './week';

/** Where lifts begin for which no school has a figure (assumption): a few, held for a moment. */
const startLifts: LiftShape = { reps: 5, liftS: 2, holdS: 2, lowerS: 2, restS: 4 };
const startSchool = 'long_hold';

const shapeOf = ({ peakPct: _, assisted: __, atDeg: ___, atCm: ____, ...shape }: RepsSpec): LiftShape => shape;

/** The lifts of a side as they are done now, or as they would begin. */
function liftNow(c: GoalCase, found: WeekExercise, side: Side | null): SideLift {
  const { exercise, choice } = found;
  const ask = formAskOf(c, found, side, startSchool);
  const made = formOf({ ...ask, lifts: choice.lifts?.[side ?? 'left'] });
  const spec = made.form.kind === 'reps' ? made.form.spec : { ...startLifts, peakPct: ask.capPct };
  return {
    lift: shapeOf(spec),
    effortPct: spec.peakPct,
    ...capsFor(ask.gated),
    bounds: boundsFor(exercise, ask.gated.longestHoldS),
    activeDeg: activeDegOf(c, exercise, side),
    legCm: legOf(c.client, side ?? 'left').value
  };
}

function boundsFor(exercise: Exercise, longestHoldS: number | null): SideLift['bounds'] {
  const { dials } = exercise;
  const of = (id: string, usual: Bound): Bound =>
    (id === 'holdS' && holdsLastOnly(exercise) ? undefined : dials.find((d) => d.id === id)) ?? usual;
  const { min, max, step } = of('holdS', { min: 0, max: 600, step: 1 });
  return { reps: of('reps', { min: 1, max: mostReps, step: 1 }), holdS: { min, max: Math.min(max, longestHoldS ?? max), step } };
}

/** What the page needs to shape the lifts of an exercise of the week; null where they cannot be shaped. */
export function liftsDesk(c: GoalCase, exerciseId: string): LiftsDesk | null {
  const found = weekOf(c).find((w) => w.exercise.id === exerciseId && takesLifts(w.exercise));
  if (!found) return null;
  const { exercise, choice } = found;
  const perSide = isPerSide(exercise);
  const left = liftNow(c, found, perSide ? 'left' : null);
  return {
    exercise,
    perSide,
    isShaped: choice.lifts !== null,
    sides: { left, right: perSide ? liftNow(c, found, 'right') : left },
    bar: barOf(c, exercise)
  };
}

/** Figures of lifts that an exercise has dials for. */
const figuresOf = ({ reps, leastReps, holdS, lastHoldS }: LiftShape, exercise: Exercise) => ({
  reps: leastReps ?? reps,
  holdS: holdsLastOnly(exercise) ? (lastHoldS ?? holdS) : holdS
});

/** Keeps lifts for an exercise of the week on each side, or goes back to the school's way (null). Throws: those of `keepShape` and `requireAllowed`. */
export const keepLifts = (
  db: Database,
  clientId: number,
  { exerciseId, lifts, reason }: KeepLiftsInput,
  now: Date
): Promise<void> =>
  keepShape(
    db,
    clientId,
    {
      exerciseId,
      takes: takesLifts,
      require: (c, found, side) => {
        const lift = lifts?.[side ?? 'left'];
        if (!lift) return;
        const gated = gatedFor(c, found.exercise, side);
        const asksMore = () => liftsAskMore(lift, liftNow(c, found, side).lift);
        requireAllowed(c, gated, { over: liftsOverCap(lift, gated), asksMore });
      },
      choose: (choice) => ({ ...choice, lifts }),
      figures: (side, exercise) => (lifts ? figuresOf(lifts[side], exercise) : {}),
      reason
    },
    now
  );
