// A data table with its reader. Definition and thresholds: docs/sources.md#beighton (published, recalled; screening, not a diagnosis).
import { requireRange } from '../errors';

export const beightonItems = [
  { id: 'finger_left', text: 'Left little finger bends back to a right angle or more' },
  { id: 'finger_right', text: 'Right little finger bends back to a right angle or more' },
  { id: 'thumb_left', text: 'Left thumb reaches the front of the forearm' },
  { id: 'thumb_right', text: 'Right thumb reaches the front of the forearm' },
  { id: 'elbow_left', text: 'Left elbow goes 10° or more past straight' },
  { id: 'elbow_right', text: 'Right elbow goes 10° or more past straight' },
  { id: 'knee_left', text: 'Left knee goes 10° or more past straight' },
  { id: 'knee_right', text: 'Right knee goes 10° or more past straight' },
  { id: 'trunk', text: 'Palms flat on the floor, knees straight' }
] as const;
export type BeightonItem = (typeof beightonItems)[number]['id'];

/**
 * Beighton score and whether it meets the threshold of the age.
 *
 * Model:  one point an item, of nine. Threshold 6 for children before puberty, 5 to the age of 50, 4 over 50 (2017); under 18
 *         the stage is not asked and 5 is used, the cautious side, unless it is given. "10 degrees or more" is used where the
 *         original says beyond 10.
 * Throws: CoreError 'out_of_range'.
 */
export function beighton(
  items: readonly BeightonItem[],
  ageYears: number,
  stage: 'pre-pubertal' | 'adult' = 'adult'
): { score: number; threshold: number; meets: boolean } {
  requireRange('age', ageYears, 0, 130);
  const score = new Set(items).size;
  const threshold = stage === 'pre-pubertal' ? 6 : ageYears > 50 ? 4 : 5;
  return { score, threshold, meets: score >= threshold };
}
