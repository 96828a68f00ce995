// Hands and knees, and what goes on from there: rocking back, the pigeon, the one-leg frog with a straight leg.
import { toDeg, toRad } from '../../geometry/angles';
import type { Frame, Which } from '../frame';
import type { Built, Pose } from '../pose';
import { armTo, both, grounded, legBy, postureOf, restingAt, sideOf, trunkOf, type Leg } from '../posture';
import { across, add, onFloor, solve, unit, vec, way, type Vec } from '../vec';
import { hipOver, kneelingLeg } from './kneeling';

const armCm = (f: Frame): number => f.arm.upper + f.arm.fore;

/** Where a hand comes to the floor ahead of a shoulder, as far as the arm goes. */
const handAhead = (f: Frame, shoulder: Vec, aheadCm: number): Vec => {
  const most = Math.sqrt(Math.max(0, (0.97 * armCm(f)) ** 2 - (shoulder.y - f.r.wrist) ** 2));
  return vec(shoulder.x + Math.min(aheadCm, most), f.r.wrist, shoulder.z);
};

/** Hands under the shoulders, knees under the hips: the back rounded up, or let sink (minus). */
function allFours(f: Frame, roundDeg: number): Built {
  const pelvis = { ...hipOver(f, 'trained', way(90), 0), z: 0 };
  const at = (slope: number) => trunkOf(f, pelvis, { lower: way(slope + roundDeg), upper: way(slope - roundDeg * 0.7), head: way(slope - roundDeg * 1.5 - 6) }); // prettier-ignore
  const trunk = at(solve((slope) => at(slope).chest.y, f.r.wrist + 0.97 * armCm(f), -40, 50));
  const legs = both((which) => kneelingLeg(f, which, trunk.hip[which], way(-90)));
  const arms = both((which) => armTo(f, trunk.shoulder[which], handAhead(f, trunk.shoulder[which], 0), way(180), way(0)));
  return { posture: postureOf(trunk, legs, arms) };
}

/** On all fours: one hand on its back, fingers to the knees, the body leaning back; or both on the palm, the body leaning ahead. */
function leantOverHand(f: Frame, leanDeg: number, down: 'back of one hand' | 'palms'): Built {
  const aheadDeg = down === 'palms' ? leanDeg : -leanDeg;
  const [leanRad, reachCm] = [toRad(leanDeg), armCm(f)];
  const pelvis = { ...hipOver(f, 'trained', way(90 - aheadDeg * 0.6), 0), z: 0 };
  const at = (slope: number) => trunkOf(f, pelvis, { lower: way(slope), head: way(slope - 6) });
  const trunk = at(solve((slope) => at(slope).chest.y, f.r.wrist + 0.99 * reachCm * Math.cos(leanRad), -40, 50));
  const behind = -Math.sign(aheadDeg) * Math.sin(leanRad) * reachCm;
  const legs = both((which) => kneelingLeg(f, which, trunk.hip[which], way(-90 - aheadDeg * 0.6)));
  const arm = (which: Which) =>
    armTo(
      f,
      trunk.shoulder[which],
      vec(trunk.shoulder[which].x + behind, f.r.wrist, trunk.shoulder[which].z),
      way(180),
      way(which === 'trained' && down === 'back of one hand' ? 180 : 0)
    );
  return { posture: postureOf(trunk, legs, both(arm)) };
}

/** From all fours the seat goes back toward the heels, by the lean of the thighs; the toes pointed, or tucked. */
function rockedBack(f: Frame, backDeg: number, toes: 'pointed' | 'tucked'): Built {
  const pelvis = { ...hipOver(f, 'trained', way(90 + backDeg), 0), z: 0 };
  const share = backDeg / 76;
  const slope = 14 - share * 20;
  const trunk = trunkOf(f, pelvis, { lower: way(slope + share * 6), upper: way(slope - share * 4), head: way(slope - 14) });
  const thigh = way(backDeg - 90);
  const tucked = (which: Which) => (deg: number) =>
    legBy(f, which, trunk.hip[which], { thigh, shank: way(180 - deg), toes: way(-72), soleFaces: way(198) });
  const leg = (which: Which): Leg =>
    toes === 'pointed' ? kneelingLeg(f, which, trunk.hip[which], thigh) : restingAt(f, 0, tucked(which), 0, 40);
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      handAhead(f, trunk.shoulder[which], share * 2 * armCm(f)),
      vec(-0.4, 0.6, sideOf(which) * 0.4),
      way(0)
    )
  );
  return { posture: postureOf(trunk, both(leg), arms) };
}

