import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  exerciseOf,
  exercises,
  movementBetween,
  poseFigure,
  pushArrows,
  sceneOf,
  supportsFor,
  type Body,
  type Setting
} from '../index';

const body: Body = { statureCm: 170, leftLegCm: 89, rightLegCm: 90 };
const drawn = (id: string, setting: Setting, side: 'left' | 'right' = 'right') => {
  const scene = sceneOf(exerciseOf(id), setting)!;
  return poseFigure(scene.pose, { side, ...scene }, body);
};
const heights = fc.integer({ min: 0, max: 30 });

describe('the figure of an exercise', () => {
  test.each(['pancake_on_seat', 'half_lotus', 'easy_seat', 'butterfly_seat', 'seated_pike'])(
    '%s sits on its seat: the stack ends where the body begins, and nothing sinks into the floor',
    (id) =>
      fc.assert(
        fc.property(heights, (seatCm) => {
          const pose = drawn(id, { seatCm });
          expect(pose.supports.seat!.y).toBeCloseTo(seatCm, 6);
          expect(pose.box.minY).toBeGreaterThan(-2.5);
        })
      )
  );

  test.each(['standing_fold', 'half_split_hold', 'long_lunge_contract_relax', 'pancake_on_seat', 'side_split_on_stack'])(
    '%s has its hands on their stacks',
    (id) =>
      fc.assert(
        fc.property(fc.integer({ min: 2, max: 25 }), (handsCm) => {
          const { hands } = drawn(id, { handsCm, depthCm: 20, seatCm: 5 }).supports;
          expect(Math.abs(hands!.y - handsCm)).toBeLessThan(2.5);
        })
      )
  );

  test('who sits high in a split reaches a high stack, and the figure shows that a low one is not reached', () => {
    expect(drawn('front_split_on_stack', { depthCm: 20, handsCm: 22 }).supports.hands!.y).toBeGreaterThan(20);
    expect(drawn('front_split_on_stack', { depthCm: 30, handsCm: 2 }).supports.hands!.y).toBeGreaterThan(10);
  });

  test.each(['left', 'right'] as const)('a split stands on its stack, past flat under the heel, %s', (side) => {
    expect(drawn('front_split_on_stack', { depthCm: 15 }, side).supports.pelvis!.y).toBeCloseTo(15, 6);
    expect(drawn('front_split_on_stack', { depthCm: -10 }, side).supports.leadHeel!.y).toBeCloseTo(10, 6);
    // Where higher is harder the dial shows the height, and the figure is past flat all the same.
    expect(drawn('raised_split', { footCm: 10 }, side).supports.leadHeel!.y).toBeCloseTo(10, 6);
  });

  test('knees rest on theirs, heels and the front foot stand on theirs', () => {
    expect(drawn('lotus', { kneesCm: 12 }).supports.knee!.y).toBeCloseTo(12, 0);
    expect(drawn('heels_raised_squat', { heelsCm: 8 }).supports.leadHeel!.y).toBeCloseTo(8, 0);
    expect(drawn('stair_knee_drive', { footCm: 34 }).supports.frontFoot!.y).toBe(34);
  });

  test('every stack of every exercise with a figure has its place in it, or none by design', () => {
    const without = exercises
      .filter((e) => e.pose)
      .flatMap((e) =>
        e.dials.flatMap((d) => {
          if (!d.stack) return [];
          const { supports } = drawn(e.id, { [d.id]: 10 });
          return supportsFor(d.stack.under).some((s) => supports[s]) ? [] : [`${e.id}/${d.id}`];
        })
      );
    // A box under the feet, a block to lift over, a hand where the figure rests it on the knee, a chair: they stand beside the figure.
    expect(without.toSorted()).toEqual([
      'figure_four_chair/seatCm',
      'front_leg_double_tap/overCm',
      'rear_knee_press/handsCm',
      'weighted_roll_down/reachCm'
    ]);
  });

  test('every exercise that ships has a figure, and one of the studio’s own may have none', () => {
    for (const e of exercises) expect(sceneOf(e, e.start), e.id).not.toBeNull();
    const { pose: _, ...own } = exerciseOf('pigeon_forward');
    expect(sceneOf(own, {})).toBeNull();
  });

  test('what moves begins and ends at other places, by either side', () => {
    for (const e of exercises.filter(({ path }) => path?.length === 2)) {
      const { pose, from, value } = sceneOf(e, {})!;
      for (const side of ['left', 'right'] as const) {
        const [start, end] = [from, value].map((at) => poseFigure(pose, { side, value: at! }, body));
        const way = movementBetween(start!, end!)!;
        expect(way, e.id).toHaveLength(9);
        expect(Object.values(end!.joints), e.id).toContainEqual(way.at(-1));
      }
    }
  });

  test('a press and a draw each have their arrow where they have words', () => {
    for (const e of exercises) {
      expect(Boolean(e.pressWays?.length), e.id).toBe(Boolean(e.press));
      expect(Boolean(e.drawWays?.length), e.id).toBe(Boolean(e.draw));
    }
  });

  test('an arrow points where its words say: down into the floor, and never under it', () => {
    const { pose, ...scene } = sceneOf(exerciseOf('front_hamstring_cycle'), {})!;
    for (const side of ['left', 'right'] as const) {
      const figure = poseFigure(pose, { side, ...scene }, body);
      const [down] = pushArrows(figure, 'ankle down');
      if (!down || 'at' in down) throw new Error('an arrow was expected');
      expect(down.to.y).toBeLessThan(down.from.y);
      expect(down.to.y).toBeGreaterThanOrEqual(0);
      // Seen from its own side the left body faces left.
      const [ahead] = pushArrows(figure, 'knee ahead');
      if (!ahead || 'at' in ahead) throw new Error('an arrow was expected');
      expect(Math.sign(ahead.to.x - ahead.from.x)).toBe(side === 'right' ? 1 : -1);
      expect(pushArrows(figure, 'knee out')).toEqual([{ at: figure.joints[`${side} knee`], goes: 'toward' }]);
      expect(pushArrows(figure, 'both knee down')).toHaveLength(2);
    }
  });
});
