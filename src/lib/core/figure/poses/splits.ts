import { toRad, toDeg } from '../../geometry/angles';
import { CoreError } from '../../errors';
import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import { armTo, legBy, lowestOfFoot, postureOf, restingAt, trunkOf, underHand, type Leg } from '../posture';
import { across, add, onFloor, solve, vec, way, type Vec } from '../vec';

/** A straight leg ahead (or behind, pointed) whose foot rests at a height. */
function splitLeg(f: Frame, which: Which, hip: Vec, heightCm: number, ahead: boolean): Leg {
  const dropCm = hip.y - f.r.pelvis - heightCm;
  if (!(dropCm < f.leg[which].whole)) throw new CoreError('gap_exceeds_leg', { dropCm, legCm: f.leg[which].whole });
  const legAt = (deg: number) =>
    ahead
      ? legBy(f, which, hip, { thigh: way(deg), toes: way(deg + 82) })
      : legBy(f, which, hip, { thigh: way(180 - deg), toes: way(180 - deg + 8), soleFaces: vec(0, 1) });
  return restingAt(f, heightCm, legAt, -89, 75);
}

const splitTrunk = (f: Frame, pelvisY: number) => trunkOf(f, vec(0, pelvisY), { lower: way(92), upper: way(86), head: way(88) });

/** The hands carry on blocks beside the hips. */
function splitArms(f: Frame, { shoulder }: ReturnType<typeof trunkOf>, gapCm: number) {
  const top = Math.max(f.r.wrist, (f.hands ?? gapCm * 0.9) + f.r.wrist);
  const hand = (x: number, z: number) => vec(x * f.stature, top, z);
  const palm = way(f.hands === null && gapCm > 8 ? -30 : -4);
  return {
    trained: armTo(f, shoulder.trained, hand(0.14, shoulder.trained.z), way(150), palm),
    other: armTo(f, shoulder.other, hand(-0.1, shoulder.other.z), way(150), palm)
  };
}

function frontSplit(f: Frame, depthCm: number, lift = 0): Built {
  const gapCm = Math.max(0, depthCm);
  const raiseCm = Math.max(0, -depthCm) + lift;
  const trunk = splitTrunk(f, gapCm + f.r.pelvis);
  const lead = splitLeg(f, 'trained', trunk.hip.trained, raiseCm, true);
  const legs = { trained: lead, other: splitLeg(f, 'other', trunk.hip.other, 0, false) };
  const arms = splitArms(f, trunk, gapCm);
  return {
    posture: postureOf(trunk, legs, arms),
    landmarks: lift > 0 || depthCm < 0 ? { point: vec(lead.heel.x, lead.heel.y - f.r.heel) } : { point: vec(0, gapCm) },
    supports: {
      pelvis: vec(-0.01 * f.stature, gapCm),
      leadHeel: vec(lead.heel.x, raiseCm),
      hands: underHand(f, arms.trained)
    }
  };
}

/** Legs straight out to either side, knees up, the hands in front. */
function sideSplit(f: Frame, depthCm: number): Built {
  const gapCm = Math.max(0, depthCm);
  const raiseCm = Math.max(0, -depthCm);
  const leg = (which: Which, side: 1 | -1, hip: Vec) => {
    const dropCm = hip.y - f.r.pelvis - raiseCm;
    if (!(dropCm < f.leg[which].whole)) throw new CoreError('gap_exceeds_leg', { dropCm, legCm: f.leg[which].whole });
    const legAt = (deg: number) =>
      legBy(f, which, hip, { thigh: across(side * deg), toes: add(across(side * (deg + 78)), vec(0.25, 0)) });
    return restingAt(f, raiseCm, legAt, 1, 160);
  };
  const lean = Math.min(80, 48 + gapCm * 0.5);
  const trunk = trunkOf(f, vec(0, gapCm + f.r.pelvis), { lower: way(90 - lean * 0.7), upper: way(90 - lean), head: way(70) });
  const hand = (z: number) => vec(trunk.chest.x + 0.1 * f.stature, (f.hands ?? 0) + f.r.wrist, z);
  return {
    posture: postureOf(
      trunk,
      { trained: leg('trained', 1, trunk.hip.trained), other: leg('other', -1, trunk.hip.other) },
      {
        trained: armTo(f, trunk.shoulder.trained, hand(f.shoulderHalf * 0.7), vec(0, 0, 1), way(0)),
        other: armTo(f, trunk.shoulder.other, hand(-f.shoulderHalf * 0.7), vec(0, 0, -1), way(0))
      }
    ),
    landmarks: { point: vec(0, depthCm < 0 ? 0 : gapCm) },
    supports: { pelvis: vec(0, gapCm), leadHeel: vec(0, raiseCm), hands: vec(hand(0).x, f.hands ?? 0) }
  };
}

