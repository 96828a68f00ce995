import type { MotionId } from '../body/motions';
import type { Limb, WayId } from './ways';

/** Positions of the body a measure can be taken in. */
export const bodyPositions = ['standing', 'sitting', 'kneeling', 'lying on the back', 'lying on the front'] as const;
export type BodyPosition = (typeof bodyPositions)[number];

export const measureModes = ['passive', 'active'] as const;
/** Reached with outside help, or by the client's own muscles. */
export type MeasureMode = (typeof measureModes)[number];

export type MeasureUnit = 'cm' | '°' | 'min' | '×' | 'level' | 'yes' | '/10';

/** Anything that can be measured: a joint motion, or the headline of a goal. */
export type Measure = Readonly<{
  id: string;
  name: string;
  unit: MeasureUnit;
  betterIs: 'higher' | 'lower';
  sides: 'each' | 'both together';
  /** After "left" or "right": the limb the side means. */
  sideWords: string;
  modes: readonly MeasureMode[];
  /** Where it can be taken, the preferred one first. */
  positions: readonly BodyPosition[];
  howTo: readonly [string, string];
  landmarks: string;
  /** The usual one first. */
  ways: readonly WayId[];
  limb: Limb;
  /** Beyond it no body goes: refused. */
  possible: readonly [number, number];
  /** Outside it is doubtful: kept and marked. */
  usual: readonly [number, number];
  motion?: MotionId;
  /** Replaces the error of its ways where the trade knows a better figure. */
  error?: Readonly<{ trialSd: number; daySd: number; resolution: number }>;
  /** Names of the levels, lowest first. */
  levels?: readonly string[];
  /** What may be under the body or held; a measure on another one is not comparable. */
  supports?: readonly string[];
  /** Whether a dose of the joint's own rules stands beside it. */
  caution?: string;
}>;
