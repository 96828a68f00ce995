import { CoreFault, requireRange } from '../errors';

/** Quantiles of the normal as the field prints them, literally; the exact 1.959964 differs in the fourth decimal of a result. */
export const z95 = 1.96;
export const z90 = 1.645;
export const z80 = 1.2816;

const zOf: Readonly<Record<string, number>> = { '0.95': z95, '0.9': z90, '0.8': z80 };

/**
 * Minimal detectable change: what two readings must differ by before it is more than their error.
 *
 * Model:  z·√2·sem/√trials, each reading the mean of `trials` trials.
 * Throws: CoreFault 'confidence_unknown' (0.95, 0.90 and 0.80 are known), 'out_of_range'.
 * Source: docs/sources.md#measuring-error
 *
 * @example mdc(1) // 2.7718…
 */
export function mdc(sem: number, { confidence = 0.95, trials = 1 }: { confidence?: number; trials?: number } = {}): number {
  requireRange('sem', sem, 0, 1e6);
  requireRange('trials', trials, 1, 1e6);
  const z = zOf[String(confidence)];
  if (z === undefined) throw new CoreFault('confidence_unknown', { confidence });
  return (z * Math.SQRT2 * sem) / Math.sqrt(trials);
}

/** Standard error of measurement from a spread between people and a reliability: sd·√(1 − icc). */
export function semFromIcc(sd: number, icc: number): number {
  requireRange('sd', sd, 0, 1e6);
  requireRange('icc', icc, 0, 1);
  return sd * Math.sqrt(1 - icc);
}
