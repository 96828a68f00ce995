import { asinDeg, sinDeg, toDeg, toRad } from '../geometry/angles';
import type { InstrumentSpec } from '../measure/positions';

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
  const [beta, gamma] = [betaDeg, gammaDeg].map(toRad) as [number, number];
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

/** What a device cannot tell from its lie, and the hand that laid it on has to say. */
export type InstrumentDoubt = 'tipped the other way' | 'past a straight line';

/** The value beyond which a reading folds back: a limb in line with straight up, straight down or the other part of the joint. */
export const instrumentFoldDeg = ({ zero, sign = 1, offsetDeg = 0 }: InstrumentSpec): number =>
  zero === 'set' && sign < 0 ? offsetDeg : 180 + offsetDeg;

/** The doubt a reading leaves over the values a measure may have; null for none. */
export function instrumentDoubt(spec: InstrumentSpec, [least, most]: readonly [number, number]): InstrumentDoubt | null {
  if (spec.zero === 'level' || spec.keepsSign) return null;
  if (spec.zero !== 'set' && least < 0) return 'tipped the other way';
  return most > instrumentFoldDeg(spec) ? 'past a straight line' : null;
}

/**
 * The value of a measure from how the long side of a device lies along the limb, its top toward the far end.
 *
 * Model:  `InstrumentSpec`. A rise goes on past upright, up to 270; how far a limb is from straight up or down runs from 0 to 180 whichever way
 *         it tips; a turn is folded to 0–180 unless it keeps its sign.
 * Units:  degrees. `doubt`: what `instrumentDoubt` asks about, where it is the case.
 */
export function instrumentValueDeg(
  spec: InstrumentSpec,
  riseDeg: number,
  setAtDeg = 0,
  doubt: InstrumentDoubt | null = null
): number {
  const { zero, sign = 1, offsetDeg = 0, keepsSign = false } = spec;
  if (zero === 'level') {
    const along = sign * riseDeg;
    return offsetDeg + (along < -90 ? along + 360 : along);
  }
  const turnDeg = ((((riseDeg - setAtDeg) % 360) + 540) % 360) - 180;
  const elevationDeg = asinDeg(Math.max(-1, Math.min(1, sinDeg(riseDeg))));
  const folded =
    zero === 'set'
      ? offsetDeg + sign * (keepsSign ? turnDeg : Math.abs(turnDeg))
      : zero === 'up'
        ? 90 - elevationDeg
        : 90 + elevationDeg;
  if (!doubt) return folded;
  return doubt === 'past a straight line' ? 2 * instrumentFoldDeg(spec) - folded : -folded;
}

/** Where a device says which way it lies: its orientation event. The inverse of `upOf`, for a stand-in. */
export function tiltOf({ x, y, z }: Up): { betaDeg: number; gammaDeg: number } {
  const lean = asinDeg(Math.max(-1, Math.min(1, y)));
  return z >= 0
    ? { betaDeg: lean, gammaDeg: toDeg(Math.atan2(-x, z)) }
    : { betaDeg: lean >= 0 ? 180 - lean : -180 - lean, gammaDeg: toDeg(Math.atan2(x, -z)) };
}
