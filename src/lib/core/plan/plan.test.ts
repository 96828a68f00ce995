import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  compileSession,
  daysBetween,
  doseByLink,
  ladder,
  longHold,
  planPhases,
  planProgression,
  totals,
  type PlanAsk,
  type Prop
} from '../index';
import { dayOffsets } from './planProgression';

const shelf: Prop[] = [
  { id: 'book', name: 'book', quantity: 3, faces: [{ heightCm: 2.5, widthCm: 16, depthCm: 23 }] },
  { id: 'block', name: 'block', quantity: 2, faces: [{ heightCm: 10, widthCm: 15, depthCm: 23 }] }
];
const rungs = ladder({ fromCm: 15, toCm: 0, shelf }).steps;
const setting = { depthCm: 15, holdS: 30 };
const ask: PlanAsk = {
  school: longHold,
  level: 'other',
  leadSide: 'left',
  weakerSide: null,
  settings: { front_split_on_stack: { left: setting, right: setting } },
  rungs: { left: rungs, right: rungs },
  limits: [],
  locks: [],
  restedLines: [],
  weeks: 4,
  sessionsPerWeek: 3,
  minutes: 60,
  start: '2026-03-02',
  target: null,
  hasBaseline: true
};
const peaksOf = (plan: ReturnType<typeof planProgression>) =>
  plan.weeks.flatMap((w) =>
    w.sessions.map((s) => ({ ...s, peakPct: Math.max(...compileSession(s.blocks).phases.map((p) => Math.abs(p.toPct))) }))
  );

describe('planPhases', () => {
  // Source: common practice, shares of 20, 40, 25 and 15 %.
  test('has every phase from four weeks on, in order', () => {
    expect(planPhases(4)).toEqual(['settle in', 'open', 'own', 'arrive']);
    expect(planPhases(12).filter((p) => p === 'open')).toHaveLength(5);
  });
  test('always fills exactly the weeks there are', () =>
    fc.assert(fc.property(fc.integer({ min: 1, max: 52 }), (weeks) => planPhases(weeks).length === weeks)));
});

describe('dayOffsets', () => {
  test('three sessions a week never follow hard upon each other', () =>
    expect(dayOffsets(3)).toEqual([
      { day: 0, light: false },
      { day: 2, light: false },
      { day: 4, light: false }
    ]));
  test.each([1, 2, 3, 4, 5, 6, 7])('with %d a week no two hard days touch, also over the weekend', (n) => {
    const hard = dayOffsets(n)
      .filter((d) => !d.light)
      .flatMap((d) => [d.day, d.day + 7])
      .sort((a, b) => a - b);
    hard.slice(1).forEach((day, i) => expect(day - hard[i]!).toBeGreaterThan(1));
  });
});

