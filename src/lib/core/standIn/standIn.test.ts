import { describe, expect, test } from 'vitest';
import {
  bodyLengths,
  drawnPicture,
  measureOf,
  measureResult,
  photoResult,
  poseFigure,
  positionOf,
  seedOf,
  simulateAngles,
  standInValue,
  steadiness,
  withSample,
  wayOf,
  type AngleSample,
  type FigurePose,
  type PhotoPoints
} from '../index';
import { normalDraw, seededRandom } from '../geometry/random';

const body = { statureCm: 168, leftLegCm: 88, rightLegCm: 88 };
const lengths = bodyLengths({ statureCm: 168, legCm: 88 });
const raise = measureOf('HF-KS');
const z = 1.96;

/** A tape laid by hand: rise and run between hip and ankle, read to half a centimetre. */
function byTape(figure: FigurePose, seed: number) {
  const random = seededRandom(seed);
  const read = (cm: number) => Math.round((cm + wayOf('rise and run').error!.trialSd * normalDraw(random)) * 2) / 2;
  const { vertex, along } = figure.landmarks as { vertex: { x: number; y: number }; along: { x: number; y: number } };
  return { riseCm: read(along.y - vertex.y), runCm: read(vertex.x - along.x) };
}

function byInstrument(trueDeg: number, seed: number): number {
  let kept: readonly AngleSample[] = [];
  for (const sample of simulateAngles({ restDeg: trueDeg, startDeg: trueDeg - 35, seed })) {
    kept = withSample(kept, sample);
    const s = steadiness(kept, sample.tMs);
    if (s.state === 'steady') return Math.round(s.restDeg!);
    if (sample.tMs > 15_000) break;
  }
  throw new Error('never steady');
}

/** Landmarks set by hand on the drawn picture: the sticker off the joint, the hand off the sticker. */
function byPhoto(figure: FigurePose, seed: number): number {
  const { points, widthPx } = drawnPicture(figure, seed);
  const random = seededRandom(seed + 1);
  const pxPerCm = Math.hypot(points.block!.top.x - points.block!.bottom.x, points.block!.top.y - points.block!.bottom.y) / 10;
  const hand = (p: { x: number; y: number }, sdPx: number) => ({
    x: p.x + sdPx * normalDraw(random),
    y: p.y + sdPx * normalDraw(random)
  });
  const handPx = (2 * widthPx) / 1000;
  const placed: PhotoPoints = {
    landmarks: Object.fromEntries(
      Object.entries(points.landmarks).map(([name, p]) => [name, hand(p, Math.hypot(0.8 * pxPerCm, handPx))])
    ),
    line: { kind: 'floor', from: hand(points.line!.from, handPx), to: hand(points.line!.to, handPx) },
    block: null
  };
  return photoResult(positionOf('HF-KS').photo!, placed).value.value;
}

const seeds = Array.from({ length: 100 }, (_, i) => i);
const trials = seeds.map((seed) => {
  const trueDeg = standInValue(raise, 85, seed);
  const figure = poseFigure('leg raise', { side: 'left', value: trueDeg }, body);
  const statedBy = (way: 'rise and run' | 'inclinometer' | 'photo', entries: Record<string, number>) => {
    const { value, margin } = measureResult({ measure: raise, way, trials: [entries], lengths, before: null });
    return { error: value - trueDeg, margin: margin! };
  };
  return {
    tape: statedBy('rise and run', byTape(figure, seed)),
    instrument: statedBy('inclinometer', { deg: byInstrument(trueDeg, seed) }),
    photo: statedBy('photo', { photoDeg: byPhoto(figure, seed) })
  };
});

describe('a hidden angle, measured three ways without looking at it', () => {
  test('all three recover it within their stated errors in at least 90 of 100 seeds', () => {
    const good = trials.filter((t) => Object.values(t).every(({ error, margin }) => Math.abs(error) <= margin));
    expect(good.length).toBeGreaterThanOrEqual(90);
  });

  test('each alone stays within the part of its error that lies in a single trial, in at least 90', () => {
    const within = (way: 'tape' | 'instrument' | 'photo', sd: number) =>
      trials.filter((t) => Math.abs(t[way].error) <= z * sd).length;
    expect(within('tape', 1)).toBeGreaterThanOrEqual(90); // 0.8 cm on a leg of 88 cm is half a degree, and rounding
    expect(within('instrument', 1.5)).toBeGreaterThanOrEqual(90);
    expect(within('photo', 1.5)).toBeGreaterThanOrEqual(90);
  });

  test('the truth moves with the seed and stays where a body goes', () => {
    const truths = seeds.map((seed) => standInValue(raise, 85, seed));
    expect(new Set(truths.map((v) => v.toFixed(3))).size).toBe(100);
    for (const v of truths) expect(v >= raise.possible[0] && v <= raise.possible[1]).toBe(true);
  });
});

describe('drawnPicture', () => {
  test('carries a sticker for each landmark, a block and a rod; no rod from above', () => {
    const side = drawnPicture(poseFigure('leg raise', { side: 'left', value: 70 }, body), 5);
    expect(side.svg.match(/r="1.3"/g)).toHaveLength(3);
    expect(side.svg).toContain('#ffe600');
    const above = drawnPicture(poseFigure('turnout', { side: 'left', value: 90 }, body), 5);
    expect(above.svg).not.toContain('#ffe600');
  });
  test('knows where its own landmarks are: read without a hand, they give back the truth', () => {
    const { points } = drawnPicture(poseFigure('leg raise', { side: 'right', value: 71 }, body), 9);
    expect(photoResult(positionOf('HF-KS').photo!, points).value.value).toBeCloseTo(71, 6);
  });
  test('is the same for the same seed and another for another', () => {
    const figure = poseFigure('leg raise', { side: 'left', value: 70 }, body);
    expect(drawnPicture(figure, 5)).toEqual(drawnPicture(figure, 5));
    expect(drawnPicture(figure, 5).svg).not.toBe(drawnPicture(figure, 6).svg);
  });
});

test('seedOf tells texts apart and agrees with the published values of FNV-1a, 32 bit (from memory: empty text and "a")', () => {
  expect(seedOf('')).toBe(0x811c9dc5);
  expect(seedOf('a')).toBe(0xe40c292c);
  expect(seedOf('3/HF-KS/left')).not.toBe(seedOf('3/HF-KS/right'));
});
