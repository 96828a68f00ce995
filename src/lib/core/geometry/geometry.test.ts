import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import reference from '../fixtures/splitGeometry.json';
import {
  CoreError,
  limbElevationDeg,
  nearestDepthCm,
  openingFromDepthDeg,
  openingFromSpanDeg,
  propagate,
  segmentLengths,
  splitGapCm,
  splitOpeningDeg
} from '../index';

// Source: plane geometry, worked in 60-digit arithmetic (docs/sources.md#plane-trigonometry).
type Inputs = { [name: string]: number | undefined };
const casesOf = (kind: string) =>
  reference.cases
    .filter((c) => c.kind === kind)
    .map((c) => ({ id: c.id, inputs: c.inputs as Inputs, expected: c.expected as Inputs }));
const tolerance = reference.tolerance.absolute;

describe('splitOpeningDeg', () => {
  test.each([...casesOf('raised_foot')])('gives the worked opening of a raised foot ($id)', ({ inputs, expected }) => {
    const opening = splitOpeningDeg({ gapCm: inputs.g!, leadLegCm: inputs.L1!, trailLegCm: inputs.L2!, leadRaiseCm: inputs.e! });
    expect(Math.abs(opening - expected.opening_deg!)).toBeLessThan(tolerance);
  });

  test.each([...casesOf('isosceles_from_gap')])('gives the worked opening of equal legs ($id)', ({ inputs, expected }) => {
    const opening = splitOpeningDeg({ gapCm: inputs.g!, leadLegCm: inputs.L!, trailLegCm: inputs.L! });
    expect(Math.abs(opening - expected.theta_deg!)).toBeLessThan(tolerance);
  });

  test('is 180 degrees when the landmark touches the floor', () =>
    expect(splitOpeningDeg({ gapCm: 0, leadLegCm: 92, trailLegCm: 88 })).toBe(180));

  test.each([88, 92, 200, Number.NaN, Infinity])('refuses a gap of %d with legs of 92 and 88', (gapCm) =>
    expect(() => splitOpeningDeg({ gapCm, leadLegCm: 92, trailLegCm: 88 })).toThrow(CoreError)
  );

  test.each([8, 30, 60])('agrees with the angle between the leg vectors at a gap of %d cm', (gapCm) => {
    const leg = (length: number, way: number) => [way * Math.sqrt(length ** 2 - gapCm ** 2), -gapCm] as const;
    const [a, b] = [leg(92, 1), leg(88, -1)];
    const vectors = (Math.acos((a[0] * b[0] + a[1] * b[1]) / (92 * 88)) * 180) / Math.PI;
    expect(splitOpeningDeg({ gapCm, leadLegCm: 92, trailLegCm: 88 })).toBeCloseTo(vectors, 9);
  });
});

describe('splitGapCm', () => {
  const leg = fc.double({ min: 40, max: 130, noNaN: true });

  test('undoes splitOpeningDeg for any legs, raise and gap', () =>
    fc.assert(
      fc.property(
        leg,
        leg,
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 0.95, noNaN: true }),
        (lead, trail, raise, share) => {
          const gapCm = share * Math.min(lead, trail);
          const legs = { leadLegCm: lead, trailLegCm: trail, leadRaiseCm: raise };
          expect(splitGapCm({ ...legs, openingDeg: splitOpeningDeg({ ...legs, gapCm }) })).toBeCloseTo(gapCm, 6);
        }
      )
    ));

  test('falls as the opening grows', () =>
    expect(splitGapCm({ openingDeg: 170, leadLegCm: 90, trailLegCm: 90 })).toBeLessThan(
      splitGapCm({ openingDeg: 160, leadLegCm: 90, trailLegCm: 90 })
    ));

  test.each([-1, 0, 361, Number.NaN])('refuses an opening of %d', (openingDeg) =>
    expect(() => splitGapCm({ openingDeg, leadLegCm: 92, trailLegCm: 60 })).toThrow(CoreError)
  );
});

