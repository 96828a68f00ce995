import type { Exercise } from '../exercise/exercise';
import { sides, type Side } from '../body/side';
import type { GateAsk } from './ask';
import type { SafetyPerson } from './person';
import type { GateReason } from './reason';
import { addDays } from '../days';
import { flatHeld, stageNeeds, waitDays } from './rules';

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

/** Facts that open the next stage of the lotus: since when this one is in work, its sessions, knee pain, and the outward turn of either hip. */
export type StageFacts = Readonly<{
  stage: number;
  since: string;
  /** Days of the sessions since then. */
  sessionDays: readonly string[];
  /** Days since then on which a knee hurt. */
  kneePainDays: readonly string[];
  outwardTurnDeg: Readonly<Record<Side, number | null>>;
}>;

export type StageOpening = Readonly<{
  opensOn: string;
  isDayMet: boolean;
  sessions: Readonly<{ done: number; needed: number }>;
  /** Of the hip that turns less; null while one was never measured. */
  turn: Readonly<{ deg: number | null; neededDeg: number }>;
  isOpen: boolean;
}>;

/**
 * Returns whether the next stage of the lotus is open, and what of it is missing.
 *
 * Model:  a fortnight at the stage, sessions on days without pain in a knee, and the outward turn that the next one takes, all together.
 *         A knee that hurt begins the fortnight anew.
 * Source: common practice; the figures are assumptions (docs/sources.md#safety)
 */
export function stageOpening(
  { stage, since, sessionDays, kneePainDays, outwardTurnDeg }: StageFacts,
  today: string
): StageOpening {
  const begun = [since, ...kneePainDays].toSorted().at(-1)!;
  const opensOn = addDays(begun, waitDays.knee);
  const done = new Set(sessionDays.filter((day) => day > since && !kneePainDays.includes(day))).size;
  const turns = sides.map((side) => outwardTurnDeg[side]);
  const deg = turns.some((t) => t === null) ? null : Math.min(...turns.map((t) => t!));
  const neededDeg = stageNeeds.outwardTurnDeg[Math.min(stage + 1, stageNeeds.outwardTurnDeg.length - 1)]!;
  const isDayMet = opensOn <= today;
  return {
    opensOn,
    isDayMet,
    sessions: { done, needed: stageNeeds.sessions },
    turn: { deg, neededDeg },
    isOpen: isDayMet && done >= stageNeeds.sessions && deg !== null && deg >= neededDeg
  };
}
