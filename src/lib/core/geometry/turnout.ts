import { requireRange } from '../errors';

/**
 * Part of a standing turnout that the two hips do not explain: knee, shin and foot, or measuring.
 *
 * Model:  functional angle between the feet, less the passive outward rotation of both hips with the hip straight.
 * Units:  degrees. Negative: the hips allow more than is shown.
 * Throws: CoreError 'out_of_range'.
 * Source: docs/sources.md#turnout
 */
export function turnoutUnexplainedDeg(m: Readonly<{ functionalDeg: number; leftErDeg: number; rightErDeg: number }>): number {
  requireRange('functional', m.functionalDeg, 0, 240);
  for (const deg of [m.leftErDeg, m.rightErDeg]) requireRange('rotation', deg, -30, 120);
  return m.functionalDeg - m.leftErDeg - m.rightErDeg;
}
