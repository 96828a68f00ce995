import { CoreFault } from '../errors';
import type { Phase } from './phase';
import type { DrawnPhase } from './smallCurve';

/** The phase running at a moment; at a border the one that begins. Null before the first and from the end of the last. */
export function phaseAt<P extends DrawnPhase>(phases: readonly P[], tS: number): P | null {
  let low = 0;
  let high = phases.length - 1;
  while (low <= high) {
    const mid = (low + high) >> 1;
    const phase = phases[mid]!;
    if (tS < phase.startS) high = mid - 1;
    else if (tS >= phase.endS) low = mid + 1;
    else return phase;
  }
  return null;
}

/**
 * Effort at a moment: press positive, draw negative, 0 outside the phases.
 *
 * Units:  seconds in, percent out.
 * Throws: CoreFault 'time_not_a_number'.
 */
export function effortAtPct(phases: readonly DrawnPhase[], tS: number): number {
  if (!Number.isFinite(tS)) throw new CoreFault('time_not_a_number');
  const phase = phaseAt(phases, tS);
  if (!phase) return 0;
  return phase.fromPct + ((phase.toPct - phase.fromPct) * (tS - phase.startS)) / (phase.endS - phase.startS);
}

/**
 * The moments in a ramp at which the next step of effort is announced.
 *
 * Model:  whole multiples of `stepPct` passed strictly inside the ramp, and its end; [] for a phase of even effort.
 * Units:  percent, seconds from the start of the session or cycle the phase belongs to.
 */
export function rampSteps(phase: Phase, stepPct = 10): { atS: number; pct: number }[] {
  const from = Math.abs(phase.fromPct);
  const to = Math.abs(phase.toPct);
  if (from === to) return [];
  const direction = Math.sign(to - from);
  const steps: { atS: number; pct: number }[] = [];
  const first = direction > 0 ? Math.floor(from / stepPct + 1e-9) + 1 : Math.ceil(from / stepPct - 1e-9) - 1;
  for (let k = first; direction * (k * stepPct - to) < 0; k += direction) {
    const pct = k * stepPct;
    steps.push({ atS: phase.startS + ((pct - from) / (to - from)) * (phase.endS - phase.startS), pct });
  }
  return [...steps, { atS: phase.endS, pct: to }];
}
