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
  'joint rests',
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

/** A limit is data that every later step obeys, with where it comes from: by kind and source it is relaxed. */
export type Limit = Readonly<{
  kind: LimitKind;
  /** Percent, points of 10, seconds, days or degrees, by kind. */
  value?: number;
  /** The joint it is about; every joint where none is named. */
  joint?: Joint;
  motion?: MotionId;
  line?: Line;
  side?: Side;
  from: LimitFrom;
}>;

/** Whom or what a limit comes from: a row of the Check by its id, or one of the plain sources. */
export type LimitFrom = PlainFrom | `row/${string}` | `kept/${string}`;
/** Sources that are no row of the Check, in words. 'kept/' carries the words of a limit kept before there were codes. */
export const plainFroms = {
  'very mobile': 'very mobile joints',
  'under 18': 'under 18',
  '60 and over': '60 and over',
  instructor: 'set by the instructor',
  'end stop': 'the end stop set in the Check',
  painkillers: 'painkillers today'
} as const;
export type PlainFrom = keyof typeof plainFroms;

export type Clearance = 'go' | 'go with limits' | 'clinician first' | 'urgent';

/** Every kind there is. */
export const limitKinds: readonly LimitKind[] = [...(Object.keys(valuedLimits) as (keyof typeof valuedLimits)[]), ...plainLimits];
