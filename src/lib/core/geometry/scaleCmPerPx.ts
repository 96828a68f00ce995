import type { Point } from './point';
import { CoreError } from '../errors';

/**
 * How many centimetres a picture element is, from the two ends of a thing of known length in the plane of the body.
 *
 * Throws: CoreError 'block_height_zero' for a length that is not above 0; 'block_ends_coincide' for ends less than 1 px apart.
 *
 * @example scaleCmPerPx({ x: 0, y: 0 }, { x: 0, y: 40 }, 10) // 0.25
 */
export function scaleCmPerPx(p: Point, q: Point, knownCm: number): number {
  if (!(knownCm > 0 && Number.isFinite(knownCm))) throw new CoreError('block_height_zero', { knownCm });
  const lengthPx = Math.hypot(p.x - q.x, p.y - q.y);
  if (!(lengthPx >= 1)) throw new CoreError('block_ends_coincide', { lengthPx });
  return knownCm / lengthPx;
}
