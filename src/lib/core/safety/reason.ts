import type { Limit } from '../screen/limit';
import type { OpenStop } from '../screen/stop';
import type { Side } from '../body/side';
import type { Closed } from './person';

/** Why the gate bars, or keeps something within: a code with its numbers. The sentence is made from it by `reasonText`. */
export type GateReason =
  | Readonly<{ code: 'closed'; closed: Closed }>
  | Readonly<{ code: 'stop'; stop: OpenStop; bears: boolean }>
  | Readonly<{ code: 'limit'; limit: Limit }>
  /** An end stop; `deg` is what was measured, null where it was not. */
  | Readonly<{ code: 'end stop'; limit: Limit; side: Side; deg: number | null }>
  | Readonly<{ code: 'flat first'; heldDays: number; neededDays: number; holdS: number }>
  | Readonly<{ code: 'lotus order'; stage: number; needed: number }>
  /** The load of an exercise is new to a person; it may be more from a day on, null where it was never set. */
  | Readonly<{ code: 'new to load'; belowKg: number; days: number; opensOn: string | null }>
  | Readonly<{ code: 'back not warm' }>
  /** Pain told and not decided on; `again` for the second time after the same exercise, `moderate` for one that rests its joint. */
  | Readonly<{ code: 'told pain'; text: string; on: string; again: boolean; moderate?: boolean }>
  | Readonly<{ code: 'wait'; days: number; since: string; opensOn: string; rung: 'knee' | 'depth' }>;
