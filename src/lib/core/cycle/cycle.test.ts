import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileCycle, compileHold, compileReps, CoreError, effortAtPct, rampSteps, totals, type Phase } from '../index';
import { workedCycle as worked } from '../testing/cycle';

const effort = fc.record({
  rampUpS: fc.integer({ min: 0, max: 20 }),
  holdS: fc.integer({ min: 0, max: 30 }),
  rampDownS: fc.integer({ min: 0, max: 20 }),
  peakPct: fc.integer({ min: 0, max: 60 })
});
const cycleSpec = fc.record({
  holdS: fc.integer({ min: 0, max: 180 }),
  rounds: fc.integer({ min: 0, max: 5 }),
  press: fc.option(effort, { nil: undefined }),
  draw: fc.option(effort, { nil: undefined }),
  turnS: fc.integer({ min: 0, max: 5 }),
  settleS: fc.integer({ min: 0, max: 30 }),
  finalSettleS: fc.integer({ min: 0, max: 60 })
});

/** Area under |effort| by fine midpoints: an independent way to the same number. */
const sampledArea = (phases: readonly Phase[], durationS: number, stepS = 0.01) => {
  let sum = 0;
  for (let i = 0; i < Math.round(durationS / stepS); i++) sum += Math.abs(effortAtPct(phases, (i + 0.5) * stepS)) * stepS;
  return sum;
};

describe('compileCycle', () => {
  test('gives the totals of the worked cycle', () =>
    expect(totals(compileCycle(worked))).toEqual({ durationS: 316, stretchS: 316, contractionS: 120, effortPctS: 4500 }));

  test('turns only between a press and a draw', () => {
    expect(compileCycle(worked).filter((p) => p.kind === 'turn')).toHaveLength(2);
    expect(compileCycle({ ...worked, draw: undefined }).some((p) => p.kind === 'turn')).toBe(false);
  });

  test('carries a draw as negative effort', () =>
    expect(Math.min(...compileCycle(worked).map((p) => Math.min(p.fromPct, p.toPct)))).toBe(-50));

  test('phases are contiguous, never empty, and effort runs on without a jump inside a contraction', () =>
    fc.assert(
      fc.property(cycleSpec, (spec) => {
        const phases = compileCycle(spec);
        let atS = 0;
        for (const phase of phases) {
          expect(phase.startS).toBe(atS);
          expect(phase.endS).toBeGreaterThan(phase.startS);
          atS = phase.endS;
        }
      })
    ));

  test('effort·time equals the area under the sampled curve', () =>
    fc.assert(
      fc.property(cycleSpec, (spec) => {
        const phases = compileCycle(spec);
        const { durationS, effortPctS } = totals(phases);
        expect(Math.abs(sampledArea(phases, durationS) - effortPctS)).toBeLessThan(1 + effortPctS * 1e-3);
      }),
      { numRuns: 25 }
    ));

  test('overrides a round', () => {
    const phases = compileCycle({ ...worked, perRound: [{ press: { peakPct: 30 } }] });
    expect(phases.filter((p) => p.kind === 'press').map((p) => p.fromPct)).toEqual([30, 60]);
  });

  test('refuses a peak above the cap, and 60 % is the cap where nothing is said', () => {
    expect(() => compileCycle(worked, { effortCapPct: 40 })).toThrow(expect.objectContaining({ code: 'effort_above_cap' }));
    expect(() => compileCycle({ ...worked, press: { ...worked.press!, peakPct: 61 } })).toThrow(CoreError);
  });
});

describe('compileReps and compileHold', () => {
  const spec = { reps: 5, liftS: 2, holdS: 5, lowerS: 2, restS: 4, peakPct: 50 };
  test('five lifts of five seconds take 61 seconds, the last without a rest', () =>
    expect(totals(compileReps(spec)).durationS).toBe(5 * 9 + 4 * 4));
  // Source: common practice. A lift shortens what is trained at its edge: guidance on minutes under stretch does not count it.
  test('lifts are contraction and no stretch', () =>
    expect(totals(compileReps(spec))).toMatchObject({ stretchS: 0, contractionS: 5 * 9 }));
  test('with a little help at the edge the time held there is stretch', () =>
    expect(totals(compileReps({ ...spec, assisted: true }))).toMatchObject({ stretchS: 5 * 5, contractionS: 5 * 9 }));
  test('the shortened side works: effort lies below the line, as in a draw', () =>
    expect(effortAtPct(compileReps(spec), 3)).toBe(-50));
  test('may hold the last one longer', () => expect(totals(compileReps({ ...spec, lastHoldS: 10 })).durationS).toBe(66));
  test('refuse what is no time or no repetition', () => {
    expect(() => compileReps({ ...spec, reps: 0 })).toThrow(CoreError);
    expect(() => compileHold({ holdS: Number.NaN })).toThrow(CoreError);
  });
  test('a hold is all stretch and no contraction', () =>
    expect(totals(compileHold({ holdS: 45 }))).toEqual({ durationS: 45, stretchS: 45, contractionS: 0, effortPctS: 0 }));
});

describe('effortAtPct and rampSteps', () => {
  const phases = compileCycle(worked);
  test.each([
    [60, 0],
    [126, 30],
    [132, 60],
    [150, 0],
    [159, -25],
    [165, -50],
    [400, 0]
  ])('at %d s the worked cycle stands at %d %%', (tS, pct) => expect(effortAtPct(phases, tS)).toBeCloseTo(pct, 9));

  test('announces a ramp to 60 % in tens, evenly', () => {
    const steps = rampSteps(phases.find((p) => p.kind === 'press up')!);
    expect(steps.map((s) => s.pct)).toEqual([10, 20, 30, 40, 50, 60]);
    expect(steps.map((s) => s.atS)).toEqual([122, 124, 126, 128, 130, 132]);
  });
  test('announces the way down, ending at nothing', () =>
    expect(rampSteps(phases.find((p) => p.kind === 'draw down')!).map((s) => s.pct)).toEqual([40, 30, 20, 10, 0]));
  test('has nothing to announce in an even phase', () => expect(rampSteps(phases[0]!)).toEqual([]));
});
