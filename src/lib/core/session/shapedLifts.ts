import { compileReps, type RepsSpec } from '../cycle/compileReps';
import type { Exercise } from '../exercise/exercise';
import { holdsLastOnly } from '../exercise/tempo';
import type { Gated } from '../safety/gate';
import type { Side } from '../body/side';
import type { Figures, FormAsk, Made } from './figures';
import { asksMore, type OverCap } from './shapedCycle';

/** How lifts are done where somebody shaped them by hand; how hard is said by the exercise, where it is known by the person's measure. */
export type LiftShape = Omit<RepsSpec, 'peakPct' | 'assisted' | 'atDeg' | 'atCm'>;

/** Lifts shaped by hand on each side; of what is done with both together those of the left count. */
export type SideLifts = Readonly<Record<Side, LiftShape>>;

/** Whether an exercise is lifted and held: only then lifts can be shaped for it. */
export const takesLifts = ({ phases, dials, tempo }: Exercise): boolean =>
  tempo?.kind === 'lowered' || (['active end', 'strengthen'].includes(phases[0]!) && !dials.some((d) => d.id === 'breaths'));

/**
 * Lifts as they were shaped by hand, at the effort that the exercise and the person allow. A dial that was moved since moves its figure; of a
 * range it moves the least, and the most with it. Holds, contractions and efforts stay inside the gate's.
 */
export function shapedLifts(
  { exercise, gated, capPct, active }: FormAsk,
  own: LiftShape,
  figures: Figures,
  peakPct: number
): Made {
  const { caps, longestHoldS } = gated;
  const { leastReps, insideDeg, deepest, ...rest } = own;
  const isLast = holdsLastOnly(exercise);
  const lastHoldS = isLast ? figures.shaped('holdS', own.lastHoldS ?? own.holdS) : own.lastHoldS;
  const counted = figures.shaped('reps', leastReps ?? own.reps);
  const mostS = caps.contractionS ?? Infinity;
  // Where contractions are kept short the lift and the lowering are part of them.
  const moveS = (s: number) => Math.min(s, Math.floor(mostS / 2));
  const [liftS, lowerS] = [moveS(own.liftS), moveS(own.lowerS)];
  const roomS = Math.max(0, mostS - liftS - lowerS);
  const held = (s: number) => Math.min(s, longestHoldS ?? Infinity, roomS);
  const heldS = held(isLast ? own.holdS : figures.shaped('holdS', own.holdS));
  const at = insideDeg !== undefined && active ? insideOf(insideDeg, active) : {};
  const reps = leastReps === undefined ? counted : Math.min(100, counted + own.reps - leastReps);
  const spec: RepsSpec = {
    ...rest,
    reps: gated.noHarder ? Math.min(reps, counted) : reps,
    ...(leastReps !== undefined && { leastReps: counted }),
    liftS,
    lowerS,
    holdS: heldS,
    peakPct,
    ...(lastHoldS !== undefined && { lastHoldS: held(lastHoldS) }),
    ...(insideDeg !== undefined && { insideDeg, ...at }),
    ...(deepest && { deepest: { ...deepest, holdS: Math.min(deepest.holdS, mostS), peakPct: Math.min(deepest.peakPct, capPct) } })
  };
  return { form: { kind: 'reps', spec } };
}

/** How far a limb is moved by its own strength, and how high its end is then, where the position says it. */
export type ActiveReach = Readonly<{ deg: number; heightCm: ((deg: number) => number) | null }>;

/** The angle so many degrees inside the greatest active one, never below 0, and the height of the end of the limb there. */
export function insideOf(insideDeg: number, { deg, heightCm }: ActiveReach): Pick<RepsSpec, 'atDeg' | 'atCm'> {
  const atDeg = Math.max(0, deg - insideDeg);
  return { atDeg, ...(heightCm && { atCm: heightCm(atDeg) }) };
}

/**
 * Height of the heel of a straight leg that is lifted to an angle: from the floor where one lies on the back, from hanging down where one
 * stands. Null for every other position or motion, whose height hangs on more than the leg.
 *
 * Units: centimetres, degrees. Source: the leg as the radius of a circle around the hip.
 */
export function heelHeight({ position, links }: Pick<Exercise, 'position' | 'links'>, legCm: number): ActiveReach['heightCm'] {
  const rad = (deg: number) => (deg * Math.PI) / 180;
  const [link] = links;
  if (position === 'lying on the back' && link === 'HF-KS') return (deg) => legCm * Math.sin(rad(deg));
  if (position === 'standing' && (link === 'HF-KS' || link === 'HAB')) return (deg) => legCm * (1 - Math.cos(rad(deg)));
  return null;
}

/** What of shaped lifts goes past what the gate allows, the first of it; null where nothing does. Units: percent, seconds. */
export function liftsOverCap(own: LiftShape, { caps, longestHoldS }: Pick<Gated, 'caps' | 'longestHoldS'>): OverCap | null {
  const { liftS, holdS, lowerS, lastHoldS = 0, deepest } = own;
  const peakPct = deepest?.peakPct ?? 0;
  if (peakPct > caps.effortPct) return { what: 'effort', asked: peakPct, most: caps.effortPct };
  const heldS = Math.max(holdS, lastHoldS);
  const contractionS = Math.max(liftS + heldS + lowerS, deepest?.holdS ?? 0);
  if (caps.contractionS !== null && contractionS > caps.contractionS)
    return { what: 'contraction', asked: contractionS, most: caps.contractionS };
  if (longestHoldS !== null && heldS > longestHoldS) return { what: 'hold', asked: heldS, most: longestHoldS };
  return null;
}

/** Whether shaped lifts ask for more than others: more effort, longer holds, or letting go where it was lifted. */
export const liftsAskMore = (own: LiftShape, than: LiftShape): boolean => {
  const of = (s: LiftShape) => compileReps({ ...s, peakPct: 50 }, { effortCapPct: 100 });
  return asksMore(of(own), of(than)) || (own.letGo === true && !than.letGo);
};
