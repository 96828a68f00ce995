import { toDeg } from '../geometry/angles';
import type { InstrumentZero } from '../measure/positions';

/** The way up, in the axes of the device: x to the right of its screen, y toward its top, z out of the screen. */
export type Up = Readonly<{ x: number; y: number; z: number }>;

/**
 * The way up as a device sees it, from the two tilts its orientation sensor tells.
 *
 * Model:  third row of the rotation Z-X′-Y″ by which the web's orientation event is defined; the compass part drops out.
 * Source: W3C, DeviceOrientation Event (definition of alpha, beta and gamma).
 * Units:  degrees.
 */
export function upOf(betaDeg: number, gammaDeg: number): Up {
  const [beta, gamma] = [betaDeg, gammaDeg].map((d) => (d * Math.PI) / 180) as [number, number];
  return { x: -Math.cos(beta) * Math.sin(gamma), y: Math.sin(beta), z: Math.cos(beta) * Math.cos(gamma) };
}

/**
 * How far the long side of a device rises from level: 0 level, 90 its top straight up, beyond 90 tipped over.
 *
 * Whichever face lies on the limb: tipping over is told from the face that looked up when the reading began.
 * Units:  degrees, −180 to 180.
 */
export function inclinationDeg(up: Up, began: Up): number {
  const facing = up.x * began.x + up.z * began.z >= 0 ? 1 : -1;
  return toDeg(Math.atan2(up.y, facing * Math.hypot(up.x, up.z)));
}

/**
 * The value of a measure from how the long side of a device lies.
 *
 * 'level': the rise itself. 'upright': how far it is from standing straight,
 * whichever end is up and whichever way it tips.
 * 'set': the turn since its zero was taken on the other part of the joint.
 */
export function instrumentValueDeg(zero: InstrumentZero, riseDeg: number, setAtDeg = 0): number {
  if (zero === 'level') return riseDeg;
  if (zero === 'upright') return Math.abs(90 - Math.abs(riseDeg));
  const turn = (((riseDeg - setAtDeg) % 360) + 540) % 360;
  return Math.abs(turn - 180);
}
