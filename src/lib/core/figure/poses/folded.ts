// Sitting or lying with the legs folded: 90/90, figure four, stacked shins, half straddle, and rests.
import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import {
  armBy,
  armTo,
  both,
  grounded,
  legBy,
  legTo,
  legVia,
  postureOf,
  restingAt,
  sideOf,
  trunkOf,
  type Leg,
  type Trunk
} from '../posture';
import { across, add, along, onFloor, sub, unit, vec, way, type Vec } from '../vec';
import { armsUnderHead, bentLeg, flatLeg, onBack, onFront, proneLeg } from './lying';
import { folded, handsOnKnees, hangingLeg, onSeat, openThigh, sat, seatBox, tall } from './sitting';

/** A thigh that goes along the floor from the hip, its knee down. */
const alongFloor = (f: Frame, which: Which, hip: Vec, deg: number): Vec => {
  const drop = Math.asin((f.r.knee - hip.y) / f.leg[which].thigh);
  return unit(add(onFloor(deg), vec(0, Math.tan(drop))));
};

const ninetyLegs = (f: Frame, trunk: Trunk, rearLiftCm: number): Record<Which, Leg> => ({
  trained: legBy(f, 'trained', trunk.hip.trained, {
    thigh: alongFloor(f, 'trained', trunk.hip.trained, 24),
    shank: onFloor(-66),
    toes: onFloor(-20)
  }),
  other: legBy(f, 'other', trunk.hip.other, {
    thigh: alongFloor(f, 'other', trunk.hip.other, -82),
    shank: unit(add(onFloor(-172), vec(0, rearLiftCm / f.leg.other.shank))),
    toes: onFloor(-125)
  })
});

/** 90/90: the front shin across, the rear one behind; the trunk over the front shin. Seen from above. */
function ninetyNinety(f: Frame, leanDeg: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: way(90 - leanDeg, leanDeg * 0.12), upper: way(88 - leanDeg * 1.05, leanDeg * 0.12), head: way(90 - leanDeg) }); // prettier-ignore
  const hand = (which: Which) => vec(trunk.chest.x + 0.1 * f.stature, f.r.wrist, trunk.chest.z + sideOf(which) * f.shoulderHalf);
  const arms = both((which) => armTo(f, trunk.shoulder[which], hand(which), vec(-0.5, 0.4, sideOf(which)), way(0)));
  return { posture: postureOf(trunk, ninetyLegs(f, trunk, 0), arms) };
}

/** Both knees bent to one side, the hand of that side pushing the floor; seen by someone facing. */
function sideSit(f: Frame, turnDeg: number): Built {
  const lean = 20 - turnDeg * 0.4;
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: across(180 - lean), upper: across(180 - lean * 0.6), head: way(90) });
  const trained = armTo(
    f,
    trunk.shoulder.trained,
    vec(-4, f.r.wrist, f.shoulderHalf + 0.24 * f.stature),
    vec(-0.4, 0, 1),
    onFloor(80)
  );
  const other = armTo(f, trunk.shoulder.other, add(trunk.hip.trained, vec(0.2 * f.stature, 3, 0)), vec(0.2, -0.4, -1));
  return { posture: postureOf(trunk, ninetyLegs(f, trunk, 0), { trained, other }) };
}

const aside = (f: Frame, pelvis: Vec, bendDeg: number): Trunk =>
  trunkOf(f, pelvis, { lower: across(180 - bendDeg * 0.55), upper: across(180 - bendDeg), head: across(180 - bendDeg * 1.05) });
/** The lower hand along the straight leg, the other arm over the head. */
const reachingOver = (f: Frame, trunk: Trunk, leg: Leg, bendDeg: number) => ({
  trained: armTo(
    f,
    trunk.shoulder.trained,
    add(along(leg.knee, unit(sub(leg.ankle, leg.knee)), 4 + bendDeg * 0.4), vec(3, f.r.knee)),
    vec(1, -0.3, 0)
  ),
  other: armBy(f, trunk.shoulder.other, across(176 - bendDeg * 0.4), across(150 - bendDeg))
});
const legOut = (f: Frame, trunk: Trunk, which: Which, outDeg: number, liftCm = 0): Leg => {
  const at = (deg: number) =>
    legBy(f, which, trunk.hip[which], {
      thigh: unit(add(onFloor(sideOf(which) * outDeg), vec(0, Math.tan((deg * Math.PI) / 180)))),
      toes: vec(0.15, 1)
    });
  return restingAt(f, liftCm, at, -12, 40);
};

