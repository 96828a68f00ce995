// Lying on the other side, the trained leg on top.
import type { Frame } from '../frame';
import type { Built, Pose } from '../pose';
import { armBy, armTo, grounded, legBy, mapped, postureOf, trunkOf, type Arm, type Leg, type Trunk } from '../posture';
import { across, add, unit, vec, way } from '../vec';

/** Built upright, then laid on its other side: what was up lies to the right, what was on the right is up. */
const laid = (f: Frame, trunk: Trunk, legs: Readonly<{ trained: Leg; other: Leg }>, trained: Arm): Built => {
  const other = armBy(f, trunk.shoulder.other, unit(vec(0.1, 1, 0.06)));
  const upright = postureOf(trunk, legs, { trained, other });
  return {
    posture: grounded(
      f,
      mapped(upright, ({ x, y, z }) => vec(x, z, y))
    )
  };
};
const straightUp = (f: Frame): Trunk => trunkOf(f, vec(0, 0), { lower: way(90), head: way(92) });
/** The upper hand on the floor in front of the chest. */
const propped = (f: Frame, trunk: Trunk): Arm =>
  armTo(
    f,
    trunk.shoulder.trained,
    vec(trunk.chest.x + 0.16 * f.stature, trunk.chest.y - 4, f.r.wrist - f.r.shoulder - f.shoulderHalf),
    vec(0, -0.5, 1),
    way(0)
  );

/** The straight upper leg raised. */
function legRaisedAside(f: Frame, raisedDeg: number): Built {
  const trunk = straightUp(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: across(raisedDeg), toes: way(0) });
  const other = legBy(f, 'other', trunk.hip.other, { thigh: way(-90), toes: way(0) });
  return laid(f, trunk, { trained, other }, propped(f, trunk));
}

/** The straight upper leg let sink behind the lower one, whose knee is bent ahead. */
function legLetSink(f: Frame, sunkDeg: number): Built {
  const trunk = straightUp(f);
  const trained = legBy(f, 'trained', trunk.hip.trained, { thigh: unit(add(across(-sunkDeg), vec(-0.28, 0))), toes: way(0) });
  const other = legBy(f, 'other', trunk.hip.other, { thigh: way(-38), shank: way(-120), toes: way(-40) });
  return laid(f, trunk, { trained, other }, propped(f, trunk));
}

/** The upper foot in the hand, its thigh drawn back; seen from above. */
function thighDrawnBack(f: Frame, backDeg: number): Built {
  const trunk = straightUp(f);
  const thigh = way(-90 - backDeg);
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh,
    shank: way(124 - backDeg),
    toes: way(120 - backDeg),
    soleFaces: way(34 - backDeg)
  });
  const other = legBy(f, 'other', trunk.hip.other, { thigh: way(-52), shank: way(-112), toes: way(-30) });
  const hand = armTo(f, trunk.shoulder.trained, add(trained.ankle, vec(2, 4)), vec(-1, 0, 0.4));
  return laid(f, trunk, { trained, other }, hand);
}

export const sideLyingPoses = {
  'leg raised, side-lying': { view: 'front', coloured: 'leg', usual: 40, range: [0, 75], build: legRaisedAside },
  'leg let sink, side-lying': { view: 'front', coloured: 'leg', usual: 6, range: [-10, 9], build: legLetSink },
  'thigh drawn back': { view: 'facing down on', coloured: 'leg', usual: 20, range: [-10, 40], build: thighDrawnBack }
} as const satisfies Record<string, Pose>;
