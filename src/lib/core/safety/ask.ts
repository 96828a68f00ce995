import type { DialId, Setting } from '../exercise/dial';
import type { Exercise } from '../exercise/exercise';
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

export const limitReason = (limit: Limit): GateReason => ({ code: 'limit', limit });
