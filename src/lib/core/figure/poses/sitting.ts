// One build a position, the whole family of sitting; long as a catalogue is.
import { toRad } from '../../geometry/angles';
import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import {
  armBy,
  armTo,
  both,
  legBy,
  legSwung,
  legTo,
  legVia,
  postureOf,
  restingAt,
  sideOf,
  trunkOf,
  type Leg,
  type Trunk
} from '../posture';
import { across, add, along, onFloor, solve, sub, times, unit, vec, way, type Vec } from '../vec';

/** The pelvis on the floor, or on its seat. */
export const sat = (f: Frame): Vec => vec(0, f.r.pelvis + f.seat);
export const tall = (f: Frame, pelvis: Vec): Trunk => trunkOf(f, pelvis, { lower: way(91), upper: way(88), head: way(90) });
/** Hands on the floor a little behind the hips. */
export const handsBehind = (f: Frame, trunk: Trunk) =>
  both((which) =>
    armTo(f, trunk.shoulder[which], vec(-0.12 * f.stature, f.r.wrist, trunk.shoulder[which].z * 1.5), way(180), way(180))
  );
/** Hands resting on the knees. */
export const handsOnKnees = (f: Frame, trunk: Trunk, legs: Readonly<Record<Which, Leg>>) =>
  both((which) =>
    armTo(f, trunk.shoulder[which], add(legs[which].knee, vec(-3, f.r.knee + 1)), vec(-0.6, -0.4, sideOf(which)), way(-10))
  );

/** A thigh that lies outward, its knee at a height. */
export function openThigh(f: Frame, which: Which, hip: Vec, kneeCm: number, outDeg: number): Vec {
  const rise = Math.max(-0.95, Math.min(0.95, (kneeCm + f.r.knee - hip.y) / f.leg[which].thigh));
  const flat = Math.sqrt(1 - rise ** 2);
  return add(times(onFloor(sideOf(which) * outDeg), flat), vec(0, rise));
}

const kneePoint = (f: Frame, { knee }: Leg): Vec => vec(knee.x, knee.y - f.r.knee, knee.z);

/** Where stacks stand of those who sit with the knees apart. */
const crossSupports = (f: Frame, legs: Readonly<Record<Which, Leg>>) => ({
  seat: vec(0, f.seat),
  knee: kneePoint(f, legs.trained),
  otherKnee: kneePoint(f, legs.other)
});

/** Soles together, knees out: how high they stay. */
function butterfly(f: Frame, kneeCm: number): Built {
  const trunk = tall(f, sat(f));
  const legs = both((which) => {
    const thigh = openThigh(f, which, trunk.hip[which], kneeCm, 52);
    const toward = vec(0.1 * f.stature, f.r.ankle, sideOf(which) * 1.5);
    return legVia(f, which, trunk.hip[which], thigh, toward, onFloor(sideOf(which) * 12), vec(0, 0, -sideOf(which)));
  });
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      add(legs[which].ankle, vec(1, 7, sideOf(which) * 2)),
      vec(-0.5, 0, sideOf(which)),
      vec(0.9, -0.3, -0.3 * sideOf(which))
    )
  );
  return {
    posture: postureOf(trunk, legs, arms),
    landmarks: { point: kneePoint(f, legs.trained) },
    supports: crossSupports(f, legs)
  };
}

/** A leg folded in: knee at a height, the foot toward a place. */
export function folded(f: Frame, trunk: Trunk, which: Which, kneeCm: number, outDeg: number, foot: Vec): Leg {
  const thigh = openThigh(f, which, trunk.hip[which], kneeCm, outDeg);
  const side = sideOf(which);
  return legVia(f, which, trunk.hip[which], thigh, foot, vec(0.25, 0.1, -side), vec(0.35, 1, -0.1 * side));
}

