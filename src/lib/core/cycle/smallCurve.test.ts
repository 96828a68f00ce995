import { describe, expect, test } from 'vitest';
import { compileSession, fittedSession, smallCurve, type Phase } from '../index';
import { splitPlanAsk } from '../testing/plan';

const phase = (kind: Phase['kind'], startS: number, endS: number, fromPct = 0, toPct = fromPct): Phase => ({
  kind,
  startS,
  endS,
  fromPct,
  toPct,
  cue: { code: 'hold' }
});

describe('smallCurve', () => {
  test('keeps what is held, pressed and drawn where it was, like ones in one, and the length', () => {
    const curve = smallCurve([
      phase('ready', 0, 100),
      phase('hold', 100, 200),
      phase('hold', 200, 300),
      phase('press', 300, 500, 40),
      phase('draw', 500, 700, -30),
      phase('rest', 700, 800)
    ]);
    expect(curve.map((p) => [p.kind, p.startS, p.endS, p.fromPct])).toEqual([
      ['rest', 0, 0, 0],
      ['hold', 100, 300, 0],
      ['press', 300, 500, 40],
      ['draw', 500, 700, -30],
      ['rest', 800, 800, 0]
    ]);
  });
  test('of a whole session is a fraction of its phases, with its greatest effort either way and none that is not there', () => {
    const { blocks } = fittedSession({ ...splitPlanAsk, phase: 'open', amount: 'whole', light: false, minutes: 60 });
    const { phases } = compileSession(blocks);
    const curve = smallCurve(phases);
    const most = (of: readonly Pick<Phase, 'fromPct' | 'toPct'>[], sign: 1 | -1) =>
      Math.max(0, ...of.flatMap((p) => [sign * p.fromPct, sign * p.toPct]));
    expect(curve.length).toBeLessThan(phases.length);
    for (const sign of [1, -1] as const) expect(most(curve, sign)).toBe(most(phases, sign));
    expect(curve.at(-1)!.endS).toBe(phases.at(-1)!.endS);
  });
  test('nothing has no curve', () => expect(smallCurve([])).toEqual([]));
});