describe('planProgression', () => {
  const plan = planProgression(ask);

  test('has its weeks and sessions, easy every fourth, a retest every second', () => {
    expect(plan.weeks.map((w) => w.sessions.length)).toEqual([3, 3, 3, 3]);
    expect(plan.weeks.map((w) => w.easy)).toEqual([false, false, false, true]);
    expect(plan.weeks.map((w) => w.retest)).toEqual([false, true, false, true]);
  });

  test('starts every session warm and ends it settled, with both ends of the split worked on both sides', () => {
    for (const { blocks } of plan.weeks[1]!.sessions) {
      const ordered = compileSession(blocks).sets;
      expect(ordered[0]!.exerciseId).toBe('split_warm_up');
      expect(ordered.at(-1)!.exerciseId).toBe('settle');
      expect(new Set(doseByLink(blocks).map((d) => `${d.link}/${d.side}`)).size).toBe(4);
      expect(blocks.some((b) => b.exerciseId === 'front_leg_lift') && blocks.some((b) => b.exerciseId === 'rear_knee_lift')).toBe(
        true
      );
    }
  });

  test('is never above its minutes, to the second, whatever they are', () =>
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 75 }), fc.integer({ min: 1, max: 7 }), (minutes, sessionsPerWeek) => {
        for (const week of planProgression({ ...ask, minutes, sessionsPerWeek }).weeks)
          for (const s of week.sessions) {
            expect(compileSession(s.blocks).durationS).toBe(s.durationS);
            expect(s.durationS).toBeLessThanOrEqual(minutes * 60);
          }
      }),
      { numRuns: 40 }
    ));

  test('says what was cut', () => {
    const short = planProgression({ ...ask, minutes: 25 });
    expect(short.weeks[1]!.sessions[0]!.cuts.length).toBeGreaterThan(0);
    expect(plan.weeks[1]!.sessions[0]!.cuts).toEqual([]);
  });

  test('ten minutes give no room for the warm-up and real work, and that is said with the seconds needed', () => {
    // 8 minutes of warm-up for 60 and over leave nothing
    const older = { ...ask, minutes: 9, limits: [{ kind: 'warm-up at least', value: 480, reason: '60 and over' }] } as const;
    expect(() => planProgression(older)).toThrow(expect.objectContaining({ code: 'minutes_too_few' }));
  });

  test('never passes the effort cap', () => {
    const capped = planProgression({ ...ask, limits: [{ kind: 'effort cap', value: 30, reason: 'test' }] });
    for (const s of peaksOf(capped)) expect(s.peakPct).toBeLessThanOrEqual(30);
  });

  // Source: common practice with controlled high blood pressure: contractions up to 6 seconds.
  test('keeps every contraction within its seconds, ramps and all', () => {
    const short = planProgression({ ...ask, limits: [{ kind: 'contraction at most', value: 6, reason: 'test' }] });
    const specs = short.weeks.flatMap((w) =>
      w.sessions.flatMap((s) => s.blocks.flatMap((b) => b.work.flatMap((x) => (x.form.kind === 'cycle' ? [x.form.spec] : []))))
    );
    expect(specs.length).toBeGreaterThan(0);
    for (const { press, draw } of specs)
      for (const effort of [press!, draw!]) expect(effort.rampUpS + effort.holdS + effort.rampDownS).toBeLessThanOrEqual(6);
  });

  test('shortens the holds of a line that is kept from long ones, on its side alone', () => {
    const limits = [{ kind: 'no long hold of a line', line: 'hamstring', side: 'left', reason: 'test' }] as const;
    const { blocks } = planProgression({ ...ask, limits }).weeks[1]!.sessions[0]!;
    const holdOf = (side: 'left' | 'right') => {
      const form = blocks.find((b) => b.exerciseId === 'front_hamstring_cycle')!.work.find((w) => w.side === side)!.form;
      return form.kind === 'cycle' ? form.spec.holdS : 0;
    };
    expect(holdOf('left')).toBe(30);
    expect(holdOf('right')).toBeGreaterThan(30);
  });

  test('nothing is planned where no end-range work is allowed', () =>
    expect(() => planProgression({ ...ask, limits: [{ kind: 'no end-range work', reason: 'test' }] })).toThrow(
      expect.objectContaining({ code: 'everything_locked' })
    ));

  test('a light day has no lift-offs and stays under 60 %', () => {
    const daily = planProgression({ ...ask, sessionsPerWeek: 7, limits: [{ kind: 'effort cap', value: 80, reason: 'test' }] });
    const light = peaksOf(daily).filter((s) => s.light);
    expect(light.length).toBeGreaterThan(0);
    for (const s of light) {
      expect(s.peakPct).toBeLessThan(60);
      expect(s.blocks.every((b) => b.part !== 'own')).toBe(true);
    }
  });

  test('leaves out what a lock bars and says so', () => {
    const locked = planProgression({ ...ask, locks: [{ joint: 'knee', side: 'right' }] }).weeks[0]!.sessions[0]!;
    expect(locked.blocks.some((b) => b.exerciseId === 'front_split_on_stack')).toBe(false);
    expect(locked.leftOut.some((l) => l.includes('locked'))).toBe(true);
  });

  test('never stands anyone on a stack far deeper than what is meant, also when the shelf was emptied', () => {
    const floorOnly = ladder({ fromCm: 15, toCm: 0, shelf: [] }).steps;
    const s = planProgression({ ...ask, rungs: { left: floorOnly, right: rungs } }).weeks[0]!.sessions[0]!;
    expect(s.blocks.find((b) => b.exerciseId === 'front_split_on_stack')!.work.map((w) => w.side)).toEqual(['right']);
    expect(s.leftOut).toContain('Front split on its stack, left: the shelf has no stack near its height');
  });

  test('gives the weaker side one set more, first', () => {
    const s = planProgression({ ...ask, weakerSide: 'right' }).weeks[1]!.sessions[0]!;
    const position = s.blocks.find((b) => b.exerciseId === 'front_split_on_stack')!;
    expect(position.work.map((w) => [w.side, w.sets])).toEqual([
      ['right', 3],
      ['left', 2]
    ]);
  });

  test('an easy week is shorter than the week before it', () => {
    const long = planProgression({ ...ask, weeks: 8 });
    const effortOf = (week: number) =>
      long.weeks[week - 1]!.sessions.reduce((sum, s) => sum + totals(compileSession(s.blocks).phases).effortPctS, 0);
    expect(effortOf(4)).toBeLessThan(effortOf(3));
  });

  test('days follow the start', () => expect(daysBetween(ask.start, plan.weeks[2]!.sessions[1]!.on)).toBe(16));

  test.each([
    [{ hasBaseline: false }, 'baseline_missing'],
    [{ target: '2026-03-16' }, 'weeks_past_target'],
    [{ weeks: 0 }, 'weeks_out_of_range'],
    [{ weeks: Number.NaN }, 'weeks_out_of_range'],
    [{ minutes: 0 }, 'minutes_out_of_range'],
    [{ locks: [{ joint: 'back', side: null }] }, 'everything_locked']
  ] as [Partial<PlanAsk>, string][])('refuses %j', (more, code) =>
    expect(() => planProgression({ ...ask, ...more })).toThrow(expect.objectContaining({ code }))
  );
});
