import { poses } from '../figure/poses';
import { normalDraw, seededRandom } from '../geometry/random';
import type { Measure } from '../measure/measure';
import { positionOf } from '../measure/positions';

/** A whole number out of a text, for a seed (FNV-1a, public domain). */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

/**
 * What the body of the stand-in really is today, hidden from whoever measures it.
 *
 * Model:  about the last known value, or the middle of what is usual, by a share of the usual range; kept where it can be drawn.
 * Units:  those of the measure.
 */
export function standInValue(measure: Measure, lastValue: number | null, seed: number): number {
  const [low, high] = measure.usual;
  const [min, max] = poses[positionOf(measure.id).pose].range;
  const spread = (high - low) * (lastValue === null ? 0.1 : 0.03);
  const value = (lastValue ?? (low + high) / 2) + spread * normalDraw(seededRandom(seed));
  const [floor, ceiling] = [Math.max(min, measure.possible[0]), Math.min(max, measure.possible[1])];
  return Math.min(ceiling, Math.max(floor, value));
}