describe('openingFromDepthDeg', () => {
  test('takes a negative depth as a raise under the lead heel', () =>
    expect(openingFromDepthDeg({ depthCm: -15, leadLegCm: 90, trailLegCm: 90 })).toBeCloseTo(189.594068, 5)); // the worked case G19

  test('never falls as the depth goes down past flat', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 60, noNaN: true }),
        fc.double({ min: 0.01, max: 10, noNaN: true }),
        (depthCm, step) => {
          const legs = { leadLegCm: 90, trailLegCm: 85 };
          expect(openingFromDepthDeg({ ...legs, depthCm: depthCm - step })).toBeGreaterThan(
            openingFromDepthDeg({ ...legs, depthCm })
          );
        }
      )
    ));
});

describe('openingFromSpanDeg', () => {
  test.each([...casesOf('unequal_from_base'), ...casesOf('isosceles_from_base')])(
    'gives the worked opening ($id)',
    ({ inputs, expected }) => {
      const [lead, trail] = [inputs.L1 ?? inputs.L!, inputs.L2 ?? inputs.L!];
      const opening = openingFromSpanDeg({ heelSpanCm: inputs.d!, leadLegCm: lead, trailLegCm: trail });
      expect(Math.abs(opening - expected.theta_deg!)).toBeLessThan(tolerance);
    }
  );

  test('takes the spacing of the hips off the span of a side split', () =>
    expect(openingFromSpanDeg({ heelSpanCm: 107, leadLegCm: 90, trailLegCm: 90, hipSpacingCm: 17 })).toBeCloseTo(60, 9));

  test.each([
    [181, 90, 90],
    [184, 95, 88],
    [25, 90, 60]
  ])('refuses a span of %d with legs of %d and %d', (heelSpanCm, leadLegCm, trailLegCm) =>
    expect(() => openingFromSpanDeg({ heelSpanCm, leadLegCm, trailLegCm })).toThrow(CoreError)
  );
});

describe('limbElevationDeg', () => {
  test('is the arcsine of rise over limb', () => expect(limbElevationDeg({ riseCm: 45, limbCm: 90 })).toBeCloseTo(30, 10));
  test('does not fold back past the vertical when the run is known', () =>
    expect(limbElevationDeg({ riseCm: 45 * Math.sqrt(3), limbCm: 90, runCm: -45 })).toBeCloseTo(120, 9));
  test('refuses a rise above the limb', () => expect(() => limbElevationDeg({ riseCm: 91, limbCm: 90 })).toThrow(CoreError));
  test('near the vertical takes a rise that is off by its error, once the run is known', () => {
    expect(limbElevationDeg({ riseCm: 90.5, limbCm: 90, runCm: 1 })).toBeCloseTo(89.37, 2);
    expect(() => limbElevationDeg({ riseCm: 97, limbCm: 90, runCm: 1 })).toThrow(CoreError);
  });
});