/** One leg straight out to its side, the other folded in, bending toward the straight one; seen by someone facing. */
function halfStraddle(f: Frame, bendDeg: number): Built {
  const trunk = aside(f, sat(f), bendDeg);
  const trained = legOut(f, trunk, 'trained', 68);
  const other = folded(f, trunk, 'other', 0, 52, vec(0.1 * f.stature, f.r.ankle, 0.02 * f.stature));
  return {
    posture: postureOf(trunk, { trained, other }, reachingOver(f, trunk, trained, bendDeg)),
    supports: { seat: vec(0, f.seat) }
  };
}

/** Straddle, bending to one leg; seen by someone facing. */
function straddleBend(f: Frame, bendDeg: number): Built {
  const trunk = aside(f, sat(f), bendDeg);
  const legs = both((which) => legOut(f, trunk, which, 62));
  return { posture: postureOf(trunk, legs, reachingOver(f, trunk, legs.trained, bendDeg)), supports: { seat: vec(0, f.seat) } };
}

/** Straddle, sitting tall, one straight leg lifted: the height of its heel. */
function straddleLift(f: Frame, liftCm: number): Built {
  const trunk = tall(f, sat(f));
  const legs = { trained: legOut(f, trunk, 'trained', 62, liftCm), other: legOut(f, trunk, 'other', 62) };
  const hand = (which: Which) => vec(0.16 * f.stature, f.r.wrist, sideOf(which) * 0.05 * f.stature);
  return { posture: postureOf(trunk, legs, both((which) => armTo(f, trunk.shoulder[which], hand(which), vec(-0.3, 0, sideOf(which)), way(0)))) }; // prettier-ignore
}

/** Sitting tall with the shins crossed, leaning to one side under a raised arm. */
function crossedSideBend(f: Frame, bendDeg: number): Built {
  const trunk = aside(f, sat(f), bendDeg);
  const legs = both((which) =>
    folded(
      f,
      trunk,
      which,
      4,
      48,
      vec((which === 'trained' ? 0.2 : 0.14) * f.stature, f.r.ankle + 0.5, -sideOf(which) * 0.06 * f.stature)
    )
  );
  const trained = armTo(
    f,
    trunk.shoulder.trained,
    vec(0, f.r.wrist, trunk.shoulder.trained.z + 0.12 * f.stature),
    vec(-0.5, 0, 1),
    onFloor(80)
  );
  const other = armBy(f, trunk.shoulder.other, across(176 - bendDeg * 0.4), across(150 - bendDeg));
  return { posture: postureOf(trunk, legs, { trained, other }) };
}

/** Sitting, both knees drawn in and hugged. */
function kneeHug(f: Frame): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: way(92), upper: way(74), head: way(62) });
  const legs = both((which) =>
    legTo(f, which, trunk.hip[which], vec(0.13 * f.stature, f.foot.height, trunk.hip[which].z * 0.6), {
      kneeToward: vec(0, 1),
      toes: way(0),
      soleFaces: way(-90)
    })
  );
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      add(legs[which].knee, vec(2, -10, sideOf(which) * 3)),
      vec(0, -0.5, sideOf(which)),
      vec(0.2, -0.2, -sideOf(which))
    )
  );
  return { posture: postureOf(trunk, legs, arms) };
}