/** One leg standing, the other up behind; the trunk goes with the pelvis. */
function standingSplit(f: Frame, openDeg: number): Built {
  const extension = Math.min(40, openDeg * 0.22);
  const raisedDeg = 270 - openDeg;
  const trunkDeg = raisedDeg - 180 + extension;
  const pelvis = vec(0, f.foot.height + f.leg.trained.whole - 0.4);
  const trunk = trunkOf(f, pelvis, { lower: way(trunkDeg + 6), upper: way(trunkDeg - 8), head: way(trunkDeg - 4) });
  const standing = legBy(f, 'trained', trunk.hip.trained, { thigh: way(-90), toes: way(0) });
  const raised = legBy(f, 'other', trunk.hip.other, {
    thigh: way(raisedDeg),
    toes: way(raisedDeg + 10),
    soleFaces: way(raisedDeg + 90)
  });
  const hand = vec(trunk.chest.x + 0.06 * f.stature, f.r.wrist + 1, f.shoulderHalf);
  return {
    posture: postureOf(
      trunk,
      { trained: standing, other: raised },
      {
        trained: armTo(f, trunk.shoulder.trained, hand, way(180), way(-6)),
        other: armTo(f, trunk.shoulder.other, { ...hand, z: -hand.z }, way(180), way(-6))
      }
    ),
    landmarks: { vertex: pelvis, along: raised.ankle, other: vec(standing.ankle.x, standing.ankle.y) }
  };
}

/** Knees wide on the floor, forearms down: seen from above by its opening, from behind by the height of the hips. */
function frog(f: Frame, openDeg: number): Built {
  const y = f.r.knee + f.leg.trained.thigh * Math.cos(toRad(openDeg));
  const pelvis = vec(0, Math.max(f.r.pelvis, y));
  const drop = solve((deg) => pelvis.y - f.leg.trained.thigh * Math.cos(toRad(deg)), f.r.knee, 0, 120);
  const shoulderY = f.arm.upper + f.r.wrist;
  const rise = Math.max(-0.9, Math.min(0.4, (shoulderY - pelvis.y) / f.trunk.whole));
  const back = way(toDeg(Math.asin(rise)));
  const trunk = trunkOf(f, pelvis, { lower: back, head: way(-6) });
  const leg = (which: Which, side: 1 | -1) =>
    legBy(f, which, trunk.hip[which], {
      thigh: across(side * drop),
      shank: way(180, side * 4),
      toes: onFloor(180 - side * 62),
      soleFaces: vec(-0.4, 0.9)
    });
  const forearm = (which: Which, side: 1 | -1) => {
    const shoulder = trunk.shoulder[which];
    return armTo(f, shoulder, vec(shoulder.x + f.arm.fore, f.r.wrist, shoulder.z + side * 4), vec(-0.2, 0.2, side), way(-2));
  };
  return {
    posture: postureOf(
      trunk,
      { trained: leg('trained', 1), other: leg('other', -1) },
      { trained: forearm('trained', 1), other: forearm('other', -1) }
    ),
    landmarks: { point: vec(0, pelvis.y - f.r.pelvis) },
    supports: { pelvis: vec(0, pelvis.y - f.r.pelvis) }
  };
}

/** The frog whose pelvis hangs at a height. */
const frogAtHeight = (f: Frame, heightCm: number): Built =>
  frog(
    f,
    solve((deg) => f.r.knee + f.leg.trained.thigh * Math.cos(toRad(deg)), heightCm + f.r.pelvis, 0, 100)
  );

/** On hands and one knee, the other leg out to the side and lifted: the height of its foot. */
function oneLegFrog(f: Frame, liftCm: number): Built {
  const pelvis = vec(0, f.r.knee + f.leg.other.thigh * 0.97);
  const trunk = trunkOf(f, pelvis, { lower: way(13), upper: way(16), head: way(34) });
  const thigh = across(Math.min(88, 42 + liftCm * 1.1));
  const legAt = (deg: number) =>
    legBy(f, 'trained', trunk.hip.trained, {
      thigh,
      shank: way(180 + deg, 6),
      toes: add(way(180 + deg), vec(0, 0, 1.4)),
      soleFaces: vec(-0.5, 0.8, -0.3)
    });
  const trained = restingAt(f, liftCm, legAt, -20, 85);
  const kneel = legBy(f, 'other', trunk.hip.other, {
    thigh: across(-12),
    shank: way(180),
    toes: way(176),
    soleFaces: vec(0, 1)
  });
  const hand = (which: Which) => add(trunk.shoulder[which], vec(0, -f.arm.upper - f.arm.fore, 0));
  return {
    posture: postureOf(
      trunk,
      { trained, other: kneel },
      {
        trained: armTo(f, trunk.shoulder.trained, { ...hand('trained'), y: f.r.wrist }, way(180), way(0)),
        other: armTo(f, trunk.shoulder.other, { ...hand('other'), y: f.r.wrist }, way(180), way(0))
      }
    ),
    landmarks: { point: vec(trained.ankle.x, lowestOfFoot(f, trained), trained.ankle.z) }
  };
}

export const splits = {
  'front split': { view: 'side', coloured: 'both legs', usual: 12, range: [-60, 100], build: (f, v) => frontSplit(f, v) },
  'front foot lift': { view: 'side', coloured: 'both legs', usual: 5, range: [0.1, 60], build: (f, v) => frontSplit(f, 16, v) },
  'side split': { view: 'front', coloured: 'both legs', usual: 14, range: [-40, 100], build: sideSplit },
  'standing split': { view: 'side', coloured: 'both legs', usual: 140, range: [40, 200], build: standingSplit },
  frog: { view: 'top', coloured: 'both legs', usual: 60, range: [5, 90], seeThrough: true, build: frog },
  'frog height': { view: 'behind', coloured: 'both legs', usual: 15, range: [0, 34], build: frogAtHeight },
  'one-leg frog': { view: 'behind', coloured: 'leg', usual: 12, range: [0, 45], build: oneLegFrog }
} as const satisfies Record<string, Pose>;
