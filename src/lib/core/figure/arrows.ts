import { otherSide, type Side } from '../body/side';
import type { Point } from '../geometry/point';
import { figureBetween, type FigurePose } from './poseFigure';
import type { Joint } from './posture';
import { sightOf } from './sight';
import { add, times, vec, type Vec } from './vec';

type Limb = 'knee' | 'ankle' | 'toe' | 'wrist';
type Way = 'up' | 'down' | 'ahead' | 'back' | 'out' | 'in';

/** What pushes, and which way, as the body of the figure sees it: of the trained side where none is named. */
export type Push = `${'' | 'other ' | 'both '}${Limb} ${Way}` | `${'chest' | 'pelvis'} ${Way}`;

/** An arrow in a picture; where it goes straight into the picture or out of it, its place alone. */
export type Arrow = Readonly<{ from: Point; to: Point }> | Readonly<{ at: Point; goes: 'away' | 'toward' }>;

const lengthCm = 18;

/**
 * The arrows of an effort on a figure.
 *
 * Model:  an arrow of 18 cm through the joint, its head before it, turned as the figure is seen; never below the floor. What is
 *         seen shorter than 6 cm goes into the picture or comes out of it.
 * Units:  cm, y upward.
 */
export function pushArrows(figure: FigurePose, push: Push): Arrow[] {
  const words = push.split(' ');
  const way = words.at(-1) as Way;
  const limb = words.at(-2)!;
  const { posture, side } = figure.space;
  if (limb === 'chest' || limb === 'pelvis') return [arrowAt(figure, posture[limb], way, side)];
  const sides = words[0] === 'both' ? ([side, otherSide(side)] as const) : [words[0] === 'other' ? otherSide(side) : side];
  return sides.map((s) => arrowAt(figure, posture[`${s} ${limb}` as Joint], way, s));
}

function arrowAt({ view, space }: FigurePose, joint: Vec, way: Way, side: Side): Arrow {
  const { at, depth } = sightOf(view, space.side);
  const direction = directionOf(way, side);
  const [tail, tip] = [add(joint, times(direction, -lengthCm / 2)), add(joint, times(direction, lengthCm / 2))];
  const [from, to] = [at(tail), at(tip)];
  if (Math.hypot(to.x - from.x, to.y - from.y) < lengthCm / 3)
    return { at: at(joint), goes: depth(tip) > depth(tail) ? 'toward' : 'away' };
  const lift = view === 'top' || view === 'facing down on' ? 0 : Math.max(0, 1 - Math.min(from.y, to.y));
  return { from: { x: from.x, y: from.y + lift }, to: { x: to.x, y: to.y + lift } };
}

function directionOf(way: Way, side: Side): Vec {
  const outward = side === 'right' ? 1 : -1;
  return {
    up: vec(0, 1),
    down: vec(0, -1),
    ahead: vec(1, 0),
    back: vec(-1, 0),
    out: vec(0, 0, outward),
    in: vec(0, 0, -outward)
  }[way];
}

/**
 * The way of what moves most between two figures, from the first to the second; null where hardly anything is seen to move.
 *
 * Units:  cm, y upward; nine points along the arc.
 */
export function movementBetween(start: FigurePose, end: FigurePose): readonly Point[] | null {
  const moved = (joint: Joint) =>
    Math.hypot(end.joints[joint].x - start.joints[joint].x, end.joints[joint].y - start.joints[joint].y);
  const joints = Object.keys(end.joints) as Joint[];
  const most = joints.reduce((best, joint) => (moved(joint) > moved(best) ? joint : best));
  if (moved(most) < 4) return null;
  return Array.from({ length: 9 }, (_, i) => (i === 0 ? start : figureBetween(start, end, i / 8)).joints[most]);
}
