import type { Exercise } from '../exercise/exercise';
import { sides, type Side } from '../body/side';
import type { GateAsk } from './ask';
import type { SafetyPerson } from './person';
import type { GateReason } from './reason';
import { flatHeld } from './rules';

/** Of the lotus, which stage a position belongs to. */
const lotusStageOf = ({ positionOf, pose }: Exercise): number => (!positionOf.includes('lotus') ? 0 : pose === 'lotus' ? 2 : 1);

export const stageBars = ({ exercise, person }: GateAsk): GateReason[] => {
  const needed = lotusStageOf(exercise);
  return needed > person.lotusStage ? [{ code: 'lotus order', stage: person.lotusStage, needed }] : [];
};

/** Whether past flat is open to the leg in front: the flat split was held long enough on enough days. */
export const isFlatHeld = (person: SafetyPerson, side: Side | null): boolean =>
  (side === null ? sides : [side]).every((s) => new Set(person.flatHeldOn[s]).size >= flatHeld.days);

export const flatFirst = (person: SafetyPerson, side: Side | null): GateReason => ({
  code: 'flat first',
  heldDays: Math.min(...(side === null ? sides : [side]).map((s) => new Set(person.flatHeldOn[s]).size)),
  neededDays: flatHeld.days,
  holdS: flatHeld.holdS
});
