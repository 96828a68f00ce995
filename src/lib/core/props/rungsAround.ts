import { ladder, splitUse, usualStepCm, type LadderFault, type Rung } from './ladder';
import { stacksFor, type StackUse } from './stackUse';
import type { Prop, Stack } from './stack';

const roomToEaseCm = 2 * usualStepCm.max;

export type RungsAround = Readonly<{ rungs: readonly Rung[]; faults: readonly LadderFault[] }>;

/**
 * The ladder as it is climbed from where someone stands: some rungs above, to ease to, and those down to the goal.
 *
 * Model:  two ladders that meet at `depthCm`. Each is the cheapest way, so the part still ahead does not change while it is walked.
 * Units:  cm, signed depth; rungs descend.
 */
export function rungsAround(ask: RungsAsk): RungsAround {
  const { depthCm, targetCm, shelf, use = splitUse, stacks = stacksFor(use, shelf).stacks } = ask;
  const down = ladder({ fromCm: depthCm, toCm: Math.min(depthCm, targetCm), shelf, use, stacks });
  const here = down.steps[0]?.depthCm ?? 0;
  const up = ladder({ fromCm: here + roomToEaseCm, toCm: here, shelf, use, stacks });
  const above = up.steps.filter((rung) => rung.depthCm > here + 1e-9);
  // A step that is missing on the way back is told as well.
  const missingAbove = up.faults.filter((f) => f.toCm >= here - 1e-9);
  return { rungs: [...above, ...down.steps], faults: [...missingAbove, ...down.faults] };
}

export type RungsAsk = Readonly<{
  depthCm: number;
  targetCm: number;
  shelf: readonly Prop[];
  /** @default the split's own stack */
  use?: StackUse;
  stacks?: readonly Stack[];
}>;
