import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  CoreError,
  figureBetween,
  goals,
  measures,
  poseFigure,
  poseIds,
  poses,
  positionOf,
  type Body,
  type PoseId
} from '../index';
import { frameOf } from './frame';
import { limbOutline } from './limbs';
import { boneLength, bones } from './posture';

const body: Body = { statureCm: 170, leftLegCm: 90, rightLegCm: 88 };
const sides = ['left', 'right'] as const;

/** Numbers over the whole range of a pose, its ends among them. */
const valuesOf = (pose: PoseId): number[] => {
  const [low, high] = poses[pose].range;
  const ends = pose === 'front split' || pose === 'side split' ? [low, 80] : [low, high];
  return Array.from({ length: 9 }, (_, i) => ends[0]! + ((ends[1]! - ends[0]!) * i) / 8);
};

describe.each(poseIds)('%s', (pose) => {
  test('keeps the length of every bone, on either side, at every number', () => {
    for (const side of sides) {
      const frame = frameOf(body, side);
      const leg = (s: 'left' | 'right') => (s === side ? frame.leg.trained : frame.leg.other);
      for (const value of valuesOf(pose)) {
        const { posture } = poseFigure(pose, { side, value }, body).space;
        for (const bone of bones) {
          const length = boneLength(posture, bone);
          if (bone.name === 'thigh') expect(length).toBeCloseTo(leg(bone.side!).thigh, 6);
          if (bone.name === 'shank') expect(length).toBeCloseTo(leg(bone.side!).shank, 6);
          if (bone.name === 'upper arm') expect(length).toBeCloseTo(frame.arm.upper, 6);
          if (bone.name === 'forearm') expect(length).toBeCloseTo(frame.arm.fore, 6);
          if (bone.name === 'waist') expect(length).toBeCloseTo(frame.trunk.lower, 6);
          if (bone.name === 'chest') expect(length).toBeCloseTo(frame.trunk.upper, 6);
          if (bone.name === 'instep')
            expect(length).toBeCloseTo(Math.hypot(frame.foot.ahead, frame.foot.height - frame.r.toe), 6);
        }
      }
    }
  });

  test('neither sinks into the floor nor floats over it', () => {
    for (const value of valuesOf(pose)) {
      const { space } = poseFigure(pose, { side: 'left', value }, body);
      const lowest = Math.min(
        ...bones.flatMap((b) => [
          space.posture[b.from].y - space.frame.r[b.radii[0]],
          space.posture[b.to].y - space.frame.r[b.radii[1]]
        ])
      );
      expect(lowest, `at ${value}`).toBeGreaterThanOrEqual(-1.6); // soft tissue gives a little
      if (poseFigure(pose, { side: 'left', value }, body).furniture.length === 0) expect(lowest, `at ${value}`).toBeLessThan(1.2);
    }
  });

  test('bends its knees backward', () => {
    for (const value of valuesOf(pose)) {
      const { posture } = poseFigure(pose, { side: 'right', value }, body).space;
      for (const side of sides) {
        const [hip, knee, ankle, heel, toe] = (['hip', 'knee', 'ankle', 'heel', 'toe'] as const).map(
          (j) => posture[`${side} ${j}`]
        ) as [Point3, Point3, Point3, Point3, Point3];
        // The thigh folds toward the calf, and the calf is on the side of the heel, away from the toes.
        const shank = minus(ankle, knee);
        const [fold, calf] = [squareTo(minus(hip, knee), shank), squareTo(minus(minus(heel, ankle), minus(toe, heel)), shank)];
        const bentDeg = (Math.asin(Math.min(1, size(fold) / size(minus(hip, knee)))) * 180) / Math.PI;
        if (bentDeg < 16) continue;
        expect(dot(fold, calf) / (size(fold) * size(calf)), `${side} knee at ${value}`).toBeGreaterThan(-0.75);
      }
    }
  });

  test('left is right mirrored, for equal legs', () => {
    const equal = { ...body, rightLegCm: 90 };
    const left = poseFigure(pose, { side: 'left' }, equal).space.posture;
    const right = poseFigure(pose, { side: 'right' }, equal).space.posture;
    for (const joint of ['hip', 'knee', 'ankle', 'toe', 'elbow', 'wrist'] as const) {
      const [l, r] = [left[`left ${joint}`], right[`right ${joint}`]];
      expect([l.x, l.y, l.z]).toEqual([r.x, r.y, -r.z]);
    }
  });

  test('is seen with every limb inside its box', () => {
    const { box, limbs } = poseFigure(pose, { side: 'right' }, body);
    for (const { from, to } of limbs)
      for (const p of [from, to]) {
        expect(p.x).toBeGreaterThan(box.minX);
        expect(p.x).toBeLessThan(box.maxX);
        expect(p.y).toBeLessThan(box.maxY);
      }
    expect(Object.values(box).every(Number.isFinite)).toBe(true);
  });
});

