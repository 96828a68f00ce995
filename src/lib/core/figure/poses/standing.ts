import { toRad } from '../../geometry/angles';
import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import { armBy, armTo, legBy, legTo, legVia, lowestOfFoot, postureOf, trunkOf, type Leg, type Trunk } from '../posture';
import { add, along, onFloor, solve, vec, way, type Vec } from '../vec';

export const hanging = (f: Frame, trunk: Trunk) => ({
  trained: armBy(f, trunk.shoulder.trained, way(-93, 6), way(-84, 2)),
  other: armBy(f, trunk.shoulder.other, way(-93, -6), way(-84, -2))
});

/** A leg under the hip, its foot flat on a level. */
export const standingLeg = (f: Frame, which: Which, hip: Vec, levelY = 0): Leg =>
  legTo(f, which, hip, vec(hip.x, levelY + f.foot.height, hip.z), { kneeToward: way(0), toes: way(0), soleFaces: way(-90) });

export const standingPelvis = (f: Frame, levelY = 0): Vec =>
  vec(0, levelY + f.foot.height + Math.min(f.leg.trained.whole, f.leg.other.whole) - 0.3);

function standing(f: Frame): Built {
  const trunk = trunkOf(f, standingPelvis(f), { lower: way(92), upper: way(88), head: way(90) });
  const legs = { trained: standingLeg(f, 'trained', trunk.hip.trained), other: standingLeg(f, 'other', trunk.hip.other) };
  return { posture: postureOf(trunk, legs, hanging(f, trunk)) };
}

/** A straight leg swung or held ahead, standing on the other. */
function legSwing(f: Frame, raisedDeg: number): Built {
  const trunk = trunkOf(f, standingPelvis(f), { lower: way(91), upper: way(89), head: way(90) });
  const deg = raisedDeg - 90;
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: way(deg), toes: way(deg + 78) });
  const beside = (which: Which) => armBy(f, trunk.shoulder[which], way(-100, which === 'trained' ? 20 : -20), way(-60));
  return {
    posture: postureOf(
      trunk,
      { trained, other: standingLeg(f, 'other', trunk.hip.other) },
      { trained: beside('trained'), other: beside('other') }
    ),
    landmarks: { vertex: trunk.hip.trained, along: trained.ankle }
  };
}

/** Standing before a wall, a palm on it with the fingers up: the wrist bends back the lower the hand is, and the nearer the body. */
function palmOnWall(f: Frame, bentDeg: number): Built {
  const leaning = way(92 - bentDeg * 0.08);
  const trunk = trunkOf(f, standingPelvis(f), { lower: leaning, upper: leaning, head: way(90) });
  const legs = { trained: standingLeg(f, 'trained', trunk.hip.trained), other: standingLeg(f, 'other', trunk.hip.other) };
  const trained = armBy(f, trunk.shoulder.trained, way(90 - bentDeg), way(90 - bentDeg), way(90));
  const wallX = trained.wrist.x + f.r.wrist;
  return {
    posture: postureOf(trunk, legs, { ...hanging(f, trunk), trained }),
    landmarks: { vertex: trained.wrist, along: trained.fingertip, other: trained.elbow },
    furniture: [{ min: vec(wallX, 0, -0.2 * f.stature), max: vec(wallX + 6, 1.06 * f.stature, 0.2 * f.stature) }]
  };
}

/** Folding from the hips with straight knees, arms hanging: fingertips over the soles, minus below them. */
function standingFold(f: Frame, fingertipCm: number): Built {
  const levelY = Math.max(0, -fingertipCm);
  const at = (fold: number) => {
    const pelvis = add(standingPelvis(f, levelY), vec(-fold * 0.07, 0));
    const trunk = trunkOf(f, pelvis, { lower: way(90 - fold), upper: way(90 - fold * 1.16), head: way(90 - fold * 1.16) });
    const arms = { trained: armBy(f, trunk.shoulder.trained, way(-90)), other: armBy(f, trunk.shoulder.other, way(-90)) };
    const leg = (which: Which) =>
      legTo(f, which, trunk.hip[which], vec(0, levelY + f.foot.height, trunk.hip[which].z), {
        kneeToward: way(0),
        toes: way(0),
        soleFaces: way(-90)
      });
    return { trunk, arms, legs: { trained: leg('trained'), other: leg('other') } };
  };
  const { trunk, arms, legs } = at(solve((fold) => at(fold).arms.trained.fingertip.y, levelY + fingertipCm, 0, 152));
  const box = { min: vec(-0.09 * f.stature, 0, -0.16 * f.stature), max: vec(0.14 * f.stature, levelY, 0.16 * f.stature) };
  return {
    posture: postureOf(trunk, legs, arms),
    landmarks: { point: arms.trained.fingertip },
    supports: { hands: vec(arms.trained.fingertip.x, Math.max(0, fingertipCm)) },
    zeroY: levelY,
    furniture: levelY > 0 ? [box] : []
  };
}

