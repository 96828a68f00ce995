import type { Joint, Line } from '../body/body';
import type { MotionId } from '../body/motions';
import type { Side } from '../body/side';

/** Limits that carry a number, with its unit. */
export const valuedLimits = {
  'effort cap': '%',
  'sensation cap': '/10',
  'warm-up at least': 's',
  'contraction at most': 's',
  'deepening at most every': 'days',
  'rung at least': 'days',
  'joint end stop': '°',
  'teach first, effort cap': '%'
} as const;

/** Limits that rule something out. */
export const plainLimits = [
  'no past-flat',
  'no partner',
  'no hands-on',
  'no ballistic',
  'no bracing',
  'no loaded stretch',
  'no loaded roll-down',
  'no rounded fold',
  'no passive stretch of a line',
  'no long hold of a line',
  'no deepening',
  'no end-range work',
  'no bend with inward turn',
  'no head-down',
  'no inversion',
  'no long time on the back',
  'nothing lying on the front',
  'wide support only',
  'no heel-sit',
  'no lotus',
  'no lever on the foot',
  'stay short of the pinch',
  'active work first',
  'adult present',
  'half way only',
  'measure first'
] as const;

export type LimitKind = keyof typeof valuedLimits | (typeof plainLimits)[number];

/** A limit is data that every later step obeys, with the reason it is there. */
export type Limit = Readonly<{
  kind: LimitKind;
  /** Percent, points of 10, seconds, days or degrees, by kind. */
  value?: number;
  /** The joint it is about; every joint where none is named. */
  joint?: Joint;
  motion?: MotionId;
  line?: Line;
  side?: Side;
  reason: string;
}>;

export type Clearance = 'go' | 'go with limits' | 'clinician first' | 'urgent';

/** Every kind there is. */
export const limitKinds: readonly LimitKind[] = [...(Object.keys(valuedLimits) as (keyof typeof valuedLimits)[]), ...plainLimits];
