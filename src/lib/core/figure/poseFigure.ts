import { toDeg } from '../geometry/angles';
import type { Side } from '../body/side';
import { frameOf, type Body, type Carried, type Frame } from './frame';
import type { Point } from '../geometry/point';
import type { Limb } from './limbs';
import type { Built, Coloured, Landmark, Support, View } from './pose';
import { poses, type PoseId } from './poses';
import { bones, drawn, lowestOf, mapped, type Joint, type Posture } from './posture';
import { sightOf, type Sight } from './sight';
import { add, distance, sub, times, turned, unit, vec, type Vec } from './vec';

export type PoseSetting = Readonly<{
  /** The leg in front of a split, the side that is measured or trained elsewhere. A side view is seen from it. */
  side: Side;
  /** The number the pose is about, in its own unit: a depth, a height, an angle. @default the pose's usual one */
  value?: number;
}> &
  Carried;

export type Box = Readonly<{ minX: number; maxX: number; minY: number; maxY: number }>;

export type FigurePose = Readonly<{
  pose: PoseId;
  view: View;
  coloured: Coloured;
  seeThrough: boolean;
  /** Farthest first; those with the same `group` are one shape. */
  limbs: readonly (Limb & Readonly<{ group: string }>)[];
  head: Readonly<{ centre: Point; alongCm: number; acrossCm: number; tiltDeg: number; group: string }>;
  joints: Readonly<Record<Joint, Point>>;
  landmarks: Readonly<Partial<Record<Landmark, Point>>>;
  /** Level from which a height is read. */
  zeroY: number;
  /** Where a stack belongs: middle of the contact, and the height it must have. */
  supports: Readonly<Partial<Record<Support, Point>>>;
  furniture: readonly Box[];
  box: Box;
  /** In space, for what lies between two poses. */
  space: Space;
}>;

type Space = Readonly<{ posture: Posture; frame: Frame; side: Side }>;

/**
 * A person in a position, standing or lying on the floor line y = 0 (seen from above there is no such line).
 *
 * Model:  forward kinematics in space from the one number the position is about and the client's own lengths; what must touch
 *         the floor is turned until it does; then seen along the position's line of sight, without perspective. The lowest
 *         point of a split's pelvis lies exactly at the gap; the landmarks of every measured position give back its number.
 *         Left is right mirrored, so that left and right differ by direction and not by colour alone.
 * Units:  cm, y upward. A number outside what can be drawn is drawn at the nearest that can.
 * Throws: CoreError 'gap_exceeds_leg'; those of `segmentLengths`.
 */
export function poseFigure(pose: PoseId, { side, value, ...carried }: PoseSetting, body: Body): FigurePose {
  const { build, range, usual } = poses[pose];
  const frame = frameOf(body, side, carried);
  const built = build(frame, Math.min(range[1], Math.max(range[0], value ?? usual)));
  return seen(pose, side === 'right' ? built : mirrored(built), frame, side);
}

/**
 * A figure a share of the way from one to another: every bone turns along its arc and keeps its length.
 *
 * Where the two are seen from different places there is nothing between them, and the second is given.
 */
export function figureBetween(from: FigurePose, to: FigurePose, share: number): FigurePose {
  const sameView = from.view === to.view && from.space.side === to.space.side;
  if (!sameView || share >= 1) return to;
  const [a, b] = [from.space.posture, to.space.posture];
  const posture: Record<string, Vec> = { pelvis: add(a.pelvis, times(sub(b.pelvis, a.pelvis), share)) };
  for (const bone of [...bones, headBone]) {
    const way = turned(unit(sub(a[bone.to], a[bone.from])), unit(sub(b[bone.to], b[bone.from])), share);
    posture[bone.to] = add(posture[bone.from]!, times(way, distance(b[bone.to], b[bone.from])));
  }
  const landed = onFloor(posture as Posture, to.space.frame, from, to, share);
  const { supports, landmarks, zeroY, furniture } = to;
  return { ...seen(to.pose, { posture: landed }, to.space.frame, to.space.side), supports, landmarks, zeroY, furniture };
}

const headBone = { from: 'neck', to: 'head' } as const satisfies { from: Joint; to: Joint };

/** In between a figure neither floats nor sinks: its lowest point goes from the one's to the other's. */
function onFloor(posture: Posture, frame: Frame, from: FigurePose, to: FigurePose, share: number): Posture {
  const [start, end] = [lowestOf(frame, from.space.posture), lowestOf(frame, to.space.posture)];
  const up = vec(0, start + (end - start) * share - lowestOf(frame, posture));
  return mapped(posture, (p) => add(p, up));
}

const flip = ({ x, y, z }: Vec): Vec => vec(x, y, -z);
const otherName = (joint: string): string =>
  joint.startsWith('left ') ? joint.replace('left ', 'right ') : joint.replace('right ', 'left ');
const flipped = <K extends string>(points: Readonly<Partial<Record<K, Vec>>> | undefined) =>
  Object.fromEntries(Object.entries<Vec | undefined>(points ?? {}).map(([name, p]) => [name, p && flip(p)])) as Partial<
    Record<K, Vec>
  >;

