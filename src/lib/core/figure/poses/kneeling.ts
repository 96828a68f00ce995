import { toDeg } from '../../geometry/angles';
import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import { armBy, armTo, both, legBy, legTo, postureOf, restingAt, trunkOf, underHand, type Leg } from '../posture';
import { add, along, solve, vec, way, type Vec } from '../vec';

/** A leg kneeling: the knee on the floor under or before the hip, shin and top of the foot lying behind. */
export function kneelingLeg(f: Frame, which: Which, hip: Vec, thigh: Vec): Leg {
  const shinAt = (deg: number) =>
    legBy(f, which, hip, { thigh, shank: way(180 - deg), toes: way(194 - deg), soleFaces: vec(0, 1) });
  return restingAt(f, 0, shinAt, -20, 20);
}
/** Hip over a knee on the floor, the thigh leaning by a direction from the knee. */
export const hipOver = (f: Frame, which: Which, fromKnee: Vec, z: number): Vec =>
  along(vec(0, f.r.knee, z), fromKnee, f.leg[which].thigh);
const flat = (f: Frame, which: Which, hip: Vec, ankleX: number, z: number, kneeToward: Vec): Leg =>
  legTo(f, which, hip, vec(ankleX, f.step + f.foot.height, z), { kneeToward, toes: way(0), soleFaces: way(-90) });

/** Sitting on the heels, or held off them: the gap between calf and thigh. */
function heelSit(f: Frame, gapCm: number): Built {
  const seatY = 2 * f.r.ankle + f.r.pelvis * 0.8 + gapCm;
  const rise = Math.min(0.98, (seatY - f.r.knee) / f.leg.trained.thigh);
  const deg = toDeg(Math.asin(rise));
  const pelvis = { ...hipOver(f, 'trained', way(180 - deg), 0), z: 0 };
  const trunk = trunkOf(f, pelvis, { lower: way(92), upper: way(88), head: way(90) });
  const legs = both((which) => kneelingLeg(f, which, trunk.hip[which], way(-deg)));
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(legs[which].knee, vec(-14, f.r.knee * 2)), way(180), way(-10))
  );
  return { posture: postureOf(trunk, legs, arms), supports: { pelvis: vec(pelvis.x, 0) } };
}

/** Knee, hip and shoulder in one line, leaning back from upright. */
function leanBack(f: Frame, leanDeg: number): Built {
  const line = way(90 + leanDeg);
  const pelvis = hipOver(f, 'trained', line, 0);
  const trunk = trunkOf(f, pelvis, { lower: line, head: way(90 + leanDeg * 0.8) });
  const legs = both((which) => kneelingLeg(f, which, trunk.hip[which], way(leanDeg - 90)));
  const arms = both((which) => armBy(f, trunk.shoulder[which], way(leanDeg - 82), way(leanDeg - 76)));
  return { posture: postureOf(trunk, legs, arms), landmarks: { vertex: vec(0, f.r.knee), along: pelvis } };
}

/** How far the trunk leans so that straight arms reach a height, no more upright than it is usual. */
const leanToReach = (f: Frame, pelvis: Vec, handCm: number, usualDeg: number, dropDeg: number): number =>
  solve(
    (deg) => trunkOf(f, pelvis, { lower: way(deg), upper: way(deg - dropDeg) }).shoulder.trained.y,
    handCm + f.r.wrist + 0.96 * (f.arm.upper + f.arm.fore),
    -20,
    usualDeg
  );

/** Front leg straight on its heel, the rear knee under its hip, hands on blocks. */
function halfSplit(f: Frame, handCm: number): Built {
  const hip = hipOver(f, 'other', way(93), -f.hipHalf);
  const lean = leanToReach(f, { ...hip, z: 0 }, handCm, 40, 10);
  const trunk = trunkOf(f, { ...hip, z: 0 }, { lower: way(lean), upper: way(lean - 10), head: way(lean - 4) });
  const other = kneelingLeg(f, 'other', trunk.hip.other, way(-87));
  const lead = (deg: number) => legBy(f, 'trained', trunk.hip.trained, { thigh: way(deg), toes: way(deg + 86) });
  const trained = restingAt(f, 0, lead, -85, 0);
  const hand = vec(trunk.chest.x - 2, handCm + f.r.wrist, 0);
  const arms = both((which) => armTo(f, trunk.shoulder[which], { ...hand, z: trunk.shoulder[which].z }, way(180), way(-6)));
  return { posture: postureOf(trunk, { trained, other }, arms), supports: { hands: underHand(f, arms.trained) } };
}

/** Rear knee down and behind, the front foot flat. */
function halfKneeling(f: Frame): Built {
  const hip = hipOver(f, 'trained', way(60), f.hipHalf);
  const trunk = trunkOf(f, { ...hip, z: 0 }, { lower: way(94), upper: way(89), head: way(90) });
  const trained = kneelingLeg(f, 'trained', trunk.hip.trained, way(-120));
  const other = flat(f, 'other', trunk.hip.other, hip.x + f.leg.other.thigh * 0.94, -f.hipHalf, vec(0.6, 1));
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(other.knee, vec(-7, f.r.knee + 2, which === 'trained' ? 5 : -3)), way(180), way(-20))
  );
  return { posture: postureOf(trunk, { trained, other }, arms), supports: { frontFoot: vec(other.ankle.x, f.step) } };
}

/** Front foot flat between the hands, the rear leg straight behind on its toes. */
function longLunge(f: Frame, handCm: number): Built {
  const pelvis = vec(0, 0.27 * f.stature);
  const lean = leanToReach(f, pelvis, handCm, 44, 8);
  const trunk = trunkOf(f, pelvis, { lower: way(lean), upper: way(lean - 8), head: way(lean + 4) });
  const rear = (deg: number) =>
    legBy(f, 'trained', trunk.hip.trained, { thigh: way(180 + deg), toes: way(-64), soleFaces: way(206) });
  const trained = restingAt(f, 0, rear, 0, 60);
  const ankleX = f.leg.other.thigh * 0.82;
  const other = flat(f, 'other', trunk.hip.other, ankleX, -f.hipHalf, vec(0.5, 1));
  const hand = vec(ankleX - 10, handCm + f.r.wrist, 0);
  const arms = both((which) => armTo(f, trunk.shoulder[which], { ...hand, z: trunk.shoulder[which].z }, way(180), way(-6)));
  return { posture: postureOf(trunk, { trained, other }, arms), supports: { hands: underHand(f, arms.trained) } };
}

export const kneelingPoses = {
  'heel sit': { view: 'side', coloured: 'both legs', usual: 0, range: [0, 25], build: heelSit },
  'lean back': { view: 'side', coloured: 'both legs', usual: 25, range: [0, 70], build: leanBack },
  'half split': { view: 'side', coloured: 'leg', usual: 14, range: [0, 45], build: halfSplit },
  'half kneeling': { view: 'side', coloured: 'leg', usual: 0, range: [0, 0], build: halfKneeling },
  'long lunge': { view: 'side', coloured: 'leg', usual: 14, range: [0, 45], build: longLunge }
} as const satisfies Record<string, Pose>;
