import { describe, expect, test } from 'vitest';
import { parseTrial } from '$lib/contract/measureForms';
import {
  drawnPicture,
  photoFoldDeg,
  inclinationDeg,
  instrumentDoubt,
  instrumentFoldDeg,
  instrumentValueDeg,
  isPhoto,
  limbTilt,
  meanLengths,
  measures,
  bodyLengths,
  photoResult,
  poseFigure,
  poses,
  positionOf,
  tiltAlong,
  upOf,
  wayOf,
  type BodyLengths,
  type BodyPosition,
  type FigurePose,
  type InstrumentSpec,
  type Measure,
  type Side,
  type WayId
} from '$lib/core';
import { frameOf } from '$lib/core/figure/frame';

// A hidden truth is drawn as a body; from that body is read what a hand with a tape, a stack, a goniometer, a tilted device or a picture
// would read; that is typed into the form. What the form makes of it must be the truth. One leg is 15 cm longer than the other.

const body = { statureCm: 168, leftLegCm: 95, rightLegCm: 80 };

/** Lengths as a tape would find them on the drawn body. */
function lengthsOf(side: Side): BodyLengths {
  const { leg, trunk, r } = frameOf(body, side);
  return bodyLengths({
    statureCm: body.statureCm,
    legCm: leg.trained.whole,
    thighCm: leg.trained.thigh,
    shankCm: leg.trained.shank,
    hipToSternumCm: Math.hypot(trunk.whole, r.chest)
  });
}
const lengths = (side: Side | null) => (side ? lengthsOf(side) : meanLengths(lengthsOf('left'), lengthsOf('right')));

type Typed = Readonly<Record<string, number>>;
type P = Readonly<{ x: number; y: number }>;
const apart = (a: P, b: P) => Math.hypot(a.x - b.x, a.y - b.y);
/** Whether the figure looks to the left of the picture. */
const ahead = (figure: FigurePose) => (figure.space.side === 'left' ? -1 : 1);

/** What a tape reads off a figure, by way; undefined where the way is no tape, or the measure is not drawn from its value. */
const byTape: Partial<Record<WayId, (f: FigurePose, measureId: string) => Typed | null>> = {
  tape: (f, id) => {
    const { point, along, vertex } = f.landmarks;
    if (id === 'fold_reach') return { heightCm: (along!.x - vertex!.x) * ahead(f) };
    return point ? { heightCm: point.y - f.zeroY } : null;
  },
  raise: (f) => ({ raiseCm: f.supports.leadHeel!.y }),
  'rise and run': (f) => {
    const { vertex, along } = f.landmarks;
    return { riseCm: along!.y - vertex!.y, runCm: (along!.x - vertex!.x) * ahead(f) * (f.pose === 'thigh behind' ? -1 : 1) };
  },
  'foot height': (f) => ({ dropCm: f.landmarks.vertex!.y - f.landmarks.along!.y }),
  'heel span': (f) => ({ heelSpanCm: apart(f.joints['left ankle'], f.joints['right ankle']) }),
  'knee span': (f) => ({ kneeSpanCm: apart(f.joints['left knee'], f.joints['right knee']) }),
  'breastbone height': (f) => {
    const { chest, waist, pelvis } = f.joints;
    const spine = { x: (chest.x - waist.x) / apart(chest, waist), y: (chest.y - waist.y) / apart(chest, waist) };
    return { sternumHeightCm: chest.y - ahead(f) * spine.x * f.space.frame.r.chest, hipHeightCm: pelvis.y };
  }
};

/** How a device lies on a limb in the positions of the body that are not drawn: stated by hand for a value. */
const otherLies: Readonly<Record<string, Partial<Record<BodyPosition, (v: number) => { limb: number; zero?: number }>>>> = {
  HE: { 'lying on the back': (v) => ({ limb: -v }) }, // the thigh sinks below the edge of the table
  'HE-KF': { kneeling: (v) => ({ limb: v - 90, zero: -90 }) }, // the thigh upright, the shin from hanging to folded
  leg_raise_held: { standing: (v) => ({ limb: v - 90 }), sitting: (v) => ({ limb: v - 90 }) },
  HER0: { 'lying on the back': (v) => ({ limb: v - 90 }) }, // over the edge of a table the shin hangs
  HIR0: { 'lying on the back': (v) => ({ limb: v - 90 }) },
  KF: { sitting: (v) => ({ limb: -v, zero: 0 }) },
  ADF: { kneeling: (v) => ({ limb: 90 - v }) },
  APF: { 'lying on the back': (v) => ({ limb: 90 - v, zero: 0 }) },
  SF: { standing: (v) => ({ limb: v - 90 }) },
  own_angle: Object.fromEntries(
    (['standing', 'sitting', 'kneeling', 'lying on the back', 'lying on the front'] as const).map((p) => [
      p,
      (v: number) => ({ limb: v - 90, zero: -90 })
    ])
  )
};

/** A device laid along a limb, a little turned about it: through the sensor's own numbers, as the page reads them. */
function byDevice(spec: InstrumentSpec, measure: Measure, value: number, lie: { limb: number; zero?: number }, began: number) {
  const rise = (deg: number, startDeg: number) => {
    const up = (d: number) => {
      const { betaDeg, gammaDeg } = tiltAlong(d, 12);
      return upOf(betaDeg, gammaDeg);
    };
    return inclinationDeg(up(deg), up(startDeg));
  };
  const doubt = instrumentDoubt(spec, measure.possible);
  const isDoubted = doubt === 'tipped the other way' ? value < 0 : value > instrumentFoldDeg(spec);
  const setAt = lie.zero === undefined ? 0 : rise(lie.zero, lie.zero);
  return instrumentValueDeg(spec, rise(lie.limb, lie.zero ?? began), setAt, isDoubted ? doubt : null);
}

