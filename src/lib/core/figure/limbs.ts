import type { Side } from '../side';

export type Point = Readonly<{ x: number; y: number }>;

/** A tapered limb between two joint centres, radii at either end. `side` is set where the limb belongs to one. */
export type Limb = Readonly<{
  name: string;
  side: Side | null;
  near: boolean;
  from: Point;
  to: Point;
  fromRadiusCm: number;
  toRadiusCm: number;
}>;

export const along = (from: Point, angleDeg: number, lengthCm: number): Point => {
  const rad = (angleDeg * Math.PI) / 180;
  return { x: from.x + lengthCm * Math.cos(rad), y: from.y + lengthCm * Math.sin(rad) };
};

export const between = (a: Point, b: Point, share: number): Point => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share
});

export const distanceCm = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/**
 * The middle joint of two links that reach from one point to another, and where the end really comes to lie.
 *
 * Model:  law of cosines; `bend` +1 puts the joint to the left of the way from root to target, −1 to the right. A target out of
 *         reach is approached along the straight line, so that links keep their length.
 */
export function twoLinks(
  root: Point,
  target: Point,
  firstCm: number,
  secondCm: number,
  bend: 1 | -1
): { middle: Point; end: Point } {
  const wantedCm = distanceCm(root, target);
  const reachCm = Math.min(Math.max(wantedCm, Math.abs(firstCm - secondCm) + 1e-6), firstCm + secondCm - 1e-6);
  const towards = Math.atan2(target.y - root.y, target.x - root.x);
  const atRoot = Math.acos((firstCm ** 2 + reachCm ** 2 - secondCm ** 2) / (2 * firstCm * reachCm));
  const middleAngle = towards + bend * atRoot;
  const middle = { x: root.x + firstCm * Math.cos(middleAngle), y: root.y + firstCm * Math.sin(middleAngle) };
  const end = { x: root.x + reachCm * Math.cos(towards), y: root.y + reachCm * Math.sin(towards) };
  return { middle, end };
}

/** The outline of a tapered limb as an SVG path: two arcs and the two tangents they share. Units: cm, y upward. */
export function limbOutline({
  from,
  to,
  fromRadiusCm: r1,
  toRadiusCm: r2
}: Pick<Limb, 'from' | 'to' | 'fromRadiusCm' | 'toRadiusCm'>): string {
  const lengthCm = distanceCm(from, to);
  const circle = (c: Point, r: number) =>
    `M${n(c.x - r)} ${n(c.y)}A${n(r)} ${n(r)} 0 1 0 ${n(c.x + r)} ${n(c.y)}A${n(r)} ${n(r)} 0 1 0 ${n(c.x - r)} ${n(c.y)}Z`;
  if (lengthCm <= Math.abs(r1 - r2)) return r1 >= r2 ? circle(from, r1) : circle(to, r2);
  const direction = Math.atan2(to.y - from.y, to.x - from.x);
  const tilt = Math.acos((r1 - r2) / lengthCm);
  const at = (c: Point, r: number, angle: number) => `${n(c.x + r * Math.cos(angle))} ${n(c.y + r * Math.sin(angle))}`;
  const up = direction + tilt;
  const down = direction - tilt;
  const bigFrom = r1 >= r2 ? 1 : 0;
  return [
    `M${at(from, r1, up)}`,
    `A${n(r1)} ${n(r1)} 0 ${bigFrom} 1 ${at(from, r1, down)}`,
    `L${at(to, r2, down)}`,
    `A${n(r2)} ${n(r2)} 0 ${1 - bigFrom} 1 ${at(to, r2, up)}`,
    'Z'
  ].join('');
}

const n = (value: number): string => String(Math.round(value * 100) / 100);
