import { CoreError } from '../errors';
import type { Landmark } from '../figure/pose';
import type { Point } from '../geometry/point';
import { angleAtDeg } from '../geometry/angleAt';
import { toDeg, toRad } from '../geometry/angles';
import { propagate, type Propagated } from '../geometry/propagate';
import { scaleCmPerPx } from '../geometry/scaleCmPerPx';
import type { PhotoSpec } from '../measure/positions';

/** Points set on a picture, in its own picture elements, y downward. */
export type PhotoPoints = Readonly<{
  landmarks: Readonly<Partial<Record<Landmark, Point>>>;
  /** Along the floor, left to right, or along something that hangs or stands straight, bottom to top. */
  line: Readonly<{ kind: 'floor' | 'plumb'; from: Point; to: Point }> | null;
  /** Bottom and top of a thing of known height. */
  block: Readonly<{ bottom: Point; top: Point; heightCm: number }> | null;
}>;

export type PhotoResult = Readonly<{
  /** Value of the measure in its own unit, with what the placing of the points makes of it. */
  value: Propagated;
  cmPerPx: number | null;
  /** How far the camera was turned: positive where level lines run down to the right. */
  rollDeg: number | null;
}>;

/** A point is set this well on a body, cm, where the picture has a scale; else as a share of the limb (assumptions). */
const bodySd = { cm: 0.8, shareOfLimb: 0.01 } as const;
/** And this well on the picture by hand, in picture elements as they are shown. */
const handSdPx = 1.5;

/** Whether a way of reading needs a line that is known to be level or straight up. */
export const needsLine = (spec: PhotoSpec): boolean => spec.kind === 'height' || spec.from !== 'other';
/** Whether a thing of known height is needed. */
export const needsBlock = (spec: PhotoSpec): boolean => spec.kind === 'height';

/**
 * The value of two limbs in one line, where a measure may go past it: a picture shows the same on either side, so that the eye has to say which.
 * Null where it never folds.
 */
export function photoFoldDeg(spec: PhotoSpec, [, most]: readonly [number, number]): number | null {
  if (spec.kind !== 'angle') return null;
  const fold = spec.sign > 0 ? spec.offsetDeg + 180 : spec.offsetDeg;
  return most > fold ? fold : null;
}

/**
 * What a picture says of a measure.
 *
 * Model:  plane geometry in the plane of the body, seen square on. An angle is counted at its vertex from another landmark, or
 *         from the level or upright that the line gives; a height is the distance from the floor line, scaled by a thing of known
 *         height. Every set coordinate carries an error, which goes through the formula; a point used twice goes through once.
 * Units:  picture elements in; degrees or cm out.
 * Throws: CoreError 'landmark_missing', 'line_missing', 'line_ends_coincide', 'block_missing', and those of `angleAtDeg` and
 *         `scaleCmPerPx`.
 */
export function photoResult(spec: PhotoSpec, points: PhotoPoints, pxPerShownPx = 1): PhotoResult {
  const names = Object.keys(spec.names) as Landmark[];
  for (const name of names) if (!points.landmarks[name]) throw new CoreError('landmark_missing', { landmark: spec.names[name]! });
  if (needsLine(spec) && !points.line) throw new CoreError('line_missing');
  if (needsBlock(spec) && !points.block) throw new CoreError('block_missing');
  const heightCm = points.block?.heightCm;
  const cmPerPx = points.block ? scaleCmPerPx(points.block.bottom, points.block.top, points.block.heightCm) : null;

  // One flat list of coordinates, so that each is moved on its own.
  const handSd = handSdPx * pxPerShownPx;
  const limbPx = spec.kind === 'angle' ? distance(points.landmarks.vertex!, points.landmarks.along!) : 0;
  const bodySdPx = cmPerPx === null ? bodySd.shareOfLimb * limbPx : bodySd.cm / cmPerPx;
  const places: { point: Point; sd: number }[] = [
    ...names.map((name) => ({ point: points.landmarks[name]!, sd: Math.hypot(handSd, bodySdPx) })),
    ...(points.line ? [points.line.from, points.line.to].map((point) => ({ point, sd: handSd })) : []),
    ...(points.block && spec.kind === 'height'
      ? [points.block.bottom, points.block.top].map((point) => ({ point, sd: handSd }))
      : [])
  ];
  const valueAt = (flat: readonly number[]): number => {
    const take = (i: number): Point => ({ x: flat[2 * i]!, y: flat[2 * i + 1]! });
    const landmarks = Object.fromEntries(names.map((name, i) => [name, take(i)]));
    const line = points.line && { ...points.line, from: take(names.length), to: take(names.length + 1) };
    const afterLine = names.length + (line ? 2 : 0);
    if (spec.kind === 'angle') return angleValue(spec, landmarks, line);
    const scale = scaleCmPerPx(take(afterLine), take(afterLine + 1), heightCm!);
    return heightOver(landmarks.point!, line!) * scale;
  };
  return {
    value: propagate(
      valueAt,
      places.flatMap(({ point, sd }) => [
        { value: point.x, sd },
        { value: point.y, sd }
      ])
    ),
    cmPerPx,
    rollDeg: points.line && rollOf(points.line)
  };
}

const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

type Line = NonNullable<PhotoPoints['line']>;

/** How far level lines are turned from the picture's own, clockwise as seen. */
export function rollOf({ kind, from, to }: Line): number {
  if (distance(from, to) < 1) throw new CoreError('line_ends_coincide');
  const deg = toDeg(Math.atan2(to.y - from.y, to.x - from.x));
  const level = kind === 'floor' ? deg : deg + 90;
  // A line has no direction of its own: set from the other end it means the same.
  return level > 90 ? level - 180 : level <= -90 ? level + 180 : level;
}

/** Height of a point over the floor line, square to it, in picture elements. */
function heightOver(point: Point, line: Line): number {
  const roll = toRad(rollOf(line));
  // The line that was set straight up stands on the floor with its lower end.
  const foot = line.kind === 'floor' ? line.from : line.from.y > line.to.y ? line.from : line.to;
  return (point.x - foot.x) * Math.sin(roll) - (point.y - foot.y) * Math.cos(roll);
}

function angleValue(
  spec: Extract<PhotoSpec, { kind: 'angle' }>,
  { vertex, along, other }: Partial<Record<Landmark, Point>>,
  line: Line | null
): number {
  if (spec.from === 'other') return spec.offsetDeg + spec.sign * angleAtDeg(vertex!, along!, other!);
  const roll = toRad(rollOf(line!));
  const level = { x: Math.cos(roll), y: Math.sin(roll) };
  const up = { x: Math.sin(roll), y: -Math.cos(roll) };
  const toward = (p: Point) => (p.x - vertex!.x) * level.x + (p.y - vertex!.y) * level.y;
  const way =
    spec.from === 'up'
      ? up
      : spec.from === 'down'
        ? { x: -up.x, y: -up.y }
        : toward(other!) >= 0
          ? level
          : { x: -level.x, y: -level.y };
  const value = spec.offsetDeg + spec.sign * angleAtDeg(vertex!, along!, { x: vertex!.x + way.x, y: vertex!.y + way.y });
  if (!spec.signed) return value;
  const isBelow = (along!.x - vertex!.x) * up.x + (along!.y - vertex!.y) * up.y < 0;
  const isAway = toward(along!) * (other ? toward(other) : 0) < 0;
  return (spec.from === 'up' ? isAway : isBelow) ? -value : value;
}
