import type { Effort } from '../cycle/compileCycle';

/** A coherent way of working with its defaults. Common practice; capped by the client's limits. docs/sources.md#schools */
export type School = Readonly<{
  id: string;
  name: string;
  /** One sentence: what it holds to. */
  holdsTo: string;
  /** Shortest hold a plan may be cut to, by level. */
  leastHoldS: Readonly<{ beginner: number; other: number }>;
  press: Omit<Effort, 'peakPct'>;
  draw: Omit<Effort, 'peakPct'>;
  turnS: number;
  settleS: number;
  finalSettleS: number;
  /** Effort of the first of several rounds, as a share of the peak. */
  firstRoundShare: number;
  /** The draw is a little lighter than the press. */
  drawShare: number;
  sensationCap: number;
}>;

export const schools: readonly School[] = [
  {
    id: 'long_hold',
    name: 'Long hold, press and draw',
    holdsTo: 'Range is opened by time at a mild stretch, then owned by isometrics of both sides.',
    leastHoldS: { beginner: 30, other: 60 },
    press: { rampUpS: 12, holdS: 10, rampDownS: 8 },
    draw: { rampUpS: 12, holdS: 12, rampDownS: 6 },
    turnS: 3,
    settleS: 20,
    finalSettleS: 30,
    firstRoundShare: 0.7,
    drawShare: 0.85,
    sensationCap: 4
  }
];

export const longHold = schools[0]!;
