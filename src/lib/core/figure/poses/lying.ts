import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import { armBy, armTo, both, legBy, legTo, postureOf, restingAt, trunkOf, type Leg, type Trunk } from '../posture';
import { across, add, onFloor, vec, way, type Vec } from '../vec';

/** On the back: the head behind, the feet ahead. */
export const onBack = (f: Frame): Trunk => trunkOf(f, vec(0, f.r.pelvis), { lower: way(181), upper: way(180.5), head: way(181) });
/** On the front: the head ahead, the feet behind. */
export const onFront = (f: Frame): Trunk => trunkOf(f, vec(0, f.r.pelvis), { lower: way(0), upper: way(-1), head: way(2) });

export const flatLeg = (f: Frame, trunk: Trunk, which: Which): Leg =>
  restingAt(f, 0, (deg) => legBy(f, which, trunk.hip[which], { thigh: way(deg), toes: way(deg + 80) }), -10, 4);
export const proneLeg = (f: Frame, trunk: Trunk, which: Which): Leg =>
  restingAt(
    f,
    0,
    (deg) => legBy(f, which, trunk.hip[which], { thigh: way(180 + deg), toes: way(194 + deg), soleFaces: vec(0, 1) }),
    -4,
    10
  );
export const bentLeg = (f: Frame, trunk: Trunk, which: Which, ankleX = 0.2): Leg =>
  legTo(f, which, trunk.hip[which], vec(ankleX * f.stature, f.foot.height, trunk.hip[which].z), {
    kneeToward: vec(0, 1),
    toes: way(0),
    soleFaces: way(-90)
  });

const armsBeside = (f: Frame, trunk: Trunk) =>
  both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      vec(trunk.chest.x + f.arm.upper + f.arm.fore, f.r.wrist + 1, trunk.shoulder[which].z * 1.3),
      vec(0, -1),
      way(0)
    )
  );
export const armsUnderHead = (f: Frame, trunk: Trunk) =>
  both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      add(trunk.head, vec(4, -trunk.head.y + f.r.wrist)),
      vec(0.4, 0, which === 'trained' ? 1 : -1),
      way(0)
    )
  );

/** A straight leg raised from lying flat. */
function legRaise(f: Frame, raisedDeg: number): Built {
  const trunk = onBack(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: way(raisedDeg), toes: way(raisedDeg + 84) });
  return {
    posture: postureOf(trunk, { trained, other: flatLeg(f, trunk, 'other') }, armsBeside(f, trunk)),
    landmarks: { vertex: trained.hip, along: trained.ankle, other: trunk.shoulder.trained }
  };
}

/** A bent knee drawn to the chest. */
function kneeToChest(f: Frame, raisedDeg: number): Built {
  const trunk = onBack(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: way(raisedDeg),
    shank: way(raisedDeg - Math.min(130, raisedDeg + 25)),
    toes: way(raisedDeg - Math.min(130, raisedDeg + 25) + 78)
  });
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      add(trained.knee, vec(4, 3, which === 'trained' ? 4 : -4)),
      vec(0, 0.2, which === 'trained' ? 1 : -1)
    )
  );
  return {
    posture: postureOf(trunk, { trained, other: flatLeg(f, trunk, 'other') }, arms),
    landmarks: { vertex: trained.hip, along: trained.knee, other: trunk.shoulder.trained }
  };
}

/** Lying on the back, thigh up, the heel drawn to the seat: 0 is straight. */
const heelDrawnIn = (f: Frame, bentDeg: number): Built => thighUp(f, 96, bentDeg, bentLeg);
/** The thigh straight up; straight is 0, short of it minus. */
const thighUpright = (f: Frame, pastDeg: number): Built => thighUp(f, 90, -pastDeg, flatLeg);

/** On the back, a thigh held up by the hands, the knee bent so far. */
function thighUp(f: Frame, hipDeg: number, bentDeg: number, otherLeg: typeof flatLeg): Built {
  const trunk = onBack(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: way(hipDeg),
    shank: way(hipDeg - bentDeg),
    toes: way(hipDeg - bentDeg + 70)
  });
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      add(trained.knee, vec(-2, -8, which === 'trained' ? 5 : -5)),
      vec(0, 0.2, which === 'trained' ? 1 : -1)
    )
  );
  return {
    posture: postureOf(trunk, { trained, other: otherLeg(f, trunk, 'other') }, arms),
    landmarks: { vertex: trained.knee, along: trained.ankle, other: trained.hip }
  };
}

/** On the front, the straight thigh lifted behind. */
function thighBehind(f: Frame, liftDeg: number): Built {
  const trunk = onFront(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: way(180 - liftDeg),
    toes: way(184 - liftDeg),
    soleFaces: way(90 - liftDeg)
  });
  return {
    posture: postureOf(trunk, { trained, other: proneLeg(f, trunk, 'other') }, armsUnderHead(f, trunk)),
    landmarks: { vertex: trained.hip, along: trained.knee, other: trunk.shoulder.trained }
  };
}

/** On the front, hip straight, the heel to the seat: the shin on the floor is 0. */
function heelToSeat(f: Frame, bentDeg: number): Built {
  const trunk = onFront(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: way(180),
    shank: way(180 - bentDeg),
    toes: way(190 - bentDeg),
    soleFaces: way(100 - bentDeg)
  });
  return {
    posture: postureOf(trunk, { trained, other: proneLeg(f, trunk, 'other') }, armsUnderHead(f, trunk)),
    landmarks: { vertex: trained.knee, along: trained.ankle, other: trained.hip }
  };
}