/** Heels together, the feet turned out by an angle between them, seen from above. */
function turnout(f: Frame, betweenDeg: number): Built {
  const trunk = trunkOf(f, standingPelvis(f), { lower: way(90), head: way(90) });
  const leg = (which: Which, side: 1 | -1) => {
    const toes = onFloor((side * betweenDeg) / 2);
    const heel = vec(-0.01 * f.stature, 0);
    const ankle = add(along(heel, toes, f.foot.back), vec(0, f.foot.height));
    return legTo(f, which, trunk.hip[which], ankle, { kneeToward: toes, toes, soleFaces: way(-90) });
  };
  const legs = { trained: leg('trained', 1), other: leg('other', -1) };
  return {
    posture: postureOf(trunk, legs, {
      trained: armBy(f, trunk.shoulder.trained, way(-90, 30), way(-90, 12)),
      other: armBy(f, trunk.shoulder.other, way(-90, -30), way(-90, -12))
    }),
    landmarks: { vertex: legs.trained.heel, along: legs.trained.toe, other: legs.other.toe }
  };
}

/** At the bottom of a squat, the heels lifted by a height. */
function deepSquat(f: Frame, heelCm: number): Built {
  const length = f.foot.ahead + f.foot.back;
  const tilt = solve((deg) => length * Math.sin(toRad(deg)) + (f.r.toe - f.r.heel) * (1 - Math.cos(toRad(deg))), heelCm, 0, 88);
  const toes = way(-tilt);
  const footAt = (ankle: Vec, which: Which, hip: Vec) =>
    legTo(f, which, hip, ankle, { kneeToward: vec(1, 1), toes, soleFaces: way(-90 - tilt) });
  const pelvis = vec(-0.11 * f.stature, 0.135 * f.stature + heelCm * 0.6);
  const trunk = trunkOf(f, pelvis, { lower: way(64), upper: way(52), head: way(66) });
  const leg = (which: Which) => {
    const hip = trunk.hip[which];
    const wide = vec(0, f.foot.height, hip.z * 1.3);
    const y = solve((up) => lowestOfFoot(f, footAt(add(wide, vec(0, up)), which, hip)), 0, -10, 40);
    return footAt(add(wide, vec(0, y)), which, hip);
  };
  const legs = { trained: leg('trained'), other: leg('other') };
  const heel = legs.trained.heel;
  const arm = (which: Which) =>
    armTo(f, trunk.shoulder[which], add(trunk.chest, vec(0.26 * f.stature, -0.05 * f.stature)), way(-90));
  const heelY = heel.y - f.r.heel;
  return {
    posture: postureOf(trunk, legs, { trained: arm('trained'), other: arm('other') }),
    landmarks: { point: vec(heel.x, heelY, heel.z) },
    supports: { leadHeel: vec(heel.x, heelY) }
  };
}

/** A foot flat by a wall, the knee over the toes: how far the shin leans from upright. */
function kneeOverToes(f: Frame, leanDeg: number): Built {
  const ankle = vec(0, f.step + f.foot.height, f.hipHalf);
  const knee = along(ankle, way(90 - leanDeg), f.leg.trained.shank);
  const pelvis = add(along(knee, way(122), f.leg.trained.thigh), vec(0, 0, -f.hipHalf));
  const trunk = trunkOf(f, pelvis, { lower: way(88), upper: way(84), head: way(88) });
  const trained = legVia(f, 'trained', trunk.hip.trained, way(-58), ankle, way(0), way(-90));
  // On a step the other foot stays on the floor, as near behind as the leg is long.
  const behind = vec(pelvis.x - Math.max(0.05, 0.3 - f.step / f.stature) * f.stature, 0, -f.hipHalf);
  const otherAt = (up: number) =>
    legTo(f, 'other', trunk.hip.other, add(behind, vec(0, up)), { kneeToward: way(0), toes: way(-38), soleFaces: way(-125) });
  const other = otherAt(solve((up) => lowestOfFoot(f, otherAt(up)), 0, 0, 40));
  const wallX = Math.max(0.2 * f.stature, knee.x + f.r.knee + 1.5);
  const hand = (which: Which) =>
    armTo(f, trunk.shoulder[which], vec(wallX - 2, trunk.chest.y - 4, trunk.shoulder[which].z), way(-90), way(80));
  return {
    posture: postureOf(trunk, { trained, other }, { trained: hand('trained'), other: hand('other') }),
    landmarks: { vertex: trained.ankle, along: trained.knee },
    supports: { frontFoot: vec(0.04 * f.stature, f.step) },
    furniture: [{ min: vec(wallX, 0, -30), max: vec(wallX + 3, 0.95 * f.stature, 30) }]
  };
}

export const standingPoses = {
  standing: { view: 'side', coloured: 'none', usual: 0, range: [0, 0], build: standing },
  'leg swing': { view: 'side', coloured: 'leg', usual: 58, range: [15, 130], build: legSwing },
  'standing fold': { view: 'side', coloured: 'both legs', usual: 0, range: [-30, 75], build: standingFold },
  'palm on a wall': { view: 'side', coloured: 'arm', usual: 70, range: [40, 92], build: palmOnWall },
  turnout: { view: 'top', coloured: 'feet', usual: 110, range: [0, 200], seeThrough: true, build: turnout },
  'deep squat': { view: 'side', coloured: 'both legs', usual: 6, range: [0, 16], build: deepSquat },
  'knee over toes': { view: 'side', coloured: 'leg', usual: 38, range: [-5, 60], build: kneeOverToes }
} as const satisfies Record<string, Pose>;
