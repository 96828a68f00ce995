import type { MotionId } from '../body/motions';

export const bases = ['geometry', 'published', 'common practice', 'assumption', 'set by the instructor'] as const;
export type Basis = (typeof bases)[number];

/** Which side a demand is on: the leg in front, the other one, or either alike. */
export type DemandSide = 'lead' | 'trail' | 'each' | 'both together';

export type Demand = Readonly<{
  /** A joint motion, or another measure the position needs. */
  measure: MotionId | 'straddle' | 'trunk_fold';
  on: DemandSide;
  needDeg: number;
  basis: Basis;
}>;

/**
 * How links make the position.
 *
 * - 'split':       lead flexion and trail extension add up to the opening; the headline is a signed depth of two legs.
 * - 'side split':  both abductions add up to the opening; the headline is a signed depth.
 * - 'sum':         the demands add up to the headline itself, in degrees.
 * - 'apart':       each link is its own gate; nothing adds up.
 */
export type ReadingModel = 'split' | 'side split' | 'sum' | 'apart';

/** Whether a goal is a split, front or side: its headline is a signed depth, and its end above the floor, flat or past it. */
export const isSplit = ({ model }: Readonly<{ model: ReadingModel }>): boolean => model === 'split' || model === 'side split';
/** Whether it is the front split, for which there are plans and sessions. */
export const isFrontSplit = ({ model }: Readonly<{ model: ReadingModel }>): boolean => model === 'split';

export type GoalKind = 'position' | 'joint range' | 'active range' | 'comfort';

export type Goal = Readonly<{
  id: string;
  name: string;
  kind: GoalKind;
  /** Whether the goal is trained with one side leading. */
  leads: boolean;
  /** Measure that carries the verdict; the others stand beside it. */
  headline: string;
  alsoMeasured: readonly string[];
  model: ReadingModel;
  demands: readonly Demand[];
  /** Usual target of the headline; null where there is none to set. */
  target: number | null;
  endPoint: string;
  /** In order; each is kept before the next. */
  stages: readonly string[];
  /** The exercise of each stage, where the stages are positions of their own. */
  stagePositions?: readonly string[];
  view: 'side' | 'front' | 'top';
  checks: readonly string[];
  cautions: readonly string[];
  /** Turn comes from the hip, any knee pain ends it. */
  kneeRules: boolean;
  /** Part of the position that the links may leave unexplained without a word, degrees (turnout). */
  allowanceDeg?: number;
}>;