const crossedLegs = (f: Frame, trunk: Trunk, kneeCm: number): Readonly<Record<Which, Leg>> =>
  both((which) =>
    folded(
      f,
      trunk,
      which,
      kneeCm,
      48,
      vec((which === 'trained' ? 0.2 : 0.14) * f.stature, f.r.ankle + 0.5, -sideOf(which) * 0.06 * f.stature)
    )
  );

function easySeat(f: Frame, kneeCm: number): Built {
  const trunk = tall(f, sat(f));
  const legs = crossedLegs(f, trunk, kneeCm);
  return {
    posture: postureOf(trunk, legs, handsOnKnees(f, trunk, legs)),
    landmarks: { point: kneePoint(f, legs.trained) },
    supports: crossSupports(f, legs)
  };
}

/** Cross-legged, palm against palm before the chest, the hands sunk as far as the forearms come level. */
function palmsTogether(f: Frame, sunkCm: number): Built {
  const trunk = tall(f, sat(f));
  const wrist = vec(0.11 * f.stature, trunk.chest.y - sunkCm, 0);
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(wrist, vec(0, 0, sideOf(which) * f.r.wrist)), vec(0, -0.4, sideOf(which)), vec(0, 1, 0))
  );
  return { posture: postureOf(trunk, crossedLegs(f, trunk, 14), arms) };
}

/** One or both feet placed on the opposite thigh; the knee of the top leg at a height. */
function lotus(f: Frame, kneeCm: number, whole: boolean): Built {
  const trunk = tall(f, sat(f));
  const onThigh = (which: Which, lift: number) =>
    vec(0.13 * f.stature, f.seat + f.r.pelvis + f.r.thigh + lift, -sideOf(which) * 0.075 * f.stature);
  const legs = {
    other: whole
      ? folded(f, trunk, 'other', 0, 40, onThigh('other', 1))
      : folded(f, trunk, 'other', 0, 46, vec(0.12 * f.stature, f.r.ankle, 0.06 * f.stature)),
    trained: folded(f, trunk, 'trained', kneeCm, 40, onThigh('trained', whole ? 6 : 2))
  };
  return {
    posture: postureOf(trunk, legs, handsOnKnees(f, trunk, legs)),
    landmarks: { point: kneePoint(f, legs.trained) },
    supports: crossSupports(f, legs)
  };
}

/** Mid-way in the switch: both feet on the floor, both knees swung to one side, the first at a height. */
function switchSides(f: Frame, kneeCm: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: way(96), upper: way(90), head: way(88) });
  const legAt = (which: Which, swing: number) => {
    const ankle = vec(0.24 * f.stature, f.foot.height, sideOf(which) * 0.19 * f.stature);
    return legSwung(f, which, trunk.hip[which], ankle, swing, onFloor(sideOf(which) * 18));
  };
  const kneeAt = (which: Which, cm: number) =>
    legAt(
      which,
      solve((swing) => legAt(which, swing).knee.y - f.r.knee, cm, 0, 105)
    );
  const legs = { trained: kneeAt('trained', kneeCm), other: kneeAt('other', kneeCm + 14) };
  return { posture: postureOf(trunk, legs, handsBehind(f, trunk)), landmarks: { point: kneePoint(f, legs.trained) } };
}

const straddleDegUsual = 120;
const straddleLegs = (f: Frame, trunk: Trunk, openDeg: number) =>
  both((which) => {
    const out = (sideOf(which) * openDeg) / 2;
    const legAt = (deg: number) => legBy(f, which, trunk.hip[which], { thigh: slope(out, deg), toes: vec(0.1, 1) });
    return restingAt(f, 0, legAt, -12, 4);
  });
const slope = (outDeg: number, upDeg: number): Vec => unit(add(onFloor(outDeg), vec(0, Math.tan(toRad(upDeg)))));

/** The top of the breastbone, on the front of the chest. */
const breastbone = (f: Frame, trunk: Trunk): Vec => {
  const spine = unit(sub(trunk.chest, trunk.waist));
  return add(trunk.chest, times(vec(spine.y, -spine.x), f.r.chest));
};