describe('propagate', () => {
  const formulas: Record<string, { f: (v: readonly number[]) => number; names: string[] }> = {
    'U1 isosceles from base': {
      f: ([L, d]) => openingFromSpanDeg({ heelSpanCm: d!, leadLegCm: L!, trailLegCm: L! }),
      names: ['L', 'd']
    },
    'U2 isosceles from gap': { f: ([L, g]) => splitOpeningDeg({ gapCm: g!, leadLegCm: L!, trailLegCm: L! }), names: ['L', 'g'] },
    'U3 raised foot, unequal legs': {
      f: ([a, b, g, e]) => splitOpeningDeg({ gapCm: g!, leadLegCm: a!, trailLegCm: b!, leadRaiseCm: e! }),
      names: ['L1', 'L2', 'g', 'e']
    },
    'U4 oversplit, one shared leg length': {
      f: ([L, g, e]) => splitOpeningDeg({ gapCm: g!, leadLegCm: L!, trailLegCm: L!, leadRaiseCm: e! }),
      names: ['L', 'g', 'e']
    },
    'U5 unequal legs from base': {
      f: ([a, b, d]) => openingFromSpanDeg({ heelSpanCm: d!, leadLegCm: a!, trailLegCm: b! }),
      names: ['L1', 'L2', 'd']
    },
    'U6 near flat from base (first order fails)': {
      f: ([L, d]) => openingFromSpanDeg({ heelSpanCm: d!, leadLegCm: L!, trailLegCm: L! }),
      names: ['L', 'd']
    },
    'U7 the same position measured by gap': {
      f: ([L, g]) => splitOpeningDeg({ gapCm: g!, leadLegCm: L!, trailLegCm: L! }),
      names: ['L', 'g']
    }
  };

  test.each(reference.uncertainty.map((u) => [u.name, u] as const))('carries the error of %s', (name, worked) => {
    const { f, names } = formulas[name]!;
    const inputs = names.map((n) => ({
      value: (worked.inputs as Inputs)[n]!,
      sd: (worked.standard_uncertainties as Inputs)[n]!
    }));
    const result = propagate(f, inputs);
    expect(result.value).toBeCloseTo(worked.expected.value_deg, 5);
    expect(result.firstOrder).toBe(worked.first_order_valid);
    if (worked.first_order_valid) expect(Math.abs(result.sd - worked.expected.first_order_u_deg)).toBeLessThan(1e-4);
    // Monte Carlo with four million draws is the outside check; 20,000 of our own stay within 3 % of it.
    else expect(Math.abs(result.sd / worked.monte_carlo.sd_deg - 1)).toBeLessThan(0.03);
  });

  test('gives the same answer each time, sampled or not', () => {
    const f = ([d]: readonly number[]) => openingFromSpanDeg({ heelSpanCm: d!, leadLegCm: 90, trailLegCm: 90 });
    expect(propagate(f, [{ value: 179, sd: 1 }])).toEqual(propagate(f, [{ value: 179, sd: 1 }]));
  });

  test('does not swallow a fault of the formula', () =>
    expect(() =>
      propagate(
        ([x]) => {
          if (x! > 1) throw new TypeError('a bug');
          return x!;
        },
        [{ value: 1, sd: 1 }]
      )
    ).toThrow(TypeError));
});

describe('segmentLengths', () => {
  // Source: published fractions of stature, from memory with high confidence (docs/sources.md#segment-lengths).
  test('gives a leg of 0.53 of stature, marked as an estimate', () =>
    expect(segmentLengths(170).legCm).toMatchObject({ value: expect.closeTo(90.1, 6), estimated: true }));
  test('refuses a stature no one has', () => expect(() => segmentLengths(20)).toThrow(CoreError));
});

describe('depth and opening', () => {
  // Source: geometry, past flat on the leading leg: 15 cm under a leg of 95 cm is 9.08° (asin 15/95), under one of 80 cm 10.81°.
  test.each([
    [95, 80, 189.0847],
    [80, 95, 190.8069]
  ])('past flat goes by the leg in front: %d and %d', (lead, trail, deg) => {
    expect(openingFromDepthDeg({ depthCm: -15, leadLegCm: lead, trailLegCm: trail })).toBeCloseTo(deg, 3);
    expect(nearestDepthCm({ openingDeg: deg, leadLegCm: lead, trailLegCm: trail })).toBeCloseTo(-15, 3);
  });

  test('an opening that unlike legs cannot make gives the nearest depth they can; what is no number is refused', () => {
    expect(nearestDepthCm({ openingDeg: 10, leadLegCm: 95, trailLegCm: 80 })).toBeCloseTo(80, 3);
    expect(nearestDepthCm({ openingDeg: 300, leadLegCm: 95, trailLegCm: 80 })).toBeCloseTo(-95, 6);
    expect(() => nearestDepthCm({ openingDeg: Number.NaN, leadLegCm: 90, trailLegCm: 90 })).toThrow(CoreError);
  });
});
