import { isStretching } from '../exercise/bearing';
import type { Exercise } from '../exercise/exercise';
import { motionOf } from '../body/motions';
import type { LimitKind } from '../screen/limit';
import { setByInstructor } from '../screen/screen';
import { limitConcerns, limitReason, type GateAsk } from './ask';
import { boundMotions } from './endStops';
import { deepens } from './ends';
import type { GateReason } from './reason';
import { turnsTheKnee } from './waits';

// What is told at an exercise, besides what bars or ends it.

/** End stops that bear on an exercise are told there, also while there is room left. */
export const endStopReasons = ({ exercise, side, person }: GateAsk): GateReason[] =>
  boundMotions(exercise, side, person).map(({ stop, side: s, reachedDeg }) => ({
    code: 'end stop',
    limit: stop,
    side: s,
    deg: reachedDeg
  }));

const presses = ({ kinds, dials }: Exercise): boolean =>
  kinds.includes('isometric') || kinds.includes('active') || dials.some((d) => d.id === 'effortPct');

/** Caps that a limit of the answers sets and that bear on an exercise. */
export function capReasons({ exercise, person }: GateAsk): GateReason[] {
  return person.limits
    .filter(
      (l) =>
        l.from !== setByInstructor &&
        ((l.kind === 'effort cap' && presses(exercise)) ||
          (l.kind === 'teach first, effort cap' && presses(exercise)) ||
          (l.kind === 'contraction at most' && presses(exercise)) ||
          l.kind === 'sensation cap' ||
          (l.kind === 'warm-up at least' && exercise.phases[0] === 'warm-up'))
    )
    .map(limitReason);
}

/** Limits that nothing can compute: they are told at every exercise they bear on. */
const remembered: Readonly<Partial<Record<LimitKind, (exercise: Exercise) => boolean>>> = {
  'adult present': () => true,
  'wide support only': ({ position }) => !position.startsWith('lying') && position !== 'sitting' && position !== 'on a seat',
  'active work first': (e) => isStretching(e),
  'stay short of the pinch': ({ moves }) => moves.some((m) => motionOf(m.motion).joint === 'hip'),
  'no bracing': presses,
  'no rounded fold': ({ moves, traits }) => moves.some((m) => m.motion === 'HF-KS') && !traits.includes('rounded fold'),
  'half way only': ({ dials }) => dials.some(deepens),
  'measure first': ({ dials }) => dials.some(deepens),
  'no hands-on': (e) => isStretching(e),
  'no partner': (e) => isStretching(e),
  'deepening at most every': ({ dials }) => dials.some(deepens),
  'rung at least': turnsTheKnee
};

export const rememberOf = ({ exercise, side, person }: GateAsk): GateReason[] =>
  person.limits.filter((l) => remembered[l.kind]?.(exercise) && limitConcerns(l, { exercise, side })).map(limitReason);
