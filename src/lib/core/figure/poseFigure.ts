import { CoreError } from '../errors';
import type { PoseId } from '../exercise/exercise';
import { segmentLengths } from '../geometry/segmentLengths';
import { otherSide, type Side } from '../side';
import { along, between, twoLinks, type Limb, type Point } from './limbs';

export type Body = Readonly<{ statureCm: number; leftLegCm: number; rightLegCm: number }>;
export type PoseSetting = Readonly<{
  /** The leg in front of a split, the trained leg elsewhere. It is the one nearer to the eye. */
  side: Side;
  /** Signed depth of a split. @default 0 */
  depthCm?: number;
}>;

export type FigurePose = Readonly<{
  limbs: readonly Limb[];
  head: Readonly<{ centre: Point; rxCm: number; ryCm: number; tiltDeg: number }>;
  joints: Readonly<Record<string, Point>>;
  /** Where a stack belongs: middle of the contact, and the height it must have. */
  supports: Readonly<{ pelvis?: Point; leadHeel?: Point; hands: Point }>;
  box: Readonly<{ minX: number; maxX: number; maxY: number }>;
}>;

type Leg = { hip: Point; knee: Point; ankle: Point; toe: Point };
type Skeleton = {
  near: Leg;
  far: Leg;
  shoulder: Point;
  trunkDeg: number;
  hand: Point;
  elbowBend: 1 | -1;
  supports: FigurePose['supports'];
};
type Lengths = {
  thigh: number;
  shank: number;
  foot: number;
  trunk: number;
  upperArm: number;
  forearm: number;
};
type Frame = { near: Lengths; far: Lengths; statureCm: number; pelvisR: number; kneeR: number; ankleR: number };

/** Half-thickness of the silhouette, as a share of stature (drawn by eye, no claim). */
const radii = {
  pelvis: 0.052,
  thigh: 0.047,
  knee: 0.03,
  ankle: 0.019,
  toe: 0.011,
  shoulder: 0.044,
  upperArm: 0.025,
  elbow: 0.02,
  wrist: 0.015
};

/**
 * A person in a position, seen from the side, standing or lying on the floor line y = 0.
 *
 * Model:  forward kinematics from joint angles and the client's own lengths; hands and feet that must touch something are
 *         reached with two links. The lowest point of a split's pelvis lies exactly at the gap. The given side is nearest
 *         and the figure faces that side, so that left and right differ by direction and not by colour alone.
 * Units:  cm, y upward.
 * Throws: CoreError 'gap_exceeds_leg'; those of `segmentLengths`.
 */
export function poseFigure(pose: PoseId, { side, depthCm = 0 }: PoseSetting, body: Body): FigurePose {
  const legOf = (s: Side) => (s === 'left' ? body.leftLegCm : body.rightLegCm);
  const frame = frameOf(body.statureCm, legOf(side), legOf(otherSide(side)));
  const skeleton = skeletons[pose](frame, depthCm);
  return mirrored(dressed(skeleton, frame, side), side);
}

function frameOf(statureCm: number, nearLegCm: number, farLegCm: number): Frame {
  const part = segmentLengths(statureCm);
  const lengths = (legCm: number): Lengths => {
    const thighShare = part.thighCm.value / (part.thighCm.value + part.shankCm.value);
    return {
      thigh: legCm * thighShare,
      shank: legCm * (1 - thighShare),
      foot: part.footLengthCm.value * 0.8,
      trunk: part.trunkCm.value,
      upperArm: part.upperArmCm.value,
      forearm: part.forearmCm.value + part.handCm.value * 0.4
    };
  };
  return {
    near: lengths(nearLegCm),
    far: lengths(farLegCm),
    statureCm,
    pelvisR: radii.pelvis * statureCm,
    kneeR: radii.knee * statureCm,
    ankleR: radii.ankle * statureCm
  };
}

