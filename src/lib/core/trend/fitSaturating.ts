import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { max, sum } from 'simple-statistics';
import { CoreFault } from '../errors';
import type { Point } from '../geometry/point';

export type SaturatingFit = Readonly<{ b1: number; b2: number; seB1: number; seB2: number; rss: number }>;
export type StartedFit = SaturatingFit & Readonly<{ y0: number; seY0: number }>;

/** Rates that are tried as a start, of one over the longest x. */
const startRates = [0.1, 0.5, 1, 2, 5, 15];

/**
 * Fits y = b1·(1 − e^(−b2·x)): a gain that slows down toward its end.
 *
 * Model:  least squares by Levenberg and Marquardt with the exact slopes, from the best of several rates, b1 solved for each; standard
 *         errors from the slopes at the answer. x and y are scaled to one meanwhile, so that units do not matter.
 * Throws: CoreFault 'points_too_few' (one more than what is fitted), 'no_fit' where nothing bends toward an end.
 * Source: docs/sources.md#trend
 */
export function fitSaturating(points: readonly Point[]): SaturatingFit {
  const { values, errors, rss } = fitted(points, false);
  return { b1: values[0]!, b2: values[1]!, seB1: errors[0]!, seB2: errors[1]!, rss };
}

/** The same from a start of its own, for a range: y = y0 + b1·(1 − e^(−b2·x)). Throws: as `fitSaturating`. */
export function fitSaturatingFrom(points: readonly Point[]): StartedFit {
  const { values, errors, rss } = fitted(points, true);
  return { b1: values[0]!, b2: values[1]!, y0: values[2]!, seB1: errors[0]!, seB2: errors[1]!, seY0: errors[2]!, rss };
}

function fitted(points: readonly Point[], hasStart: boolean): { values: number[]; errors: number[]; rss: number } {
  const count = hasStart ? 3 : 2;
  if (points.length <= count) throw new CoreFault('points_too_few', { points: points.length });
  const perX = max(points.map((p) => Math.abs(p.x)));
  const perY = max(points.map((p) => Math.abs(p.y)));
  if (!(perX > 0 && perY > 0)) throw new CoreFault('no_fit');
  const data = { x: points.map((p) => p.x / perX), y: points.map((p) => p.y / perY) };
  const model =
    ([b1 = 0, b2 = 0, y0 = 0]: number[]) =>
    (x: number) =>
      y0 + b1 * (1 - Math.exp(-b2 * x));
  const slopes =
    ([b1 = 0, b2 = 0]: number[]) =>
    (x: number) => [1 - Math.exp(-b2 * x), b1 * x * Math.exp(-b2 * x), ...(hasStart ? [1] : [])];
  const squares = (values: number[]) => sum(data.x.map((x, i) => (data.y[i]! - model(values)(x)) ** 2));

  const starts = startRates.map((rate) => linearPart(data, rate, hasStart));
  const initialValues = starts.toSorted((a, b) => squares(a) - squares(b))[0]!;
  const { parameterValues } = levenbergMarquardt(data, model, {
    initialValues,
    jacobianFunction: slopes,
    damping: 1e-3,
    maxIterations: 300,
    errorTolerance: 1e-30
  });
  const rss = squares(parameterValues);
  if (!parameterValues.every(Number.isFinite) || parameterValues[1]! <= 0) throw new CoreFault('no_fit');

  const jacobian = new Matrix(data.x.map((x) => slopes(parameterValues)(x)));
  const covariance = inverse(jacobian.transpose().mmul(jacobian), true).mul(rss / (points.length - count));
  const scales = [perY, 1 / perX, perY];
  return {
    values: parameterValues.map((v, i) => v * scales[i]!),
    errors: parameterValues.map((_, i) => Math.sqrt(covariance.get(i, i)) * scales[i]!),
    rss: rss * perY ** 2
  };
}

/** With the rate given, the size (and the start) follow by plain least squares. */
function linearPart(data: Readonly<{ x: number[]; y: number[] }>, rate: number, hasStart: boolean): number[] {
  const rows = new Matrix(data.x.map((x) => [1 - Math.exp(-rate * x), ...(hasStart ? [1] : [])]));
  const side = rows.transpose();
  const solved = inverse(side.mmul(rows), true).mmul(side.mmul(Matrix.columnVector(data.y)));
  return [solved.get(0, 0), rate, ...(hasStart ? [solved.get(1, 0)] : [])];
}