function pancakeTilted(f: Frame, tiltDeg: number): Built & { trunk: Trunk } {
  const pelvis = sat(f);
  const trunk = trunkOf(f, pelvis, { lower: way(90 - tiltDeg), head: way(Math.min(90, 104 - tiltDeg)) });
  const legs = straddleLegs(f, trunk, straddleDegUsual);
  const reach = Math.max(0.16, 0.3 - Math.max(0, tiltDeg - 60) * 0.002) * f.stature;
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      vec(Math.max(8, trunk.chest.x + reach), (f.hands ?? 0) + f.r.wrist, trunk.shoulder[which].z),
      way(120),
      way(0)
    )
  );
  return {
    trunk,
    posture: postureOf(trunk, legs, arms),
    landmarks: { vertex: pelvis, along: trunk.chest, other: legs.trained.ankle },
    supports: { seat: vec(0, f.seat), hands: vec(arms.trained.fingertip.x, f.hands ?? 0) }
  };
}

/** Folding between the legs with a flat back: the height of the breastbone. */
function pancake(f: Frame, sternumCm: number): Built {
  const tilt = solve((deg) => breastbone(f, pancakeTilted(f, deg).trunk).y, sternumCm, 0, 96);
  const built = pancakeTilted(f, tilt);
  return { ...built, landmarks: { point: breastbone(f, built.trunk) }, supports: built.supports };
}

/** Sitting tall, legs apart by an angle, seen from above. */
function straddle(f: Frame, openDeg: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: way(122), upper: way(112), head: way(100) });
  const legs = straddleLegs(f, trunk, openDeg);
  return {
    posture: postureOf(trunk, legs, handsBehind(f, trunk)),
    landmarks: { along: legs.trained.ankle, other: legs.other.ankle, vertex: trunk.pelvis }
  };
}

/** Legs straight ahead, the hands toward the feet: how far beyond the soles, minus short of them. */
function seatedFold(f: Frame, reachCm: number): Built {
  const at = (fold: number) => {
    const trunk = trunkOf(f, sat(f), {
      lower: way(90 - fold * 0.86),
      upper: way(90 - fold * 1.08),
      head: way(90 - fold * 1.02)
    });
    const legs = both((which) =>
      restingAt(f, 0, (deg) => legBy(f, which, trunk.hip[which], { thigh: way(deg), toes: way(deg + 88) }), -12, 4)
    );
    const soleX = legs.trained.heel.x + f.r.heel;
    const target = vec(
      soleX + reachCm,
      Math.max(f.r.finger, 0.09 * f.stature - Math.max(0, reachCm) * 0.3),
      trunk.shoulder.trained.z
    );
    const line = unit(sub(target, trunk.shoulder.trained));
    const arms = both((which) => armBy(f, trunk.shoulder[which], line));
    return { trunk, legs, arms, soleX, ahead: arms.trained.fingertip.x - soleX };
  };
  const { trunk, legs, arms, soleX } = at(solve((fold) => at(fold).ahead, reachCm, 0, 84));
  return {
    posture: postureOf(trunk, legs, arms),
    landmarks: { vertex: vec(soleX, 0.08 * f.stature), along: arms.trained.fingertip },
    supports: { seat: vec(0, f.seat) }
  };
}

const seatCm = (f: Frame) => 0.36 * f.stature;
export const seatBox = (f: Frame) => ({
  min: vec(-0.13 * f.stature, 0, -0.2 * f.stature),
  max: vec(0.17 * f.stature, seatCm(f), 0.2 * f.stature)
});
export const onSeat = (f: Frame) => tall(f, vec(0, seatCm(f) + f.r.thigh));
const handsOnSeat = (f: Frame, trunk: Trunk) =>
  both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      vec(-0.03 * f.stature, seatCm(f) + f.r.wrist, trunk.shoulder[which].z * 1.25),
      way(180),
      way(-20)
    )
  );
