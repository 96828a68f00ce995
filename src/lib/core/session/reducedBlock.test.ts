import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { workedCycle } from '../testing/cycle';
import type { Block, Form } from './block';
import { reducedBlock, workSeconds } from './reducedBlock';

const blockOf = (form: Form, sets = 1, more: Partial<Block> = {}): Block => ({
  exerciseId: 'front_hamstring_cycle',
  part: 'open',
  links: ['HF-KS'],
  baseSets: sets,
  leastHoldS: 0,
  priority: 1,
  props: [],
  because: [],
  work: [{ side: 'left', sets, setting: {}, form }],
  ...more
});
const shareOf = (block: Block, share: number) => {
  const [less] = reducedBlock(block, share).work;
  return workSeconds(block, less!) / workSeconds(block, block.work[0]!);
};
const lifts = { reps: 10, liftS: 2, holdS: 3, lowerS: 2, restS: 2, peakPct: 50 };

describe('a block with less of it', () => {
  test('loses sets where that is near the share, and nothing else', () => {
    const [work] = reducedBlock(blockOf({ kind: 'hold', spec: { holdS: 30 } }, 3), 0.65).work;
    expect(work).toMatchObject({ sets: 2, form: { spec: { holdS: 30 } } });
  });
  test('with one set it has fewer repetitions, rounds or breaths, else shorter holds', () => {
    const less = (form: Form) => reducedBlock(blockOf(form), 0.65).work[0]!.form;
    expect(less({ kind: 'reps', spec: lifts })).toEqual({ kind: 'reps', spec: { ...lifts, reps: 7 } });
    expect(less({ kind: 'hold', spec: { holdS: 60 } })).toEqual({ kind: 'hold', spec: { holdS: 40 } });
    expect(less({ kind: 'breaths', spec: { breaths: 6, breathS: 6, effortPct: 15 } })).toMatchObject({ spec: { breaths: 4 } });
    const held = less({ kind: 'hold', spec: { holdS: 48, goesBy: 'breaths', beatS: 6 } });
    expect(held.kind === 'hold' && held.spec.holdS % 6).toBe(0);
  });
  test('the effort, the stack and the movements of a warm-up stay', () => {
    const cycle = reducedBlock(blockOf({ kind: 'cycle', spec: workedCycle }), 0.65).work[0]!.form;
    expect(cycle.kind === 'cycle' && cycle.spec.press).toEqual(workedCycle.press);
    const flow = blockOf({ kind: 'flow', spec: { steps: [{ durationS: 60, cue: 'march' }] } });
    expect(reducedBlock(flow, 0.65)).toEqual(flow);
  });
  test('no side has more sets than the other', () => {
    const form: Form = { kind: 'hold', spec: { holdS: 30 } };
    const both = blockOf(form, 2, {
      work: [
        { side: 'left', sets: 3, setting: {}, form },
        { side: 'right', sets: 2, setting: {}, form }
      ]
    });
    const [left, right] = reducedBlock(both, 0.65).work;
    expect(left!.sets).toBe(right!.sets);
  });
  test('whatever it is, it asks for no more than before and comes near the share where it can be cut', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.oneof(
          fc.integer({ min: 20, max: 180 }).map((holdS): Form => ({ kind: 'hold', spec: { holdS } })),
          fc.integer({ min: 3, max: 30 }).map((reps): Form => ({ kind: 'reps', spec: { ...lifts, reps } })),
          fc.integer({ min: 1, max: 5 }).map((rounds): Form => ({ kind: 'cycle', spec: { ...workedCycle, rounds } }))
        ),
        fc.constantFrom(0.65, 0.7, 0.8),
        (sets, form, share) => {
          const left = shareOf(blockOf(form, sets), share);
          expect(left).toBeLessThanOrEqual(1);
          expect(Math.abs(left - share)).toBeLessThan(0.2);
        }
      ),
      { numRuns: 60 }
    ));
});

// Source: common practice; the easier version of an exercise asks for no more of it than the one it stands in for.
test('the easier version in reserve is cut alike, in as many sets', () => {
  const form: Form = { kind: 'hold', spec: { holdS: 60 } };
  const block = blockOf(form, 1, { work: [{ side: 'left', sets: 1, setting: {}, form, easier: { form, setting: {} } }] });
  const [work] = reducedBlock(block, 0.65).work;
  expect(work!.easier!.form).toEqual({ kind: 'hold', spec: { holdS: 40 } });
});
