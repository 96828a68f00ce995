import type { DialId, Setting } from '../exercise/dial';
import { sidesMeet } from '../body/body';
import { loadsJoint, movedMotions, stretchesLine, type Exercise } from '../exercise/exercise';
import type { Limit } from '../screen/limit';
import type { Side } from '../body/side';
import type { SafetyPerson } from './person';
import type { GateReason } from './reason';

/** What the gate is asked. */
export type GateAsk = Readonly<{
  exercise: Exercise;
  /** Null where it is done with both sides together. */
  side: Side | null;
  /** Where its dials stand; a dial nobody set yet is not in it. */
  setting: Setting;
  /** What was measured for the dials that start at a measured reach. */
  measured?: Readonly<Partial<Record<DialId, number>>>;
  person: SafetyPerson;
  today: string;
  /** Of a session that is composed: whether the back is warmed in it before. Not asked where there is no session. */
  session?: Readonly<{ backWarm: boolean }>;
}>;

/** True where an exercise moves a limb of the side it is not done on. */
export const movesOther = ({ moves }: Pick<Exercise, 'moves'>): boolean => moves.some((m) => m.on === 'other');

/**
 * True where a limit concerns a limb that an exercise uses when it is done on a side: the joint, line or motion that the limit names,
 * on whichever limb it lies; else the side worked on, or the other one where that moves as well.
 */
export function limitConcerns(limit: Limit, { exercise, side }: Pick<GateAsk, 'exercise' | 'side'>): boolean {
  const { joint, line, motion } = limit;
  if (joint !== undefined) return loadsJoint(exercise, side, { joint, side: limit.side ?? null });
  if (line !== undefined) return stretchesLine(exercise, side, { line, side: limit.side ?? null });
  if (motion !== undefined) return movedMotions(exercise, side).some((m) => m.motion === motion && sidesMeet(m.side, limit.side));
  return sidesMeet(side, limit.side) || movesOther(exercise);
}

export const limitReason = (limit: Limit): GateReason => ({ code: 'limit', limit });