/** Sitting, one heel pulled in by the hands, by the bend of its knee. */
function heelPulledIn(f: Frame, bentDeg: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: way(94), upper: way(82), head: way(84) });
  const { thigh, shank } = f.leg.trained;
  const apart = Math.sqrt(thigh ** 2 + shank ** 2 - 2 * thigh * shank * Math.cos(((180 - bentDeg) * Math.PI) / 180));
  const hip = trunk.hip.trained;
  const x = Math.sqrt(Math.max(0, apart ** 2 - (hip.y - f.foot.height) ** 2));
  const trained = legTo(f, 'trained', hip, vec(x, f.foot.height, hip.z), {
    kneeToward: vec(0, 1),
    toes: way(0),
    soleFaces: way(-90)
  });
  const other = restingAt(f, 0, (deg) => legBy(f, 'other', trunk.hip.other, { thigh: way(deg), toes: way(deg + 84) }), -12, 4);
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(trained.ankle, vec(-1, 12, sideOf(which) * 4)), vec(-0.2, -0.6, sideOf(which)))
  );
  return { posture: postureOf(trunk, { trained, other }, arms) };
}

/** On a chair, one ankle over the other thigh; the trunk leaning over it. */
function figureFourChair(f: Frame, leanDeg: number): Built {
  const pelvis = onSeat(f).pelvis;
  const trunk = trunkOf(f, pelvis, { lower: way(91 - leanDeg), upper: way(88 - leanDeg), head: way(90 - leanDeg) });
  const other = hangingLeg(f, 'other', trunk.hip.other, way(-90));
  const onThigh = add(along(trunk.hip.other, way(0), f.leg.other.thigh * 0.86), vec(0, f.r.thigh + f.r.ankle, -2));
  const thigh = unit(vec(Math.cos(0.9), 0.1, Math.sin(0.9)));
  const trained = legVia(f, 'trained', trunk.hip.trained, thigh, onThigh, vec(0.5, 0.2, -1), vec(0.2, 0.3, -1));
  const arms = {
    trained: armTo(f, trunk.shoulder.trained, add(trained.knee, vec(-3, f.r.knee + 1)), vec(-0.6, -0.4, 1), way(-10)),
    other: armTo(f, trunk.shoulder.other, add(trained.ankle, vec(-3, f.r.ankle + 3)), vec(-0.6, -0.4, -1), way(-10))
  };
  return { posture: postureOf(trunk, { trained, other }, arms), furniture: [seatBox(f)] };
}

/** On the back, one ankle over the other knee, the legs drawn in. */
function figureFourLying(f: Frame, drawnDeg: number): Built {
  const trunk = onBack(f);
  const other = legBy(f, 'other', trunk.hip.other, { thigh: way(drawnDeg), shank: way(drawnDeg - 96), toes: way(drawnDeg - 10) });
  const over = add(along(trunk.hip.other, way(drawnDeg), f.leg.other.thigh * 0.84), way(drawnDeg + 90));
  const rest = add(along(over, way(drawnDeg - 90), f.r.thigh + f.r.ankle), vec(0, 0, -1));
  const trained = legVia(
    f,
    'trained',
    trunk.hip.trained,
    unit(add(way(drawnDeg - 14), vec(0, 0, 0.85))),
    rest,
    unit(add(way(drawnDeg - 60), vec(0, 0, -0.8)))
  );
  const hold = along(trunk.hip.other, way(drawnDeg), f.leg.other.thigh * 0.62);
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(hold, vec(0, 0, sideOf(which) * 6)), vec(0, 0.3, sideOf(which)))
  );
  return { posture: grounded(f, postureOf(trunk, { trained, other }, arms)) };
}

/** Sitting, one shin laid over the other; the height of the upper knee. */
function stackedShins(f: Frame, kneeCm: number): Built {
  const trunk = tall(f, sat(f));
  const other = legVia(f, 'other', trunk.hip.other, openThigh(f, 'other', trunk.hip.other, 0, 44), vec(0.21 * f.stature, f.r.ankle, 0.2 * f.stature), vec(0.6, 0, 0.8), vec(0.3, -0.3, 1)); // prettier-ignore
  const onKnee = add(other.knee, vec(0, f.r.knee + f.r.ankle + 1, -2));
  const trained = legVia(f, 'trained', trunk.hip.trained, openThigh(f, 'trained', trunk.hip.trained, kneeCm, 44), onKnee, vec(0.6, 0, -0.8), vec(0.3, 0.2, -1)); // prettier-ignore
  const legs = { trained, other };
  return { posture: postureOf(trunk, legs, handsOnKnees(f, trunk, legs)) };
}

