import { describe, expect, test } from 'vitest';
import {
  exerciseOf,
  exercises,
  motionIds,
  poseFigure,
  poses,
  sides,
  trainedMotions,
  type Exercise,
  type MotionId,
  type Move,
  type MoveRole
} from '../index';
import { jointAngleDeg } from '../testing/jointAngles';

const body = { statureCm: 170, leftLegCm: 90, rightLegCm: 90 };

/** Where the drawn movement of an exercise begins and ends; null where its figure stands still. */
function drawnEnds({ pose, path, dials }: Exercise): readonly [from: number, to: number] | null {
  if (path?.length === 2) return [path[0]!, path[1]!];
  const stack = dials.find((d) => d.stack);
  if (!stack) return null;
  // The heights of a stack, from the easiest that is drawn to the floor.
  const low = Math.max(poses[pose!].range[0], 0);
  const high = Math.min(poses[pose!].range[1], 40);
  return stack.harder === 'up' ? [low, high] : [high, low];
}

/** How far the drawn joint goes along a motion from the one end to the other, on the limb that makes it; on either where both do. */
function drawnGainDeg(exercise: Exercise, { motion, on }: Move): number {
  const ends = drawnEnds(exercise);
  if (!ends) return 0;
  const [from, to] = ends.map((value) => poseFigure(exercise.pose!, { side: 'right', value }, body));
  const limbs = exercise.sides === 'each' ? ([on === 'same' ? 'right' : 'left'] as const) : sides;
  return Math.max(...limbs.map((side) => jointAngleDeg(to!, motion, side) - jointAngleDeg(from!, motion, side)));
}

/** Exercises that do something with a motion, and whose figure shows the joint going that way by more than a drawing's error. */
const shown = (motion: MotionId, role: MoveRole): string[] =>
  exercises.filter((e) => e.moves.some((m) => m.motion === motion && m.role === role && drawnGainDeg(e, m) > 5)).map((e) => e.id);

// Source: the words for the motions of a joint (common practice); the figure is measured as a goniometer would be laid.
describe.each(motionIds)('%s', (motion) => {
  test('two exercises open it, and their figures go that way', () =>
    expect(shown(motion, 'opens').length).toBeGreaterThanOrEqual(2));
  test('one works it, and its figure goes that way', () => expect(shown(motion, 'works').length).toBeGreaterThanOrEqual(1));
});

test('what is pressed against or only passed through is credited to nobody', () => {
  const credited = (id: string) => new Set(trainedMotions(exerciseOf(id), 'left').map((m) => m.motion));
  // Source: common practice. The back of the hand on the floor bends the wrist forward; a calf stretch points no foot.
  expect(credited('wrist_two_phase')).toEqual(new Set(['WF']));
  expect(credited('ankle_contract_relax')).toEqual(new Set(['ADF']));
  expect(credited('front_hip_rotation_isometric')).toEqual(new Set(['HER90']));
  expect(credited('stick_two_phase')).toEqual(new Set(['HER90']));
  expect(credited('butterfly_contract_relax')).toEqual(new Set(['HAB90']));
});

test('each says what either of its two sides does: what moves, what bears weight, or how the other limb rests', () => {
  const silent = exercises.filter(
    (e) => e.sides === 'each' && !e.rests && ![...e.moves, ...e.loads, ...e.lines].some((m) => m.on === 'other')
  );
  expect(silent.map((e) => e.id)).toEqual([]);
});