/** A straight leg from the hip to an ankle at a given height, ahead (+1) or behind (−1). */
function straightLeg(hip: Point, ankleY: number, { thigh, shank, foot }: Lengths, way: 1 | -1, toesUp: boolean): Leg {
  const lengthCm = thigh + shank;
  const dropCm = hip.y - ankleY;
  if (!(Math.abs(dropCm) < lengthCm)) throw new CoreError('gap_exceeds_leg', { dropCm, legCm: lengthCm });
  const ankle = { x: hip.x + way * Math.sqrt(lengthCm ** 2 - dropCm ** 2), y: ankleY };
  const legDeg = (Math.atan2(ankle.y - hip.y, ankle.x - hip.x) * 180) / Math.PI;
  const toe = toesUp ? along(ankle, legDeg + 80, foot) : along(ankle, way > 0 ? 0 : 180, foot);
  return { hip, knee: between(hip, ankle, thigh / lengthCm), ankle, toe };
}

/** Shin and top of the foot lie on the floor behind a knee. */
function shankOnFloor(knee: Point, ankleY: number, { shank, foot }: Lengths): Pick<Leg, 'ankle' | 'toe'> {
  const ankle = { x: knee.x - Math.sqrt(shank ** 2 - (knee.y - ankleY) ** 2), y: ankleY };
  return { ankle, toe: { x: ankle.x - foot, y: ankleY * 0.7 } };
}

const flatFoot = (ankle: Point, foot: number): Point => ({ x: ankle.x + foot, y: ankle.y * 0.6 });

const trunkFrom = (hip: Point, trunkDeg: number, lengths: Lengths): Point => along(hip, trunkDeg, lengths.trunk);

