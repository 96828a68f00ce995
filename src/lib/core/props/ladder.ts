import { CoreFault, requireRange } from '../errors';
import { bearingStacks } from './reachableStacks';
import { stacksFor, type StackUse, type Under } from './stackUse';
import { floor, type Prop, type Stack, type StackRules } from './stack';

/** One setting of the ladder. `depthCm` is signed: positive is a height that gives way, negative one that goes past flat. */
export type Rung = Stack & Readonly<{ depthCm: number; under: Under }>;
/** Where a step is missing: between two heights, or from the last height to the goal. */
export type LadderFault = Readonly<{
  fromCm: number;
  toCm: number;
  why: 'no height between' | 'goal not reached';
  missingCm: number;
}>;
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
  /** How the stack is used. @default one stack under the pelvis, past flat under the lead heel */
  use?: StackUse;
  /** Stacks already searched for this use: what several ladders on one shelf share. */
  stacks?: readonly Stack[];
}>;

/** The split's own stack. */
export const splitUse: StackUse = { under: 'pelvis', past: 'lead heel', pairs: 1, higherIs: 'easier', bears: 'weight' };

/** Steps usual in the trade: about one thin cushion wished, half a flat block never passed. docs/sources.md#stacks */
export const usualStepCm = { wish: 2.5, max: 5 } as const;

const faultCost = 1e6;
const propChangeCost = 1e-3; // far below any difference of steps: it only decides between equals

/**
 * The series of stacks from today's depth to the goal.
 *
 * Model:  shortest path over the reachable signed depths from the one nearest `fromCm` to the last one not past `toCm`:
 *         no step above `maxStepCm` where the shelf allows, then least Σ(step − wish)², then fewest changed props. The floor is
 *         always a rung of a ladder that reaches or passes it.
 *         Where the shelf has no step, a fault names the gap and the height that would halve it.
 * Units:  cm, signed depth; past flat the stack stands under the lead heel and higher is further.
 * Throws: CoreFault 'ladder_upwards' when the goal lies above today; 'out_of_range'.
 * Cost:   O(n²) in the reachable heights between the two.
 */
export function ladder({
  fromCm,
  toCm,
  wishStepCm = usualStepCm.wish,
  maxStepCm = usualStepCm.max,
  shelf,
  rules,
  use = splitUse,
  stacks = rules ? bearingStacks(shelf, rules) : stacksFor(use, shelf).stacks
}: LadderAsk): Ladder {
  requireRange('from', fromCm, -200, 200);
  requireRange('to', toCm, -200, 200);
  requireRange('wish_step', wishStepCm, 0.1, 100);
  requireRange('max_step', maxStepCm, wishStepCm, 100);
  if (toCm > fromCm) throw new CoreFault('ladder_upwards', { fromCm, toCm });

  const rungs = rungsBetween(rungsOfStacks(stacks, use), fromCm, toCm);
  // Who comes from above the floor stands on it before going past: two ladders that meet there.
  const atFloor = rungs.findIndex((r) => r.depthCm === 0);
  const parts = atFloor > 0 && atFloor < rungs.length - 1 ? [rungs.slice(0, atFloor + 1), rungs.slice(atFloor)] : [rungs];
  const steps = parts.flatMap((part, i) => cheapestWay(part, wishStepCm, maxStepCm).slice(i === 0 ? 0 : 1));
  return { steps, faults: faultsOf(steps, maxStepCm, toCm) };
}

/** The cheapest way from the first rung to the last. */
function cheapestWay(rungs: readonly Rung[], wishStepCm: number, maxStepCm: number): Rung[] {
  // best[i]: the cheapest way from the first rung to rung i, and where it came from
  const best = rungs.map((_, i) => ({ cost: i === 0 ? 0 : Infinity, from: -1 }));
  for (let to = 1; to < rungs.length; to++)
    for (let from = 0; from < to; from++) {
      const cost = best[from]!.cost + stepCost(rungs[from]!, rungs[to]!, wishStepCm, maxStepCm);
      if (cost < best[to]!.cost) best[to] = { cost, from };
    }

  const steps: Rung[] = [];
  for (let i = rungs.length - 1; i >= 0; i = best[i]!.from) steps.unshift(rungs[i]!);
  return steps;
}

/**
 * Every setting the stacks make for a use, from the easiest to the hardest.
 *
 * Units:  cm, signed depth, descending. Where higher is harder from the floor on, every height is one past flat.
 */
export function rungsOfStacks(stacks: readonly Stack[], use: StackUse): Rung[] {
  const high = stacks.filter((s) => s.heightCm > 0);
  const above = high.map((s): Rung => ({ ...s, depthCm: s.heightCm, under: use.under }));
  const past = (under: Under) => high.map((s): Rung => ({ ...s, depthCm: -s.heightCm, under }));
  const all = [
    { ...floor, depthCm: 0, under: 'floor' } as Rung,
    ...(use.higherIs === 'easier' ? above : past(use.under)),
    ...(use.past ? past(use.past) : [])
  ];
  return all.sort((a, b) => b.depthCm - a.depthCm);
}

/** Of the settings, from the one nearest `fromCm` to the last that is not past the goal. */
function rungsBetween(all: readonly Rung[], fromCm: number, toCm: number): Rung[] {
  // Not below the goal: the nearest stack might lie past a goal that is close.
  const open = all.filter((rung) => rung.depthCm >= toCm - 1e-9);
  const start = (open.length > 0 ? open : all.slice(0, 1)).reduce((near, rung) =>
    Math.abs(rung.depthCm - fromCm) <= Math.abs(near.depthCm - fromCm) ? rung : near
  );
  return open.length > 0 ? open.filter((rung) => rung.depthCm <= start.depthCm) : [start];
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
    return from.depthCm - to.depthCm > maxStepCm + 1e-9 ? [fault(from.depthCm, to.depthCm, 'no height between')] : [];
  });
  const last = steps.at(-1);
  if (last && last.depthCm - toCm > maxStepCm + 1e-9) faults.push(fault(last.depthCm, toCm, 'goal not reached'));
  return faults;
}

const fault = (fromCm: number, toCm: number, why: LadderFault['why']): LadderFault => ({
  fromCm,
  toCm,
  why,
  missingCm: Math.round(Math.abs(fromCm + toCm) * 5) / 10
});

/** The rung a depth stands for: the nearest, so that a changed shelf still finds a stack. */
export function rungAt(rungs: readonly Rung[], depthCm: number | undefined): Rung | undefined {
  if (depthCm === undefined) return rungs[0];
  return rungs.reduce<Rung | undefined>(
    (near, rung) => (near && Math.abs(near.depthCm - depthCm) <= Math.abs(rung.depthCm - depthCm) ? near : rung),
    undefined
  );
}

/** Whether a stack is harder than what is meant by more than the greatest step. */
export const isTooFar = (stackDepthCm: number, meantDepthCm: number): boolean =>
  meantDepthCm - stackDepthCm > usualStepCm.max + 1e-9;
