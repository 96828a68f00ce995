import { requireRange } from '../errors';

/** Fractions of stature, hip centre and trochanter taken as one. Published, from memory: docs/sources.md#segment-lengths */
const fractions = {
  legCm: 0.53,
  thighCm: 0.245,
  shankCm: 0.246,
  footHeightCm: 0.039,
  footLengthCm: 0.152,
  trunkCm: 0.288, // shoulder height 0.818 less hip height 0.530
  upperArmCm: 0.186,
  forearmCm: 0.146,
  handCm: 0.108,
  neckCm: 0.052, // shoulder to chin 0.870
  headCm: 0.13
} as const;

/** Spread of a single body about such a fraction, as a share of the length (assumption: docs/sources.md#assumptions). */
const spreadShare = 0.03;

export type SegmentLengths = Readonly<Record<keyof typeof fractions, number>>;
export type EstimatedLength = Readonly<{ value: number; sd: number; estimated: true }>;

/**
 * Segment lengths for what was not measured.
 *
 * Model:  fixed fractions of stature; every value is marked as an estimate and carries its sd.
 * Units:  cm.
 * Throws: CoreError 'out_of_range' outside 60–260 cm.
 */
export function segmentLengths(statureCm: number): Readonly<Record<keyof typeof fractions, EstimatedLength>> {
  requireRange('stature', statureCm, 60, 260);
  const entries = Object.entries(fractions).map(([name, share]) => {
    const value = share * statureCm;
    return [name, { value, sd: spreadShare * value, estimated: true }];
  });
  return Object.fromEntries(entries);
}
