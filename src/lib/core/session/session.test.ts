import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compileSession, fitToMinutes, orderBlocks, type Block } from '../index';
import { workedCycle as worked } from '../testing/cycle';

const warmUp: Block = {
  exerciseId: 'split_warm_up',
  part: 'warm-up',
  links: [],
  baseSets: 1,
  leastHoldS: 0,
  priority: 9,
  props: [],
  because: [],
  work: [{ side: null, sets: 1, setting: {}, form: { kind: 'flow', spec: { steps: [{ durationS: 360, cue: 'march' }] } } }]
};
const cycleBlock = (exerciseId: string, link: 'HE' | 'HF-KS', priority: number, props: string[]): Block => ({
  exerciseId,
  part: 'open',
  links: [link],
  baseSets: 1,
  leastHoldS: 60,
  priority,
  props,
  because: [],
  work: (['left', 'right'] as const).map((side) => ({ side, sets: 1, setting: {}, form: { kind: 'cycle', spec: worked } }))
});
const front = cycleBlock('front_hamstring_cycle', 'HF-KS', 3, ['pad', 'blocks']);
const rear = cycleBlock('rear_hip_cycle', 'HE', 4, ['pad']);

describe('compileSession', () => {
  test('adds up get-ready time and work to the second', () => {
    const { durationS, sets } = compileSession([warmUp, front], { setupS: 15, restS: 20 });
    expect(durationS).toBe(360 + 2 * (15 + 316));
    expect(sets.map((s) => [s.exerciseId, s.side])).toEqual([
      ['split_warm_up', null],
      ['front_hamstring_cycle', 'left'],
      ['front_hamstring_cycle', 'right']
    ]);
  });

  test('is contiguous from first to last', () => {
    const { phases, durationS } = compileSession([warmUp, front, rear]);
    expect(phases[0]!.startS).toBe(0);
    phases.slice(1).forEach((p, i) => expect(p.startS).toBe(phases[i]!.endS));
    expect(phases.at(-1)!.endS).toBe(durationS);
  });

  test('takes turns between sides when asked', () => {
    const twice = { ...front, work: front.work.map((w) => ({ ...w, sets: 2 })) };
    expect(compileSession([twice], { sides: 'alternate' }).sets.map((s) => s.side)).toEqual(['left', 'right', 'left', 'right']);
    expect(compileSession([twice]).sets.map((s) => s.side)).toEqual(['left', 'left', 'right', 'right']);
  });

  test('both sides inside a set: a few seconds between them, the rest after both', () => {
    const twice = { ...front, work: front.work.map((w) => ({ ...w, sets: 2 })) };
    const { sets } = compileSession([warmUp, twice], { sides: 'inside a set', setupS: 15, restS: 40 });
    expect(sets.slice(1).map((s) => [s.side, s.setNo, s.workStartS - s.startS])).toEqual([
      ['left', 1, 15],
      ['right', 1, 5],
      ['left', 2, 40],
      ['right', 2, 5]
    ]);
  });

  test('orders the blocks of a part so that fewest props are moved', () => {
    const none = { ...rear, exerciseId: 'none', props: [] };
    expect(orderBlocks([front, none, rear]).map((b) => b.exerciseId)).toEqual([
      'none',
      'rear_hip_cycle',
      'front_hamstring_cycle'
    ]);
  });
});

const withRounds = (block: Block, rounds: number): Block => ({
  ...block,
  work: block.work.map((w) => (w.form.kind === 'cycle' ? { ...w, form: { ...w.form, spec: { ...w.form.spec, rounds } } } : w))
});

describe('fitToMinutes', () => {
  const session = { blocks: [warmUp, front, rear] };
  const full = compileSession(session.blocks).durationS;

  test('leaves what fits alone', () => expect(fitToMinutes(session, 40)).toMatchObject({ durationS: full, cuts: [] }));

  test('cuts holds before rounds, no round below the second, and says from how many to how many', () => {
    const rich = { blocks: session.blocks.map((b) => (b === front ? withRounds(front, 3) : b)) };
    const least = fitToMinutes(session, (full - 100) / 60);
    expect(least.cuts.every((c) => c.kind === 'holds' && c.to >= 30)).toBe(true);
    const cuts = Array.from({ length: 30 }, (_, i) => compileSession(rich.blocks).durationS - 20 * i).flatMap((s) => {
      const fitted = fitToMinutes(rich, s / 60);
      return fitted.blocks.length === 3 ? [fitted.cuts.map((c) => c.kind)] : [];
    });
    expect(cuts.some((kinds) => kinds.includes('rounds'))).toBe(true);
    for (const kinds of cuts.filter((k) => k.includes('rounds'))) expect(kinds.indexOf('rounds')).toBe(kinds.length - 1);
    const rounds = fitToMinutes(rich, 16).cuts.filter((c) => c.kind === 'rounds');
    expect(rounds).toEqual([{ kind: 'rounds', exerciseId: 'front_hamstring_cycle', from: 3, to: 2 }]);
  });

  test('drops the link of lower priority last of all', () => {
    const fitted = fitToMinutes(session, 16);
    expect(fitted.blocks.map((b) => b.exerciseId)).toEqual(['split_warm_up', 'rear_hip_cycle']);
  });

  test('never cuts the warm-up, and refuses when nothing else is left', () =>
    expect(() => fitToMinutes(session, 7)).toThrow(expect.objectContaining({ code: 'minutes_too_few' })));

  test('is never above the budget, whatever the minutes', () =>
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 60 }), (minutes) => {
        try {
          expect(fitToMinutes(session, minutes).durationS).toBeLessThanOrEqual(minutes * 60);
        } catch (error) {
          expect(error).toMatchObject({ code: 'minutes_too_few' });
        }
      })
    ));
});
