import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  angleAtDeg,
  CoreError,
  measureOf,
  measures,
  needsBlock,
  needsLine,
  photoResult,
  pictureFrame,
  poseFigure,
  poses,
  positionOf,
  rollOf,
  scaleCmPerPx,
  type Body,
  type FigurePose,
  type Landmark,
  type PoseId,
  type PhotoPoints,
  type PhotoSpec
} from '../index';

type Point = Readonly<{ x: number; y: number }>;
const body: Body = { statureCm: 168, leftLegCm: 88, rightLegCm: 88 };
const coordinate = fc.double({ min: -500, max: 500, noNaN: true });

/** A camera: centimetres of the figure into picture elements, turned by a roll, y downward. */
const camera =
  (pxPerCm: number, rollDeg: number) =>
  ({ x, y }: Point): Point => {
    const roll = (rollDeg * Math.PI) / 180;
    const [px, py] = [x * pxPerCm, -y * pxPerCm];
    return { x: 700 + px * Math.cos(roll) - py * Math.sin(roll), y: 900 + px * Math.sin(roll) + py * Math.cos(roll) };
  };

function taken(figure: FigurePose, pxPerCm: number, rollDeg: number): PhotoPoints {
  const shot = camera(pxPerCm, rollDeg);
  return {
    landmarks: Object.fromEntries(Object.entries(figure.landmarks).map(([name, p]) => [name, shot(p)])),
    line: { kind: 'floor', from: shot({ x: -60, y: figure.zeroY }), to: shot({ x: 70, y: figure.zeroY }) },
    block: { bottom: shot({ x: -70, y: 0 }), top: shot({ x: -70, y: 10 }), heightCm: 10 }
  };
}

describe('angleAtDeg', () => {
  test('knows the angles of a 3-4-5 triangle (plane geometry)', () => {
    const [right, short, long] = [
      { x: 0, y: 0 },
      { x: 3, y: 0 },
      { x: 0, y: 4 }
    ];
    expect(angleAtDeg(right, short, long)).toBe(90);
    expect(angleAtDeg(short, right, long)).toBeCloseTo(53.1301, 4);
    expect(angleAtDeg(long, right, short)).toBeCloseTo(36.8699, 4);
  });

  test('the angles of any triangle add up to 180 (plane geometry)', () =>
    fc.assert(
      fc.property(coordinate, coordinate, coordinate, coordinate, (ax, ay, bx, by) => {
        const [a, b, c] = [
          { x: ax, y: ay },
          { x: bx, y: by },
          { x: 0, y: 0 }
        ];
        fc.pre([Math.hypot(ax, ay), Math.hypot(bx, by), Math.hypot(ax - bx, ay - by)].every((d) => d > 0.1));
        expect(angleAtDeg(a, b, c) + angleAtDeg(b, a, c) + angleAtDeg(c, a, b)).toBeCloseTo(180, 6);
      })
    ));

  test('refuses landmarks on one point', () =>
    expect(() => angleAtDeg({ x: 5, y: 5 }, { x: 5, y: 5 }, { x: 9, y: 9 })).toThrow(new CoreError('landmarks_coincide')));
});

describe('scaleCmPerPx', () => {
  test('is the known length over its length in the picture, whichever way it lies', () => {
    expect(scaleCmPerPx({ x: 10, y: 10 }, { x: 13, y: 14 }, 10)).toBe(2);
    expect(scaleCmPerPx({ x: 13, y: 14 }, { x: 10, y: 10 }, 10)).toBe(2);
  });
  test.each([0, -3, Number.NaN, Infinity])('refuses a block of %s cm', (heightCm) =>
    expect(() => scaleCmPerPx({ x: 0, y: 0 }, { x: 0, y: 50 }, heightCm)).toThrow('block_height_zero')
  );
  test('refuses a block without length in the picture', () =>
    expect(() => scaleCmPerPx({ x: 4, y: 4 }, { x: 4, y: 4 }, 10)).toThrow('block_ends_coincide'));
});

describe('rollOf', () => {
  test('is the same for a floor line and a plumb line, from either end', () => {
    for (const deg of [-12, -0.5, 0, 3, 25]) {
      const shot = camera(5, deg);
      const floor = [shot({ x: -40, y: 0 }), shot({ x: 50, y: 0 })] as const;
      const plumb = [shot({ x: 0, y: 0 }), shot({ x: 0, y: 60 })] as const;
      expect(rollOf({ kind: 'floor', from: floor[0], to: floor[1] })).toBeCloseTo(deg, 9);
      expect(rollOf({ kind: 'floor', from: floor[1], to: floor[0] })).toBeCloseTo(deg, 9);
      expect(rollOf({ kind: 'plumb', from: plumb[0], to: plumb[1] })).toBeCloseTo(deg, 9);
      expect(rollOf({ kind: 'plumb', from: plumb[1], to: plumb[0] })).toBeCloseTo(deg, 9);
    }
  });
});

const withPhoto = measures.filter((m) => positionOf(m.id).photo && positionOf(m.id).drives);

/** Where less than the whole range can be read from a picture: past flat it is the heel that is measured; an angle folds back at 180°. */
const readable: Partial<Record<PoseId, readonly [number, number]>> = {
  'front split': [0, 80],
  'side split': [0, 80],
  'standing split': [40, 180],
  turnout: [0, 180],
  'arm overhead': [0, 180]
};

