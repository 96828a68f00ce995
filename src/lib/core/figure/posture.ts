import type { Side } from '../body/side';
import type { Frame, RadiusName, Which } from './frame';
import type { Chain } from './limbs';
import { add, along, cross, distance, lengthOf, solve, squareTo, sub, times, unit, vec, way, type Vec } from './vec';

const legJoints = ['hip', 'knee', 'ankle', 'heel', 'toe'] as const;
const armJoints = ['shoulder', 'elbow', 'wrist', 'fingertip'] as const;
type LimbJoint = (typeof legJoints)[number] | (typeof armJoints)[number];
export type Joint = 'pelvis' | 'waist' | 'chest' | 'neck' | 'head' | `${Side} ${LimbJoint}`;

/** Joint centres in space. The trained side is built on the right. */
export type Posture = Readonly<Record<Joint, Vec>>;

export type Leg = Readonly<Record<(typeof legJoints)[number], Vec>>;
export type Arm = Readonly<Record<(typeof armJoints)[number], Vec>>;
export type Trunk = Readonly<{
  pelvis: Vec;
  waist: Vec;
  chest: Vec;
  neck: Vec;
  head: Vec;
  hip: Readonly<Record<Which, Vec>>;
  shoulder: Readonly<Record<Which, Vec>>;
}>;

type Bone = Readonly<{
  name: string;
  chain: Chain;
  side: Side | null;
  from: Joint;
  to: Joint;
  radii: readonly [RadiusName, RadiusName];
}>;

/** Bones from the pelvis outward, with the radii of the silhouette at either end. */
export const bones: readonly Bone[] = [
  { name: 'waist', chain: 'trunk', side: null, from: 'pelvis', to: 'waist', radii: ['pelvis', 'waist'] },
  { name: 'chest', chain: 'trunk', side: null, from: 'waist', to: 'chest', radii: ['waist', 'chest'] },
  { name: 'neck', chain: 'trunk', side: null, from: 'chest', to: 'neck', radii: ['shoulder', 'neck'] },
  ...(['left', 'right'] as const).flatMap((side) => [
    { name: 'seat', chain: 'trunk', side, from: 'pelvis', to: `${side} hip`, radii: ['pelvis', 'pelvis'] } as const,
    { name: 'girdle', chain: 'trunk', side, from: 'chest', to: `${side} shoulder`, radii: ['shoulder', 'shoulder'] } as const,
    { name: 'thigh', chain: 'leg', side, from: `${side} hip`, to: `${side} knee`, radii: ['thigh', 'knee'] } as const,
    { name: 'shank', chain: 'leg', side, from: `${side} knee`, to: `${side} ankle`, radii: ['knee', 'ankle'] } as const,
    { name: 'heel', chain: 'leg', side, from: `${side} ankle`, to: `${side} heel`, radii: ['ankle', 'heel'] } as const,
    { name: 'instep', chain: 'leg', side, from: `${side} ankle`, to: `${side} toe`, radii: ['ankle', 'toe'] } as const,
    {
      name: 'upper arm',
      chain: 'arm',
      side,
      from: `${side} shoulder`,
      to: `${side} elbow`,
      radii: ['shoulder', 'elbow']
    } as const,
    { name: 'forearm', chain: 'arm', side, from: `${side} elbow`, to: `${side} wrist`, radii: ['elbow', 'wrist'] } as const,
    { name: 'hand', chain: 'arm', side, from: `${side} wrist`, to: `${side} fingertip`, radii: ['wrist', 'finger'] } as const
  ])
];

/** What is drawn: the bones, and the flanks, which hang on no joint of their own. */
export const drawn: readonly Bone[] = [
  ...bones,
  ...(['left', 'right'] as const).flatMap((side) => [
    { name: 'flank', chain: 'trunk', side, from: `${side} shoulder`, to: `${side} hip`, radii: ['shoulder', 'waist'] } as const,
    { name: 'ribs', chain: 'trunk', side, from: `${side} shoulder`, to: 'waist', radii: ['shoulder', 'waist'] } as const
  ])
];

const sideways = vec(0, 0, 1);