/** Sitting, the knees one over the other in the middle, the feet out to the sides. */
function kneesStacked(f: Frame): Built {
  const trunk = tall(f, sat(f));
  const leg = (which: Which, kneeCm: number) => {
    const side = sideOf(which);
    const hip = trunk.hip[which];
    const thigh = openThigh(f, which, hip, kneeCm, -14);
    const foot = vec(0.02 * f.stature, f.r.ankle, -side * 0.22 * f.stature);
    return legVia(f, which, hip, thigh, foot, vec(-0.7, 0, -side * 0.8), vec(-0.4, 0.9, 0));
  };
  const legs = { trained: leg('trained', 2.2 * f.r.knee), other: leg('other', 0) };
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      add(legs.trained.knee, vec(1, f.r.knee + 1, sideOf(which) * 2)),
      vec(-0.3, -0.3, sideOf(which))
    )
  );
  return { posture: postureOf(trunk, legs, arms), supports: { seat: vec(0, f.seat) } };
}

/** On the back, soles together, the knees apart; seen from above. */
function butterflyReclined(f: Frame): Built {
  const trunk = onBack(f);
  const legs = both((which) => {
    const side = sideOf(which);
    const thigh = openThigh(f, which, trunk.hip[which], 5, 56);
    return legVia(
      f,
      which,
      trunk.hip[which],
      thigh,
      vec(0.17 * f.stature, f.r.ankle, side * 1.5),
      onFloor(side * 12),
      vec(0, 0, -side)
    );
  });
  const arms = both((which) =>
    armBy(f, trunk.shoulder[which], unit(vec(0.25, -0.08, sideOf(which))), unit(vec(0.5, -0.04, sideOf(which))))
  );
  return { posture: grounded(f, postureOf(trunk, legs, arms)) };
}

/** On the back, the bent knees apart, by how far each is let out; seen from above. */
function frogOnBack(f: Frame, outDeg: number): Built {
  const trunk = onBack(f);
  const legs = both((which) => {
    const side = sideOf(which);
    return legBy(f, which, trunk.hip[which], { thigh: unit(add(across(side * (180 - outDeg)), vec(0.15, 0))), shank: onFloor(side * 6), toes: unit(vec(0.3, 1, side)) }); // prettier-ignore
  });
  const arms = both((which) => armTo(f, trunk.shoulder[which], add(legs[which].knee, vec(-4, 3, 0)), vec(0, 0.2, sideOf(which))));
  return { posture: grounded(f, postureOf(trunk, legs, arms)) };
}

/** On the front, one knee drawn up to the side, its heel lifted; seen from above. */
function kneeUpProne(f: Frame, heelCm: number): Built {
  const trunk = onFront(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: alongFloor(f, 'trained', trunk.hip.trained, 66),
    shank: unit(add(onFloor(160), vec(0, heelCm / f.leg.trained.shank))),
    toes: onFloor(118)
  });
  return { posture: postureOf(trunk, { trained, other: proneLeg(f, trunk, 'other') }, armsUnderHead(f, trunk)) };
}

/** On the front, the chest drawn up by the arms. */
function pressUp(f: Frame, liftDeg: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), {
    lower: way(liftDeg * 0.55),
    upper: way(liftDeg * 1.15),
    head: way(liftDeg + 22)
  });
  const ahead = liftDeg < 34 ? f.arm.fore * 0.8 : 4;
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      vec(trunk.shoulder[which].x + ahead, f.r.wrist, trunk.shoulder[which].z),
      vec(-0.8, 0.3, sideOf(which) * 0.5),
      way(0)
    )
  );
  return { posture: postureOf(trunk, both((which) => proneLeg(f, trunk, which)), arms) }; // prettier-ignore
}

/** On the front, the straight arms lifted overhead. */
function armsLifted(f: Frame, liftDeg: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), { lower: way(0), upper: way(-1), head: way(-3) });
  return { posture: postureOf(trunk, both((which) => proneLeg(f, trunk, which)), both((which) => armBy(f, trunk.shoulder[which], way(liftDeg)))) }; // prettier-ignore
}