const skeletons: Readonly<Record<PoseId, (frame: Frame, depthCm: number) => Skeleton>> = {
  'front split': ({ near, far, pelvisR, ankleR, statureCm }, depthCm) => {
    const gapCm = Math.max(0, depthCm);
    const raiseCm = Math.max(0, -depthCm);
    const hip = { x: 0, y: gapCm + pelvisR };
    const lead = straightLeg(hip, ankleR + raiseCm, near, 1, true);
    const trail = straightLeg(hip, ankleR, far, -1, false);
    const trunkDeg = 86;
    const handX = 0.15 * statureCm;
    return {
      near: lead,
      far: trail,
      shoulder: trunkFrom(hip, trunkDeg, near),
      trunkDeg,
      hand: { x: handX, y: Math.max(2, gapCm * 0.9) },
      elbowBend: -1,
      supports: { pelvis: { x: -2, y: gapCm }, leadHeel: { x: lead.ankle.x, y: raiseCm }, hands: { x: handX, y: gapCm * 0.9 } }
    };
  },
  'half split': ({ near, far, kneeR, ankleR, statureCm }) => {
    const rearKnee = { x: 0, y: kneeR };
    const hip = along(rearKnee, 93, far.thigh);
    const lead = straightLeg(hip, ankleR, near, 1, true);
    const trunkDeg = 38;
    return {
      near: lead,
      far: { hip, knee: rearKnee, ...shankOnFloor(rearKnee, ankleR, far) },
      shoulder: trunkFrom(hip, trunkDeg, near),
      trunkDeg,
      hand: { x: 0.27 * statureCm, y: 15 },
      elbowBend: -1,
      supports: { hands: { x: 0.27 * statureCm, y: 14 } }
    };
  },
  'half kneeling': ({ near, far, kneeR, ankleR }) => {
    const rearKnee = { x: 0, y: kneeR };
    const hip = along(rearKnee, 62, near.thigh);
    const frontAnkle = { x: hip.x + far.thigh * 0.92, y: ankleR * 1.8 };
    const front = twoLinks(hip, frontAnkle, far.thigh, far.shank, 1);
    const shoulder = trunkFrom(hip, 92, near);
    return {
      near: { hip, knee: rearKnee, ...shankOnFloor(rearKnee, ankleR, near) },
      far: { hip, knee: front.middle, ankle: front.end, toe: flatFoot(front.end, far.foot) },
      shoulder,
      trunkDeg: 92,
      hand: { x: front.middle.x - 6, y: front.middle.y + 6 },
      elbowBend: -1,
      supports: { hands: { x: front.middle.x, y: 0 } }
    };
  },
  'long lunge': ({ near, far, ankleR, statureCm }) => {
    const hip = { x: 0, y: 0.3 * statureCm };
    const rear = straightLeg(hip, ankleR * 3.4, near, -1, false);
    const frontAnkle = { x: far.thigh * 0.85, y: ankleR * 1.8 };
    const front = twoLinks(hip, frontAnkle, far.thigh, far.shank, 1);
    const hands = { x: frontAnkle.x - 8, y: 15 };
    return {
      near: { ...rear, toe: { x: rear.ankle.x + 2, y: radii.toe * statureCm } },
      far: { hip, knee: front.middle, ankle: front.end, toe: flatFoot(front.end, far.foot) },
      shoulder: trunkFrom(hip, 48, near),
      trunkDeg: 48,
      hand: hands,
      elbowBend: -1,
      supports: { hands: { x: hands.x, y: 14 } }
    };
  },
  'seated leg lift': ({ near, far, pelvisR, ankleR }) => {
    const hip = { x: 0, y: pelvisR };
    const lifted = straightLeg(hip, pelvisR + 0.22 * (near.thigh + near.shank), near, 1, true);
    const foot = { x: far.thigh * 0.55, y: ankleR * 1.8 };
    const bent = twoLinks(hip, foot, far.thigh, far.shank, 1);
    return {
      near: lifted,
      far: { hip, knee: bent.middle, ankle: bent.end, toe: flatFoot(bent.end, far.foot) },
      shoulder: trunkFrom(hip, 91, near),
      trunkDeg: 91,
      hand: { x: bent.middle.x + 4, y: bent.middle.y - 8 },
      elbowBend: -1,
      supports: { hands: { x: bent.middle.x, y: 0 } }
    };
  },
  standing: ({ near, far, ankleR }) => {
    const hip = { x: 0, y: far.thigh + far.shank + ankleR * 1.6 - 1 };
    const standing = twoLinks(hip, { x: 0, y: ankleR * 1.6 }, far.thigh, far.shank, 1);
    const swingAnkle = along(hip, -58, near.thigh + near.shank);
    return {
      near: { hip, knee: between(hip, swingAnkle, 0.5), ankle: swingAnkle, toe: along(swingAnkle, 22, near.foot) },
      far: { hip, knee: standing.middle, ankle: standing.end, toe: flatFoot(standing.end, far.foot) },
      shoulder: trunkFrom(hip, 90, near),
      trunkDeg: 90,
      hand: { x: -18, y: hip.y + 2 },
      elbowBend: -1,
      supports: { hands: { x: 0, y: 0 } }
    };
  },
  'lying rest': ({ near, far, pelvisR, ankleR, statureCm }) => {
    const hip = { x: 0, y: pelvisR };
    const foot = { x: near.thigh * 0.72, y: ankleR * 1.8 };
    const legs = twoLinks(hip, foot, near.thigh, near.shank, 1);
    const farLegs = twoLinks(hip, { x: foot.x + 6, y: foot.y }, far.thigh, far.shank, 1);
    const shoulderY = radii.shoulder * statureCm;
    const shoulder = { x: -Math.sqrt(near.trunk ** 2 - (shoulderY - hip.y) ** 2), y: shoulderY };
    return {
      near: { hip, knee: legs.middle, ankle: legs.end, toe: flatFoot(legs.end, near.foot) },
      far: { hip, knee: farLegs.middle, ankle: farLegs.end, toe: flatFoot(farLegs.end, far.foot) },
      shoulder,
      trunkDeg: 180,
      hand: { x: -near.trunk + 46, y: 3 },
      elbowBend: 1,
      supports: { hands: { x: 0, y: 0 } }
    };
  }
};