/**
 * Pelvis, spine, head, hips and shoulders.
 *
 * `lower` and `upper` are the directions of the two halves of the back; the head goes on from the upper one, or as given.
 */
export function trunkOf(
  f: Frame,
  pelvis: Vec,
  { lower, upper = lower, head = upper }: Readonly<{ lower: Vec; upper?: Vec; head?: Vec }>
): Trunk {
  const waist = along(pelvis, lower, f.trunk.lower);
  const chest = along(waist, upper, f.trunk.upper);
  const neck = along(chest, unit(add(upper, head), upper), f.neck);
  const beside = (at: Vec, half: number) => ({
    trained: along(at, sideways, half),
    other: along(at, sideways, -half)
  });
  return {
    pelvis,
    waist,
    chest,
    neck,
    head: along(neck, head, f.head.up),
    hip: beside(pelvis, f.hipHalf),
    shoulder: beside(chest, f.shoulderHalf)
  };
}

/** A foot on its ankle: `toes` is the line of the sole; the sole faces away from the shank, or where it is told to. */
function footOf(f: Frame, ankle: Vec, shank: Vec, toes: Vec, soleFaces?: Vec): Pick<Leg, 'heel' | 'toe'> {
  const line = unit(toes);
  const down = unit(squareTo(soleFaces ?? shank, line), unit(squareTo(vec(0, -1), line)));
  const sole = (radius: RadiusName) => times(down, f.foot.height - f.r[radius]);
  return {
    heel: add(along(ankle, line, -f.foot.back), sole('heel')),
    toe: add(along(ankle, line, f.foot.ahead), sole('toe'))
  };
}

/** A leg by the directions of its parts. */
export function legBy(
  f: Frame,
  which: Which,
  hip: Vec,
  ways: Readonly<{ thigh: Vec; shank?: Vec; toes: Vec; soleFaces?: Vec }>
): Leg {
  const { thigh, shank } = f.leg[which];
  const down = ways.shank ?? ways.thigh;
  const knee = along(hip, ways.thigh, thigh);
  const ankle = along(knee, down, shank);
  return { hip, knee, ankle, ...footOf(f, ankle, down, ways.toes, ways.soleFaces) };
}

/** The middle joint of two links from a root toward a target, bent toward a direction, and where the end comes to lie. */
function twoLinks(root: Vec, target: Vec, first: number, second: number, bend: Vec): Readonly<{ middle: Vec; end: Vec }> {
  const toward = unit(sub(target, root), vec(0, -1));
  const reach = Math.min(Math.max(distance(root, target), Math.abs(first - second) + 1e-6), first + second - 1e-6);
  const ahead = (first ** 2 + reach ** 2 - second ** 2) / (2 * reach);
  const out = unit(squareTo(bend, toward), unit(squareTo(vec(0.3, 0.9, 0.1), toward)));
  const aside = Math.sqrt(Math.max(0, first ** 2 - ahead ** 2));
  return { middle: add(along(root, toward, ahead), times(out, aside)), end: along(root, toward, reach) };
}

/** A leg whose ankle goes to a place, the knee bent toward a direction. Out of reach it lies straight toward the place. */
export function legTo(
  f: Frame,
  which: Which,
  hip: Vec,
  ankleAt: Vec,
  { kneeToward, toes, soleFaces }: Readonly<{ kneeToward: Vec; toes: Vec; soleFaces?: Vec }>
): Leg {
  const { thigh, shank } = f.leg[which];
  const { middle: knee, end: ankle } = twoLinks(hip, ankleAt, thigh, shank, kneeToward);
  return { hip, knee, ankle, ...footOf(f, ankle, unit(sub(ankle, knee)), toes, soleFaces) };
}

/** A leg whose knee is given by a direction; the shank points from there at a place. */
export function legVia(f: Frame, which: Which, hip: Vec, thigh: Vec, shankToward: Vec, toes: Vec, soleFaces?: Vec): Leg {
  const knee = along(hip, thigh, f.leg[which].thigh);
  return legBy(f, which, hip, { thigh, shank: unit(sub(shankToward, knee)), toes, ...(soleFaces && { soleFaces }) });
}

