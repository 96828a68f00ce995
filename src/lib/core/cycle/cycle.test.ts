import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  compileCycle,
  compileHold,
  compileReps,
  repsDone,
  CoreError,
  cornersOf,
  effortAtPct,
  effortsOf,
  goesIn,
  moveCorner,
  ownBreathS,
  rampSteps,
  totals,
  usualBounds,
  withPeak,
  withRound,
  type Phase,
  type RepsSpec
} from '../index';
import { atBreath } from './compileCycle';
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
  finalSettleS: fc.integer({ min: 0, max: 60 }),
  drawFirst: fc.boolean(),
  holdPct: fc.integer({ min: -60, max: 60 }),
  stepPct: fc.constantFrom(undefined, 10, 20),
  breathS: fc.constantFrom(undefined, 6),
  leaves: fc.boolean()
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

  test('phases are contiguous and never empty', () =>
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

  test('a draw may come before the press, with the turn between them', () =>
    expect(compileCycle({ ...worked, rounds: 1, drawFirst: true }).map((p) => p.kind)).toEqual([
      'hold',
      'draw up',
      'draw',
      'draw down',
      'turn',
      'press up',
      'press',
      'press down',
      'settle',
      'settle'
    ]));

  // By hand: 50 % in steps of 20 passes 20 and 40, each for half of 10 s, up and down; 6 s at 50 %.
  test('a ramp in steps stands on each for the same time', () => {
    const press = { rampUpS: 10, holdS: 6, rampDownS: 10, peakPct: 50 };
    const steps = compileCycle({ holdS: 0, rounds: 1, press, turnS: 0, settleS: 0, finalSettleS: 0, stepPct: 20 });
    expect(steps.map((p) => [p.fromPct, p.toPct, p.endS - p.startS])).toEqual([
      [20, 20, 5],
      [40, 40, 5],
      [50, 50, 6],
      [40, 40, 5],
      [20, 20, 5]
    ]);
    expect(totals(steps).effortPctS).toBe(2 * 5 * (20 + 40) + 6 * 50);
  });

  test('an effort all through the hold is contraction and stretch at once, and has the cap of every effort', () => {
    const lightly = { ...worked, rounds: 0, finalSettleS: 0, holdS: 40, holdPct: 20 };
    expect(totals(compileCycle(lightly))).toEqual({ durationS: 40, stretchS: 40, contractionS: 40, effortPctS: 800 });
    expect(() => compileCycle(lightly, { effortCapPct: 15 })).toThrow(expect.objectContaining({ code: 'effort_above_cap' }));
  });

  test('out of the position between two rounds nothing is under stretch', () => {
    const spec = { ...worked, rounds: 2, settleS: 10 };
    expect(totals(compileCycle(spec)).stretchS - totals(compileCycle({ ...spec, leaves: true })).stretchS).toBe(10);
  });

  test('pauses in breaths follow the breath of the person, and are counted', () => {
    const spec = atBreath({ ...worked, rounds: 1, turnS: 6, settleS: 18, finalSettleS: 30, breathS: 6 }, 8);
    expect([spec.turnS, spec.settleS, spec.finalSettleS]).toEqual([8, 24, 40]);
    expect(compileCycle(spec).find((p) => p.kind === 'settle')).toMatchObject({ beatS: 8 });
  });

  test('what resists, how it deepens and the other way to press are told in their phases', () => {
    const phases = compileCycle({ ...worked, resistance: 'strap', deepening: 'lean', secondWay: 'in toward the middle' });
    const presses = phases.filter((p) => p.kind === 'press');
    expect(presses.map((p) => p.how)).toEqual([undefined, 'in toward the middle']);
    expect(presses[0]?.notes).toEqual([{ code: 'against', resistance: 'strap' }]);
    expect(phases.find((p) => p.kind === 'settle')?.cue).toEqual({ code: 'settle deeper', deepening: 'lean' });
    expect(compileCycle({ ...worked, deepening: 'lean', stays: true }).find((p) => p.kind === 'settle')?.cue).toEqual({
      code: 'settle here'
    });
  });

  test('a round may keep its effort as long as it wants, and go deeper its own way; the others stay as they are', () => {
    const spec = withRound({ ...worked, deepening: 'lean' }, 1, { press: { holdS: 8 }, deepening: 'tilt the pelvis' });
    const phases = compileCycle(spec);
    const kept = phases.filter((p) => p.kind === 'press').map((p) => p.endS - p.startS);
    expect(kept).toEqual([worked.press!.holdS, 8]);
    const settles = phases.filter((p) => p.cue.deepening).map((p) => p.cue);
    expect(settles).toEqual([
      { code: 'settle deeper', deepening: 'lean' },
      { code: 'settle deeper', deepening: 'tilt the pelvis' }
    ]);
    // A peak set before or after stands beside it, and going back to the usual forgets it.
    expect(effortsOf(withPeak(spec, 'press', 1, 50), 1).press).toMatchObject({ holdS: 8, peakPct: 50 });
    expect(compileCycle(withRound(spec, 1, { press: { holdS: worked.press!.holdS }, deepening: undefined }))).toEqual(
      compileCycle({ ...worked, deepening: 'lean' })
    );
    expect(compileCycle({ ...spec, stays: true }).filter((p) => p.cue.deepening)).toEqual([]);
  });

  test('a hundred rounds are refused', () =>
    expect(() => compileCycle({ ...worked, rounds: 100 })).toThrow(expect.objectContaining({ code: 'out_of_range' })));
});