describe('what is drawn is what is read', () => {
  test.each(withPhoto.map((m) => m.id))(
    '%s: landmarks of the figure give back its number, over the whole range, however the camera is turned',
    (id) => {
      const { pose, photo } = positionOf(id);
      const [low, high] = readable[pose] ?? poses[pose].range;
      for (const side of ['left', 'right'] as const)
        for (let i = 1; i < 8; i++) {
          const value = low + ((high - low) * i) / 8;
          const figure = poseFigure(pose, { side, value }, body);
          const { value: read } = photoResult(photo!, taken(figure, 6, -7 + i * 2));
          expect(read.value, `${side} at ${value}`).toBeCloseTo(value, 1);
          expect(read.sd).toBeGreaterThan(0);
        }
    }
  );

  test('a plumb line serves as well as the floor', () => {
    const figure = poseFigure('leg raise', { side: 'left', value: 84 }, body);
    const shot = camera(5, 4);
    const plumb = { kind: 'plumb' as const, from: shot({ x: 80, y: 0 }), to: shot({ x: 80, y: 90 }) };
    const spec = positionOf('HF-KS').photo!;
    expect(photoResult(spec, { ...taken(figure, 5, 4), line: plumb }).value.value).toBeCloseTo(84, 6);
  });
});

describe('pictureFrame', () => {
  const spec = positionOf('front_split_gap').photo!;
  const figure = poseFigure('front split', { side: 'left', value: 20 }, body);
  test('stands on the floor under what is measured, a centimetre as long as the picture has it', () => {
    const frame = pictureFrame(spec, taken(figure, 6, 5));
    const under = camera(6, 5)({ x: figure.landmarks.point!.x, y: 0 });
    expect(frame.anchor.x).toBeCloseTo(under.x, 6);
    expect(frame.anchor.y).toBeCloseTo(under.y, 6);
    expect(frame.rollDeg).toBeCloseTo(5, 9);
    expect(frame.unitPx).toBeCloseTo(6, 9);
  });
  test('an angle without a line is laid on its vertex, by the length of its limb', () => {
    const turnout = poseFigure('turnout', { side: 'left', value: 90 }, body);
    const points = { ...taken(turnout, 3, 0), line: null, block: null };
    const frame = pictureFrame(positionOf('turnout_angle').photo!, points);
    expect(frame.anchor).toEqual(points.landmarks.vertex);
    expect(frame.rollDeg).toBe(0);
    const [v, a] = [points.landmarks.vertex!, points.landmarks.along!];
    expect(frame.unitPx).toBeCloseTo(Math.hypot(v.x - a.x, v.y - a.y), 9);
  });
});

describe('the error of a picture', () => {
  const spec = positionOf('HF-KS').photo!;
  const figure = poseFigure('leg raise', { side: 'left', value: 70 }, body);

  test('is about the typical error of a photo for a whole leg (assumption), and grows as points are placed more coarsely', () => {
    const fine = photoResult(spec, taken(figure, 8, 0)).value.sd;
    const coarse = photoResult(spec, taken(figure, 8, 0), 6).value.sd;
    expect(fine).toBeGreaterThan(0.3);
    expect(fine).toBeLessThan(1.5);
    expect(coarse).toBeGreaterThan(fine);
  });

  test('of a height grows with the height: the scale goes into it', () => {
    const heightSpec = positionOf('front_split_gap').photo!;
    const sdAt = (gap: number) =>
      photoResult(heightSpec, taken(poseFigure('front split', { side: 'left', value: gap }, body), 4, 0), 3).value.sd;
    expect(sdAt(60)).toBeGreaterThan(sdAt(5));
  });
});

describe('what is missing is said', () => {
  const points = taken(poseFigure('leg raise', { side: 'left', value: 70 }, body), 5, 0);
  const angleSpec = positionOf('HF-KS').photo!;
  const heightSpec = positionOf('front_split_gap').photo!;
  const read = (spec: PhotoSpec, change: Partial<PhotoPoints>) => () => photoResult(spec, { ...points, ...change });
  const one = { x: 3, y: 3 };

  test.each<[string, () => unknown]>([
    ['landmark_missing', read(angleSpec, { landmarks: {} })],
    ['line_missing', read(angleSpec, { line: null })],
    ['line_ends_coincide', read(angleSpec, { line: { kind: 'floor', from: one, to: one } })],
    ['block_missing', read(heightSpec, { landmarks: { point: one }, block: null })],
    ['block_height_zero', read(heightSpec, { landmarks: { point: one }, block: { ...points.block!, heightCm: 0 } })],
    ['landmarks_coincide', read(angleSpec, { landmarks: { vertex: one, along: one, other: { x: 9, y: 9 } } })]
  ])('%s', (code, run) => expect(run).toThrow(code));
});

test('a measure offers a photo exactly where its position can be read from one, a guessed line only where a line is used', () => {
  for (const { id } of measures) {
    const { photo } = positionOf(id);
    const ways = measureOf(id).ways;
    expect(ways.includes('photo height')).toBe(photo?.kind === 'height');
    expect(ways.includes('photo')).toBe(photo?.kind === 'angle');
    expect(ways.includes('photo, line guessed')).toBe(photo?.kind === 'angle' && needsLine(photo));
    if (photo) expect(needsBlock(photo)).toBe(photo.kind === 'height');
    for (const name of Object.keys(photo?.names ?? {}) as Landmark[]) {
      if (!positionOf(id).drives) continue;
      expect(poseFigure(positionOf(id).pose, { side: 'left' }, body).landmarks[name], `${id} ${name}`).toBeDefined();
    }
  }
});
