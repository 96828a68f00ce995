import jstat from 'jstat';
import { sum } from 'simple-statistics';
import { CoreFault } from '../errors';

export type MannKendall = Readonly<{ s: number; z: number; p: number }>;

/** Up to this many values the chance is counted out, order by order; beyond it the normal curve is near enough. */
const exactUpTo = 10;

/**
 * Whether a series rises or falls at all, whatever its shape.
 *
 * Model:  s: pairs that rise less pairs that fall, in the order given; z with the step of continuity; p of both sides: exact up to ten
 *         values, ties counted, from the normal curve beyond.
 * Throws: CoreFault 'points_too_few' below two values.
 * Source: docs/sources.md#trend
 */
export function mannKendall(values: readonly number[]): MannKendall {
  if (values.length < 2) throw new CoreFault('points_too_few', { points: values.length });
  const s = sum(values.flatMap((a, i) => values.slice(i + 1).map((b) => Math.sign(b - a))));
  const variance = varianceOfS(values);
  const z = variance === 0 ? 0 : (s - Math.sign(s)) / Math.sqrt(variance);
  const p = values.length <= exactUpTo ? exactP(values, s) : jstat.jStat.erfc(Math.abs(z) / Math.SQRT2);
  return { s, z, p };
}

/** Spread of S where nothing trends, ties counted. */
export function varianceOfS(values: readonly number[]): number {
  const part = (n: number) => n * (n - 1) * (2 * n + 5);
  return (part(values.length) - sum(tiesOf(values).map(part))) / 18;
}

const tiesOf = (values: readonly number[]): number[] =>
  [...new Set(values)].map((v) => values.filter((other) => other === v).length);

/**
 * Chance of an S at least as far from nought, over every order of the values.
 *
 * The orders with k falling pairs are counted by the multinomial of the ties in powers of q (a fact of combinatorics), so that ten
 * values need no ten factorial.
 */
function exactP(values: readonly number[], s: number): number {
  let counts = [1];
  let placed = 0;
  for (const tied of tiesOf(values)) {
    counts = product(counts, choices(placed + tied, tied));
    placed += tied;
  }
  const unlike = counts.length - 1; // pairs that are no tie
  const far = sum(counts.filter((_, falling) => Math.abs(unlike - 2 * falling) >= Math.abs(s)));
  return far / sum(counts);
}

/** The q-binomial of n over k: how many ways to lay k among n with so many falling pairs. By Pascal's rule in powers of q. */
function choices(n: number, k: number): number[] {
  if (k === 0 || k === n) return [1];
  const without = choices(n - 1, k);
  const within = choices(n - 1, k - 1);
  return Array.from({ length: k * (n - k) + 1 }, (_, i) => (within[i] ?? 0) + (without[i - k] ?? 0));
}

function product(a: readonly number[], b: readonly number[]): number[] {
  return Array.from({ length: a.length + b.length - 1 }, (_, i) => sum(a.map((value, j) => value * (b[i - j] ?? 0))));
}