describe('corners of the curve', () => {
  test('each stands where a phase ends', () =>
    fc.assert(
      fc.property(cycleSpec, (spec) => {
        const ends = [0, ...compileCycle(spec).map((p) => p.endS)];
        for (const { atS } of cornersOf(spec)) expect(ends.some((s) => Math.abs(s - atS) < 1e-6)).toBe(true);
      })
    ));

  test('moved and moved back the cycle is as it was, and lasts as much longer as it was moved', () =>
    fc.assert(
      fc.property(cycleSpec, fc.nat(), (spec, pick) => {
        const plain = { ...spec, breathS: undefined, holdS: spec.holdS - (spec.holdS % 5) };
        const movable = cornersOf(plain).filter((c) => c.moves.time);
        const { id } = movable[pick % movable.length]!;
        const moved = moveCorner(plain, id, { s: 5 });
        // Only the first round's corners are drawn, so a figure of every round makes as many times five seconds.
        const times = ['hold', 'last settle'].includes(id) ? 1 : plain.rounds;
        expect(totals(compileCycle(moved)).durationS - totals(compileCycle(plain)).durationS).toBeCloseTo(5 * times, 6);
        expect(moveCorner(moved, id, { s: -5 })).toEqual(plain);
      })
    ));

  test('an effort stays below its bound; a round with a peak of its own leaves the others', () => {
    const bounds = { ...usualBounds, effortPct: { min: 0, max: 45, step: 5 } };
    const spec = { ...worked, rounds: 3, press: { ...worked.press!, peakPct: 40 } };
    expect(moveCorner(spec, 'press up', { pct: 30 }, bounds).press?.peakPct).toBe(45);
    const third = moveCorner(spec, 'press of round 2', { pct: -10 });
    expect([0, 1, 2].map((r) => effortsOf(third, r).press?.peakPct)).toEqual([40, 40, 30]);
    expect([0, 1, 2].map((r) => effortsOf(moveCorner(third, 'press up', { pct: 5 }), r).press?.peakPct)).toEqual([45, 40, 30]);
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
  test('as many as stay clean: the phases go to the most, each says from how many on', () => {
    const phases = compileReps({ ...spec, reps: 8, leastReps: 5 });
    expect(phases.filter((p) => p.kind === 'lift')).toHaveLength(8);
    expect(phases[0]).toMatchObject({ cue: { code: 'lift' }, rep: { at: 1, of: 8, least: 5 } });
    expect(() => compileReps({ ...spec, reps: 4, leastReps: 5 })).toThrow(CoreError);
  });
  test('placed by hand nothing works until it is let go', () => {
    const phases = compileReps({ ...spec, letGo: true });
    expect(phases.slice(0, 2).map((p) => [p.kind, p.fromPct, p.toPct])).toEqual([
      ['move', 0, 0],
      ['held', -50, -50]
    ]);
    // Two seconds of lifting in each of five are none.
    expect(totals(phases).contractionS).toBe(totals(compileReps(spec)).contractionS - 5 * spec.liftS);
  });
  test('an effort at the deepest point presses, above the line, under the same cap', () => {
    const phases = compileReps({ ...spec, deepest: { holdS: 4, peakPct: 40 } });
    expect(effortAtPct(phases, spec.liftS + spec.holdS + 1)).toBe(40);
    expect(totals(phases).durationS).toBe(totals(compileReps(spec)).durationS + 5 * 4);
    expect(() => compileReps({ ...spec, deepest: { holdS: 4, peakPct: 70 } })).toThrow(CoreError);
  });
  test('the open variant and the angle are told where they count', () => {
    const phases = compileReps({ ...spec, atDeg: 51.6, allows: 'the pelvis may tip' });
    expect(phases.find((p) => p.kind === 'held')).toMatchObject({
      cue: { code: 'hold there', atDeg: 52 },
      rep: { at: 1, of: 5 },
      notes: [{ code: 'open', allows: 'the pelvis may tip' }]
    });
  });
  test('so many are over as have been lowered, whatever the shape', () =>
    fc.assert(
      fc.property(
        fc.record({
          reps: fc.integer({ min: 1, max: 20 }),
          ...Object.fromEntries(['liftS', 'holdS', 'restS'].map((k) => [k, fc.integer({ min: 0, max: 9 })])),
          lowerS: fc.integer({ min: 1, max: 9 }),
          lastHoldS: fc.option(fc.integer({ min: 0, max: 30 }), { nil: undefined })
        }) as fc.Arbitrary<RepsSpec>,
        fc.nat({ max: 400 }),
        (shape, afterS) => {
          const whole = { ...shape, peakPct: 50 };
          const phases = compileReps(whole);
          const unbroken = phases.find((p) => p.kind === 'work');
          const done = unbroken
            ? Math.min(shape.reps, Math.floor(afterS / unbroken.beatS!))
            : phases.filter((p) => p.kind === 'lower' && p.endS <= afterS).length;
          expect(repsDone(whole, afterS)).toBe(done);
        }
      )
    ));
  test('without a hold and a rest they go on without a stop, counted by their beat; circles both ways', () => {
    const kicks = { reps: 10, liftS: 0.7, holdS: 0, lowerS: 0.7, restS: 0, peakPct: 50 };
    const [only, ...others] = compileReps(kicks);
    expect(others).toEqual([]);
    expect(only).toMatchObject({ kind: 'work', endS: 14, beatS: 1.4, cue: { code: 'without a stop' } });
    expect(compileReps({ ...kicks, bothWays: true }).map((p) => [p.cue.code, p.endS])).toEqual([
      ['one way round', 14],
      ['the other way round', 28]
    ]);
    expect(compileReps({ ...kicks, lastHoldS: 5 }).map((p) => p.kind)).toEqual(['work', 'held']);
    expect(repsDone({ ...kicks, bothWays: true }, 14)).toBe(5);
  });
  test('several efforts at the bottom, each let go: a roll-down of 10 + 3 × (5 + 3) + 10 s', () => {
    const deepest = { holdS: 5, peakPct: 40, times: 3, letGoS: 3 };
    const phases = compileReps({ reps: 1, liftS: 10, holdS: 0, lowerS: 10, restS: 0, peakPct: 40, deepest });
    expect(phases.map((p) => p.kind)).toEqual(['lift', ...Array<string[]>(3).fill(['press', 'hold']).flat(), 'lower']);
    expect(phases.at(-1)!.endS).toBe(44);
    // Pressed three times, and the way down and up works as well; let go, nothing does.
    expect(totals(phases).contractionS).toBe(15 + 20);
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

  test('where one phase ends the next one counts', () => {
    const atWork = compileCycle({ ...worked, holdPct: 20 });
    expect(atWork[0]).toMatchObject({ endS: worked.holdS, toPct: 20 });
    expect(effortAtPct(atWork, worked.holdS - 1)).toBe(20);
    expect(effortAtPct(atWork, worked.holdS)).toBe(0);
  });

  test('announces a ramp to 60 % in tens, evenly', () => {
    const steps = rampSteps(phases.find((p) => p.kind === 'press up')!);
    expect(steps.map((s) => s.pct)).toEqual([10, 20, 30, 40, 50, 60]);
    expect(steps.map((s) => s.atS)).toEqual([122, 124, 126, 128, 130, 132]);
  });
  test('announces the way down, ending at nothing', () =>
    expect(rampSteps(phases.find((p) => p.kind === 'draw down')!).map((s) => s.pct)).toEqual([40, 30, 20, 10, 0]));
  test('has nothing to announce in an even phase', () => expect(rampSteps(phases[0]!)).toEqual([]));
});

describe('a breath tapped along', () => {
  const taps = (...seconds: number[]) => seconds.reduce<number[]>((at, s) => [...at, at.at(-1)! + 1000 * s], [0]);

  test('is the middle of the intervals: one tap missed does not move it', () => {
    expect(ownBreathS(taps(6.1, 5.8, 6.2, 6))).toBe(6);
    expect(ownBreathS(taps(6.1, 5.8, 12.1, 6.2, 6))).toBe(6);
  });

  test('goes out for longer than in', () => {
    const insS = Array.from({ length: 160 }, (_, i) => (i + 0.5) / 10).filter((tS) => goesIn(tS, 8)).length / 10;
    expect([insS, goesIn(0, 8), goesIn(7.9, 8)]).toEqual([6.4, true, false]);
  });

  test('tells nothing of too few, nor of what is no breath at rest', () => {
    expect(ownBreathS(taps(6, 6, 6))).toBeNull();
    expect(ownBreathS(taps(1, 1, 1, 1))).toBeNull();
    expect(ownBreathS(taps(30, 30, 30, 30))).toBeNull();
    expect(ownBreathS([])).toBeNull();
  });
});
