import { stretchKinds, type Phase } from './phase';

export type Totals = Readonly<{ durationS: number; stretchS: number; contractionS: number; effortPctS: number }>;

/**
 * What a run of phases asks for, exactly.
 *
 * Model:  effort·time is the integral of |effort|, a trapezium for each phase (no phase crosses the line).
 * Units:  seconds, and percent·seconds.
 */
export function totals(phases: readonly Phase[]): Totals {
  let durationS = 0;
  let stretchS = 0;
  let contractionS = 0;
  let effortPctS = 0;
  for (const { kind, startS, endS, fromPct, toPct } of phases) {
    const lengthS = endS - startS;
    durationS += lengthS;
    if (stretchKinds.has(kind)) stretchS += lengthS;
    if (fromPct !== 0 || toPct !== 0) contractionS += lengthS;
    effortPctS += (lengthS * Math.abs(fromPct + toPct)) / 2;
  }
  return { durationS, stretchS, contractionS, effortPctS };
}
