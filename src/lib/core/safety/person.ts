import type { JointSide, LineSide } from '../body/body';
import type { DialId } from '../exercise/dial';
import type { MotionId } from '../body/motions';
import type { Limit } from '../screen/limit';
import type { OpenStop } from '../screen/stop';
import type { Side } from '../body/side';

/** Why a person is closed for all work: nobody screened them, or the Check found what a named person has to clear. */
export type Closed = 'not screened' | 'clinician first' | 'urgent';

/** A dial of an exercise that was set, or made harder, on a day. `first` is its very first setting. */
export type DialMove = Readonly<{ exerciseId: string; side: Side; dial: DialId; on: string; first: boolean }>;

/** A pain that was told and that nobody has decided on yet: what it bears on is not made harder meanwhile. */
export type ToldPain = Readonly<{
  text: string;
  on: string;
  /** After which exercise, on which side; null where nobody knows. */
  exerciseId: string | null;
  side: Side | null;
  /** Told of the same exercise before: it is taken out until somebody decides. */
  again: boolean;
  /** Told as moderate: whatever loads its joint rests meanwhile. */
  moderate?: boolean;
  joints: readonly JointSide[];
  lines: readonly LineSide[];
}>;

/** Everything the gate knows of a person. */
export type SafetyPerson = Readonly<{
  closed: Closed | null;
  /** In force: relaxed ones are gone, those of the age and of today are in. */
  limits: readonly Limit[];
  stops: readonly OpenStop[];
  told: readonly ToldPain[];
  legCm: Readonly<Record<Side, number>>;
  /** What was measured last, passively, in degrees, by `reachKey`. */
  reachedDeg: Readonly<Record<string, number>>;
  moves: readonly DialMove[];
  /** Days on which the flat split was held for `flatHeld.holdS`, by the leg in front. */
  flatHeldOn: Readonly<Record<Side, readonly string[]>>;
  /** Stage of the lotus in work: 0 the easy seat, 1 half lotus, 2 lotus. */
  lotusStage: number;
  /** When the headline was measured last, and when the Check was answered. */
  measuredOn: string | null;
  screenedOn: string | null;
}>;

export const reachKey = (motion: MotionId, side: Side): string => `${motion}/${side}`;
