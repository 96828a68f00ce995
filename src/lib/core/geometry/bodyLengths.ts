import type { Uncertain } from './propagate';
import { segmentLengths } from './segmentLengths';

export const bodyLengthIds = ['legCm', 'thighCm', 'shankCm', 'hipSpacingCm', 'hipToSternumCm'] as const;
export type BodyLengthId = (typeof bodyLengthIds)[number];
export type BodyLength = Uncertain & Readonly<{ estimated: boolean }>;
export type BodyLengths = Readonly<Record<BodyLengthId, BodyLength>>;

/** Error of a length taken by tape between landmarks (assumption: docs/sources.md#assumptions). */
export const measuredLengthSdCm = 1;

/** Spacing of the hip centres as a share of stature, and its spread (assumption: docs/sources.md#assumptions). */
const hipSpacing = { share: 0.1, sdCm: 1.5 };
/** Hip centre to the top of the breastbone as a share of stature, and its spread (assumption). */
const hipToSternum = { share: 0.285, sdShare: 0.04 };

/**
 * The lengths that formulas need of one side of a body: measured where they were, else estimated from stature, thigh and shin in
 * proportion to a measured leg, and marked.
 *
 * Units:  cm.
 * Throws: those of `segmentLengths`.
 */
export function bodyLengths(body: Readonly<{ statureCm: number } & Partial<Record<BodyLengthId, number | null>>>): BodyLengths {
  const part = segmentLengths(body.statureCm);
  // A leg that was measured tells its thigh and shin better than the stature does, and each side its own.
  const ofLeg = (whole: Uncertain): Uncertain =>
    body.legCm == null
      ? whole
      : { value: (whole.value * body.legCm) / part.legCm.value, sd: (whole.sd * body.legCm) / part.legCm.value };
  const estimates: Readonly<Record<BodyLengthId, Uncertain>> = {
    legCm: part.legCm,
    thighCm: ofLeg(part.thighCm),
    shankCm: ofLeg(part.shankCm),
    hipSpacingCm: { value: hipSpacing.share * body.statureCm, sd: hipSpacing.sdCm },
    hipToSternumCm: { value: hipToSternum.share * body.statureCm, sd: hipToSternum.sdShare * body.statureCm * hipToSternum.share }
  };
  const lengthOf = (id: BodyLengthId): BodyLength => {
    const measured = body[id];
    return measured == null
      ? { value: estimates[id].value, sd: estimates[id].sd, estimated: true }
      : { value: measured, sd: measuredLengthSdCm, estimated: false };
  };
  return {
    legCm: lengthOf('legCm'),
    thighCm: lengthOf('thighCm'),
    shankCm: lengthOf('shankCm'),
    hipSpacingCm: lengthOf('hipSpacingCm'),
    hipToSternumCm: lengthOf('hipToSternumCm')
  };
}

/**
 * What both legs together go by: the mean of the two sides. A span between two unlike legs is that of two legs of their mean, to a degree.
 */
export function meanLengths(left: BodyLengths, right: BodyLengths): BodyLengths {
  const mean = (id: BodyLengthId): BodyLength => ({
    value: (left[id].value + right[id].value) / 2,
    sd: Math.max(left[id].sd, right[id].sd), // one tape, one body: their errors go together
    estimated: left[id].estimated || right[id].estimated
  });
  return Object.fromEntries(bodyLengthIds.map((id) => [id, mean(id)])) as BodyLengths;
}
