import { describe, expect, test } from 'vitest';
import {
  compareSchools,
  differences,
  exercises,
  exerciseOf,
  isComparable,
  schoolIds,
  schoolTopics,
  schools,
  totals,
  type Phase,
  compileCycle,
  compileBreaths,
  compilePulses,
  isOutside,
  schoolFigure,
  schoolOf
} from '../index';

describe('the schools', () => {
  test('are five, in the order of their ids', () => expect(schools.map((s) => s.id)).toEqual([...schoolIds]));

  // Source: common practice, the table of defaults (docs/sources.md#schools).
  test.each([
    ['long_hold', 'hold', [60, 120]],
    ['long_hold', 'contraction', [10, 15]],
    ['contract_relax', 'contraction', [5, 10]],
    ['contract_relax', 'effort', [40, 60]],
    ['short_holds', 'hold', [1, 2]],
    ['breath_counted', 'hold', [3, 9]],
    ['drills', 'hold', [10, 30]]
  ] as const)('%s: %s is %j', (id, topic, span) => expect(schools.find((s) => s.id === id)!.rules[topic]?.span).toEqual(span));

  test('what a school has no figure for stays blank', () => {
    const blanks = schools.flatMap((s) =>
      Object.keys(schoolTopics)
        .filter((t) => s.rules[t as 'hold'] === null)
        .map((t) => `${s.id}/${t}`)
    );
    expect(blanks).toEqual([
      'contract_relax/between',
      'short_holds/contraction',
      'short_holds/ramp',
      'short_holds/between',
      'short_holds/settle',
      'breath_counted/ramp',
      'breath_counted/between',
      'drills/ramp',
      'drills/between'
    ]);
  });

  test('only one caps the sensation with a figure', () =>
    expect(schools.filter((s) => s.sensationCap !== null).map((s) => s.id)).toEqual(['long_hold']));

  test('the questions on which they differ are 28, each with two answers or more', () => {
    expect(differences).toHaveLength(28);
    for (const d of differences) expect(d.answers.length, d.question).toBeGreaterThan(1);
  });
});

describe('compareSchools', () => {
  const doses = compareSchools(exerciseOf('front_hamstring_cycle'));
  const of = (id: string) => doses.find((d) => d.school.id === id)!;

  test('one dose a school, each of its own figures', () => {
    expect(doses.map((d) => d.school.id)).toEqual([...schoolIds]);
    expect(of('long_hold').from).toBe('this exercise');
    expect(of('drills').from).toBe('the school');
  });
  // A school that tells effort in words alone gives no figure of it: light, brisk, grams of help.
  test('an effort that a school tells in words is no figure', () =>
    expect(doses.filter((d) => d.hasEffort).map((d) => d.school.id)).toEqual(['long_hold', 'contract_relax']));

  // Worked by hand: hold 90, two rounds of (12+12.5+8) + 3 + (12+12.5+6) + 20, last settle 30.
  test('a long hold, worked by hand', () => {
    expect(of('long_hold').totals).toMatchObject({ durationS: 90 + 2 * (32.5 + 3 + 30.5 + 20) + 30, contractionS: 2 * 63 });
  });
  // Worked by hand: 5 s in, four rounds of 1+7.5+1 and 5 s further, then 20 s.
  test('a short contract-relax, worked by hand', () => {
    expect(of('contract_relax').totals).toMatchObject({
      durationS: 5 + 4 * (9.5 + 5) + 20,
      contractionS: 38,
      effortPctS: 4 * 50 * 8.5
    });
  });
  test('breaths are this person’s own', () => {
    const breath = (breathS: number) =>
      compareSchools(exerciseOf('leg_drawn_in'), { breathS }).find((d) => d.school.id === 'breath_counted')!;
    expect(breath(10).totals.durationS).toBe(2 * breath(5).totals.durationS);
  });
  test('no effort passes the cap, in any school', () => {
    for (const d of compareSchools(exerciseOf('front_hamstring_cycle'), { effortCapPct: 30 }))
      for (const p of d.phases) expect(Math.max(Math.abs(p.fromPct), Math.abs(p.toPct))).toBeLessThanOrEqual(30);
  });
  test('nothing is held longer than a person may hold it, in any school', () => {
    for (const { school, phases } of compareSchools(exerciseOf('front_hamstring_cycle'), { longestHoldS: 15, contractionS: 4 })) {
      const longest = (...kinds: Phase['kind'][]) =>
        Math.max(0, ...phases.filter((p) => kinds.includes(p.kind)).map((p) => p.endS - p.startS));
      expect(longest('hold', 'settle'), school.id).toBeLessThanOrEqual(15);
      expect(longest('press', 'draw'), school.id).toBeLessThanOrEqual(4);
    }
  });
  test('every comparable exercise compiles in every school', () => {
    for (const e of exercises.filter(isComparable))
      for (const d of compareSchools(e)) {
        expect(d.totals.durationS, `${e.id} ${d.school.id}`).toBeGreaterThan(0);
        expect(d.phases[0]!.startS).toBe(0);
      }
  });
});

describe('compileBreaths and compilePulses', () => {
  test('breaths: time is breaths by their length, lightly contracted throughout', () =>
    expect(totals(compileBreaths({ breaths: 6, breathS: 8, effortPct: 15, passes: 2 }))).toEqual({
      durationS: 96,
      stretchS: 96,
      contractionS: 96,
      effortPctS: 1440
    }));
  test('pulses: movement is no stretch, the hold is', () =>
    expect(totals(compilePulses({ sets: 2, pulses: 10, pulseS: 1.5, holdS: 20, settleS: 5 }))).toEqual({
      durationS: 75,
      stretchS: 45,
      contractionS: 0,
      effortPctS: 0
    }));
  test('refuse what cannot be', () => {
    expect(() => compileBreaths({ breaths: 0, breathS: 8, effortPct: 0 })).toThrow('out_of_range');
    expect(() => compileBreaths({ breaths: 3, breathS: 8, effortPct: 70 })).toThrow('effort_above_cap');
    expect(() => compilePulses({ sets: 0, pulses: 1, pulseS: 1, holdS: 1, settleS: 0 })).toThrow('out_of_range');
    expect(() => compileCycle({ holdS: -1, rounds: 1, turnS: 0, settleS: 0, finalSettleS: 0 })).toThrow();
  });
});

describe('schoolFigure', () => {
  const kneel = exerciseOf('leaning_back_kneel');
  const figure = (school: string, dial: string, e = kneel) => schoolFigure(schoolOf(school), e, dial);

  test('is the exercise’s own where it has one, else the school’s default', () => {
    expect(figure('drills', 'holdS', exerciseOf('frog'))).toEqual({ span: [20, 30], own: true, unsure: false });
    expect(figure('long_hold', 'holdS')).toEqual({ span: [60, 120], own: false, unsure: false });
  });
  test('carries the mark of figures that are not certain', () =>
    expect(figure('drills', 'reps', exerciseOf('ankle_circles'))).toMatchObject({ own: true, unsure: true }));
  test('never turns breaths into seconds, nor kicks into a contraction', () => {
    expect(figure('breath_counted', 'holdS')).toBeNull();
    expect(figure('breath_counted', 'breaths')).toMatchObject({ span: [3, 9] });
    expect(figure('drills', 'contractionS')).toBeNull();
    expect(figure('long_hold', 'loadKg')).toBeNull();
  });
  test('tells what lies outside it', () => {
    const span = figure('long_hold', 'holdS')!;
    expect([59, 60, 120, 121].map((at) => isOutside(span, at))).toEqual([true, false, false, true]);
  });
});