export const hangingLeg = (f: Frame, which: Which, hip: Vec, shank: Vec, toes: Vec = way(-8)): Leg =>
  legBy(f, which, hip, { thigh: way(0), shank, toes });

/** On a high seat, the shin turned inward (1) or outward (−1) about the thigh. */
function seatedTurn(f: Frame, turnDeg: number, inward: 1 | -1): Built {
  const trunk = onSeat(f);
  const shank = across(-inward * turnDeg);
  const trained = hangingLeg(f, 'trained', trunk.hip.trained, shank);
  const other = hangingLeg(f, 'other', trunk.hip.other, way(-90));
  return {
    posture: postureOf(trunk, { trained, other }, handsOnSeat(f, trunk)),
    landmarks: { vertex: trained.knee, along: trained.ankle },
    furniture: [seatBox(f)]
  };
}

/** On a high seat, the knee straightened: 0 is straight, minus is short of it. */
function kneeStraight(f: Frame, pastDeg: number): Built {
  const trunk = onSeat(f);
  const trained = hangingLeg(f, 'trained', trunk.hip.trained, way(pastDeg), way(pastDeg + 84));
  const other = hangingLeg(f, 'other', trunk.hip.other, way(-90));
  return {
    posture: postureOf(trunk, { trained, other }, handsOnSeat(f, trunk)),
    landmarks: { vertex: trained.knee, along: trained.ankle, other: trained.hip },
    furniture: [seatBox(f)]
  };
}

/** Sitting on the floor, leg long, the foot pointed: a right angle is 0. */
function footPointed(f: Frame, pointDeg: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: way(100), upper: way(96), head: way(92) });
  const lying = (deg: number, point: number) =>
    legBy(f, 'trained', trunk.hip.trained, { thigh: way(deg), toes: way(deg + 90 - point), soleFaces: way(deg - point) });
  const trained = restingAt(f, 0, (deg) => lying(deg, pointDeg), -14, 10);
  const other = restingAt(f, 0, (deg) => legBy(f, 'other', trunk.hip.other, { thigh: way(deg), toes: way(deg + 84) }), -12, 4);
  return {
    posture: postureOf(trunk, { trained, other }, handsBehind(f, trunk)),
    landmarks: {
      vertex: trained.ankle,
      other: trained.knee,
      along: along(trained.ankle, lineAt(trained, pointDeg), f.foot.ahead)
    }
  };
}
/** The line of the foot: square to the shank, less the pointing. */
function lineAt({ ankle, knee }: Leg, pointDeg: number): Vec {
  const shank = unit(sub(ankle, knee));
  const up = vec(-shank.y, shank.x);
  const rad = toRad(pointDeg);
  return add(times(up, Math.cos(rad)), times(shank, Math.sin(rad)));
}

/** At a table, the forearm along it, the hand over its edge: sunk (−1) or raised (1). */
function handOverEdge(f: Frame, bentDeg: number, up: 1 | -1): Built {
  const tableY = seatCm(f) + 0.13 * f.stature;
  const trunk = onSeat(f);
  const elbow = vec(0.1 * f.stature, tableY + f.r.elbow, trunk.shoulder.trained.z);
  const trained = armTo(f, trunk.shoulder.trained, add(elbow, vec(f.arm.fore, 0)), vec(-1, -1), way(up * bentDeg));
  const level = armBy(f, trunk.shoulder.trained, unit(sub(trained.elbow, trunk.shoulder.trained)), way(0), way(up * bentDeg));
  const legs = both((which) => hangingLeg(f, which, trunk.hip[which], way(-86), way(0)));
  const other = armTo(
    f,
    trunk.shoulder.other,
    vec(0.12 * f.stature, seatCm(f) + f.r.thigh * 2, trunk.shoulder.other.z),
    way(180)
  );
  const y = level.wrist.y - f.r.wrist;
  return {
    posture: postureOf(trunk, legs, { trained: level, other }),
    landmarks: { vertex: level.wrist, along: level.fingertip, other: level.elbow },
    furniture: [
      seatBox(f),
      { min: vec(level.elbow.x - 4, y - 3, -0.2 * f.stature), max: vec(level.wrist.x - 1, y, 0.2 * f.stature) },
      { min: vec(level.wrist.x - 6, 0, -0.2 * f.stature), max: vec(level.wrist.x - 2, y - 3, 0.2 * f.stature) }
    ]
  };
}

