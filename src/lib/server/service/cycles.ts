import type { KeepCycleInput } from '$lib/contract/cycleForm';
import type { CycleDesk, SideCycle } from '$lib/contract/cycle';
import {
  asksMore,
  CoreError,
  formOf,
  limitOfCap,
  overCap,
  reasonText,
  schoolOf,
  sides,
  takesCycle,
  usualBounds,
  type Bound,
  type CycleSpec,
  type Dial,
  type Exercise,
  type Gated,
  type Side
} from '$lib/core';
import type { Database, Db } from '../db/db';
import { listNamedCycles, replaceChoices } from '../repo/choiceRepo';
import { lockClient } from '../repo/clientRepo';
import { breathOf, dateOf, loadGoalCase, type GoalCase } from './clientCase';
import { isPerSide, settingOf } from './gradeExercise';
import { gateOf, measuredOf, safetyOf } from './safety';
import { moveDial } from './settingDial';
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

const gatedFor = (c: GoalCase, exercise: Exercise, side: Side | null): Gated =>
  gateOf(c, exercise, side, settingOf(c, exercise, side ?? 'left'), measuredOf(c, exercise, side));

/** The cycle of a side as it is done now, or as it would begin. */
function cycleNow(c: GoalCase, { exercise, choice, schoolId }: WeekExercise, side: Side | null): SideCycle {
  const gated = gatedFor(c, exercise, side);
  const school = schoolOf(schoolId ?? c.plan?.schoolId ?? startSchool);
  const ask = {
    exercise,
    setting: settingOf(c, exercise, side ?? 'left'),
    level: c.client.level === 'beginner' ? ('beginner' as const) : ('other' as const),
    moreRounds: false,
    easy: false,
    gated,
    capPct: gated.caps.effortPct,
    breathS: breathOf(c)
  };
  const own = choice.cycles?.[side ?? 'left'];
  // What only today forbids stays in the shape: nothing is deepened for now.
  const shape = ({ stays: _, ...spec }: CycleSpec): CycleSpec => ({
    ...spec,
    ...(own?.deepening && { deepening: own.deepening })
  });
  const made = formOf({ ...ask, school, cycle: own });
  if (!('asks' in made) && made.form.kind === 'cycle')
    return { cycle: shape(made.form.spec), begunFrom: null, ...capsFor(gated) };
  const begin = schoolOf(startSchool);
  if (begin.way.kind !== 'cycle') throw new RangeError(`${begin.id} makes no cycle`);
  const { kind: _, draw, ...way } = begin.way;
  const begun = formOf({ ...ask, school: begin, cycle: { ...way, ...(draw && exercise.draw !== undefined && { draw }) } });
  if ('asks' in begun || begun.form.kind !== 'cycle') throw new RangeError(`no cycle of ${exercise.id}`);
  return { cycle: shape(begun.form.spec), begunFrom: begin.name, ...capsFor(gated) };
}

const capsFor = ({ caps, longestHoldS, noHarder }: Gated) => ({
  caps,
  longestHoldS,
  noHarder: noHarder && reasonText(noHarder)
});

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
  const bar = sides.map((s) => gatedFor(c, exercise, perSide ? s : null).bars[0]).find((b) => b !== undefined);
  return {
    exercise,
    perSide,
    isShaped: choice.cycles !== null,
    sides: { left: { ...left, bounds: boundsFor(exercise, left) }, right: { ...right, bounds: boundsFor(exercise, right) } },
    bar: bar ? reasonText(bar) : null,
    breathS: breathOf(c),
    named: await listNamedCycles(db)
  };
}

/**
 * Keeps a cycle for an exercise of the week on each side, or goes back to the school's way (null). Where the exercise has a dial for a
 * figure the dial is moved with it.
 *
 * Throws: CoreError 'not_found' for what is not in the week or takes no cycle; 'exercise_barred', 'cycle_over_cap', 'nothing_harder', and
 *         those of `setDial`: all of it or nothing.
 */
export const keepCycles = (
  db: Database,
  clientId: number,
  { exerciseId, cycles, reason }: KeepCycleInput,
  now: Date
): Promise<void> =>
  db.transaction(async (tx) => {
    await lockClient(tx, clientId);
    const c = await loadGoalCase(tx, clientId, dateOf(now));
    const found = shapable(c, exerciseId);
    if (!found) throw new CoreError('not_found', { what: 'exercise' });
    const { exercise } = found;
    const places: readonly (Side | null)[] = isPerSide(exercise) ? sides : [null];
    for (const side of cycles ? places : []) requireAllowed(c, found, side, cycles![side ?? 'left']);
    await replaceChoices(
      tx,
      c.goal.id,
      weekOf(c).map(({ choice }) => (choice.exerciseId === exerciseId ? { ...choice, cycles } : choice))
    );
    for (const side of cycles ? places : [])
      for (const dial of figureDials) {
        const value = figureOf(cycles![side ?? 'left'], dial);
        const stands = settingOf(c, exercise, side ?? 'left')[dial];
        if (value === undefined || value === stands || !exercise.dials.some((d) => d.id === dial)) continue;
        await moveDial(tx, clientId, { exerciseId, side: side ?? 'left', dial, value, sure: true, reason }, now);
      }
  });

function requireAllowed(c: GoalCase, found: WeekExercise, side: Side | null, cycle: CycleSpec): void {
  const gated = gatedFor(c, found.exercise, side);
  const [bar] = gated.bars;
  if (bar) throw new CoreError('exercise_barred', { why: reasonText(bar) });
  const over = overCap(cycle, gated);
  if (over) {
    const limit = limitOfCap(safetyOf(c).limits, over.what, over.most);
    throw new CoreError('cycle_over_cap', { ...over, why: limit ? reasonText({ code: 'limit', limit }) : '' });
  }
  if (gated.noHarder && asksMore(cycle, cycleNow(c, found, side).cycle))
    throw new CoreError('nothing_harder', { why: reasonText(gated.noHarder) });
}
