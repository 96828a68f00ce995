import { z95 } from './mdc';
import { propagate, type Uncertain } from '../geometry/propagate';

export type CrossCheck = Readonly<{
  verdict: 'agree' | 'differ' | 'cannot tell';
  differenceDeg: number;
  sdDeg: number;
  marginDeg: number;
}>;
type Formula = (shared: readonly number[], own: readonly number[]) => number;

/** Beyond this the two ways are too coarse together to say anything (assumption: docs/sources.md#assumptions). */
const widestMarginDeg = 10;

/**
 * Two ways of measuring the same angle, held against each other.
 *
 * Model:  the difference is propagated jointly, so that what both use, a leg length say, does not count twice.
 * Units:  degrees; `shared` are inputs of both, `own` those of each.
 * Throws: those of `propagate` and of the two formulas.
 */
export function crossCheck(
  f: Formula,
  g: Formula,
  shared: readonly Uncertain[],
  own: Readonly<{ f: readonly Uncertain[]; g: readonly Uncertain[] }>
): CrossCheck {
  const [a, b] = [shared.length, shared.length + own.f.length];
  const { value, sd } = propagate(
    (v) => f(v.slice(0, a), v.slice(a, b)) - g(v.slice(0, a), v.slice(b)),
    [...shared, ...own.f, ...own.g]
  );
  const margin = z95 * sd;
  const verdict = margin > widestMarginDeg ? 'cannot tell' : Math.abs(value) > margin ? 'differ' : 'agree';
  return { verdict, differenceDeg: value, sdDeg: sd, marginDeg: margin };
}