/** An arm whose wrist goes to a place, the elbow bent toward a direction; the hand goes on, or as told. */
export function armTo(f: Frame, shoulder: Vec, handAt: Vec, elbowToward: Vec, hand?: Vec): Arm {
  const { middle: elbow, end: wrist } = twoLinks(shoulder, handAt, f.arm.upper, f.arm.fore, elbowToward);
  return { shoulder, elbow, wrist, fingertip: along(wrist, hand ?? unit(sub(wrist, elbow)), f.arm.hand * 0.85) };
}

/** An arm by the directions of its parts. */
export function armBy(f: Frame, shoulder: Vec, upper: Vec, fore: Vec = upper, hand: Vec = fore): Arm {
  const elbow = along(shoulder, upper, f.arm.upper);
  const wrist = along(elbow, fore, f.arm.fore);
  return { shoulder, elbow, wrist, fingertip: along(wrist, hand, f.arm.hand * 0.85) };
}

/** Where a block belongs that a hand leans on. */
export const underHand = (f: Frame, { wrist, fingertip }: Arm): Vec => ({
  ...wrist,
  x: (wrist.x + fingertip.x) / 2,
  y: Math.max(0, Math.min(wrist.y - f.r.wrist, fingertip.y - f.r.finger))
});

/** Height of the lowest point of a leg below its knee. */
export const lowestOfFoot = (f: Frame, leg: Leg): number =>
  Math.min(leg.ankle.y - f.r.ankle, leg.heel.y - f.r.heel, leg.toe.y - f.r.toe);

/** A leg turned, by an angle within bounds, until its foot rests at a height. */
export function restingAt(f: Frame, heightCm: number, legAt: (deg: number) => Leg, low: number, high: number): Leg {
  return legAt(solve((deg) => lowestOfFoot(f, legAt(deg)), heightCm, low, high));
}

/** A leg reaching ahead to its foot on the floor, the knee swung about the line from hip to ankle: 0 upward, 90 to the right. */
export function legSwung(f: Frame, which: Which, hip: Vec, ankle: Vec, swingDeg: number, toes: Vec): Leg {
  const line = unit(sub(ankle, hip));
  const up = unit(squareTo(vec(0, 1), line));
  const swing = way(swingDeg);
  const kneeToward = add(times(up, swing.x), times(cross(line, up), swing.y));
  return legTo(f, which, hip, ankle, { kneeToward, toes, soleFaces: vec(0, -1) });
}

export function postureOf(trunk: Trunk, legs: Readonly<Record<Which, Leg>>, arms: Readonly<Record<Which, Arm>>): Posture {
  const of = (side: Side, which: Which) => ({
    ...Object.fromEntries(legJoints.map((j) => [`${side} ${j}`, legs[which][j]])),
    ...Object.fromEntries(armJoints.map((j) => [`${side} ${j}`, arms[which][j]]))
  });
  const { pelvis, waist, chest, neck, head } = trunk;
  return { pelvis, waist, chest, neck, head, ...of('right', 'trained'), ...of('left', 'other') } as Posture;
}

/** What is made for both sides alike. */
export const both = <T>(make: (which: Which) => T): Record<Which, T> => ({ trained: make('trained'), other: make('other') });

/** 1 on the trained side, which is built on the right, −1 on the other. */
export const sideOf = (which: Which): 1 | -1 => (which === 'trained' ? 1 : -1);

/** Height of the lowest point of a body. */
export const lowestOf = (f: Frame, posture: Posture): number =>
  Math.min(...bones.map((b) => Math.min(posture[b.from].y - f.r[b.radii[0]], posture[b.to].y - f.r[b.radii[1]])));

/** Every joint put somewhere else. */
export const mapped = (posture: Posture, at: (p: Vec) => Vec): Posture =>
  Object.fromEntries(Object.entries(posture).map(([joint, p]) => [joint, at(p)])) as Posture;

/** Let down, or lifted, until the lowest point lies on the floor. */
export function grounded(f: Frame, posture: Posture): Posture {
  const up = vec(0, -lowestOf(f, posture));
  return mapped(posture, (p) => add(p, up));
}

/** How far a bone reaches, cm. */
export const boneLength = (posture: Posture, bone: Bone): number => lengthOf(sub(posture[bone.to], posture[bone.from]));