/** Sitting tall, one foot flat, the other leg lifted straight. */
function seatedLegLift(f: Frame): Built {
  const trunk = tall(f, sat(f));
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: way(13), toes: way(90) });
  const foot = vec(0.14 * f.stature, f.foot.height, trunk.hip.other.z);
  const other = legTo(f, 'other', trunk.hip.other, foot, { kneeToward: vec(0, 1), toes: way(0), soleFaces: way(-90) });
  const arm = (which: Which) =>
    armTo(f, trunk.shoulder[which], add(other.knee, vec(4, -10, which === 'trained' ? 6 : -2)), way(-90));
  return { posture: postureOf(trunk, { trained, other }, both(arm)), supports: { seat: vec(0, f.seat) } };
}

export const sittingPoses = {
  butterfly: { view: 'front', coloured: 'both legs', usual: 14, range: [0, 38], build: butterfly },
  'easy seat': { view: 'front', coloured: 'both legs', usual: 12, range: [0, 38], crossed: true, build: easySeat },
  'palms together': { view: 'front', coloured: 'arm', usual: 16, range: [0, 26], crossed: true, build: palmsTogether },
  'half lotus': {
    view: 'front',
    coloured: 'both legs',
    usual: 8,
    range: [0, 30],
    crossed: true,
    build: (f, v) => lotus(f, v, false)
  },
  lotus: { view: 'front', coloured: 'both legs', usual: 4, range: [0, 30], crossed: true, build: (f, v) => lotus(f, v, true) },
  '90/90 switch': { view: 'front', coloured: 'both legs', usual: 16, range: [2, 38], build: switchSides },
  pancake: { view: 'front', coloured: 'both legs', crossed: true, usual: 25, range: [0, 60], build: pancake },
  'pancake tilt': { view: 'side', coloured: 'both legs', usual: 60, range: [-15, 92], build: pancakeTilted },
  straddle: { view: 'top', coloured: 'both legs', usual: 110, range: [20, 180], seeThrough: true, build: straddle },
  'seated fold': { view: 'side', coloured: 'both legs', usual: 0, range: [-40, 18], build: seatedFold },
  'shin turned in, sitting': { view: 'front', coloured: 'leg', usual: 45, range: [0, 95], build: (f, v) => seatedTurn(f, v, 1) },
  'shin turned out, sitting': {
    view: 'front',
    coloured: 'leg',
    usual: 35,
    range: [0, 90],
    build: (f, v) => seatedTurn(f, v, -1)
  },
  'knee straight': { view: 'side', coloured: 'leg', usual: -8, range: [-80, 15], build: kneeStraight },
  'foot pointed': { view: 'side', coloured: 'leg', usual: 50, range: [-20, 80], build: footPointed },
  'hand sunk': { view: 'side', coloured: 'arm', usual: 70, range: [0, 110], build: (f, v) => handOverEdge(f, v, -1) },
  'hand raised': { view: 'side', coloured: 'arm', usual: 60, range: [0, 110], build: (f, v) => handOverEdge(f, v, 1) },
  'seated leg lift': { view: 'side', coloured: 'leg', usual: 0, range: [0, 0], build: seatedLegLift }
} as const satisfies Record<string, Pose>;