/** Values over what can be drawn, short of where a formula ends. */
function truths(measure: Measure, way: WayId): number[] {
  const position = positionOf(measure.id);
  const [low, high] = position.drives ? poses[position.pose].range : measure.usual;
  const raised = way === 'raise';
  const isSplit = measure.ways.includes('raise');
  // Past flat the raise is the way; no stack stands below the floor, no turn is less than none.
  const leastOf = raised
    ? -25
    : isSplit || way === 'stack' || (measure.id === 'own_angle' && way === 'inclinometer')
      ? 0
      : -Infinity;
  // The shorter leg ends a split, arms of this length hang to 63 cm, and a frog lies on its own thickness.
  const mostOf = raised
    ? -1
    : isSplit
      ? 76
      : way === 'knee span'
        ? 70
        : measure.id === 'fingertip_floor'
          ? 60
          : way === 'stack'
            ? 145
            : Infinity;
  const from = Math.max(low, measure.possible[0], leastOf);
  const to = Math.min(high, measure.possible[1], mostOf);
  return Array.from({ length: 7 }, (_, i) => Math.round(from + ((to - from) * (i + 0.5)) / 7));
}

/** Half of what the way is read to, carried through its formula; generous only where a drawn body is not quite the formula's. */
function tolerance(measure: Measure, way: WayId): number {
  if (way === 'stack') return 1.25 + 1e-9;
  if (way === 'heel span' || way === 'knee span') return 2; // a drawn leg slopes to the floor; unlike legs are taken as their mean
  if (way === 'breastbone height') return 1;
  if (way === 'foot height' || way === 'rise and run') return 0.6;
  return measure.unit === '°' ? 0.51 : measure.unit === 'cm' ? 0.26 : 1e-9;
}

const sidesOf = (measure: Measure): (Side | null)[] => (measure.sides === 'each' ? ['left', 'right'] : [null]);

/** Everything a person might type for this truth, by this way. */
function readOff(measure: Measure, way: WayId, side: Side | null, value: number): Typed[] {
  const position = positionOf(measure.id);
  const figure = () => poseFigure(position.pose, { side: side ?? 'left', value }, body);
  const field = wayOf(way).fields[0]!.id;
  if (isPhoto(way)) {
    if (!position.drives) return [{ [field]: value }]; // a picture of an angle of one's own is not drawn
    const { points } = drawnPicture(figure(), 7);
    const read = photoResult(position.photo!, points).value.value;
    const fold = photoFoldDeg(position.photo!, measure.possible);
    return [{ [field]: fold !== null && value > fold ? 2 * fold - read : read }];
  }
  if (way === 'inclinometer') {
    const specs = Object.entries(position.instrument) as [BodyPosition, InstrumentSpec][];
    return specs.map(([lies, spec], i) => {
      const drawn = limbTilt(position, { side: side ?? 'left', value }, body);
      const least = limbTilt(position, { side: side ?? 'left', value: poses[position.pose].range[0] }, body).limbDeg;
      const lie =
        i === 0 && position.drives
          ? { limb: drawn.limbDeg, ...(drawn.zeroDeg !== null && { zero: drawn.zeroDeg }) }
          : otherLies[measure.id]![lies]!(value);
      return { [field]: byDevice(spec, measure, value, lie, i === 0 && position.drives ? least : lie.limb * 0.1) };
    });
  }
  if (way === 'stack') return [{ [field]: Math.round(value / 2.5) * 2.5 }];
  const tape = byTape[way];
  if (tape) {
    const typed = position.drives ? tape(figure(), measure.id) : null;
    if (!typed && way !== 'tape') throw new Error(`nobody can read ${measure.id} by ${way}`);
    return [typed ?? { [field]: value }];
  }
  // Read as it is: a goniometer laid along the two limbs, a clock, a count, a level, an answer.
  if (['goniometer', 'clock', 'count', 'level', 'yes or no', 'points'].includes(way)) return [{ [field]: value }];
  throw new Error(`the round trip does not know ${way}`);
}

/** A number as it is written down. */
const written = (value: number, way: WayId): string =>
  String(way === 'inclinometer' || way === 'goniometer' ? Math.round(value) : Math.round(value * 10) / 10);

describe('a hidden truth, read off a drawn body and typed in, comes back', () => {
  const every = measures.flatMap((m) => m.ways.map((way) => [m.id, way, m] as const));
  test.each(every)('%s by %s', (_, way, measure) => {
    for (const side of sidesOf(measure))
      for (const value of truths(measure, way))
        for (const typed of readOff(measure, way, side, value)) {
          const fields = Object.fromEntries(Object.entries(typed).map(([id, v]) => [id, written(v, way)]));
          const parsed = parseTrial((id) => fields[id], measure, way, 'cm', lengths(side));
          const told = `${side ?? 'both'} at ${value}: typed ${JSON.stringify(fields)} → ${JSON.stringify(parsed)}`;
          expect(parsed.state, told).toBe('read');
          if (parsed.state === 'read') expect(Math.abs(parsed.value - value), told).toBeLessThanOrEqual(tolerance(measure, way));
        }
  });
});
