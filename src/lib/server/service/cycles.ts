import type { KeepCycleInput } from '$lib/contract/cycleForm';
import type { CycleDesk, SideCycle } from '$lib/contract/cycle';
import {
  cycleAsksMore,
  formOf,
  overCap,
  schoolOf,
  takesCycle,
  usualBounds,
  type Bound,
  type CycleSpec,
  type Dial,
  type Exercise,
  type Side
} from '$lib/core';
import type { Database, Db } from '../db/db';
import { listNamedCycles } from '../repo/choiceRepo';
import { breathOf, type GoalCase } from './clientCase';
import { isPerSide } from './gradeExercise';
import { barOf, capsFor, formAskOf, gatedFor, keepShape, requireAllowed } from './shaping';
import { weekOf, type WeekExercise } from './week';

/** Where a cycle begins that no school makes of an exercise. */
const startSchool = 'long_hold';

/** Dials of an exercise that are figures of its cycle. */
const figureDials = ['holdS', 'effortPct', 'contractionS', 'rounds'] as const;
type FigureDial = (typeof figureDials)[number];

function figureOf(spec: CycleSpec, dial: FigureDial): number | undefined {
  const main = spec.press ?? spec.draw;
  switch (dial) {
    case 'holdS':
    case 'rounds':
      return spec[dial];
    case 'effortPct':
      return main?.peakPct;
    case 'contractionS':
      return main?.holdS;
  }
}

/** The cycle of a side as it is done now, or as it would begin. */
function cycleNow(c: GoalCase, found: WeekExercise, side: Side | null): SideCycle {
  const { exercise, choice } = found;
  const { school, ...ask } = formAskOf(c, found, side, startSchool);
  const { gated } = ask;
  const own = choice.cycles?.[side ?? 'left'];
  // What only today forbids stays in the shape: nothing is deepened for now.
  const shape = ({ stays: _, ...spec }: CycleSpec): CycleSpec => ({
    ...spec,
    ...(own?.deepening && { deepening: own.deepening })
  });
  const made = formOf({ ...ask, school, cycle: own });
  if (made.form.kind === 'cycle') return { cycle: shape(made.form.spec), begunFrom: null, ...capsFor(gated) };
  const begin = schoolOf(startSchool);
  if (begin.way.kind !== 'cycle') throw new RangeError(`${begin.id} makes no cycle`);
  const { kind: _, draw, ...way } = begin.way;
  const begun = formOf({ ...ask, school: begin, cycle: { ...way, ...(draw && exercise.draw !== undefined && { draw }) } });
  if (begun.form.kind !== 'cycle') throw new RangeError(`no cycle of ${exercise.id}`);
  return { cycle: shape(begun.form.spec), begunFrom: begin.name, ...capsFor(gated) };
}

/** The figures of a cycle that the exercise has a dial for go as far as the dial, those of the person as far as the cap. */
function boundsFor(exercise: Exercise, { caps, longestHoldS }: SideCycle) {
  const of = (id: FigureDial, usual: Bound): Bound => {
    const dial: Dial | undefined = exercise.dials.find((d) => d.id === id);
    return dial ? { min: dial.min, max: dial.max, step: dial.step } : usual;
  };
  const upTo = (bound: Bound, most: number | null): Bound => ({ ...bound, max: Math.min(bound.max, most ?? Infinity) });
  return {
    holdS: upTo(of('holdS', usualBounds.holdS), longestHoldS),
    contractionS: upTo(of('contractionS', usualBounds.contractionS), caps.contractionS),
    effortPct: upTo(of('effortPct', usualBounds.effortPct), caps.effortPct)
  };
}

/** An exercise of the week whose cycle can be shaped; null where it is not in the week, or takes none. */
const shapable = (c: GoalCase, exerciseId: string): WeekExercise | null =>
  weekOf(c).find((w) => w.exercise.id === exerciseId && takesCycle(w.exercise)) ?? null;

/** What the page needs to shape the cycle of an exercise; null where it cannot be shaped. */
export async function cycleDesk(db: Db, c: GoalCase, exerciseId: string): Promise<CycleDesk | null> {
  const found = shapable(c, exerciseId);
  if (!found) return null;
  const { exercise, choice } = found;
  const perSide = isPerSide(exercise);
  const left = cycleNow(c, found, perSide ? 'left' : null);
  const right = perSide ? cycleNow(c, found, 'right') : left;
  return {
    exercise,
    perSide,
    isShaped: choice.cycles !== null,
    sides: { left: { ...left, bounds: boundsFor(exercise, left) }, right: { ...right, bounds: boundsFor(exercise, right) } },
    bar: barOf(c, exercise),
    breathS: breathOf(c),
    named: await listNamedCycles(db)
  };
}

/**
 * Keeps a cycle for an exercise of the week on each side, or goes back to the school's way (null). Throws: those of `keepShape` and
 * `requireAllowed`.
 */
export const keepCycles = (
  db: Database,
  clientId: number,
  { exerciseId, cycles, reason }: KeepCycleInput,
  now: Date
): Promise<void> =>
  keepShape(
    db,
    clientId,
    {
      exerciseId,
      takes: takesCycle,
      require: (c, found, side) => {
        const cycle = cycles?.[side ?? 'left'];
        if (!cycle) return;
        const gated = gatedFor(c, found.exercise, side);
        const asksMore = () => cycleAsksMore(cycle, cycleNow(c, found, side).cycle);
        requireAllowed(c, gated, { over: overCap(cycle, gated), asksMore });
      },
      choose: (choice) => ({ ...choice, cycles }),
      figures: (side) => (cycles ? Object.fromEntries(figureDials.map((dial) => [dial, figureOf(cycles[side], dial)])) : {}),
      reason
    },
    now
  );
