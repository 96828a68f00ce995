import type { DialInput } from '$lib/contract/exerciseForms';
import type { GradedDial } from '$lib/contract/grade';
import {
  CoreError,
  depthOfDial,
  dialAtRung,
  isHarder,
  isWithin,
  jumpOf,
  levelName,
  reasonText,
  rungAt,
  rungsOfStacks,
  sides,
  type Dial,
  type Side
} from '$lib/core';
import type { ClientTx, Database } from '../db/db';
import { insertSettingChange } from '../repo/choiceRepo';
import { upsertSettings } from '../repo/planRepo';
import { changeClient } from './changing';
import { dateOf, loadGoalCase, type GoalCase } from './clientCase';
import { gradeOf, isPerSide, searchedOnce } from './gradeExercise';
import { exerciseIn } from './library';

/**
 * Moves one dial of an exercise, and keeps the change. A height goes to the nearest the shelf makes.
 *
 * Throws: CoreError 'exercise_barred', 'past_end', 'dial_out_of_range', 'not_found'; 'wait_not_over' for what opens on a later day
 *         and no reason was written; 'jump_unconfirmed' for more than one step harder that nobody confirmed.
 */
export const setDial = (db: Database, clientId: number, input: DialInput, now: Date): Promise<void> =>
  changeClient(db, clientId, (tx) => moveDial(tx, clientId, input, now));

/** One dial on several sides: all of them or none. Throws: those of `setDial`. */
export const setDials = (
  db: Database,
  clientId: number,
  input: Omit<DialInput, 'side'>,
  on: readonly Side[],
  now: Date
): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    for (const side of on) await moveDial(tx, clientId, { ...input, side }, now);
  });

/** One dial on one side. Throws: those of `setDial`. */
export async function moveDial(tx: ClientTx, clientId: number, input: DialInput, now: Date): Promise<void> {
  const c = await loadGoalCase(tx, clientId, dateOf(now));
  const exercise = exerciseIn(c.catalogue, input.exerciseId);
  const grade = gradeOf(c, exercise, input.side);
  const graded = grade.dials.find((d) => d.dial.id === input.dial);
  if (!graded) throw new CoreError('not_found', { what: 'dial' });
  const { dial, end, wait } = graded;
  const [bar] = grade.gated.bars;
  const inUse = c.settings[exercise.id]?.[input.side]?.[dial.id];
  // What is barred can still be made easier: nothing else.
  if (bar && !(inUse !== undefined && isHarder(dial, inUse, input.value)))
    throw new CoreError('exercise_barred', { why: reasonText(bar) });
  if (end && !isWithin(dial, input.value, { [dial.id]: end.at }))
    throw new CoreError('past_end', { end: endText(dial, end.at), why: reasonText(end.why) });
  const to = placeOf(c, graded, input.value);
  const soon = wait && inUse !== undefined && isHarder(dial, to, inUse) ? wait : null;
  if (soon && input.reason === '') throw new CoreError('wait_not_over', { why: reasonText(soon.why), opensOn: soon.opensOn });
  const jump = jumpOf(dial, graded.from, to, graded.stack?.rungs ?? []);
  if (jump && !input.sure) {
    const show = (v: number) => (dial.kind === 'level' ? levelName(dial, v) : String(v));
    throw new CoreError('jump_unconfirmed', { steps: jump.steps, from: show(graded.from!), to: show(to) });
  }
  const places: readonly Side[] = isPerSide(exercise) ? [input.side] : sides;
  for (const side of places) {
    const kept = c.settings[exercise.id]?.[side] ?? {};
    await upsertSettings(tx, c.goal.id, [{ exerciseId: exercise.id, side, setting: { ...kept, [input.dial]: to } }]);
    if (kept[input.dial] !== to)
      await insertSettingChange(
        tx,
        c.goal.id,
        {
          exerciseId: exercise.id,
          side,
          dial: input.dial,
          from: kept[input.dial] ?? null,
          to,
          reason: soon ? input.reason : ''
        },
        now.toISOString()
      );
  }
}

const endText = (dial: Dial, at: number): string =>
  dial.kind === 'level' ? levelName(dial, Math.floor(at)) : `${Math.round(at * 10) / 10} ${dial.unit}`;

/** The value a dial can take that was asked for: a height the nearest that the shelf makes inside the end. */
function placeOf(c: GoalCase, { dial, end, stack }: GradedDial, value: number): number {
  const ends = end ? { [dial.id]: end.at } : {};
  if (stack) {
    if (value > dial.max || value < dial.min) throw new CoreError('dial_out_of_range', { min: dial.min, max: dial.max });
    const all = [
      ...stack.rungs,
      ...stack.near,
      stack.rung,
      ...rungsOfStacks(searchedOnce(c.shelf)(dial.stack!).stacks, dial.stack!)
    ].filter((r) => isWithin(dial, dialAtRung(dial, r), ends));
    const rung = rungAt(all, depthOfDial(dial, value));
    if (!rung) throw new CoreError('past_end', { end: endText(dial, end!.at), why: reasonText(end!.why) });
    return dialAtRung(dial, rung);
  }
  if (value < dial.min - 1e-9 || value > dial.max + 1e-9)
    throw new CoreError('dial_out_of_range', { min: dial.min, max: dial.max });
  return Math.round((dial.min + Math.round((value - dial.min) / dial.step) * dial.step) * 100) / 100;
}
