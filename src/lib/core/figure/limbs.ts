import type { Side } from '../body/side';
import type { Point } from '../geometry/point';

/** Parts of the body that are drawn as one. */
export type Chain = 'trunk' | 'leg' | 'arm';

/** A tapered limb between two joint centres, radii at either end. `side` is set where the limb belongs to one. */
export type Limb = Readonly<{
  name: string;
  chain: Chain;
  side: Side | null;
  /** On the side the figure is set for. */
  near: boolean;
  from: Point;
  to: Point;
  fromRadiusCm: number;
  toRadiusCm: number;
}>;

/** The outline of a tapered limb as an SVG path: two arcs and the two tangents they share. Units: cm, y upward. */
export function limbOutline({
  from,
  to,
  fromRadiusCm: r1,
  toRadiusCm: r2
}: Pick<Limb, 'from' | 'to' | 'fromRadiusCm' | 'toRadiusCm'>): string {
  const lengthCm = Math.hypot(from.x - to.x, from.y - to.y);
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
