import type { Setting } from '../exercise/dial';
import { dialAtRung, isHarder, isWithin, type DialRange } from '../exercise/dials';
import type { Exercise } from '../exercise/exercise';
import type { Rung } from '../props/ladder';

/**
 * A setting brought inside the ends of its dials: what stands harder goes to the hardest step that is not.
 *
 * Model:  metric dials to a whole step of theirs; where even the easiest step is harder than the end, to the end itself. A dial on a
 *         stack goes to its end: the shelf then gives the nearest height that is no harder (`rungsWithin`).
 */
export function holdWithin(exercise: Pick<Exercise, 'dials'>, setting: Setting, ends: DialRange['ends']): Setting {
  const held = { ...setting };
  for (const dial of exercise.dials) {
    const at = held[dial.id];
    const end = ends[dial.id];
    if (at === undefined || end === undefined || !isHarder(dial, at, end)) continue;
    const steps =
      dial.harder === 'up' ? Math.floor((end - dial.min) / dial.step + 1e-9) : Math.ceil((end - dial.min) / dial.step - 1e-9);
    const whole = dial.min + steps * dial.step;
    held[dial.id] = dial.stack || whole < dial.min || whole > dial.max ? end : Math.round(whole * 100) / 100;
  }
  return held;
}

/** The rungs of a ladder on which a dial stands no harder than its end. */
export const rungsWithin = (exercise: Pick<Exercise, 'dials'>, rungs: readonly Rung[], ends: DialRange['ends']): Rung[] => {
  const dial = exercise.dials.find((d) => d.stack);
  return dial ? rungs.filter((rung) => isWithin(dial, dialAtRung(dial, rung), ends)) : [...rungs];
};
