import { CoreError, requireRange } from '../errors';
import { bearingStacks } from './reachableStacks';
import { type Prop, type Stack, type StackRules } from './stack';

/** What a stack stands under: the pelvis down to flat, then, past flat, the heel of the front foot. */
export type Under = 'pelvis' | 'floor' | 'lead heel';

/** One setting of the ladder. `depthCm` is signed: positive is a height under the pelvis, negative a raise under the lead heel. */
export type Rung = Stack & Readonly<{ depthCm: number; under: Under }>;
export type LadderFault = Readonly<{ fromCm: number; toCm: number; why: string; missingCm: number }>;
export type Ladder = Readonly<{ steps: readonly Rung[]; faults: readonly LadderFault[] }>;

export type LadderAsk = Readonly<{
  fromCm: number;
  toCm: number;
  /** @default 2.5 */
  wishStepCm?: number;
  /** @default 5 */
  maxStepCm?: number;
  shelf: readonly Prop[];
  rules?: Partial<StackRules>;
}>;

/** Steps usual in the trade: about one thin cushion wished, half a flat block never passed. docs/sources.md#stacks */
export const usualStepCm = { wish: 2.5, max: 5 } as const;

const faultCost = 1e6;
const propChangeCost = 1e-3; // far below any difference of steps: it only decides between equals

/**
 * The series of stacks from today's depth to the goal.
 *
 * Model:  shortest path over the reachable signed depths from the one nearest `fromCm` to the last one not past `toCm`:
 *         no step above `maxStepCm` where the shelf allows, then least Σ(step − wish)², then fewest changed props.
 *         Where the shelf has no step, a fault names the gap and the height that would halve it.
 * Units:  cm, signed depth; past flat the stack stands under the lead heel and higher is further.
 * Throws: CoreError 'ladder_upwards' when the goal lies above today; 'from_out_of_range', 'to_out_of_range',
 *         'wish_step_out_of_range', 'max_step_out_of_range'.
 * Cost:   O(n²) in the reachable heights between the two.
 */
export function ladder({
  fromCm,
  toCm,
  wishStepCm = usualStepCm.wish,
  maxStepCm = usualStepCm.max,
  shelf,
  rules
}: LadderAsk): Ladder {
  requireRange('from', fromCm, -200, 200);
  requireRange('to', toCm, -200, 200);
  requireRange('wish_step', wishStepCm, 0.1, 100);
  requireRange('max_step', maxStepCm, wishStepCm, 100);
  if (toCm > fromCm) throw new CoreError('ladder_upwards', { fromCm, toCm });

  const rungs = rungsBetween(bearingStacks(shelf, rules), fromCm, toCm);
  // best[i]: the cheapest way from the first rung to rung i, and where it came from
  const best = rungs.map((_, i) => ({ cost: i === 0 ? 0 : Infinity, from: -1 }));
  for (let to = 1; to < rungs.length; to++)
    for (let from = 0; from < to; from++) {
      const cost = best[from]!.cost + stepCost(rungs[from]!, rungs[to]!, wishStepCm, maxStepCm);
      if (cost < best[to]!.cost) best[to] = { cost, from };
    }

  const steps: Rung[] = [];
  for (let i = rungs.length - 1; i >= 0; i = best[i]!.from) steps.unshift(rungs[i]!);
  return { steps, faults: faultsOf(steps, maxStepCm, toCm) };
}

/** Reachable depths, descending, from the one nearest `fromCm` to the deepest that is not past the goal. */
function rungsBetween(stacks: readonly Stack[], fromCm: number, toCm: number): Rung[] {
  const above = stacks.map((s): Rung => ({ ...s, depthCm: s.heightCm, under: s.heightCm > 0 ? 'pelvis' : 'floor' }));
  const past = stacks.filter((s) => s.heightCm > 0).map((s): Rung => ({ ...s, depthCm: -s.heightCm, under: 'lead heel' }));
  const all = [...above, ...past].sort((a, b) => b.depthCm - a.depthCm);
  const start = all.reduce((near, rung) => (Math.abs(rung.depthCm - fromCm) <= Math.abs(near.depthCm - fromCm) ? rung : near));
  const between = all.filter((rung) => rung.depthCm <= start.depthCm && rung.depthCm >= toCm);
  return between.length > 0 ? between : [start];
}

function stepCost(from: Rung, to: Rung, wishStepCm: number, maxStepCm: number): number {
  const stepCm = from.depthCm - to.depthCm;
  const over = Math.max(0, Math.round((stepCm - maxStepCm) * 1000) / 1000);
  return faultCost * over ** 2 + (stepCm - wishStepCm) ** 2 + propChangeCost * changedProps(from, to);
}

/** Items of the one stack that are not in the other, both ways. */
function changedProps(a: Stack, b: Stack): number {
  const rest = b.items.map((item) => `${item.propId}/${item.face}`);
  let gone = 0;
  for (const item of a.items) {
    const at = rest.indexOf(`${item.propId}/${item.face}`);
    if (at >= 0) rest.splice(at, 1);
    else gone++;
  }
  return gone + rest.length;
}

function faultsOf(steps: readonly Rung[], maxStepCm: number, toCm: number): LadderFault[] {
  const faults = steps.slice(1).flatMap((to, i): LadderFault[] => {
    const from = steps[i]!;
    return from.depthCm - to.depthCm > maxStepCm + 1e-9
      ? [fault(from.depthCm, to.depthCm, 'the shelf has no height between')]
      : [];
  });
  const last = steps.at(-1);
  if (last && last.depthCm - toCm > maxStepCm + 1e-9) faults.push(fault(last.depthCm, toCm, 'the shelf does not reach the goal'));
  return faults;
}

const fault = (fromCm: number, toCm: number, why: string): LadderFault => ({
  fromCm,
  toCm,
  why,
  missingCm: Math.round(Math.abs(fromCm + toCm) * 5) / 10
});
