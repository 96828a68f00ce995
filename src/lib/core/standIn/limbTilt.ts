import type { Side } from '../body/side';
import type { Body } from '../figure/frame';
import type { Point } from '../geometry/point';
import type { Landmark } from '../figure/pose';
import { poseFigure } from '../figure/poseFigure';
import { poses } from '../figure/poses';
import { toDeg, toRad } from '../geometry/angles';
import { tiltOf } from '../instrument/inclination';
import type { InstrumentSpec, MeasuringPosition } from '../measure/positions';

export type LimbTilt = Readonly<{
  /** Rise of the limb from level, counted on past upright. */
  limbDeg: number;
  /** Of what the zero is taken on; null where no zero is taken. */
  zeroDeg: number | null;
}>;

/** The one instrument reading of the pose itself: the first position of the body that has one. */
export const specOfPose = ({ instrument }: MeasuringPosition): InstrumentSpec | null => Object.values(instrument)[0] ?? null;

/**
 * How the limb of a position lies that stands at a value, as a device laid along it would lie: worked out from the drawn body, not from
 * the value.
 *
 * Model:  the direction from landmark to landmark in the plane of the picture; ahead is where the limb points in the least value that can be
 *         drawn, or where the other part of the joint points. A position that is not drawn from its value (an angle of one's own) is two
 *         limbs, the one level.
 * Units:  degrees.
 */
export function limbTilt(position: MeasuringPosition, { side, value }: { side: Side; value: number }, body: Body): LimbTilt {
  const spec = specOfPose(position);
  const takesZero = spec?.zero === 'set';
  if (!position.drives) return { limbDeg: value, zeroDeg: takesZero ? 0 : null };
  const { landmarks } = poseFigure(position.pose, { side, value }, body);
  const between = (from: Landmark, to: Landmark, of: Readonly<Partial<Record<Landmark, Point>>> = landmarks) => ({
    x: of[to]!.x - of[from]!.x,
    y: of[to]!.y - of[from]!.y
  });
  const limb = between('vertex', 'along');
  const other = takesZero ? (spec.zeroAwayFromJoint ? between('vertex', 'other') : between('other', 'vertex')) : null;
  const least = poseFigure(position.pose, { side, value: poses[position.pose].range[0] }, body).landmarks;
  const ahead = (other ?? between('vertex', 'along', least)).x < -1e-6 ? -1 : 1;
  const rise = ({ x, y }: Point) => toDeg(Math.atan2(y, ahead * x));
  return { limbDeg: rise(limb), zeroDeg: other && rise(other) };
}

/** What the orientation sensor of a device tells that lies along a limb, turned a little about it. */
export function tiltAlong(riseDeg: number, rollDeg: number): { betaDeg: number; gammaDeg: number } {
  const [rise, roll] = [riseDeg, rollDeg].map(toRad) as [number, number];
  const flat = Math.cos(rise);
  return tiltOf({ x: flat * Math.sin(roll), y: Math.sin(rise), z: flat * Math.cos(roll) });
}
