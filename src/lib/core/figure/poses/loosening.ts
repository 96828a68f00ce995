// Standing, warming up: jumps, swings, circles, folds with the feet apart. One build a position, as a catalogue is.
import { toRad } from '../../geometry/angles';
import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import { armBy, armTo, both, legBy, legTo, lowestOfFoot, postureOf, sideOf, trunkOf, type Leg, type Trunk } from '../posture';
import { across, add, along, onFloor, solve, unit, vec, way, type Vec } from '../vec';
import { hanging, standingLeg, standingPelvis } from './standing';

const shortest = (f: Frame): number => Math.min(f.leg.trained.whole, f.leg.other.whole) - 0.3;
const upright = (f: Frame, pelvis: Vec): Trunk => trunkOf(f, pelvis, { lower: way(92), upper: way(88), head: way(90) });
const flatOn = { toes: way(0), soleFaces: way(-90) };

/** The pelvis over feet that stand apart by an angle at either hip. */
const overFeet = (f: Frame, openDeg: number, share = 1): Vec =>
  vec(0, f.foot.height + shortest(f) * share * Math.cos(toRad(openDeg)));

/** A leg to a foot that stands out to its side. */
const legApart = (f: Frame, which: Which, hip: Vec, openDeg: number, turnDeg = 12): Leg => {
  const side = sideOf(which);
  const z = side * (f.hipHalf + shortest(f) * Math.sin(toRad(openDeg)));
  const toes = onFloor(side * turnDeg);
  return legTo(f, which, hip, vec(0, f.foot.height, z), { kneeToward: toes, toes, soleFaces: way(-90) });
};

const handsOnHips = (f: Frame, trunk: Trunk) =>
  both((which) => {
    const side = sideOf(which);
    return armTo(
      f,
      trunk.shoulder[which],
      add(trunk.hip[which], vec(2, 0.06 * f.stature, side * f.r.pelvis)),
      vec(-0.5, 0, side),
      vec(0.3, -0.6, -0.4 * side)
    );
  });

/** Facing: the arms raised from hanging, the feet apart by a share of that. */
function armsAside(f: Frame, armDeg: number, feetShare: number): Built {
  const openDeg = armDeg * feetShare;
  const trunk = upright(f, overFeet(f, openDeg));
  const arm = (which: Which) => armBy(f, trunk.shoulder[which], across(sideOf(which) * Math.max(8, armDeg)));
  return { posture: postureOf(trunk, both((which) => legApart(f, which, trunk.hip[which], openDeg)), both(arm)) }; // prettier-ignore
}

/** Standing on one leg, the other straight out to its side; minus is across. */
function legSwungAside(f: Frame, outDeg: number): Built {
  const trunk = upright(f, standingPelvis(f));
  // A little in front, where it clears the foot that stands.
  const ahead = Math.max(0, 0.42 - Math.abs(outDeg) * 0.01);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: unit(add(across(outDeg), vec(ahead, 0))),
    toes: vec(1, 0.2, 0.1),
    soleFaces: across(outDeg)
  });
  const arms = both((which) => armBy(f, trunk.shoulder[which], across(sideOf(which) * 62), across(sideOf(which) * 78)));
  return { posture: postureOf(trunk, { trained, other: standingLeg(f, 'other', trunk.hip.other) }, arms) };
}

/** Feet apart, hands on the hips, the pelvis pushed to the trained side. */
function hipAside(f: Frame, shiftCm: number): Built {
  const pelvis = add(overFeet(f, 12, 0.97), vec(0, 0, shiftCm));
  const lean = unit(vec(0, 1, -shiftCm / (f.trunk.whole * 0.9)));
  const trunk = trunkOf(f, pelvis, { lower: lean, upper: unit(add(lean, vec(0, 1.4))), head: way(90) });
  return { posture: postureOf(trunk, both((which) => legApart(f, which, trunk.hip[which], 12)), handsOnHips(f, trunk)) }; // prettier-ignore
}
/** Standing, leaning to the trained side with the other arm overhead. */
function standingSideBend(f: Frame, leanDeg: number): Built {
  const pelvis = add(overFeet(f, 8), vec(0, 0, -leanDeg * 0.08));
  const trunk = trunkOf(f, pelvis, { lower: across(180 - leanDeg * 0.5), upper: across(180 - leanDeg), head: across(180 - leanDeg) }); // prettier-ignore
  const other = armBy(f, trunk.shoulder.other, across(-150 - leanDeg * 0.5), across(130));
  const trained = armTo(f, trunk.shoulder.trained, add(trunk.hip.trained, vec(3, -6, 8)), vec(-0.4, 0, 1));
  return { posture: postureOf(trunk, both((which) => legApart(f, which, trunk.hip[which], 12)), { trained, other }) }; // prettier-ignore
}

