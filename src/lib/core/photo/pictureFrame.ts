import type { Point } from '../geometry/point';
import type { PhotoSpec } from '../measure/positions';
import { rollOf, type PhotoPoints } from './photoResult';

/** How a picture is laid beside another of the same view. */
export type PictureFrame = Readonly<{
  /** The place both are laid on: on the floor under what is measured, or the vertex where there is no floor. */
  anchor: Point;
  rollDeg: number;
  /** Length that is the same in both, in picture elements: a centimetre for a height, the limb for an angle. */
  unitPx: number;
}>;

/**
 * Where a picture's floor line and size are, so that two of them can be aligned.
 *
 * Throws: CoreError 'line_ends_coincide'.
 */
export function pictureFrame(spec: PhotoSpec, { landmarks, line, block }: PhotoPoints): PictureFrame {
  const measured = (spec.kind === 'height' ? landmarks.point : landmarks.vertex)!;
  const unitPx =
    block && spec.kind === 'height'
      ? Math.hypot(block.top.x - block.bottom.x, block.top.y - block.bottom.y) / block.heightCm
      : Math.hypot(landmarks.along!.x - measured.x, landmarks.along!.y - measured.y);
  if (!line || line.kind !== 'floor') return { anchor: measured, rollDeg: line ? rollOf(line) : 0, unitPx };
  const way = { x: line.to.x - line.from.x, y: line.to.y - line.from.y };
  const rollDeg = rollOf(line);
  const share = ((measured.x - line.from.x) * way.x + (measured.y - line.from.y) * way.y) / (way.x ** 2 + way.y ** 2);
  return { anchor: { x: line.from.x + share * way.x, y: line.from.y + share * way.y }, rollDeg, unitPx };
}