/** Front shin across, the rear leg long behind: the trunk lowered over the shin, or leaning back (minus). */
function pigeon(f: Frame, leanDeg: number): Built {
  const pelvis = vec(0, f.seat + f.r.pelvis);
  const trunk = trunkOf(f, pelvis, { lower: way(92 - leanDeg * 0.94), upper: way(88 - leanDeg * 1.04), head: way(90 - leanDeg) });
  const drop = -toDeg(Math.asin((pelvis.y - f.r.knee) / f.leg.trained.thigh));
  const trained = legBy(f, 'trained', trunk.hip.trained, {
    thigh: unit(add(onFloor(32), vec(0, Math.tan((drop * Math.PI) / 180)))),
    shank: onFloor(-88),
    toes: onFloor(-40)
  });
  const behind = (deg: number) =>
    legBy(f, 'other', trunk.hip.other, { thigh: way(180 + deg), toes: way(190 + deg), soleFaces: vec(0, 1) });
  const other = restingAt(f, 0, behind, -6, 50);
  const ahead = leanDeg < 0 ? -0.12 * f.stature : (0.06 + leanDeg * 0.0016) * f.stature;
  const arms = both((which) =>
    armTo(
      f,
      trunk.shoulder[which],
      handAhead(f, trunk.shoulder[which], ahead),
      vec(-0.6, 0.3, sideOf(which) * 0.5),
      way(leanDeg < 0 ? 180 : 0)
    )
  );
  return { posture: postureOf(trunk, { trained, other }, arms), supports: { seat: vec(0, f.seat) } };
}

/** One knee down, the other leg straight out to its side: the height of its foot. Seen by someone facing. */
function oneLegFrogStraight(f: Frame, liftCm: number): Built {
  const pelvis = vec(0, f.r.knee + f.leg.other.thigh * 0.96);
  const at = (slope: number) => trunkOf(f, pelvis, { lower: way(slope), head: way(slope - 50) });
  const trunk = at(solve((slope) => at(slope).chest.y, f.r.wrist + 1.02 * armCm(f), -20, 70));
  const legAt = (deg: number) =>
    legBy(f, 'trained', trunk.hip.trained, { thigh: across(deg), toes: add(across(deg + 78), vec(0.25, 0)) });
  const trained = restingAt(f, liftCm, legAt, 20, 120);
  const other = legBy(f, 'other', trunk.hip.other, { thigh: across(-6), shank: way(180), toes: way(184), soleFaces: vec(0, 1) });
  const arms = both((which) =>
    armTo(f, trunk.shoulder[which], vec(trunk.shoulder[which].x, f.r.wrist, trunk.shoulder[which].z), way(180), way(0))
  );
  return { posture: grounded(f, postureOf(trunk, { trained, other }, arms)) };
}

export const allFoursPoses = {
  'all fours': { view: 'side', coloured: 'none', usual: 0, range: [-22, 34], build: allFours },
  'hand turned under': {
    view: 'side',
    coloured: 'arm',
    usual: 12,
    range: [0, 26],
    build: (f, v) => leantOverHand(f, v, 'back of one hand')
  },
  'palms down, leaning': {
    view: 'side',
    coloured: 'arm',
    usual: 14,
    range: [0, 26],
    build: (f, v) => leantOverHand(f, v, 'palms')
  },
  'rocked back': { view: 'side', coloured: 'both legs', usual: 62, range: [0, 74], build: (f, v) => rockedBack(f, v, 'pointed') },
  'rocked back, toes tucked': {
    view: 'side',
    coloured: 'both legs',
    usual: 44,
    range: [0, 52],
    build: (f, v) => rockedBack(f, v, 'tucked')
  },
  pigeon: { view: 'side', coloured: 'leg', usual: 40, range: [-18, 78], build: pigeon },
  'one-leg frog, leg straight': { view: 'front', coloured: 'leg', usual: 0, range: [0, 45], build: oneLegFrogStraight }
} as const satisfies Record<string, Pose>;