/** Standing on one leg, the other knee raised in front; the arms swing against it. */
function kneeRaised(f: Frame, raisedDeg: number): Built {
  const trunk = upright(f, standingPelvis(f));
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: way(raisedDeg - 90), shank: way(-98), toes: way(-24) });
  const swing = Math.min(40, raisedDeg * 0.5);
  return {
    posture: postureOf(
      trunk,
      { trained, other: standingLeg(f, 'other', trunk.hip.other) },
      {
        trained: armBy(f, trunk.shoulder.trained, way(-95 - swing), way(-50 - swing)),
        other: armBy(f, trunk.shoulder.other, way(-88 + swing), way(-10 + swing))
      }
    )
  };
}

/** One foot ahead of the other, both legs straight, folding over the front one. */
function splitStance(f: Frame, foldDeg: number): Built {
  const half = 0.19 * f.stature;
  const pelvis = vec(-foldDeg * 0.06, f.foot.height + Math.sqrt(shortest(f) ** 2 - (half + 5) ** 2));
  const head = way(90 - foldDeg * 1.12);
  const trunk = trunkOf(f, pelvis, { lower: way(90 - foldDeg * 0.94), upper: way(90 - foldDeg * 1.1), head });
  const leg = (which: Which) =>
    legTo(f, which, trunk.hip[which], vec(sideOf(which) * half, f.foot.height, trunk.hip[which].z), {
      kneeToward: way(0),
      ...flatOn
    });
  const arms = foldDeg < 25 ? hanging(f, trunk) : both((which) => armBy(f, trunk.shoulder[which], way(-90)));
  return { posture: postureOf(trunk, both(leg), arms) };
}

/** On the balls of the feet, the heels lifted by a height. */
function onToes(f: Frame, heelCm: number): Built {
  const length = f.foot.ahead + f.foot.back;
  const tilt = solve((deg) => length * Math.sin(toRad(deg)) + (f.r.toe - f.r.heel) * (1 - Math.cos(toRad(deg))), heelCm, 0, 70);
  const foot = { toes: way(-tilt), soleFaces: way(-90 - tilt) };
  const hangs = lowestOfFoot(f, legBy(f, 'trained', vec(0, f.leg.trained.whole), { thigh: way(-90), ...foot }));
  const ankleY = -hangs;
  const trunk = upright(f, vec(0, ankleY + shortest(f)));
  const leg = (which: Which) =>
    legTo(f, which, trunk.hip[which], { ...trunk.hip[which], y: ankleY }, { kneeToward: way(0), ...foot });
  return { posture: postureOf(trunk, both(leg), hanging(f, trunk)) };
}

/** One foot pointed behind, its toes tucked under, both knees a little bent. */
function footTuckedUnder(f: Frame): Built {
  const trunk = trunkOf(f, vec(0, 0.93 * (f.foot.height + shortest(f))), { lower: way(88), upper: way(86), head: way(88) });
  const other = legTo(f, 'other', trunk.hip.other, vec(0.04 * f.stature, f.foot.height, -f.hipHalf), {
    kneeToward: way(0),
    ...flatOn
  });
  const behind = (up: number) =>
    legTo(f, 'trained', trunk.hip.trained, vec(-0.1 * f.stature, up, f.hipHalf), {
      kneeToward: way(0),
      toes: way(-112),
      soleFaces: way(158)
    });
  const trained = behind(solve((up) => lowestOfFoot(f, behind(up)), 0, 0, 60));
  return { posture: postureOf(trunk, { trained, other }, hanging(f, trunk)) };
}

/** Feet wide, the trunk hanging forward, the hands on what stands under them; seen by someone facing. */
function wideFold(f: Frame, handCm: number): Built {
  const openDeg = 27;
  const at = (fold: number) => {
    const pelvis = add(overFeet(f, openDeg), vec(-fold * 0.05, 0));
    const trunk = trunkOf(f, pelvis, { lower: way(90 - fold), upper: way(90 - fold * 1.12), head: way(86 - fold * 1.12) });
    const arms = both((which) => armBy(f, trunk.shoulder[which], way(-90)));
    return { trunk, arms };
  };
  const { trunk, arms } = at(solve((fold) => at(fold).arms.trained.fingertip.y, handCm, 20, 150));
  return {
    posture: postureOf(trunk, both((which) => legApart(f, which, trunk.hip[which], openDeg, 0)), arms), // prettier-ignore
    landmarks: { point: arms.trained.fingertip },
    supports: { hands: vec(arms.trained.fingertip.x, Math.max(0, handCm)) }
  };
}

/** Feet wide, both hands reaching to the foot of the trained side. */
function wideReach(f: Frame): Built {
  const openDeg = 27;
  const trunk = trunkOf(f, overFeet(f, openDeg), {
    lower: unit(vec(0.75, 0.25, 0.6)),
    upper: unit(vec(0.55, -0.55, 0.7)),
    head: unit(vec(0.4, -0.8, 0.6))
  });
  const legs = both((which) => legApart(f, which, trunk.hip[which], openDeg, 0));
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(legs.trained.ankle, vec(4, 5, sideOf(which) * 2)), vec(0, 0.4, sideOf(which)))
  );
  return { posture: postureOf(trunk, legs, arms) };
}