/** On the front, knee bent to a right angle, the foot let inward (−1) or outward (1); seen from the feet. */
function shinTurned(f: Frame, turnDeg: number, out: 1 | -1): Built {
  const trunk = onFront(f);
  const shank = across(180 - out * turnDeg);
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: way(180), shank, toes: way(176), soleFaces: shank });
  return {
    posture: postureOf(trunk, { trained, other: proneLeg(f, trunk, 'other') }, armsUnderHead(f, trunk)),
    landmarks: { vertex: trained.knee, along: trained.ankle }
  };
}

/** On the back, hip and knee bent to a right angle, the knee let outward; seen from the feet. */
function kneeOut(f: Frame, outDeg: number): Built {
  const trunk = onBack(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: across(180 - outDeg),
    shank: way(-4, -14),
    toes: vec(0.1, 0.8, -0.5)
  });
  return {
    posture: postureOf(trunk, { trained, other: bentLeg(f, trunk, 'other', 0.12) }, armsBeside(f, trunk)),
    landmarks: { vertex: trained.hip, along: trained.knee }
  };
}

/** On the back, a straight leg out to the side, or across (minus); seen from above. */
function legAside(f: Frame, outDeg: number): Built {
  const trunk = onBack(f);
  const liftOther = outDeg < 0 ? 24 : 0;
  const outward = onFloor(outDeg);
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: outward, toes: vec(0.1 * outward.x, 1, 0.1 * outward.z) });
  const other =
    liftOther > 0
      ? legBy(f, 'other', trunk.hip.other, { thigh: way(liftOther), toes: way(liftOther + 80) })
      : flatLeg(f, trunk, 'other');
  return {
    posture: postureOf(trunk, { trained, other }, armsBeside(f, trunk)),
    landmarks: { vertex: trained.hip, along: trained.ankle, other: trunk.hip.other }
  };
}

/** On the back, the straight arm taken from beside the body overhead. */
function armOverhead(f: Frame, raisedDeg: number): Built {
  const trunk = onBack(f);
  const trained = armBy(f, trunk.shoulder.trained, way(raisedDeg));
  return {
    posture: postureOf(
      trunk,
      both((w) => bentLeg(f, trunk, w)),
      { ...armsBeside(f, trunk), trained }
    ),
    landmarks: { vertex: trained.shoulder, along: trained.wrist, other: trunk.hip.trained }
  };
}

/** On the back, upper arm out to the side, the hand let back (1) or forward (−1); upright is 0. */
function forearmSunk(f: Frame, sunkDeg: number, back: 1 | -1): Built {
  const trunk = onBack(f);
  const trained = armBy(f, trunk.shoulder.trained, vec(0, 0, 1), way(90 + back * sunkDeg));
  return {
    posture: postureOf(
      trunk,
      both((w) => bentLeg(f, trunk, w)),
      { ...armsBeside(f, trunk), trained }
    ),
    landmarks: { vertex: trained.elbow, along: trained.wrist }
  };
}

function lyingRest(f: Frame): Built {
  const trunk = onBack(f);
  const hand = (which: Which): Vec => vec(-0.12 * f.stature, f.r.pelvis + f.r.waist, which === 'trained' ? 6 : -6);
  const arms = both((which) => armTo(f, trunk.shoulder[which], hand(which), vec(0, 0.3, which === 'trained' ? 1 : -1)));
  return {
    posture: postureOf(
      trunk,
      both((w) => bentLeg(f, trunk, w, 0.19)),
      arms
    )
  };
}

export const lyingPoses = {
  'leg raise': { view: 'side', coloured: 'leg', usual: 80, range: [0, 165], build: legRaise },
  'knee to chest': { view: 'side', coloured: 'leg', usual: 120, range: [30, 150], build: kneeToChest },
  'heel drawn in': { view: 'side', coloured: 'leg', usual: 135, range: [0, 165], build: heelDrawnIn },
  'thigh upright': { view: 'side', coloured: 'leg', usual: -20, range: [-90, 0], build: thighUpright },
  'thigh behind': { view: 'side', coloured: 'leg', usual: 20, range: [0, 70], build: thighBehind },
  'heel to seat': { view: 'side', coloured: 'leg', usual: 120, range: [0, 165], build: heelToSeat },
  'foot let inward': { view: 'behind', coloured: 'leg', usual: 45, range: [0, 85], build: (f, v) => shinTurned(f, v, -1) },
  'foot let outward': { view: 'behind', coloured: 'leg', usual: 35, range: [0, 85], build: (f, v) => shinTurned(f, v, 1) },
  'knee out': { view: 'front', coloured: 'leg', usual: 60, range: [0, 86], build: kneeOut },
  'leg aside': { view: 'facing down on', coloured: 'leg', usual: 45, range: [0, 100], build: legAside },
  'leg across': { view: 'facing down on', coloured: 'leg', usual: 25, range: [0, 60], build: (f, v) => legAside(f, -v) },
  'arm overhead': { view: 'side', coloured: 'arm', usual: 165, range: [0, 185], build: armOverhead },
  'forearm back': { view: 'side', coloured: 'arm', usual: 80, range: [0, 90], build: (f, v) => forearmSunk(f, v, 1) },
  'forearm forward': { view: 'side', coloured: 'arm', usual: 60, range: [0, 90], build: (f, v) => forearmSunk(f, v, -1) },
  'lying rest': { view: 'side', coloured: 'none', usual: 0, range: [0, 0], build: lyingRest }
} as const satisfies Record<string, Pose>;
