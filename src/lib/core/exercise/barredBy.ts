import type { Limit, LimitKind } from '../screen/limit';
import { otherSide, type Side } from '../side';
import type { Exercise, ExerciseTrait } from './exercise';

const barring: Readonly<Record<ExerciseTrait, readonly LimitKind[]>> = {
  ballistic: ['no ballistic'],
  'loaded stretch': ['no loaded stretch'],
  'loaded roll-down': ['no loaded roll-down'],
  'rounded fold': ['no rounded fold'],
  'head down': ['no head-down', 'no inversion'],
  lotus: ['no lotus'],
  'heel-sit': ['no heel-sit'],
  'lever on the foot': ['no lever on the foot'],
  'long time on the back': ['no long time on the back'],
  partner: ['no partner', 'no hands-on'],
  'end range': ['no end-range work'],
  'past flat': ['no past-flat']
};

/** The limits of a client that rule an exercise out on a side, each with its reason. */
export function barredBy(exercise: Exercise, side: Side | null, limits: readonly Limit[]): Limit[] {
  const kinds = new Set<LimitKind>(exercise.traits.flatMap((t) => barring[t]));
  if (exercise.position === 'lying on the front') kinds.add('nothing lying on the front');
  return limits.filter((l) => (kinds.has(l.kind) && isOnSide(l, side)) || stretchesLine(exercise, side, l));
}

const isOnSide = (limit: Limit, side: Side | null) => limit.side === undefined || side === null || limit.side === side;

const stretchesLine = (exercise: Exercise, side: Side | null, limit: Limit): boolean =>
  limit.kind === 'no passive stretch of a line' &&
  exercise.lines.some(({ line, on }) => {
    if (line !== limit.line) return false;
    if (limit.side === undefined || side === null) return true;
    return limit.side === (on === 'same' ? side : otherSide(side));
  });
