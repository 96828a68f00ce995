import type { PressWay, School, SchoolWay } from '../school/school';
import type { Exercise } from './exercise';

/** True where muscles press in it: only then is it done as a cycle. */
export const presses = ({ press, phases, dials }: Pick<Exercise, 'press' | 'phases' | 'dials'>): boolean =>
  press !== undefined && (phases.includes('contract-relax') || dials.some((d) => d.id === 'effortPct'));

/** How long it is held in a school that has no figure for a hold in one go (ours). */
const plainHold = { kind: 'holds', sets: 1, holdS: 20, restS: 0 } as const;

/** How a school presses. */
function pressWayOf({ id, press, way }: School): PressWay {
  const found = press ?? way;
  if (found.kind !== 'cycle') throw new RangeError(`no press in ${id}`);
  return found;
}

/**
 * The way a school does an exercise that opens range or is the position itself.
 *
 * Model:  the exercise stays what it is: a press is pressed, a hold held. The school says how long, how hard and how often.
 * Units:  seconds, percent of the greatest safe effort.
 * Throws: RangeError for a school that neither presses nor says how.
 */
export function wayFor(exercise: Pick<Exercise, 'press' | 'phases' | 'dials' | 'kinds'>, school: School): SchoolWay {
  if (presses(exercise)) return pressWayOf(school);
  switch (school.way.kind) {
    case 'cycle':
      // A short contract-relax holds at its end, a long hold at its start.
      return { ...plainHold, holdS: Math.max(school.way.holdS, school.way.finalSettleS) };
    case 'reps':
      return exercise.kinds.includes('assisted') ? school.way : plainHold;
    default:
      return school.way;
  }
}
