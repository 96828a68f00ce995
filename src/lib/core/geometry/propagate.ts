import { sampleStandardDeviation } from 'simple-statistics';
import { CoreError, CoreFault } from '../errors';
import { normalDraw, seededRandom } from './random';

export type Uncertain = Readonly<{ value: number; sd: number }>;
export type Propagated = Readonly<{ value: number; sd: number; firstOrder: boolean }>;

const stepShare = 1e-3; // of an input's sd: small against curvature, large against rounding
const sampleCount = 20_000;

/**
 * How far the result of a formula is off when its inputs are.
 *
 * Model:  independent inputs; sd² = Σ(∂f/∂x · sd)² by central differences. When an input lies within 2 sd of the edge of
 *         the formula's domain that is wrong, so the inputs are drawn from their normals (seeded), the impossible draws
 *         dropped, and the sd of the rest given with `firstOrder: false`. An input used twice must be one input.
 * Throws: whatever `f` throws at the values themselves; CoreError 'sd_out_of_range'; 'domain_too_narrow' when under a
 *         tenth of the draws are possible.
 *
 * @example propagate(([g]) => 2 * g!, [{ value: 3, sd: 0.5 }]) // { value: 6, sd: 1, firstOrder: true }
 */
export function propagate(f: (values: readonly number[]) => number, inputs: readonly Uncertain[]): Propagated {
  const values = inputs.map((input) => input.value);
  for (const { sd } of inputs) if (!(sd >= 0 && Number.isFinite(sd))) throw new CoreFault('sd_out_of_range', { sd });
  const value = f(values);
  const moved = (i: number, by: number) => f(values.map((v, j) => (j === i ? v + by : v)));

  const nearEdge = inputs.some(
    ({ sd }, i) => sd > 0 && (isRefused(() => moved(i, 2 * sd)) || isRefused(() => moved(i, -2 * sd)))
  );
  if (nearEdge) return { value, sd: sampledSd(f, inputs), firstOrder: false };

  let variance = 0;
  inputs.forEach(({ sd }, i) => {
    if (sd === 0) return;
    const step = sd * stepShare;
    const slope = (moved(i, step) - moved(i, -step)) / (2 * step);
    variance += (slope * sd) ** 2;
  });
  return { value, sd: Math.sqrt(variance), firstOrder: true };
}

function isRefused(run: () => number): boolean {
  try {
    return !Number.isFinite(run());
  } catch (error) {
    if (error instanceof CoreError) return true;
    throw error;
  }
}

function sampledSd(f: (values: readonly number[]) => number, inputs: readonly Uncertain[]): number {
  const random = seededRandom(20_000);
  const results: number[] = [];
  for (let n = 0; n < sampleCount; n++) {
    const draw = inputs.map(({ value, sd }) => value + sd * normalDraw(random));
    let result = Number.NaN;
    if (!isRefused(() => (result = f(draw)))) results.push(result);
  }
  if (results.length < sampleCount / 10) throw new CoreError('domain_too_narrow', { possibleDraws: results.length });
  return sampleStandardDeviation(results);
}