function dressed(s: Skeleton, frame: Frame, side: Side): FigurePose {
  const r = (name: keyof typeof radii) => radii[name] * frame.statureCm;
  const legLimbs = (leg: Leg, near: boolean): Limb[] => {
    const owner = near ? side : otherSide(side);
    const limb = (name: string, from: Point, to: Point, a: number, b: number): Limb => ({
      name,
      side: owner,
      near,
      from,
      to,
      fromRadiusCm: a,
      toRadiusCm: b
    });
    return [
      limb('foot', leg.ankle, leg.toe, r('ankle'), r('toe')),
      limb('shank', leg.knee, leg.ankle, r('knee'), r('ankle')),
      limb('thigh', leg.hip, leg.knee, r('thigh'), r('knee'))
    ];
  };
  const arm = twoLinks(s.shoulder, s.hand, frame.near.upperArm, frame.near.forearm, s.elbowBend);
  const pale = (name: string, from: Point, to: Point, a: number, b: number): Limb => ({
    name,
    side: null,
    near: true,
    from,
    to,
    fromRadiusCm: a,
    toRadiusCm: b
  });
  const neckTop = along(s.shoulder, s.trunkDeg, 0.075 * frame.statureCm);
  const headDeg = s.trunkDeg === 180 ? 180 : (s.trunkDeg + 90) / 2; // the head follows the spine and looks a little up from it
  const headCentre = along(neckTop, headDeg, 0.06 * frame.statureCm);
  const limbs: Limb[] = [
    ...legLimbs(s.far, false),
    pale('neck', s.shoulder, neckTop, r('elbow'), r('elbow')),
    pale('trunk', s.near.hip, s.shoulder, r('pelvis'), r('shoulder')),
    ...legLimbs(s.near, true),
    pale('upper arm', s.shoulder, arm.middle, r('upperArm'), r('elbow')),
    pale('forearm', arm.middle, arm.end, r('elbow'), r('wrist'))
  ];
  const head = { centre: headCentre, rxCm: 0.048 * frame.statureCm, ryCm: 0.066 * frame.statureCm, tiltDeg: headDeg - 90 };
  const joints = {
    hip: s.near.hip,
    shoulder: s.shoulder,
    elbow: arm.middle,
    wrist: arm.end,
    nearKnee: s.near.knee,
    nearAnkle: s.near.ankle,
    farKnee: s.far.knee,
    farAnkle: s.far.ankle
  };
  const points = limbs.flatMap((l) => [
    { x: l.from.x, y: l.from.y, r: l.fromRadiusCm },
    { x: l.to.x, y: l.to.y, r: l.toRadiusCm }
  ]);
  points.push({ ...headCentre, r: head.ryCm });
  const box = {
    minX: Math.min(...points.map((p) => p.x - p.r)),
    maxX: Math.max(...points.map((p) => p.x + p.r)),
    maxY: Math.max(...points.map((p) => p.y + p.r))
  };
  return { limbs, head, joints, supports: s.supports, box };
}

/** The left side faces left. */
function mirrored(pose: FigurePose, side: Side): FigurePose {
  if (side === 'right') return pose;
  const flip = <P extends Point>(p: P): P => ({ ...p, x: -p.x });
  const { pelvis, leadHeel, hands } = pose.supports;
  return {
    limbs: pose.limbs.map((l) => ({ ...l, from: flip(l.from), to: flip(l.to) })),
    head: { ...pose.head, centre: flip(pose.head.centre), tiltDeg: -pose.head.tiltDeg },
    joints: Object.fromEntries(Object.entries(pose.joints).map(([name, p]) => [name, flip(p)])),
    supports: { ...(pelvis && { pelvis: flip(pelvis) }), ...(leadHeel && { leadHeel: flip(leadHeel) }), hands: flip(hands) },
    box: { minX: -pose.box.maxX, maxX: -pose.box.minX, maxY: pose.box.maxY }
  };
}
