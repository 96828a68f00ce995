import { atBreath, compileCycle, effortsOf, type CycleSpec, type Effort } from '../cycle/compileCycle';
import type { Phase } from '../cycle/phase';
import { totals } from '../cycle/totals';
import type { DialId } from '../exercise/dial';
import type { Exercise } from '../exercise/exercise';
import { presses } from '../exercise/wayFor';
import type { Gated } from '../safety/gate';
import { type Figures, type FormAsk, type Made } from './figures';

/** Whether a cycle may be shaped for it: it presses, and is neither moved through, nor lifted, nor lain in. */
export const takesCycle = (exercise: Exercise): boolean =>
  exercise.tempo?.kind !== 'lowered' &&
  presses(exercise) &&
  !['warm-up', 'mobilise', 'active end', 'strengthen', 'settle'].includes(exercise.phases[0]!);

/**
 * A cycle as it was shaped by hand. A dial that was moved since moves its figure, and the other efforts by the same share; the gate
 * keeps efforts, contractions, holds, bracing and deepening within its own.
 */
export function shapedCycle({ gated, capPct, breathS }: FormAsk, own: CycleSpec, figures: Figures): Made {
  const { caps, longestHoldS } = gated;
  const main = own.press ?? own.draw;
  const share = (id: DialId, of: number | undefined) => (of ? figures.shaped(id, of) / of : 1);
  const harder = share('effortPct', main?.peakPct);
  const longer = share('contractionS', main?.holdS);
  const mostS = caps.contractionS ?? Infinity;
  const within = (e: Effort): Effort =>
    shortened({ ...e, holdS: Math.round(e.holdS * longer), peakPct: Math.min(Math.round(e.peakPct * harder), capPct) }, mostS);
  const lengths = atBreath(own, breathS);
  const held = (s: number) => (longestHoldS === null ? s : Math.min(s, longestHoldS));
  const rounds = figures.shaped('rounds', own.rounds);
  const holdS = held(figures.shaped('holdS', own.holdS));
  const { press, draw, brace, deepening, holdPct = 0, perRound = [], ...rest } = lengths;
  const spec: CycleSpec = {
    ...rest,
    holdS,
    rounds,
    ...(press && { press: within(press) }),
    ...(draw && { draw: within(draw) }),
    perRound: perRound.map((r) => ({
      ...(press && r.press && { press: within({ ...press, ...r.press }) }),
      ...(draw && r.draw && { draw: within({ ...draw, ...r.draw }) }),
      ...(r.deepening && !gated.noHarder && { deepening: r.deepening })
    })),
    finalSettleS: held(lengths.finalSettleS),
    // An effort all through a hold is a contraction as long as the hold.
    ...(holdPct !== 0 && holdS <= mostS && { holdPct: Math.sign(holdPct) * Math.min(Math.abs(holdPct), capPct) }),
    ...(brace && caps.brace && { brace }),
    ...(gated.noHarder ? { stays: true } : deepening && { deepening })
  };
  return { form: { kind: 'cycle', spec } };
}

/** A contraction squeezed into fewer seconds, ramps and hold alike, in whole seconds; a part that was there keeps one where it can. */
export function shortened(effort: Effort, mostS: number): Effort {
  const parts = [effort.rampUpS, effort.holdS, effort.rampDownS];
  const totalS = parts.reduce((sum, s) => sum + s, 0);
  if (totalS <= mostS) return effort;
  const squeezed = parts.map((s) => (s === 0 ? 0 : Math.max(1, Math.floor((s * mostS) / totalS))));
  for (let over = squeezed.reduce((sum, s) => sum + s, 0) - mostS; over > 0; over--)
    squeezed[squeezed.indexOf(Math.max(...squeezed))]!--;
  const [rampUpS, holdS, rampDownS] = squeezed as [number, number, number];
  return { ...effort, rampUpS, holdS, rampDownS };
}

/** What of a cycle goes past what the gate allows, the first of it; null where nothing does. */
export type OverCap = Readonly<{ what: 'effort' | 'contraction' | 'hold' | 'bracing'; asked: number; most: number }>;

/**
 * Whether a cycle that is being shaped stays inside the caps of the person.
 *
 * Units: percent for an effort, seconds for a contraction and a hold.
 */
export function overCap(spec: CycleSpec, { caps, longestHoldS }: Pick<Gated, 'caps' | 'longestHoldS'>): OverCap | null {
  const efforts = Array.from({ length: spec.rounds }, (_, i) => Object.values(effortsOf(spec, i))).flat();
  const peakPct = Math.max(Math.abs(spec.holdPct ?? 0), ...efforts.map((e) => e.peakPct));
  if (peakPct > caps.effortPct) return { what: 'effort', asked: peakPct, most: caps.effortPct };
  const lengths = efforts.map((e) => e.rampUpS + e.holdS + e.rampDownS);
  const longestS = Math.max(0, ...lengths, spec.holdPct ? spec.holdS : 0);
  if (caps.contractionS !== null && longestS > caps.contractionS)
    return { what: 'contraction', asked: longestS, most: caps.contractionS };
  const heldS = Math.max(spec.holdS, spec.finalSettleS);
  if (longestHoldS !== null && heldS > longestHoldS) return { what: 'hold', asked: heldS, most: longestHoldS };
  return spec.brace && !caps.brace ? { what: 'bracing', asked: 1, most: 0 } : null;
}

/** Whether phases ask for more than others: a higher peak, more effort, a longer contraction or more time under stretch. */
export function asksMore(phases: readonly Phase[], than: readonly Phase[]): boolean {
  const of = (some: readonly Phase[]) => {
    const peakPct = Math.max(0, ...some.map((p) => Math.max(Math.abs(p.fromPct), Math.abs(p.toPct))));
    const { stretchS, contractionS, effortPctS } = totals(some);
    return [peakPct, stretchS, contractionS, effortPctS];
  };
  const before = of(than);
  return of(phases).some((n, i) => n > before[i]! + 1e-6);
}

/** Whether a cycle asks for more than another. */
export const cycleAsksMore = (spec: CycleSpec, than: CycleSpec): boolean => {
  const of = (s: CycleSpec) => compileCycle(s, { effortCapPct: 100 });
  return asksMore(of(spec), of(than));
};
