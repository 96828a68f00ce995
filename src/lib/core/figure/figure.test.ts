import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { CoreError, limbOutline, poseFigure, segmentLengths, type Body, type PoseId } from '../index';
import { distanceCm } from './limbs';

const body: Body = { statureCm: 170, leftLegCm: 90, rightLegCm: 88 };
const poses: PoseId[] = ['standing', 'front split', 'half split', 'half kneeling', 'long lunge', 'seated leg lift', 'lying rest'];
const depth = fc.double({ min: -20, max: 60, noNaN: true });

describe('poseFigure', () => {
  test('the drawn gap of a split is the gap, over the whole range', () =>
    fc.assert(
      fc.property(depth, (depthCm) => {
        const trunk = poseFigure('front split', { side: 'left', depthCm }, body).limbs.find((l) => l.name === 'trunk')!;
        expect(trunk.from.y - trunk.fromRadiusCm).toBeCloseTo(Math.max(0, depthCm), 9);
      })
    ));

  test('past flat the lead heel stands on its raise', () => {
    const pose = poseFigure('front split', { side: 'right', depthCm: -12 }, body);
    const foot = pose.limbs.find((l) => l.name === 'shank' && l.near)!;
    expect(foot.to.y - foot.toRadiusCm).toBeCloseTo(12, 9);
  });

  test.each(poses)('limbs keep their lengths in %s', (pose) => {
    for (const side of ['left', 'right'] as const) {
      const { limbs } = poseFigure(pose, { side, depthCm: 10 }, body);
      const lengthOf = (name: string, near: boolean) => {
        const limb = limbs.find((l) => l.name === name && l.near === near)!;
        return distanceCm(limb.from, limb.to);
      };
      const near = side === 'left' ? 90 : 88;
      expect(lengthOf('thigh', true) + lengthOf('shank', true)).toBeCloseTo(near, 6);
      expect(lengthOf('thigh', false) + lengthOf('shank', false)).toBeCloseTo(178 - near, 6);
      expect(lengthOf('trunk', true)).toBeCloseTo(segmentLengths(170).trunkCm.value, 6);
    }
  });

  test.each(poses)('nothing sinks into the floor in %s', (pose) => {
    const { limbs } = poseFigure(pose, { side: 'left', depthCm: 10 }, body);
    for (const l of limbs) {
      expect(l.from.y - l.fromRadiusCm, l.name).toBeGreaterThanOrEqual(-1.2); // soft tissue gives a little
      expect(l.to.y - l.toRadiusCm, l.name).toBeGreaterThanOrEqual(-1.2);
    }
  });

  test('left is right mirrored, for equal legs', () => {
    const equal = { ...body, rightLegCm: 90 };
    const left = poseFigure('half kneeling', { side: 'left' }, equal);
    const right = poseFigure('half kneeling', { side: 'right' }, equal);
    left.limbs.forEach((l, i) => expect(l.from.x).toBeCloseTo(-right.limbs[i]!.from.x, 9));
  });

  test('refuses a gap as long as a leg', () =>
    expect(() => poseFigure('front split', { side: 'left', depthCm: 95 }, body)).toThrow(CoreError));
});

describe('limbOutline', () => {
  test('is a closed path, also when one end swallows the other', () => {
    const limb = { from: { x: 0, y: 0 }, to: { x: 10, y: 0 }, fromRadiusCm: 4, toRadiusCm: 2 };
    expect(limbOutline(limb)).toMatch(/^M.*A.*L.*A.*Z$/);
    expect(limbOutline({ ...limb, to: { x: 1, y: 0 } })).toMatch(/^M.*Z$/);
  });
});
