import { segmentLengths } from '../geometry/segmentLengths';
import { otherSide, type Side } from '../body/side';

export type Body = Readonly<{ statureCm: number; leftLegCm: number; rightLegCm: number }>;

/** A body of nobody in particular, for figures that show an exercise and no person. */
export const usualBody: Body = { statureCm: 170, leftLegCm: 89, rightLegCm: 89 };

/** Half-thickness of the silhouette, as a share of stature (drawn by eye, no claim). */
const radii = {
  pelvis: 0.052,
  waist: 0.043,
  chest: 0.047,
  thigh: 0.047,
  knee: 0.03,
  ankle: 0.02,
  heel: 0.016,
  toe: 0.011,
  shoulder: 0.03,
  elbow: 0.02,
  wrist: 0.015,
  finger: 0.009,
  neck: 0.022
} as const;
export type RadiusName = keyof typeof radii;

/** Half the spacing of hip centres and of shoulder joints, the neck, and the half-axes of the head, as shares of stature. */
const widths = { hip: 0.05, shoulder: 0.105, neck: 0.05, headUp: 0.066, headAcross: 0.048 } as const;

/** The leg that is trained or leads is built on the right; the other one on the left. */
export type Which = 'trained' | 'other';
export type LegLengths = Readonly<{ thigh: number; shank: number; whole: number }>;

/** The lengths a figure is made of, cm. */
export type Frame = Readonly<{
  stature: number;
  leg: Readonly<Record<Which, LegLengths>>;
  trunk: Readonly<{ lower: number; upper: number; whole: number }>;
  arm: Readonly<{ upper: number; fore: number; hand: number; whole: number }>;
  foot: Readonly<{ height: number; back: number; ahead: number }>;
  neck: number;
  /** Height of what the pelvis sits on, where a position sits on the floor. */
  seat: number;
  /** Height of what the hands carry on; null where the position finds it. */
  hands: number | null;
  /** Height of the step under the front foot. */
  step: number;
  hipHalf: number;
  shoulderHalf: number;
  head: Readonly<{ up: number; across: number }>;
  r: Readonly<Record<RadiusName, number>>;
}>;

/** What carries the body besides the floor, cm. */
export type Carried = Readonly<{ seatCm?: number; handsCm?: number | null; stepCm?: number }>;

export function frameOf(
  { statureCm, leftLegCm, rightLegCm }: Body,
  side: Side,
  { seatCm = 0, handsCm = null, stepCm = 0 }: Carried = {}
): Frame {
  const part = segmentLengths(statureCm);
  const legOf = (s: Side): LegLengths => {
    const whole = s === 'left' ? leftLegCm : rightLegCm;
    const thigh = (whole * part.thighCm.value) / (part.thighCm.value + part.shankCm.value);
    return { thigh, shank: whole - thigh, whole };
  };
  const share = (k: number) => k * statureCm;
  const trunk = part.trunkCm.value;
  const arm = { upper: part.upperArmCm.value, fore: part.forearmCm.value, hand: part.handCm.value };
  return {
    stature: statureCm,
    leg: { trained: legOf(side), other: legOf(otherSide(side)) },
    trunk: { lower: 0.4 * trunk, upper: 0.6 * trunk, whole: trunk },
    arm: { ...arm, whole: arm.upper + arm.fore + arm.hand },
    foot: { height: part.footHeightCm.value, back: share(0.022), ahead: share(0.105) },
    neck: share(widths.neck),
    seat: seatCm,
    hands: handsCm,
    step: stepCm,
    hipHalf: share(widths.hip),
    shoulderHalf: share(widths.shoulder),
    head: { up: share(widths.headUp), across: share(widths.headAcross) },
    r: Object.fromEntries(Object.entries(radii).map(([name, k]) => [name, share(k)])) as Record<RadiusName, number>
  };
}
