import { ladder, usualStepCm, type LadderFault, type Rung } from './ladder';
import type { Prop } from './stack';

const roomToEaseCm = 2 * usualStepCm.max;

export type RungsAround = Readonly<{ rungs: readonly Rung[]; faults: readonly LadderFault[] }>;

/**
 * The ladder as it is climbed from where someone stands: some rungs above, to ease to, and those down to the goal.
 *
 * Model:  two ladders that meet at `depthCm`. Each is the cheapest way, so the part still ahead does not change while it is walked.
 * Units:  cm, signed depth; rungs descend.
 */
export function rungsAround(ask: Readonly<{ depthCm: number; targetCm: number; shelf: readonly Prop[] }>): RungsAround {
  const { depthCm, targetCm, shelf } = ask;
  const down = ladder({ fromCm: depthCm, toCm: Math.min(depthCm, targetCm), shelf });
  const here = down.steps[0]?.depthCm ?? 0;
  const up = ladder({ fromCm: here + roomToEaseCm, toCm: here, shelf });
  const above = up.steps.filter((rung) => rung.depthCm > here + 1e-9);
  return { rungs: [...above, ...down.steps], faults: down.faults };
}
