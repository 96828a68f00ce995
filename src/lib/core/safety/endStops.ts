import { nearestDepthCm } from '../geometry/nearestDepth';
import { isThroughTheKnee } from '../exercise/bearing';
import { movedMotions, type Exercise } from '../exercise/exercise';
import type { Dial } from '../exercise/dial';
import type { MotionId } from '../body/motions';
import type { Limit } from '../screen/limit';
import { otherSide, type Side } from '../body/side';
import { reachKey, type SafetyPerson } from './person';
import { usualShareDeg } from './rules';

/** Which end stops bind a motion besides its own: a hip that may not bend further with the knee bent may not with it straight. */
const boundBy: Readonly<Partial<Record<MotionId, readonly MotionId[]>>> = {
  'HF-KS': ['HF-KS', 'HF-KB'],
  'HE-KF': ['HE-KF', 'HE', 'KF'],
  HAB90: ['HAB90', 'HAB']
};

/** The end stop that binds a motion on a side: the tightest; null where none is set. */
export function endStopOf(limits: readonly Limit[], motion: MotionId, side: Side): (Limit & { value: number }) | null {
  const motions = boundBy[motion] ?? [motion];
  const stops = limits.filter(
    (l): l is Limit & { value: number } =>
      l.kind === 'joint end stop' &&
      l.motion !== undefined &&
      motions.includes(l.motion) &&
      l.value !== undefined &&
      (l.side === undefined || l.side === side)
  );
  return stops.toSorted((a, b) => a.value - b.value)[0] ?? null;
}

export type BoundMotion = Readonly<{ motion: MotionId; side: Side; stop: Limit & { value: number }; reachedDeg: number | null }>;

/** The motions of an exercise that an end stop binds, with what was measured of them; a turned or folded hip bends the knee too. */
export function boundMotions(exercise: Exercise, side: Side | null, person: SafetyPerson): BoundMotion[] {
  const moved = movedMotions(exercise, side);
  const knees = moved.filter((m) => isThroughTheKnee(m.motion)).map((m) => ({ motion: 'KF' as const, side: m.side }));
  const all = [...new Map([...moved, ...knees].map((m) => [`${m.motion}/${m.side}`, m])).values()];
  return all.flatMap(({ motion, side: s }) => {
    const stop = endStopOf(person.limits, motion, s);
    return stop ? [{ motion, side: s, stop, reachedDeg: person.reachedDeg[reachKey(motion, s)] ?? null }] : [];
  });
}

export type DepthEnd = Readonly<{ depthCm: number; stops: readonly BoundMotion[] }>;

/**
 * The deepest a split may go under the end stops of its hips; null where they set none.
 *
 * Model:  the opening is no more than what the two hips may do together: each its end stop, but no more than its usual share of the
 *         position, or than what was measured of it where that is more.
 * Units:  cm, signed depth.
 */
export function deepestDepthCm(person: SafetyPerson, split: 'front' | 'side', leadSide: Side): DepthEnd | null {
  const trail = otherSide(leadSide);
  const hips =
    split === 'front'
      ? [['HF-KS', leadSide, usualShareDeg.flexion] as const, ['HE', trail, usualShareDeg.extension] as const]
      : [['HAB', leadSide, usualShareDeg.abduction] as const, ['HAB', trail, usualShareDeg.abduction] as const];
  const stops: BoundMotion[] = [];
  let openingDeg = 0;
  for (const [motion, side, share] of hips) {
    const reachedDeg = person.reachedDeg[reachKey(motion, side)] ?? null;
    const stop = endStopOf(person.limits, motion, side);
    if (stop) stops.push({ motion, side, stop, reachedDeg });
    openingDeg += Math.min(stop?.value ?? Infinity, Math.max(share, reachedDeg ?? 0));
  }
  if (stops.length === 0) return null;
  const legs = { leadLegCm: person.legCm[leadSide], trailLegCm: person.legCm[trail] };
  return { depthCm: nearestDepthCm({ openingDeg, ...legs }), stops };
}

/** Which split a dial is the depth of. */
export function splitOfDial(dial: Dial, exercise: Pick<Exercise, 'position' | 'moves'>): 'front' | 'side' | null {
  if (!dial.stack || exercise.position !== 'in the split') return null;
  const { under } = dial.stack;
  if (under !== 'pelvis' && under !== 'lead heel') return null;
  return exercise.moves.some((m) => m.motion === 'HAB') ? 'side' : 'front';
}
