import type { Point } from './point';
import { CoreError } from '../errors';
import { toDeg } from './angles';

/**
 * The angle at a vertex between the ways to two points.
 *
 * Model:  atan2 of the cross and the dot product, which stays exact near 0° and 180° where an arccosine does not.
 * Units:  degrees, 0 to 180; points in any one unit.
 * Throws: CoreError 'landmarks_coincide' when a point lies on the vertex, or is nowhere.
 *
 * @example angleAtDeg({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 0, y: 2 }) // 90
 */
export function angleAtDeg(vertex: Point, a: Point, b: Point): number {
  const [ax, ay, bx, by] = [a.x - vertex.x, a.y - vertex.y, b.x - vertex.x, b.y - vertex.y];
  if (!(Math.hypot(ax, ay) >= 1e-9 && Math.hypot(bx, by) >= 1e-9)) throw new CoreError('landmarks_coincide');
  return toDeg(Math.atan2(Math.abs(ax * by - ay * bx), ax * bx + ay * by));
}