/** Feet wide and turned out, sunk low, the forearms inside the shins; seen by someone facing. */
function wideSquat(f: Frame, hipCm: number): Built {
  const trunk = trunkOf(f, vec(-0.07 * f.stature, hipCm + f.r.pelvis), { lower: way(74), upper: way(66), head: way(84) });
  const legs = both((which) => {
    const side = sideOf(which);
    const ankle = vec(0.02 * f.stature, f.foot.height, side * 0.21 * f.stature);
    const toes = onFloor(side * 44);
    return legTo(f, which, trunk.hip[which], ankle, { kneeToward: add(toes, vec(0, 0.4)), toes, soleFaces: way(-90) });
  });
  const hand = vec(0.2 * f.stature, hipCm + 0.16 * f.stature);
  const arms = both((which) => {
    const side = sideOf(which);
    return armTo(f, trunk.shoulder[which], add(hand, vec(0, 0, side)), vec(0.2, -0.7, side), vec(0.5, 0.8, 0));
  });
  return { posture: postureOf(trunk, legs, arms), supports: { seat: vec(trunk.pelvis.x, hipCm) } };
}

/** One foot on a bench, the hip rocking toward its heel. */
function footOnBench(f: Frame, bentDeg: number): Built {
  const benchCm = f.step > 0 ? f.step : 0.24 * f.stature;
  const ankle = vec(0, benchCm + f.foot.height, f.hipHalf);
  const lean = 24;
  const knee = along(ankle, way(90 - lean), f.leg.trained.shank);
  const pelvis = add(along(knee, way(90 - lean + bentDeg), f.leg.trained.thigh), vec(0, 0, -f.hipHalf));
  const trunk = trunkOf(f, pelvis, { lower: way(74), upper: way(66), head: way(78) });
  const trained = legTo(f, 'trained', trunk.hip.trained, ankle, { kneeToward: way(10), ...flatOn });
  const otherAt = (up: number) =>
    legTo(f, 'other', trunk.hip.other, vec(pelvis.x - 0.14 * f.stature, up, -f.hipHalf), {
      kneeToward: way(0),
      toes: way(-30),
      soleFaces: way(-118)
    });
  const other = otherAt(solve((up) => lowestOfFoot(f, otherAt(up)), 0, 0, 60));
  const arms = both((which) => armTo(f, trunk.shoulder[which], add(trained.knee, vec(-2, 4, sideOf(which) * 4)), way(-120)));
  const bench = { min: vec(-0.11 * f.stature, 0, -0.15 * f.stature), max: vec(0.2 * f.stature, benchCm, 0.15 * f.stature) };
  return {
    posture: postureOf(trunk, { trained, other }, arms),
    supports: { frontFoot: vec(0.04 * f.stature, benchCm) },
    furniture: f.step > 0 ? [] : [bench]
  };
}

export const looseningPoses = {
  'arms aside': { view: 'front', coloured: 'arm', usual: 90, range: [8, 172], build: (f, v) => armsAside(f, v, 0.03) },
  'star jump': { view: 'front', coloured: 'both legs', usual: 150, range: [8, 160], build: (f, v) => armsAside(f, v, 0.15) },
  'leg swung aside': { view: 'front', coloured: 'leg', usual: 40, range: [-25, 80], build: legSwungAside },
  'hip aside': { view: 'front', coloured: 'both legs', usual: 14, range: [0, 18], build: hipAside },
  'standing side-bend': { view: 'front', coloured: 'none', usual: 24, range: [0, 35], build: standingSideBend },
  'knee raised': { view: 'side', coloured: 'leg', usual: 80, range: [45, 110], build: kneeRaised },
  'split stance': { view: 'side', coloured: 'both legs', usual: 0, range: [0, 100], build: splitStance },
  'on toes': { view: 'side', coloured: 'both legs', usual: 9, range: [0, 12], build: onToes },
  'foot tucked under': { view: 'side', coloured: 'leg', usual: 0, range: [0, 0], build: footTuckedUnder },
  'wide fold': { view: 'front', coloured: 'both legs', usual: 12, range: [0, 50], build: wideFold },
  'wide reach': { view: 'front', coloured: 'both legs', usual: 0, range: [0, 0], build: wideReach },
  'wide squat': { view: 'front', coloured: 'both legs', usual: 26, range: [14, 44], build: wideSquat },
  'foot on a bench': { view: 'side', coloured: 'leg', usual: 118, range: [90, 140], build: footOnBench }
} as const satisfies Record<string, Pose>;
