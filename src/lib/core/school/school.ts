import type { Level } from '../level';
import type { Effort } from '../cycle/compileCycle';
import type { Span } from '../span';

export const schoolIds = ['long_hold', 'contract_relax', 'short_holds', 'breath_counted', 'drills'] as const;
export type SchoolId = (typeof schoolIds)[number];

/** How strictly a shape is kept: strict, loosened step by step on purpose, or only at the joint in question. */
export const alignmentPolicies = ['strict', 'graded', 'joint only'] as const;
/** What hands may do: nothing, resist, or help. */
export const handPolicies = ['none', 'resist', 'assist'] as const;
export const timePolicies = ['seconds', 'counts', 'breaths', 'until eased'] as const;

export type Policies = Readonly<{
  alignment: (typeof alignmentPolicies)[number];
  hands: (typeof handPolicies)[number];
  time: (typeof timePolicies)[number];
}>;

/** What a school has a figure or a rule for, in the order they are compared. */
export const schoolTopics = {
  hold: 'passive hold',
  contraction: 'contraction',
  effort: 'effort',
  ramp: 'ramp and release',
  between: 'between press and draw',
  settle: 'settling',
  rounds: 'rounds',
  sensation: 'sensation at most',
  frequency: 'how often',
  order: 'passive and active',
  costs: 'costs most'
} as const;
export type SchoolTopic = keyof typeof schoolTopics;

/** A rule in words, and the figures in it where there are any. `unsure` marks figures that could not be made out with certainty: never a limit. */
export type SchoolRule = Readonly<{ words: string; span?: Span; unsure?: true }>;

/** How a school presses: hold, press, draw where it draws, settle. */
export type PressWay = Readonly<{
  kind: 'cycle';
  holdS: number;
  rounds: number;
  press: Effort;
  draw: Effort | null;
  turnS: number;
  settleS: number;
  finalSettleS: number;
}>;

/** How a school works at one place: a cycle, counted repetitions, breaths, or holds with a moment between. */
export type SchoolWay =
  | PressWay
  | Readonly<{ kind: 'reps'; sets: number; reps: number; liftS: number; holdS: number; lowerS: number; effortPct: number }>
  | Readonly<{ kind: 'breaths'; passes: number; breaths: number; effortPct: number }>
  | Readonly<{ kind: 'holds'; sets: number; holdS: number; restS: number }>;

/** A coherent way of working with its defaults. Common practice; capped by the client's limits. docs/sources.md#schools */
export type School = Readonly<{
  id: SchoolId;
  name: string;
  /** One sentence: what it holds to. */
  holdsTo: string;
  /** What it says on each topic; null where it has no figure, and the instructor is asked. */
  rules: Readonly<Record<SchoolTopic, SchoolRule | null>>;
  policies: Policies;
  /** One usual dose, the middle of its figures, so that two schools can be laid side by side. */
  way: SchoolWay;
  /** A press stays one in every school: how this one presses, where pressing is not its own way. */
  press?: PressWay;
  sensationCap: number | null;
  /** Shortest hold before an effort, by level: where a hold begins and what it may be cut to. Null where the school says none. */
  leastHoldS: Readonly<{ beginner: number; other: number }> | null;
  /** Effort of the first of several rounds, as a share of the peak. */
  firstRoundShare: number;
}>;

/** The shortest hold before an effort of somebody at a level; null where the school says none. Units: seconds. */
export const leastHoldOf = ({ leastHoldS }: Pick<School, 'leastHoldS'>, level: Level): number | null =>
  leastHoldS && (level === 'beginner' ? leastHoldS.beginner : leastHoldS.other);

/** A question on which practitioners differ, with the answers, and which schools give which. */
export type Difference = Readonly<{
  question: string;
  answers: readonly Readonly<{ words: string; schools: readonly SchoolId[] }>[];
}>;