/** On the back, the straight leg drawn in with both hands behind the thigh, the trunk flat or curled toward it. */
function legHeldIn(f: Frame, raisedDeg: number, curlDeg: number): Built {
  const trunk = trunkOf(f, vec(0, f.r.pelvis), {
    lower: way(181 - curlDeg * 0.3),
    upper: way(180.5 - curlDeg),
    head: way(181 - curlDeg * 1.3)
  });
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: way(raisedDeg), toes: way(raisedDeg + 84) });
  const hold = along(trained.hip, way(raisedDeg), f.leg.trained.whole * 0.6);
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(hold, vec(-2, 0, sideOf(which) * 5)), vec(0.4, 0.2, sideOf(which)))
  );
  return { posture: grounded(f, postureOf(trunk, { trained, other: flatLeg(f, trunk, 'other') }, arms)) };
}

/** On the back, one knee drawn in and its foot pushed away with a strap; the bend of the ankle. */
function footInStrap(f: Frame, bentDeg: number): Built {
  const trunk = onBack(f);
  const shank = way(40);
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: way(112), shank, toes: way(40 + 90 + bentDeg) });
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], add(trained.knee, vec(-4, 2, sideOf(which) * 4)), vec(0, 0.2, sideOf(which)))
  );
  return { posture: postureOf(trunk, { trained, other: bentLeg(f, trunk, 'other') }, arms) };
}

export const foldedPoses = {
  '90/90': { view: 'top', coloured: 'both legs', usual: 30, range: [0, 74], seeThrough: true, build: ninetyNinety },
  'side sit': { view: 'front', coloured: 'both legs', usual: 0, range: [0, 40], build: sideSit },
  'half straddle': { view: 'front', coloured: 'leg', usual: 20, range: [0, 46], build: halfStraddle },
  'straddle bend': { view: 'front', coloured: 'leg', usual: 32, range: [0, 46], build: straddleBend },
  'straddle lift': { view: 'front', coloured: 'leg', usual: 10, range: [0, 24], build: straddleLift },
  'crossed side-bend': { view: 'front', coloured: 'none', usual: 22, range: [0, 34], crossed: true, build: crossedSideBend },
  'knee hug': { view: 'side', coloured: 'both legs', usual: 0, range: [0, 0], build: kneeHug },
  'heel pulled in': { view: 'side', coloured: 'leg', usual: 130, range: [70, 150], build: heelPulledIn },
  'figure four, chair': { view: 'front', coloured: 'leg', usual: 10, range: [0, 50], crossed: true, build: figureFourChair },
  'figure four, lying': { view: 'side', coloured: 'leg', usual: 94, range: [70, 118], build: figureFourLying },
  'stacked shins': { view: 'front', coloured: 'both legs', usual: 12, range: [8, 24], crossed: true, build: stackedShins },
  'knees stacked': { view: 'front', coloured: 'both legs', usual: 0, range: [0, 0], crossed: true, build: kneesStacked },
  'butterfly, reclined': { view: 'facing down on', coloured: 'both legs', usual: 0, range: [0, 0], build: butterflyReclined },
  'frog on the back': { view: 'facing down on', coloured: 'both legs', usual: 62, range: [20, 84], build: frogOnBack },
  'knee up, prone': { view: 'top', coloured: 'leg', usual: 6, range: [0, 20], seeThrough: true, build: kneeUpProne },
  'press-up arch': { view: 'side', coloured: 'none', usual: 30, range: [27, 46], build: pressUp },
  'arms lifted, prone': { view: 'side', coloured: 'arm', usual: 14, range: [0, 34], build: armsLifted },
  'leg held in': { view: 'side', coloured: 'leg', usual: 92, range: [50, 120], build: (f, v) => legHeldIn(f, v, 0) },
  'leg held in, curled': { view: 'side', coloured: 'leg', usual: 108, range: [60, 128], build: (f, v) => legHeldIn(f, v, 34) },
  'foot in a strap': { view: 'side', coloured: 'leg', usual: 10, range: [-30, 20], build: footInStrap }
} as const satisfies Record<string, Pose>;