/** Built with the trained side on the right: put on the left. */
function mirrored({ posture, landmarks, supports, furniture = [], zeroY }: Built): Built {
  return {
    posture: Object.fromEntries(Object.entries(posture).map(([joint, p]) => [otherName(joint), flip(p)])) as Posture,
    landmarks: flipped(landmarks),
    supports: flipped(supports),
    furniture: furniture.map(({ min, max }) => ({ min: vec(min.x, min.y, -max.z), max: vec(max.x, max.y, -min.z) })),
    ...(zeroY !== undefined && { zeroY })
  };
}

const projected = <K extends string>(points: Readonly<Partial<Record<K, Vec>>>, at: Sight['at']) =>
  Object.fromEntries(Object.entries<Vec | undefined>(points).flatMap(([name, p]) => (p ? [[name, at(p)]] : []))) as Partial<
    Record<K, Point>
  >;

function seen(pose: PoseId, built: Built, frame: Frame, side: Side): FigurePose {
  const { view, coloured, crossed = false, seeThrough = false } = poses[pose];
  const { posture } = built;
  const { at, depth } = sightOf(view, side);
  // Of two limbs as near as each other, that of the set side is painted over the other.
  const mean = (...joints: Joint[]) =>
    (joints[0]!.startsWith(side) ? 1 : 0) + joints.reduce((sum, j) => sum + depth(posture[j]), 0) / joints.length;
  const groups = drawn.map((bone) => {
    const { chain, side: s, name } = bone;
    // What would hide the measured limbs is drawn thin, and under them.
    const under = seeThrough ? 1000 : 0;
    if (chain === 'trunk' || s === null) return { group: 'trunk', near: mean('pelvis', 'chest') - under };
    if (chain === 'arm') return { group: `${s} arm`, near: mean(`${s} wrist`) - under };
    if (!crossed) return { group: `${s} leg`, near: mean(`${s} knee`, `${s} ankle`) };
    return name === 'thigh'
      ? { group: `${s} thigh`, near: mean(`${s} hip`, `${s} knee`) }
      : { group: `${s} shin`, near: mean(`${s} knee`, `${s} ankle`, `${s} ankle`) };
  });
  const limbs = drawn
    .map((bone, i) => ({ bone, ...groups[i]! }))
    .toSorted((a, b) => a.near - b.near || a.group.localeCompare(b.group))
    .map(({ bone, group }) => ({
      name: bone.name,
      chain: bone.chain,
      side: bone.side,
      near: bone.side === side,
      group,
      from: at(posture[bone.from]),
      to: at(posture[bone.to]),
      fromRadiusCm: frame.r[bone.radii[0]],
      toRadiusCm: frame.r[bone.radii[1]]
    }));
  const head = headOf(posture, frame, at);
  const furniture = (built.furniture ?? []).map(({ min, max }) =>
    boxOf([
      { ...at(min), r: 0 },
      { ...at(max), r: 0 }
    ])
  );
  const points = [
    ...limbs.flatMap((l) => [
      { ...l.from, r: l.fromRadiusCm },
      { ...l.to, r: l.toRadiusCm }
    ]),
    { ...head.centre, r: head.alongCm },
    ...furniture.flatMap((b) => [
      { x: b.minX, y: b.minY, r: 0 },
      { x: b.maxX, y: b.maxY, r: 0 }
    ])
  ];
  return {
    pose,
    view,
    coloured,
    seeThrough,
    limbs,
    head,
    joints: projected(posture, at) as Record<Joint, Point>,
    landmarks: projected(built.landmarks ?? {}, at),
    zeroY: built.zeroY ?? 0,
    supports: projected(built.supports ?? {}, at),
    furniture,
    box: boxOf(points),
    space: { posture, frame, side }
  };
}

/** The head is longer than wide; seen end on it is round. */
function headOf(posture: Posture, frame: Frame, at: Sight['at']): FigurePose['head'] {
  const [centre, neck] = [at(posture.head), at(posture.neck)];
  const seenShare = Math.min(1, Math.hypot(centre.x - neck.x, centre.y - neck.y) / distance(posture.head, posture.neck));
  const { up, across } = frame.head;
  return {
    centre,
    alongCm: Math.sqrt((up * seenShare) ** 2 + across ** 2 * (1 - seenShare ** 2)),
    acrossCm: across,
    tiltDeg: seenShare < 0.05 ? 0 : toDeg(Math.atan2(centre.y - neck.y, centre.x - neck.x)) - 90,
    group: 'trunk'
  };
}

const boxOf = (points: readonly (Point & { r: number })[]): Box => ({
  minX: Math.min(...points.map((p) => p.x - p.r)),
  maxX: Math.max(...points.map((p) => p.x + p.r)),
  minY: Math.min(...points.map((p) => p.y - p.r)),
  maxY: Math.max(...points.map((p) => p.y + p.r))
});