type Point3 = Readonly<{ x: number; y: number; z: number }>;
const minus = (a: Point3, b: Point3): Point3 => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const squareTo = (a: Point3, b: Point3): Point3 => {
  const share = dot(a, b) / dot(b, b);
  return { x: a.x - b.x * share, y: a.y - b.y * share, z: a.z - b.z * share };
};
const dot = (a: Point3, b: Point3): number => a.x * b.x + a.y * b.y + a.z * b.z;
const size = (a: Point3): number => Math.hypot(a.x, a.y, a.z);

describe('the front split', () => {
  test('is drawn at its gap, over the whole range', () =>
    fc.assert(
      fc.property(fc.double({ min: -40, max: 80, noNaN: true }), (depthCm) => {
        const { joints, space, zeroY } = poseFigure('front split', { side: 'left', value: depthCm }, body);
        expect(joints.pelvis.y - space.frame.r.pelvis - zeroY).toBeCloseTo(Math.max(0, depthCm), 9);
      })
    ));

  test('past flat has its lead heel on the raise', () => {
    const { joints, space } = poseFigure('front split', { side: 'right', value: -12 }, body);
    const lowest = Math.min(
      joints['right heel'].y - space.frame.r.heel,
      joints['right ankle'].y - space.frame.r.ankle,
      joints['right toe'].y - space.frame.r.toe
    );
    expect(lowest).toBeCloseTo(12, 6);
  });

  test('refuses a gap as long as a leg', () =>
    expect(() => poseFigure('front split', { side: 'left', value: 95 }, body)).toThrow(CoreError));
});

test('every goal and every measure has a position', () => {
  for (const { id, headline } of goals) expect(poses[positionOf(headline).pose], id).toBeDefined();
  for (const { id } of measures) expect(poseIds, id).toContain(positionOf(id).pose);
});

describe('figureBetween', () => {
  const [low, high] = [
    poseFigure('leg raise', { side: 'left', value: 20 }, body),
    poseFigure('leg raise', { side: 'left', value: 110 }, body)
  ];

  test('keeps every bone at every share, and turns along the arc', () => {
    for (const share of [0.1, 0.5, 0.9]) {
      const between = figureBetween(low, high, share);
      for (const bone of bones)
        expect(boneLength(between.space.posture, bone)).toBeCloseTo(boneLength(high.space.posture, bone), 6);
    }
    const { vertex, along } = {
      vertex: figureBetween(low, high, 0.5).joints['left hip'],
      along: figureBetween(low, high, 0.5).joints['left ankle']
    };
    expect((Math.atan2(along.y - vertex.y, vertex.x - along.x) * 180) / Math.PI).toBeCloseTo(65, 0);
  });

  test('stays on the floor between two different positions', () => {
    const [from, to] = [
      poseFigure('half kneeling', { side: 'left' }, body),
      poseFigure('front split', { side: 'left', value: 15 }, body)
    ];
    for (const share of [0.25, 0.5, 0.75]) {
      const { box } = figureBetween(from, to, share);
      expect(box.minY).toBeGreaterThan(-1.6);
      expect(box.minY).toBeLessThan(1.2);
    }
  });

  test('is the second where they are seen from different places', () => {
    const front = poseFigure('lotus', { side: 'left' }, body);
    expect(figureBetween(low, front, 0.3)).toBe(front);
    expect(figureBetween(low, high, 1)).toBe(high);
  });
});

describe('limbOutline', () => {
  test('is a closed path, also when one end swallows the other', () => {
    const limb = { from: { x: 0, y: 0 }, to: { x: 10, y: 0 }, fromRadiusCm: 4, toRadiusCm: 2 };
    expect(limbOutline(limb)).toMatch(/^M.*A.*L.*A.*Z$/);
    expect(limbOutline({ ...limb, to: { x: 1, y: 0 } })).toMatch(/^M.*Z$/);
  });
});
